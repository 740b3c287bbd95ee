import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxOf } from '../src/geometry/measure';
import { setOut } from '../src/geometry/lanes/setOut';
import { layOut } from '../src/geometry/scene';
import { arrowsOf, diagram, faults, namesOf, none, placed, quarters } from './laneDrawings';

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

  it('nor where arrows come to rows that were laid out before there were any', () => {
    const arrows = [
      { from: [0], to: [1, 2, 5] },
      { from: [2], to: [3, 4] },
      { from: [6], to: [7, 8] },
      { from: [0, 6], to: [9] },
    ];
    const drawing = diagram(namesOf(10), arrows);
    const rowed = [...drawing.shapes].map(([id, shape], i) => {
      const place = i < 10 ? { x: (i % 5) * 512, y: Math.floor(i / 5) * 400 } : { x: 436, y: 276 };
      return [id, { ...shape, ...place }] as const;
    });
    expect(faults(layOut({ ...drawing, shapes: new Map(rowed) }))).toEqual(none);
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
