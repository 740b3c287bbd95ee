import { useState, useSyncExternalStore } from 'react';
import type { Schemas } from '../../api/client';
import { portsOf } from '../../keeping/saving';
import { useKeeping, type Opened } from '../../keeping/useKeeping';
import type { AnySession, SessionView } from '../../keeping/session';
import { type DrawingSession, drawingSession } from '../../slate/drawings';
import { usePerson } from '../session/useSession';

/** A session of the work on each part of an answer; all of them go on while one is shown. */
export function useWorkSessions(answer: Schemas['AnswerReply']): readonly DrawingSession[] {
  const [sessions] = useState(() =>
    answer.works.map((work) => {
      const made = drawingSession(work.drawing, work.revision, portsOf('work', work.id));
      if (answer.handedInAt || work.closed) made.close();
      return made;
    }),
  );
  return sessions;
}

/** Takes up what this browser kept of a drawing, keeps it further, and sends it when the page is hidden or left. */
export function Keep({ session, ...opened }: { session: AnySession } & Omit<Opened, 'account'>) {
  useKeeping(session, { ...opened, account: usePerson().id });
  return null;
}

const urgency = ['clean', 'closed', 'dirty', 'sending', 'offline', 'conflict', 'signed-out'] as const;

/** A part that was closed on purpose is no news beside the others; one that the server closed is. */
const rankOf = ({ state, reason }: SessionView) => (state === 'closed' && !reason ? -1 : urgency.indexOf(state));

const describe = ({ state, unsaved, reason }: SessionView) => `${state} ${unsaved} ${reason ?? ''}`;

/** Of several sessions, the one that stands worst, so that "saved" means all of them. */
export function useWorst(sessions: readonly AnySession[]): { readonly at: number; readonly view: SessionView } {
  useSyncExternalStore(
    (observer) => {
      const stops = sessions.map((session) => session.subscribe(observer));
      return () => stops.forEach((stop) => stop());
    },
    () => sessions.map((session) => describe(session.current())).join(' '),
  );
  const ranks = sessions.map((session) => rankOf(session.current()));
  const at = ranks.indexOf(Math.max(...ranks));
  return { at, view: sessions[at]!.current() };
}
