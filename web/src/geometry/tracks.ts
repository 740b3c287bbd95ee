import { bottom, crosses, right, type Box, type Point } from './boxes';

/** A line that runs straight up and across, whose inner pieces may be moved aside. */
export interface Tracked {
  readonly id: string;
  readonly points: readonly Point[];
  /** The boxes at which it begins and ends, along whose edges its ends may move; null for a line that is kept as it is. */
  readonly boxes: readonly [Box, Box] | null;
}

/** How far apart two lines run that would lie on each other, in pixels. */
const trackGap = 9;
/** How far aside a piece is tried, and in which steps. */
const reach = 54;
const step = 4.5;
/** What running near beside another line counts, of what lying on it does. */
const near = 0.3;
/** How far an end keeps from the corners of its box, and from other ends at it. */
const endCorner = 10;
const endGap = 14;
/** How long the piece at an end stays, which holds the marks of that end; and any other. */
const leastEnd = 28;
const leastInner = 10;
/** How far a piece keeps from boxes. */
const boxGap = 5;
/** What a crossing counts, in pixels that lie on another line. */
const crossing = 6;
const aside = 0.02;

type Axis = 'x' | 'y';

interface Piece {
  readonly axis: Axis;
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Moves pieces of lines, inner ones first, onto tracks of their own where they would lie on pieces of others: the step called nudging in Wybrow,
 * Marriott and Stuckey, Orthogonal Connector Routing (2009), one piece after the other, each to the nearest track on which it shares
 * least and crosses least. Gives the lines that were moved.
 */
export function ontoTracks(
  lines: readonly Tracked[],
  fixed: readonly Tracked[],
  boxes: readonly Box[],
): Map<string, Point[]> {
  const placed = new Map<string, Placed>([...lines, ...fixed].map((line) => [line.id, placedAt(line.points)]));
  const moved = new Map<string, Point[]>();
  for (const line of lines) {
    let points = [...line.points];
    const others = [...placed].flatMap(([id, other]) => (id === line.id ? [] : [other]));
    const ground = {
      pieces: others.flatMap(({ pieces }) => pieces),
      ends: others.flatMap(({ ends }) => ends),
      boxes,
      own: line.boxes,
    };
    for (let i = 1; i < points.length - 2; i++) points = onTrack(points, i, ground);
    if (line.boxes && points.length > 2) for (const i of [0, points.length - 2]) points = onTrack(points, i, ground);
    if (points.some((point, i) => point !== line.points[i])) moved.set(line.id, points);
    placed.set(line.id, placedAt(points));
  }
  return moved;
}

interface Placed {
  readonly pieces: readonly Piece[];
  readonly ends: readonly Point[];
}

const placedAt = (points: readonly Point[]): Placed => ({
  pieces: piecesOf(points),
  ends: [points[0]!, points[points.length - 1]!],
});

/** What is around a line that is put onto tracks. */
interface Ground extends Placed {
  readonly boxes: readonly Box[];
  readonly own: readonly [Box, Box] | null;
}

/** The same points with one piece moved aside, as far as it lies on something. */
function onTrack(points: Point[], i: number, ground: Ground): Point[] {
  const piece = pieceOf(points[i]!, points[i + 1]!);
  if (!piece || sharedWith(piece, ground.pieces) === 0) return points;
  let best = { points, cost: costOf(points, i, ground.pieces) };
  for (let by = step; by <= reach; by += step)
    for (const way of [by, -by]) {
      const tried = shifted(points, i, piece.axis, way);
      if (!keeps(points, tried, i, ground)) continue;
      const cost = costOf(tried, i, ground.pieces) + by * aside;
      if (cost < best.cost) best = { points: tried, cost };
    }
  return best.points;
}

function shifted(points: readonly Point[], i: number, axis: Axis, by: number): Point[] {
  const move = (point: Point): Point => (axis === 'x' ? { ...point, x: point.x + by } : { ...point, y: point.y + by });
  return points.map((point, n) => (n === i || n === i + 1 ? move(point) : point));
}

/** Whether the pieces beside a moved one keep their direction and enough of their length, and nothing runs through a box. */
function keeps(before: readonly Point[], after: readonly Point[], i: number, ground: Ground): boolean {
  const last = after.length - 2;
  const beside = [i - 1, i + 1]
    .filter((n) => n >= 0 && n <= last)
    .every((n) => {
      const least = n === 0 || n === last ? leastEnd : leastInner;
      const [was, is] = [lengthOf(before, n), lengthOf(after, n)];
      return Math.sign(was) === Math.sign(is) && (Math.abs(is) >= least || Math.abs(is) >= Math.abs(was));
    });
  const ends = [
    ...(i === 0 ? [[after[0]!, ground.own?.[0]] as const] : []),
    ...(i === last ? [[after[last + 1]!, ground.own?.[1]] as const] : []),
  ];
  return (
    beside &&
    ends.every(([end, box]) => box !== undefined && standsAt(end, box, ground.ends)) &&
    crossedBy(after, i, ground) <= crossedBy(before, i, ground)
  );
}

/** How many boxes a piece runs through or too near to; at those of its own line's ends it may begin. */
const crossedBy = (points: readonly Point[], i: number, { boxes, own }: Ground) =>
  boxes.filter((box) => crosses(points[i]!, points[i + 1]!, box, own?.includes(box) ? -1 : boxGap)).length;

/** Whether a line can end there at a box: clear of the corners and of other ends. */
function standsAt(end: Point, box: Box, others: readonly Point[]): boolean {
  const across = end.y === box.y || end.y === bottom(box);
  const [at, low, high] = across ? [end.x, box.x, right(box)] : [end.y, box.y, bottom(box)];
  return (
    at >= low + endCorner &&
    at <= high - endCorner &&
    others.every((other) =>
      across
        ? other.y !== end.y || Math.abs(other.x - end.x) >= endGap
        : other.x !== end.x || Math.abs(other.y - end.y) >= endGap,
    )
  );
}

const lengthOf = (points: readonly Point[], n: number) =>
  points[n + 1]!.x - points[n]!.x + points[n + 1]!.y - points[n]!.y;

/** What the pieces around a moved one share with others and cross of them. */
function costOf(points: readonly Point[], i: number, others: readonly Piece[]): number {
  return [i - 1, i, i + 1]
    .flatMap((n) => (points[n] && points[n + 1] ? (pieceOf(points[n], points[n + 1]!) ?? []) : []))
    .reduce((sum, piece) => sum + sharedWith(piece, others) + crossing * crossingsOf(piece, others), 0);
}

/** How much of a piece lies on others, or too near beside them. */
const sharedWith = (piece: Piece, others: readonly Piece[]) =>
  others.reduce(
    (sum, other) =>
      other.axis === piece.axis && Math.abs(other.at - piece.at) < trackGap - 1
        ? sum +
          (Math.abs(other.at - piece.at) < 2 ? 1 : near) *
            Math.max(0, Math.min(piece.to, other.to) - Math.max(piece.from, other.from))
        : sum,
    0,
  );

const crossingsOf = (piece: Piece, others: readonly Piece[]) =>
  others.filter(
    (other) =>
      other.axis !== piece.axis &&
      other.at > piece.from &&
      other.at < piece.to &&
      piece.at > other.from &&
      piece.at < other.to,
  ).length;

const piecesOf = (points: readonly Point[]): Piece[] =>
  points.slice(1).flatMap((to, i) => pieceOf(points[i]!, to) ?? []);

/** A piece along an axis: `at` is where it runs, from and to how far; null for one that slants or has no length. */
function pieceOf(a: Point, b: Point): Piece | null {
  if (a.x === b.x && a.y !== b.y) return { axis: 'x', at: a.x, from: Math.min(a.y, b.y), to: Math.max(a.y, b.y) };
  if (a.y === b.y && a.x !== b.x) return { axis: 'y', at: a.y, from: Math.min(a.x, b.x), to: Math.max(a.x, b.x) };
  return null;
}
