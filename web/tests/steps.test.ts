import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { copyOf, paste, readPiece, writePiece } from '../src/drawing/clipboard';
import {
  addLine,
  addRow,
  addShape,
  changeEnd,
  changeLine,
  marksFor,
  move,
  readMarks,
  remove,
  type Least,
  type Most,
} from '../src/drawing/edits';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { layOut, placementOf } from '../src/geometry/scene';
import { apply, invert, merge, stepsBetween, type Change } from '../src/drawing/steps';

const ids = () => {
  let n = 0;
  return (prefix: string) => `${prefix}${++n}`;
};

/** A change of any kind to a drawing, chosen by numbers. */
function changeBy(
  drawing: Drawing,
  [kind, a, b]: readonly [number, number, number],
  newId: (prefix: string) => string,
): Change {
  const shapes = [...drawing.shapes.values()];
  const lines = [...drawing.lines.values()];
  const shape = shapes[a % Math.max(1, shapes.length)];
  const other = shapes[b % Math.max(1, shapes.length)];
  const line = lines[a % Math.max(1, lines.length)];
  if (kind === 1 && shape && other)
    return addLine(drawing, { kind: 'shape', id: shape.id }, { kind: 'shape', id: other.id }, newId).change;
  if (kind === 2 && shape) return move(drawing, new Set([shape.id]), a, b);
  if (kind === 3 && shape) return addRow(drawing, shape, `row ${b}`, newId).change;
  if (kind === 4 && line)
    return changeEnd(drawing, line, b % 2 === 0 ? 'from' : 'to', { marks: ['foot', 'ring'], label: `verb ${a}` });
  if (kind === 5 && line) return changeLine(drawing, line, { stroke: 'dashed' });
  if (kind === 6 && shape) return remove(drawing, new Set([shape.id]));
  if (kind === 7 && shape) return paste(copyOf(drawing, new Set(shapes.map((each) => each.id))), 40, 40, newId).change;
  return addShape(drawing, 'rectangle', a, b, newId, `Box ${a}`).change;
}

const script = fc.array(fc.tuple(fc.integer({ min: 0, max: 7 }), fc.nat(200), fc.nat(200)), { maxLength: 25 });

describe('steps', () => {
  it('taken back, leave the drawing as it was, whatever was done', () => {
    fc.assert(
      fc.property(script, (moves) => {
        const newId = ids();
        let drawing = emptyDrawing;
        const done: Change[] = [];
        for (const each of moves) {
          const change = changeBy(drawing, each, newId);
          done.push(change);
          drawing = apply(drawing, change.steps);
        }
        for (const change of done.reverse()) drawing = apply(drawing, invert(change.steps));
        expect(drawing.shapes.size + drawing.lines.size + drawing.ties.size).toBe(0);
      }),
    );
  });

  it('merged, do what they did one after the other', () => {
    fc.assert(
      fc.property(script, (moves) => {
        const newId = ids();
        let drawing = emptyDrawing;
        let whole: Change = { label: '', steps: [] };
        for (const each of moves) {
          const change = changeBy(drawing, each, newId);
          drawing = apply(drawing, change.steps);
          whole = merge(whole, change);
        }
        const again = apply(emptyDrawing, whole.steps);
        expect([...again.shapes.keys()].sort()).toEqual([...drawing.shapes.keys()].sort());
        expect([...again.lines.values()].map((line) => line.id).sort()).toEqual([...drawing.lines.keys()].sort());
      }),
    );
  });

  it('never leave a line hanging on a shape that is gone', () => {
    fc.assert(
      fc.property(script, (moves) => {
        const newId = ids();
        let drawing = emptyDrawing;
        for (const each of moves) drawing = apply(drawing, changeBy(drawing, each, newId).steps);
        for (const line of drawing.lines.values()) {
          for (const end of [line.from, line.to])
            if (end.on.kind === 'shape') expect(drawing.shapes.has(end.on.id)).toBe(true);
        }
      }),
    );
  });

  it('between two drawings, lead from one to the other and back', () => {
    fc.assert(
      fc.property(script, script, (first, second) => {
        const newId = ids();
        let drawing = emptyDrawing;
        for (const each of first) drawing = apply(drawing, changeBy(drawing, each, newId).steps);
        const before = drawing;
        for (const each of second) drawing = apply(drawing, changeBy(drawing, each, newId).steps);
        const steps = stepsBetween(before, drawing);
        const there = apply(before, steps);
        expect(new Map([...there.shapes].sort())).toEqual(new Map([...drawing.shapes].sort()));
        expect(new Map([...there.lines].sort())).toEqual(new Map([...drawing.lines].sort()));
        const back = apply(there, invert(steps));
        expect(new Map([...back.shapes].sort())).toEqual(new Map([...before.shapes].sort()));
        expect(stepsBetween(before, before)).toEqual([]);
      }),
    );
  });

  it('refuse a drawing that is not as they expect it', () => {
    const { change } = addShape(emptyDrawing, 'note', 0, 0, ids());
    const once = apply(emptyDrawing, change.steps);
    expect(() => apply(once, change.steps)).toThrow('not as this step expects');
  });
});

describe('the document format', () => {
  it('written and read again, is the same drawing', () => {
    fc.assert(
      fc.property(script, (moves) => {
        const newId = ids();
        let drawing = emptyDrawing;
        for (const each of moves) drawing = apply(drawing, changeBy(drawing, each, newId).steps);
        const again = readDrawing(writeDrawing(drawing, placementOf(layOut(drawing))));
        expect([...again.shapes.values()]).toEqual([...drawing.shapes.values()]);
        expect([...again.lines.values()]).toEqual([...drawing.lines.values()]);
      }),
    );
  });
});

describe('the clipboard', () => {
  it('takes nothing but its own pieces', () => {
    expect(readPiece('hello')).toBeNull();
    expect(readPiece('{"format":"blue-slate-piece","shapes":7}')).toBeNull();
    expect(readPiece(writePiece({ shapes: [], lines: [] }))).not.toBeNull();
  });
});

describe('least and most at an end', () => {
  it('are read back from the marks that they make', () => {
    for (const least of ['0', '1', 'unsaid'] as Least[]) {
      for (const most of ['1', 'many', 'unsaid'] as Most[]) {
        if (least === '1' && most === 'unsaid') continue;
        expect(readMarks(marksFor(least, most))).toEqual({ least, most });
      }
    }
  });

  it('are unknown where the marks are strange', () => {
    expect(readMarks(['ring', 'foot'])).toBeNull();
    expect(readMarks(['arrow'])).toBeNull();
  });
});
