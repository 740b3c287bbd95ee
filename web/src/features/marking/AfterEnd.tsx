import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { artefactOf } from '../../artefacts/registry';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { moment } from '../../ui/time';

const { Still } = artefactOf();

interface AfterEndProps {
  answer: Schemas['MarkingReply'];
  onReply: (reply: Schemas['MarkingReply']) => void;
}

/** What was drawn without a connection and came after the end: a person says whether it counts. */
export function AfterEnd({ answer, onReply }: AfterEndProps) {
  const [open, setOpen] = useState(false);
  if (answer.afterEnd.length === 0) return null;
  return (
    <p className="refusal mb-3">
      {answer.afterEnd.length === 1 ? 'A drawing' : `${answer.afterEnd.length} drawings`} came after the end, and{' '}
      {answer.afterEnd.length === 1 ? 'does' : 'do'} not count.{' '}
      <button className="word-button" onClick={() => setOpen(true)}>
        look at {answer.afterEnd.length === 1 ? 'it' : 'them'}
      </button>
      {open && <Look answer={answer} onReply={onReply} onClose={() => setOpen(false)} />}
    </p>
  );
}

function Look({ answer, onReply, onClose }: AfterEndProps & { onClose: () => void }) {
  const [at, setAt] = useState(0);
  const [reason, setReason] = useState('');
  const shown = answer.afterEnd[at]!;
  const take = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/marking/work/{id}/after-end', {
          params: { path: { id: answer.id } },
          body: { state: shown.id, reason },
        }),
      ),
    onSuccess: (reply) => {
      onClose();
      onReply(reply);
    },
  });
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Came after the end"
      actions={
        answer.mayAccept && answer.state !== 'released' ? (
          <button
            className="press-button"
            disabled={take.isPending || reason.trim() === ''}
            onClick={() => take.mutate()}
          >
            {take.isPending ? 'checking it …' : 'Take it instead'}
          </button>
        ) : undefined
      }
    >
      <div className="earlier">
        <div className="overflow-auto">
          {answer.afterEnd.length > 1 && (
            <ul>
              {answer.afterEnd.map((state, index) => (
                <li key={state.id}>
                  <button className="word-button" aria-pressed={index === at} onClick={() => setAt(index)}>
                    {moment(state.at)}
                  </button>
                </li>
              ))}
            </ul>
          )}
          <p>It reached the server {moment(shown.at)}, after what was handed in.</p>
          <p className="mt-3">
            Taken, it is checked in its place, which is kept as an earlier state, and the answer is late. Left alone,
            nothing changes; “gone through” says that you have seen it.
          </p>
          {answer.mayAccept && answer.state !== 'released' && (
            <label className="field mt-3">
              <span>Why it is taken</span>
              <input maxLength={500} value={reason} onChange={({ target }) => setReason(target.value)} />
            </label>
          )}
        </div>
        <Still key={shown.id} document={shown.drawing} label="What came after the end" />
      </div>
      {take.isError && <p className="refusal mt-2">{messageOf(take.error)}</p>}
    </Sheet>
  );
}
