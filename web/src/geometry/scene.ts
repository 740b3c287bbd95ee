import { firstSheet, linesAt, parseEndId, type Drawing } from '../drawing/document';
import { around, type Box } from './boxes';
import { boxOf, rowBoxOf } from './measure';
import { type Route } from './route';
import { routeLines } from './routing';
import { endTextBox, placeTexts, type EndText } from './endTexts';
import type { Placement } from '../drawing/format';

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
  if (drawing.sheets.size < 2) return layOutSheet(drawing, before, moving);
  // What stands on one sheet is in nobody's way on another.
  const sheets = [...drawing.sheets.keys()].map((id) => layOutSheet(drawingOf(drawing, id), before, moving));
  const merged = <T>(part: (scene: Scene) => ReadonlyMap<string, T>) =>
    new Map(sheets.flatMap((one) => [...part(one)]));
  return {
    drawing,
    boxes: merged((one) => one.boxes),
    routes: merged((one) => one.routes),
    texts: merged((one) => one.texts),
  };
}

/** What of a drawing stands on one sheet. */
export function drawingOf(drawing: Drawing, sheet: string): Drawing {
  const first = firstSheet(drawing);
  const here = <T extends { readonly sheet?: string }>(elements: ReadonlyMap<string, T>) =>
    new Map([...elements].filter(([, element]) => (element.sheet ?? first) === sheet));
  return {
    ...drawing,
    shapes: here(drawing.shapes),
    lines: here(drawing.lines),
    regions: here(drawing.regions),
  };
}

/** What of a scene is seen on one sheet; the scene itself where there is only one. */
export function sceneOf(scene: Scene, sheet: string): Scene {
  if (scene.drawing.sheets.size < 2) return scene;
  const drawing = drawingOf(scene.drawing, sheet);
  const among = <T>(all: ReadonlyMap<string, T>, ids: ReadonlyMap<string, unknown>) =>
    new Map([...all].filter(([id]) => ids.has(id)));
  return {
    drawing,
    boxes: among(scene.boxes, drawing.shapes),
    routes: among(scene.routes, drawing.lines),
    texts: among(scene.texts, drawing.lines),
  };
}

function layOutSheet(drawing: Drawing, before?: Scene, moving?: ReadonlySet<string>): Scene {
  const boxes = new Map<string, Box>();
  for (const shape of drawing.shapes.values()) {
    const same = before && before.drawing.shapes.get(shape.id) === shape ? before.boxes.get(shape.id) : undefined;
    boxes.set(shape.id, same ?? boxOf(shape));
  }
  const only = before && moving ? linesMoving(drawing, moving) : undefined;
  const routes = routeLines(drawing, boxes, before?.routes, only);
  const kept = before ? keepSame(routes, before.routes) : routes;
  return { drawing, boxes, routes: kept, texts: placeTexts(drawing, boxes, kept, before?.texts, only) };
}

/** The lines that hang on moving shapes, and those that end on such lines. */
export function linesMoving(drawing: Drawing, shapes: ReadonlySet<string>): Set<string> {
  const moving = new Set(linesAt(drawing, shapes).map((line) => line.id));
  for (const line of drawing.lines.values())
    if (
      [line.from, line.to].some(
        (end) =>
          (end.on.kind === 'line' && moving.has(end.on.id)) ||
          (end.on.kind === 'end' && moving.has(parseEndId(end.on.id)?.line ?? '')),
      )
    )
      moving.add(line.id);
  return moving;
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
  textsOf: (line) => scene.texts.get(line.id) ?? [],
});

/** Where a shape stands, or a line of text in one; null for anything else. */
export function boxAt({ drawing, boxes }: Scene, element: string): Box | null {
  const own = boxes.get(element);
  if (own) return own;
  for (const shape of drawing.shapes.values()) {
    const row = rowBoxOf(shape, boxes.get(shape.id)!, element);
    if (row) return row;
  }
  return null;
}

/** The box around all that is drawn, with what is written at its lines. */
export function extent(scene: Scene, beside: readonly Box[] = []) {
  const lines = [...scene.routes.values()].flatMap((route) =>
    route.points.map((point) => ({ x: point.x, y: point.y, width: 0, height: 0 })),
  );
  const texts = [...scene.texts.values()].flatMap((written) => written.map(endTextBox));
  return around([...scene.boxes.values(), ...lines, ...texts, ...beside]);
}
