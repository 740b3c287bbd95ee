import { useEffect, useState } from 'react';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { readDrawing, writeDrawing } from '../../slate/format';
import type { Drawing } from '../../slate/document';
import { layOut, placementOf } from '../../slate/scene';
import type { Kept } from '../../keeping/store';
import { useKeeping } from '../../keeping/useKeeping';
import { usePerson } from '../session/useSession';
import { DrawingSession, type SaveReply, type SessionPorts } from '../../slate/session';

/** The session of a student's drawing; takes up what this browser kept, and sends what is unsaved when the page is hidden. */
export function useAnswerSession(answer: Schemas['AnswerReply'], kept: Kept | null): DrawingSession {
  const [session] = useState(() => {
    const made = new DrawingSession(
      readDrawing(answer.drawing),
      answer.revision,
      portsOf((body) =>
        must(api.PUT('/api/study/answers/{id}/drawing', { params: { path: { id: answer.id } }, body })),
      ),
    );
    if (answer.handedInAt) made.close();
    return made;
  });
  useFlushOnHide(session);
  useKeeping(session, usePerson().id, answer.id, { kept, theirs: answer });
  return session;
}

/** Saves at once when the page is hidden, and holds the page back from closing while something is unsaved. */
export function useFlushOnHide(session: DrawingSession) {
  useEffect(() => {
    const onHide = () => document.visibilityState === 'hidden' && void session.flush();
    const onUnload = (event: BeforeUnloadEvent) =>
      session.current().unsaved > 0 && session.current().state !== 'closed' && event.preventDefault();
    document.addEventListener('visibilitychange', onHide);
    window.addEventListener('beforeunload', onUnload);
    return () => {
      document.removeEventListener('visibilitychange', onHide);
      window.removeEventListener('beforeunload', onUnload);
      void session.flush();
    };
  }, [session]);
}

type Send = (body: { revision: number; saveId: string; drawing: string }) => Promise<{ revision: number }>;

/** The ports of a session that saves by an endpoint. */
export const portsOf = (send: Send): SessionPorts => ({
  newSaveId: () => crypto.randomUUID(),
  later: (milliseconds, run) => {
    const timer = window.setTimeout(run, milliseconds);
    return () => window.clearTimeout(timer);
  },
  save: async (drawing: Drawing, revision: number, saveId: string): Promise<SaveReply> => {
    try {
      const reply = await send({ revision, saveId, drawing: writeDrawing(drawing, placementOf(layOut(drawing))) });
      return { kind: 'saved', revision: reply.revision };
    } catch (error) {
      return refusalOf(error);
    }
  },
});

function refusalOf(error: unknown): SaveReply {
  if (!isProblem(error) || error.status >= 500 || error.status === 429) return { kind: 'unreachable' };
  if (error.status === 401) return { kind: 'signed-out' };
  if (error.code === 'conflict') {
    const current = error.current as { revision: number; drawing?: string; text?: string };
    return { kind: 'conflict', revision: current.revision, drawing: current.drawing ?? current.text ?? '' };
  }
  if (error.status === 409) return { kind: 'closed', reason: error.detail };
  return { kind: 'refused', reason: error.detail };
}
