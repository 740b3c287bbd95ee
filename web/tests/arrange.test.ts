import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { align, distribute, pin, putAt, type Alignment } from '../src/drawing/arrange';
import { copyOf, pasteNear } from '../src/drawing/clipboard';
import type { Drawing, Shape } from '../src/drawing/document';
import { move } from '../src/drawing/edits';
import { fanAgain } from '../src/drawing/fan';
import { layOut } from '../src/geometry/scene';
import { apply, invert, type Change } from '../src/drawing/steps';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { placementOf } from '../src/geometry/scene';
import { deeds, newId, play, texts } from './deeds';
import { Draw } from './drawings';

const alignments: readonly Alignment[] = ['left', 'centre', 'right', 'top', 'middle', 'bottom'];

/** Boxes of several sizes, anywhere. */
const places = fc.array(
  fc.tuple(fc.integer({ min: -900, max: 900 }), fc.integer({ min: -900, max: 900 }), fc.integer({ min: 0, max: 4 })),
  { minLength: 2, maxLength: 8 },
);

function drawn(boxes: readonly (readonly [number, number, number])[]) {
  const draw = new Draw();
  boxes.forEach(([x, y, rows], i) =>
    draw.box(`Box ${i}`, x, y, ...Array.from({ length: rows }, (_, row) => `row ${row}`)),
  );
  return draw.drawing;
}

const edge = {
  left: (b: Box) => b.x,
  centre: (b: Box) => b.x + b.width / 2,
  right: (b: Box) => b.x + b.width,
  top: (b: Box) => b.y,
  middle: (b: Box) => b.y + b.height / 2,
  bottom: (b: Box) => b.y + b.height,
};
type Box = { x: number; y: number; width: number; height: number };

describe('bringing in line', () => {
  it('gives all one edge or middle, moves them one way only, and can be taken back', () => {
    fc.assert(
      fc.property(places, fc.constantFrom(...alignments), (boxes, by) => {
        const drawing = drawn(boxes);
        const { boxes: before } = layOut(drawing);
        const ids = new Set(drawing.shapes.keys());
        const change = align(drawing, before, ids, by);
        const after = apply(drawing, change.steps);
        const { boxes: now } = layOut(after);
        const lines = [...now.values()].map(edge[by]);
        expect(Math.max(...lines) - Math.min(...lines)).toBeLessThanOrEqual(0.25);
        const across = by === 'left' || by === 'centre' || by === 'right';
        for (const [id, box] of now)
          expect(across ? box.y : box.x).toBe(across ? before.get(id)!.y : before.get(id)!.x);
        expect(apply(after, invert(change.steps))).toEqual(drawing);
      }),
    );
  });

  it('comes to what is pinned', () => {
    const draw = new Draw().box('Fixed', 100, 0).box('Free', 400, 200);
    const pinned = apply(draw.drawing, pin(draw.drawing, new Set([draw.idOf('Fixed')])).steps);
    const after = apply(pinned, align(pinned, layOut(pinned).boxes, new Set(pinned.shapes.keys()), 'left').steps);
    expect(after.shapes.get(draw.idOf('Free'))!.x).toBe(400);
    expect(after.shapes.get(draw.idOf('Fixed'))!.x).toBe(400);
    expect(align(after, layOut(after).boxes, new Set(after.shapes.keys()), 'left').steps).toEqual([]);
  });
});

describe('even gaps', () => {
  it('are all alike, in the order that was, and leave the outermost where they are', () => {
    fc.assert(
      fc.property(places, fc.constantFrom('across', 'down'), (boxes, way) => {
        fc.pre(boxes.length > 2);
        const drawing = drawn(boxes);
        const before = layOut(drawing).boxes;
        const after = apply(
          drawing,
          distribute(drawing, before, new Set(drawing.shapes.keys()), way as 'across' | 'down').steps,
        );
        const start = (box: Box) => (way === 'across' ? box.x : box.y);
        const size = (box: Box) => (way === 'across' ? box.width : box.height);
        const order = [...before].sort(([, a], [, b]) => start(a) - start(b)).map(([id]) => id);
        const now = order.map((id) => layOut(after).boxes.get(id)!);
        const gaps = now.slice(1).map((box, i) => start(box) - start(now[i]!) - size(now[i]!));
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(0.5);
        expect(start(now[0]!)).toBe(start(before.get(order[0]!)!));
      }),
    );
  });

  it('want three', () => {
    const draw = new Draw().box('One', 0, 0).box('Two', 300, 0);
    expect(
      distribute(draw.drawing, layOut(draw.drawing).boxes, new Set(draw.drawing.shapes.keys()), 'across').steps,
    ).toEqual([]);
  });
});

describe('pins', () => {
  it('go on when any is loose, off when all are pinned, and are written and read', () => {
    const draw = new Draw().box('One', 0, 0).box('Two', 300, 0);
    const [one, two] = [draw.idOf('One'), draw.idOf('Two')];
    const first = apply(draw.drawing, pin(draw.drawing, new Set([one])).steps);
    const both = apply(first, pin(first, new Set([one, two])).steps);
    expect([...both.shapes.values()].map((shape) => shape.pinned)).toEqual([true, true]);
    const read = readDrawing(writeDrawing(both, placementOf(layOut(both))));
    expect(read.shapes).toEqual(both.shapes);
    const none = apply(both, pin(both, new Set([one, two])).steps);
    expect(none.shapes).toEqual(draw.drawing.shapes);
  });

  it('hold against tidying up, which leaves out what is gone or stands right', () => {
    const draw = new Draw().box('One', 0, 0).box('Two', 300, 0);
    const [one, two] = [draw.idOf('One'), draw.idOf('Two')];
    const pinned = apply(draw.drawing, pin(draw.drawing, new Set([one])).steps);
    const change = putAt(pinned, [
      { id: one, x: 40, y: 40 },
      { id: two, x: 80, y: 0 },
      { id: 'gone', x: 0, y: 0 },
    ]);
    expect(change.steps.map((step) => step.id)).toEqual([two]);
    expect(putAt(apply(pinned, change.steps), [{ id: two, x: 80, y: 0 }]).steps).toEqual([]);
  });
});

describe('whatever is arranged', () => {
  it('is what it was, in other places', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(deeds.length - 1), fc.nat(200), texts), { minLength: 4, maxLength: 20 }),
        fc.array(fc.tuple(fc.nat(arranging.length - 1), fc.nat(200)), { minLength: 1, maxLength: 6 }),
        (done, arranged) => {
          const session = play(done);
          const before = session.current().document;
          for (const [deed, n] of arranged) session.do(arranging[deed]!(session.current().document, n));
          expect(withoutPlaces(session.current().document)).toEqual(withoutPlaces(before));
        },
      ),
      { numRuns: 1000 },
    );
  }, 120_000);

  it('is a copy of what was copied where it is pasted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(deeds.length - 1), fc.nat(200), texts), { minLength: 4, maxLength: 20 }),
        fc.nat(200),
        (done, n) => {
          const { document: drawing } = play(done).current();
          const piece = copyOf(drawing, new Set(some(drawing, n)));
          const { change, ids } = pasteNear(piece, layOut(drawing).boxes.values(), { x: n * 9, y: -n * 5 }, newId);
          const after = apply(drawing, change.steps);
          const again = copyOf(after, new Set(ids));
          const said = ({ shapes, lines }: typeof piece) => ({
            shapes: shapes.map((shape) => ({ ...shape, ...nowhere, id: '', sheet: '', compartments: textsOf(shape) })),
            lines: lines.map(({ stroke, text, from, to }) => [
              stroke,
              text,
              from.marks,
              from.label,
              to.marks,
              to.label,
            ]),
          });
          expect(said(again)).toEqual(said(piece));
        },
      ),
      { numRuns: 300 },
    );
  }, 120_000);
});

/** Everything that only arranges, with a number that says what. */
const arranging: readonly ((drawing: Drawing, n: number) => Change)[] = [
  (drawing, n) => align(drawing, layOut(drawing).boxes, new Set(some(drawing, n)), alignments[n % 6]!),
  (drawing, n) => distribute(drawing, layOut(drawing).boxes, new Set(some(drawing, n)), n % 2 ? 'across' : 'down'),
  (drawing, n) =>
    putAt(
      drawing,
      some(drawing, n).map((id, i) => ({ id, x: i * n, y: n - i * 40 })),
    ),
  (drawing, n) => pin(drawing, new Set(some(drawing, n))),
  (drawing, n) => move(drawing, new Set(some(drawing, n)), n * 4, -n * 3),
  (drawing, n) => {
    const shape = drawing.shapes.get(some(drawing, n)[0] ?? '');
    return shape ? fanAgain(drawing, shape) : { label: 'nothing', steps: [] };
  },
];

const some = (drawing: Drawing, n: number) => [...drawing.shapes.keys()].filter((_, i) => (i * 5 + n) % 2 === 0);
const nowhere = { x: 0, y: 0, pinned: undefined };
const textsOf = (shape: Shape) =>
  shape.compartments.map((rows) => rows.map(({ mark, ring, text }) => [mark, ring, text]));

/** All of a drawing but where it stands, and what is kept in its place. */
const withoutPlaces = (drawing: Drawing) => ({
  ...drawing,
  shapes: new Map([...drawing.shapes].map(([id, shape]) => [id, { ...shape, ...nowhere }])),
});
