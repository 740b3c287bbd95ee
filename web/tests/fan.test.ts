import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addShape, addTied, changeShape } from '../src/drawing/edits';
import { makeWay } from '../src/drawing/fan';
import { centre, meets } from '../src/geometry/boxes';
import { boxOf } from '../src/geometry/measure';
import { ovalsOf } from '../src/drawing/ovals';
import { changeOfStem } from '../src/drawing/stem';
import { apply, invert } from '../src/drawing/steps';

const counter = () => {
  let n = 0;
  return (prefix: string) => `${prefix}${++n}`;
};

/** Two boxes, the first with ovals, and a diamond between them, before and after the ovals made way for it. */
function tied(ovals: number, dx: number, dy: number, pinned = false) {
  const newId = counter();
  let drawing: Drawing = emptyDrawing;
  const add = (x: number, y: number, text: string) => {
    const { change, id } = addShape(drawing, 'rectangle', x, y, newId, text);
    drawing = apply(drawing, change.steps);
    return id;
  };
  const owner = add(4000, 4000, 'Visit');
  const lines = ['Visit', ...Array.from({ length: ovals }, (_, i) => `attribute ${i}`)];
  drawing = apply(drawing, changeOfStem(drawing, drawing.shapes.get(owner)!, lines.join('\n'), newId).steps);
  if (pinned)
    for (const oval of ovalsOf(drawing, owner))
      drawing = apply(drawing, changeShape(drawing, drawing.shapes.get(oval.id)!, { pinned: true }).steps);
  const other = add(4000 + dx * 4, 4000 + dy * 4, 'Item');
  const { change } = addTied(drawing, 'diamond', 4000 + dx * 2, 4000 + dy * 2, [owner, other], newId, 'brings in');
  const made = makeWay(drawing, change);
  return { drawing, change: made, after: apply(drawing, made.steps), owner };
}

const onItsLines = (drawing: Drawing, owner: string) => {
  const own = centre(boxOf(drawing.shapes.get(owner)!));
  const diamonds = [...drawing.shapes.values()].filter(({ form }) => form === 'diamond');
  return ovalsOf(drawing, owner).filter((oval) => diamonds.some((far) => meets(own, centre(boxOf(far)), boxOf(oval))));
};

describe('ovals make way for new lines', () => {
  it('lie on no line that leads away from their owner', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 8 }), fc.double({ min: 0, max: 6.28, noNaN: true }), (ovals, angle) => {
        const { after, owner } = tied(ovals, Math.cos(angle) * 500, Math.sin(angle) * 500);
        expect(onItsLines(after, owner)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('in the same step, which can be undone', () => {
    const { drawing, change, after } = tied(6, 500, 0);
    expect(after.shapes.size).toBe(drawing.shapes.size + 1);
    expect(apply(after, invert(change.steps)).shapes).toEqual(drawing.shapes);
  });

  it('but not where their author pinned them', () => {
    const { drawing, after, owner } = tied(6, 500, 0, true);
    expect(ovalsOf(after, owner)).toEqual(ovalsOf(drawing, owner));
  });
});
