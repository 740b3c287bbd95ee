import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { WithReason } from '../../ui/WithReason';

/** How often a page says that it has an answer open. */
const every = 10_000;

/** Several markers at one class: who is to go through this answer, who has, and who else has it open now. */
export function Together({ answer }: { answer: Schemas['MarkingReply'] }) {
  const { markers, me, marker, goneThroughBy, confirmed } = answer.shared;
  const here = useQuery({
    queryKey: ['here', answer.id],
    queryFn: () => must(api.POST('/api/marking/work/{id}/here', { params: { path: { id: answer.id } } })),
    enabled: markers.length > 1,
    refetchInterval: every,
    staleTime: 0,
  });
  if (markers.length < 2) return null;
  const nameOf = (id: string | null | undefined) =>
    id === me ? 'you' : (markers.find((one) => one.id === id)?.name ?? 'nobody');
  const others = here.data?.others ?? [];
  return (
    <>
      {others.length > 0 && (
        <p className="refusal mt-1 text-[14px]" role="status">
          {listed.format(others)} {others.length === 1 ? 'has' : 'have'} this answer open too.
        </p>
      )}
      {(marker || goneThroughBy) && (
        <p className="mt-1 text-[14px] text-quiet-ink">
          {goneThroughBy
            ? `gone through by ${nameOf(goneThroughBy)}${confirmed ? '' : ', to be confirmed'}`
            : `for ${nameOf(marker)} to go through`}
        </p>
      )}
      {!goneThroughBy && answer.state !== 'released' && marker === me && <PassOn answer={answer} />}
    </>
  );
}

/** Passes an answer on that one was given: one has an interest in it, or somebody else should see it. */
function PassOn({ answer }: { answer: Schemas['MarkingReply'] }) {
  const queries = useQueryClient();
  const [to, setTo] = useState('');
  const { markers, me } = answer.shared;
  return (
    <p className="mt-1 text-[14px]">
      <WithReason
        open="pass it on …"
        deed="pass it on"
        why="why; the record keeps it"
        more={
          <label>
            <span className="sr-only">To whom</span>
            <select value={to} onChange={({ target }) => setTo(target.value)}>
              <option value="">to whoever shares out</option>
              {markers
                .filter(({ id }) => id !== me)
                .map(({ id, name }) => (
                  <option key={id} value={id}>
                    to {name}
                  </option>
                ))}
            </select>
          </label>
        }
        onSay={async (reason) => {
          await must(
            api.POST('/api/marking/work/{id}/pass-on', {
              params: { path: { id: answer.id } },
              body: { reason, to: to === '' ? null : to },
            }),
          );
          await queries.invalidateQueries({ queryKey: ['marking', answer.id] });
          await queries.invalidateQueries({ queryKey: ['desk', answer.exerciseId] });
        }}
      />
    </p>
  );
}

const listed = new Intl.ListFormat('en');
