import { useState } from 'react';
import type { Schemas } from '../../api/client';

type Decision = Schemas['Decision'];

interface DecisionRowProps {
  ruling: Schemas['RulingReply'] | null;
  locked: boolean;
  busy: boolean;
  onRule: (decision: Decision, comment: string) => void;
  onTakeBack: () => void;
}

const choices: readonly (readonly [Decision, string])[] = [
  ['allow', 'allow'],
  ['allow-in-part', 'in part'],
  ['keep-loss', 'keep the loss'],
];

/** The decision on a note: one choice, with a comment for the student. */
export function DecisionRow({ ruling, locked, busy, onRule, onTakeBack }: DecisionRowProps) {
  const [comment, setComment] = useState(ruling?.comment ?? '');
  if (locked) return ruling?.comment ? <p className="mt-2 font-read italic">{ruling.comment}</p> : null;
  return (
    <>
      <div className="decisions" role="radiogroup" aria-label="Decision">
        {choices.map(([decision, word]) => (
          <button
            key={decision}
            role="radio"
            aria-checked={ruling?.decision === decision}
            disabled={busy}
            onClick={() => onRule(decision, comment)}
          >
            {word}
            {ruling?.decision === decision && ' ✓'}
          </button>
        ))}
        {ruling && (
          <button className="word-button" disabled={busy} onClick={onTakeBack}>
            take back
          </button>
        )}
      </div>
      <input
        className="plain-input mt-2"
        maxLength={1000}
        placeholder="comment for the student"
        aria-label="Comment for the student"
        value={comment}
        onChange={(event) => setComment(event.target.value)}
        onBlur={() => ruling && comment !== ruling.comment && onRule(ruling.decision, comment)}
      />
    </>
  );
}
