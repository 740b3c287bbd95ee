/** Points and boxes in pixels at zoom 1. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export type Edge = 'left' | 'right' | 'top' | 'bottom';
export const edges: readonly Edge[] = ['right', 'left', 'bottom', 'top'];

export const right = (box: Box) => box.x + box.width;
export const bottom = (box: Box) => box.y + box.height;
export const centre = (box: Box): Point => ({ x: box.x + box.width / 2, y: box.y + box.height / 2 });

export const overlaps = (a: Box, b: Box) => a.x < right(b) && b.x < right(a) && a.y < bottom(b) && b.y < bottom(a);

/** How large the area is that two boxes share. */
export const sharedArea = (a: Box, b: Box) =>
  overlaps(a, b)
    ? (Math.min(right(a), right(b)) - Math.max(a.x, b.x)) * (Math.min(bottom(a), bottom(b)) - Math.max(a.y, b.y))
    : 0;

export const contains = (box: Box, point: Point) =>
  point.x >= box.x && point.x <= right(box) && point.y >= box.y && point.y <= bottom(box);

export const inflate = (box: Box, by: number): Box => ({
  x: box.x - by,
  y: box.y - by,
  width: box.width + 2 * by,
  height: box.height + 2 * by,
});

/** The smallest box around boxes, or null for none. */
export function around(boxes: Iterable<Box>): Box | null {
  let left = Infinity;
  let top = Infinity;
  let farRight = -Infinity;
  let farBottom = -Infinity;
  for (const box of boxes) {
    left = Math.min(left, box.x);
    top = Math.min(top, box.y);
    farRight = Math.max(farRight, right(box));
    farBottom = Math.max(farBottom, bottom(box));
  }
  return left === Infinity ? null : { x: left, y: top, width: farRight - left, height: farBottom - top };
}

/** The edge of a box to which a point is nearest, if it is within a distance of it, inside or outside. */
export function edgeNear(box: Box, point: Point, within: number): Edge | undefined {
  if (!contains(inflate(box, within), point)) return undefined;
  const away = {
    left: Math.abs(point.x - box.x),
    right: Math.abs(point.x - right(box)),
    top: Math.abs(point.y - box.y),
    bottom: Math.abs(point.y - bottom(box)),
  };
  const nearest = edges.reduce((one, other) => (away[other] < away[one] ? other : one));
  return away[nearest] <= within ? nearest : undefined;
}

/** The direction that leads out of a box at an edge. */
export const outward: Record<Edge, Point> = {
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  top: { x: 0, y: -1 },
  bottom: { x: 0, y: 1 },
};

/** Whether an axis-parallel segment passes through the inside of a box that is wider by a margin on every side. */
export function crosses(a: Point, b: Point, box: Box, margin = 0): boolean {
  return (
    Math.min(a.x, b.x) < right(box) + margin &&
    Math.max(a.x, b.x) > box.x - margin &&
    Math.min(a.y, b.y) < bottom(box) + margin &&
    Math.max(a.y, b.y) > box.y - margin
  );
}

/** Whether a segment in any direction passes through a box that is wider by a margin (Liang and Barsky 1984). */
export function meets(a: Point, b: Point, box: Box, margin = 0): boolean {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  let [enter, leave] = [0, 1];
  for (const [by, room] of [
    [-dx, a.x - box.x + margin],
    [dx, right(box) + margin - a.x],
    [-dy, a.y - box.y + margin],
    [dy, bottom(box) + margin - a.y],
  ] as const) {
    if (by === 0 && room <= 0) return false;
    if (by === 0) continue;
    if (by < 0) enter = Math.max(enter, room / by);
    else leave = Math.min(leave, room / by);
  }
  return enter < leave;
}

/** How far a point is from a segment. */
export function distanceToSegment(point: Point, a: Point, b: Point): number {
  const length = (b.x - a.x) ** 2 + (b.y - a.y) ** 2;
  const along = length === 0 ? 0 : ((point.x - a.x) * (b.x - a.x) + (point.y - a.y) * (b.y - a.y)) / length;
  const t = Math.max(0, Math.min(1, along));
  return Math.hypot(point.x - a.x - t * (b.x - a.x), point.y - a.y - t * (b.y - a.y));
}
