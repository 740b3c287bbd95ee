import { useMutation } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { isProblem } from '../../api/client';
import { later } from '../../keeping/saving';

interface Saves<T> {
  /** Saves with the same scope are sent one after the other. */
  readonly scope: string;
  readonly opened: { readonly revision: number; readonly value: T };
  /** Sends a value that started from a revision; gives back the revision that it has become. */
  readonly put: (revision: number, value: T) => Promise<number>;
  readonly onSaved: (revision: number, value: T) => void;
  /** How long a change waits for the next one, in milliseconds. */
  readonly delay?: number;
}

/** A document that is saved as one goes: shown at once, sent in order, each save on the revision of the one before. */
export function useSaved<T>({ scope, opened, put, onSaved, delay = 0 }: Saves<T>) {
  const [value, setValue] = useState(opened.value);
  const [waits, setWaits] = useState(false);
  const revision = useRef(opened.revision);
  const save = useMutation({
    scope: { id: scope },
    mutationFn: async (next: T) => {
      revision.current = await put(revision.current, next);
      onSaved(revision.current, next);
    },
  });
  const next = useRef<(() => void) | null>(null);
  const stop = useRef<(() => void) | null>(null);
  const sent = useRef<Promise<unknown>>(Promise.resolve());
  const sendNow = useCallback(() => {
    stop.current?.();
    next.current?.();
    next.current = null;
  }, []);
  const set = (wanted: T) => {
    setValue(wanted);
    setWaits(true);
    next.current = () => {
      setWaits(false);
      // What could not be sent is told as the error of the save.
      sent.current = save.mutateAsync(wanted).catch(() => undefined);
    };
    stop.current?.();
    if (delay === 0) sendNow();
    else stop.current = later(delay, sendNow);
  };
  // What still waits goes when one leaves.
  useEffect(() => sendNow, [sendNow]);
  const settled = useCallback(() => {
    sendNow();
    return sent.current;
  }, [sendNow]);
  const current =
    isProblem(save.error) && save.error.code === 'conflict'
      ? (save.error.current as { revision: number; text: string })
      : null;
  return {
    value,
    set,
    saving: waits || save.isPending,
    error: current ? null : save.error,
    /** Sends at once what waits, and ends when everything was sent or refused. */
    settled,
    /** Sends again what could not be sent. */
    again: () => save.mutate(value),
    /** What somebody else saved in the meantime, while it has not been decided what to go on with. */
    theirs: current ? (JSON.parse(current.text) as T) : null,
    /** Goes on from what somebody else saved: whatever is set next takes its place. */
    goOn: () => {
      if (current) revision.current = current.revision;
      save.reset();
    },
  };
}

export type Saved<T> = ReturnType<typeof useSaved<T>>;
