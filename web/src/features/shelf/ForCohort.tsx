import type { Schemas } from '../../api/client';

interface ForCohortProps {
  cohorts: readonly Schemas['CohortReply'][];
  value: string;
  onChange: (cohort: string) => void;
}

/** For which of one's cohorts. */
export function ForCohort({ cohorts, value, onChange }: ForCohortProps) {
  return (
    <label className="field mt-3 max-w-[320px]">
      <span>For</span>
      <select value={value} onChange={({ target }) => onChange(target.value)}>
        {cohorts.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
