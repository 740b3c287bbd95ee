import { firstSheet, rowsOf, type Drawing } from './document';

/** Something of a drawing that has the wanted name. */
export interface Found {
  readonly element: string;
  /** The name as written. */
  readonly name: string;
  /** Where it stands, when that is in a box or on a line. */
  readonly within: string;
  readonly sheet: string;
}

/** How many are offered. */
const most = 8;

/** What of a drawing is called so, by the beginning of the name, of one of its words, or any part; names of shapes before rows and verbs. */
export function find(drawing: Drawing, wanted: string): Found[] {
  const typed = fold(wanted);
  if (typed === '') return [];
  return everything(drawing)
    .map((found, i) => ({ found, i, rank: rankOf(fold(found.name), typed) }))
    .filter(({ rank }) => rank < Infinity)
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .slice(0, most)
    .map(({ found }) => found);
}

function rankOf(name: string, typed: string): number {
  const at = name.indexOf(typed);
  if (at < 0) return Infinity;
  if (at === 0) return name.length === typed.length ? 0 : 1;
  return /[\p{L}\p{N}]/u.test(name[at - 1]!) ? 3 : 2;
}

function everything(drawing: Drawing): Found[] {
  const shapes = [...drawing.shapes.values()];
  const sheetOf = (on: { sheet?: string }) => on.sheet ?? firstSheet(drawing);
  const nameOf = (id: string) => drawing.shapes.get(id)?.text ?? '';
  return [
    ...shapes.map((shape) => ({ element: shape.id, name: shape.text, within: '', sheet: sheetOf(shape) })),
    ...shapes.flatMap((shape) =>
      rowsOf(shape).map((row) => ({ element: row.id, name: row.text, within: shape.text, sheet: sheetOf(shape) })),
    ),
    ...[...drawing.lines.values()].flatMap((line) => {
      const [from, to] = [line.from, line.to].map(({ on }) => (on.kind === 'shape' ? nameOf(on.id) : ''));
      const within = [from, to].filter(Boolean).join(' and ');
      const sheet = sheetOf(line);
      return [
        { element: line.id, name: line.text, within, sheet },
        ...(['from', 'to'] as const).flatMap((side) => [
          { element: `${line.id}/${side}`, name: line[side].label, within, sheet },
          { element: `${line.id}/${side}`, name: line[side].role, within, sheet },
        ]),
      ];
    }),
  ].filter(({ name }) => name.trim() !== '');
}

/** Without case, accents and spaces at the ends. */
const fold = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').trim().toLowerCase();
