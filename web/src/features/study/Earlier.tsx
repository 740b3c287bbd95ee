import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { artefactOf } from '../../artefacts/registry';
import type { AnySession } from '../../keeping/session';
import { Sheet } from '../../ui/Sheet';
import { Failed, Loading } from '../../ui/states';
import { moment } from '../../ui/time';

const { Still } = artefactOf();

const reasons: Readonly<Record<Schemas['CheckpointReason'], string>> = {
  opened: 'as it was opened',
  periodic: 'on the way',
  'handed-in': 'as handed in',
  'lost-conflict': 'set aside when another one was chosen',
  'too-late': 'came after the end',
  replaced: 'as handed in, before what came after the end was taken',
};

/** The earlier states of a drawing, and what was set aside: each can be looked at and taken up as one step. */
export function Earlier({ work, session, onClose }: { work: string; session: AnySession; onClose: () => void }) {
  const states = useQuery({
    queryKey: ['earlier', work],
    queryFn: () => must(api.GET('/api/study/work/{id}/earlier', { params: { path: { id: work } } })),
    staleTime: 0,
    gcTime: 0,
  });
  const [at, setAt] = useState(0);
  const shown = states.data?.[at];
  const take = () => {
    if (!shown) return;
    session.takeUp(shown.drawing, null);
    onClose();
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Earlier states of this drawing"
      actions={
        shown && (
          <button className="press-button" onClick={take}>
            Go on from this one
          </button>
        )
      }
    >
      {states.isPending && <Loading what="the earlier states" />}
      {states.isError && <Failed error={states.error} />}
      {states.data?.length === 0 && <p>Nothing is kept yet.</p>}
      {shown && (
        <div className="earlier">
          <ul>
            {states.data?.map((state, index) => (
              <li key={state.id}>
                <button className="word-button" aria-pressed={index === at} onClick={() => setAt(index)}>
                  {moment(state.at)}
                </button>
                <span className="text-quiet-ink text-[13px]"> {reasons[state.reason]}</span>
              </li>
            ))}
          </ul>
          <Still key={shown.id} document={shown.drawing} label="An earlier state" />
        </div>
      )}
    </Sheet>
  );
}
