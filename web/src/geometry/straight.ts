import { parseEndId, type Drawing, type Line, type LineEnd, type Shape } from '../drawing/document';
import { rimPoint } from '../notations/forms';
import { bottom, centre, inflate, meets, right, type Box, type Point } from './boxes';
import { isRound, midpoint, shapeAt, type Boxes, type Route } from './route';

const corner = 16;
const roundCorner = 14;
const keepOff = 8;
const besideSymbols = 28;

interface Surroundings {
  readonly drawing: Drawing;
  readonly boxes: Boxes;
  readonly owner: ReadonlyMap<string, string>;
  readonly routes: Map<string, Route>;
}

/** How far apart several straight lines between the same two shapes run, and how far from its box an end is taken hold of. */
const apart = 26;
const endReach = 26;

/** Straight lines, those that end on other lines last, so that what they end on has its route. */
export function routeStraight(lines: readonly Line[], around_: Surroundings) {
  const { owner, routes } = around_;
  const between = new Map<string, Line[]>();
  for (const line of lines) {
    const key = [shapeAt(line.from, owner), shapeAt(line.to, owner)].sort().join(' ');
    between.set(key, [...(between.get(key) ?? []), line]);
  }
  const onLine = (line: Line) =>
    [line.from, line.to].filter((end) => end.on.kind === 'line' || end.on.kind === 'end').length;
  for (const line of [...lines].sort((a, b) => onLine(a) - onLine(b))) {
    const alike = between.get([shapeAt(line.from, owner), shapeAt(line.to, owner)].sort().join(' '))!;
    routes.set(line.id, straightRoute(line, (alike.indexOf(line) - (alike.length - 1) / 2) * apart, around_));
  }
}

function straightRoute(line: Line, aside: number, { drawing, boxes, owner, routes }: Surroundings): Route {
  const place = (end: LineEnd): { point: Point; shape: Shape | undefined } => {
    const id = shapeAt(end, owner);
    const box = id ? boxes.get(id) : undefined;
    if (box) return { point: centre(box), shape: drawing.shapes.get(id!) };
    return { point: looseEnd(end, routes), shape: undefined };
  };
  const [from, to] = [place(line.from), place(line.to)];
  const length = Math.hypot(to.point.x - from.point.x, to.point.y - from.point.y) || 1;
  // The same side for lines either way: that of the shape that was drawn first.
  const sign = aside === 0 || firstOf(drawing, shapeAt(line.from, owner), shapeAt(line.to, owner)) ? 1 : -1;
  const shift = (point: Point) => ({
    x: point.x - ((to.point.y - from.point.y) / length) * aside * sign,
    y: point.y + ((to.point.x - from.point.x) / length) * aside * sign,
  });
  const [a, b] = [shift(from.point), shift(to.point)];
  const knees = detour(a, b, obstacles([from.shape, to.shape], drawing, boxes));
  const end = ({ shape }: { shape: Shape | undefined }, own: Point, other: Point) => {
    if (!shape) return own;
    const box = boxes.get(shape.id)!;
    return besideOthers(rimPoint(shape.form, box, own, other), shape, box, routes);
  };
  const [start, finish] = [end(from, a, knees[0] ?? b), end(to, b, knees.at(-1) ?? a)];
  // What was moved along its edge is aimed at from the other end.
  return {
    points: knees.length > 0 ? [start, ...knees, finish] : [end(from, a, finish), end(to, b, start)],
    edges: { from: null, to: null },
  };
}

/** Whether of two shapes the one was drawn before the other. */
function firstOf(drawing: Drawing, one: string | undefined, other: string | undefined): boolean {
  for (const id of drawing.shapes.keys()) if (id === one || id === other) return id === one;
  return true;
}

/** The boxes with rows in a line's way: all but those of its own ends. */
function obstacles(own: readonly (Shape | undefined)[], drawing: Drawing, boxes: Boxes): Box[] {
  const found: Box[] = [];
  for (const shape of drawing.shapes.values())
    if (!own.includes(shape) && shape.form === 'rectangle') found.push(boxes.get(shape.id)!);
  return found;
}

/** The corners at which a straight line bends that would pass through boxes, by the shortest way round one of them; none when it need not or cannot. */
function detour(a: Point, b: Point, solids: readonly Box[]): readonly Point[] {
  const inTheWay = solids.filter((box) => meets(a, b, box));
  const free = (path: readonly Point[]) =>
    path.slice(1).every((point, i) => solids.every((box) => !meets(path[i]!, point, box, keepOff)));
  let [best, least]: [readonly Point[], number] = [[], Infinity];
  for (const knees of inTheWay.flatMap(waysRound)) {
    const path = [a, ...knees, b];
    const length = path
      .slice(1)
      .reduce((sum, point, i) => sum + Math.hypot(point.x - path[i]!.x, point.y - path[i]!.y), 0);
    if (length < least && free(path)) [best, least] = [knees, length];
  }
  return best;
}

/** Past one corner of a box, or past two along one of its sides, either way. */
function waysRound(box: Box): (readonly Point[])[] {
  const wide = inflate(box, roundCorner);
  const corners = [
    { x: wide.x, y: wide.y },
    { x: right(wide), y: wide.y },
    { x: right(wide), y: bottom(wide) },
    { x: wide.x, y: bottom(wide) },
  ];
  return corners.flatMap((corner, i) => {
    const next = corners[(i + 1) % corners.length]!;
    return [[corner], [corner, next], [next, corner]];
  });
}

/** An end at a box, moved along its edge where a line with symbols of its own already ends there. */
function besideOthers(point: Point, shape: Shape, box: Box, routes: ReadonlyMap<string, Route>): Point {
  const level = Math.abs(point.y - box.y) < 1 || Math.abs(point.y - bottom(box)) < 1;
  if (isRound(shape) || !level) return point;
  const taken: number[] = [];
  for (const { points, edges } of routes.values()) {
    if (!edges.from && !edges.to) continue;
    for (const other of [points[0]!, points.at(-1)!])
      if (Math.abs(other.y - point.y) < 1 && other.x > box.x && other.x < right(box)) taken.push(other.x);
  }
  const near = (x: number) => taken.some((other) => Math.abs(other - x) < besideSymbols);
  if (!near(point.x)) return point;
  const places = taken
    .flatMap((x) => [x - besideSymbols, x + besideSymbols])
    .filter((x) => x > box.x + corner && x < right(box) - corner && !near(x));
  // To the left, sooner than among the words that stand to the right of a line's end.
  const x = places.sort((one, other) => Math.abs(one - point.x) - Math.abs(other - point.x) || one - other)[0];
  return x === undefined ? point : { x, y: point.y };
}

function looseEnd(end: LineEnd, routes: ReadonlyMap<string, Route>): Point {
  if (end.on.kind === 'nothing') return { x: end.on.x / 4, y: end.on.y / 4 };
  if (end.on.kind === 'line') {
    const other = routes.get(end.on.id);
    return other ? midpoint(other.points) : { x: 0, y: 0 };
  }
  const at = end.on.kind === 'end' ? parseEndId(end.on.id) : null;
  const other = at && routes.get(at.line);
  if (!other) return { x: 0, y: 0 };
  const [a, b] = at.side === 'from' ? other.points : [...other.points].reverse();
  const length = Math.hypot(b!.x - a!.x, b!.y - a!.y) || 1;
  const reach = Math.min(endReach, length / 2) / length;
  return { x: a!.x + (b!.x - a!.x) * reach, y: a!.y + (b!.y - a!.y) * reach };
}
