import { useMutation } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { messageOf } from './states';

interface WithReasonProps {
  /** What opens the form. */
  open: string;
  /** The same in full, where the words beside it are not read out with it. */
  says?: string;
  /** What is done, on the button that does it. */
  deed: string;
  /** For whom the reason is, in the field while it is empty. */
  why: string;
  /** The reason that stands there at first. */
  before?: string;
  /** What else has to be said, and whether it is. */
  more?: ReactNode;
  ready?: boolean;
  onSay: (reason: string) => Promise<unknown>;
}

/** Something that is done with a reason: a word that unfolds into a field for it, and what went wrong if something did. */
export function WithReason({ open, says, deed, why, before = '', more, ready = true, onSay }: WithReasonProps) {
  const [reason, setReason] = useState<string | null>(null);
  const say = useMutation({ mutationFn: onSay, onSuccess: () => setReason(null) });
  const leave = () => (setReason(null), say.reset());
  if (reason === null)
    return (
      <button type="button" className="word-button" aria-label={says} onClick={() => setReason(before)}>
        {open}
      </button>
    );
  return (
    <form
      className="with-reason"
      onSubmit={(event) => {
        event.preventDefault();
        say.mutate(reason.trim());
      }}
      onKeyDown={(event) => event.key === 'Escape' && (event.stopPropagation(), leave())}
    >
      {more}
      <label>
        <span className="sr-only">{why}</span>
        <input
          className="plain-input"
          autoFocus
          required
          maxLength={500}
          placeholder={why}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <button className="word-button main" disabled={say.isPending || !ready || reason.trim() === ''}>
        {deed}
      </button>
      <button type="button" className="word-button" onClick={leave}>
        leave it
      </button>
      {say.isError && <span className="refusal">{messageOf(say.error)}</span>}
    </form>
  );
}
