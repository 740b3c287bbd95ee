import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useEffectEvent, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { z } from '../../ui/schema';
import type { Schemas } from '../../api/client';
import { Field, Tick } from '../../ui/Field';
import { beginsChoice } from '../../parts/begins';
import { Begin } from './Begin';
import { SavedWords } from './SavedWords';
import type { Saved } from './useSaved';
import { usual, wantedDrawing, type Learned, type NotationName } from '../../parts/learned';
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
  dependency: [],
};

const fieldsOf = (exercise: string, part: Part): PartFields => ({
  exercise,
  title: part.title ?? '',
  learned: part.learned ?? usual['crows-foot'],
  marks: String(valueOf(part.marks ?? '40')),
  minutes: String(part.minutes ?? ''),
  aids: { ...usualAids, ...aidsOf(part) },
  help: String(part.aids?.help || ''),
  told: part.told ?? 'when-released',
  begin: part.begin ?? { with: 'nothing' },
  showModelAnswer: part.showModelAnswer ?? false,
});

/** The aids that are a yes or no. */
const aidsOf = ({ aids }: Part) => Object.fromEntries(Object.entries(aids ?? {}).filter(([key]) => key in usualAids));

const usualAids = {
  sentences: false,
  words: false,
  tidyUp: true,
  redraw: false,
  form: false,
  rows: false,
  lifting: false,
};

const aidWords: readonly (readonly [keyof typeof usualAids, string])[] = [
  ['sentences', 'sentences say what the drawing says, and can be typed'],
  ['words', 'words beside the symbols of an end'],
  ['tidyUp', 'a drawing is tidied up by one key'],
  ['redraw', 'it can be seen in another notation'],
  ['form', 'what is wrong with the form of a drawing is told'],
  ['rows', 'what the rows of the scenario speak against is told, also with the notes'],
  ['lifting', 'what boxes share is proposed for lifting'],
];

/** The aids that there are in a notation: only concepts are drawn in another one, and lifted; the form of dependencies is a normal form. */
const aidsIn = ({ notation }: Learned) =>
  notation !== 'dependency'
    ? aidWords
    : aidWords
        .filter(([key]) => key !== 'redraw' && key !== 'lifting')
        .map(
          ([key, label]) => [key, key === 'form' ? 'keys and normal form, by the arrows, are told' : label] as const,
        );

/** What is asked as lines of text, for two of them to be compared. */
export function askedLines(part: Part): string {
  const { title, learned, marks, minutes, aids, help, told, begin, showModelAnswer } = fieldsOf('', part);
  return [
    title && `part: ${title}`,
    `${wantedDrawing(learned)}, ${marks} marks, ${minutes ? `${minutes} minutes` : 'no limit of time'}`,
    begin.with !== 'nothing' && `begun with ${beginsChoice(begin.with, begin.part)}`,
    ...switches[learned.notation]
      .filter(([key]) => (learned as unknown as Record<string, unknown>)[key])
      .map(([, label]) => label),
    ...aidWords.filter(([key]) => aids[key]).map(([, label]) => label),
    help && `help may be asked for ${help} times`,
    told === 'when-handed-in' && 'the marks are told as soon as it is handed in',
    showModelAnswer && 'the model answer is shown with the marks',
  ]
    .filter(Boolean)
    .join('\n');
}

const partFields = z.object({
  exercise: z.string().check(z.trim(), z.minLength(1, 'An exercise has a title.'), z.maxLength(120)),
  title: z.string().check(z.trim(), z.maxLength(120)),
  learned: z.custom<Learned>(),
  marks: z.string().check(
    z.trim(),
    z.regex(/^\d{1,4}([.]\d{1,3})?$/, 'Marks are a number, such as 40 or 12.5.'),
    z.refine((marks) => valueOf(marks) > 0, 'A part is worth something.'),
  ),
  minutes: z.string().check(
    z.trim(),
    z.regex(/^\d*$/, 'Minutes are a whole number.'),
    z.refine((minutes) => Number(minutes) <= 1440, 'A day has 1440 minutes.'),
    z.refine((minutes) => minutes === '' || Number(minutes) > 0, 'Leave it empty for no limit.'),
  ),
  aids: z.record(z.enum(['sentences', 'words', 'tidyUp', 'redraw', 'form', 'rows', 'lifting']), z.boolean()),
  help: z.string().check(
    z.trim(),
    z.regex(/^\d*$/, 'How often is a whole number.'),
    z.refine((help) => Number(help) <= 50, 'At most 50 times.'),
  ),
  told: z.enum(['when-released', 'when-handed-in']),
  begin: z.custom<Schemas['BeginDocument']>(),
  showModelAnswer: z.boolean(),
});

type PartFields = z.infer<typeof partFields>;

interface PartFormProps {
  exercise: Schemas['ExerciseReply'];
  /** The place of the part that is shown, from 0. */
  at: number;
  /** What is asked in the part that is shown, saved as one goes. */
  asked: Saved<Part>;
  /** The title of the exercise, likewise. */
  titled: Saved<string>;
  editable: boolean;
  /** Says whether something stands in a field that cannot be saved. */
  onInvalid: (invalid: boolean) => void;
}

/** What is asked in a part: title, level, marks, time, aids, what is shown afterwards. Whatever is valid holds at once. */
export function PartForm({ exercise, at, asked, titled, editable, onInvalid }: PartFormProps) {
  const several = exercise.parts.length > 1;
  const form = useForm<PartFields>({
    resolver: zodResolver(partFields),
    mode: 'onChange',
    defaultValues: fieldsOf(titled.value, asked.value),
  });
  const { register, setValue, control } = form;
  const { errors } = form.formState;
  const learned = useWatch({ control, name: 'learned' });
  const begin = useWatch({ control, name: 'begin' });
  const [kept, setKept] = useState<{ readonly [Name in NotationName]: Learned }>({
    ...usual,
    [learned.notation]: learned,
  });
  const learn = (change: Learned) => {
    setKept({ ...kept, [change.notation]: change });
    setValue('learned', change);
  };
  const hold = useEffectEvent((values: unknown) => {
    const read = partFields.safeParse(values);
    onInvalid(!read.success);
    if (!read.success) return;
    const { exercise: title, minutes, help, aids, ...part } = read.data;
    if (title !== titled.value) titled.set(title);
    const next: Part = {
      ...asked.value,
      ...part,
      minutes: minutes === '' ? null : Number(minutes),
      aids: { ...asked.value.aids, ...aids, help: Number(help) },
    };
    if (JSON.stringify(fieldsOf(title, next)) !== JSON.stringify(fieldsOf(title, asked.value))) asked.set(next);
  });
  useEffect(() => form.subscribe({ formState: { values: true }, callback: ({ values }) => hold(values) }), [form]);
  useEffect(() => () => onInvalid(false), [onInvalid]);
  return (
    <form onSubmit={(event) => event.preventDefault()}>
      <fieldset disabled={!editable} className="space-y-3 text-[14px]">
        <Field label={several ? 'Title of the exercise' : 'Title'} error={errors.exercise?.message}>
          <input maxLength={120} {...register('exercise')} />
        </Field>
        {(several || asked.value.title) && (
          <Field label="Title of this part" error={errors.title?.message}>
            <input maxLength={120} placeholder="What is to be done in it" {...register('title')} />
          </Field>
        )}
        <Field label="Notation">
          <select
            value={learned.notation}
            onChange={(event) => {
              learn(kept[event.target.value as NotationName]);
            }}
          >
            <option value="chen">Chen, with extended ER</option>
            <option value="crows-foot">crow’s foot</option>
            <option value="uml">UML class diagram</option>
            <option value="dependency">dependency diagram</option>
          </select>
        </Field>
        {learned.notation === 'crows-foot' && (
          <Field label="Level">
            <select
              value={learned.level}
              onChange={(event) => {
                learn({ ...learned, level: event.target.value as Schemas['Level'] });
              }}
            >
              <option value="conceptual">conceptual: no foreign keys</option>
              <option value="logical">logical: with foreign keys</option>
            </select>
          </Field>
        )}
        {learned.notation === 'chen' && (
          <Field label="At the lines of a diamond">
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
          </Field>
        )}
        <div className="grid grid-cols-2 gap-3 items-start">
          <Field label={several ? 'Marks for this part' : 'Marks in all'} error={errors.marks?.message}>
            <input inputMode="decimal" {...register('marks')} />
          </Field>
          <Field label="Minutes, or none" error={errors.minutes?.message}>
            <input inputMode="numeric" {...register('minutes')} />
          </Field>
        </div>
        <Begin part={exercise.parts[at]!.id} at={at} value={begin} onChange={(begin) => setValue('begin', begin)} />
        <div className="space-y-1.5" hidden={switches[learned.notation].length === 0}>
          <p className="text-quiet-ink">The class has learned</p>
          {switches[learned.notation].map(([key, label]) => (
            <Tick key={`${learned.notation} ${key}`} label={label}>
              <input
                type="checkbox"
                checked={Boolean((learned as unknown as Record<string, unknown>)[key])}
                onChange={(event) => {
                  learn({ ...learned, [key]: event.target.checked });
                }}
              />
            </Tick>
          ))}
        </div>
        <div className="space-y-1.5">
          <p className="text-quiet-ink">Aids while they draw</p>
          {aidsIn(learned).map(([key, label]) => (
            <Tick key={key} label={label}>
              <input type="checkbox" {...register(`aids.${key}`)} />
            </Tick>
          ))}
        </div>
        <Field label="Times one may ask for help, or none" error={errors.help?.message}>
          <input inputMode="numeric" {...register('help')} />
        </Field>
        <Field label="Marks are told">
          <select {...register('told')}>
            <option value="when-released">once you release them</option>
            <option value="when-handed-in">as soon as it is handed in and checked: practice</option>
          </select>
        </Field>
        <Tick label="show the model answer with the marks">
          <input type="checkbox" {...register('showModelAnswer')} />
        </Tick>
        {editable ? (
          <SavedWords all={[asked, titled]} />
        ) : (
          <p className="text-quiet-ink">{show(asked.value.marks ?? '0')} marks. What is asked no longer changes.</p>
        )}
      </fieldset>
    </form>
  );
}
