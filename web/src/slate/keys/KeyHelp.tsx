import { useState } from 'react';
import { Sheet } from '../../ui/Sheet';
import { bind, deeds, keyOf, nameOf, type KeyDeed, type KeyPlace } from './keyMap';
import { useOwnKeys } from './useOwnKeys';

const always: readonly (readonly [string, string])[] = [
  ['press on empty slate', 'the symbols, at that place'],
  ['press an edge, then a box', 'a line; or pull it there'],
  ['Enter', 'go in: write in a box, choose an end of a line, write its verb'],
  ['Esc', 'go out; while writing, done'],
  ['arrows', 'to the nearest box; with Shift, move what is chosen'],
  ['Ctrl Z, Ctrl Y', 'undo, redo'],
  ['Ctrl C, X, V, D, A', 'copy, cut, paste, duplicate, choose all'],
];
const places: readonly (readonly [KeyPlace, string])[] = [
  ['slate', 'On the slate'],
  ['end', 'At a line end'],
  ['row', 'At a row of a box'],
];

/** The keys of the slate; each single key can be bound to another. */
export function KeyHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [own, setOwn] = useOwnKeys();
  const [waiting, setWaiting] = useState<KeyDeed | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!waiting || event.key === 'Tab' || event.key === 'Shift') return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key === 'Escape') return setWaiting(null);
    const bound = bind(own, waiting, event.key);
    if ('refusal' in bound) return setRefusal(bound.refusal);
    setOwn(bound.own);
    setWaiting(null);
    setRefusal(null);
  };
  const close = () => {
    setWaiting(null);
    setRefusal(null);
    onClose();
  };
  return (
    <Sheet
      open={open}
      onClose={close}
      title="Keys of the slate"
      closeWord="close"
      actions={
        Object.keys(own).length > 0 && (
          <button className="word-button" onClick={() => setOwn({})}>
            all as they came
          </button>
        )
      }
    >
      <div onKeyDown={onKeyDown}>
        <p className="text-quiet-ink mb-2" role="status">
          {waiting ? `Press the key for “${waiting.says}”, or Esc.` : 'Press a key’s name to give it another key.'}
        </p>
        {refusal && (
          <p className="refusal mb-2" role="alert">
            {refusal}
          </p>
        )}
        <dl className="key-list">
          {always.map(([key, says]) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </dl>
        {places.map(([place, title]) => (
          <section key={place}>
            <h2 className="mt-3">{title}</h2>
            <dl className="key-list own">
              {deeds
                .filter((one) => one.place === place)
                .map((one) => (
                  <div key={one.id}>
                    <dt>
                      <button
                        className="key-cap"
                        aria-pressed={waiting === one}
                        aria-label={`${nameOf(keyOf(own, one))}: ${one.says}. Give it another key`}
                        onClick={() => (setWaiting(one), setRefusal(null))}
                      >
                        {waiting === one ? '…' : nameOf(keyOf(own, one))}
                      </button>
                    </dt>
                    <dd>{one.says}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
    </Sheet>
  );
}
