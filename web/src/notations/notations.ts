import type { EndMark, Form, Stroke } from '../drawing/document';
import { endSymbols } from './endSymbols';
import { endWays, type EndWay } from './endWays';
import { forms } from './forms';

/** How boxes are written: rows with marks before them, a stem of ovals, compartments, or a box for each line. */
export type BoxWay = 'rows' | 'stem' | 'compartments' | 'cells';

/** What the slate offers first in a notation. Everything else is one step further: a wrong symbol must be drawable. */
export interface SlateNotation {
  readonly name: string;
  readonly title: string;
  readonly endWay: EndWay;
  readonly boxWay: BoxWay;
  /** Where a relationship is named on its line: at the end from which it is read, or in the middle. */
  readonly verbAt: 'end' | 'line';
  /**
   * How lines are drawn, in the order in which a key turns them: a line between boxes begins with the first, which is thin where solid
   * and dashed say something that only its author can know.
   */
  readonly strokes: readonly Stroke[];
  /** What a form stands for in it, where that is not what the form is called. */
  readonly formWords?: Readonly<Record<Form, string>>;
  /** Whether one draws line after line from one shape, until one says that it is enough. */
  readonly severalFromOne?: boolean;
  /** Whether what ties two boxes is a shape of its own on their line. */
  readonly tiesByDiamond?: boolean;
  /** What stands at the end of a line that is drawn to a box. */
  readonly head?: EndMark;
  /** Whether it draws concepts, which another notation of concepts can draw too. */
  readonly ofConcepts: boolean;
  /** What may be typed first, and how things are tied, for whoever has typed nothing yet. */
  readonly typed: { readonly first: string; readonly tie: string };
  /** Whether further sheets are stages, with tables that are begun from those before. */
  readonly stages?: boolean;
  /** What may be marked at a line by a letter. */
  readonly letters?: readonly { readonly text: string; readonly says: string }[];
  /** What an attribute of a box is called on the slate's hints. */
  readonly hint: string;
}

const typedConcepts = {
  first: 'Item: item no (key), fault',
  tie: 'Visit brings in 1 or more Item; Item comes in on exactly 1 Visit',
} as const;

const rows: SlateNotation = {
  name: 'crows-foot',
  title: 'crow’s foot',
  endWay: endWays.marks,
  boxWay: 'rows',
  verbAt: 'end',
  strokes: ['solid', 'dashed', 'double'],
  ofConcepts: true,
  typed: typedConcepts,
  hint: 'Enter: next line. PK, FK, AK1, PPK or o in front. Esc: done.',
};

const stem: SlateNotation = {
  name: 'chen',
  title: 'Chen',
  endWay: endWays.letters,
  boxWay: 'stem',
  verbAt: 'end',
  strokes: ['solid', 'double', 'dashed'],
  tiesByDiamond: true,
  ofConcepts: true,
  typed: typedConcepts,
  hint: 'Enter: next oval. (key), (partial key), (several), (derived) or (first, last) behind. Esc: done.',
};

const compartments: SlateNotation = {
  name: 'uml',
  title: 'UML',
  endWay: endWays.text,
  boxWay: 'compartments',
  verbAt: 'line',
  strokes: ['solid', 'dashed', 'double'],
  ofConcepts: true,
  typed: typedConcepts,
  hint: 'Enter: next line; on an empty line: next compartment. Esc: done.',
};

const cells: SlateNotation = {
  name: 'dependency',
  title: 'dependency diagram',
  endWay: endWays.heads,
  boxWay: 'cells',
  verbAt: 'line',
  strokes: ['solid', 'dashed', 'double'],
  ofConcepts: false,
  typed: {
    first: 'Attributes: item no, visit no, fault',
    tie: 'Item no and visit no determine fault',
  },
  head: 'arrow',
  severalFromOne: true,
  letters: [
    { text: 'P', says: 'partial' },
    { text: 'T', says: 'transitive' },
  ],
  stages: true,
  formWords: { junction: 'one determinant' },
  hint: 'Enter: next attribute, in a box of its own. (key) behind. Esc: done.',
};

/** What is known of a part's notation where it is drawn. */
export interface NotationChoice {
  readonly notation?: string;
  readonly counts?: string;
  readonly strokeSaysIdentifying?: boolean;
}

export function slateNotation({
  notation = 'crows-foot',
  counts,
  strokeSaysIdentifying = true,
}: NotationChoice): SlateNotation {
  if (notation === 'chen') return counts === 'pairs' ? { ...stem, endWay: endWays.pairs } : stem;
  if (notation === 'uml') return compartments;
  if (notation === 'dependency') return cells;
  return strokeSaysIdentifying ? { ...rows, strokes: ['thin', 'dashed', 'solid', 'double'] } : rows;
}

/** The next way of drawing a line; it does not go back to saying nothing. */
export function nextStroke({ strokes }: SlateNotation, stroke: Stroke): Stroke {
  const said = strokes.filter((one) => one !== 'thin');
  return said[(said.findIndex((one) => one === stroke) + 1) % said.length]!;
}

/** The forms that a notation uses, then all others. */
export function formsFor(notation: string): { own: Form[]; others: Form[] } {
  const all = [...forms.values()];
  return {
    own: all.filter((form) => form.notations.includes(notation)).map((form) => form.name),
    others: all.filter((form) => !form.notations.includes(notation)).map((form) => form.name),
  };
}

/** The end symbols of a notation that are no least or most, then all others. */
export function tipsFor(notation: string): { own: EndMark[]; others: EndMark[] } {
  const all = [...endSymbols.values()]
    .filter(({ name }) => !(notation === 'crows-foot' && ['bar', 'ring', 'foot'].includes(name)))
    .sort((a, b) => (a.rank ?? 99) - (b.rank ?? 99));
  return {
    own: all.filter((symbol) => symbol.notations.includes(notation)).map((symbol) => symbol.name),
    others: all.filter((symbol) => !symbol.notations.includes(notation)).map((symbol) => symbol.name),
  };
}
