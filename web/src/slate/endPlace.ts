import type { Side } from './document';
import { outward, type Edge, type Point } from './geometry';
import type { Route } from './routing';

/** An end of a line as it lies on the surface: where, and which way it leads out of its box. */
export interface EndPlace {
  readonly point: Point;
  readonly direction: Point;
  readonly edge: Edge | null;
  /** How long the piece of the line at this end is. */
  readonly length: number;
}

export function endPlace(route: Route, side: Side): EndPlace {
  const points = side === 'from' ? route.points : [...route.points].reverse();
  const [a, b] = [points[0]!, points[1]!];
  const edge = route.edges[side];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return {
    point: a,
    edge,
    direction: edge ? outward[edge] : { x: (b.x - a.x) / length, y: (b.y - a.y) / length },
    length,
  };
}
