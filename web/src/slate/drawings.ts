import { emptyDrawing, type Drawing } from '../drawing/document';
import { readDrawing, writeDrawing } from '../drawing/format';
import { apply, invert, merge, stepsBetween, type Step } from '../drawing/steps';
import { tooMuch, whole } from '../drawing/whole';
import { layOut, placementOf } from '../geometry/scene';
import type { DocumentKind } from '../keeping/documents';
import { Session, type SessionPorts } from '../keeping/session';

/** Drawings, as a kind of document. */
export const drawings: DocumentKind<Drawing, Step> = {
  read: readDrawing,
  /** With the places and routes that it has on the slate. */
  write: (drawing) => writeDrawing(drawing, placementOf(layOut(drawing))),
  plain: (text) => {
    const drawing = readDrawing(text);
    return JSON.stringify(rooms.map((room) => [...drawing[room].values()]));
  },
  apply,
  invert,
  merge,
  stepsBetween,
  whole,
  tooMuch,
};

const rooms = Object.keys(emptyDrawing) as (keyof Drawing)[];

/** A drawing while it is edited. */
export type DrawingSession = Session<Drawing, Step>;

/** A session of a drawing that the server has at a revision. */
export const drawingSession = (drawing: Drawing | string, revision: number, ports: SessionPorts): DrawingSession =>
  new Session(drawings, typeof drawing === 'string' ? readDrawing(drawing) : drawing, revision, ports);

/** A session that only shows: nothing is changed in it and nothing is sent. */
export function closedSession(drawing: Drawing | string): DrawingSession {
  const session = drawingSession(drawing, 0, {
    newSaveId: () => '',
    later: () => () => undefined,
    save: () => Promise.resolve({ kind: 'closed', reason: '' }),
  });
  session.close();
  return session;
}
