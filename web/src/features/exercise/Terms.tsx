import { Tick } from '../../ui/Field';
import { localTime } from '../../ui/time';
import { termsSaid, type Terms } from './termsWords';

interface TermsFieldsProps {
  terms: Terms;
  onChange: (terms: Terms) => void;
  /** How long the parts allow together. */
  minutes: number | null;
}

/** From when until when an exercise is sat, and how often, with what that means in sentences. */
export function TermsFields({ terms, onChange, minutes }: TermsFieldsProps) {
  const moment = (label: string, key: 'opensAt' | 'dueAt' | 'closesAt') => (
    <label className="field">
      <span>{label}</span>
      <input
        type="datetime-local"
        value={terms[key] ? localTime(terms[key]) : ''}
        onChange={({ target }) =>
          onChange(timed({ ...terms, [key]: target.value === '' ? null : new Date(target.value).toISOString() }))
        }
      />
    </label>
  );
  return (
    <>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(200px,1fr))] gap-3">
        {moment('Opens, empty for at once', 'opensAt')}
        {moment('Due, empty for no end', 'dueAt')}
        {moment('Closes, empty for never', 'closesAt')}
        <label className="field">
          <span>Attempts, empty for any number</span>
          <input
            type="number"
            min={1}
            max={20}
            value={terms.attempts ?? ''}
            onChange={({ target }) =>
              onChange({ ...terms, attempts: target.value === '' ? null : Math.trunc(Number(target.value)) })
            }
          />
        </label>
        {terms.attempts !== 1 && (
          <label className="field">
            <span>Of them counts</span>
            <select
              value={terms.bestCounts ? 'best' : 'last'}
              onChange={({ target }) => onChange({ ...terms, bestCounts: target.value === 'best' })}
            >
              <option value="last">the last that is handed in</option>
              <option value="best">the best</option>
            </select>
          </label>
        )}
      </div>
      {terms.dueAt && <Lateness late={terms.late ?? null} onChange={(late) => onChange({ ...terms, late })} />}
      <ul className="list-disc pl-5 mt-3 text-[14px] text-quiet-ink" aria-label="What that means">
        {termsSaid(terms, minutes).map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </>
  );
}

/** Where nothing is due, lateness costs nothing. */
const timed = (terms: Terms): Terms => (terms.dueAt ? terms : { ...terms, late: null });

type Late = NonNullable<Terms['late']>;

/** What lateness costs by rule, if anything. */
function Lateness({ late, onChange }: { late: Late | null; onChange: (late: Late | null) => void }) {
  const number = (label: string, key: 'percent' | 'most' | 'grace', least: number, greatest: number) => (
    <label className="field">
      <span>{label}</span>
      <input
        type="number"
        min={least}
        max={greatest}
        required
        value={late?.[key] ?? ''}
        onChange={({ target }) => late && onChange({ ...late, [key]: Math.trunc(Number(target.value)) })}
      />
    </label>
  );
  return (
    <div className="mt-3">
      <Tick label="Late answers lose marks by a rule">
        <input
          type="checkbox"
          checked={late !== null}
          onChange={({ target }) => onChange(target.checked ? { percent: 10, per: 'day', most: 50, grace: 0 } : null)}
        />
      </Tick>
      {late && (
        <div className="grid grid-cols-[repeat(auto-fill,minmax(115px,1fr))] gap-3 mt-2">
          {number('Per cent lost', 'percent', 1, 100)}
          <label className="field">
            <span>For each</span>
            <select
              value={late.per}
              onChange={({ target }) => onChange({ ...late, per: target.value === 'hour' ? 'hour' : 'day' })}
            >
              <option value="hour">hour begun</option>
              <option value="day">day begun</option>
            </select>
          </label>
          {number('At most, per cent', 'most', late.percent, 100)}
          {number('Free minutes', 'grace', 0, 1440)}
        </div>
      )}
    </div>
  );
}
