import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { WithReason } from '../../ui/WithReason';

interface HoldBackProps {
  desk: Schemas['DeskReply'];
  chosen: readonly Schemas['DeskAnswer'][];
  onDone: () => void;
}

/** Holds chosen answers back when the others are released, for a reason that their students read; or no longer. */
export function HoldBack({ desk, chosen, onDone }: HoldBackProps) {
  const queries = useQueryClient();
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
      <WithReason
        open="hold back …"
        deed="hold back"
        why="why, for the students to read"
        onSay={(reason) => withhold.mutateAsync({ answers: unreleased.map(({ id }) => id), reason })}
      />
      {held.length > 0 && (
        <button
          className="word-button"
          disabled={withhold.isPending}
          onClick={() => withhold.mutate({ answers: held.map(({ id }) => id), reason: null })}
        >
          hold back no longer
        </button>
      )}
      {withhold.isError && withhold.variables.reason === null && (
        <span className="refusal">{messageOf(withhold.error)}</span>
      )}
    </>
  );
}
