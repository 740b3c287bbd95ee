import type { PreflightItem, Preflight as Looked } from './usePreflight';
import type { Assessment } from './useAssessment';

interface PreflightProps {
  preflight: Looked;
  assessment: Assessment;
  editable: boolean;
  /** Lights what an item is about, on the slate and in the scenario; null for nothing. */
  onLight: (item: PreflightItem | null) => void;
  onPick: (elements: readonly string[]) => void;
  /** Opens the scenario with a sentence put in behind the words that it is about. */
  onPutIn: (sentence: string, behind: string | undefined) => void;
}

/** What may be amiss with the exercise: each item is mended, accepted both ways, or meant so. */
export function Preflight({ preflight, assessment, editable, onLight, onPick, onPutIn }: PreflightProps) {
  const { open, meantSo, waiting } = preflight;
  const mean = (key: string, so: boolean) => {
    const keys = assessment.value.meantSo ?? [];
    assessment.change({ ...assessment.value, meantSo: so ? [...keys, key] : keys.filter((other) => other !== key) });
  };
  const accept = ({ fact, value }: NonNullable<PreflightItem['accept']>) => {
    const accepted = assessment.value.tolerances?.find((tolerance) => tolerance.fact === fact)?.accepted ?? [];
    assessment.tolerate(fact, { accepted: [...accepted.filter((other) => other !== value), value] });
  };
  if (waiting) return <p className="text-quiet-ink">Looking it over …</p>;
  return (
    <>
      {open.length === 0 && (
        <p className="mt-3">Nothing is open: the words decide what the model answer draws, and marks and time fit.</p>
      )}
      {grouped(open).map(([title, items]) => (
        <section key={title}>
          <h2 className="mt-5 mb-1">{title}</h2>
          <ul className="preflight">
            {items.map((item) => (
              <li key={item.key} onMouseEnter={() => onLight(item)} onMouseLeave={() => onLight(null)}>
                <button
                  className="said"
                  onClick={() => onPick(item.elements)}
                  onFocus={() => onLight(item)}
                  onBlur={() => onLight(null)}
                >
                  {item.said}
                </button>
                {item.better !== '' && <q className="better">{item.better}</q>}
                {editable && (
                  <p className="deeds">
                    {item.better !== '' && (
                      <button className="word-button" onClick={() => onPutIn(item.better, item.places[0]?.quote)}>
                        put it in
                      </button>
                    )}
                    {item.accept && (
                      <button className="word-button" onClick={() => accept(item.accept!)}>
                        accept both
                      </button>
                    )}
                    <button className="word-button" onClick={() => mean(item.key, true)}>
                      meant so
                    </button>
                  </p>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {meantSo.length > 0 && (
        <details className="mt-6">
          <summary>meant so ({meantSo.length})</summary>
          <ul className="preflight">
            {meantSo.map((item) => (
              <li key={item.key} onMouseEnter={() => onLight(item)} onMouseLeave={() => onLight(null)}>
                <button className="said" onClick={() => onPick(item.elements)}>
                  {item.said}
                </button>
                {editable && (
                  <p className="deeds">
                    <button className="word-button" onClick={() => mean(item.key, false)}>
                      open it again
                    </button>
                  </p>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

/** Items under what several of their kind are called, in the order in which they came. */
function grouped(items: readonly PreflightItem[]): [string, PreflightItem[]][] {
  const groups = new Map<string, PreflightItem[]>();
  for (const item of items) groups.set(item.title, [...(groups.get(item.title) ?? []), item]);
  return [...groups];
}
