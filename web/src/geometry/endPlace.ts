import type { Side } from '../drawing/document';
import { outward, type Box, type Edge, type Point } from './boxes';
import { textWidth } from './measure';
import type { Route } from './route';

/** An end of a line as it lies on the surface: where, and which way it leads out of its box. */
export interface EndPlace {
  readonly point: Point;
  readonly direction: Point;
  readonly edge: Edge | null;
  /** How long the piece of the line at this end is. */
  readonly length: number;
}

const qualifierHeight = 20;

/** Where an end's marks begin: at what it is attached to, or outside the small box of its qualifier. */
export function endPlace(route: Route, side: Side, qualifier = ''): EndPlace {
  const points = side === 'from' ? route.points : [...route.points].reverse();
  const [a, b] = [points[0]!, points[1]!];
  const edge = route.edges[side];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const direction = edge ? outward[edge] : { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  if (qualifier === '') return { point: a, edge, direction, length };
  const depth = Math.abs(direction.x) > Math.abs(direction.y) ? textWidth(qualifier) + 12 : qualifierHeight;
  return {
    point: { x: a.x + direction.x * depth, y: a.y + direction.y * depth },
    edge,
    direction,
    length: Math.max(1, length - depth),
  };
}

/** The small box of a qualifier, against what its end is attached to. */
export function qualifierBox(qualifier: string, { point, direction }: EndPlace): Box {
  const width = textWidth(qualifier) + 12;
  const across = Math.abs(direction.x) > Math.abs(direction.y);
  return {
    x: across ? (direction.x > 0 ? point.x : point.x - width) : point.x - width / 2,
    y: across ? point.y - qualifierHeight / 2 : direction.y > 0 ? point.y : point.y - qualifierHeight,
    width,
    height: qualifierHeight,
  };
}
