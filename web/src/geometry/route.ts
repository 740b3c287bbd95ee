import { rowsOf, type Drawing, type LineEnd, type Shape, type Side } from '../drawing/document';
import { formOf } from '../notations/forms';
import { type Box, type Edge, type Point } from './boxes';

/** Where a line runs: its corners, and the edge of the box at which each end stands (null for an end in the open). */
export interface Route {
  readonly points: readonly Point[];
  readonly edges: Readonly<Record<Side, Edge | null>>;
}

/** The boxes by which lines are routed. */
export type Boxes = ReadonlyMap<string, Box>;

/** For each row the shape that holds it. */
export function rowOwners(drawing: Drawing): Map<string, string> {
  const owners = new Map<string, string>();
  for (const shape of drawing.shapes.values()) for (const row of rowsOf(shape)) owners.set(row.id, shape.id);
  return owners;
}

/** The shape at which a line ends, if it does at one. */
export function shapeAt(end: LineEnd, owners: ReadonlyMap<string, string>): string | undefined {
  return end.on.kind === 'shape' ? end.on.id : end.on.kind === 'row' ? owners.get(end.on.id) : undefined;
}

/** Whether lines at a shape run straight: at all but boxes and notes. */
export const isRound = (shape: Shape) => formOf(shape.form).rim !== 'box' || shape.form === 'diamond-in-rectangle';

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
