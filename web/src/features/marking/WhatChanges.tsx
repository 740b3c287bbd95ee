import { useEffect, useRef } from 'react';
import type { Schemas } from '../../api/client';
import { ChangeList } from './ChangeList';

interface WhatChangesProps {
  answers: readonly Schemas['AlikeAnswer'][];
  total: (answer: Schemas['AlikeAnswer']) => string | null;
  busy: boolean;
  onConfirm: () => void;
  onLeave: () => void;
}

/** Whose marks change, and by how much, before it is confirmed. */
export function WhatChanges({ answers, total, busy, onConfirm, onLeave }: WhatChangesProps) {
  // What one has still to mark blind is decided on too, and not told.
  const changing = answers.flatMap((answer) => {
    const [before, after] = [answer.now, total(answer)];
    return before === null || after === null || before === after
      ? []
      : [{ id: answer.id, code: answer.code, before, after }];
  });
  const blind = answers.filter((answer) => answer.now === null).length;
  // It opens beneath the decision, where the margin may end; Enter confirms it.
  const group = useRef<HTMLDivElement>(null);
  const confirm = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    void group.current?.scrollIntoView({ block: 'nearest' });
    confirm.current?.focus({ preventScroll: true });
  }, []);
  return (
    <div
      ref={group}
      className="what-changes"
      role="group"
      aria-label="Whose marks change"
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onLeave();
        }
      }}
    >
      <p>{sentenceOf(changing.length, answers.length)}</p>
      <ChangeList changes={changing} />
      {blind > 0 && (
        <p className="text-[13.5px] text-quiet-ink">
          {blind === 1 ? 'One more is in your sample' : `${blind} more are in your sample`}: what changes there is told
          once you have marked {blind === 1 ? 'it' : 'them'}.
        </p>
      )}
      <p className="flex gap-4 mt-1">
        <button ref={confirm} className="word-button main" disabled={busy} onClick={onConfirm}>
          {answers.length === 1 ? 'decide so' : `decide for all ${answers.length}`} <kbd aria-hidden>Enter</kbd>
        </button>
        <button className="word-button" onClick={onLeave}>
          leave it <kbd aria-hidden>Esc</kbd>
        </button>
      </p>
    </div>
  );
}

function sentenceOf(changing: number, all: number): string {
  if (changing === 0) return all === 1 ? 'Its mark stays.' : `No mark of these ${all} answers changes.`;
  return all === 1 ? 'Its mark changes:' : `${changing} of ${all} marks change:`;
}
