import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import type { Chosen } from '../../differences/ScriptWithNotes';
import { less, show, typedAmount } from '../../ui/marks';
import { messageOf } from '../../ui/states';

interface OwnNoteProps {
  answer: Schemas['MarkingReply'];
  /** What is chosen in the drawing. */
  chosen: Chosen;
  onReply: (reply: Schemas['MarkingReply']) => void;
}

/** A note of the marker's own: marks taken or given for what was not found, at a part of the drawing, in a line or in the total. */
export function OwnNote({ answer, chosen, onReply }: OwnNoteProps) {
  const [open, setOpen] = useState(false);
  return open ? (
    <Write answer={answer} chosen={chosen} onReply={onReply} onClose={() => setOpen(false)} />
  ) : (
    <p className="mt-3 text-[14px]">
      <button className="word-button" onClick={() => setOpen(true)}>
        a note of your own …
      </button>
    </p>
  );
}

function Write({ answer, chosen, onReply, onClose }: OwnNoteProps & { onClose: () => void }) {
  const [reason, setReason] = useState('');
  const [line, setLine] = useState('');
  const [gives, setGives] = useState(false);
  const [typed, setTyped] = useState('');
  const amount = typed.trim() === '' ? '0' : typedAmount(typed);
  const save = useMutation({
    mutationFn: (body: Schemas['AdjustmentRequest']) =>
      must(api.POST('/api/marking/work/{id}/adjustments', { params: { path: { id: answer.id } }, body })),
    onSuccess: (reply) => (onReply(reply), onClose()),
  });
  const write = (event: React.FormEvent) => {
    event.preventDefault();
    if (amount !== null)
      save.mutate({
        amount: gives ? amount : less('0', amount),
        reason,
        line: line || null,
        elements: [...chosen.elements],
      });
  };
  return (
    <form className="own-note" aria-label="A note of your own" onSubmit={write}>
      <p className="text-quiet-ink">
        {chosen.elements.length > 0 ? `At: ${chosen.said}.` : 'Press the part of the drawing that it is about.'}
      </p>
      <label className="field">
        <span>What the student reads</span>
        <textarea
          autoFocus
          required
          rows={3}
          maxLength={1000}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <label className="field">
        <span>Counts in</span>
        <select value={line} onChange={(event) => setLine(event.target.value)}>
          <option value="">the total</option>
          {answer.result.lines.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title} ({show(one.earned)} of {show(one.marks)})
            </option>
          ))}
        </select>
      </label>
      <div className="own-amount">
        <div className="reach" role="radiogroup" aria-label="Takes or gives">
          <button type="button" role="radio" aria-checked={!gives} onClick={() => setGives(false)}>
            takes
          </button>
          <button type="button" role="radio" aria-checked={gives} onClick={() => setGives(true)}>
            gives
          </button>
        </div>
        <label>
          <input
            className="plain-input"
            inputMode="decimal"
            maxLength={12}
            placeholder="0"
            aria-invalid={amount === null}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />{' '}
          marks
        </label>
      </div>
      {amount === null && <p className="refusal">An amount is wanted, such as ½, 0.75 or 2.</p>}
      {save.isError && (
        <p className="refusal" role="alert">
          {messageOf(save.error)}
        </p>
      )}
      <p className="flex gap-x-5 mt-2">
        <button className="word-button main" disabled={save.isPending || amount === null || reason.trim() === ''}>
          write it down
        </button>
        <button type="button" className="word-button" onClick={onClose}>
          leave it
        </button>
      </p>
    </form>
  );
}
