import type { Schemas } from '../../api/client';
import { valueOf } from '../../ui/marks';

export type Difference = Schemas['DifferenceReply'];
export type ClassWork = Schemas['ClassWork'];

/** Whether everything about a difference is decided: for all at once, or at each of its places. */
export const isDecided = ({ forAll, places }: Difference) =>
  forAll !== null && forAll !== undefined ? true : places.every(({ decision }) => decision);

/** Whether everybody who has it is released already, so that nothing is decided on it for all any more. */
export const isClosed = ({ places }: Difference, works: readonly ClassWork[]) =>
  places.every(({ work }) => works[work]?.state === 'released');

/** Whether there is nothing to decide: no line of the scheme uses it, and it costs nothing. */
export const isUnmarked = (difference: Difference) =>
  !difference.marked || (valueOf(difference.loss) === 0 && !isDecided(difference));

/** What is to be decided stands before what is decided, and that before what is not marked. */
export const rankOf = (difference: Difference) => (isDecided(difference) ? 1 : isUnmarked(difference) ? 2 : 0);

/** The answers that want nothing any more: sure of what stands for what, with a decision on each difference that costs something. */
export function readyWorks(differences: readonly Difference[], works: readonly ClassWork[]): readonly ClassWork[] {
  const open = new Set<number>();
  for (const difference of differences)
    if (!isUnmarked(difference) && !difference.forAll)
      for (const { work, decision } of difference.places) if (!decision) open.add(work);
  return works.filter((work, at) => work.state === 'checked' && !work.doubtful && !open.has(at));
}
