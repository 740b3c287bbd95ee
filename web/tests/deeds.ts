import * as fc from 'fast-check';
import { boxOfText } from '../src/drawing/boxText';
import { copyOf, paste } from '../src/drawing/clipboard';
import { commentStep } from '../src/drawing/dictionary';
import { emptyDrawing, rowsOf, type Attachment, type Drawing } from '../src/drawing/document';
import { addLine, addShape, addTied, changeEnd, changeShape, move, remove, withTie } from '../src/drawing/edits';
import { addRegion } from '../src/drawing/regions';
import { addSheet, ontoSheet, removeSheet } from '../src/drawing/sheets';
import { changeOfStem } from '../src/drawing/stem';
import type { Change } from '../src/drawing/steps';
import { drawings, drawingSession, type DrawingSession } from '../src/slate/drawings';
import { counting } from './drawings';

export const newId = counting();

export const sessionOf = (drawing: Drawing) =>
  drawingSession(drawing, 1, {
    newSaveId: () => 'save',
    later: () => () => undefined,
    save: () => Promise.resolve({ kind: 'unreachable' }),
  });

/** Everything that somebody can do, with a number that says to what. */
export const deeds: readonly ((session: DrawingSession, n: number, text: string) => unknown)[] = [
  (session, n, text) => {
    const form = ['rectangle', 'oval', 'diamond', 'note', 'circle'][n % 5]!;
    return onto(session, n, addShape(session.current().document, form, n * 40, n * 30, newId, text).change);
  },
  (session, n) => {
    const { document: drawing } = session.current();
    const [from, to] = [placeOf(drawing, n), placeOf(drawing, n * 7 + 3)];
    return from && to ? onto(session, n, addLine(drawing, from, to, newId).change) : null;
  },
  (session, n, text) => {
    const { document: drawing } = session.current();
    const tied = [...drawing.shapes.keys()].slice(n % 4, (n % 4) + 2);
    return addTied(drawing, n % 2 ? 'diamond' : 'oval', n * 20, n * 50, tied, newId, text).change;
  },
  (session, n) => remove(session.current().document, new Set(some(all(session.current().document), n))),
  (session, n) =>
    remove(session.current().document, new Set([...session.current().document.lines.keys()].slice(-(n % 3)))),
  (session, n, text) => {
    const shape = one(session.current().document.shapes.values(), n);
    if (!shape) return null;
    const next = boxOfText(shape, `${text}\nPK ${text} no\nname\n\n${text}`, newId, n % 2 === 0);
    return changeShape(session.current().document, shape, next);
  },
  (session, n) => {
    const shape = one(session.current().document.shapes.values(), n);
    return shape && changeShape(session.current().document, shape, { compartments: [] });
  },
  (session, n, text) => {
    const shape = one(session.current().document.shapes.values(), n);
    return (
      shape?.form === 'rectangle' &&
      changeOfStem(session.current().document, shape, `${text}\n${text} no (key)\nname (first, ${text})`, newId)
    );
  },
  (session, n) => {
    const { change, ids } = paste(elsewhere(n), 40, 40, newId);
    return ids.length > 0 ? onto(session, n, change) : null;
  },
  (session, n) => {
    const { document: drawing } = session.current();
    return paste(copyOf(drawing, new Set(some(all(drawing), n))), 96, 96, newId).change;
  },
  (session) => addSheet(session.current().document, newId).change,
  (session, n) => removeSheet(session.current().document, one(session.current().document.sheets.keys(), n)!),
  (session, n) => {
    const shapes = some([...session.current().document.shapes.keys()], n);
    return shapes.length > 0 ? addRegion(session.current().document, shapes, newId).change : null;
  },
  (session, n, text) => {
    const element = one(all(session.current().document), n);
    return element ? commentStep(session.current().document, element, text) : null;
  },
  (session, n, text) => {
    const { document: drawing } = session.current();
    const element = one(all(drawing), n);
    const nothing: Change = { label: 'tie', steps: [] };
    return element ? withTie(nothing, { element, block: n % 3, start: n, quote: text.trim() || 'booth' }, newId) : null;
  },
  (session, n, text) => {
    const line = one(session.current().document.lines.values(), n);
    const on = placeOf(session.current().document, n * 5 + 1);
    return (
      line && changeEnd(session.current().document, line, n % 2 ? 'from' : 'to', { label: text, ...(on && { on }) })
    );
  },
  (session, n) => move(session.current().document, new Set(all(session.current().document)), n * 4, -n * 3),
  (session) => session.undo(),
  (session) => session.redo(),
  (session) => session.takeTheirs(drawings.write(session.current().document), 1),
];

const onto = (session: DrawingSession, n: number, change: Change) =>
  ontoSheet(change, session.current().document, one(session.current().document.sheets.keys(), n)!);

/** A piece of a drawing with two sheets, in which a line hangs on a row. */
function elsewhere(n: number) {
  const session = sessionOf(emptyDrawing);
  const { change, id } = addSheet(emptyDrawing, newId);
  session.do(change);
  const box = addShape(session.current().document, 'rectangle', 0, 0, newId, `Boat ${n}`);
  session.do(ontoSheet(box.change, session.current().document, id));
  const shape = session.current().document.shapes.get(box.id)!;
  session.do(changeShape(session.current().document, shape, boxOfText(shape, `Boat ${n}\nPK hull`, newId)));
  const [row] = rowsOf(session.current().document.shapes.get(box.id)!);
  session.do(
    addLine(session.current().document, { kind: 'row', id: row!.id }, { kind: 'shape', id: box.id }, newId).change,
  );
  return copyOf(session.current().document, new Set([box.id]));
}

export const all = (drawing: Drawing): string[] => [
  ...[...drawing.shapes.values()].flatMap((shape) => [shape.id, ...rowsOf(shape).map((row) => row.id)]),
  ...[...drawing.lines.keys()].flatMap((id) => [id, `${id}/from`]),
];
const one = <T>(things: Iterable<T>, n: number): T | undefined => {
  const list = [...things];
  return list[n % Math.max(1, list.length)];
};
const some = (ids: readonly string[], n: number) => ids.filter((_, i) => (i * 7 + n) % 3 === 0);

function placeOf(drawing: Drawing, n: number): Attachment | null {
  const element = one(all(drawing), n);
  if (!element) return null;
  if (drawing.shapes.has(element)) return { kind: 'shape', id: element };
  if (drawing.lines.has(element)) return { kind: 'line', id: element };
  return element.includes('/') ? { kind: 'end', id: element } : { kind: 'row', id: element };
}

export const texts = fc.oneof(
  fc.constantFrom('Booth', 'sky pass', 'tab\there', 'bell\u0007', 'half \ud83d', 'שלום', 'x'.repeat(230)),
  fc.string({ maxLength: 12, unit: 'binary' }),
);

/** What somebody did, one deed after the other. */
export type Played = readonly (readonly [number, number, string])[];

/** Does all of it, on an empty slate. */
export function play(done: Played, each?: (drawing: Drawing) => void): DrawingSession {
  const session = sessionOf(emptyDrawing);
  for (const [deed, n, text] of done) {
    const change = deeds[deed]!(session, n, text);
    if (change) session.do(change as Change);
    each?.(session.current().document);
  }
  return session;
}
