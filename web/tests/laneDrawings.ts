import * as fc from 'fast-check';
import { emptyDrawing, onShape, plainEnd, type Drawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';
import { crosses, type Point } from '../src/geometry/boxes';
import { boxOf } from '../src/geometry/measure';
import { setOut } from '../src/geometry/lanes/setOut';
import type { Scene } from '../src/geometry/scene';
import { counting } from './drawings';

export interface Arrow {
  readonly from: readonly number[];
  readonly to: readonly number[];
}

/** A dependency diagram: for each arrow what determines, gathered where it is several, and what it determines. */
export function diagram(names: readonly string[], arrows: readonly Arrow[]): Drawing {
  const newId = counting();
  let drawing: Drawing = emptyDrawing;
  const add = (form: string, text: string) => {
    const { change, id } = addShape(drawing, form, 0, 0, newId, text);
    drawing = apply(drawing, change.steps);
    return id;
  };
  const ids = names.map((name) => add('rectangle', name));
  const lines = new Map(drawing.lines);
  const tie = (from: string, to: string, headed: boolean) => {
    const id = newId('l');
    const to_ = plainEnd(onShape(to), headed ? ['arrow'] : []);
    lines.set(id, { id, stroke: 'solid', text: '', from: plainEnd(onShape(from)), to: to_ });
  };
  for (const { from, to } of arrows) {
    const members = [...new Set(from)];
    const hub = members.length === 1 ? ids[members[0]!]! : add('junction', '');
    if (members.length > 1) members.forEach((member) => tie(ids[member]!, hub, false));
    for (const one of new Set(to)) if (!members.includes(one)) tie(hub, ids[one]!, true);
  }
  return { ...drawing, lines };
}

export function placed(drawing: Drawing): Drawing {
  const boxes = new Map([...drawing.shapes].map(([id, shape]) => [id, boxOf(shape)]));
  const places = setOut(drawing, boxes, new Set(drawing.shapes.keys()))!;
  const shapes = [...drawing.shapes].map(
    ([id, shape]) => [id, { ...shape, ...quarters(places.get(id), shape) }] as const,
  );
  return { ...drawing, shapes: new Map(shapes) };
}

export const quarters = (place: Point | undefined, { x, y }: Point) =>
  place ? { x: Math.round(place.x * 4), y: Math.round(place.y * 4) } : { x, y };

interface Piece {
  readonly line: string;
  readonly hub: string;
  readonly a: Point;
  readonly b: Point;
}

/** The pieces of all lines, each with what shares its lane: lines that leave one box, or lead to one gather. */
function piecesOf(scene: Scene): Piece[] {
  return [...scene.drawing.lines.values()].flatMap((line) => {
    const ends = [line.from, line.to].map(({ on }) => (on.kind === 'shape' || on.kind === 'row' ? on.id : ''));
    const bracket = line.to.marks.length === 0;
    const { points } = scene.routes.get(line.id)!;
    const hub = bracket ? `to ${ends[1]!}` : `from ${ends[0]!}`;
    return points.slice(1).map((b, i) => ({ line: line.id, hub, a: points[i]!, b }));
  });
}

/** How far two pieces run beside each other nearer than a distance, in pixels. */
function besides(one: Piece, other: Piece, within: number): number {
  for (const [across, along] of [
    ['x', 'y'],
    ['y', 'x'],
  ] as const) {
    if (one.a[across] !== one.b[across] || other.a[across] !== other.b[across]) continue;
    if (Math.abs(one.a[across] - other.a[across]) >= within) continue;
    const [low, high] = [Math.min(one.a[along], one.b[along]), Math.max(one.a[along], one.b[along])];
    return Math.max(
      0,
      Math.min(high, Math.max(other.a[along], other.b[along])) -
        Math.max(low, Math.min(other.a[along], other.b[along])),
    );
  }
  return 0;
}

export function faults(scene: Scene) {
  const pieces = piecesOf(scene);
  const through = pieces.filter(({ a, b }) => [...scene.boxes.values()].some((box) => crosses(a, b, box, -0.5)));
  const slanting = pieces.filter(({ a, b }) => a.x !== b.x && a.y !== b.y);
  const onEachOther = pieces.flatMap((one, i) =>
    pieces.slice(i + 1).filter((other) => one.hub !== other.hub && besides(one, other, 1.5) > 1),
  );
  const near = pieces.flatMap((one, i) =>
    pieces.slice(i + 1).filter((other) => one.hub !== other.hub && one.a.y === one.b.y && besides(one, other, 6) > 1),
  );
  return { through, slanting, onEachOther, near };
}

const words = 'call sign,price,part,due on,wavelength,kept by,visitor name,age,frequency,sort'.split(',');
export const namesOf = (count: number) => Array.from({ length: count }, (_, i) => `${words[i % words.length]!} ${i}`);

export const arrowsOf = (attributes: number, least: number, most: number) =>
  fc.array(
    fc.record({
      from: fc.array(fc.nat(attributes - 1), { minLength: 1, maxLength: 3 }),
      to: fc.array(fc.nat(attributes - 1), { minLength: 1, maxLength: 4 }),
    }),
    { minLength: least, maxLength: most },
  );

export const none = { through: [], slanting: [], onEachOther: [], near: [] };
