import { useEffect, useRef, useState } from 'react';
import { withTie } from '../drawing/edits';
import type { Shape } from '../drawing/document';
import { newId, type Slate } from '../slate/useSlate';
import { attribute, nameOf, ownersOf, phraseDeeds, type Drawn, type PhraseGround } from './phraseDeeds';
import type { Phrase } from './phrases';

/** What chosen words of the scenario can become, each by its letter; an attribute asks only whose it is. */
export function PhraseActions({ slate, phrase, done }: { slate: Slate; phrase: Phrase; done: () => void }) {
  const [asking, setAsking] = useState(false);
  const ground: PhraseGround = {
    drawing: slate.drawing,
    notation: slate.notation,
    selection: slate.selection,
    free: slate.freeSpot,
    between: (ids) => slate.tiedSpot('diamond', ids),
  };
  const deeds = phraseDeeds(ground);
  const put = ({ change, element, selection }: Drawn) => {
    slate.change(withTie(change, { element, ...phrase }, newId));
    slate.setSelection(selection);
    done();
  };
  const choose = (key: string): boolean => {
    const deed = deeds.find((one) => one.key === key);
    if (deed?.draw) put(deed.draw(phrase.quote, newId));
    else if (deed) setAsking(true);
    return deed !== undefined;
  };

  // Letters mean this wherever the focus is, as long as words are chosen; only what is being written goes first.
  const latest = useRef(choose);
  useEffect(() => {
    latest.current = choose;
  });
  useEffect(() => {
    if (asking) return;
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isWriting(event.target)) return;
      if (!latest.current(event.key)) return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [asking]);

  if (asking)
    return (
      <WhoseAttribute
        owners={ownersOf(ground)}
        onChoose={(owner) => put(attribute(ground, owner, phrase.quote, newId))}
        onLeave={done}
      />
    );
  return (
    <div onMouseDown={hold} className="contents">
      {deeds.map(({ key, says }) => (
        <button key={key} aria-keyshortcuts={key} onClick={() => choose(key)}>
          {says} <kbd>{key}</kbd>
        </button>
      ))}
    </div>
  );
}

interface WhoseAttributeProps {
  owners: readonly Shape[];
  onChoose: (owner: Shape) => void;
  onLeave: () => void;
}

/** Asks by name: the first letters are enough, Enter takes the first that begins so. */
function WhoseAttribute({ owners, onChoose, onLeave }: WhoseAttributeProps) {
  const [text, setText] = useState('');
  const typed = text.trim().toLowerCase();
  const fitting = [
    ...owners.filter((owner) => nameOf(owner).toLowerCase().startsWith(typed)),
    ...owners.filter((owner) => nameOf(owner).toLowerCase().indexOf(typed) > 0),
  ];
  const onKeyDown = (event: React.KeyboardEvent) => {
    event.stopPropagation();
    if (event.nativeEvent.isComposing) return;
    if (event.key === 'Escape') onLeave();
    if (event.key === 'Enter' && fitting[0]) onChoose(fitting[0]);
  };
  return (
    <div
      className="whose"
      role="group"
      aria-label="An attribute of which box?"
      onMouseDown={(event) => event.stopPropagation()}
    >
      <input
        autoFocus
        aria-label="An attribute of which box?"
        placeholder="an attribute of …"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={onKeyDown}
      />
      {fitting.slice(0, 6).map((owner) => (
        <button key={owner.id} onClick={() => onChoose(owner)}>
          {nameOf(owner)}
        </button>
      ))}
      {fitting.length === 0 && <span role="status">Nothing is called so.</span>}
    </div>
  );
}

// Keeps the words chosen: the buttons are pressed with the pointer, and the choice must outlive the press.
const hold = (event: React.MouseEvent) => event.preventDefault();

const isWriting = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea, select'));
