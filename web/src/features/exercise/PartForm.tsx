import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { usual, type Learned, type NotationName } from '../../parts/learned';
import { show, valueOf } from '../../ui/marks';

type Part = Schemas['PartDocument'];

/** The options of a notation that are a yes or no. */
type Switch<Name extends NotationName> = {
  [K in keyof LearnedIn<Name>]-?: boolean extends LearnedIn<Name>[K] ? K : never;
}[keyof LearnedIn<Name>];
type LearnedIn<Name extends NotationName> = Extract<Learned, { notation: Name }>;

/** What a class may have learned about each notation. */
const switches: { readonly [Name in NotationName]: readonly (readonly [Switch<Name> & string, string])[] } = {
  chen: [
    ['doubleLineSaysAll', 'a double line says that all take part'],
    ['underlinesAreOneKey', 'several underlined attributes are one key'],
    ['oneNameIsOneElement', 'one name on two sheets is one thing'],
  ],
  'crows-foot': [
    ['strokeSaysIdentifying', 'solid lines identify, dashed lines do not'],
    ['singleBarIsExactlyOne', 'a single bar means exactly one'],
    ['oneNameIsOneElement', 'one name on two sheets is one thing'],
  ],
  uml: [
    ['formal', 'types, visibilities and signatures are wanted'],
    ['strictCounts', 'multiplicities are spelled as the standard does'],
    ['unmarkedSetIsOpen', 'an unmarked generalisation is incomplete and overlapping'],
    ['aggregationCounts', 'aggregation is told apart from association'],
    ['oneNameIsOneElement', 'one name on two sheets is one thing'],
  ],
};

/** A document as far as it says something: in whatever order, and whether or not it says what is as usual. */
const said = (value: unknown): string =>
  JSON.stringify(value, (_, one: unknown) =>
    typeof one === 'object' && one !== null && !Array.isArray(one)
      ? Object.fromEntries(
          Object.entries(one)
            .filter(([, inner]) => inner && !(Array.isArray(inner) && inner.length === 0))
            .sort(([a], [b]) => (a < b ? -1 : 1)),
        )
      : one,
  );

interface PartFormProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  editable: boolean;
  onSaved: () => void;
  /** Says whether something is changed and not saved. */
  onChanged: (changed: boolean) => void;
}

/** What is asked in a part: title, level, marks, time, aids, what is shown afterwards. */
export function PartForm({ exercise, part: saved, editable, onSaved, onChanged }: PartFormProps) {
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
  const learned = part.learned ?? usual['crows-foot'];
  const [kept, setKept] = useState<{ readonly [Name in NotationName]: Learned }>({
    ...usual,
    [learned.notation]: learned,
  });
  const set = (change: Partial<Part>) => setPart({ ...part, ...change });
  const learn = (change: Learned) => {
    setKept({ ...kept, [change.notation]: change });
    set({ learned: change });
  };
  const changed =
    title !== exercise.title ||
    said({ ...part, marks }) !== said({ ...before, marks: String(valueOf(before.marks ?? '40')) });
  useEffect(() => {
    onChanged(changed);
    return () => onChanged(false);
  }, [changed, onChanged]);
  const check = (key: string, label: string, checked: boolean, onChange: (checked: boolean) => void) => (
    <label key={key} className="flex gap-2 items-start">
      <input
        type="checkbox"
        className="mt-1"
        checked={checked}
        onChange={(event) => {
          onChange(event.target.checked);
        }}
      />{' '}
      {label}
    </label>
  );
  const aid = (key: keyof Schemas['AidsDocument'], label: string) =>
    check(key, label, part.aids?.[key] ?? key === 'tidyUp', (checked) => {
      set({ aids: { ...part.aids, [key]: checked } });
    });
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
          <select
            value={learned.notation}
            onChange={(event) => {
              learn(kept[event.target.value as NotationName]);
            }}
          >
            <option value="chen">Chen, with extended ER</option>
            <option value="crows-foot">crow’s foot</option>
            <option value="uml">UML class diagram</option>
          </select>
        </label>
        {learned.notation === 'crows-foot' && (
          <label className="field">
            <span>Level</span>
            <select
              value={learned.level}
              onChange={(event) => {
                learn({ ...learned, level: event.target.value as Schemas['Level'] });
              }}
            >
              <option value="conceptual">conceptual: no foreign keys</option>
              <option value="logical">logical: with foreign keys</option>
            </select>
          </label>
        )}
        {learned.notation === 'chen' && (
          <label className="field">
            <span>At the lines of a diamond</span>
            <select
              value={learned.counts === 'pairs' ? (learned.pairsAcross ? 'across' : 'pairs') : 'letters'}
              onChange={(event) =>
                learn({
                  ...learned,
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
          {switches[learned.notation].map(([key, label]) =>
            check(key, label, Boolean((learned as unknown as Record<string, unknown>)[key]), (checked) => {
              learn({ ...learned, [key]: checked });
            }),
          )}
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
        {check('showModelAnswer', 'show the model answer with the marks', part.showModelAnswer ?? false, (checked) => {
          set({ showModelAnswer: checked });
        })}
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
