import { linesAt, type Drawing, type Line, type LineEnd, type Side } from './document';
import { outward, type Box, type Edge, type Point } from './geometry';
import { boxOf, textWidth } from './measure';
import { routeLines, type Route } from './routing';
import type { Placement } from './format';

/** Everything of a drawing with its place on the surface, in pixels at zoom 1. */
export interface Scene {
  readonly drawing: Drawing;
  readonly boxes: ReadonlyMap<string, Box>;
  readonly routes: ReadonlyMap<string, Route>;
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
  return { drawing, boxes, routes: before ? keepSame(routes, before.routes) : routes };
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

/** A text at an end, with the point at which its baseline starts or ends. */
export interface EndText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'end';
  readonly of: 'label' | 'role' | 'count';
}

/** The texts of an end: the first end's label above or right of the line, the other's below or right; roles across from labels. */
export function endTexts(end: LineEnd, side: Side, place: EndPlace): EndText[] {
  const texts: EndText[] = [];
  const { point, direction } = place;
  const add = (of: EndText['of'], text: string, above: boolean) => {
    if (text === '') return;
    if (Math.abs(direction.x) >= Math.abs(direction.y)) {
      // Clear of the marks where there is room; on a short line as near the box as must be.
      const marks = Math.max(5, Math.min(26, place.length - textWidth(text, 14) - 6));
      texts.push({
        of,
        text,
        x: point.x + direction.x * marks,
        y: point.y + (above ? -8 : 19),
        anchor: direction.x > 0 ? 'start' : 'end',
      });
    } else {
      const near = direction.y > 0 ? 25 : -17;
      texts.push({ of, text, x: point.x + (above ? 11 : -11), y: point.y + near, anchor: above ? 'start' : 'end' });
    }
  };
  const vertical = Math.abs(direction.x) < Math.abs(direction.y);
  const labelAbove = vertical || side === 'from';
  add('label', end.label, labelAbove);
  add(end.role !== '' ? 'role' : 'count', end.role !== '' ? end.role : end.count, !labelAbove);
  return texts;
}

/** The box that a text at an end takes up. */
export function endTextBox(text: EndText): Box {
  const width = textWidth(text.text, 14);
  return { x: text.anchor === 'start' ? text.x : text.x - width, y: text.y - 13, width, height: 18 };
}

/** Everything that a line's text takes up. */
export const textsOfLine = (line: Line, route: Route): EndText[] => [
  ...endTexts(line.from, 'from', endPlace(route, 'from')),
  ...endTexts(line.to, 'to', endPlace(route, 'to')),
];
