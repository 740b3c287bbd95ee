import type { Drawing } from '../../drawing/document';
import { bottom, type Edge, type Point } from '../boxes';
import type { Boxes, Route } from '../route';
import { coursesOf, entryOf, passed, type Course } from './courses';
import { groundOf, isLaned, type Cell, type Gather, type Ground } from './ground';
import { laneOf, lanesOf, type Lanes } from './levels';
import { netsOf, type Spoke } from './nets';
import { pinKey, pinsOf, type Pins } from './pins';

/**
 * Routes for the arrows of boxes that stand in rows: up or down from a box, along a lane of their own above or beneath the row, and
 * to the next box; past other rows between their boxes. None for a drawing whose arrows do not run in lanes.
 */
export function routeInLanes(drawing: Drawing, boxes: Boxes): Map<string, Route> {
  const routes = new Map<string, Route>();
  const ground = isLaned(drawing) ? groundOf(drawing, boxes) : null;
  if (!ground || ground.rows.length === 0) return routes;
  const courses = coursesOf(netsOf(drawing, ground), ground);
  const lanes = lanesOf(courses, ground);
  const pins = pinsOf(courses, lanes, ground);
  for (const course of courses)
    for (const spoke of course.net.spokes) routes.set(spoke.line.id, routeOf(course, spoke, { ground, lanes, pins }));
  return routes;
}

interface Plan {
  readonly ground: Ground;
  readonly lanes: Lanes;
  readonly pins: Pins;
}

function routeOf(course: Course, spoke: Spoke, plan: Plan): Route {
  const { ground, lanes, pins } = plan;
  const target = ground.cells.get(spoke.target)!;
  const last = entryOf(course.corridor, target.row);
  const points = [...startOf(course, spoke, plan)];
  let corridor = course.corridor;
  for (const row of along(course.corridor, last)) {
    const x = course.risers.get(row)!;
    points.push({ x, y: laneOf(lanes, course, corridor).y });
    corridor = corridor <= row ? row + 1 : row;
    points.push({ x, y: laneOf(lanes, course, corridor).y });
  }
  const x = pins.get(pinKey(course, target.id))!;
  points.push({ x, y: laneOf(lanes, course, last).y }, { x, y: edgeAt(target, last) });
  const ends = [edgeOf(ground.cells.get(course.net.hub), course.corridor), edgeOf(target, last)] as const;
  const straight = withoutKnees(points.map(({ x, y }) => ({ x: quarter(x), y: quarter(y) })));
  return spoke.hubSide === 'from'
    ? { points: straight, edges: { from: ends[0], to: ends[1] } }
    : { points: straight.reverse(), edges: { from: ends[1], to: ends[0] } };
}

/** The rows that are passed, in the order in which they are. */
const along = (from: number, to: number) => (from <= to ? passed(from, to) : passed(from, to).reverse());

const edgeAt = ({ box, row }: Cell, corridor: number) => (corridor === row ? box.y : bottom(box));

const edgeOf = (cell: Cell | undefined, corridor: number): Edge | null =>
  cell ? (corridor === cell.row ? 'top' : 'bottom') : null;

/** From the hub into its lane. */
function startOf(course: Course, spoke: Spoke, { ground, lanes, pins }: Plan): Point[] {
  const { net, corridor } = course;
  const lane = laneOf(lanes, course, corridor).y;
  const cell = ground.cells.get(net.hub);
  if (cell) {
    const x = pins.get(pinKey(course, cell.id))!;
    return [
      { x, y: edgeAt(cell, corridor) },
      { x, y: lane },
    ];
  }
  const gather = ground.gathers.get(net.hub)!;
  const y = gather.y ?? lane;
  if (Math.abs(lane - y) > gather.radius) {
    const out = { x: gather.x, y: y + Math.sign(lane - y) * gather.radius };
    return [out, { x: gather.x, y: lane }];
  }
  return [besideGather(gather, y, nextX(course, spoke, ground, pins), spoke, ground)];
}

/** Where along the lane of a gather a line goes first. */
function nextX(course: Course, { target }: Spoke, { cells }: Ground, pins: Pins): number {
  const last = entryOf(course.corridor, cells.get(target)!.row);
  const [first] = along(course.corridor, last);
  return first === undefined ? pins.get(pinKey(course, target))! : course.risers.get(first)!;
}

/** From the side of a gather, or from its top or bottom where a line goes straight on from there. */
function besideGather(gather: Gather, y: number, x: number, { target }: Spoke, { cells }: Ground): Point {
  const dx = x - gather.x;
  if (Math.abs(dx) > gather.radius) return { x: gather.x + Math.sign(dx) * gather.radius, y };
  const below = cells.get(target)!.box.y > y;
  return { x, y: y + (below ? 1 : -1) * Math.sqrt(gather.radius ** 2 - dx ** 2) };
}

const quarter = (value: number) => Math.round(value * 4) / 4;

/** The same way without points at which it does not turn. */
function withoutKnees(points: readonly Point[]): Point[] {
  const kept: Point[] = [];
  for (const point of points) {
    const [before, last] = [kept.at(-2), kept.at(-1)];
    if (last && last.x === point.x && last.y === point.y) continue;
    const onward =
      before && last && ((before.x === last.x && last.x === point.x) || (before.y === last.y && last.y === point.y));
    if (onward) kept.pop();
    kept.push(point);
  }
  return kept;
}
