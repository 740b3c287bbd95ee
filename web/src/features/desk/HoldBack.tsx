import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';

interface HoldBackProps {
  desk: Schemas['DeskReply'];
  chosen: readonly Schemas['DeskAnswer'][];
  onDone: () => void;
}

/** Holds chosen answers back when the others are released, for a reason that their students read; or no longer. */
export function HoldBack({ desk, chosen, onDone }: HoldBackProps) {
  const queries = useQueryClient();
  const [reason, setReason] = useState<string | null>(null);
  const unreleased = chosen.filter(({ state }) => state !== 'released');
  const held = unreleased.filter(({ withheld }) => Boolean(withheld));
  const withhold = useMutation({
    mutationFn: (body: Schemas['WithholdRequest']) =>
      must(api.PUT('/api/marking/exercises/{id}/withheld', { params: { path: { id: desk.id } }, body })),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries({ queryKey: ['desk', desk.id] });
    },
  });
  if (unreleased.length === 0) return null;
  return (
    <>
      {' '}
      {reason === null ? (
        <button className="word-button" onClick={() => setReason('')}>
          hold back …
        </button>
      ) : (
        <form
          className="hold-back"
          onSubmit={(event) => {
            event.preventDefault();
            withhold.mutate({ answers: unreleased.map(({ id }) => id), reason });
          }}
        >
          <label>
            <span className="sr-only">Why, for the students to read</span>
            <input
              className="plain-input"
              autoFocus
              required
              maxLength={500}
              placeholder="why, for the students to read"
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              onKeyDown={(event) => event.key === 'Escape' && setReason(null)}
            />
          </label>
          <button className="word-button main" disabled={withhold.isPending || reason.trim() === ''}>
            hold back
          </button>
          <button type="button" className="word-button" onClick={() => setReason(null)}>
            leave it
          </button>
        </form>
      )}{' '}
      {held.length > 0 && reason === null && (
        <button
          className="word-button"
          disabled={withhold.isPending}
          onClick={() => withhold.mutate({ answers: held.map(({ id }) => id), reason: null })}
        >
          hold back no longer
        </button>
      )}
      {withhold.isError && <span className="refusal"> {messageOf(withhold.error)}</span>}
    </>
  );
}
