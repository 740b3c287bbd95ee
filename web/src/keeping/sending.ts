import type { AnySession, SessionView } from './session';
import { NotDone } from '../ui/notDone';

/** The truth about saving, in a few words. */
export function savedWords(view: SessionView): string {
  switch (view.state) {
    case 'clean':
      return 'saved';
    case 'dirty':
      return view.reason ? `not saved: ${view.reason}` : 'not yet saved';
    case 'sending':
      return 'saving …';
    case 'offline':
      return `the server is away; ${view.unsaved} ${view.unsaved === 1 ? 'change' : 'changes'} kept in this browser`;
    case 'conflict':
      return 'changed elsewhere';
    case 'signed-out':
      return 'signed out; kept in this browser';
    case 'closed':
      return view.reason ?? 'closed';
  }
}

/** Sends everything; throws a sentence where something does not reach the server. */
export async function sendAll(sessions: readonly AnySession[], otherwise: string) {
  for (const session of sessions) {
    const state = await session.flush();
    if (state !== 'clean' && state !== 'closed') throw new NotSent(savedWords(session.current()), otherwise);
  }
}

/** Something was to happen to what the server has, and it does not have all of it. */
export class NotSent extends NotDone {
  constructor(
    /** How it stands, in a few words. */
    readonly stands: string,
    otherwise: string,
  ) {
    super(`Not everything has reached the server: ${stands}. ${otherwise}`);
  }
}
