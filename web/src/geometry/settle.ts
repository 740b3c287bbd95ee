import { readDrawing, writeDrawing } from '../drawing/format';
import { boxOf } from './measure';
import { setOut } from './lanes/setOut';
import { layOut, placementOf } from './scene';

/**
 * A drawing's document with the sizes, routes and places of texts that the slate gives it. Built by itself for whatever paints
 * drawings elsewhere (src/BlueSlate.Drafting/Geometry), so that a line runs on paper as it does on the slate.
 */
export const settle = (document: string) => {
  const drawing = readDrawing(document);
  return writeDrawing(drawing, placementOf(layOut(drawing)));
};

/**
 * Places for shapes of a drawing whose arrows run in lanes, as JSON by id: of those named, while all others stay. `null` for a drawing
 * of another kind.
 */
export const inLanes = (document: string, fresh: string): string => {
  const drawing = readDrawing(document);
  const boxes = new Map([...drawing.shapes].map(([id, shape]) => [id, boxOf(shape)]));
  const places = setOut(drawing, boxes, new Set(JSON.parse(fresh) as string[]));
  return JSON.stringify(places && Object.fromEntries(places));
};
