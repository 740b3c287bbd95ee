import { describe, expect, it } from 'vitest';
import { byDifference, whereOf } from '../src/features/study/hints';
import { warningAt } from '../src/features/study/timeLeft';

const hint = (
  number: number,
  about: number | null,
  step: 'how-many' | 'where' | 'what' | 'why',
  elements: string[] = [],
) => ({
  number,
  about,
  step,
  said: `said ${number}`,
  elements,
  places: [],
  last: false,
});

describe('help that was given', () => {
  it('is gathered by difference, what is mended last, with the newest count', () => {
    const { counted, differences } = byDifference({
      hints: [
        hint(1, null, 'how-many'),
        hint(2, 2, 'where', ['b1']),
        hint(3, 3, 'where'),
        hint(4, 2, 'what'),
        hint(5, null, 'how-many'),
      ],
      mended: [2],
    });
    expect(counted?.number).toBe(5);
    expect(differences.map(({ number, last, mended }) => [number, last.number, mended])).toEqual([
      [3, 3, false],
      [2, 4, true],
    ]);
  });

  it('names what is drawn, and quotes so much of the words that one knows them again', () => {
    const one = byDifference({ hints: [hint(1, 1, 'where', ['b1'])], mended: null }).differences[0]!;
    expect(whereOf(one, () => 'Visitor')).toBe('(Visitor)');
    const quote = 'An item may be tried more than once, or never; each repair of it is numbered';
    expect(whereOf({ ...one, elements: [], places: [{ block: 0, start: 0, quote }] }, () => '')).toBe(
      '“An item may be tried more than once, or …”',
    );
    expect(whereOf({ ...one, elements: [] }, () => '')).toBe('');
  });
});

describe('the time that is left', () => {
  it('is warned of at five minutes, at one, and at the end', () => {
    expect(warningAt(301_000)).toBeNull();
    expect(warningAt(300_000)).toContain('Five minutes');
    expect(warningAt(60_000)).toContain('One minute');
    expect(warningAt(0)).toContain('over');
    const said = Array.from({ length: 700 }, (_, at) => warningAt((600 - at) * 1000));
    expect(new Set(said).size).toBe(4);
  });
});
