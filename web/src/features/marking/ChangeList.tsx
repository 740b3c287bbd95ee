import { show } from '../../ui/marks';

/** A total that changes, of the answer with this candidate code. */
export interface TotalChange {
  readonly id: string;
  readonly code: string;
  readonly before: string;
  readonly after: string;
}

/** Whose totals change, each from what to what. */
export function ChangeList({ changes }: { changes: readonly TotalChange[] }) {
  return (
    <ul className="changes" tabIndex={0} aria-label="Marks that change">
      {changes.map(({ id, code, before, after }) => (
        <li key={id}>
          <span>{code}</span> {show(before)} → <strong>{show(after)}</strong>
        </li>
      ))}
    </ul>
  );
}
