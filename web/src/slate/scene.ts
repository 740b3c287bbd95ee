import { linesAt, type Drawing } from './document';
import type { Box } from './geometry';
import { boxOf } from './measure';
import { routeLines, type Route } from './routing';
import { placeTexts, type EndText } from './endTexts';
import type { Placement } from './format';

/** Everything of a drawing with its place on the surface, in pixels at zoom 1. */
export interface Scene {
  readonly drawing: Drawing;
  readonly boxes: ReadonlyMap<string, Box>;
  readonly routes: ReadonlyMap<string, Route>;
  /** What is written at the ends of each line. */
  readonly texts: ReadonlyMap<string, readonly EndText[]>;
}

/**
 * Lays out a drawing. With the scene before it and the shapes that move, only what hangs on them is routed anew, and
 * everything else keeps its very values.
 */
export function layOut(drawing: Drawing, before?: Scene, moving?: ReadonlySet<string>): Scene {
  const boxes = new Map<string, Box>();
  for (const shape of drawing.shapes.values()) {
    const same = before && before.drawing.shapes.get(shape.id) === shape ? before.boxes.get(shape.id) : undefined;
    boxes.set(shape.id, same ?? boxOf(shape));
  }
  const only = before && moving ? new Set(linesAt(drawing, moving).map((line) => line.id)) : undefined;
  const routes = routeLines(drawing, boxes, before?.routes, only);
  const kept = before ? keepSame(routes, before.routes) : routes;
  return { drawing, boxes, routes: kept, texts: placeTexts(drawing, boxes, kept, before?.texts, only) };
}

function keepSame(routes: Map<string, Route>, before: ReadonlyMap<string, Route>): Map<string, Route> {
  for (const [id, route] of routes) {
    const old = before.get(id);
    if (
      old &&
      old !== route &&
      old.points.length === route.points.length &&
      old.points.every((p, i) => p.x === route.points[i]!.x && p.y === route.points[i]!.y)
    )
      routes.set(id, old);
  }
  return routes;
}

/** Sizes and routes as the document format keeps them. */
export const placementOf = (scene: Scene): Placement => ({
  sizeOf: (shape) => {
    const box = scene.boxes.get(shape.id)!;
    return { width: Math.round(box.width * 4), height: Math.round(box.height * 4) };
  },
  routeOf: (line) => scene.routes.get(line.id)?.points ?? [],
});
