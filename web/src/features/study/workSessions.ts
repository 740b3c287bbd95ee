import { useEffect, useState, useSyncExternalStore } from 'react';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { readDrawing, writeDrawing } from '../../slate/format';
import type { Drawing } from '../../slate/document';
import { layOut, placementOf } from '../../slate/scene';
import type { Kept } from '../../keeping/store';
import { useKeeping } from '../../keeping/useKeeping';
import { usePerson } from '../session/useSession';
import { DrawingSession, type SaveReply, type SessionPorts, type SessionView } from '../../slate/session';

/** A session of the work on each part of an answer; all of them go on while one is shown. */
export function useWorkSessions(answer: Schemas['AnswerReply']): readonly DrawingSession[] {
  const [sessions] = useState(() =>
    answer.works.map((work) => {
      const made = new DrawingSession(
        readDrawing(work.drawing),
        work.revision,
        portsOf((body) => must(api.PUT('/api/study/work/{id}/drawing', { params: { path: { id: work.id } }, body }))),
      );
      if (answer.handedInAt) made.close();
      return made;
    }),
  );
  return sessions;
}

interface KeepProps {
  session: DrawingSession;
  /** Which drawing it is: the id of the work, or of the part whose model answer it is. */
  document: string;
  kept: Kept | null;
  theirs: { readonly revision: number; readonly drawing: string };
}

/** Takes up what this browser kept of a drawing, keeps it further, and sends what is unsaved when the page is hidden. */
export function Keep({ session, document, kept, theirs }: KeepProps) {
  useFlushOnHide(session);
  useKeeping(session, usePerson().id, document, { kept, theirs });
  return null;
}

const urgency = ['clean', 'closed', 'dirty', 'sending', 'offline', 'conflict', 'signed-out'] as const;

const describe = ({ state, unsaved, reason }: SessionView) => `${state} ${unsaved} ${reason ?? ''}`;

/** Of several sessions, the one that stands worst, so that "saved" means all of them. */
export function useWorst(sessions: readonly DrawingSession[]): { readonly at: number; readonly view: SessionView } {
  useSyncExternalStore(
    (observer) => {
      const stops = sessions.map((session) => session.subscribe(observer));
      return () => stops.forEach((stop) => stop());
    },
    () => sessions.map((session) => describe(session.current())).join(' '),
  );
  const ranks = sessions.map((session) => urgency.indexOf(session.current().state));
  const at = ranks.indexOf(Math.max(...ranks));
  return { at, view: sessions[at]!.current() };
}

/** Saves at once when the page is hidden, and holds the page back from closing while something is unsaved. */
function useFlushOnHide(session: DrawingSession) {
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
