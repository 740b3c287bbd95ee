import { useLayoutEffect, useRef, useState } from 'react';
import type { Form } from '../drawing/document';
import { formOf, formPath } from '../notations/forms';
import { useDeedKeys } from './keys/useDeedKeys';
import { formsFor } from '../notations/notations';
import { formDeeds } from './keys/formDeeds';
import type { Slate } from './useSlate';
import { toScreen } from '../geometry/view';

const order = Object.values(formDeeds);
const inOrder = (all: readonly Form[]) => [...all].sort((a, b) => order.indexOf(a) - order.indexOf(b));

/** The row of this notation's symbols, each with its letter, at the place where the next one goes. */
export function SymbolRow({ slate }: { slate: Slate }) {
  const [all, setAll] = useState(false);
  const at = slate.symbolsAt!;
  const screen = toScreen(slate.view, at);
  const { own, others } = formsFor(slate.notation.name);
  // At the rim the row moves inward, so that all of it is seen.
  const row = useRef<HTMLDivElement>(null);
  const [inward, setInward] = useState({ x: 0, y: 0 });
  useLayoutEffect(() => {
    const [field, page] = [row.current!.getBoundingClientRect(), slate.surface.current!.getBoundingClientRect()];
    const over = { x: Math.max(0, field.right - page.right + 8), y: Math.max(0, field.bottom - page.bottom + 8) };
    if (over.x > 0 || over.y > 0) setInward((before) => ({ x: before.x + over.x, y: before.y + over.y }));
  }, [all, slate.surface]);
  return (
    <div
      ref={row}
      className="symbol-row"
      data-overlay
      style={{ left: screen.x - inward.x, top: screen.y - inward.y }}
      role="group"
      aria-label="Symbols"
    >
      {inOrder(all ? [...own, ...others] : own).map((form) => (
        <SymbolChoice key={form} form={form} slate={slate} />
      ))}
      <p className="symbol-hint">or type a name</p>
      {!all && (
        <button className="symbol-choice quiet" onClick={() => setAll(true)}>
          <span>of other notations</span>
        </button>
      )}
    </div>
  );
}

function SymbolChoice({ form, slate }: { form: Form; slate: Slate }) {
  const keyFor = useDeedKeys();
  const [deed] = Object.entries(formDeeds).find(([, placed]) => placed === form) ?? [];
  const at = slate.symbolsAt!;
  return (
    <button
      className="symbol-choice"
      onClick={() => {
        slate.setSymbolsAt(null);
        slate.place(form, at);
        slate.setChalkPoint(null);
      }}
    >
      <Icon form={form} />
      <span>{formOf(form).says.replace(/^an? /, '')}</span>
      {deed && <kbd>{keyFor(deed)}</kbd>}
    </button>
  );
}

/** A symbol's path with its corners as small as the picture is. */
const small = (form: Form, d: string) =>
  form === 'note' ? d.replaceAll('12', '6') : d.replaceAll('14', '7').replaceAll('~6', '~3').replaceAll('~-6', '~-3');

function Icon({ form }: { form: Form }) {
  const { edge, details = [], least, solid, layout } = formOf(form);
  // Round symbols keep their sizes beside each other: a circle is no oval, and a ball is smaller than a circle.
  const round = least[0] === least[1];
  const [w, h] = round ? [least[0] / 2, least[0] / 2] : [Math.min(24, least[0]), Math.min(16, least[1])];
  const box = { x: (24 - w) / 2, y: (16 - h) / 2, width: w, height: h };
  return (
    <svg width="26" height="18" viewBox="-1 -1 26 18" aria-hidden="true">
      {[...edge, ...(form === 'note' ? [] : details)].map((d) => (
        <path key={d} className={solid ? 'solid' : undefined} d={formPath(small(form, d), box)} />
      ))}
      {layout === 'rows' && form === 'rectangle' && <path d="M0 6H24" />}
    </svg>
  );
}
