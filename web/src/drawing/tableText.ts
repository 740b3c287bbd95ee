import { boxOfText } from './boxText';
import { rowsOf, type Row, type Shape } from './document';
import type { NewId } from './edits';

/** Nothing but words that mark: what else stands in brackets are the parts of a cell. */
const marks =
  /\s*\(((?:\s|[,/+]|\band\b|\b(?:primary|candidate|alternate|foreign|key|underlined|PK|P?FK|[AU]K\d*)\b)+)\)\s*$/i;
const foreign = /foreign|\bP?FK\b/i;
const key = /(?<!(?:foreign|alternate) )\bkey\b|\bPF?K\b|underlined/i;
const alternate = /alternate|\b[AU]K\d*\b/i;

const isForeign = (row: Row) => /\bP?FK/.test(row.mark) || row.underline === 'dashed';
const isAlternate = (row: Row) => /\b[AU]K\d*\b/.test(row.mark);
const isKey = (row: Row) => /\bP[PF]?K\b/.test(row.mark) || row.underline === 'solid';

/** A table of a stage as it is typed: its name, then a column a line, `shed no (foreign key)`. */
export function textOfTable(shape: Shape, meaning: boolean): string {
  const says = (row: Row) =>
    [
      isKey(row) ? (meaning ? 'key' : 'underlined') : '',
      isAlternate(row) ? (meaning ? 'alternate key' : 'AK1') : '',
      isForeign(row) ? (meaning ? 'foreign key' : 'FK') : '',
    ]
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
    const of = said[i] ?? '';
    const wanted = { key: key.test(of), alternate: alternate.test(of), foreign: foreign.test(of) };
    if (old && isKey(old) === wanted.key && isAlternate(old) === wanted.alternate && isForeign(old) === wanted.foreign)
      return { ...row, mark: old.mark, underline: old.underline };
    changed = true;
    const mark = [wanted.alternate ? 'AK1' : '', wanted.foreign ? 'FK' : ''].filter((one) => one !== '').join(' ');
    return { ...row, mark, underline: wanted.key ? 'solid' : 'none' };
  });
  const same = rows.length === before.size && rows.every((row) => sameRow(row, before.get(row.id)));
  return !changed || (same && box.compartments.length === shape.compartments.length)
    ? { ...shape, text: box.text }
    : { ...box, compartments: rows.length === 0 ? [] : [rows] };
}

const sameRow = (a: Row, b: Row | undefined) =>
  b !== undefined && a.text === b.text && a.mark === b.mark && a.underline === b.underline;
