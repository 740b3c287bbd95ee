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
          onChange({ ...terms, [key]: target.value === '' ? null : new Date(target.value).toISOString() })
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
      <ul className="list-disc pl-5 mt-3 text-[14px] text-quiet-ink" aria-label="What that means">
        {termsSaid(terms, minutes).map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
    </>
  );
}
