import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { textDiff, type DiffLine } from '../src/ui/textDiff';

const text = (lines: readonly DiffLine[]) => lines.map((line) => line.map((piece) => piece.text).join('')).join('\n');
const own = (lines: readonly DiffLine[]) =>
  lines.flatMap((line) => line.filter((piece) => piece.own)).map((piece) => piece.text);

describe('what differs between two texts', () => {
  it('is the words of a line that was changed, and lines that only one has', () => {
    const { mine, theirs } = textDiff('2 marks: Hall\n1 mark: Stage\nsame', '3 marks: Hall\nsame\nnew');
    expect(own(mine)).toEqual(['2', '1 mark: Stage']);
    expect(own(theirs)).toEqual(['3', 'new']);
  });

  it('leaves both texts whole, and marks nothing where they are one', () => {
    const lines = fc.array(fc.constantFrom('a b', 'a c', 'b', '', 'c c c')).map((all) => all.join('\n'));
    fc.assert(
      fc.property(lines, lines, (one, other) => {
        const { mine, theirs } = textDiff(one, other);
        expect(text(mine)).toBe(one);
        expect(text(theirs)).toBe(other);
        if (one === other) expect([...own(mine), ...own(theirs)]).toEqual([]);
      }),
    );
  });
});
