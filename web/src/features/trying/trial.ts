import { emptyDrawing } from '../../drawing/document';
import { drawingSession, type DrawingSession } from '../../slate/drawings';
import { later } from '../../keeping/saving';

/** A part that somebody tries on themselves: when it was begun, and what is drawn. It lives in this browser alone. */
export interface Trial {
  readonly startedAt: number;
  readonly drawing: string | null;
}

const place = (account: string, part: string) => `blue-slate trial ${account} ${part}`;

/** The trial of a part that was begun here; null when there is none, or the browser offers no place to hold it. */
export function trialOf(account: string, part: string): Trial | null {
  try {
    const held = localStorage.getItem(place(account, part));
    return held === null ? null : (JSON.parse(held) as Trial);
  } catch {
    return null;
  }
}

/** Holds a trial, or lets go of it; whether the browser offers a place for it. */
export function holdTrial(account: string, part: string, trial: Trial | null): boolean {
  try {
    if (trial === null) localStorage.removeItem(place(account, part));
    else localStorage.setItem(place(account, part), JSON.stringify(trial));
    return true;
  } catch {
    return false;
  }
}

/** A session whose drawing is held in this browser instead of being sent; it begins with what is given. */
export function trialSession(
  account: string,
  part: string,
  { startedAt, drawing }: Trial,
  given: string | null,
): DrawingSession {
  let revision = 1;
  return drawingSession(drawing ?? given ?? emptyDrawing, revision, {
    newSaveId: () => '',
    later,
    save: (text) =>
      Promise.resolve(
        holdTrial(account, part, { startedAt, drawing: text })
          ? { kind: 'saved', revision: ++revision }
          : { kind: 'refused', reason: 'this browser offers no place to keep it' },
      ),
  });
}
