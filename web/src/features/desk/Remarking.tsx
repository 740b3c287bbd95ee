import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { show, valueOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

type Proposal = Schemas['MarkProposal'];

const goesDown = (proposal: Proposal) => valueOf(proposal.after) < valueOf(proposal.before);

/** Released marks that would be others now: nothing of it happens until a person takes it. */
export function Remarking({ exercise }: { exercise: string }) {
  const path = { params: { path: { id: exercise } } };
  const remarking = useQuery({
    queryKey: ['remarking', exercise],
    queryFn: () => must(api.GET('/api/marking/exercises/{id}/remarking', path)),
    staleTime: 0,
  });
  const [open, setOpen] = useState(false);
  const proposals = remarking.data?.proposals ?? [];
  if (remarking.isError) return <p className="refusal">{messageOf(remarking.error)}</p>;
  if (proposals.length === 0) return null;
  return (
    <>
      <p className="mt-6">
        <strong>{proposals.length}</strong> released {proposals.length === 1 ? 'mark' : 'marks'} would be different now.{' '}
        <button className="word-button" onClick={() => setOpen(true)}>
          look at the {proposals.length === 1 ? 'change' : 'changes'}
        </button>
      </p>
      {open && <Changes exercise={exercise} proposals={proposals} onClose={() => setOpen(false)} />}
    </>
  );
}

interface ChangesProps {
  exercise: string;
  proposals: readonly Proposal[];
  onClose: () => void;
}

function Changes({ exercise, proposals, onClose }: ChangesProps) {
  const queries = useQueryClient();
  // Marks go up unless somebody says no, and down only when somebody says so.
  const [chosen, setChosen] = useState(() => new Set(proposals.filter((one) => !goesDown(one)).map(({ id }) => id)));
  const [reason, setReason] = useState('');
  const down = proposals.some((one) => chosen.has(one.id) && goesDown(one));
  const take = useMutation({
    mutationFn: () =>
      must(
        api.POST('/api/marking/exercises/{id}/remarking', {
          params: { path: { id: exercise } },
          body: { works: [...chosen], reason },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
  });
  const toggle = (id: string) =>
    setChosen((before) => new Set(before.has(id) ? [...before].filter((other) => other !== id) : [...before, id]));
  return (
    <Sheet
      open
      onClose={onClose}
      title="Change released marks?"
      actions={
        <button
          className="press-button"
          disabled={chosen.size === 0 || (down && reason.trim() === '') || take.isPending}
          onClick={() => take.mutate()}
        >
          {take.isPending ? 'changing …' : `Change ${chosen.size}`}
        </button>
      }
    >
      <p>
        What was decided since the release gives other totals. The students concerned are told of the change; their
        sheets as they were are kept.
      </p>
      <ul className="changes mt-3" tabIndex={0} aria-label="Marks that would change">
        {proposals.map((one) => (
          <li key={one.id}>
            <label className="inline-flex gap-2 items-center">
              <input type="checkbox" checked={chosen.has(one.id)} onChange={() => toggle(one.id)} />
              <span>{one.code}</span> {show(one.before)} → <strong>{show(one.after)}</strong>
              {goesDown(one) && <em className="not-italic text-quiet-ink">goes down</em>}
            </label>{' '}
            <Link className="word-button" to={`/marking/${one.id}`} aria-label={`look at ${one.code}`}>
              look
            </Link>
          </li>
        ))}
      </ul>
      <label className="field mt-4">
        <span>Why, for the students{down ? ' (wanted where a mark goes down)' : ''}</span>
        <textarea rows={2} maxLength={1000} value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      {take.isError && (
        <p className="refusal" role="alert">
          {messageOf(take.error)}
        </p>
      )}
    </Sheet>
  );
}
