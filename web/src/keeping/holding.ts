import type { AnySession } from './session';

/** Where a drawing is held until the server has it. */
export interface Place {
  hold(): void;
  /** The same, done when it returns. */
  holdAtOnce(): void;
  letGo(): void;
}

/** What whoever holds a drawing is told from outside. */
export interface Holding {
  /** Takes what is being typed, and holds at once what has not arrived: the page may end. */
  now(): void;
  /** Sends what is unsaved for the last time; resolves when it is known whether it has arrived. */
  leave(): Promise<void>;
}

/**
 * Holds the drawing of a session from each first change until the server has acknowledged it. After leaving, nothing is written
 * any more but that a person has to choose: whoever sends what is held then must not find it back once it has arrived.
 */
export function holdUnsent(
  session: AnySession,
  place: Place,
  later: (milliseconds: number, run: () => void) => () => void,
): Holding {
  let waiting: (() => void) | null = null;
  let held = true;
  const callOff = () => {
    waiting?.();
    waiting = null;
  };
  const write = (how: () => void = place.hold) => {
    callOff();
    held = true;
    how();
  };
  const letGo = () => {
    callOff();
    if (held) place.letGo();
    held = false;
  };
  const follow = () => {
    if (isSettled(session)) letGo();
    else waiting ??= later(delay, () => write());
  };
  const stop = session.subscribe(follow);
  follow();
  return {
    now() {
      session.settle();
      if (!isSettled(session)) write(place.holdAtOnce);
    },
    async leave() {
      session.settle();
      if (waiting) write();
      stop();
      const state = await session.flush();
      if (isSettled(session)) letGo();
      else if (state === 'conflict') write();
    },
  };
}

/** Whether nothing of a session has still to reach the server. */
const isSettled = (session: AnySession) => ['clean', 'closed'].includes(session.current().state);

const delay = 250;
