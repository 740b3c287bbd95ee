import { withTie } from '../drawing/edits';
import type { Words } from '../slate/gestures/useDrop';
import { newId, type Slate } from '../slate/useSlate';
import type { Point } from '../geometry/boxes';
import { attribute, box, ownerAt } from './phraseDeeds';

/** Words of the scenario that are let go over the slate: an attribute of what is there, else a box at that place. */
export const droppedWords = (slate: Slate) => (words: Words, at: Point, shape: string | null) => {
  const ground = {
    drawing: slate.drawing,
    notation: slate.notation,
    selection: slate.selection,
    free: () => at,
    between: () => at,
  };
  const owner = ownerAt(ground, shape);
  const { change, element, selection } = owner
    ? attribute(ground, owner, words.quote, newId)
    : box(ground, words.quote, newId);
  slate.change(withTie(change, { element, ...words }, newId));
  slate.setSelection(selection);
  slate.surface.current?.focus();
};
