import { useEffect, useLayoutEffect, useRef } from 'react';
import type { AnySession } from './session';
import { holdUnsent } from './holding';
import { later } from './saving';
import { keep, keepAtOnce, keptOf, letGo, noPlace, type Kept, type Kind } from './store';

/** What this browser held of a document when it was opened; null too where the browser offers no place to hold anything. */
export const heldOf = (account: string, document: string): Promise<Kept | null> =>
  keptOf(account, document).catch(() => null);

/**
 * Gives a fresh session what the browser held and the server does not have. Where somebody else has saved since, a person
 * chooses; where the server turns out to have it after all, there is nothing to do.
 */
function takeUpKept(session: AnySession, kept: Kept | null, theirs: Opened['theirs']) {
  if (!kept) return;
  const { plain } = session;
  const there = plain(theirs.drawing);
  if (plain(kept.drawing) === there) return;
  const arrived = kept.sent !== null && kept.revision > 0 && plain(kept.sent) === there;
  session.takeUp(kept.drawing, arrived || kept.revision === theirs.revision ? null : theirs.drawing, kept.sent);
}

/** What a document was when it was opened: as the browser held it, if it did, and as the server sent it. */
export interface Opened {
  readonly account: string;
  readonly kind: Kind;
  readonly document: string;
  readonly title: string;
  readonly kept: Kept | null;
  readonly theirs: { readonly revision: number; readonly drawing: string };
}

/**
 * Takes up what the browser held when a document was opened; then holds its drawing from each first change until the server has
 * acknowledged it, and sends what is unsaved when the page is hidden or left.
 */
export function useKeeping(session: AnySession, opened: Opened) {
  const first = useRef<Opened | null>(opened);
  const { account, document: id, kind, title } = opened;
  useLayoutEffect(() => {
    if (first.current) takeUpKept(session, first.current.kept, first.current.theirs);
    first.current = null;
  }, [session]);
  useEffect(() => {
    const unsent = (): Kept => {
      const revision = session.current().state === 'conflict' ? 0 : session.acknowledged;
      const sent = session.unacknowledged;
      return { account, document: id, kind, title, revision, drawing: session.text(), sent, at: Date.now() };
    };
    const place = {
      hold: () => void keep(unsent()).catch(noPlace),
      holdAtOnce: () => keepAtOnce(unsent()),
      letGo: () => void letGo(account, id).catch(noPlace),
    };
    const holding = holdUnsent(session, place, later);
    const leave = session.attend();
    const onVisibility = () => {
      if (document.visibilityState !== 'hidden') return;
      holding.now();
      void session.flush();
    };
    const onUnload = (event: BeforeUnloadEvent) => {
      holding.now();
      const { state, unsaved } = session.current();
      if (unsaved > 0 && state !== 'closed') event.preventDefault();
    };
    window.addEventListener('pagehide', holding.now);
    window.addEventListener('beforeunload', onUnload);
    document.addEventListener('visibilitychange', onVisibility);
    return () => {
      window.removeEventListener('pagehide', holding.now);
      window.removeEventListener('beforeunload', onUnload);
      document.removeEventListener('visibilitychange', onVisibility);
      void holding.leave();
      leave();
    };
  }, [session, account, id, kind, title]);
}
