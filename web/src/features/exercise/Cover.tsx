import { counted } from '../../notations/counts';
import type { Cover as Covered } from './usePreflight';

interface CoverProps {
  cover: Covered;
  editable: boolean;
  /** What an element is called. */
  nameOf: (element: string) => string;
  /** Lights elements and words; null for nothing. */
  onLight: (what: { elements: readonly string[]; places: Covered['unused'] } | null) => void;
  onPick: (elements: readonly string[]) => void;
  onTie: (ties: Covered['proposed']) => void;
}

/** How far the words and the model answer cover each other, and words that could be tied to what they tell of. */
export function Cover({ cover, editable, nameOf, onLight, onPick, onTie }: CoverProps) {
  const { facts, decided, undecided, phrases, unused, proposed } = cover;
  if (facts === 0) return null;
  const open = facts - decided;
  return (
    <section aria-label="Words and model answer" className="mt-3 text-[14px]">
      <p>
        <strong>
          {decided} of {facts}
        </strong>{' '}
        things are decided by words
        {open > 0 && (
          <>
            ;{' '}
            <button
              className="word-button"
              onMouseEnter={() => onLight({ elements: undecided, places: [] })}
              onMouseLeave={() => onLight(null)}
              onFocus={() => onLight({ elements: undecided, places: [] })}
              onBlur={() => onLight(null)}
              onClick={() => onPick(undecided)}
            >
              {open === 1 ? 'one is open' : `${open} are open`}
            </button>
          </>
        )}
        .
      </p>
      <p>
        <strong>
          {phrases - unused.length} of {phrases}
        </strong>{' '}
        phrases tell something that is drawn
        {unused.length > 0 && (
          <>
            ; unused:{' '}
            {unused.map((place, at) => (
              <span key={`${place.block} ${place.start}`}>
                {at > 0 && ', '}
                <button
                  className="word-button"
                  onMouseEnter={() => onLight({ elements: [], places: [place] })}
                  onMouseLeave={() => onLight(null)}
                  onFocus={() => onLight({ elements: [], places: [place] })}
                  onBlur={() => onLight(null)}
                >
                  {place.quote}
                </button>
              </span>
            ))}
          </>
        )}
        .
      </p>
      {editable && proposed.length > 0 && (
        <details className="mt-2">
          <summary>{counted(proposed.length, 'phrase', 'phrases')} could be tied to what is drawn</summary>
          <p className="mt-1">
            Tied words light up with what they tell of, and decide it.{' '}
            <button className="word-button main" onClick={() => onTie(proposed)}>
              tie them all
            </button>
          </p>
          <ul className="preflight mt-1">
            {proposed.map((tie) => (
              <li
                key={tie.element}
                onMouseEnter={() => onLight({ elements: [tie.element], places: [tie.place] })}
                onMouseLeave={() => onLight(null)}
              >
                <q className="font-read italic">{tie.place.quote}</q>: {nameOf(tie.element)}{' '}
                <button
                  className="word-button"
                  aria-label={`tie “${tie.place.quote}” to ${nameOf(tie.element)}`}
                  onFocus={() => onLight({ elements: [tie.element], places: [tie.place] })}
                  onBlur={() => onLight(null)}
                  onClick={() => onTie([tie])}
                >
                  tie it
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
