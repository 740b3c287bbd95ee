import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, onShape, plainEnd, type Drawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';
import { crosses, type Point } from '../src/geometry/boxes';
import { boxOf } from '../src/geometry/measure';
import { setOut } from '../src/geometry/lanes/setOut';
import { layOut, type Scene } from '../src/geometry/scene';
import { counting } from './drawings';

interface Arrow {
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

const quarters = (place: Point | undefined, { x, y }: Point) =>
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
    const ends = [line.from, line.to].map((end) => (end.on.kind === 'shape' ? end.on.id : ''));
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

const arrowsOf = (attributes: number, least: number, most: number) =>
  fc.array(
    fc.record({
      from: fc.array(fc.nat(attributes - 1), { minLength: 1, maxLength: 3 }),
      to: fc.array(fc.nat(attributes - 1), { minLength: 1, maxLength: 4 }),
    }),
    { minLength: least, maxLength: most },
  );

const none = { through: [], slanting: [], onEachOther: [], near: [] };

describe('arrows in lanes', () => {
  it('never run through a box, on each other or nearer than 6 px, with forty attributes and sixty arrows', () => {
    const names = namesOf(40);
    const forty = fc.property(arrowsOf(40, 18, 26), (arrows) => {
      expect(faults(layOut(placed(diagram(names, arrows))))).toEqual(none);
    });
    fc.assert(forty, { numRuns: 15 });
  });

  it('nor with sixty dependencies of up to three attributes each', () => {
    const arrow = fc.record({
      from: fc.array(fc.nat(39), { minLength: 1, maxLength: 3 }),
      to: fc.array(fc.nat(39), { minLength: 1, maxLength: 1 }),
    });
    // Spread as people spread them: not all at one box, to which biased numbers lead.
    const sixty = fc.property(fc.noBias(fc.array(arrow, { minLength: 60, maxLength: 60 })), (arrows) => {
      expect(faults(layOut(placed(diagram(namesOf(40), arrows))))).toEqual(none);
    });
    fc.assert(sixty, { numRuns: 8 });
  });

  it('nor in small diagrams', () => {
    const small = fc.property(fc.integer({ min: 3, max: 14 }), arrowsOf(14, 1, 9), (count, arrows) => {
      const within = arrows.map(({ from, to }) => ({ from: from.map((i) => i % count), to: to.map((i) => i % count) }));
      if (within.every(({ from, to }) => to.every((one) => from.includes(one)))) return;
      expect(faults(layOut(placed(diagram(namesOf(count), within))))).toEqual(none);
    });
    fc.assert(small, { numRuns: 300 });
  });

  it('lead above from the key, and beneath from everything else', () => {
    const drawing = placed(
      diagram(namesOf(4), [
        { from: [0, 1], to: [2] },
        { from: [2], to: [3] },
      ]),
    );
    const keyed = [...drawing.shapes.values()].map((shape, i) =>
      i < 2 ? { ...shape, underline: 'solid' as const } : shape,
    );
    const scene = layOut(placed({ ...drawing, shapes: new Map(keyed.map((shape) => [shape.id, shape])) }));
    const row = [...scene.boxes.values()][0]!;
    const lines = [...scene.drawing.lines.values()].map(({ id }) => scene.routes.get(id)!.points);
    expect(lines.slice(0, 3).every((points) => points.every(({ y }) => y <= row.y))).toBe(true);
    expect(lines[3]!.every(({ y }) => y >= row.y + row.height)).toBe(true);
  });

  it('follow an end to the edge at which it was drawn', () => {
    const drawing = placed(diagram(namesOf(3), [{ from: [0], to: [1] }]));
    const [line] = drawing.lines.values();
    const held = (edge: 'top' | 'bottom') => {
      const lines = new Map([[line!.id, { ...line!, from: { ...line!.from, edge } }]]);
      return layOut({ ...drawing, lines }).routes.get(line!.id)!.edges.from;
    };
    expect([held('top'), held('bottom')]).toEqual(['top', 'bottom']);
  });

  it('leave what stands where it is when something new comes', () => {
    const before = placed(diagram(namesOf(5), [{ from: [0], to: [1, 2] }]));
    const after = diagram(namesOf(5), [
      { from: [0], to: [1, 2] },
      { from: [2, 3], to: [4] },
    ]);
    const shapes = new Map([...after.shapes].map(([id, shape]) => [id, before.shapes.get(id) ?? shape]));
    const fresh = [...shapes.keys()].filter((id) => !before.shapes.has(id));
    const boxes = new Map([...shapes].map(([id, shape]) => [id, boxOf(shape)]));
    const places = setOut({ ...after, shapes }, boxes, new Set(fresh))!;
    expect([...places.keys()]).toEqual(fresh);
    const at = new Map([...shapes].map(([id, shape]) => [id, { ...shape, ...quarters(places.get(id), shape) }]));
    expect(faults(layOut({ ...after, shapes: at }))).toEqual(none);
  });

  it('run elsewhere where boxes are scattered', () => {
    const drawing = placed(diagram(namesOf(3), [{ from: [0], to: [1] }]));
    const [one, other, third] = [...drawing.shapes.values()];
    const shapes = [one!, { ...other!, y: 100 }, { ...third!, x: one!.x + 20, y: 140 }];
    const scene = layOut({ ...drawing, shapes: new Map(shapes.map((shape) => [shape.id, shape])) });
    expect(scene.routes.size).toBe(1);
  });
});
