import type { Schemas } from '../api/client';
import { less } from '../ui/marks';
import type { Note } from './overlay';

type Result = Pick<Schemas['StudentResult'], 'notes' | 'adjustments'>;

/** What was found, and what a marker gave or took besides, as notes of one margin. */
export const allNotes = ({ notes, adjustments = [] }: Result): Note[] => [...notes, ...adjustments.map(ownNote)];

const ownNote = ({ id, line, amount, reason, elements }: Schemas['ResultAdjustment']): Note => ({
  id,
  code: '',
  tag: 'noted',
  headline: reason,
  there: '',
  wanted: '',
  why: '',
  loss: less('0', amount),
  marked: true,
  modelElements: [],
  answerElements: elements,
  consequences: [],
  example: null,
  countsIn: line ?? null,
});

/** Where a marker's own note counts, in words. */
export const countedIn = ({ countsIn }: Note) =>
  countsIn === null || countsIn === undefined
    ? 'in the total'
    : countsIn === ''
      ? 'in a line that the scheme has no longer'
      : `in “${countsIn}”`;
