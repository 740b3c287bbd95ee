import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import type { AnySession } from '../../keeping/session';
import { sendAll } from '../../keeping/sending';
import { show, valueOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { Differing } from '../../ui/TwoTexts';
import type { Assessment } from './useAssessment';

type Scheme = Schemas['SchemeDocument'];
type Line = Schemas['MarkLineDocument'];

interface SchemeEditorProps {
  /** The part whose scheme it is. */
  part: string;
  session: AnySession;
  facts: readonly Schemas['FactReply'][];
  assessment: Assessment;
  editable: boolean;
  marks: string;
}

/** The marking scheme: derived in one step, then weighed, merged, cut and capped. */
export function SchemeEditor({ part, session, facts, assessment, editable, marks }: SchemeEditorProps) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [derived, setDerived] = useState<Scheme | null>(null);
  const scheme = assessment.value.scheme;
  const set = (next: Scheme) => assessment.change({ ...assessment.value, scheme: next });
  const derive = useMutation({
    mutationFn: async () => {
      await sendAll([session], 'Nothing was derived.');
      return must(api.POST('/api/parts/{id}/scheme', { params: { path: { id: part } } }));
    },
    onSuccess: (derived) => (scheme ? setDerived(derived) : set(derived)),
  });
  const lines = scheme?.lines ?? [];
  const total = lines.reduce((sum, line) => sum + valueOf(line.marks), 0);
  const change = (line: Line, change_: Partial<Line>) =>
    set({ ...scheme, lines: lines.map((other) => (other.id === line.id ? { ...other, ...change_ } : other)) });
  const merge = () => {
    const parts = lines.filter((line) => chosen.has(line.id));
    const [first] = parts;
    if (!first) return;
    const marksOf = parts.reduce((sum, line) => sum + valueOf(line.marks), 0);
    const merged: Line = {
      ...first,
      title: parts
        .map((line) => line.title)
        .join('; ')
        .slice(0, 200),
      marks: String(marksOf),
      rule: 'share',
      facts: [...new Set(parts.flatMap((line) => line.facts ?? []))],
    };
    set({
      ...scheme,
      lines: lines
        .filter((line) => !chosen.has(line.id) || line.id === first.id)
        .map((line) => (line.id === first.id ? merged : line)),
    });
    setChosen(new Set());
  };
  const unmarked = facts.filter(
    (fact) => !lines.some((line) => (line.facts ?? []).includes(fact.id)) && fact.aspect !== 'identifying',
  );

  if (!scheme) {
    return (
      <>
        <p className="text-quiet-ink mb-3">
          A scheme is derived from the model answer in one step: a line for every entity, key, set of attributes,
          relationship and its ends. Then you change it.
        </p>
        <Errors derive={derive.error} save={assessment.error} />
        {editable && (
          <button className="press-button" disabled={derive.isPending} onClick={() => derive.mutate()}>
            Derive the scheme
          </button>
        )}
      </>
    );
  }
  return (
    <fieldset disabled={!editable}>
      <p className="flex items-baseline gap-2">
        <span className={`big-number${total === valueOf(marks) ? '' : ' text-refusal'}`}>{show(String(total))}</span>
        <span className="text-quiet-ink text-[14px]">
          {total === valueOf(marks) ? 'marks in all' : `marks; the part is worth ${show(marks)}`}
        </span>
        <button className="word-button ml-auto text-[13px]" disabled={derive.isPending} onClick={() => derive.mutate()}>
          {derive.isPending ? 'deriving …' : 'derive anew …'}
        </button>
      </p>
      <Errors derive={derive.error} save={assessment.error} />
      <ul className="mt-3 text-[14px]">
        {lines.map((line) => (
          <SchemeLine
            key={line.id}
            line={line}
            chosen={chosen.has(line.id)}
            onChoose={() => setChosen(toggled(chosen, line.id))}
            onChange={(next) => change(line, next)}
          />
        ))}
      </ul>
      {chosen.size > 0 && (
        <p className="flex gap-5 mt-2 text-[14px]">
          {chosen.size > 1 && (
            <button className="word-button main" onClick={merge}>
              merge {chosen.size}
            </button>
          )}
          <button
            className="word-button"
            onClick={() => (
              set({ ...scheme, lines: lines.filter((line) => !chosen.has(line.id)) }),
              setChosen(new Set())
            )}
          >
            remove {chosen.size}
          </button>
        </p>
      )}
      <div className="grid grid-cols-2 gap-3 mt-4">
        <NumberField
          label="each extra costs"
          value={scheme.extraCost ?? '0'}
          onChange={(value) => set({ ...scheme, extraCost: value })}
        />
        <NumberField
          label="all extras at most"
          value={scheme.extraCap ?? '0'}
          onChange={(value) => set({ ...scheme, extraCap: value })}
        />
      </div>
      <DerivedAnew
        before={scheme}
        derived={derived}
        onTake={(next) => {
          set({ ...next, extraCost: scheme.extraCost, extraCap: scheme.extraCap });
          setChosen(new Set());
        }}
        onClose={() => setDerived(null)}
      />
      {unmarked.length > 0 && (
        <p className="mt-4 text-[13px] text-quiet-ink">
          Not marked by any line: {unmarked.map((fact) => fact.title).join('; ')}.
        </p>
      )}
    </fieldset>
  );
}

const written = (scheme: Scheme): string =>
  (scheme.lines ?? [])
    .map(({ marks, title, rule, facts }) => {
      const ways = (facts ?? []).length > 1 ? `, ${ruleWords[rule ?? 'all-or-nothing']}` : '';
      return `${show(marks)}  ${title}${ways}`;
    })
    .join('\n');

interface DerivedAnewProps {
  before: Scheme;
  derived: Scheme | null;
  onTake: (derived: Scheme) => void;
  onClose: () => void;
}

/** Shows what deriving anew would replace, before it does. */
function DerivedAnew({ before, derived, onTake, onClose }: DerivedAnewProps) {
  const same = derived !== null && written(derived) === written(before);
  return (
    <Sheet
      open={derived !== null}
      onClose={onClose}
      wide
      title={same ? 'Deriving anew changes nothing' : 'Derive the scheme anew?'}
      actions={
        !same && (
          <button className="press-button" onClick={() => (onTake(derived!), onClose())}>
            Take the new scheme
          </button>
        )
      }
    >
      {same ? (
        <p>The scheme is what the model answer and the marks of this part give.</p>
      ) : (
        <>
          <p>
            All lines of the scheme are replaced; what you merged, weighed or removed is lost. What differs is marked.
          </p>
          {derived && (
            <Differing
              mine={{ title: 'As it stands', text: written(before) }}
              theirs={{ title: 'Derived anew', text: written(derived) }}
            />
          )}
        </>
      )}
    </Sheet>
  );
}

function Errors({ derive, save }: { derive: unknown; save: unknown }) {
  const error = derive ?? save;
  return error ? (
    <p className="refusal" role="alert">
      {messageOf(error)}
    </p>
  ) : null;
}

const toggled = (set: ReadonlySet<string>, id: string) => {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
};

type Rule = NonNullable<Line['rule']>;

const ruleWords: Readonly<Record<Rule, string>> = {
  'all-or-nothing': 'all or nothing',
  share: 'by share',
  deduct: '½ off for each',
};

interface SchemeLineProps {
  line: Line;
  chosen: boolean;
  onChoose: () => void;
  onChange: (change: Partial<Line>) => void;
}

function SchemeLine({ line, chosen, onChoose, onChange }: SchemeLineProps) {
  return (
    <li className="py-1.5 border-t border-hairline grid grid-cols-[18px_1fr_54px] gap-x-2 items-start">
      <input
        type="checkbox"
        className="mt-1"
        aria-label={`Choose ${line.title}`}
        checked={chosen}
        onChange={onChoose}
      />
      <span>
        <TitleInput value={line.title} onChange={(title) => onChange({ title })} />
        {(line.facts ?? []).length > 1 && (
          <select
            className="plain-select"
            aria-label={`How ${line.title} is earned`}
            value={line.rule ?? 'all-or-nothing'}
            onChange={(event) => onChange({ rule: event.target.value as Rule })}
          >
            {Object.entries(ruleWords).map(([rule, words]) => (
              <option key={rule} value={rule}>
                {words}
              </option>
            ))}
          </select>
        )}
      </span>
      <MarksInput value={line.marks} onChange={(marks) => onChange({ marks })} label={`Marks for ${line.title}`} />
    </li>
  );
}

function TitleInput({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const [text, setText] = useState<string | null>(null);
  const leave = () => {
    const title = text?.trim() ?? '';
    if (title !== '' && title !== value) onChange(title);
    setText(null);
  };
  return (
    <textarea
      className="plain-input line-title"
      rows={1}
      maxLength={200}
      aria-label={`Title of ${value}`}
      value={text ?? value}
      onChange={(event) => setText(event.target.value.replace(/\s*\n\s*/g, ' '))}
      onBlur={leave}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setText(null);
        if (event.key !== 'Enter') return;
        event.preventDefault();
        leave();
      }}
    />
  );
}

function MarksInput({ value, onChange, label }: { value: string; onChange: (value: string) => void; label: string }) {
  const [text, setText] = useState<string | null>(null);
  const leave = () => {
    if (text !== null && /^\d{1,4}([.]\d{1,3})?$/.test(text.trim()) && valueOf(text) !== valueOf(value))
      onChange(text.trim());
    setText(null);
  };
  return (
    <input
      className="plain-input text-right px-1! min-h-[28px]!"
      inputMode="decimal"
      aria-label={label}
      value={text ?? String(valueOf(value))}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setText(event.target.value)}
      onBlur={leave}
      onKeyDown={(event) => event.key === 'Enter' && leave()}
    />
  );
}

function NumberField({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="field">
      <span>{label}</span>
      <MarksInput value={value} onChange={onChange} label={label} />
    </label>
  );
}
