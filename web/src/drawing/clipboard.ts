import { linesAt, rowsOf, type Attachment, type Drawing, type Line, type LineEnd, type Shape } from './document';
import type { NewId } from './edits';
import { around, type Box, type Point } from '../geometry/boxes';
import { boxOf } from '../geometry/measure';
import { freePlace } from '../geometry/neighbours';
import type { Change, Step } from './steps';

/** A piece of a drawing: shapes, and the lines both of whose ends are among them. */
export interface Piece {
  readonly shapes: readonly Shape[];
  readonly lines: readonly Line[];
}

const mark = 'blue-slate-piece';

/** What is selected, as a piece. */
export function copyOf(drawing: Drawing, ids: ReadonlySet<string>): Piece {
  const shapes = [...ids].map((id) => drawing.shapes.get(id)).filter((shape) => shape !== undefined);
  const chosen = new Set(shapes.map((shape) => shape.id));
  const rows = new Set(shapes.flatMap((shape) => rowsOf(shape).map((row) => row.id)));
  const within = (on: Attachment) =>
    (on.kind === 'shape' && chosen.has(on.id)) || (on.kind === 'row' && rows.has(on.id));
  return { shapes, lines: linesAt(drawing, chosen).filter((line) => within(line.from.on) && within(line.to.on)) };
}

export const writePiece = (piece: Piece): string => JSON.stringify({ format: mark, ...piece });

/** The piece that a text holds, or null for any other text. */
export function readPiece(text: string): Piece | null {
  if (!text.startsWith(`{"format":"${mark}"`) || text.length > 512 * 1024) return null;
  try {
    const piece = JSON.parse(text) as Piece;
    const sound =
      Array.isArray(piece.shapes) &&
      Array.isArray(piece.lines) &&
      piece.shapes.every(
        (s) =>
          typeof s.text === 'string' && Array.isArray(s.compartments) && Number.isInteger(s.x) && Number.isInteger(s.y),
      );
    return sound ? piece : null;
  } catch {
    return null;
  }
}

/** Puts a piece on the slate under new ids, in free space as near as can be to a point in pixels. */
export function pasteNear(piece: Piece, taken: Iterable<Box>, near: Point, newId: NewId) {
  const box = around(piece.shapes.map(boxOf));
  if (!box) return paste(piece, 0, 0, newId);
  const spot = freePlace(taken, near, box.width, box.height);
  return paste(piece, Math.round((spot.x - box.x) * 4), Math.round((spot.y - box.y) * 4), newId);
}

/** Puts a piece on the slate under new ids, moved by so much. */
export function paste(piece: Piece, dx: number, dy: number, newId: NewId): { change: Change; ids: string[] } {
  const names = new Map<string, string>();
  const rename = (old: string, prefix: string) => {
    const id = names.get(old) ?? newId(prefix);
    names.set(old, id);
    return id;
  };
  // Whatever sheet it was copied from, it goes onto the one that is shown.
  const shapes = piece.shapes.map((shape): Shape => ({
    ...shape,
    sheet: undefined,
    id: rename(shape.id, 'b'),
    x: shape.x + dx,
    y: shape.y + dy,
    compartments: shape.compartments.map((rows) => rows.map((row) => ({ ...row, id: rename(row.id, 't') }))),
  }));
  const end = (before: LineEnd): LineEnd =>
    before.on.kind === 'nothing'
      ? { ...before, on: { ...before.on, x: before.on.x + dx, y: before.on.y + dy } }
      : { ...before, on: { ...before.on, id: names.get(before.on.id) ?? before.on.id } };
  const lines = piece.lines.map((line): Line => ({
    ...line,
    sheet: undefined,
    id: rename(line.id, 'r'),
    from: end(line.from),
    to: end(line.to),
  }));
  const steps: Step[] = [
    ...shapes.map((after): Step => ({ of: 'shape', id: after.id, before: null, after })),
    ...lines.map((after): Step => ({ of: 'line', id: after.id, before: null, after })),
  ];
  return { change: { label: 'paste', steps }, ids: shapes.map((shape) => shape.id) };
}
