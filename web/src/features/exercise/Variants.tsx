import { useState } from 'react';
import { closedSession } from '../../slate/drawings';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { Sheet } from '../../ui/Sheet';
import type { Assessment } from './useAssessment';

interface VariantsProps {
  assessment: Assessment;
  editable: boolean;
  /** What is on the slate, where it can be kept as another model answer. */
  onSlate?: () => string;
}

/** Further model answers, of another structure, that are as right. */
export function Variants({ assessment, editable, onSlate }: VariantsProps) {
  const variants = assessment.value.variants ?? [];
  const [shown, setShown] = useState<number | null>(null);
  const [title, setTitle] = useState('');
  const change = (next: typeof variants) => assessment.change({ ...assessment.value, variants: next });
  return (
    <section aria-label="Further model answers">
      <h2 className="mt-7 mb-1">Further model answers</h2>
      <p className="text-[14px] text-quiet-ink">
        For another structure that is as right.{' '}
        {onSlate && 'Draw it, keep it here, and undo back to the model answer; or '}
        {onSlate ? 'take' : 'Take'} the drawing of an answer when you mark it.
      </p>
      <ul className="text-[14px]">
        {variants.map((variant, at) => (
          <li key={at} className="py-1 border-t border-hairline flex gap-3 items-baseline">
            <span className="grow">{variant.title}</span>
            <button className="word-button" onClick={() => setShown(at)}>
              look
            </button>
            {editable && (
              <button className="word-button" onClick={() => change(variants.filter((_, other) => other !== at))}>
                forget it
              </button>
            )}
          </li>
        ))}
      </ul>
      {editable && onSlate && (
        <>
          <label className="field mt-2">
            <span>What it does otherwise</span>
            <input value={title} maxLength={60} onChange={(event) => setTitle(event.target.value)} />
          </label>
          <button
            className="word-button"
            disabled={title.trim() === ''}
            onClick={() => {
              change([...variants, { title: title.trim(), drawing: onSlate() }]);
              setTitle('');
            }}
          >
            keep what is on the slate
          </button>
        </>
      )}
      {shown !== null && variants[shown] && (
        <Sheet open wide onClose={() => setShown(null)} title={variants[shown].title}>
          <Picture drawing={variants[shown].drawing} />
        </Sheet>
      )}
    </section>
  );
}

function Picture({ drawing }: { drawing: string }) {
  const [session] = useState(() => closedSession(drawing));
  const slate = useSlate(session, false);
  return (
    <div className="variant-picture">
      <SlateSurface
        slate={slate}
        label="The further model answer"
        lit={new Set()}
        onHover={() => undefined}
        words={false}
        empty="Nothing is drawn."
      />
    </div>
  );
}
