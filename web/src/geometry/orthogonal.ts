import { type Line } from '../drawing/document';
import {
  around,
  bottom,
  centre,
  crosses,
  edges,
  inflate,
  outward,
  overlaps,
  right,
  type Box,
  type Edge,
  type Point,
} from './boxes';
import { shapeAt, type Boxes, type Route } from './route';
import { ontoTracks } from './tracks';

const gap = 46;
/** How near ends may come so that the first that was drawn stays where it was. */
const leastGap = 24;
const corner = 16;
const tightCorner = 10;
const shared = 20;
const clearance = 30;
const bendCost = 40;
const crossingCost = 2000;
/** What leaving an edge at which an end was drawn costs: more than any way round, less than running through a box. */
const leavingCost = 1500;
/** How much longer than need be a line may become before its ends let go of the edges at which they were drawn. */
const patience = 260;

interface End {
  readonly id: string;
  readonly box: Box;
  /** The edge at which its author drew it, if that is known. */
  readonly held: Edge | undefined;
  edge: Edge;
  at: number;
}

/** A line between two boxes, with the edges at which it ends and where it ends on them. */
export interface Plan {
  readonly line: Line;
  readonly from: End;
  readonly to: End;
  readonly recursive: boolean;
}

/** A line still to be routed, or null where one of its ends is not at a box. */
export function planOf(line: Line, boxes: Boxes, owners: ReadonlyMap<string, string>): Plan | null {
  const from = shapeAt(line.from, owners);
  const to = shapeAt(line.to, owners);
  const fromBox = from && boxes.get(from);
  const toBox = to && boxes.get(to);
  if (!fromBox || !toBox) return null;
  const recursive = from === to;
  return {
    line,
    recursive,
    from: { id: from, box: fromBox, held: line.from.edge, edge: 'right', at: 0 },
    to: { id: to, box: toBox, held: line.to.edge, edge: recursive ? 'top' : 'left', at: 0 },
  };
}

/** The same with the edges that a route has. */
export function withEdges(plan: Plan, route: Route): Plan {
  plan.from.edge = route.edges.from ?? plan.from.edge;
  plan.to.edge = route.edges.to ?? plan.to.edge;
  return plan;
}

/**
 * Routes the planned lines for which none is kept: an edge of each box is chosen by length, bends and boxes in the way; ends that
 * share an edge are spread along it in the order in which their lines leave; each line then takes the cheapest path that keeps
 * clear of boxes.
 */
export function routePlans(plans: readonly Plan[], boxes: Boxes, routes: Map<string, Route>) {
  const solids = [...boxes.entries()];
  for (const plan of plans) if (!routes.has(plan.line.id)) chooseEdges(plan, solids);
  for (const plan of plans) if (plan.recursive && !routes.has(plan.line.id)) chooseCorner(plan, plans);
  spread(plans);
  straighten(plans);
  const fresh = plans.filter((plan) => !routes.has(plan.line.id));
  const kept = [...routes].map(([id, { points }]) => ({ id, points, boxes: null }));
  const paths = fresh.map((plan) => ({
    id: plan.line.id,
    points: path(plan, solids),
    boxes: plan.recursive ? null : ([plan.from.box, plan.to.box] as const),
  }));
  const moved = ontoTracks(paths, kept, [...boxes.values()]);
  fresh.forEach((plan, i) => {
    const points = moved.get(plan.line.id) ?? paths[i]!.points;
    routes.set(plan.line.id, { points, edges: { from: plan.from.edge, to: plan.to.edge } });
  });
}

const horizontal = (edge: Edge) => edge === 'left' || edge === 'right';

function chooseEdges(plan: Plan, solids: readonly (readonly [string, Box])[]) {
  if (plan.recursive) return;
  [plan.from.edge, plan.to.edge] = bestEdges(plan, solids, leavingCost).edges;
}

/** The edges between which a line runs best, where leaving an edge at which an end was drawn costs something. */
function bestEdges(plan: Plan, solids: readonly (readonly [string, Box])[], leaving: number) {
  let best: { cost: number; edges: readonly [Edge, Edge]; at: number } = {
    cost: Infinity,
    edges: ['right', 'left'],
    at: Infinity,
  };
  const others = solids.filter(([id]) => id !== plan.from.id && id !== plan.to.id);
  const tried = edgePairs.map(([fromEdge, toEdge], at) => {
    const a = middle(plan.from.box, fromEdge, plan.to.box);
    const b = middle(plan.to.box, toEdge, plan.from.box);
    const left = (Number(isLeft(plan.from, fromEdge)) + Number(isLeft(plan.to, toEdge))) * leaving;
    return { edges: [fromEdge, toEdge] as const, at, a, b, left, least: left + lengthOf(a, b) };
  });
  // No line is shorter than the way along the axes: what cannot be better any more is not looked at.
  tried.sort((one, other) => one.least - other.least);
  for (const { edges, at, a, b, left, least } of tried) {
    if (least > best.cost + 0.001) break;
    const cost = cheapest(a, edges[0], b, edges[1], plan, others).cost + left;
    // Of equals the first pair of edges is taken.
    if (cost < best.cost - 0.001 || (cost < best.cost + 0.001 && at < best.at)) best = { cost, edges, at };
  }
  return best;
}

const edgePairs = edges.flatMap((from) => edges.map((to) => [from, to] as const));

const isLeft = (end: End, edge: Edge) => end.held !== undefined && end.held !== edge;

/** Whether a line has become so much longer by the edges at which its ends were drawn that nobody would have drawn it so. */
export function isStrained(plan: Plan, boxes: Boxes): boolean {
  if (plan.recursive || (plan.from.held === undefined && plan.to.held === undefined)) return false;
  const solids = [...boxes.entries()];
  return bestEdges(plan, solids, leavingCost).cost > bestEdges(plan, solids, 0).cost + patience;
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
    // Of lines that want one place the first that was drawn has it: a second between the same boxes leaves it where it was.
    group.sort((a, b) => a.end.at - b.end.at || pull(a) - pull(b));
    place(
      group.map(({ end }) => end),
      firstDrawn(group, plans),
    );
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

/** The corner of the box whose two edges have the fewest other ends, for a line from a box to itself; at the edge where it was drawn. */
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
  const held = plan.from.held ?? plan.to.held;
  const from = held === undefined ? corners : corners.filter((edges) => edges.some((edge) => edge === held));
  const [first] = [...from].sort((a, b) => used(a[0]) + used(a[1]) - used(b[0]) - used(b[1]));
  [plan.from.edge, plan.to.edge] = first!;
}

/** Which of the ends at an edge belongs to the line that was drawn first. */
function firstDrawn(group: readonly { plan: Plan }[], plans: readonly Plan[]): number {
  const orders = group.map(({ plan }) => plans.indexOf(plan));
  return orders.indexOf(Math.min(...orders));
}

const pull = ({ end, other }: { end: End; other: End }) => coordinate(centre(other.box), end.edge);

/**
 * Keeps ends of one edge at least a gap apart, as far as the edge is long enough, each as near its wish as can be. The first that was
 * drawn stays where it was when others come, as long as they have room enough beside it.
 */
function place(ends: readonly End[], anchor: number) {
  const first = ends[0];
  if (!first || ends.length === 1) return;
  const [start, length] = horizontal(first.edge) ? [first.box.y, first.box.height] : [first.box.x, first.box.width];
  // A short edge gives up its free corners before the ends come so near that their texts touch.
  const free = length - 2 * corner >= gap * (ends.length - 1) ? corner : tightCorner;
  const low = start + free;
  const high = start + length - free;
  if (placeAround(ends, anchor, low, high)) return;
  const step = Math.min(gap, (high - low) / (ends.length - 1));
  for (let i = 1; i < ends.length; i++) ends[i]!.at = Math.max(ends[i]!.at, ends[i - 1]!.at + step);
  const over = ends[ends.length - 1]!.at - high;
  if (over > 0) for (const end of ends) end.at -= over;
  ends[0]!.at = Math.max(ends[0]!.at, low);
  for (let i = 1; i < ends.length; i++) ends[i]!.at = Math.max(ends[i]!.at, ends[i - 1]!.at + Math.min(step, 8));
}

/** Places ends on both sides of one that stays; says whether there was room. */
function placeAround(ends: readonly End[], anchor: number, low: number, high: number): boolean {
  const wish = ends[anchor]!.at;
  const [before, after] = [anchor, ends.length - 1 - anchor];
  const up = before === 0 ? gap : Math.min(gap, (wish - low) / before);
  const down = after === 0 ? gap : Math.min(gap, (high - wish) / after);
  if (wish < low || wish > high || Math.min(up, down) < leastGap) return false;
  for (let i = anchor + 1; i < ends.length; i++)
    ends[i]!.at = Math.min(high - (ends.length - 1 - i) * down, Math.max(ends[i]!.at, ends[i - 1]!.at + down));
  for (let i = anchor - 1; i >= 0; i--)
    ends[i]!.at = Math.max(low + i * up, Math.min(ends[i]!.at, ends[i + 1]!.at - up));
  return true;
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
    const [near, far] = isBefore(plan.from.box, plan.to.box) ? [plan.from, plan.to] : [plan.to, plan.from];
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

/** To the left, or above. */
const isBefore = (one: Box, other: Box) => one.x < other.x || (one.x === other.x && one.y < other.y);

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
