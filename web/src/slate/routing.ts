import { parseEndId, rowsOf, type Drawing, type Line, type LineEnd, type Shape, type Side } from './document';
import { formOf, rimPoint } from './forms';
import {
  around,
  bottom,
  centre,
  crosses,
  inflate,
  meets,
  outward,
  overlaps,
  right,
  type Box,
  type Edge,
  type Point,
} from './geometry';

/** Where a line runs: its corners, and the edge of the box at which each end stands (null for an end in the open). */
export interface Route {
  readonly points: readonly Point[];
  readonly edges: Readonly<Record<Side, Edge | null>>;
}

const gap = 46;
const corner = 16;
const tightCorner = 10;
const shared = 20;
const clearance = 30;
const roundCorner = 14;
const keepOff = 8;
const besideSymbols = 28;
const bendCost = 40;
const crossingCost = 2000;
const edges: readonly Edge[] = ['right', 'left', 'bottom', 'top'];

/** The boxes by which lines are routed. */
export type Boxes = ReadonlyMap<string, Box>;

/**
 * Routes lines orthogonally: an edge of each box is chosen by length, bends and boxes in the way; ends that share an edge are
 * spread along it in the order in which their lines leave; each line then takes the cheapest path that keeps clear of boxes.
 * With `only`, the other lines keep the routes they had.
 */
export function routeLines(
  drawing: Drawing,
  boxes: Boxes,
  before?: ReadonlyMap<string, Route>,
  only?: ReadonlySet<string>,
): Map<string, Route> {
  const owner = rowOwners(drawing);
  const touched = only && shapesOf(drawing, only, owner);
  const plans: Plan[] = [];
  const routes = new Map<string, Route>();
  for (const line of drawing.lines.values()) {
    const kept = only && !only.has(line.id) ? before?.get(line.id) : undefined;
    if (kept) routes.set(line.id, kept);
    const plan = isStraight(line, drawing, owner) ? null : planOf(line, boxes, owner);
    if (plan && (!kept || touched?.has(plan.from.id) || touched?.has(plan.to.id)))
      plans.push(kept ? withEdges(plan, kept) : plan);
  }
  const solids = [...boxes.entries()];
  for (const plan of plans) if (!routes.has(plan.line.id)) chooseEdges(plan, solids);
  for (const plan of plans) if (plan.recursive && !routes.has(plan.line.id)) chooseCorner(plan, plans);
  spread(plans);
  straighten(plans);
  for (const plan of plans) {
    if (!routes.has(plan.line.id))
      routes.set(plan.line.id, { points: path(plan, solids), edges: { from: plan.from.edge, to: plan.to.edge } });
  }
  const straight = [...drawing.lines.values()].filter(
    (line) => !plans.some((plan) => plan.line === line) && !routes.has(line.id),
  );
  routeStraight(straight, { drawing, boxes, owner, routes });
  return routes;
}

/** Lines that meet a figure other than a box or a note, or another line, run straight. */
function isStraight(line: Line, drawing: Drawing, owner: ReadonlyMap<string, string>): boolean {
  const [from, to] = [shapeAt(line.from, owner), shapeAt(line.to, owner)].map((id) => id && drawing.shapes.get(id));
  return from !== to && [from, to].some((shape) => typeof shape === 'object' && isRound(shape));
}

const isRound = (shape: Shape) => formOf(shape.form).rim !== 'box' || shape.form === 'diamond-in-rectangle';

/** The shapes at which these lines end: only lines that share an edge with them matter to where they end. */
function shapesOf(drawing: Drawing, lines: ReadonlySet<string>, owners: ReadonlyMap<string, string>): Set<string> {
  const ends = [...lines].flatMap((id) => {
    const line = drawing.lines.get(id);
    return line ? [line.from, line.to] : [];
  });
  return new Set(ends.map((end) => shapeAt(end, owners)).filter((id) => id !== undefined));
}

interface End {
  readonly id: string;
  readonly box: Box;
  edge: Edge;
  at: number;
}

interface Plan {
  readonly line: Line;
  readonly from: End;
  readonly to: End;
  readonly recursive: boolean;
}

function rowOwners(drawing: Drawing): Map<string, string> {
  const owners = new Map<string, string>();
  for (const shape of drawing.shapes.values()) for (const row of rowsOf(shape)) owners.set(row.id, shape.id);
  return owners;
}

function shapeAt(end: LineEnd, owners: ReadonlyMap<string, string>): string | undefined {
  return end.on.kind === 'shape' ? end.on.id : end.on.kind === 'row' ? owners.get(end.on.id) : undefined;
}

function planOf(line: Line, boxes: Boxes, owners: ReadonlyMap<string, string>): Plan | null {
  const from = shapeAt(line.from, owners);
  const to = shapeAt(line.to, owners);
  const fromBox = from && boxes.get(from);
  const toBox = to && boxes.get(to);
  if (!fromBox || !toBox) return null;
  const recursive = from === to;
  return {
    line,
    recursive,
    from: { id: from, box: fromBox, edge: 'right', at: 0 },
    to: { id: to, box: toBox, edge: recursive ? 'top' : 'left', at: 0 },
  };
}

function withEdges(plan: Plan, route: Route): Plan {
  plan.from.edge = route.edges.from ?? plan.from.edge;
  plan.to.edge = route.edges.to ?? plan.to.edge;
  return plan;
}

const horizontal = (edge: Edge) => edge === 'left' || edge === 'right';

function chooseEdges(plan: Plan, solids: readonly (readonly [string, Box])[]) {
  if (plan.recursive) return;
  let best = Infinity;
  let chosen: [Edge, Edge] = ['right', 'left'];
  const others = solids.filter(([id]) => id !== plan.from.id && id !== plan.to.id);
  for (const fromEdge of edges) {
    for (const toEdge of edges) {
      const a = middle(plan.from.box, fromEdge, plan.to.box);
      const b = middle(plan.to.box, toEdge, plan.from.box);
      const points = cheapest(a, fromEdge, b, toEdge, plan, others);
      if (points.cost < best - 0.001) {
        best = points.cost;
        chosen = [fromEdge, toEdge];
      }
    }
  }
  [plan.from.edge, plan.to.edge] = chosen;
}

/** The point of an edge from which a line would leave towards another box: in the middle of what they share, if anything. */
function middle(box: Box, edge: Edge, other: Box): Point {
  if (horizontal(edge)) {
    const low = Math.max(box.y, other.y);
    const high = Math.min(bottom(box), bottom(other));
    const y = high - low > shared ? (low + high) / 2 : centre(box).y;
    return { x: edge === 'left' ? box.x : right(box), y };
  }
  const low = Math.max(box.x, other.x);
  const high = Math.min(right(box), right(other));
  const x = high - low > shared ? (low + high) / 2 : centre(box).x;
  return { x, y: edge === 'top' ? box.y : bottom(box) };
}

function spread(plans: readonly Plan[]) {
  const groups = new Map<string, { end: End; other: End; plan: Plan }[]>();
  for (const plan of plans) {
    for (const [end, other] of [
      [plan.from, plan.to],
      [plan.to, plan.from],
    ] as const) {
      const key = `${end.id} ${end.edge}`;
      groups.set(key, [...(groups.get(key) ?? []), { end, other, plan }]);
    }
  }
  for (const group of groups.values()) {
    for (const { end, other, plan } of group)
      end.at = plan.recursive ? recursiveAt(end, other) : coordinate(middle(end.box, end.edge, other.box), end.edge);
    group.sort((a, b) => a.end.at - b.end.at || pull(a) - pull(b) || (a.plan.line.id < b.plan.line.id ? -1 : 1));
    place(group.map(({ end }) => end));
  }
}

const coordinate = (point: Point, edge: Edge) => (horizontal(edge) ? point.y : point.x);

/** A loop stands near its corner: high or low on the side, far left or right on the top or bottom. */
const recursiveAt = (end: End, corner_: End) =>
  horizontal(end.edge)
    ? corner_.edge === 'top'
      ? end.box.y + corner + 4
      : bottom(end.box) - corner - 4
    : corner_.edge === 'right'
      ? right(end.box) - corner - 12
      : end.box.x + corner + 12;

/** The corner of the box whose two edges have the fewest other ends, for a line from a box to itself. */
function chooseCorner(plan: Plan, plans: readonly Plan[]) {
  const used = (edge: Edge) =>
    plans.reduce(
      (sum, other) =>
        sum +
        (other === plan
          ? 0
          : [other.from, other.to].filter((end) => end.id === plan.from.id && end.edge === edge).length),
      0,
    );
  const corners = [
    ['right', 'top'],
    ['left', 'top'],
    ['right', 'bottom'],
    ['left', 'bottom'],
  ] as const;
  const [first] = [...corners].sort((a, b) => used(a[0]) + used(a[1]) - used(b[0]) - used(b[1]));
  [plan.from.edge, plan.to.edge] = first!;
}

const pull = ({ end, other }: { end: End; other: End }) => coordinate(centre(other.box), end.edge);

/** Keeps ends of one edge at least a gap apart, as far as the edge is long enough, each as near its wish as can be. */
function place(ends: readonly End[]) {
  const first = ends[0];
  if (!first || ends.length === 1) return;
  const [start, length] = horizontal(first.edge) ? [first.box.y, first.box.height] : [first.box.x, first.box.width];
  // A short edge gives up its free corners before the ends come so near that their texts touch.
  const free = length - 2 * corner >= gap * (ends.length - 1) ? corner : tightCorner;
  const low = start + free;
  const high = start + length - free;
  const step = Math.min(gap, (high - low) / (ends.length - 1));
  for (let i = 1; i < ends.length; i++) ends[i]!.at = Math.max(ends[i]!.at, ends[i - 1]!.at + step);
  const over = ends[ends.length - 1]!.at - high;
  if (over > 0) for (const end of ends) end.at -= over;
  ends[0]!.at = Math.max(ends[0]!.at, low);
  for (let i = 1; i < ends.length; i++) ends[i]!.at = Math.max(ends[i]!.at, ends[i - 1]!.at + Math.min(step, 8));
}

/**
 * Lines between facing edges that are out by a little are made straight, where no other end is near. Lines between the same two
 * edges move together, so that they keep their distance from each other.
 */
function straighten(plans: readonly Plan[]) {
  const groups = new Map<string, { near: End; far: End }[]>();
  for (const plan of plans) {
    if (plan.recursive || plan.from.edge === plan.to.edge || horizontal(plan.from.edge) !== horizontal(plan.to.edge))
      continue;
    const [near, far] = plan.from.id < plan.to.id ? [plan.from, plan.to] : [plan.to, plan.from];
    const key = `${near.id} ${near.edge} ${far.id} ${far.edge}`;
    groups.set(key, [...(groups.get(key) ?? []), { near, far }]);
  }
  for (const group of groups.values()) {
    group.sort((a, b) => a.near.at - b.near.at);
    const near = group.map((pair) => pair.near);
    const far = group.map((pair) => pair.far);
    if (take(far, near, plans)) continue;
    take(
      near,
      [...far].sort((a, b) => a.at - b.at),
      plans,
    );
  }
}

/** Puts ends at the places of others, if all of them fit there. */
function take(ends: readonly End[], places: readonly End[], plans: readonly Plan[]): boolean {
  const wanted = places.map((place) => place.at);
  if (!ends.every((end, i) => fits(end, wanted[i]!, ends, plans))) return false;
  ends.forEach((end, i) => (end.at = wanted[i]!));
  return true;
}

function fits(end: End, at: number, moving: readonly End[], plans: readonly Plan[]): boolean {
  const [start, length] = horizontal(end.edge) ? [end.box.y, end.box.height] : [end.box.x, end.box.width];
  if (at < start + tightCorner || at > start + length - tightCorner) return false;
  return plans.every((plan) =>
    [plan.from, plan.to].every(
      (other) =>
        moving.includes(other) || other.id !== end.id || other.edge !== end.edge || Math.abs(other.at - at) >= 20,
    ),
  );
}

const pointAt = (end: End): Point =>
  horizontal(end.edge)
    ? { x: end.edge === 'left' ? end.box.x : right(end.box), y: end.at }
    : { x: end.at, y: end.edge === 'top' ? end.box.y : bottom(end.box) };

function path(plan: Plan, solids: readonly (readonly [string, Box])[]): Point[] {
  const a = pointAt(plan.from);
  const b = pointAt(plan.to);
  if (plan.recursive) return loop(a, plan.from.edge, b, plan.to.edge);
  const others = solids.filter(([id]) => id !== plan.from.id && id !== plan.to.id);
  return cheapest(a, plan.from.edge, b, plan.to.edge, plan, others).points;
}

/** Round a corner of the box. */
function loop(a: Point, fromEdge: Edge, b: Point, toEdge: Edge): Point[] {
  const reach = { x: a.x + outward[fromEdge].x * 44, y: b.y + outward[toEdge].y * 40 };
  return [a, { x: reach.x, y: a.y }, reach, { x: b.x, y: reach.y }, b];
}

function cheapest(
  a: Point,
  fromEdge: Edge,
  b: Point,
  toEdge: Edge,
  plan: Plan,
  others: readonly (readonly [string, Box])[],
): { points: Point[]; cost: number } {
  let best: { points: Point[]; cost: number } | null = null;
  const paths = candidates(a, fromEdge, b, toEdge, plan, others);
  const reach = inflate(around(paths.flat().map((point) => ({ ...point, width: 0, height: 0 })))!, 6);
  const inReach = others.filter(([, box]) => overlaps(box, reach));
  for (const points of paths) {
    const cost = costOf(points, plan, inReach);
    if (!best || cost < best.cost - 0.001) best = { points, cost };
  }
  return best ?? { points: [a, b], cost: Infinity };
}

function candidates(
  a: Point,
  fromEdge: Edge,
  b: Point,
  toEdge: Edge,
  plan: Plan,
  others: readonly (readonly [string, Box])[],
): Point[][] {
  const out = outward[fromEdge];
  const into = outward[toEdge];
  const result: Point[][] = [];
  const a1 = { x: a.x + out.x * clearance, y: a.y + out.y * clearance };
  const b1 = { x: b.x + into.x * clearance, y: b.y + into.y * clearance };
  if (horizontal(fromEdge) && horizontal(toEdge)) {
    if (a.y === b.y) result.push([a, b]);
    const near = [(a.x + b.x) / 2, ...sideways(plan, others, 'x')];
    for (const x of [...near, a1.x, b1.x]) result.push([a, { x, y: a.y }, { x, y: b.y }, b]);
    for (const y of detours(plan, others, 'y'))
      result.push([a, { x: a1.x, y: a.y }, { x: a1.x, y }, { x: b1.x, y }, { x: b1.x, y: b.y }, b]);
  } else if (!horizontal(fromEdge) && !horizontal(toEdge)) {
    if (a.x === b.x) result.push([a, b]);
    const near = [(a.y + b.y) / 2, ...sideways(plan, others, 'y')];
    for (const y of [...near, a1.y, b1.y]) result.push([a, { x: a.x, y }, { x: b.x, y }, b]);
    for (const x of detours(plan, others, 'x'))
      result.push([a, { x: a.x, y: a1.y }, { x, y: a1.y }, { x, y: b1.y }, { x: b.x, y: b1.y }, b]);
  } else if (horizontal(fromEdge)) {
    result.push([a, { x: b.x, y: a.y }, b]);
    result.push([a, { x: a1.x, y: a.y }, { x: a1.x, y: b1.y }, { x: b.x, y: b1.y }, b]);
  } else {
    result.push([a, { x: a.x, y: b.y }, b]);
    result.push([a, { x: a.x, y: a1.y }, { x: b1.x, y: a1.y }, { x: b1.x, y: b.y }, b]);
  }
  return result;
}

/** Coordinates just beside the boxes that stand between the two ends. */
function sideways(plan: Plan, others: readonly (readonly [string, Box])[], axis: 'x' | 'y'): number[] {
  const span = inflate(spanOf(plan), clearance);
  return others
    .filter(([, box]) => box.x < right(span) && right(box) > span.x && box.y < bottom(span) && bottom(box) > span.y)
    .slice(0, 6)
    .flatMap(([, box]) => (axis === 'x' ? [box.x - 20, right(box) + 20] : [box.y - 20, bottom(box) + 20]));
}

/** Coordinates that pass round the two boxes, and those between them, on either side. */
function detours(plan: Plan, others: readonly (readonly [string, Box])[], axis: 'x' | 'y'): number[] {
  const span = spanOf(plan);
  const around =
    axis === 'x' ? [span.x - clearance, right(span) + clearance] : [span.y - clearance, bottom(span) + clearance];
  return [...around, ...sideways(plan, others, axis)];
}

function spanOf(plan: Plan): Box {
  const x = Math.min(plan.from.box.x, plan.to.box.x);
  const y = Math.min(plan.from.box.y, plan.to.box.y);
  return {
    x,
    y,
    width: Math.max(right(plan.from.box), right(plan.to.box)) - x,
    height: Math.max(bottom(plan.from.box), bottom(plan.to.box)) - y,
  };
}

function costOf(points: readonly Point[], plan: Plan, others: readonly (readonly [string, Box])[]): number {
  let cost = 0;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1]!;
    const b = points[i]!;
    cost += Math.abs(a.x - b.x) + Math.abs(a.y - b.y);
    for (const [, box] of others) if (crosses(a, b, box, 6)) cost += crossingCost;
    if (crosses(a, b, plan.from.box, -1)) cost += crossingCost;
    if (crosses(a, b, plan.to.box, -1)) cost += crossingCost;
  }
  // The first and last piece hold the marks of their ends.
  const first = lengthOf(points[0]!, points[1]!);
  const last = lengthOf(points[points.length - 1]!, points[points.length - 2]!);
  if (first < clearance - 2) cost += (clearance - first) * 10;
  if (last < clearance - 2) cost += (clearance - last) * 10;
  return cost + (points.length - 2) * bendCost;
}

const lengthOf = (a: Point, b: Point) => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);

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
function routeStraight(lines: readonly Line[], around_: Surroundings) {
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
  // The same side for both ends, whichever was drawn first.
  const sign = shapeAt(line.from, owner)! < shapeAt(line.to, owner)! ? 1 : -1;
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

/** A point of a route at a part of its length, and which way the route leads there. */
export function alongRoute(points: readonly Point[], part: number): { point: Point; direction: Point } {
  const lengths = points.slice(1).map((point, i) => Math.hypot(point.x - points[i]!.x, point.y - points[i]!.y));
  let left = lengths.reduce((sum, length) => sum + length, 0) * part;
  for (const [i, length] of lengths.entries()) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const direction = { x: (b.x - a.x) / (length || 1), y: (b.y - a.y) / (length || 1) };
    if (left <= length || i === lengths.length - 1)
      return { point: { x: a.x + direction.x * left, y: a.y + direction.y * left }, direction };
    left -= length;
  }
  return { point: points[0] ?? { x: 0, y: 0 }, direction: { x: 1, y: 0 } };
}

/** The point half way along a route. */
export const midpoint = (points: readonly Point[]): Point => alongRoute(points, 0.5).point;
