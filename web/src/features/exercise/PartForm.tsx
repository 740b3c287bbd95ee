import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { show, valueOf } from '../../ui/marks';

type Part = Schemas['PartDocument'];

/** The parts of a document that are a yes or no. */
type Switch = { [K in keyof Part]-?: Part[K] extends boolean | undefined ? K : never }[keyof Part];

/** What a class may have learned about each notation. */
const learned: Readonly<Record<string, readonly (readonly [Switch, string])[]>> = {
  chen: [
    ['doubleLineSaysAll', 'a double line says that all take part'],
    ['underlinesAreOneKey', 'several underlined attributes are one key'],
  ],
  'crows-foot': [
    ['strokeSaysIdentifying', 'solid lines identify, dashed lines do not'],
    ['singleBarIsExactlyOne', 'a single bar means exactly one'],
  ],
  uml: [
    ['formal', 'types, visibilities and signatures are wanted'],
    ['strictCounts', 'multiplicities are spelled as the standard does'],
    ['unmarkedSetIsOpen', 'an unmarked generalisation is incomplete and overlapping'],
    ['aggregationCounts', 'aggregation is told apart from association'],
  ],
};

interface PartFormProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  editable: boolean;
  onSaved: () => void;
}

/** What is asked in a part: title, level, marks, time, aids, what is shown afterwards. */
export function PartForm({ exercise, part: saved, editable, onSaved }: PartFormProps) {
  const before = saved.part.value;
  const [title, setTitle] = useState(exercise.title);
  const [part, setPart] = useState<Part>(before);
  const [marks, setMarks] = useState(String(valueOf(before.marks ?? '40')));
  const several = exercise.parts.length > 1;
  const save = useMutation({
    mutationFn: async (value: Part) => {
      if (title !== exercise.title)
        await must(api.PUT('/api/exercises/{id}/title', { params: { path: { id: exercise.id } }, body: { title } }));
      await must(
        api.PUT('/api/parts/{id}', {
          params: { path: { id: saved.id } },
          body: { revision: saved.part.revision, value },
        }),
      );
    },
    onSuccess: onSaved,
  });
  const notation = part.notation ?? 'crows-foot';
  const set = (change: Partial<Part>) => setPart({ ...part, ...change });
  const changed =
    title !== exercise.title ||
    JSON.stringify({ ...part, marks }) !== JSON.stringify({ ...before, marks: String(valueOf(before.marks ?? '40')) });
  const check = (key: Switch, label: string) => (
    <label key={key} className="flex gap-2 items-start">
      <input
        type="checkbox"
        className="mt-1"
        checked={part[key] ?? false}
        onChange={(event) => set({ [key]: event.target.checked })}
      />{' '}
      {label}
    </label>
  );
  const aid = (key: 'sentences' | 'words' | 'tidyUp' | 'redraw' | 'lifting' | 'form', label: string) => (
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
          <span>{several ? 'Title of the exercise' : 'Title'}</span>
          <input value={title} maxLength={120} required onChange={(event) => setTitle(event.target.value)} />
        </label>
        {(several || part.title) && (
          <label className="field">
            <span>Title of this part</span>
            <input
              value={part.title ?? ''}
              maxLength={120}
              placeholder="What is to be done in it"
              onChange={(event) => set({ title: event.target.value })}
            />
          </label>
        )}
        <label className="field">
          <span>Notation</span>
          <select value={notation} onChange={(event) => set({ notation: event.target.value })}>
            <option value="chen">Chen, with extended ER</option>
            <option value="crows-foot">crow’s foot</option>
            <option value="uml">UML class diagram</option>
          </select>
        </label>
        {notation === 'crows-foot' && (
          <label className="field">
            <span>Level</span>
            <select value={part.level} onChange={(event) => set({ level: event.target.value as Part['level'] })}>
              <option value="conceptual">conceptual: no foreign keys</option>
              <option value="logical">logical: with foreign keys</option>
            </select>
          </label>
        )}
        {notation === 'chen' && (
          <label className="field">
            <span>At the lines of a diamond</span>
            <select
              value={part.counts === 'pairs' ? (part.pairsAcross ? 'across' : 'pairs') : 'letters'}
              onChange={(event) =>
                set({
                  counts: event.target.value === 'letters' ? 'letters' : 'pairs',
                  pairsAcross: event.target.value === 'across',
                })
              }
            >
              <option value="letters">letters for the most: 1, N, M</option>
              <option value="pairs">pairs: how often each takes part</option>
              <option value="across">pairs, written across</option>
            </select>
          </label>
        )}
        <div className="grid grid-cols-2 gap-3">
          <label className="field">
            <span>{several ? 'Marks for this part' : 'Marks in all'}</span>
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
          {(learned[notation] ?? []).map(([key, label]) => check(key, label))}
          {check('oneNameIsOneElement', 'one name on two sheets is one thing')}
        </div>
        <div className="space-y-1.5">
          <p className="text-quiet-ink">Aids while they draw</p>
          {aid('sentences', 'sentences say what the drawing says, and can be typed')}
          {aid('words', 'words beside the symbols of an end')}
          {aid('tidyUp', 'a drawing is tidied up by one key')}
          {aid('redraw', 'it can be seen in another notation')}
          {aid('form', 'what is wrong with the form of a drawing is told')}
          {aid('lifting', 'what boxes share is proposed for lifting')}
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
          <p className="text-quiet-ink">{show(before.marks ?? '0')} marks. What is asked no longer changes.</p>
        )}
      </fieldset>
    </form>
  );
}
