import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { Tick } from '../../ui/Field';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

interface CorrectWordingProps {
  exercise: Schemas['ExerciseReply'];
  onCorrected: () => Promise<void>;
}

/** Corrects the wording of an exercise that is published: everybody is told at once, and what the old one allowed can be accepted too. */
export function CorrectWording({ exercise, onCorrected }: CorrectWordingProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button className="word-button" onClick={() => setOpen(true)}>
        correct the wording …
      </button>
      {open && (
        <Correct
          exercise={exercise}
          onClose={() => setOpen(false)}
          onCorrected={async () => (setOpen(false), await onCorrected())}
        />
      )}
    </>
  );
}

const keyOf = ({ partId, accept }: Schemas['OldReading']) => `${partId} ${accept.fact} ${accept.value}`;

function Correct({ exercise, onClose, onCorrected }: CorrectWordingProps & { onClose: () => void }) {
  const path = { params: { path: { id: exercise.id } } };
  const [text, setText] = useState(exercise.scenario.text);
  const [why, setWhy] = useState('');
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const shown = useDeferredValue(text);
  const preview = useQuery({
    queryKey: ['wording', exercise.id, shown],
    queryFn: ({ signal }) =>
      must(api.POST('/api/exercises/{id}/wording/preview', { ...path, body: { text: shown }, signal })),
    placeholderData: (before) => before,
    gcTime: 0,
  });
  const readings = preview.data?.readings ?? [];
  const correct = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/exercises/{id}/wording', {
          ...path,
          body: {
            revision: exercise.scenario.revision,
            text,
            why,
            accept: readings
              .filter((reading) => !leftOut.has(keyOf(reading)))
              .map(({ partId, accept }) => ({ partId, ...accept })),
          },
        }),
      ),
    onSuccess: onCorrected,
  });
  const changed = text !== exercise.scenario.text;
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Correct the wording"
      actions={
        <button
          className="press-button"
          disabled={correct.isPending || !changed || why.trim() === ''}
          onClick={() => correct.mutate()}
        >
          {correct.isPending ? 'correcting …' : 'Correct it for everybody'}
        </button>
      }
    >
      <p>
        {preview.data ? reached(preview.data) : 'It reaches everybody at once.'} Each answer keeps the wording that it
        was begun with; whoever begins from now on has the new one.
      </p>
      <label className="field mt-3">
        <span>The scenario, in Markdown</span>
        <textarea
          className="font-read text-[15px]! leading-[23px] h-[260px]"
          value={text}
          maxLength={20_000}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <label className="field mt-3">
        <span>Why, told to everybody</span>
        <input maxLength={500} value={why} onChange={({ target }) => setWhy(target.value)} />
      </label>
      {changed && readings.length > 0 && (
        <section className="mt-4 space-y-1.5" aria-label="Readings of the old wording">
          <p className="text-quiet-ink">The old wording allowed another reading. Accepted too is what is ticked:</p>
          {readings.map((reading) => (
            <Tick key={keyOf(reading)} label={reading.said}>
              <input
                type="checkbox"
                checked={!leftOut.has(keyOf(reading))}
                onChange={({ target }) => {
                  const next = new Set(leftOut);
                  if (target.checked) next.delete(keyOf(reading));
                  else next.add(keyOf(reading));
                  setLeftOut(next);
                }}
              />
            </Tick>
          ))}
        </section>
      )}
      {(correct.error ?? preview.error) && (
        <p className="refusal mt-3" role="alert">
          {messageOf(correct.error ?? preview.error)}
        </p>
      )}
    </Sheet>
  );
}

function reached({ drawing, handedIn }: Schemas['CorrectionPreviewReply']) {
  const now =
    drawing === 0
      ? 'Nobody is drawing now'
      : `${counted(drawing, 'student is', 'students are')} drawing, and told at once`;
  return handedIn === 0 ? `${now}.` : `${now}; ${counted(handedIn, 'answer is', 'answers are')} handed in.`;
}
