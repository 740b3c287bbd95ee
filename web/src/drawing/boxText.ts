import { rowsOf, type Row, type Shape } from './document';
import type { NewId } from './edits';

const keyMark = /^(PK|FK\d*|AK\d*|UK\d*|PPK|PFK)([/ ,]+(PK|FK\d*|AK\d*|UK\d*|PPK|PFK))*(?=\s|$)/i;
/** In a class a minus is a visibility, not a bullet. */
const signBullet = /^\s*(?:[*•–·]|\d+[.)])\s+/;
const bullet = /^\s*(?:[-*•–·]|\d+[.)])\s+/;

/**
 * A box as text to be edited: its name, then a line for each row, with its mark and ring in front. An empty line stands between
 * compartments.
 */
export function textOfBox(shape: Shape): string {
  const parts = shape.compartments.map((rows) => rows.map(textOfRow).join('\n'));
  return [shape.text, ...(parts.length === 0 ? [] : [parts.join('\n\n')])].join('\n');
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
export function boxOfText(shape: Shape, text: string, newId: NewId, compartments = false): Shape {
  const [name = '', ...lines] = compartments ? stereotypesJoined(text.split('\n')) : text.split('\n');
  const typed = lines
    .filter((line) => line.trim() !== '')
    .map(compartments ? (line) => ({ mark: '', ring: false, text: line.replace(signBullet, '').trim() }) : rowOfText);
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
  const parts = compartments ? partsOf(lines, rows) : rows.length === 0 ? [] : [rows];
  const unchanged =
    parts.length === shape.compartments.length &&
    parts.every(
      (part, i) =>
        part.length === shape.compartments[i]!.length && part.every((row, n) => same(row, shape.compartments[i]![n]!)),
    );
  return {
    ...shape,
    text: compartments ? guillemets(name.trim()) : name.trim(),
    compartments: unchanged ? shape.compartments : parts,
  };
}

/** Rows sorted into compartments: each run of empty lines begins the next one. */
function partsOf(lines: readonly string[], rows: readonly Row[]): Row[][] {
  const parts: Row[][] = [];
  let next = 0;
  let open = true;
  for (const line of lines) {
    if (line.trim() === '') open = true;
    else {
      if (open) parts.push([]);
      parts[parts.length - 1]!.push(rows[next++]!);
      open = false;
    }
  }
  // A compartment that was left empty before others stays: operations stand below an empty one for attributes.
  return lines[0]?.trim() === '' && parts.length > 0 ? [[], ...parts] : parts;
}

/** A stereotype may stand on a line of its own over the name. */
function stereotypesJoined(lines: readonly string[]): string[] {
  const alone = lines.findIndex((line) => !/^\s*(?:«[^»]*»|<<[^>]*>>)\s*$/.test(line));
  return alone > 0
    ? [
        lines
          .slice(0, alone + 1)
          .map((line) => line.trim())
          .join(' '),
        ...lines.slice(alone + 1),
      ]
    : [...lines];
}

/** Double angle signs, which a keyboard has, as guillemets. */
const guillemets = (text: string) => text.replace(/<<\s*/g, '«').replace(/\s*>>/g, '»');

const same = (a: Row, b: Row) => a.id === b.id && a.mark === b.mark && a.ring === b.ring && a.text === b.text;
