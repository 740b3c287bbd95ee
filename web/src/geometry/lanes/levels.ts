import { spansIn, type Course } from './courses';
import { reachOf, type Ground } from './ground';

/** At which height a net runs in a corridor. */
export interface Lane {
  readonly course: Course;
  readonly low: number;
  readonly high: number;
  readonly y: number;
  /** Whether it is counted from the row above it, or from the one beneath. */
  readonly fromAbove: boolean;
}

/** How far the first lane is from a row, and one lane from the next, where there is room. */
export const firstLane = 26;
export const laneGap = 12;
const leastGap = 3;
/** Where there is little room, lanes first come as near to the rows as heads of arrows allow, then nearer to each other than this. */
const nearestLane = 16;
const easyGap = 8;
const touching = 2;
/** How far a lane keeps from the row across its corridor. */
const edgeRoom = 10;

/** By the number of the corridor, the lanes in it. */
export type Lanes = ReadonlyMap<number, readonly Lane[]>;

/**
 * Gives each net a lane in every corridor in which it runs: the left-edge method of channel routing (Hashimoto and Stevens 1971), short
 * ones first and nearest to their row, so that long ones lead round them.
 */
export function lanesOf(courses: readonly Course[], ground: Ground): Lanes {
  // Where something gathers stays where it is.
  const seats = (one: { course: Course; corridor: number }) =>
    one.course.net.bracket && one.course.corridor === one.corridor;
  const wanted = courses.flatMap((course) =>
    [...spansIn(course, ground)].map(([corridor, span]) => ({ course, corridor, ...span })),
  );
  const lanes = new Map<number, Lane[]>();
  for (let corridor = 0; corridor <= ground.rows.length; corridor++) {
    const here = wanted
      .filter((one) => one.corridor === corridor)
      .map((one) => ({ ...one, fromAbove: fromAbove(one.rows, corridor, ground) }))
      .sort((a, b) => Number(seats(b)) - Number(seats(a)) || a.high - a.low - (b.high - b.low));
    const wide = levelled(here, corridor, ground, roomy);
    const pitch = narrowed(wide, corridor, ground);
    lanes.set(corridor, pitch === roomy ? wide : levelled(here, corridor, ground, pitch));
  }
  return lanes;
}

type Wanted = Omit<Lane, 'y'>;

/** How far the first lane of a corridor is from its row, and one lane from the next. */
interface Pitch {
  readonly first: number;
  readonly gap: number;
}

const roomy: Pitch = { first: firstLane, gap: laneGap };

/** What meets only the row above a corridor is counted from there. */
function fromAbove(rows: ReadonlySet<number>, corridor: number, ground: Ground): boolean {
  if (corridor === 0) return false;
  return corridor === ground.rows.length || (rows.has(corridor - 1) && !rows.has(corridor));
}

function levelled(wanted: readonly Wanted[], corridor: number, ground: Ground, pitch: Pitch): Lane[] {
  const lanes: Lane[] = [];
  for (const one of wanted) lanes.push({ ...one, y: heightOf(one, lanes, corridor, ground, pitch) });
  return lanes;
}

function heightOf(
  one: Wanted,
  lanes: readonly Lane[],
  corridor: number,
  ground: Ground,
  { first, gap }: Pitch,
): number {
  const { net } = one.course;
  const gather = ground.gathers.get(net.hub);
  const isSeat = gather !== undefined && one.course.corridor === corridor;
  if (isSeat && net.bracket && gather.y !== null) return gather.y;
  const [top, low] = reachOf(ground, corridor);
  const at = (level: number) => (one.fromAbove ? top + first + level * gap : low - first - level * gap);
  const away = (y: number) => (one.fromAbove ? y - top : low - y);
  // What leaves a gather runs beyond it, so that it does not run where the gathered lines do.
  const bracket = lanes.find(({ course }) => course.net.hub === net.hub && course.net.bracket);
  const seat = isSeat ? (gather.y ?? bracket?.y) : undefined;
  const beyond = seat === undefined || (bracket && bracket.fromAbove !== one.fromAbove) ? 0 : away(seat) + gap / 2;
  const firstFree = (suits: (y: number) => boolean): number | undefined => {
    for (let level = 0; away(at(level)) <= low - top - edgeRoom; level++) {
      const y = at(level);
      if (suits(y) && lanes.every((lane) => !meet(lane, one, y, gap))) return y;
    }
    return undefined;
  };
  return firstFree((y) => away(y) >= beyond) ?? firstFree(() => true) ?? at(0);
}

const meet = (lane: Lane, one: Wanted, y: number, gap: number) =>
  Math.abs(lane.y - y) < gap - 0.5 && lane.low - touching <= one.high && one.low - touching <= lane.high;

/** How near lanes come to the rows and to each other so that all find room in a corridor. */
function narrowed(lanes: readonly Lane[], corridor: number, ground: Ground): Pitch {
  const [top, low] = reachOf(ground, corridor);
  const depths = depthsOf(lanes, top, low);
  const levels = depths.reduce((sum, depth) => sum + (depth === 0 ? 0 : (depth - firstLane) / laneGap + 1), 0);
  const room = low - top;
  const between = Math.max(1, levels - 1);
  if (levels === 0 || !Number.isFinite(room) || room - 2 * firstLane >= between * laneGap) return roomy;
  const first = Math.max(nearestLane, Math.min(firstLane, (room - easyGap * between) / 2));
  return { first, gap: Math.max(leastGap, Math.min(laneGap, (room - 2 * first) / between)) };
}

/** How deep the lanes reach into a corridor from the row above it, and from the one beneath. */
export function depthsOf(lanes: readonly Lane[], top: number, low: number): readonly [number, number] {
  const deepest = (above: boolean) =>
    Math.max(0, ...lanes.filter((lane) => lane.fromAbove === above).map(({ y }) => (above ? y - top : low - y)));
  return [deepest(true), deepest(false)];
}

/** The lane of a course in a corridor. */
export const laneOf = (lanes: Lanes, course: Course, corridor: number): Lane =>
  lanes.get(corridor)!.find((lane) => lane.course === course)!;
