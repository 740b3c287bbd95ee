import type { Edge } from '../geometry/boxes';

/**
 * The drawing as a value: what is on a slate, as drawn, with no meaning in it. Never changed in place; every change is a
 * step (steps.ts). Positions and sizes are whole quarter units: four to a pixel at zoom 1.
 */
/** The name of a form, of a mark at an end, of a symbol on a line: those of the files in symbols/. */
export type Form = string;
export type EndMark = string;
export type AlongMark = string;
export type Outline = 'single' | 'double' | 'dashed';
/** A thin line says nothing yet by how it is drawn. */
export type Stroke = 'solid' | 'dashed' | 'double' | 'thin';
export type Underline = 'none' | 'solid' | 'dashed';

export interface Row {
  readonly id: string;
  readonly mark: string;
  readonly ring: boolean;
  readonly text: string;
  readonly underline: Underline;
  readonly italic?: boolean;
}

export interface Shape {
  readonly id: string;
  readonly form: Form;
  readonly outline: Outline;
  readonly text: string;
  readonly compartments: readonly (readonly Row[])[];
  readonly x: number;
  readonly y: number;
  /** Stays where it is while the rest is tidied up. */
  readonly pinned?: boolean;
  readonly underline?: Underline;
  readonly italic?: boolean;
  /** The sheet on which it stands, when that is not the first. */
  readonly sheet?: string;
}

export type Attachment =
  | { readonly kind: 'shape' | 'row' | 'line' | 'end'; readonly id: string }
  | { readonly kind: 'nothing'; readonly x: number; readonly y: number };

export interface LineEnd {
  readonly on: Attachment;
  readonly marks: readonly EndMark[];
  readonly label: string;
  readonly role: string;
  readonly count: string;
  /** In a small box between the end and what it is at. */
  readonly qualifier?: string;
  /** The edge of its box at which its author drew it, until the boxes are arranged otherwise. */
  readonly edge?: Edge;
}

/** A symbol on a line, and the end to which it is turned. */
export interface Along {
  readonly symbol: AlongMark;
  readonly facing: Side;
}

export interface Line {
  readonly id: string;
  readonly stroke: Stroke;
  readonly text: string;
  readonly from: LineEnd;
  readonly to: LineEnd;
  readonly along?: readonly Along[];
  /** The end to which a small solid pointer beside the text points. */
  readonly pointer?: Side;
  readonly sheet?: string;
}

/** Ties an element to a phrase of the scenario, by the number of its block and where the phrase starts in it. */
export interface Tie {
  readonly id: string;
  readonly element: string;
  readonly block: number;
  readonly start: number;
  readonly quote: string;
}

/** A coloured region behind the shapes that it lists. */
export interface Region {
  readonly id: string;
  readonly text: string;
  readonly hue: number;
  readonly members: readonly string[];
  readonly sheet?: string;
}

/** What an author noted about an element. */
export interface Comment {
  readonly element: string;
  readonly text: string;
}

export interface Sheet {
  readonly id: string;
  readonly name: string;
}

export interface Drawing {
  /** In their order; the first holds whatever names no sheet. */
  readonly sheets: ReadonlyMap<string, Sheet>;
  readonly shapes: ReadonlyMap<string, Shape>;
  readonly lines: ReadonlyMap<string, Line>;
  readonly ties: ReadonlyMap<string, Tie>;
  readonly regions: ReadonlyMap<string, Region>;
  readonly comments: ReadonlyMap<string, Comment>;
}

export const emptyDrawing: Drawing = {
  sheets: new Map([['sheet1', { id: 'sheet1', name: '' }]]),
  shapes: new Map(),
  lines: new Map(),
  ties: new Map(),
  regions: new Map(),
  comments: new Map(),
};

export type Side = 'from' | 'to';

export const endId = (line: string, side: Side) => `${line}/${side}`;

/** The line and side that an end's id names, or null when it is no end's id. */
export function parseEndId(id: string): { line: string; side: Side } | null {
  const at = id.lastIndexOf('/');
  const side = id.slice(at + 1);
  return at > 0 && (side === 'from' || side === 'to') ? { line: id.slice(0, at), side } : null;
}

export const rowsOf = (shape: Shape): Row[] => shape.compartments.flat();

export const onShape = (id: string): Attachment => ({ kind: 'shape', id });

export const plainEnd = (on: Attachment, marks: readonly EndMark[] = []): LineEnd => ({
  on,
  marks,
  label: '',
  role: '',
  count: '',
});

/** The id of the sheet that holds whatever names none. */
export const firstSheet = (drawing: Drawing): string => [...drawing.sheets.keys()][0] ?? 'sheet1';

/** What is written in a shape, or in a line of text of one. */
export function textOf(drawing: Drawing, id: string): string {
  const shape = drawing.shapes.get(id);
  if (shape) return shape.text;
  return [...drawing.shapes.values()].flatMap(rowsOf).find((row) => row.id === id)?.text ?? '';
}

/** Where a line ends that leads to a shape, or to a line of text in one. */
export const onElement = (drawing: Drawing, id: string): Attachment =>
  drawing.shapes.has(id) ? onShape(id) : { kind: 'row', id };

/** The lines that have an end at one of these shapes, or at a row in one of them. */
export function linesAt(drawing: Drawing, shapes: ReadonlySet<string>): Line[] {
  const rows = new Set<string>();
  for (const id of shapes) {
    const shape = drawing.shapes.get(id);
    if (shape) for (const row of rowsOf(shape)) rows.add(row.id);
  }
  const touches = (end: LineEnd) =>
    (end.on.kind === 'shape' && shapes.has(end.on.id)) || (end.on.kind === 'row' && rows.has(end.on.id));
  return [...drawing.lines.values()].filter((line) => touches(line.from) || touches(line.to));
}

/** What a drawing may hold; the same numbers stand in the published schema. */
export const limits = {
  shapes: 500,
  lines: 1000,
  rows: 50,
  compartments: 8,
  text: 200,
  marks: 4,
  sheets: 20,
  regions: 40,
  ties: 2000,
  comment: 1000,
  coordinate: 400_000,
} as const;
