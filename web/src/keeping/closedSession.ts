import type { Drawing } from '../drawing/document';
import { readDrawing } from '../drawing/format';
import { DrawingSession } from './session';

/** A session that only shows: nothing is changed in it and nothing is sent. */
export function closedSession(drawing: Drawing | string): DrawingSession {
  const session = new DrawingSession(typeof drawing === 'string' ? readDrawing(drawing) : drawing, 0, {
    newSaveId: () => '',
    later: () => () => undefined,
    save: () => Promise.resolve({ kind: 'closed', reason: '' }),
  });
  session.close();
  return session;
}
