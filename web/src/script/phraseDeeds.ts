import type { Drawing, Line, Shape } from '../drawing/document';
import { onShape, parseEndId, rowsOf } from '../drawing/document';
import { addLine, addRow, addShape, addTied, changeEnd, changeLine, type NewId } from '../drawing/edits';
import { isBox } from '../notations/forms';
import type { Point } from '../geometry/boxes';
import type { SlateNotation } from '../notations/notations';
import { elementsOf, select, selectEnd, selectRow, type Selection } from '../drawing/selection';
import { isInFan } from '../drawing/ovals';
import { addOval } from '../drawing/stem';
import { putLine, type Change } from '../drawing/steps';
import type { Phrase } from './phrases';

/** Where a phrase is drawn, and what is chosen there. */
export interface PhraseGround {
  readonly drawing: Drawing;
  readonly notation: SlateNotation;
  readonly selection: Selection;
  /** A free place near the middle of what is seen, and one between what is chosen. */
  readonly free: () => Point;
  readonly between: (ids: readonly string[]) => Point;
}

/** What chosen words are drawn as: the change, the element that is theirs, and what is chosen then. */
export interface Drawn {
  readonly change: Change;
  readonly element: string;
  readonly selection: Selection;
}

/** Something that words of the scenario can become, by a letter. */
export interface PhraseDeed {
  readonly key: 'e' | 'a' | 'p' | 'r' | 't' | '1' | '2' | '3';
  readonly says: string;
  /** Draws it; null where it must be asked first whose attribute it is. */
  readonly draw: ((quote: string, newId: NewId) => Drawn) | null;
}

/** What words can become with what is chosen now: a box, an attribute, a relationship. */
export function phraseDeeds(ground: PhraseGround): PhraseDeed[] {
  const { drawing, selection } = ground;
  const chosen = [...selection.ids].flatMap((id) => drawing.shapes.get(id) ?? []);
  const only = chosen.length === 1 ? chosen[0]! : undefined;
  const owner = only && ownerOf(ground, only);
  const deeds: PhraseDeed[] = [{ key: 'e', says: 'a box', draw: (quote, newId) => box(ground, quote, newId) }];
  const attributeOf = (key: 'a' | 'p', what: string, of: Shape): PhraseDeed => ({
    key,
    says: `${what} of ${nameOf(of)}`,
    draw: (quote, newId) => attribute(ground, of, quote, newId),
  });
  if (owner) deeds.push(attributeOf('a', 'an attribute', owner));
  else if (ownersOf(ground).length > 0) deeds.push({ key: 'a', says: 'an attribute …', draw: null });
  if (owner && owner !== only) deeds.push(attributeOf('p', 'a part', only!));
  const relationship = relationshipOf(ground, chosen);
  if (relationship) deeds.push(relationship);
  const said = saidOf(ground);
  if (said) deeds.push(said);
  return deeds;
}

/** Words that could be tied to something that is drawn. */
export interface Proposal {
  readonly element: string;
  readonly place: Phrase;
}

/** Chosen words tell of what words among them, or around them, are proposed for; the longest such words first, nothing is drawn. */
export function proposedDeeds({ drawing, selection }: PhraseGround, phrase: Phrase, proposals: readonly Proposal[]) {
  const endOf = ({ start, quote }: Phrase) => start + quote.length;
  const met = proposals.filter(
    ({ place }) => place.block === phrase.block && place.start < endOf(phrase) && phrase.start < endOf(place),
  );
  const longest = met.sort((a, b) => b.place.quote.length - a.place.quote.length);
  const elements = [...new Set(longest.map(({ element }) => element))].slice(0, 3);
  return elements.map((element, at): PhraseDeed => ({
    key: (['1', '2', '3'] as const)[at]!,
    says: `said of ${nameOfElement(drawing, element)}`,
    draw: () => ({ change: { label: 'tie words', steps: [] }, element, selection }),
  }));
}

/** Words tell something of the one thing that is chosen, and nothing is drawn: how many, by what it is known. */
function saidOf({ drawing, selection }: PhraseGround): PhraseDeed | null {
  const [element, ...more] = elementsOf(selection);
  if (element === undefined || more.length > 0) return null;
  return {
    key: 't',
    says: `said of ${nameOfElement(drawing, element, selection)}`,
    draw: () => ({ change: { label: 'tie words', steps: [] }, element, selection }),
  };
}

/** What is said of an element: its name, or what it is where it has none. */
export function nameOfElement(drawing: Drawing, element: string, selection?: Selection): string {
  const end = selection?.end ?? parseEndId(element);
  const line = drawing.lines.get(end?.line ?? element);
  const at = (side: 'from' | 'to') => {
    const on = line?.[side].on;
    return on?.kind === 'shape' ? drawing.shapes.get(on.id) : undefined;
  };
  if (line && end) {
    const shape = at(end.side);
    return shape ? `the end at ${nameOf(shape)}` : 'this end';
  }
  if (line) {
    const [from, to] = [at('from'), at('to')];
    return from && to && !selection ? `the line from ${nameOf(from)} to ${nameOf(to)}` : 'this line';
  }
  const shape = drawing.shapes.get(element);
  if (shape) return nameOf(shape);
  for (const owner of drawing.shapes.values())
    for (const row of rowsOf(owner)) if (row.id === element) return row.text || 'this row';
  return 'what is chosen';
}

/** The shapes that may own an attribute. */
export const ownersOf = (ground: PhraseGround): Shape[] =>
  [...ground.drawing.shapes.values()].filter((shape) => mayOwn(ground, shape));

const mayOwn = ({ notation }: PhraseGround, shape: Shape) =>
  isBox(shape.form) || (notation.boxWay === 'stem' && shape.form === 'diamond');

/** The shape that the next attribute belongs to: the chosen one, or that in whose fan the chosen oval stands. */
const ownerOf = (ground: PhraseGround, shape: Shape): Shape | undefined =>
  mayOwn(ground, shape)
    ? shape
    : shape.form === 'oval'
      ? ownersOf(ground).find((owner) => isInFan(ground.drawing, owner, shape))
      : undefined;

/** The shape that words let go over another shape belong to; undefined over no shape and where that can own nothing. */
export const ownerAt = (ground: PhraseGround, shape: string | null): Shape | undefined => {
  const found = shape === null ? undefined : ground.drawing.shapes.get(shape);
  return found && ownerOf(ground, found);
};

export const nameOf = (shape: Shape) => shape.text.replace(/^(?:\s*«[^»]*»\s*)+/, '') || 'what has no name yet';

/** A box in a free place, its name with a capital. */
export function box({ drawing, free }: PhraseGround, quote: string, newId: NewId): Drawn {
  const spot = free();
  const text = quote.charAt(0).toUpperCase() + quote.slice(1);
  const { change, id } = addShape(drawing, 'rectangle', (spot.x - 75) * 4, (spot.y - 13) * 4, newId, text);
  return { change, element: id, selection: select(id) };
}

/** An attribute at the end of a box, or an oval in the fan of its owner, as the notation draws it. */
export function attribute({ drawing, notation }: PhraseGround, owner: Shape, quote: string, newId: NewId): Drawn {
  const text = quote.toLowerCase();
  if (notation.boxWay === 'stem') {
    const { change, id } = addOval(drawing, owner, text, newId);
    return { change, element: id, selection: select(id) };
  }
  const { change, id } = addRow(drawing, owner, text, newId);
  return { change, element: id, selection: selectRow(owner.id, id) };
}

function relationshipOf(ground: PhraseGround, chosen: readonly Shape[]): PhraseDeed | null {
  const { drawing, notation, selection } = ground;
  const line = [...selection.ids].map((id) => drawing.lines.get(id)).find((one) => one !== undefined);
  const boxes = chosen.filter((shape) => isBox(shape.form));
  if (notation.boxWay === 'stem')
    return boxes.length === 0
      ? null
      : {
          key: 'r',
          says: `a relationship of ${boxes.map(nameOf).join(' and ')}`,
          draw: (quote, newId) => diamond(ground, boxes, quote, newId),
        };
  if (line) return { key: 'r', says: 'the name of this line', draw: (quote) => named(ground, line, quote) };
  const [one, other] = boxes;
  return boxes.length === 2
    ? {
        key: 'r',
        says: `a line from ${nameOf(one!)} to ${nameOf(other!)}`,
        draw: (quote, newId) => lineBetween(ground, one!, other!, quote, newId),
      }
    : null;
}

function diamond({ drawing, between }: PhraseGround, boxes: readonly Shape[], quote: string, newId: NewId): Drawn {
  const ids = boxes.map(({ id }) => id);
  const spot = between(ids);
  const { change, id } = addTied(drawing, 'diamond', spot.x * 4, spot.y * 4, ids, newId, quote);
  return { change, element: id, selection: select(id) };
}

/** Words become the verb at the chosen end, or the name of the line, where the notation writes it. */
function named({ drawing, notation, selection }: PhraseGround, line: Line, quote: string): Drawn {
  const side = selection.end?.side ?? 'from';
  if (notation.verbAt === 'line')
    return { change: changeLine(drawing, line, { text: quote }), element: line.id, selection };
  return { change: changeEnd(drawing, line, side, { label: quote }), element: `${line.id}/${side}`, selection };
}

function lineBetween(
  { drawing, notation }: PhraseGround,
  one: Shape,
  other: Shape,
  quote: string,
  newId: NewId,
): Drawn {
  const { line, id } = addLine(drawing, onShape(one.id), onShape(other.id), newId, notation);
  const atEnd = notation.verbAt === 'end';
  const said = atEnd ? { ...line, from: { ...line.from, label: quote } } : { ...line, text: quote };
  return {
    change: { label: 'add line', steps: [putLine(drawing, said)] },
    element: atEnd ? `${id}/from` : id,
    selection: selectEnd(id, 'to'),
  };
}
