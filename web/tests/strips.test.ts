import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, onElement, plainEnd, rowsOf, type Drawing, type Row } from '../src/drawing/document';
import { addLine, addShape, addTied, changeShape } from '../src/drawing/edits';
import { placeOf, select, selectAt } from '../src/drawing/selection';
import { apply } from '../src/drawing/steps';
import { boxOf, cellsOf, nameWidth, rowBoxOf, sizeOf } from '../src/geometry/measure';
import { boxAt, layOut } from '../src/geometry/scene';
import { endWays } from '../src/notations/endWays';
import { spoken } from '../src/slate/spoken';
import { counting } from './drawings';
import { arrowsOf, faults, namesOf, none, placed, type Arrow } from './laneDrawings';

interface Table {
  readonly name: string;
  readonly cells: readonly string[];
  readonly arrows: readonly Arrow[];
}

/** A sheet of tables as rows of cells, with arrows from cell to cell. */
function stage(tables: readonly Table[]): Drawing {
  const newId = counting();
  let drawing: Drawing = emptyDrawing;
  const lines = new Map(drawing.lines);
  const add = (form: string, text: string) => {
    const { change, id } = addShape(drawing, form, 0, 0, newId, text);
    drawing = apply(drawing, change.steps);
    return id;
  };
  for (const { name, cells, arrows } of tables) {
    const id = add('strip', name);
    const rows = cells.map((text): Row => ({ id: newId('t'), mark: '', ring: false, text, underline: 'none' }));
    drawing = apply(drawing, changeShape(drawing, drawing.shapes.get(id)!, { compartments: [rows] }).steps);
    const tie = (from: string, to: string, headed: boolean) => {
      const line = newId('l');
      const [near, far] = [onElement(drawing, from), onElement(drawing, to)];
      const to_ = plainEnd(far, headed ? ['arrow'] : []);
      lines.set(line, { id: line, stroke: 'solid', text: '', from: plainEnd(near), to: to_ });
    };
    for (const { from, to } of arrows) {
      const members = [...new Set(from.map((i) => rows[i % rows.length]!.id))];
      const hub = members.length === 1 ? members[0]! : add('junction', '');
      if (members.length > 1) members.forEach((member) => tie(member, hub, false));
      for (const one of new Set(to.map((i) => rows[i % rows.length]!.id)))
        if (!members.includes(one)) tie(hub, one, true);
    }
  }
  return { ...drawing, lines };
}

const anyTable = fc.record({
  name: fc.constantFrom('', 'Loan', 'Everything that is lent'),
  cells: fc.integer({ min: 1, max: 9 }).map(namesOf),
  arrows: arrowsOf(9, 0, 5),
});

const small: Table = {
  name: 'Mooring',
  cells: ['mooring no', 'pier', 'berth'],
  arrows: [{ from: [0], to: [1, 2] }],
};

describe('a row of cells', () => {
  it('has its cells one after the other behind its name, and is as wide as they are', () => {
    fc.assert(
      fc.property(anyTable, (table) => {
        const shape = [...stage([table]).shapes.values()][0]!;
        const cells = cellsOf(shape);
        expect(cells[0]!.x).toBe(nameWidth(shape));
        cells.slice(1).forEach(({ x }, i) => expect(x).toBe(cells[i]!.x + cells[i]!.width));
        expect(sizeOf(shape).width).toBeGreaterThanOrEqual(cells.at(-1)!.x + cells.at(-1)!.width);
        for (const { row } of cells) expect(rowBoxOf(shape, boxOf(shape), row.id)!.height).toBe(boxOf(shape).height);
      }),
    );
  });

  it('is met by arrows at its cells, in lanes that run through nothing', () => {
    const whole = fc.property(fc.array(anyTable, { minLength: 1, maxLength: 4 }), (tables) => {
      const scene = layOut(placed(stage(tables)));
      expect(faults(scene)).toEqual(none);
      for (const line of scene.drawing.lines.values()) {
        const { points } = scene.routes.get(line.id)!;
        for (const [end, point] of [
          [line.from, points[0]!],
          [line.to, points.at(-1)!],
        ] as const) {
          if (end.on.kind !== 'row') continue;
          const cell = boxAt(scene, end.on.id)!;
          expect(point.x).toBeGreaterThan(cell.x);
          expect(point.x).toBeLessThan(cell.x + cell.width);
          expect([cell.y, cell.y + cell.height]).toContain(point.y);
        }
      }
    });
    fc.assert(whole, { numRuns: 60 });
  });

  it('stands in a row of its own when a sheet is set out', () => {
    const { boxes, drawing } = layOut(placed(stage([small, { ...small, name: 'Berth' }])));
    const [one, other] = [...drawing.shapes.keys()].map((id) => boxes.get(id)!);
    expect(other!.y).toBeGreaterThan(one!.y + one!.height);
    expect(other!.x).toBe(one!.x);
  });

  it('gives and takes lines at the cell that is chosen', () => {
    const drawing = stage([small]);
    const [strip] = drawing.shapes.values();
    const [key, pier] = rowsOf(strip!);
    expect(placeOf(drawing, selectAt(drawing, pier!.id))).toBe(pier!.id);
    expect(placeOf(drawing, select(strip!.id))).toBe(strip!.id);
    const { line } = addLine(drawing, onElement(drawing, pier!.id), onElement(drawing, key!.id), counting(), {
      strokes: ['solid'],
      head: 'arrow',
    });
    expect([line.from.on, line.to.on]).toEqual([
      { kind: 'row', id: pier!.id },
      { kind: 'row', id: key!.id },
    ]);
    expect(line.to.marks).toEqual(['arrow']);
    const { change, id } = addTied(drawing, 'junction', 0, 0, [pier!.id], counting());
    const [leg] = [...apply(drawing, change.steps).lines.values()].slice(-1);
    expect([leg!.from.on, leg!.to.on]).toEqual([
      { kind: 'row', id: pier!.id },
      { kind: 'shape', id },
    ]);
  });

  it('is said as what it is, cell by cell', () => {
    const drawing = stage([small]);
    const [strip] = drawing.shapes.values();
    const [line] = drawing.lines.values();
    expect(spoken(drawing, select(strip!.id), endWays.marks)).toBe('Mooring, row of cells, 3 cells, 2 lines');
    expect(spoken(drawing, selectAt(drawing, rowsOf(strip!)[1]!.id), endWays.marks)).toBe('cell pier');
    expect(spoken(drawing, select(line!.id), endWays.marks)).toBe('solid line from mooring no to pier');
  });

  it('is a list again in another form, and keeps its lines', () => {
    const drawing = placed(stage([small]));
    const [strip] = drawing.shapes.values();
    const listed = apply(drawing, changeShape(drawing, strip!, { form: 'rectangle' }).steps);
    const scene = layOut(listed);
    expect(listed.lines.size).toBe(2);
    for (const route of scene.routes.values()) expect(route.points.length).toBeGreaterThan(1);
  });
});
