import { useId, useLayoutEffect, useRef, useState } from 'react';
import { parseEndId, type Drawing } from '../drawing/document';
import { find, type Found } from '../drawing/find';
import { around, type Box } from '../geometry/boxes';
import { select, selectEnd, selectRow, shapeOf, type Selection } from '../drawing/selection';
import type { Slate } from './useSlate';

/** Finds something on the slate by what is written there, and goes to it. */
export function FindField({ slate, onClose }: { slate: Slate; onClose: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const field = useRef<HTMLInputElement>(null);
  const list = useId();
  useLayoutEffect(() => field.current?.focus(), []);
  const found = find(slate.drawing, text);
  const chosen = found[Math.min(at, found.length - 1)];
  const close = () => {
    onClose();
    slate.surface.current?.focus();
  };
  const go = (to: Found) => {
    slate.setSheet(to.sheet);
    slate.setSelection(selectionOf(slate.drawing, to.element));
    slate.travel(boxOf(slate, to.element));
    close();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.nativeEvent.isComposing) return;
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (by !== 0 && found.length > 0) setAt((Math.min(at, found.length - 1) + by + found.length) % found.length);
    else if (event.key === 'Enter' && chosen) go(chosen);
    else if (event.key === 'Escape') close();
    else return;
    event.preventDefault();
  };
  return (
    <div className="find-field" data-overlay>
      <input
        ref={field}
        role="combobox"
        aria-label="Find on the slate"
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-activedescendant={chosen ? `${list}-${found.indexOf(chosen)}` : undefined}
        autoComplete="off"
        spellCheck={false}
        placeholder="find a name"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
        onBlur={onClose}
      />
      <ul id={list} role="listbox" aria-label="Found">
        {found.map((one, i) => (
          // The field has the keys: an option of a combobox never has the focus.
          // eslint-disable-next-line jsx-a11y/click-events-have-key-events
          <li
            key={`${one.element} ${one.name}`}
            id={`${list}-${i}`}
            role="option"
            aria-selected={one === chosen}
            // Before the field loses the focus, which would close it.
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => go(one)}
          >
            {one.name}
            {one.within && <span> at {one.within}</span>}
          </li>
        ))}
      </ul>
      {text.trim() !== '' && found.length === 0 && <p role="status">Nothing here is called so.</p>}
    </div>
  );
}

function selectionOf(drawing: Drawing, element: string): Selection {
  const end = parseEndId(element);
  if (end) return selectEnd(end.line, end.side);
  const shape = shapeOf(drawing, element);
  return shape && shape !== element ? selectRow(shape, element) : select(element);
}

function boxOf({ full, drawing }: Slate, element: string): Box | undefined {
  const shape = shapeOf(drawing, element);
  if (shape) return full.boxes.get(shape);
  const route = full.routes.get(parseEndId(element)?.line ?? element);
  return (route && around(route.points.map((point) => ({ ...point, width: 0, height: 0 })))) ?? undefined;
}
