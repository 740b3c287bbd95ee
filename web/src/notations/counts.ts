import { rowsOf, type Drawing, type LineEnd } from '../drawing/document';
import { isBox } from './forms';

/**
 * What a drawing holds, in words: boxes, attributes whether they are written in boxes or stand around them in ovals, operations,
 * diamonds, and lines other than those that hold an oval. What there is none of is left out, but for boxes.
 */
export function countsOf(drawing: Drawing): string[] {
  const shapes = [...drawing.shapes.values()];
  const boxes = shapes.filter((shape) => isBox(shape.form));
  const ovals = shapes.filter((shape) => shape.form === 'oval');
  const atOval = (end: LineEnd) => end.on.kind === 'shape' && drawing.shapes.get(end.on.id)?.form === 'oval';
  const attributes = boxes.reduce((sum, box) => sum + (box.compartments[0]?.length ?? 0), ovals.length);
  const members = boxes.reduce((sum, box) => sum + rowsOf(box).length, ovals.length);
  const lines = [...drawing.lines.values()].filter((line) => !atOval(line.from) && !atOval(line.to)).length;
  return [
    counted(boxes.length, 'box', 'boxes'),
    ...some(attributes, 'attribute', 'attributes'),
    ...some(members - attributes, 'operation', 'operations'),
    ...some(shapes.filter((shape) => shape.form === 'diamond').length, 'diamond', 'diamonds'),
    ...some(lines, 'line', 'lines'),
  ];
}

/** A number with its word: 1 box, 2 boxes. */
export const counted = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

const some = (number: number, one: string, many: string) => (number === 0 ? [] : [counted(number, one, many)]);
