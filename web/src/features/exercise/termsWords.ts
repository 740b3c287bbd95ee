import type { Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { moment } from '../../ui/time';

export type Terms = Schemas['SittingRequest'];

export const usualTerms: Terms = {
  opensAt: null,
  dueAt: null,
  closesAt: null,
  attempts: 1,
  bestCounts: false,
  late: null,
};

/** What terms of sitting mean for a class, a sentence each: for whoever sets them. */
export function termsSaid(terms: Terms, minutes: number | null): string[] {
  const { opensAt, dueAt, closesAt } = terms;
  return [
    opensAt
      ? `Nobody sees the scenario or starts before ${moment(opensAt)}.`
      : 'Students can start as soon as it is published.',
    minutes === null
      ? 'There is no clock: one draws until one hands in.'
      : `From the start each student has ${counted(minutes, 'minute', 'minutes')}. The clock is the server’s and never stops, whether or not anybody is there; at its end what is drawn is handed in.`,
    dueAt
      ? `What is handed in after ${moment(dueAt)} is taken and marked as late${terms.late ? `; it loses ${lateSaid(terms.late)}` : ''}.`
      : 'Nothing is late.',
    closesAt
      ? `On ${moment(closesAt)} whatever is still being drawn is handed in, and nobody can start any more${minutes === null ? '' : '; whoever starts late has less time'}.`
      : 'It never closes.',
    ...extraSaid(terms, minutes),
    attemptsSaid(terms),
  ];
}

/** What lateness costs, as it follows "loses". */
export function lateSaid({ percent, per, most = 100, grace = 0 }: NonNullable<Terms['late']>): string {
  const atMost = most < 100 ? `, ${most} % at the most` : '';
  const free =
    grace > 0 ? `, after ${counted(grace, 'minute', 'minutes')} that ${grace === 1 ? 'costs' : 'cost'} nothing` : '';
  return `${percent} % of the marks for each ${per} begun${atMost}${free}`;
}

/** What extra minutes of a single student do. */
function extraSaid({ dueAt, closesAt }: Terms, minutes: number | null): string[] {
  const moved = [minutes !== null && 'the clock', dueAt && 'the due time', closesAt && 'the closing'].filter(Boolean);
  return moved.length === 0
    ? []
    : [`Extra minutes of a single student make ${listed.format(moved as string[])} later by as much.`];
}

const listed = new Intl.ListFormat('en');

/** How often an exercise is sat, and which attempt counts. */
export function attemptsSaid({ attempts, bestCounts }: Pick<Terms, 'attempts' | 'bestCounts'>): string {
  if (attempts === 1) return 'Each student sits it once.';
  const often = attempts ? `up to ${attempts} times` : 'as often as one likes';
  return `Each student sits it ${often}; ${bestCounts ? 'the best attempt counts' : 'the last attempt that is handed in counts'}, and only that one is marked.`;
}
