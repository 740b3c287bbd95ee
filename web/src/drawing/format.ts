import { firstSheet } from './document';
import type {
  Along,
  Attachment,
  Comment,
  Drawing,
  EndMark,
  Form,
  Line,
  LineEnd,
  Outline,
  Region,
  Row,
  Shape,
  Side,
  Stroke,
  Tie,
  Underline,
} from './document';
import type { EndText } from '../geometry/endTexts';
import type { Edge, Point } from '../geometry/boxes';

/** The document format of drawings as JSON (docs/formats/drawing.md), as far as the slate reads and writes it. */
interface FileRow {
  id: string;
  mark?: string;
  ring?: boolean;
  text?: string;
  underline?: Underline;
  italic?: boolean;
}
interface FileShape {
  id: string;
  form: Form;
  outline?: Outline;
  text?: string;
  compartments?: FileRow[][];
  place?: [number, number, number, number];
  pinned?: boolean;
  underline?: Underline;
  italic?: boolean;
}
interface FileEnd {
  shape?: string;
  row?: string;
  line?: string;
  end?: string;
  qualifier?: string;
  edge?: Edge;
  marks?: EndMark[];
  label?: string;
  role?: string;
  count?: string;
}
interface FileLine {
  id: string;
  stroke?: Stroke;
  text?: string;
  from: FileEnd;
  to: FileEnd;
  route?: [number, number][];
  along?: { symbol: string; facing?: Side }[];
  pointer?: Side | 'neither';
  labels?: FileLabel[];
}
interface FileLabel {
  of: 'label' | 'role' | 'count' | 'text';
  side: Side | 'neither';
  at: [number, number];
  ends?: true;
}
interface FileRegion {
  id: string;
  text?: string;
  hue?: number;
  members?: string[];
}
interface FileDrawing {
  format: string;
  version: number;
  sheets: { id: string; name?: string; shapes?: FileShape[]; lines?: FileLine[]; regions?: FileRegion[] }[];
  comments?: Comment[];
  ties?: { element: string; block: number; start: number; quote: string }[];
}

/** Reads a document that the server has checked. */
export function readDrawing(text: string): Drawing {
  const file = JSON.parse(text) as FileDrawing;
  const shapes = new Map<string, Shape>();
  const lines = new Map<string, Line>();
  const regions = new Map<string, Region>();
  for (const [i, sheet] of file.sheets.entries()) {
    const on = i > 0 ? { sheet: sheet.id } : {};
    for (const shape of sheet.shapes ?? []) shapes.set(shape.id, { ...readShape(shape), ...on });
    for (const line of sheet.lines ?? []) lines.set(line.id, { ...readLine(line), ...on });
    for (const { id, text = '', hue = 1, members = [] } of sheet.regions ?? [])
      regions.set(id, { id, text, hue, members, ...on });
  }
  const ties = new Map<string, Tie>((file.ties ?? []).map((tie, i) => [`tie${i}`, { id: `tie${i}`, ...tie }]));
  const comments = new Map((file.comments ?? []).map((comment) => [comment.element, comment]));
  const sheets = new Map(file.sheets.map(({ id, name = '' }) => [id, { id, name }]));
  return { sheets, shapes, lines, ties, regions, comments };
}

function readShape(shape: FileShape): Shape {
  const [x, y] = shape.place ?? [0, 0];
  return {
    id: shape.id,
    form: shape.form,
    outline: shape.outline ?? 'single',
    text: shape.text ?? '',
    compartments: (shape.compartments ?? []).map((rows) => rows.map(readRow)),
    x,
    y,
    ...(shape.pinned && { pinned: true }),
    ...styleOf(shape),
  };
}

/** Beneath and slant of a text, left out where they are plain. */
const styleOf = ({ underline, italic }: { underline?: Underline; italic?: boolean }) => ({
  ...(underline && underline !== 'none' && { underline }),
  ...(italic && { italic }),
});

const readRow = (row: FileRow): Row => ({
  id: row.id,
  mark: row.mark ?? '',
  ring: row.ring ?? false,
  text: row.text ?? '',
  underline: row.underline ?? 'none',
  ...(row.italic && { italic: true }),
});

function readLine(line: FileLine): Line {
  const route = line.route ?? [];
  return {
    id: line.id,
    stroke: line.stroke ?? 'solid',
    text: line.text ?? '',
    from: readEnd(line.from, route[0]),
    to: readEnd(line.to, route[route.length - 1]),
    ...(line.along && { along: line.along.map(({ symbol, facing = 'to' }): Along => ({ symbol, facing })) }),
    ...(line.pointer && line.pointer !== 'neither' && { pointer: line.pointer }),
  };
}

function readEnd(end: FileEnd, at: [number, number] | undefined): LineEnd {
  const on: Attachment = end.shape
    ? { kind: 'shape', id: end.shape }
    : end.row
      ? { kind: 'row', id: end.row }
      : end.line
        ? { kind: 'line', id: end.line }
        : end.end
          ? { kind: 'end', id: end.end }
          : { kind: 'nothing', x: at?.[0] ?? 0, y: at?.[1] ?? 0 };
  return {
    on,
    marks: end.marks ?? [],
    label: end.label ?? '',
    role: end.role ?? '',
    count: end.count ?? '',
    ...(end.qualifier && { qualifier: end.qualifier }),
    ...(end.edge && { edge: end.edge }),
  };
}

/** What the layout adds to a document when it is written: sizes and routes, in quarter units. */
export interface Placement {
  sizeOf(shape: Shape): { width: number; height: number };
  routeOf(line: Line): readonly Point[];
  textsOf(line: Line): readonly EndText[];
}

/** Writes the document. The server makes it canonical. */
export function writeDrawing(drawing: Drawing, placement: Placement): string {
  const file: FileDrawing = {
    format: 'blue-slate-drawing',
    version: 1,
    sheets: [...drawing.sheets.values()].map(({ id, name }) => {
      const on = (element: { sheet?: string }) => (element.sheet ?? firstSheet(drawing)) === id;
      return {
        id,
        name,
        shapes: [...drawing.shapes.values()].filter(on).map((shape) => writeShape(shape, placement)),
        lines: [...drawing.lines.values()].filter(on).map((line) => writeLine(line, placement)),
        regions: [...drawing.regions.values()]
          .filter(on)
          .map(({ id, text, hue, members }) => ({ id, text, hue, members: [...members] })),
      };
    }),
    comments: [...drawing.comments.values()],
    ties: [...drawing.ties.values()].map(({ element, block, start, quote }) => ({ element, block, start, quote })),
  };
  return JSON.stringify(file);
}

function writeShape(shape: Shape, placement: Placement): FileShape {
  const { width, height } = placement.sizeOf(shape);
  return {
    id: shape.id,
    form: shape.form,
    outline: shape.outline,
    text: shape.text,
    compartments: shape.compartments.map((rows) => rows.map((row) => ({ ...row }))),
    place: [shape.x, shape.y, width, height],
    ...(shape.pinned && { pinned: true }),
    ...styleOf(shape),
  };
}

function writeLine(line: Line, placement: Placement): FileLine {
  return {
    id: line.id,
    stroke: line.stroke,
    text: line.text,
    from: writeEnd(line.from),
    to: writeEnd(line.to),
    route: placement.routeOf(line).map((point) => [Math.round(point.x * 4), Math.round(point.y * 4)]),
    ...(line.along && { along: line.along.map((mark) => ({ ...mark })) }),
    ...(line.pointer && { pointer: line.pointer }),
    labels: placement.textsOf(line).map(writeLabel),
  };
}

const writeLabel = ({ of, side, x, y, anchor }: EndText): FileLabel => ({
  of: of === 'line' ? 'text' : of,
  side: of === 'line' ? 'neither' : side,
  at: [Math.round(x * 4), Math.round(y * 4)],
  ...(anchor === 'end' && { ends: true }),
});

function writeEnd(end: LineEnd): FileEnd {
  const { on, marks, label, role, count, qualifier, edge } = end;
  const attached = on.kind === 'nothing' ? {} : { [on.kind]: on.id };
  return {
    ...attached,
    marks: [...marks],
    label,
    role,
    count,
    ...(qualifier && { qualifier }),
    ...(edge && { edge }),
  };
}
