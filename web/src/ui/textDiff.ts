import { diffArrays, diffWordsWithSpace } from 'diff';

/** A line of one of two texts, taken apart into what both have and what only this one has. */
export type DiffLine = readonly { readonly text: string; readonly own: boolean }[];

const common = (line: string): DiffLine => [{ text: line, own: false }];
const own = (line: string): DiffLine => [{ text: line, own: true }];

/**
 * The lines of two texts, with what only one of them has: whole lines by a shortest edit script (Myers), and the words within a
 * line that stands in the place of another.
 */
export function textDiff(mine: string, theirs: string): { mine: DiffLine[]; theirs: DiffLine[] } {
  const both = { mine: [] as DiffLine[], theirs: [] as DiffLine[] };
  const parts = diffArrays(mine.split('\n'), theirs.split('\n'));
  for (let at = 0; at < parts.length; at++) {
    const { added, removed, value } = parts[at]!;
    const next = parts[at + 1];
    if (!added && !removed) {
      both.mine.push(...value.map(common));
      both.theirs.push(...value.map(common));
    } else if (removed && next?.added) {
      replace(value, next.value, both);
      at++;
    } else (removed ? both.mine : both.theirs).push(...value.map(own));
  }
  return both;
}

function replace(gone: readonly string[], come: readonly string[], both: { mine: DiffLine[]; theirs: DiffLine[] }) {
  for (let at = 0; at < Math.max(gone.length, come.length); at++) {
    const [before, after] = [gone[at], come[at]];
    if (before === undefined) both.theirs.push(own(after!));
    else if (after === undefined) both.mine.push(own(before));
    else {
      const words = diffWordsWithSpace(before, after);
      both.mine.push(words.filter((word) => !word.added).map(({ value, removed }) => ({ text: value, own: removed })));
      both.theirs.push(words.filter((word) => !word.removed).map(({ value, added }) => ({ text: value, own: added })));
    }
  }
}
