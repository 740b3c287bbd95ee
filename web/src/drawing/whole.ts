import {
  firstSheet,
  limits,
  parseEndId,
  rowsOf,
  type Attachment,
  type Drawing,
  type Line,
  type LineEnd,
  type Region,
  type Row,
  type Shape,
} from './document';
import { apply, merge, stepsBetween, type Change, type Step } from './steps';

/**
 * A change with all that follows from it, so that what is on the slate can always be written: what would hang on nothing is taken
 * away, a line at a row that goes hangs on its box, and texts hold only what a document may hold.
 */
export function whole(drawing: Drawing, change: Change): Change {
  const clean = { ...change, steps: change.steps.map(cleaned) };
  const after = apply(drawing, clean.steps);
  const rest = stepsBetween(after, mended(drawing, after));
  return rest.length === 0 ? clean : merge(clean, { ...clean, steps: rest });
}

/** Why a drawing that came of another is too large for a document, in a sentence; one that is too large may always shrink. */
export const tooMuch = (before: Drawing, after: Drawing): string | null =>
  grows(before, after) ? beyondLimits(after) : null;

/** Whether there is more of anything in the one drawing than in the other. */
const grows = (before: Drawing, after: Drawing) =>
  (Object.keys(after) as (keyof Drawing)[]).some((room) => after[room].size > before[room].size) ||
  [...after.shapes.values()].some(
    (shape) => rowsOf(shape).length > rowsOf(before.shapes.get(shape.id) ?? shape).length,
  );

function beyondLimits(drawing: Drawing): string | null {
  if (drawing.shapes.size > limits.shapes) return `A drawing holds at most ${limits.shapes} shapes.`;
  if (drawing.lines.size > limits.lines) return `A drawing holds at most ${limits.lines} lines.`;
  if (drawing.sheets.size > limits.sheets) return `A drawing holds at most ${limits.sheets} sheets.`;
  if (drawing.regions.size > limits.regions) return `A drawing holds at most ${limits.regions} regions.`;
  if (drawing.ties.size > limits.ties) return `A drawing holds at most ${limits.ties} ties to the scenario.`;
  for (const shape of drawing.shapes.values()) {
    if (rowsOf(shape).length > limits.rows) return `A box holds at most ${limits.rows} lines.`;
    if (shape.compartments.length > limits.compartments)
      return `A box holds at most ${limits.compartments} compartments.`;
  }
  return null;
}

function mended(before: Drawing, after: Drawing): Drawing {
  const rows = new Map([...after.shapes.values()].flatMap((shape) => rowsOf(shape).map((row) => [row.id, shape.id])));
  const lines = hanging(before, after, rows);
  const exists = (element: string) =>
    after.shapes.has(element) || rows.has(element) || lines.has(element) || lines.has(parseEndId(element)?.line ?? '');
  const first = firstSheet(after);
  const here = <T extends { readonly sheet?: string }>(element: T): T =>
    element.sheet === undefined || (element.sheet !== first && after.sheets.has(element.sheet))
      ? element
      : { ...element, sheet: undefined };
  return {
    sheets: after.sheets,
    shapes: mapped(after.shapes, here),
    lines: mapped(lines, here),
    ties: mapped(after.ties, (tie) => (exists(tie.element) ? tie : null)),
    comments: mapped(after.comments, (comment) => (exists(comment.element) ? comment : null)),
    regions: mapped(after.regions, (region) => around(after, here(region))),
  };
}

/** The lines whose ends have something to hang on; what hangs on a line that goes, goes too, however many steps away. */
function hanging(before: Drawing, after: Drawing, rows: ReadonlyMap<string, string>): ReadonlyMap<string, Line> {
  let lines = mapped(after.lines, (line) => {
    const [from, to] = [rehung(before, after, line.from, rows), rehung(before, after, line.to, rows)];
    return from === line.from && to === line.to ? line : { ...line, from, to };
  });
  for (;;) {
    const known = lines;
    const holds = ({ on }: LineEnd) =>
      on.kind === 'shape'
        ? after.shapes.has(on.id)
        : on.kind === 'row'
          ? rows.has(on.id)
          : on.kind === 'nothing' || known.has(on.kind === 'end' ? (parseEndId(on.id)?.line ?? '') : on.id);
    lines = mapped(known, (line) => (holds(line.from) && holds(line.to) ? line : null));
    if (lines === known) return lines;
  }
}

function rehung(before: Drawing, after: Drawing, end: LineEnd, rows: ReadonlyMap<string, string>): LineEnd {
  const { on } = end;
  if (on.kind !== 'row' || rows.has(on.id)) return end;
  const box = [...before.shapes.values()].find((shape) => rowsOf(shape).some((row) => row.id === on.id));
  return box && after.shapes.has(box.id) ? { ...end, on: { kind: 'shape', id: box.id } } : end;
}

function around(drawing: Drawing, region: Region): Region | null {
  const members = region.members.filter((id) => drawing.shapes.has(id));
  return members.length === region.members.length ? region : members.length === 0 ? null : { ...region, members };
}

/** A map with its values changed or left out; the same map when nothing was. */
function mapped<T>(elements: ReadonlyMap<string, T>, change: (element: T) => T | null): ReadonlyMap<string, T> {
  let touched = false;
  const next = new Map<string, T>();
  for (const [id, element] of elements) {
    const kept = change(element);
    if (kept !== element) touched = true;
    if (kept !== null) next.set(id, kept);
  }
  return touched ? next : elements;
}

/** A text as a document may hold it: no control characters but line ends, no halves of characters, not too long. */
export function plainText(text: string, most: number = limits.text): string {
  const clean = text
    .toWellFormed()
    .replace(/\r\n?/g, '\n')
    .replace(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/g, ' ');
  return clean.length <= most
    ? clean
    : clean
        .slice(0, most)
        .toWellFormed()
        .replace(/\ufffd$/, '');
}

const within = (coordinate: number) =>
  Math.max(-limits.coordinate, Math.min(limits.coordinate, Math.round(coordinate)));

/** A step that puts only what a document may hold; the same step where there is nothing to change. */
function cleaned(step: Step): Step {
  if (step.after === null) return step;
  const after = cleanElement(step);
  return JSON.stringify(after) === JSON.stringify(step.after) ? step : ({ ...step, after } as Step);
}

function cleanElement(step: Step): Step['after'] {
  switch (step.of) {
    case 'shape':
      return cleanShape(step.after!);
    case 'line':
      return {
        ...step.after!,
        text: plainText(step.after!.text),
        from: cleanEnd(step.after!.from),
        to: cleanEnd(step.after!.to),
      };
    case 'region':
    case 'sheet':
      return named(step.after!);
    case 'comment':
      return { ...step.after!, text: plainText(step.after!.text, limits.comment) };
    case 'tie':
      return { ...step.after!, quote: plainText(step.after!.quote) };
  }
}

const named = <T extends Region | { readonly name: string }>(element: T): T =>
  'text' in element ? { ...element, text: plainText(element.text) } : { ...element, name: plainText(element.name) };

const cleanShape = ({ underline = 'none', ...shape }: Shape): Shape => ({
  ...shape,
  ...(underline !== 'none' && { underline }),
  text: plainText(shape.text),
  compartments: shape.compartments.map((rows) => rows.map(cleanRow)),
  x: within(shape.x),
  y: within(shape.y),
});

const cleanRow = (row: Row): Row => ({ ...row, text: plainText(row.text), mark: plainText(row.mark) });

const cleanEnd = (end: LineEnd): LineEnd => ({
  ...end,
  on: cleanPlace(end.on),
  marks: end.marks.slice(0, limits.marks),
  label: plainText(end.label),
  role: plainText(end.role),
  count: plainText(end.count),
  ...(end.qualifier !== undefined && { qualifier: plainText(end.qualifier) }),
});

const cleanPlace = (on: Attachment): Attachment =>
  on.kind === 'nothing' ? { ...on, x: within(on.x), y: within(on.y) } : on;
