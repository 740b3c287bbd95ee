import { centre, right } from '../boxes';
import { entryOf, type Course } from './courses';
import { laneOf, type Lanes } from './levels';
import type { Cell, Ground } from './ground';

/** Where at boxes the lines of nets end: by net and box, from left to right in pixels. */
export type Pins = ReadonlyMap<string, number>;

export const pinKey = (course: Course, cell: string) =>
  `${course.net.hub} ${course.net.bracket} ${course.net.spokes[0]!.line.id} ${cell}`;

interface Pin {
  readonly key: string;
  readonly cell: Cell;
  readonly top: boolean;
  readonly corridor: number;
  /** Which way its net runs on from there, and how far from the box. */
  readonly way: number;
  readonly lane: number;
}

const pinGap = 16;
const corner = 9;
const clash = 5;
/** How far an end is tried aside, the nearest first. */
const asides = [0, ...Array.from({ length: 24 }, (_, i) => 3 * (i + 1)).flatMap((by) => [-by, by])];

/**
 * Ends that share an edge are set apart in the order in which their lanes cross least: those that come from the left stand left, the
 * nearest lane first, those from the right the other way round.
 */
export function pinsOf(courses: readonly Course[], lanes: Lanes, ground: Ground): Pins {
  const pins = courses.flatMap((course) => pinsAt(course, lanes, ground));
  const edges = new Map<string, Pin[]>();
  for (const pin of pins) {
    const edge = `${pin.cell.id} ${pin.top}`;
    if (!edges.has(edge)) edges.set(edge, []);
    edges.get(edge)!.push(pin);
  }
  const placed = new Map<string, number>();
  for (const group of edges.values()) {
    group.sort((a, b) => a.way - b.way || (a.way < 0 ? a.lane - b.lane : b.lane - a.lane));
    const { box } = group[0]!.cell;
    const gap = Math.min(pinGap, (box.width - 2 * corner) / Math.max(1, group.length - 1));
    const start = centre(box).x - (gap * (group.length - 1)) / 2;
    group.forEach((pin, i) => placed.set(pin.key, start + i * gap));
  }
  asideOfOthers(pins, placed, courses, lanes, ground);
  return placed;
}

function pinsAt(course: Course, lanes: Lanes, ground: Ground): Pin[] {
  const { net, corridor } = course;
  const ends = [net.hub, ...new Set(net.spokes.map(({ target }) => target))];
  return ends.flatMap((id): Pin[] => {
    const cell = ground.cells.get(id);
    if (!cell) return [];
    const at = id === net.hub ? corridor : entryOf(corridor, cell.row);
    const lane = laneOf(lanes, course, at);
    const top = at === cell.row;
    const [left, beyond] = [lane.low < cell.box.x, lane.high > right(cell.box)];
    return [
      {
        key: pinKey(course, id),
        cell,
        top,
        corridor: at,
        way: left === beyond ? 0 : left ? -1 : 1,
        lane: Math.abs(lane.y - (top ? cell.box.y : cell.box.y + cell.box.height)),
      },
    ];
  });
}

interface Upright {
  readonly x: number;
  readonly low: number;
  readonly high: number;
}

/** Moves ends aside whose lines would lie on lines that come from the row across. */
function asideOfOthers(
  pins: readonly Pin[],
  placed: Map<string, number>,
  courses: readonly Course[],
  lanes: Lanes,
  ground: Ground,
) {
  const passing = courses.flatMap((course) => [...uprightsThrough(course, lanes), ...stemOf(course, lanes, ground)]);
  const upright = (pin: Pin, x: number): Upright => {
    const edge = pin.top ? pin.cell.box.y : pin.cell.box.y + pin.cell.box.height;
    const far = pin.top ? edge - pin.lane : edge + pin.lane;
    return { x, low: Math.min(edge, far), high: Math.max(edge, far) };
  };
  const at = pins.map((pin) => placed.get(pin.key)!);
  const inCorridor = new Map<number, number[]>();
  pins.forEach(({ corridor }, i) => {
    if (!inCorridor.has(corridor)) inCorridor.set(corridor, []);
    inCorridor.get(corridor)!.push(i);
  });
  pins.forEach((pin, i) => {
    const { box } = pin.cell;
    const isNear = (x: number) => x > box.x - clash && x < right(box) + clash;
    const others = passing.filter(({ x }) => isNear(x));
    for (const other of inCorridor.get(pin.corridor)!)
      if (other !== i && isNear(at[other]!)) others.push(upright(pins[other]!, at[other]!));
    const clear = (x: number) => {
      const one = upright(pin, x);
      return others.every((other) => Math.abs(other.x - x) >= clash || other.low >= one.high || one.low >= other.high);
    };
    const inside = (x: number) => x >= box.x + corner && x <= right(box) - corner;
    const better = asides.map((by) => at[i]! + by).find((x) => inside(x) && clear(x));
    if (better !== undefined) at[i] = better;
  });
  pins.forEach((pin, i) => placed.set(pin.key, at[i]!));
}

function uprightsThrough(course: Course, lanes: Lanes): Upright[] {
  return [...course.risers].map(([row, x]) => {
    const ends = [laneOf(lanes, course, row).y, laneOf(lanes, course, row + 1).y];
    return { x, low: Math.min(...ends), high: Math.max(...ends) };
  });
}

/** A gather, and what leads from it into its lane. */
function stemOf(course: Course, lanes: Lanes, { gathers }: Ground): Upright[] {
  const { net, corridor } = course;
  const gather = gathers.get(net.hub);
  if (!gather) return [];
  const lane = laneOf(lanes, course, corridor).y;
  const y = gather.y ?? lane;
  return [{ x: gather.x, low: Math.min(y, lane) - gather.radius, high: Math.max(y, lane) + gather.radius }];
}
