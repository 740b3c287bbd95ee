import { rowsOf, type Drawing, type Shape } from '../../drawing/document';
import { bottom, centre, right, type Box, type Point } from '../boxes';
import { isStrip } from '../../notations/forms';
import { cellsOf, nameWidth } from '../measure';
import type { Boxes } from '../route';

/** A box that stands in a row with others, or one of the cells of a strip, or the name before them. */
export interface Cell {
  readonly id: string;
  /** The shape that it is or belongs to. */
  readonly shape: string;
  /** The strip of whose key it may be; nothing for a box that stands by itself. */
  readonly strip: string;
  readonly box: Box;
  readonly row: number;
  readonly underlined: boolean;
}

/** Boxes beside each other. Beneath it is the corridor with its own number and one, above it that with its own. */
export interface Row {
  readonly top: number;
  readonly bottom: number;
  readonly cells: readonly Cell[];
}

/** What collects several lines into one, in a corridor; its height is null while it has none. */
export interface Gather {
  readonly id: string;
  readonly x: number;
  readonly y: number | null;
  readonly radius: number;
  readonly corridor: number;
}

/** Boxes in rows, and what gathers between them. */
export interface Ground {
  readonly rows: readonly Row[];
  readonly cells: ReadonlyMap<string, Cell>;
  readonly gathers: ReadonlyMap<string, Gather>;
}

/** How many lines are given lanes: with more of them there is no room between rows. */
const mostLines = 500;

/** Whether arrows of a drawing run in lanes: bare boxes, tied by lines with solid heads or gathered, and strips of cells. */
export function isLaned(drawing: Drawing): boolean {
  if (drawing.lines.size > mostLines) return false;
  const shapes = [...drawing.shapes.values()];
  return (
    shapes.every((shape) => isInRow(shape) || isGather(shape) || shape.form === 'note') &&
    (shapes.some((shape) => isGather(shape) || isStrip(shape.form)) ||
      [...drawing.lines.values()].some((line) => [line.from, line.to].some((end) => end.marks.includes('arrow'))))
  );
}

/** Whether a shape stands in a row with others: a bare box, or a strip of cells. */
export const isInRow = (shape: Shape) =>
  isStrip(shape.form) || (shape.form === 'rectangle' && shape.compartments.length === 0);

/** Whether a shape gathers: it names nothing. */
export const isGather = (shape: Shape) => shape.form === 'junction' && rowsOf(shape).every(({ text }) => text === '');

/** The rows in which the boxes stand, or null where boxes above each other are beside others too. */
export function groundOf(drawing: Drawing, boxes: Boxes): Ground | null {
  const shapes = [...drawing.shapes.values()];
  const rows = rowsAmong(shapes.filter(isInRow), boxes);
  if (!rows) return null;
  const gathers = shapes.filter(isGather).flatMap((shape) => {
    const gather = seated(shape.id, centre(boxes.get(shape.id)!), boxes.get(shape.id)!, rows);
    return gather ? [[shape.id, gather] as const] : [];
  });
  return { rows, cells: cellsIn(rows), gathers: new Map(gathers) };
}

const cellsIn = (rows: readonly Row[]) =>
  new Map(rows.flatMap(({ cells }) => cells.map((cell) => [cell.id, cell] as const)));

export function rowsAmong(shapes: readonly Shape[], boxes: Boxes): Row[] | null {
  const sorted = shapes
    .map((shape) => ({ shape, box: boxes.get(shape.id)! }))
    .sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x);
  const groups: { low: number; members: typeof sorted }[] = [];
  for (const one of sorted) {
    const last = groups.at(-1);
    if (last && one.box.y < last.low) {
      last.members.push(one);
      last.low = Math.max(last.low, bottom(one.box));
    } else groups.push({ low: bottom(one.box), members: [one] });
  }
  const rows = groups.map(({ low, members }, row): Row => {
    const beside = [...members].sort((a, b) => a.box.x - b.box.x);
    return {
      top: Math.min(...members.map(({ box }) => box.y)),
      bottom: low,
      cells: beside.flatMap((one) => cellsAt(one.shape, one.box, row)),
    };
  });
  const overlap = rows.some(({ cells }) => cells.some((cell, i) => i > 0 && cell.box.x < right(cells[i - 1]!.box)));
  return overlap ? null : rows;
}

function cellsAt(shape: Shape, box: Box, row: number): Cell[] {
  if (!isStrip(shape.form)) {
    const underlined = (shape.underline ?? 'none') !== 'none';
    return [{ id: shape.id, shape: shape.id, strip: '', box, row, underlined }];
  }
  const own = { shape: shape.id, strip: shape.id, row };
  const name = nameWidth(shape);
  const cells = cellsOf(shape).map(({ row: { id, underline }, x, width }): Cell => ({
    ...own,
    id,
    box: { ...box, x: box.x + x, width },
    underlined: underline === 'solid',
  }));
  // What has no cells, and what leads to the strip as a whole, is met at its name.
  if (name > 0 || cells.length === 0)
    cells.unshift({ ...own, id: shape.id, box: { ...box, width: name || box.width }, underlined: false });
  return cells;
}

/** A gather in the corridor in which its middle is; none where it stands among the boxes of a row. */
function seated(id: string, { x, y }: Point, box: Box, rows: readonly Row[]): Gather | null {
  const radius = box.width / 2;
  const corridor = rows.filter((row) => row.top < y).length;
  const above = rows[corridor - 1];
  return above && y < above.bottom + radius ? null : { id, x, y, radius, corridor };
}

/** From where to where a corridor reaches down; without end above the first row and beneath the last. */
export const reachOf = ({ rows }: Ground, corridor: number): readonly [number, number] => [
  rows[corridor - 1]?.bottom ?? -Infinity,
  rows[corridor]?.top ?? Infinity,
];
