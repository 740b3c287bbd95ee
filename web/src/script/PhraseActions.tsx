import { useEffect, useRef, useState } from 'react';
import { withTie } from '../drawing/edits';
import type { Shape } from '../drawing/document';
import { newId, type Slate } from '../slate/useSlate';
import { Combobox } from '../ui/Combobox';
import {
  attribute,
  nameOf,
  ownersOf,
  phraseDeeds,
  proposedDeeds,
  type Drawn,
  type PhraseGround,
  type Proposal,
} from './phraseDeeds';
import type { Phrase } from './phrases';

interface PhraseActionsProps {
  slate: Slate;
  phrase: Phrase;
  done: () => void;
  /** What words of the scenario could be tied to; nothing where that is not to be told. */
  proposals?: readonly Proposal[];
}

/** What chosen words of the scenario can become, each by its letter; an attribute asks only whose it is. */
export function PhraseActions({ slate, phrase, done, proposals = [] }: PhraseActionsProps) {
  const [asking, setAsking] = useState(false);
  const ground: PhraseGround = {
    drawing: slate.drawing,
    notation: slate.notation,
    selection: slate.selection,
    free: slate.freeSpot,
    between: (ids) => slate.tiedSpot('diamond', ids),
  };
  const deeds = [...proposedDeeds(ground, phrase, proposals), ...phraseDeeds(ground)];
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
  const fitting = (text: string) => {
    const typed = text.trim().toLowerCase();
    const named = (fits: (name: string) => boolean) => owners.filter((owner) => fits(nameOf(owner).toLowerCase()));
    return [...named((name) => name.startsWith(typed)), ...named((name) => name.indexOf(typed) > 0)].slice(0, 6);
  };
  return (
    <Combobox
      className="whose"
      label="An attribute of which box?"
      placeholder="an attribute of …"
      fitting={fitting}
      keyOf={({ id }) => id}
      show={nameOf}
      nothing="Nothing is called so."
      onChoose={onChoose}
      onLeave={onLeave}
    />
  );
}

// Keeps the words chosen: the buttons are pressed with the pointer, and the choice must outlive the press.
const hold = (event: React.MouseEvent) => event.preventDefault();

const isWriting = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea, select'));
