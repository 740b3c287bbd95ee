import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { marksOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { ThenAndNow } from '../../ui/ThenAndNow';
import { messageOf } from '../../ui/states';

/** The exercise as it is written, tried on answers that a class drew before: what they would earn, and what for not. */
export function EarlierAnswers({ part, ready }: { part: string; ready: () => Promise<void> }) {
  const [open, setOpen] = useState(false);
  const classes = useQuery({
    queryKey: ['earlier', part],
    queryFn: () => must(api.GET('/api/parts/{id}/earlier', { params: { path: { id: part } } })),
  });
  const found = classes.data?.classes ?? [];
  if (found.length === 0) return null;
  return (
    <p className="mt-4">
      <button className="word-button" onClick={() => setOpen(true)}>
        try it on answers of before …
      </button>
      {open && <Try part={part} classes={found} ready={ready} onClose={() => setOpen(false)} />}
    </p>
  );
}

interface TryProps {
  part: string;
  classes: readonly Schemas['EarlierAnswersOf'][];
  ready: () => Promise<void>;
  onClose: () => void;
}

function Try({ part, classes, ready, onClose }: TryProps) {
  const [other, setOther] = useState(classes[0]!.partId);
  const hold = useMutation({
    mutationFn: async () => {
      await ready();
      return must(api.POST('/api/parts/{id}/earlier', { params: { path: { id: part } }, body: { other } }));
    },
  });
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Answers of before"
      actions={
        <button className="press-button" disabled={hold.isPending} onClick={() => hold.mutate()}>
          {hold.isPending ? 'judging them …' : 'Hold them against it'}
        </button>
      }
    >
      <p>
        Answers that a class drew before are held against the model answer and the scheme as they are written now.
        Nothing is kept, and no mark of theirs changes.
      </p>
      <label className="field mt-3 max-w-[460px]">
        <span>Whose answers</span>
        <select
          value={other}
          onChange={({ target }) => {
            setOther(target.value);
            hold.reset();
          }}
        >
          {classes.map((one) => (
            <option key={one.partId} value={one.partId}>
              {one.exercise}, {one.cohort}: {counted(one.answers, 'answer', 'answers')}
            </option>
          ))}
        </select>
      </label>
      {hold.isError && (
        <p className="refusal mt-3" role="alert">
          {messageOf(hold.error)}
        </p>
      )}
      {hold.data && <Outcome reply={hold.data} />}
    </Sheet>
  );
}

function Outcome({ reply }: { reply: Schemas['EarlierTryReply'] }) {
  const { answers, differences, maximum, wasMaximum } = reply;
  return (
    <div className="earlier-tried" role="status">
      <section aria-label="What they lose marks for">
        <h2>What they lose marks for</h2>
        {differences.length === 0 && <p>Nothing: all of them earn all marks.</p>}
        <ul>
          {differences.map((one) => (
            <li key={one.headline}>
              <strong>{one.answers}</strong> {one.headline}{' '}
              <span className="text-quiet-ink">
                {marksOf(one.loss)}
                {one.answers > 1 && ' together'}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="What they earn">
        <h2>What they earn</h2>
        <ThenAndNow answers={answers} wasMaximum={wasMaximum} maximum={maximum} />
      </section>
    </div>
  );
}
