import { boxOfText } from './boxText';
import { rowsOf, type Row, type Shape } from './document';
import type { NewId } from './edits';

const marks = /\s*\(([^()]*)\)\s*$/;
const foreign = /foreign|\bFK\b/i;
const key = /(?<!foreign )\bkey\b|\bPK\b|underlined/i;

const isForeign = (row: Row) => /\bP?FK/.test(row.mark) || row.underline === 'dashed';
const isKey = (row: Row) => /\bP[PF]?K\b/.test(row.mark) || row.underline === 'solid';

/** A table of a stage as it is typed: its name, then a column a line, `shed no (foreign key)`. */
export function textOfTable(shape: Shape, meaning: boolean): string {
  const says = (row: Row) =>
    [isKey(row) ? (meaning ? 'key' : 'underlined') : '', isForeign(row) ? (meaning ? 'foreign key' : 'FK') : '']
      .filter((word) => word !== '')
      .join(', ');
  return [shape.text, ...rowsOf(shape).map((row) => `${row.text}${says(row) && ` (${says(row)})`}`)].join('\n');
}

/** A table after its text was edited: rows keep their ids and, where nothing else is said, their marks. */
export function tableOfText(shape: Shape, text: string, newId: NewId): Shape {
  const [name = '', ...lines] = text.split('\n');
  const said = lines.filter((line) => line.trim() !== '').map((line) => marks.exec(line)?.[1] ?? '');
  const bare = lines.map((line) => line.replace(marks, ''));
  const box = boxOfText(shape, [name, ...bare].join('\n'), newId);
  const before = new Map(rowsOf(shape).map((row) => [row.id, row]));
  let changed = box.compartments !== shape.compartments;
  const rows = rowsOf(box).map((row, i): Row => {
    const old = before.get(row.id);
    const wanted = { key: key.test(said[i] ?? ''), foreign: foreign.test(said[i] ?? '') };
    if (old && isKey(old) === wanted.key && isForeign(old) === wanted.foreign)
      return { ...row, mark: old.mark, underline: old.underline };
    changed = true;
    return { ...row, mark: wanted.foreign ? 'FK' : '', underline: wanted.key ? 'solid' : 'none' };
  });
  const same = rows.length === before.size && rows.every((row) => sameRow(row, before.get(row.id)));
  return !changed || (same && box.compartments.length === shape.compartments.length)
    ? { ...shape, text: box.text }
    : { ...box, compartments: rows.length === 0 ? [] : [rows] };
}

const sameRow = (a: Row, b: Row | undefined) =>
  b !== undefined && a.text === b.text && a.mark === b.mark && a.underline === b.underline;
