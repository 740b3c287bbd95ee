import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing, type Shape } from '../src/drawing/document';
import { addLine, addShape } from '../src/drawing/edits';
import { inflate, meets, overlaps, crosses } from '../src/geometry/boxes';
import { freePlace, neighbour } from '../src/geometry/neighbours';
import { layOut } from '../src/geometry/scene';
import { apply } from '../src/drawing/steps';
import { fit, toScene, toScreen, zoomAt } from '../src/geometry/view';
import { Draw } from './drawings';

function drawingOf(
  places: readonly (readonly [number, number])[],
  pairs: readonly (readonly [number, number])[],
): Drawing {
  let n = 0;
  const newId = (prefix: string) => `${prefix}${n++}`;
  let drawing = emptyDrawing;
  const shapes = places.map(([x, y], i) => {
    const { change, id } = addShape(drawing, 'rectangle', x * 4, y * 4, newId, `Box ${i}`);
    drawing = apply(drawing, change.steps);
    return id;
  });
  for (const [a, b] of pairs) {
    drawing = apply(
      drawing,
      addLine(drawing, { kind: 'shape', id: shapes[a]! }, { kind: 'shape', id: shapes[b]! }, newId).change.steps,
    );
  }
  return drawing;
}

const onEdge = (scene: ReturnType<typeof layOut>, shape: Shape, point: { x: number; y: number }) => {
  const box = scene.boxes.get(shape.id)!;
  const within =
    point.x >= box.x - 0.01 &&
    point.x <= box.x + box.width + 0.01 &&
    point.y >= box.y - 0.01 &&
    point.y <= box.y + box.height + 0.01;
  const inside =
    point.x > box.x + 0.01 &&
    point.x < box.x + box.width - 0.01 &&
    point.y > box.y + 0.01 &&
    point.y < box.y + box.height - 0.01;
  return within && !inside;
};

describe('routes', () => {
  it('begin and end on the edge of their boxes and run straight up or across', () => {
    const grid = fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 })), {
      minLength: 2,
      maxLength: 8,
    });
    fc.assert(
      fc.property(grid, fc.array(fc.tuple(fc.nat(7), fc.nat(7)), { maxLength: 10 }), (cells, links) => {
        const places = [...new Map(cells.map((cell) => [cell.join(), cell])).values()].map(
          ([x, y]) => [x * 260, y * 150] as const,
        );
        const drawing = drawingOf(
          places,
          links.map(([a, b]) => [a % places.length, b % places.length] as const),
        );
        const scene = layOut(drawing);
        for (const line of drawing.lines.values()) {
          const { points } = scene.routes.get(line.id)!;
          const from = drawing.shapes.get((line.from.on as { id: string }).id)!;
          const to = drawing.shapes.get((line.to.on as { id: string }).id)!;
          expect(onEdge(scene, from, points[0]!)).toBe(true);
          expect(onEdge(scene, to, points[points.length - 1]!)).toBe(true);
          for (let i = 1; i < points.length; i++)
            expect(points[i]!.x === points[i - 1]!.x || points[i]!.y === points[i - 1]!.y).toBe(true);
        }
      }),
    );
  });

  it('go round a box that stands in the way', () => {
    const scene = layOut(
      drawingOf(
        [
          [0, 100],
          [300, 100],
          [600, 100],
        ],
        [[0, 2]],
      ),
    );
    const { points } = [...scene.routes.values()][0]!;
    const between = inflate([...scene.boxes.values()][1]!, -1);
    for (let i = 1; i < points.length; i++) expect(crosses(points[i - 1]!, points[i]!, between)).toBe(false);
  });

  it('keep two lines between the same boxes apart', () => {
    const scene = layOut(
      drawingOf(
        [
          [0, 0],
          [400, 0],
        ],
        [
          [0, 1],
          [0, 1],
        ],
      ),
    );
    const [one, two] = [...scene.routes.values()];
    expect(Math.abs(one!.points[0]!.y - two!.points[0]!.y)).toBeGreaterThanOrEqual(3);
  });

  it('lead a line from a box to itself round a corner', () => {
    const scene = layOut(drawingOf([[0, 0]], [[0, 0]]));
    expect([...scene.routes.values()][0]!.points).toHaveLength(5);
  });

  it('bend a straight line at the corner of a box that stands in its way, and at no other', () => {
    const among = (x: number) => {
      let drawing = drawingOf(
        [
          [0, 0],
          [x, 200],
        ],
        [],
      );
      let n = 100;
      const circle = addShape(drawing, 'half-circle', 40 * 4, 400 * 4, (prefix) => `${prefix}${n++}`, 'd');
      drawing = apply(drawing, circle.change.steps);
      const box = [...drawing.shapes.keys()][0]!;
      const line = addLine(
        drawing,
        { kind: 'shape', id: box },
        { kind: 'shape', id: circle.id },
        (prefix) => `${prefix}${n++}`,
      );
      const scene = layOut(apply(drawing, line.change.steps));
      return { points: [...scene.routes.values()][0]!.points, solid: [...scene.boxes.values()][1]! };
    };
    const { points, solid } = among(0);
    expect(points.length).toBeGreaterThan(2);
    for (let i = 1; i < points.length; i++) expect(meets(points[i - 1]!, points[i]!, solid)).toBe(false);
    expect(among(600).points).toHaveLength(2);
  });

  it('keep a straight line clear of the symbols of another that ends at the same edge', () => {
    let drawing = drawingOf(
      [
        [0, 0],
        [0, 400],
      ],
      [[0, 1]],
    );
    let n = 100;
    const circle = addShape(drawing, 'half-circle', 60 * 4, 200 * 4, (prefix) => `${prefix}${n++}`, 'd');
    drawing = apply(drawing, circle.change.steps);
    const box = [...drawing.shapes.keys()][0]!;
    const line = addLine(
      drawing,
      { kind: 'shape', id: box },
      { kind: 'shape', id: circle.id },
      (prefix) => `${prefix}${n++}`,
    );
    const scene = layOut(apply(drawing, line.change.steps));
    const [relationship, tie] = [...scene.routes.values()];
    const at = scene.boxes.get(box)!;
    const own = relationship!.points[0]!;
    if (Math.abs(own.y - (at.y + at.height)) < 1)
      expect(Math.abs(own.x - tie!.points[0]!.x)).toBeGreaterThanOrEqual(20);
    expect(onEdge(scene, drawing.shapes.get(box)!, tie!.points[0]!)).toBe(true);
  });

  it('stay the same values for what does not move', () => {
    const drawing = drawingOf(
      [
        [0, 0],
        [300, 0],
        [0, 300],
        [300, 300],
      ],
      [
        [0, 1],
        [2, 3],
      ],
    );
    const scene = layOut(drawing);
    const [first, second] = [...drawing.lines.keys()];
    const moved = [...drawing.shapes.values()][0]!;
    const shapes = new Map(drawing.shapes).set(moved.id, { ...moved, x: moved.x - 200 });
    const after = layOut({ ...drawing, shapes }, scene, new Set([moved.id]));
    expect(after.routes.get(second!)).toBe(scene.routes.get(second!));
    expect(after.routes.get(first!)).not.toBe(scene.routes.get(first!));
  });
});

describe('finding one’s way', () => {
  it('goes to the nearest box in a direction', () => {
    const scene = layOut(
      drawingOf(
        [
          [0, 0],
          [300, 0],
          [300, 300],
        ],
        [],
      ),
    );
    const [a, b, c] = [...scene.boxes.keys()];
    expect(neighbour(scene.boxes, a!, 'right')).toBe(b);
    expect(neighbour(scene.boxes, b!, 'down')).toBe(c);
    expect(neighbour(scene.boxes, a!, 'left')).toBeNull();
  });

  it('finds a place that covers nothing', () => {
    const boxes = Array.from({ length: 9 }, (_, i) => ({
      x: (i % 3) * 160,
      y: Math.floor(i / 3) * 90,
      width: 150,
      height: 80,
    }));
    const place = freePlace(boxes, { x: 200, y: 120 }, 150, 80);
    expect(boxes.some((box) => overlaps(box, { ...place, width: 150, height: 80 }))).toBe(false);
  });

  it('zooms about the point under the pointer', () => {
    const view = { x: 10, y: 20, zoom: 1 };
    const at = { x: 300, y: 200 };
    const after = zoomAt(view, at, 1.7);
    expect(toScreen(after, toScene(view, at)).x).toBeCloseTo(at.x);
  });

  it('fits a drawing without enlarging it', () => {
    expect(fit({ x: 0, y: 0, width: 100, height: 100 }, 800, 600).zoom).toBe(1);
    expect(fit({ x: 0, y: 0, width: 4000, height: 100 }, 800, 600).zoom).toBeLessThan(0.2 + 0.01);
  });
});

describe('lines beside each other', () => {
  it('leave the first where it was when a second is drawn between the same boxes, level with each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 260, max: 600 }), fc.boolean(), (apart, down) => {
        const draw = new Draw().box('Dome', 0, 0, 'PK dome no', 'place', 'seats');
        draw.box('Night', down ? 0 : apart, down ? apart : 0, 'PK night no', 'weather', 'moon').line('Dome', 'Night');
        const [first] = draw.drawing.lines.keys();
        const before = layOut(draw.drawing).routes.get(first!)!.points;
        draw.line('Night', 'Dome');
        expect(layOut(draw.drawing).routes.get(first!)!.points).toEqual(before);
      }),
      { numRuns: 200 },
    );
  });

  it('share no stretch, as far as there is room, and stay clear of boxes', () => {
    // Boxes in two columns, each tied to several of the other: all the middle pieces want the same place.
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(3), fc.nat(3)), { minLength: 2, maxLength: 7 }),
        fc.integer({ min: 240, max: 420 }),
        (ties, apart) => {
          const draw = new Draw();
          for (let i = 0; i < 4; i++) {
            draw.box(`Left ${i}`, 0, i * 190, 'PK no', 'name', 'since', 'place');
            draw.box(`Right ${i}`, 150 + apart, i * 190 + 60, 'PK no', 'name', 'since', 'place');
          }
          const wanted = new Set(ties.map(([a, b]) => `${a} ${b}`));
          for (const tie of wanted) draw.line(`Left ${tie[0]}`, `Right ${tie[2]}`);
          const routes = [...layOut(draw.drawing).routes.values()].map(({ points }) => points);
          for (const [i, one] of routes.entries())
            for (const other of routes.slice(i + 1)) expect(sharedStretch(one, other)).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 200 },
    );
  }, 60_000);
});

type Points = readonly { readonly x: number; readonly y: number }[];

/** The longest stretch, in pixels, that two routes run on each other. */
function sharedStretch(one: Points, other: Points): number {
  const pieces = (points: Points) => points.slice(1).map((to, i) => [points[i]!, to] as const);
  let longest = 0;
  for (const [a, b] of pieces(one))
    for (const [c, d] of pieces(other))
      for (const [along, across] of [
        ['x', 'y'],
        ['y', 'x'],
      ] as const)
        if (a[across] === b[across] && c[across] === d[across] && Math.abs(a[across] - c[across]) < 1.5)
          longest = Math.max(
            longest,
            Math.min(Math.max(a[along], b[along]), Math.max(c[along], d[along])) -
              Math.max(Math.min(a[along], b[along]), Math.min(c[along], d[along])),
          );
  return longest;
}
