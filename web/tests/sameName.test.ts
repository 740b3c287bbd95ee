import { describe, expect, it } from 'vitest';
import { sameNamed, sheetsOf } from '../src/drawing/sameName';
import { Draw } from './drawings';

describe('an attribute on several sheets', () => {
  const draw = new Draw().box('Kiln no', 0, 0).box('Shelf', 200, 0).box('Load', 0, 200, 'kiln  no', 'weight');
  const sheets = new Map([...draw.drawing.sheets, ['s2', { id: 's2', name: '3NF' }]]);
  const table = { ...draw.drawing.shapes.get(draw.idOf('Load'))!, sheet: 's2' };
  const drawing = { ...draw.drawing, sheets, shapes: new Map(draw.drawing.shapes).set(table.id, table) };
  const [kiln, weight] = table.compartments.flat().map((row) => row.id);

  it('is found by its name, in whatever case and spacing it is written', () => {
    expect(sameNamed(drawing, [kiln!])).toEqual([draw.idOf('Kiln no'), kiln]);
    expect(sameNamed(drawing, [draw.idOf('Kiln no')])).toEqual([draw.idOf('Kiln no'), kiln]);
    expect(sameNamed(drawing, [weight!])).toEqual([weight]);
  });

  it('is not the name of a table, and nothing without one', () => {
    expect(sameNamed(drawing, [draw.idOf('Load')])).toEqual([]);
    expect(sameNamed(drawing, [])).toEqual([]);
  });

  it('marks the sheets on which it stands', () => {
    expect([...sheetsOf(drawing, sameNamed(drawing, [kiln!]))]).toEqual(['sheet1', 's2']);
    expect([...sheetsOf(drawing, sameNamed(drawing, [weight!]))]).toEqual(['s2']);
  });
});
