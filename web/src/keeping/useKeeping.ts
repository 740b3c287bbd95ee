import { useEffect, useLayoutEffect, useRef } from 'react';
import type { Drawing } from '../slate/document';
import { readDrawing, writeDrawing } from '../slate/format';
import { layOut, placementOf } from '../slate/scene';
import type { DrawingSession } from '../slate/session';
import { keep, keptOf, letGo, type Kept } from './store';

/** What this browser held of a document when it was opened; null too where the browser offers no place to hold anything. */
export const heldOf = (account: string, document: string): Promise<Kept | null> =>
  keptOf(account, document).catch(() => null);

/**
 * Gives a fresh session what the browser held and the server does not have. Where somebody else has saved since, a person
 * chooses; where the server turns out to have it after all, there is nothing to do.
 */
function takeUpKept(session: DrawingSession, kept: Kept | null, theirs: { revision: number; drawing: string }) {
  if (!kept) return;
  const mine = readDrawing(kept.drawing);
  const there = plain(theirs.drawing);
  if (plain(kept.drawing) === there) return;
  const arrived = kept.sent !== null && kept.revision > 0 && plain(kept.sent) === there;
  session.takeUp(mine, arrived || kept.revision === theirs.revision ? null : theirs.drawing);
}

/** What a document was when it was opened: as the browser held it, if it did, and as the server sent it. */
export interface Opened {
  readonly kept: Kept | null;
  readonly theirs: { readonly revision: number; readonly drawing: string };
}

/**
 * Takes up what the browser held when a document was opened, and then holds its drawing from each first change until the
 * server has acknowledged it.
 */
export function useKeeping(session: DrawingSession, account: string, document: string, opened: Opened) {
  const first = useRef<Opened | null>(opened);
  useLayoutEffect(() => {
    if (first.current) takeUpKept(session, first.current.kept, first.current.theirs);
    first.current = null;
  }, [session]);
  useEffect(() => {
    let timer: number | undefined;
    let held = true;
    const write = () => {
      timer = undefined;
      const { drawing, state } = session.current();
      if (state === 'clean' || state === 'closed') return;
      held = true;
      const revision = state === 'conflict' ? 0 : session.acknowledged;
      const sent = session.unacknowledged && textOf(session.unacknowledged);
      keep({ account, document, revision, drawing: textOf(drawing), sent }).catch(noPlace);
    };
    const onChange = () => {
      const { state } = session.current();
      if (state === 'clean' || state === 'closed') {
        window.clearTimeout(timer);
        timer = undefined;
        if (held) letGo(account, document).catch(noPlace);
        held = false;
      } else timer ??= window.setTimeout(write, delay);
    };
    const onHide = () => {
      if (timer === undefined) return;
      window.clearTimeout(timer);
      write();
    };
    const stop = session.subscribe(onChange);
    window.addEventListener('pagehide', onHide);
    onChange();
    return () => {
      stop();
      window.removeEventListener('pagehide', onHide);
      onHide();
    };
  }, [session, account, document]);
}

const delay = 250;

const textOf = (drawing: Drawing) => writeDrawing(drawing, placementOf(layOut(drawing)));

// A browser without a place to hold things, in private mode say, draws all the same: the server is then the only keeper.
const noPlace = () => undefined;

/** A document as far as it says something: written the same way whoever wrote it. */
function plain(text: string): string {
  const drawing = readDrawing(text);
  return JSON.stringify([[...drawing.shapes.values()], [...drawing.lines.values()], [...drawing.ties.values()]]);
}
