import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { putAt } from '../src/drawing/arrange';
import { emptyDrawing, onShape, type Drawing, type LineEnd } from '../src/drawing/document';
import { addLine, addShape, move, type DrawnEdges } from '../src/drawing/edits';
import { crosses, type Edge, type Point } from '../src/geometry/boxes';
import { withEdgesLetGo } from '../src/geometry/letGo';
import { alongRoute, isRound, midpoint, rowOwners, shapeAt } from '../src/geometry/route';
import { layOut } from '../src/geometry/scene';
import { apply, invert } from '../src/drawing/steps';

const lengthOf = (points: readonly Point[]) =>
  points.slice(1).reduce((sum, point, i) => sum + Math.hypot(point.x - points[i]!.x, point.y - points[i]!.y), 0);

const coordinate = fc.integer({ min: -2000, max: 2000 });
const route = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 2, maxLength: 7 });

/** A box and another figure beneath it, tied by some lines. */
function tied(form: string, lines: number): { drawing: Drawing; ids: readonly string[] } {
  let n = 0;
  const newId = (prefix: string) => `${prefix}${n++}`;
  let drawing = emptyDrawing;
  const ids = [
    ['rectangle', 0, 0],
    [form, 40, 900],
  ].map(([kind, x, y]) => {
    const { change, id } = addShape(drawing, kind as 'rectangle', x as number, y as number, newId, 'Thing');
    drawing = apply(drawing, change.steps);
    return id;
  });
  for (let i = 0; i < lines; i++) {
    const [from, to] = ids.map((id) => ({ kind: 'shape', id }) as const);
    drawing = apply(drawing, addLine(drawing, from!, to!, newId).change.steps);
  }
  return { drawing, ids };
}

describe('a point of a route', () => {
  it('stands at its part of the length', () => {
    fc.assert(
      fc.property(route, fc.double({ min: 0, max: 1, noNaN: true }), (points, part) => {
        const { point } = alongRoute(points, part);
        const upTo = points.findIndex((_, i) => {
          const [a, b] = [points[i]!, points[i + 1]];
          if (!b) return true;
          return Math.abs(lengthOf([a, point]) + lengthOf([point, b]) - lengthOf([a, b])) < 0.01;
        });
        expect(upTo).toBeLessThan(points.length - 1);
        const before = lengthOf([...points.slice(0, upTo + 1), point]);
        // A route may pass one place twice: the first time counts at most as much.
        expect(before).toBeLessThanOrEqual(lengthOf(points) * part + 0.05);
      }),
    );
  });

  it('is the first and the last at the ends', () => {
    fc.assert(
      fc.property(route, (points) => {
        expect(lengthOf([alongRoute(points, 0).point, points[0]!])).toBeLessThan(0.01);
        expect(lengthOf([alongRoute(points, 1).point, points.at(-1)!])).toBeLessThan(0.01);
      }),
    );
  });

  it('halves a straight piece, and leads along it', () => {
    expect(
      midpoint([
        { x: 0, y: 0 },
        { x: 10, y: 0 },
      ]),
    ).toEqual({ x: 5, y: 0 });
    expect(
      midpoint([
        { x: 0, y: 0 },
        { x: 30, y: 0 },
        { x: 30, y: 10 },
      ]),
    ).toEqual({ x: 20, y: 0 });
    expect(
      alongRoute(
        [
          { x: 0, y: 0 },
          { x: 0, y: 8 },
        ],
        0.25,
      ),
    ).toEqual({ point: { x: 0, y: 2 }, direction: { x: 0, y: 1 } });
  });

  it('is somewhere even where nothing runs', () => {
    expect(midpoint([])).toEqual({ x: 0, y: 0 });
    expect(
      midpoint([
        { x: 3, y: 4 },
        { x: 3, y: 4 },
      ]),
    ).toEqual({ x: 3, y: 4 });
  });
});

describe('what a line ends at', () => {
  const end = (on: LineEnd['on']) => ({ on }) as LineEnd;

  it('is a shape, the shape of a row, or neither', () => {
    const owners = new Map([['row1', 'box1']]);
    expect(shapeAt(end({ kind: 'shape', id: 'box2' }), owners)).toBe('box2');
    expect(shapeAt(end({ kind: 'row', id: 'row1' }), owners)).toBe('box1');
    expect(shapeAt(end({ kind: 'row', id: 'gone' }), owners)).toBeUndefined();
    expect(shapeAt(end({ kind: 'line', id: 'line1' }), owners)).toBeUndefined();
    expect(shapeAt(end({ kind: 'nothing', x: 4, y: 8 }), owners)).toBeUndefined();
  });

  it('has rows that know their boxes', () => {
    expect(rowOwners(emptyDrawing).size).toBe(0);
  });
});

describe('lines between two figures', () => {
  it.each(['oval', 'diamond', 'circle'])('run straight to a %s, apart from each other', (form) => {
    const { drawing, ids } = tied(form, 3);
    expect(isRound(drawing.shapes.get(ids[1]!)!)).toBe(true);
    const routes = [...layOut(drawing).routes.values()];
    expect(routes).toHaveLength(3);
    for (const { points, edges } of routes) {
      expect(points).toHaveLength(2);
      expect(edges).toEqual({ from: null, to: null });
    }
    const starts = routes.map(({ points }) => points[0]!.x);
    expect(new Set(starts.map(Math.round)).size).toBe(3);
  });

  it('run with corners between boxes, each end on an edge', () => {
    const { drawing, ids } = tied('rectangle', 2);
    expect(ids.some((id) => isRound(drawing.shapes.get(id)!))).toBe(false);
    for (const { points, edges } of layOut(drawing).routes.values()) {
      expect(edges.from).not.toBeNull();
      expect(edges.to).not.toBeNull();
      for (const [i, point] of points.slice(1).entries())
        expect(point.x === points[i]!.x || point.y === points[i]!.y).toBe(true);
    }
  });
});

const edge = fc.constantFrom<Edge>('left', 'right', 'top', 'bottom');

/** Two boxes far enough apart that a line finds its way between them from any edge. */
function apart(edges: DrawnEdges, x = 600, y = 0): { drawing: Drawing; ids: readonly string[] } {
  let n = 0;
  const newId = (prefix: string) => `${prefix}${n++}`;
  const a = addShape(emptyDrawing, 'rectangle', 0, 0, newId, 'Booth');
  const first = apply(emptyDrawing, a.change.steps);
  const b = addShape(first, 'rectangle', x * 4, y * 4, newId, 'Sky pass');
  const both = apply(first, b.change.steps);
  const line = addLine(both, onShape(a.id), onShape(b.id), newId, { strokes: ['solid'] }, edges);
  return { drawing: apply(both, line.change.steps), ids: [a.id, b.id] };
}

const edgesOf = (drawing: Drawing) => [...layOut(drawing).routes.values()][0]!.edges;

describe('a line', () => {
  it('leaves and meets its boxes at the edges at which it was drawn, whatever they are', () => {
    fc.assert(
      fc.property(edge, edge, fc.constantFrom<[number, number]>([600, 0], [0, 500], [-500, 300]), (from, to, at) => {
        expect(edgesOf(apart({ from, to }, ...at).drawing)).toEqual({ from, to });
      }),
    );
  });

  it('lets go of them when a box is moved so that they would lead it a long way round, and only then', () => {
    const { drawing, ids } = apart({ from: 'right' });
    const nudged = withEdgesLetGo(drawing, move(drawing, new Set([ids[0]!]), 0, 400));
    expect(edgesOf(apply(drawing, nudged.steps)).from).toBe('right');
    const past = withEdgesLetGo(drawing, move(drawing, new Set([ids[0]!]), 6000, 0));
    expect(edgesOf(apply(drawing, past.steps))).toEqual({ from: 'left', to: 'right' });
    const together = withEdgesLetGo(drawing, move(drawing, new Set(ids), 6000, 0));
    expect([...apply(drawing, together.steps).lines.values()][0]!.from.edge).toBe('right');
    expect(apply(apply(drawing, past.steps), invert(past.steps))).toEqual(drawing);
  });

  it('ends at whatever edges are best once it was tidied up', () => {
    const { drawing, ids } = apart({ from: 'top', to: 'top' });
    const tidy = putAt(drawing, [{ id: ids[1]!, x: 2400, y: 40 }]);
    expect(edgesOf(apply(drawing, tidy.steps))).toEqual({ from: 'right', to: 'left' });
  });

  it('goes another way sooner than through a box', () => {
    const { drawing } = apart({ from: 'right' });
    const inTheWay = addShape(drawing, 'rectangle', 80 * 4, 0, () => 'wall', 'Wall');
    const scene = layOut(apply(drawing, inTheWay.change.steps));
    const wall = scene.boxes.get('wall')!;
    for (const { points } of scene.routes.values())
      points.slice(1).forEach((point, i) => expect(crosses(points[i]!, point, wall)).toBe(false));
  });
});

describe('two lines between the same figures', () => {
  it('lie on the same sides whatever ids they and their figures have', () => {
    const routesOf = (ids: readonly string[]) => {
      let at = 0;
      const newId = () => ids[at++]!;
      const box = addShape(emptyDrawing, 'rectangle', 0, 0, newId, 'Steward');
      const one = apply(emptyDrawing, box.change.steps);
      const diamond = addShape(one, 'diamond', 40, 900, newId, 'instructs');
      let drawing = apply(one, diamond.change.steps);
      for (let i = 0; i < 2; i++)
        drawing = apply(drawing, addLine(drawing, onShape(box.id), onShape(diamond.id), newId).change.steps);
      return [...layOut(drawing).routes.values()].map(({ points }) => points);
    };
    expect(routesOf(['b', 'a', 'd', 'c'])).toEqual(routesOf(['a', 'b', 'c', 'd']));
  });
});
