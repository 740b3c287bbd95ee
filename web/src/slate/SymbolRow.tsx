import { useState } from 'react';
import { deeds, keyOf, nameOf } from './keyMap';
import { symbols } from './useKeys';
import { useOwnKeys } from './useOwnKeys';
import type { Slate } from './useSlate';
import { toScreen } from './view';

/** The row of this notation's symbols, each with its letter, at the place where the next one goes. */
export function SymbolRow({ slate }: { slate: Slate }) {
  const [others, setOthers] = useState(false);
  const at = slate.symbolsAt!;
  const screen = toScreen(slate.view, at);
  const [own] = useOwnKeys();
  const keyFor = (id: string) =>
    nameOf(
      keyOf(
        own,
        deeds.find((one) => one.id === id)!,
      ),
    );
  const shown = symbols.filter((symbol) => symbol.own || others);
  return (
    <div
      className="symbol-row"
      data-overlay
      style={{ left: screen.x, top: screen.y }}
      role="group"
      aria-label="Symbols"
    >
      {shown.map((symbol) => (
        <button
          key={symbol.deed}
          className="symbol-choice"
          onClick={() => {
            slate.setSymbolsAt(null);
            slate.place(symbol.form, at);
            slate.setChalkPoint(null);
            if (symbol.form !== 'rectangle') slate.surface.current?.focus();
          }}
        >
          <Icon form={symbol.form} />
          <span>{symbol.says}</span>
          <kbd>{keyFor(symbol.deed)}</kbd>
        </button>
      ))}
      {!others && (
        <button className="symbol-choice quiet" onClick={() => setOthers(true)}>
          <span>of other notations</span>
        </button>
      )}
    </div>
  );
}

function Icon({ form }: { form: string }) {
  return (
    <svg width="26" height="18" viewBox="-1 -1 26 18" aria-hidden="true">
      {form === 'rectangle' && <path d="M0 0H24V16H0ZM0 6H24" />}
      {form === 'rounded' && <rect width="24" height="16" rx="5" />}
      {form === 'note' && <path d="M0 0H18L24 6V16H0Z" />}
      {form === 'oval' && <ellipse cx="12" cy="8" rx="12" ry="8" />}
      {form === 'diamond' && <path d="M12 0L24 8L12 16L0 8Z" />}
    </svg>
  );
}
