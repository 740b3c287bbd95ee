import { firstSheet, rowsOf, type Drawing } from './document';
import { sheetOf } from './sheets';

/** Whatever else on the sheets of a drawing has the name of one of these boxes or lines of text: the same attribute, stage by stage. */
export function sameNamed(drawing: Drawing, elements: Iterable<string>): string[] {
  const names = new Map(namesIn(drawing));
  const wanted = new Set([...elements].flatMap((element) => names.get(element) ?? []));
  if (wanted.size === 0) return [];
  return [...names].flatMap(([element, name]) => (wanted.has(name) ? [element] : []));
}

/** Whatever in a drawing has one of these texts, whatever its case. */
export function writtenIn(drawing: Drawing, texts: readonly string[]): string[] {
  const wanted = new Set(texts.map(nameOf));
  const all = [
    ...[...drawing.shapes.values()].flatMap((shape) => [shape, ...rowsOf(shape)]),
    ...drawing.lines.values(),
  ];
  return all.filter(({ text }) => wanted.has(nameOf(text))).map(({ id }) => id);
}

/** The sheets on which some elements stand. */
export const sheetsOf = (drawing: Drawing, elements: Iterable<string>): ReadonlySet<string> =>
  new Set([...elements].flatMap((element) => sheetOf(drawing, element) ?? []));

/** Boxes of the first sheet and lines of text of all, each with its name; a table's own name is no attribute. */
function* namesIn(drawing: Drawing): Generator<readonly [string, string]> {
  const first = firstSheet(drawing);
  for (const shape of drawing.shapes.values()) {
    const rows = rowsOf(shape);
    const isAttribute = rows.length === 0 && shape.form === 'rectangle' && (shape.sheet ?? first) === first;
    if (isAttribute && shape.text !== '') yield [shape.id, nameOf(shape.text)];
    for (const row of rows) if (row.text !== '') yield [row.id, nameOf(row.text)];
  }
}

const nameOf = (text: string) => text.trim().toLowerCase().replace(/\s+/g, ' ');
