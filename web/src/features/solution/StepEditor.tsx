import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { apart, joined, moved, reworded } from './editSteps';

type Step = Schemas['PartStepReply'];

interface StepEditorProps {
  steps: readonly Step[];
  /** The step that is shown, from 0. */
  at: number;
  asProposed: boolean;
  saving: boolean;
  refusal: string | null;
  /** Saves the steps, and shows then the one at a place. */
  onChange: (steps: Schemas['StepDocument'][], at: number) => void;
  onDone: () => void;
}

/** Changes the step that is shown: its words, its place, what is drawn together. */
export function StepEditor({ steps, at, asProposed, saving, refusal, onChange, onDone }: StepEditorProps) {
  const step = steps[at]!;
  const [said, setSaid] = useState(step.said);
  const [why, setWhy] = useState(step.why);
  // Whatever is done next is done to what is written here now.
  const worded = reworded(steps, at, said, why)[at]!;
  const now = steps.map((one, i) =>
    i === at
      ? {
          ...one,
          ownSaid: worded.said ?? null,
          ownWhy: worded.why ?? null,
          said: worded.said ?? one.said,
          why: worded.why ?? one.why,
        }
      : one,
  );
  const keep = () => {
    if (said !== step.said || why !== step.why) onChange(reworded(steps, at, said, why), at);
  };
  const leave = (event: React.FocusEvent) => {
    if (!event.currentTarget.contains(event.relatedTarget)) keep();
  };
  return (
    <div className="step-editor" onBlur={leave}>
      <label className="field">
        <span>What is drawn; empty for what is proposed</span>
        <textarea rows={2} maxLength={600} value={said} onChange={(event) => setSaid(event.target.value)} />
      </label>
      <label className="field">
        <span>Why</span>
        <textarea rows={2} maxLength={600} value={why} onChange={(event) => setWhy(event.target.value)} />
      </label>
      <p className="deeds">
        <button className="word-button" disabled={at === 0} onClick={() => onChange(moved(now, at, -1), at - 1)}>
          earlier
        </button>
        <button
          className="word-button"
          disabled={at === steps.length - 1}
          onClick={() => onChange(moved(now, at, 1), at + 1)}
        >
          later
        </button>
        <button className="word-button" disabled={at === 0} onClick={() => onChange(joined(now, at), at - 1)}>
          together with the one before
        </button>
        <button className="word-button" disabled={step.pieces.length < 2} onClick={() => onChange(apart(now, at), at)}>
          take apart
        </button>
        <button className="word-button" disabled={asProposed} onClick={() => onChange([], 0)}>
          all as proposed
        </button>
        <button className="word-button strong" onClick={() => (keep(), onDone())}>
          done
        </button>
        <span role="status">{saving ? 'saving …' : refusal ? '' : asProposed ? 'as proposed' : 'saved'}</span>
      </p>
      {refusal && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
    </div>
  );
}
