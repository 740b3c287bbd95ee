import type { Phrase } from './phrases';

/** Where the words of a phrase stand that are in no text any more: in a block that no text has. */
export const nowhere = 99_999;

/** How much of what stands around words tells one place from another, in characters to each side. */
const context = 60;

/** At least so much of it is as it was, where the same words stand at several places. */
const enough = 6;

interface Place {
  readonly block: number;
  readonly start: number;
}

/**
 * Where phrases stand after a text was edited. The same words may stand at several places: each place of the old text goes to the place
 * of the new one around which most is as it was, no two to one. Words around which nothing is as it was, or which stand nowhere any more,
 * are nowhere: a phrase never goes to words that only look like its own.
 */
export function moved<P extends Phrase>(
  phrases: readonly P[],
  before: readonly string[],
  after: readonly string[],
): readonly P[] {
  const goes = new Map<string, ReadonlyMap<string, Place>>();
  for (const quote of new Set(phrases.map((phrase) => phrase.quote))) goes.set(quote, pairs(quote, before, after));
  return phrases.map((phrase) => {
    const place = goes.get(phrase.quote)!.get(keyOf(phrase));
    return place ? { ...phrase, ...place } : { ...phrase, block: nowhere, start: 0 };
  });
}

/** Which place of some words in the old text is which in the new one. */
function pairs(quote: string, before: readonly string[], after: readonly string[]): ReadonlyMap<string, Place> {
  const [olds, news] = [placesOf(quote, before), placesOf(quote, after)];
  if (olds.length === 1 && news.length === 1) return new Map([[keyOf(olds[0]!), news[0]!]]);
  const scored = olds
    .flatMap((old, i) =>
      news.map((now, j) => ({ old, now, apart: Math.abs(i - j), score: alike(quote, before, old, after, now) })),
    )
    .filter(({ score }) => score >= enough)
    .sort((a, b) => b.score - a.score || a.apart - b.apart);
  const found = new Map<string, Place>();
  const taken = new Set<string>();
  for (const { old, now } of scored) {
    if (found.has(keyOf(old)) || taken.has(keyOf(now))) continue;
    found.set(keyOf(old), now);
    taken.add(keyOf(now));
  }
  return found;
}

const keyOf = ({ block, start }: Place) => `${block} ${start}`;

function placesOf(quote: string, blocks: readonly string[]): Place[] {
  return blocks.flatMap((text, block) => {
    const places: Place[] = [];
    for (let start = text.indexOf(quote); start >= 0; start = text.indexOf(quote, start + 1))
      places.push({ block, start });
    return places;
  });
}

/** How many characters to both sides of words are the same; the rim of a block counts as some that are. */
function alike(quote: string, before: readonly string[], old: Place, after: readonly string[], now: Place): number {
  const [here, there] = [before[old.block]!, after[now.block]!];
  let left = 0;
  while (left < context && (here[old.start - 1 - left] ?? rim) === (there[now.start - 1 - left] ?? rim)) left++;
  let right = 0;
  const [behind, beyond] = [old.start + quote.length, now.start + quote.length];
  while (right < context && (here[behind + right] ?? rim) === (there[beyond + right] ?? rim)) right++;
  return left + right;
}

const rim = '\n';
