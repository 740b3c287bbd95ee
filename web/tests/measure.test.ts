import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Form, Row, Shape } from '../src/drawing/document';
import { markIndent, noteLines, sizeOf, textWidth } from '../src/geometry/measure';

interface Golden {
  texts: { text: string; size: number; bold: boolean; width: number }[];
  shapes: {
    form: Form;
    text: string;
    rows: { mark: string; ring: boolean; text: string }[];
    /** How many rows each compartment has, where there are several. */
    parts?: number[];
    width: number;
    height: number;
  }[];
}

const golden = JSON.parse(
  readFileSync(join(import.meta.dirname, '../../tests/golden/measures.json'), 'utf8'),
) as Golden;

const shapeOf = (
  form: Form,
  text: string,
  rows: readonly Omit<Row, 'id' | 'underline'>[] = [],
  parts: readonly number[] = rows.length === 0 ? [] : [rows.length],
): Shape => ({
  id: 'b',
  form,
  outline: 'single',
  text,
  compartments: parts.map((length, part) => {
    const start = parts.slice(0, part).reduce((sum, n) => sum + n, 0);
    return rows.slice(start, start + length).map((row, i) => ({ id: `t${start + i}`, underline: 'none', ...row }));
  }),
  x: 0,
  y: 0,
});

describe('text and shapes', () => {
  it('measure as the golden list says, which every painter is held to', () => {
    for (const { text, size, bold, width } of golden.texts)
      expect(textWidth(text, size, bold ? 'bold' : 'regular'), text).toBeCloseTo(width, 6);
    for (const { form, text, rows, parts, width, height } of golden.shapes)
      expect(sizeOf(shapeOf(form, text, rows, parts)), text).toEqual({ width, height });
  });

  it('grow with what is written in them', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), fc.string({ minLength: 1, maxLength: 20 }), (text, more) => {
        expect(textWidth(text + more)).toBeGreaterThanOrEqual(textWidth(text));
        expect(sizeOf(shapeOf('rectangle', text + more)).width).toBeGreaterThanOrEqual(
          sizeOf(shapeOf('rectangle', text)).width,
        );
      }),
    );
  });

  it('hold every row and leave a column for marks', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            mark: fc.constantFrom('', 'PK', 'PK FK2', 'AK1'),
            ring: fc.boolean(),
            text: fc.string({ maxLength: 40 }),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        (rows) => {
          const shape = shapeOf('rectangle', 'Box', rows);
          const { width, height } = sizeOf(shape);
          for (const row of rows) {
            expect(markIndent(shape) + textWidth(row.text)).toBeLessThan(width);
            expect(10 + textWidth(row.mark, 12)).toBeLessThanOrEqual(markIndent(shape));
          }
          expect(height).toBe(26 + rows.length * 18 + 8);
        },
      ),
    );
  });

  it('break a note at words and lose none', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-z]{1,12}$/), { maxLength: 30 }), (words) => {
        const lines = noteLines(words.join(' '));
        expect(lines.join(' ').split(' ').filter(Boolean)).toEqual(words);
        for (const line of lines) expect(line.includes(' ') ? line.length : 0).toBeLessThanOrEqual(24);
      }),
    );
  });
});
