import type {
  Attachment,
  Drawing,
  EndMark,
  Form,
  Line,
  LineEnd,
  Outline,
  Row,
  Shape,
  Stroke,
  Tie,
  Underline,
} from './document';
import type { Point } from './geometry';

/** The document format of drawings as JSON (docs/formats/drawing.md), as far as the slate reads and writes it. */
interface FileRow {
  id: string;
  mark?: string;
  ring?: boolean;
  text?: string;
  underline?: Underline;
}
interface FileShape {
  id: string;
  form: Form;
  outline?: Outline;
  text?: string;
  compartments?: FileRow[][];
  place?: [number, number, number, number];
  pinned?: boolean;
}
interface FileEnd {
  shape?: string;
  row?: string;
  line?: string;
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
}
interface FileDrawing {
  format: string;
  version: number;
  sheets: { id: string; name?: string; shapes?: FileShape[]; lines?: FileLine[] }[];
  ties?: { element: string; block: number; start: number; quote: string }[];
}

/** Reads a document that the server has checked. */
export function readDrawing(text: string): Drawing {
  const file = JSON.parse(text) as FileDrawing;
  const shapes = new Map<string, Shape>();
  const lines = new Map<string, Line>();
  for (const sheet of file.sheets) {
    for (const shape of sheet.shapes ?? []) shapes.set(shape.id, readShape(shape));
    for (const line of sheet.lines ?? []) lines.set(line.id, readLine(line));
  }
  const ties = new Map<string, Tie>((file.ties ?? []).map((tie, i) => [`tie${i}`, { id: `tie${i}`, ...tie }]));
  return { sheetId: file.sheets[0]?.id ?? 'sheet1', shapes, lines, ties };
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
  };
}

const readRow = (row: FileRow): Row => ({
  id: row.id,
  mark: row.mark ?? '',
  ring: row.ring ?? false,
  text: row.text ?? '',
  underline: row.underline ?? 'none',
});

function readLine(line: FileLine): Line {
  const route = line.route ?? [];
  return {
    id: line.id,
    stroke: line.stroke ?? 'solid',
    text: line.text ?? '',
    from: readEnd(line.from, route[0]),
    to: readEnd(line.to, route[route.length - 1]),
  };
}

function readEnd(end: FileEnd, at: [number, number] | undefined): LineEnd {
  const on: Attachment = end.shape
    ? { kind: 'shape', id: end.shape }
    : end.row
      ? { kind: 'row', id: end.row }
      : end.line
        ? { kind: 'line', id: end.line }
        : { kind: 'nothing', x: at?.[0] ?? 0, y: at?.[1] ?? 0 };
  return { on, marks: end.marks ?? [], label: end.label ?? '', role: end.role ?? '', count: end.count ?? '' };
}

/** What the layout adds to a document when it is written: sizes and routes, in quarter units. */
export interface Placement {
  sizeOf(shape: Shape): { width: number; height: number };
  routeOf(line: Line): readonly Point[];
}

/** Writes the document. The server makes it canonical. */
export function writeDrawing(drawing: Drawing, placement: Placement): string {
  const file: FileDrawing = {
    format: 'blue-slate-drawing',
    version: 1,
    sheets: [
      {
        id: drawing.sheetId,
        shapes: [...drawing.shapes.values()].map((shape) => writeShape(shape, placement)),
        lines: [...drawing.lines.values()].map((line) => writeLine(line, placement)),
      },
    ],
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
  };
}

function writeEnd(end: LineEnd): FileEnd {
  const { on, marks, label, role, count } = end;
  const attached = on.kind === 'nothing' ? {} : { [on.kind]: on.id };
  return { ...attached, marks: [...marks], label, role, count };
}
