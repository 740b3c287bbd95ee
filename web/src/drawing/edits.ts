import {
  linesAt,
  onElement,
  onShape,
  parseEndId,
  plainEnd,
  rowsOf,
  type Along,
  type Attachment,
  type Drawing,
  type EndMark,
  type Form,
  type Line,
  type LineEnd,
  type Row,
  type Shape,
  type Side,
  type Stroke,
  type Tie,
} from './document';
import type { Edge } from '../geometry/boxes';
import { isBox } from '../notations/forms';
import { regionsWithout } from './regions';
import { putLine, putShape, putTie, type Change, type Step } from './steps';

/** Makes ids for new elements; a parameter so that tests repeat. */
export type NewId = (prefix: string) => string;

/** A new shape with its middle top at a point. */
export function addShape(
  drawing: Drawing,
  form: Form,
  x: number,
  y: number,
  newId: NewId,
  text = '',
): { change: Change; id: string } {
  const id = newId('b');
  const shape: Shape = { id, form, outline: 'single', text, compartments: [], x: Math.round(x), y: Math.round(y) };
  return { change: { label: `add ${form}`, steps: [putShape(drawing, shape)] }, id };
}

/** The edges of boxes at which a line's ends were drawn, as far as they were. */
export type DrawnEdges = Partial<Record<Side, Edge>>;

/** How a notation's lines begin: their stroke between boxes, and what stands at a box to which one leads. */
export interface LineStart {
  readonly strokes: readonly Stroke[];
  readonly head?: EndMark;
}

/** A new line between two places, as the notation's lines begin. */
export function addLine(
  drawing: Drawing,
  from: Attachment,
  to: Attachment,
  newId: NewId,
  { strokes, head }: LineStart = { strokes: ['solid'] },
  edges: DrawnEdges = {},
): { change: Change; id: string; line: Line } {
  const id = newId('r');
  const isAtBox = (on: Attachment) => on.kind === 'row' || (on.kind === 'shape' && atBox(drawing, on.id));
  const line: Line = {
    id,
    stroke: isAtBox(from) && isAtBox(to) ? strokes[0]! : 'solid',
    text: '',
    from: { ...plainEnd(from), ...(edges.from && { edge: edges.from }) },
    to: { ...plainEnd(to), ...(edges.to && { edge: edges.to }), ...(head && isAtBox(to) && { marks: [head] }) },
  };
  return { change: { label: 'add line', steps: [putLine(drawing, line)] }, id, line };
}

function atBox(drawing: Drawing, id: string) {
  const shape = drawing.shapes.get(id);
  return shape !== undefined && isBox(shape.form);
}

/**
 * A new shape tied to others by a line each: a diamond between boxes, a circle below a supertype, an oval at its owner. The first
 * line leads to the new shape, the others away from it, as the symbols of a tree are drawn; below a circle each has its cup.
 */
export function addTied(
  drawing: Drawing,
  form: Form,
  x: number,
  y: number,
  tiedTo: readonly string[],
  newId: NewId,
  text = '',
): { change: Change; id: string } {
  const { change, id } = addShape(drawing, form, x, y, newId, text);
  const at = (place: string) => (place === id ? onShape(id) : onElement(drawing, place));
  const lines = tiedTo.map((other, i): Step => {
    const [from, to] =
      i === 0 && form !== 'oval' && form !== 'note' ? [other, id] : form === 'oval' ? [other, id] : [id, other];
    const line: Line = {
      id: newId('r'),
      stroke: 'solid',
      text: '',
      from: plainEnd(at(from)),
      to: plainEnd(at(to)),
      ...(form === 'circle' && i > 0 && { along: [cupToCircle] }),
    };
    return { of: 'line', id: line.id, before: null, after: line };
  });
  return { change: { label: `add ${form}`, steps: [...change.steps, ...lines] }, id };
}

/** Whether a line ties two boxes, so that a diamond can be set into it. */
export const joinsBoxes = (drawing: Drawing, { from, to }: Line) =>
  [from, to].every(({ on }) => on.kind === 'shape' && atBox(drawing, on.id));

/** A diamond set into a line between two boxes, under what was written at the line; each end stays what it was drawn. */
export function diamondInto(
  drawing: Drawing,
  line: Line,
  x: number,
  y: number,
  newId: NewId,
): { change: Change; id: string } {
  const { change, id } = addShape(drawing, 'diamond', x, y, newId, line.text || line.from.label || line.to.label);
  const other: Line = { ...line, id: newId('r'), text: '', from: plainEnd(onShape(id)), to: { ...line.to, label: '' } };
  const here: Line = { ...line, text: '', from: { ...line.from, label: '' }, to: plainEnd(onShape(id)) };
  return {
    change: {
      label: 'set a diamond into the line',
      steps: [...change.steps, putLine(drawing, here), putLine(drawing, other)],
    },
    id,
  };
}

/** The cup on a line that leads away from a circle, open to it. */
const cupToCircle: Along = { symbol: 'cup', facing: 'from' };

/**
 * The lines of a circle with their cups where its letter wants them, as long as they are as a key placed them: at the kinds below it, or,
 * for a union, at the first of what it joins. Whatever else was drawn stays.
 */
export function cupsFor(drawing: Drawing, circle: Shape, letter: string): Step[] {
  const union = letter.trim().toLowerCase() === 'u';
  const lines = linesAt(drawing, new Set([circle.id]));
  const below = (line: Line) => line.from.on.kind === 'shape' && line.from.on.id === circle.id;
  const placed = (line: Line, asUnion: boolean) => {
    const cup = below(line) !== asUnion;
    const facing = below(line) ? 'from' : 'to';
    return cup
      ? line.along?.length === 1 && line.along[0]!.symbol === 'cup' && line.along[0]!.facing === facing
      : !line.along?.length;
  };
  if (lines.length < 2 || !lines.every((line) => placed(line, !union))) return [];
  return lines.map((line) =>
    putLine(drawing, {
      ...line,
      along: below(line) === union ? undefined : [below(line) ? cupToCircle : { ...cupToCircle, facing: 'to' }],
    }),
  );
}

/** Sets the symbol on a line, turns it, or takes it away again. */
export function turnAlong(drawing: Drawing, line: Line, symbol: string): Change {
  const now = line.along?.find((mark) => mark.symbol === symbol);
  const next: Along[] = !now ? [{ symbol, facing: 'from' }] : now.facing === 'from' ? [{ symbol, facing: 'to' }] : [];
  return changeLine(drawing, line, { along: [...(line.along ?? []).filter((mark) => mark !== now), ...next] });
}

/** Points the pointer beside a line's text to one end, the other, or none. */
export const turnPointer = (drawing: Drawing, line: Line): Change =>
  changeLine(drawing, line, {
    pointer: line.pointer === undefined ? 'to' : line.pointer === 'to' ? 'from' : undefined,
  });

/** Moves shapes, and loose ends with the lines that are selected. */
export function move(drawing: Drawing, ids: ReadonlySet<string>, dx: number, dy: number, mergeKey?: string): Change {
  const steps: Step[] = [];
  for (const id of ids) {
    const shape = drawing.shapes.get(id);
    if (shape) steps.push(putShape(drawing, { ...shape, x: shape.x + Math.round(dx), y: shape.y + Math.round(dy) }));
    const line = drawing.lines.get(id);
    if (line && (line.from.on.kind === 'nothing' || line.to.on.kind === 'nothing')) {
      steps.push(putLine(drawing, { ...line, from: shift(line.from, dx, dy), to: shift(line.to, dx, dy) }));
    }
  }
  return { label: 'move', steps, mergeKey };
}

const shift = (end: LineEnd, dx: number, dy: number): LineEnd =>
  end.on.kind === 'nothing'
    ? { ...end, on: { kind: 'nothing', x: end.on.x + Math.round(dx), y: end.on.y + Math.round(dy) } }
    : end;

/** Deletes elements, and the lines that would hang on nothing. */
export function remove(drawing: Drawing, ids: ReadonlySet<string>): Change {
  const shapes = new Set([...ids].filter((id) => drawing.shapes.has(id)));
  const lines = new Set([...ids].filter((id) => drawing.lines.has(id)));
  for (const line of linesAt(drawing, shapes)) lines.add(line.id);
  for (const line of drawing.lines.values()) {
    if (
      [line.from, line.to].some(
        (end) =>
          (end.on.kind === 'line' && lines.has(end.on.id)) ||
          (end.on.kind === 'end' && lines.has(parseEndId(end.on.id)?.line ?? '')),
      )
    )
      lines.add(line.id);
  }
  const rows = new Set([...shapes].flatMap((id) => rowsOf(drawing.shapes.get(id)!).map((row) => row.id)));
  const gone = (element: string) => shapes.has(element) || rows.has(element) || lines.has(element.split('/')[0]!);
  return {
    label: 'delete',
    steps: [
      ...[...drawing.ties.values()]
        .filter((tie) => gone(tie.element))
        .map((tie): Step => ({ of: 'tie', id: tie.id, before: tie, after: null })),
      ...[...drawing.comments.values()]
        .filter((comment) => gone(comment.element))
        .map((comment): Step => ({ of: 'comment', id: comment.element, before: comment, after: null })),
      ...regionsWithout(drawing, shapes),
      ...[...lines].map((id): Step => ({ of: 'line', id, before: drawing.lines.get(id)!, after: null })),
      ...[...shapes].map((id): Step => ({ of: 'shape', id, before: drawing.shapes.get(id)!, after: null })),
    ],
  };
}

/** Changes one end of a line. */
export function changeEnd(
  drawing: Drawing,
  line: Line,
  side: Side,
  change: Partial<LineEnd>,
  mergeKey?: string,
): Change {
  return {
    label: 'change end',
    steps: [putLine(drawing, { ...line, [side]: { ...line[side], ...change } })],
    mergeKey,
  };
}

/** A line whose ends may stand at any edge. */
export const atAnyEdge = (line: Line): Line => ({ ...line, from: loose(line.from), to: loose(line.to) });

function loose(end: LineEnd): LineEnd {
  const { edge, ...free } = end;
  return edge ? free : end;
}

/** Changes a line itself. */
export const changeLine = (drawing: Drawing, line: Line, change: Partial<Line>): Change => ({
  label: 'change line',
  steps: [putLine(drawing, { ...line, ...change })],
});

/** Changes a shape itself. */
export const changeShape = (drawing: Drawing, shape: Shape, change: Partial<Shape>): Change => ({
  label: 'change shape',
  steps: [putShape(drawing, { ...shape, ...change })],
});

/** Changes one row of a box. */
export function changeRow(drawing: Drawing, shape: Shape, rowId: string, change: Partial<Row>): Change {
  const compartments = shape.compartments.map((rows) =>
    rows.map((row) => (row.id === rowId ? { ...row, ...change } : row)),
  );
  return changeShape(drawing, shape, { compartments });
}

/** Adds a row at the end of a box. */
export function addRow(drawing: Drawing, shape: Shape, text: string, newId: NewId): { change: Change; id: string } {
  const row: Row = { id: newId('t'), mark: '', ring: false, text, underline: 'none' };
  const [first = [], ...others] = shape.compartments;
  return { change: changeShape(drawing, shape, { compartments: [[...first, row], ...others] }), id: row.id };
}

/** Ties an element to a phrase, on top of another change. */
export function withTie(change: Change, tie: Omit<Tie, 'id'>, newId: NewId): Change {
  return { ...change, steps: [...change.steps, putTie({ ...tie, id: newId('tie') })] };
}

/** What "least" an end shows: its minimum mark. */
export type Least = '0' | '1' | 'unsaid';

/** What "most" an end shows: its maximum mark. */
export type Most = '1' | 'many' | 'unsaid';

/** The least and most that marks show, when they are plain ones in their usual order; otherwise null. */
export function readMarks(marks: readonly EndMark[]): { least: Least; most: Most } | null {
  const key = marks.join(' ');
  const known: Record<string, { least: Least; most: Most }> = {
    '': { least: 'unsaid', most: 'unsaid' },
    bar: { least: 'unsaid', most: '1' },
    foot: { least: 'unsaid', most: 'many' },
    ring: { least: '0', most: 'unsaid' },
    'bar bar': { least: '1', most: '1' },
    'bar ring': { least: '0', most: '1' },
    'foot bar': { least: '1', most: 'many' },
    'foot ring': { least: '0', most: 'many' },
  };
  return known[key] ?? null;
}

/** The marks, from the box outward, for a least and a most. */
export function marksFor(least: Least, most: Most): EndMark[] {
  const marks: EndMark[] = [];
  if (most !== 'unsaid') marks.push(most === '1' ? 'bar' : 'foot');
  if (least === '0') marks.push('ring');
  // A bar alone would read as the most: a least of one can be drawn only behind a most.
  if (least === '1' && most !== 'unsaid') marks.push('bar');
  return marks;
}
