import type { Schemas } from '../api/client';

const FEW = 2;

/** What the answer says another way with the same meaning, and what was taken for something that is called otherwise. */
export function Otherwise({ result }: { result: Pick<Schemas['StudentResult'], 'restated' | 'takenFor'> }) {
  const { restated, takenFor = [] } = result;
  return (
    <div className="mt-2">
      {[...restated, ...(takenFor.length > FEW ? [] : takenFor)].map((said) => (
        <p key={said} className="text-[13.5px] text-quiet-ink mb-1">
          {said}
        </p>
      ))}
      {takenFor.length > FEW && (
        <details className="text-[13.5px] text-quiet-ink mb-1">
          <summary>{takenFor.length} things are called otherwise</summary>
          <ul className="mt-1">
            {takenFor.map((said) => (
              <li key={said} className="mb-1">
                {said}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
