import Papa from 'papaparse';
import { NotDone } from '../../ui/notDone';

/** Something that students get attributes and keys from, as it begins in a scenario. */
export interface Artefact {
  readonly name: string;
  readonly text: string;
}

/** How each sort of artefact is written; what a form's lines mean is in docs/formats. */
export const artefacts: readonly Artefact[] = [
  { name: 'a table', text: '| code | title |\n| --- | --- |\n| A1 | first |\n| A2 | second |' },
  {
    name: 'a form',
    text: [
      '```form What it is called',
      'No: 117   Date: 3 May',
      '[A group of fields]',
      'Name: ____   Phone: ____',
      'One of these: (x) this ( ) that',
      'Several of these: [x] this [ ] that [x] these',
      '```',
    ].join('\n'),
  },
  { name: 'a listing', text: '```java What it is called\nclass Thing {\n}\n```' },
];

/** The longest scenario that is kept, in characters. */
export const longestScenario = 20_000;

/** A file as part of a scenario: rows as a table, any other text as a listing under its name. */
export function fromFile(name: string, text: string): string {
  if (/\.(csv|tsv)$/i.test(name)) {
    const table = tableOf(rowsOf(text));
    if (table) return table;
    throw new NotDone(`“${name}” has no rows with at least two columns.`);
  }
  const plain = text.replace(/\r\n?/g, '\n').trimEnd();
  // A NUL stands in no text that people read.
  if (plain.includes('\0') || plain.includes('\uFFFD')) throw new NotDone(`“${name}” is not a text.`);
  if (plain.trim() === '') throw new NotDone(`“${name}” is empty.`);
  const fence = '`'.repeat(Math.max(3, ...[...plain.matchAll(/^`+/gm)].map(([ticks]) => ticks.length + 1)));
  return `${fence}text ${name.replace(/[`\n]/g, '')}\n${plain}\n${fence}`;
}

/** Cells that were copied from a spreadsheet as a table; null where the text is something else. */
export function fromCells(text: string): string | null {
  if (!/\t/.test(text) || !/\n/.test(text.trim())) return null;
  return tableOf(Papa.parse<string[]>(text.trim(), { delimiter: '\t' }).data);
}

/** Separated values in rows, whichever of comma, semicolon and tab separates them. */
const rowsOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' }).data;

/** A table in Markdown, its first row the head; null where rows differ in length or have one cell only. */
function tableOf([head, ...rows]: string[][]): string | null {
  if (!head || head.length < 2 || rows.length === 0) return null;
  if (rows.some((row) => row.length !== head.length)) return null;
  const line = (cells: readonly string[]) => `| ${cells.map(cell).join(' | ')} |`;
  return [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
}

const cell = (text: string) => text.trim().replace(/\s+/g, ' ').replace(/\|/g, '\\|');

/** A text with something laid out put in at a place, in lines of its own. */
export function withLaidOut(text: string, at: number, laidOut: string) {
  const [before, after] = [text.slice(0, at).trimEnd(), text.slice(at).trimStart()];
  const start = before === '' ? 0 : before.length + 2;
  return {
    text: [before, laidOut, after].filter((piece) => piece !== '').join('\n\n'),
    start,
    end: start + laidOut.length,
  };
}
