import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { show, valueOf } from '../../ui/marks';

type Part = Schemas['PartDocument'];

/** What is asked: title, level, marks, time, aids, what is shown afterwards. */
export function PartForm({
  exercise,
  editable,
  onSaved,
}: {
  exercise: Schemas['ExerciseReply'];
  editable: boolean;
  onSaved: () => void;
}) {
  const [title, setTitle] = useState(exercise.title);
  const [part, setPart] = useState<Part>(exercise.part.value);
  const [marks, setMarks] = useState(String(valueOf(exercise.part.value.marks ?? '40')));
  const save = useMutation({
    mutationFn: (value: Part) =>
      must(
        api.PUT('/api/exercises/{id}/part', {
          params: { path: { id: exercise.id } },
          body: { revision: exercise.part.revision, title, value },
        }),
      ),
    onSuccess: onSaved,
  });
  const set = (change: Partial<Part>) => setPart({ ...part, ...change });
  const changed =
    title !== exercise.title ||
    JSON.stringify({ ...part, marks }) !==
      JSON.stringify({ ...exercise.part.value, marks: String(valueOf(exercise.part.value.marks ?? '40')) });
  const check = (key: 'strokeSaysIdentifying' | 'singleBarIsExactlyOne' | 'showModelAnswer', label: string) => (
    <label className="flex gap-2 items-start">
      <input
        type="checkbox"
        className="mt-1"
        checked={part[key] ?? false}
        onChange={(event) => set({ [key]: event.target.checked })}
      />{' '}
      {label}
    </label>
  );
  const aid = (key: 'sentences' | 'words' | 'tidyUp', label: string) => (
    <label className="flex gap-2 items-start">
      <input
        type="checkbox"
        className="mt-1"
        checked={part.aids?.[key] ?? key === 'tidyUp'}
        onChange={(event) => set({ aids: { ...part.aids, [key]: event.target.checked } })}
      />{' '}
      {label}
    </label>
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ ...part, marks });
      }}
    >
      <fieldset disabled={!editable} className="space-y-3 text-[14px]">
        <label className="field">
          <span>Title</span>
          <input value={title} maxLength={120} required onChange={(event) => setTitle(event.target.value)} />
        </label>
        <label className="field">
          <span>Level of the crow’s foot diagram</span>
          <select value={part.level} onChange={(event) => set({ level: event.target.value as Part['level'] })}>
            <option value="conceptual">conceptual: no foreign keys</option>
            <option value="logical">logical: with foreign keys</option>
          </select>
        </label>
        <div className="grid grid-cols-2 gap-3">
          <label className="field">
            <span>Marks in all</span>
            <input
              inputMode="decimal"
              required
              pattern="[0-9]+([.][0-9]+)?"
              value={marks}
              onChange={(event) => setMarks(event.target.value)}
            />
          </label>
          <label className="field">
            <span>Minutes, or none</span>
            <input
              type="number"
              min={1}
              max={1440}
              value={part.minutes ?? ''}
              onChange={(event) => set({ minutes: event.target.value === '' ? null : Number(event.target.value) })}
            />
          </label>
        </div>
        <div className="space-y-1.5">
          <p className="text-quiet-ink">The class has learned</p>
          {check('strokeSaysIdentifying', 'solid lines identify, dashed lines do not')}
          {check('singleBarIsExactlyOne', 'a single bar means exactly one')}
        </div>
        <div className="space-y-1.5">
          <p className="text-quiet-ink">Aids while they draw</p>
          {aid('sentences', 'sentences say what the drawing says')}
          {aid('words', 'words beside the symbols of an end')}
          {aid('tidyUp', 'a drawing is tidied up by one key')}
        </div>
        {check('showModelAnswer', 'show the model answer with the marks')}
        {save.isError && (
          <p className="refusal" role="alert">
            {messageOf(save.error)}
          </p>
        )}
        {editable && (
          <button className="press-button" disabled={!changed || save.isPending}>
            {save.isPending ? 'saving …' : changed ? 'Save' : 'Saved'}
          </button>
        )}
        {!editable && (
          <p className="text-quiet-ink">
            {show(exercise.part.value.marks ?? '0')} marks. What is asked no longer changes.
          </p>
        )}
      </fieldset>
    </form>
  );
}
