import { readDrawing, writeDrawing } from '../drawing/format';
import { layOut, placementOf } from './scene';

/**
 * A drawing's document with the sizes, routes and places of texts that the slate gives it. Built by itself for whatever paints
 * drawings elsewhere (src/BlueSlate.Drafting/Geometry), so that a line runs on paper as it does on the slate.
 */
export const settle = (document: string) => {
  const drawing = readDrawing(document);
  return writeDrawing(drawing, placementOf(layOut(drawing)));
};
