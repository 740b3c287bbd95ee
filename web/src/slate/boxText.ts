import { rowsOf, type Row, type Shape } from './document';
import type { NewId } from './edits';

const keyMark = /^(PK|FK\d*|AK\d*|UK\d*|PPK|PFK)([/ ,]+(PK|FK\d*|AK\d*|UK\d*|PPK|PFK))*(?=\s|$)/i;
const bullet = /^\s*(?:[-*•–·]|\d+[.)])\s+/;

/** A box as text to be edited: its name, then a line for each row, with its mark and ring in front. */
export function textOfBox(shape: Shape): string {
  return [shape.text, ...rowsOf(shape).map(textOfRow)].join('\n');
}

const textOfRow = (row: Row) => [row.mark, row.ring ? 'o' : '', row.text].filter((piece) => piece !== '').join(' ');

/** One typed line as a row: marks in front in capitals or small letters, `o` for the ring, bullets of a pasted list dropped. */
export function rowOfText(line: string): Omit<Row, 'id' | 'underline'> {
  let text = line.replace(bullet, '').replace(/\t+/g, ' ').trim();
  let mark = '';
  const found = keyMark.exec(text);
  if (found && (found[0] === found[0].toUpperCase() || text.length > found[0].length)) {
    mark = found[0].toUpperCase().replace(/[/ ,]+/g, ' ');
    text = text.slice(found[0].length).trim();
  }
  const ring = /^[oO○]\s+/.test(text);
  return { mark, ring, text: ring ? text.slice(1).trim() : text };
}

/**
 * A box after its text was edited. Rows keep their ids: first those whose text stayed, then, in order, those that were
 * retyped in place.
 */
export function boxOfText(shape: Shape, text: string, newId: NewId): Shape {
  const [name = '', ...lines] = text.split('\n');
  const typed = lines.filter((line) => line.trim() !== '').map(rowOfText);
  const old = rowsOf(shape);
  const taken = new Set<string>();
  const kept = typed.map((row) => {
    const same = old.find((candidate) => !taken.has(candidate.id) && candidate.text === row.text);
    if (same) taken.add(same.id);
    return same;
  });
  const rows = typed.map((row, i): Row => {
    const before = kept[i] ?? (old[i] && !taken.has(old[i].id) ? old[i] : undefined);
    if (before) taken.add(before.id);
    return { underline: 'none', ...before, id: before?.id ?? newId('t'), ...row };
  });
  const unchanged = rows.length === old.length && rows.every((row, i) => same(row, old[i]!));
  return {
    ...shape,
    text: name.trim(),
    compartments: unchanged ? shape.compartments : rows.length === 0 ? [] : [rows],
  };
}

const same = (a: Row, b: Row) => a.id === b.id && a.mark === b.mark && a.ring === b.ring && a.text === b.text;
