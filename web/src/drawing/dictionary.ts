import { rowsOf, type Drawing } from './document';
import type { Change } from './steps';

/** Puts a comment on an element, or takes it away when it is empty. */
export const commentStep = (drawing: Drawing, element: string, text: string): Change => ({
  label: 'comment',
  steps: [
    {
      of: 'comment',
      id: element,
      before: drawing.comments.get(element) ?? null,
      after: text === '' ? null : { element, text },
    },
  ],
});

/** An entry of the data dictionary. */
export interface Entry {
  readonly element: string;
  readonly name: string;
  /** The box to which a line of text belongs. */
  readonly within: string | null;
  readonly comment: string;
}

/** Every name that is drawn, with its comment: boxes in their order, each with its lines, then whatever else was commented on. */
export function dictionaryOf(drawing: Drawing): Entry[] {
  const noted = (element: string) => drawing.comments.get(element)?.text ?? '';
  const entries = [...drawing.shapes.values()].flatMap((shape): Entry[] => [
    { element: shape.id, name: shape.text || 'without a name', within: null, comment: noted(shape.id) },
    ...rowsOf(shape).map((row) => ({ element: row.id, name: row.text, within: shape.text, comment: noted(row.id) })),
  ]);
  const known = new Set(entries.map((entry) => entry.element));
  const others = [...drawing.comments.values()]
    .filter((comment) => !known.has(comment.element))
    .map(({ element, text }): Entry => {
      const line = drawing.lines.get(element.split('/')[0]!);
      return { element, name: line?.text || line?.from.label || 'a line', within: null, comment: text };
    });
  return [...entries.filter((entry) => entry.name !== ''), ...others];
}
