import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { endSymbols, placeMarks, standAt, standPath } from '../src/notations/endSymbols';
import type { EndMark } from '../src/drawing/document';

const names = [...endSymbols.keys()];
const directions = [
  { x: 1, y: 0 },
  { x: -1, y: 0 },
  { x: 0, y: 1 },
  { x: 0, y: -1 },
];

const numbersOf = (path: string) => (path.match(/-?\d*\.?\d+/g) ?? []).map(Number);

describe('the symbols of line ends', () => {
  it('use the path commands that every painter turns, and no others', () => {
    for (const symbol of endSymbols.values()) {
      const paths = [...(symbol.paths ?? []), ...(symbol.filled ?? []), ...(symbol.hollow ?? [])];
      expect(paths.length + (symbol.circles?.length ?? 0)).toBeGreaterThan(0);
      for (const path of paths) expect(path).toMatch(/^M[-\d. MLHVCQZ]*$/);
    }
  });

  it('reach as deep as they say', () => {
    for (const symbol of endSymbols.values()) {
      for (const path of [...(symbol.paths ?? []), ...(symbol.filled ?? []), ...(symbol.hollow ?? [])]) {
        const turned = numbersOf(standPath(path, 0, { point: { x: 0, y: 0 }, direction: { x: 1, y: 0 } }));
        const along = turned.filter((_, i) => i % 2 === 0);
        expect(Math.max(...along)).toBeLessThanOrEqual(symbol.depth);
        expect(Math.min(...along)).toBeGreaterThanOrEqual(0);
      }
    }
  });

  it('lie along their line, whichever way it leaves its box', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...names),
        fc.constantFrom(...directions),
        fc.integer({ min: -500, max: 500 }),
        (name, direction, at) => {
          const point = { x: at, y: -at };
          for (const path of endSymbols.get(name)!.paths ?? []) {
            const flat = numbersOf(standPath(path, 7, { point: { x: 0, y: 0 }, direction: { x: 1, y: 0 } }));
            const turned = numbersOf(standPath(path, 7, { point, direction }));
            for (let i = 0; i < flat.length; i += 2) {
              const there = standAt({ point, direction }, flat[i]!, flat[i + 1]!);
              expect(turned[i]).toBeCloseTo(there.x, 2);
              expect(turned[i + 1]).toBeCloseTo(there.y, 2);
            }
          }
        },
      ),
    );
  });

  it('stand one behind the other from the box outward', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...names), { minLength: 1, maxLength: 4 }), (marks: EndMark[]) => {
        const placed = placeMarks(marks);
        for (let i = 1; i < placed.length; i++)
          expect(placed[i]!.at).toBeGreaterThanOrEqual(placed[i - 1]!.at + placed[i - 1]!.symbol.depth);
      }),
    );
  });

  it('put the toes of a foot on the box and its point away from it', () => {
    const [toe] = numbersOf(
      standPath(endSymbols.get('foot')!.paths![0]!, 0, { point: { x: 100, y: 50 }, direction: { x: 1, y: 0 } }),
    );
    expect(toe).toBe(100);
  });
});
