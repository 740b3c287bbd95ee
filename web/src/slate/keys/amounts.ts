import type { EndMark } from '../../drawing/document';
import type { Least, Most } from '../../drawing/edits';

/** A least or a most as it is offered at a line's end: as drawn, as written, as said, and by the deed of its key. */
export interface Amount<T> {
  readonly value: T;
  readonly marks: readonly EndMark[];
  readonly short: string;
  readonly says: string;
  readonly deed: string;
}

export const leasts: readonly Amount<Least>[] = [
  { value: '0', marks: ['ring'], short: '0', says: 'at least none', deed: 'least-none' },
  { value: '1', marks: ['bar'], short: '1', says: 'at least one', deed: 'least-one' },
  { value: 'unsaid', marks: [], short: '–', says: 'least unsaid', deed: 'least-unsaid' },
];

export const mosts: readonly Amount<Most>[] = [
  { value: '1', marks: ['bar'], short: '1', says: 'at most one', deed: 'most-one' },
  { value: 'many', marks: ['foot'], short: 'm', says: 'many', deed: 'most-many' },
  { value: 'unsaid', marks: [], short: '–', says: 'most unsaid', deed: 'most-unsaid' },
];

/** What an end shows: how many at least, and at most. */
export interface Amounts {
  readonly least: Least;
  readonly most: Most;
}

/** An end with another least. One bar alone says both: at least one, of which nothing more is known, is drawn as one. */
export const withLeast = ({ most }: Amounts, least: Least): Amounts => ({
  least,
  most: least === '1' && most === 'unsaid' ? '1' : most,
});

/** What an end says after a deed; null where the deed says nothing of amounts. */
export function afterDeed(now: Amounts, deed: string): Amounts | null {
  const least = leasts.find((one) => one.deed === deed);
  if (least) return withLeast(now, least.value);
  const most = mosts.find((one) => one.deed === deed);
  return most ? { ...now, most: most.value } : null;
}
