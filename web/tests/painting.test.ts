import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alongSymbols, endSymbols, standPath } from '../src/notations/endSymbols';
import { formPath, forms, rimPoint } from '../src/notations/forms';

interface Golden {
  box: { x: number; y: number; width: number; height: number };
  stand: { point: { x: number; y: number }; direction: { x: number; y: number } };
  forms: Record<string, string[]>;
  ends: Record<string, string[]>;
  along: Record<string, string[]>;
}

const golden = JSON.parse(readFileSync(join(import.meta.dirname, '../../tests/golden/paths.json'), 'utf8')) as Golden;

describe('symbols in place', () => {
  it('are where the golden list says, which every painter is held to', () => {
    for (const form of forms.values())
      expect(
        [...form.edge, ...(form.details ?? []), ...(form.double ?? [])].map((d) => formPath(d, golden.box)),
      ).toEqual(golden.forms[form.name]);
    for (const end of endSymbols.values())
      expect(
        [...(end.hollow ?? []), ...(end.paths ?? []), ...(end.filled ?? [])].map((d) => standPath(d, 3, golden.stand)),
      ).toEqual(golden.ends[end.name]);
    for (const along of alongSymbols.values())
      expect((along.paths ?? []).map((d) => standPath(d, 0, golden.stand))).toEqual(golden.along[along.name]);
  });

  it('say which notations use them', () => {
    for (const symbol of [...forms.values(), ...endSymbols.values(), ...alongSymbols.values()]) {
      expect(symbol.says).toMatch(/^an? /);
      for (const notation of symbol.notations) expect(['chen', 'crows-foot', 'uml', 'dependency']).toContain(notation);
    }
  });

  it('end straight lines on the edge of any form, in the direction of the line', () => {
    fc.assert(
      fc.property(fc.constantFrom(...forms.keys()), fc.integer({ min: 0, max: 359 }), (form, degrees) => {
        const box = { x: 0, y: 0, width: 120, height: 60 };
        const from = { x: 60, y: 30 };
        const angle = (degrees * Math.PI) / 180;
        const towards = { x: 60 + 500 * Math.cos(angle), y: 30 + 500 * Math.sin(angle) };
        const rim = rimPoint(form, box, from, towards);
        expect(rim.x).toBeGreaterThanOrEqual(-0.5);
        expect(rim.x).toBeLessThanOrEqual(120.5);
        expect(rim.y).toBeGreaterThanOrEqual(-0.5);
        expect(rim.y).toBeLessThanOrEqual(60.5);
        const across = Math.abs((rim.x - 60) * Math.sin(angle) - (rim.y - 30) * Math.cos(angle));
        expect(across).toBeLessThan(0.6);
        expect(Math.hypot(rim.x - 60, rim.y - 30)).toBeGreaterThan(18);
      }),
    );
  });
});
