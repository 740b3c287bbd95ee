/**
 * The drawing as a value: what is on a slate, as drawn, with no meaning in it. Never changed in place; every change is a
 * step (steps.ts). Positions and sizes are whole quarter units: four to a pixel at zoom 1.
 */
export type Form =
  | 'rectangle'
  | 'rounded'
  | 'oval'
  | 'diamond'
  | 'diamond-in-rectangle'
  | 'circle'
  | 'half-circle'
  | 'note'
  | 'junction';
export type Outline = 'single' | 'double' | 'dashed';
export type Stroke = 'solid' | 'dashed' | 'double';
export type Underline = 'none' | 'solid' | 'dashed';
export type EndMark =
  | 'bar'
  | 'ring'
  | 'foot'
  | 'foot-outward'
  | 'arrow'
  | 'open-arrow'
  | 'triangle'
  | 'solid-triangle'
  | 'diamond'
  | 'solid-diamond'
  | 'cross';

export interface Row {
  readonly id: string;
  readonly mark: string;
  readonly ring: boolean;
  readonly text: string;
  readonly underline: Underline;
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
}

export type Attachment =
  | { readonly kind: 'shape' | 'row' | 'line'; readonly id: string }
  | { readonly kind: 'nothing'; readonly x: number; readonly y: number };

export interface LineEnd {
  readonly on: Attachment;
  readonly marks: readonly EndMark[];
  readonly label: string;
  readonly role: string;
  readonly count: string;
}

export interface Line {
  readonly id: string;
  readonly stroke: Stroke;
  readonly text: string;
  readonly from: LineEnd;
  readonly to: LineEnd;
}

/** Ties an element to a phrase of the scenario, by the number of its block and where the phrase starts in it. */
export interface Tie {
  readonly id: string;
  readonly element: string;
  readonly block: number;
  readonly start: number;
  readonly quote: string;
}

export interface Drawing {
  readonly sheetId: string;
  readonly shapes: ReadonlyMap<string, Shape>;
  readonly lines: ReadonlyMap<string, Line>;
  readonly ties: ReadonlyMap<string, Tie>;
}

export const emptyDrawing: Drawing = { sheetId: 'sheet1', shapes: new Map(), lines: new Map(), ties: new Map() };

export type Side = 'from' | 'to';

export const endId = (line: string, side: Side) => `${line}/${side}`;

/** The line and side that an end's id names, or null when it is no end's id. */
export function parseEndId(id: string): { line: string; side: Side } | null {
  const at = id.lastIndexOf('/');
  const side = id.slice(at + 1);
  return at > 0 && (side === 'from' || side === 'to') ? { line: id.slice(0, at), side } : null;
}

export const rowsOf = (shape: Shape): Row[] => shape.compartments.flat();

export const plainEnd = (on: Attachment, marks: readonly EndMark[] = []): LineEnd => ({
  on,
  marks,
  label: '',
  role: '',
  count: '',
});

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
export const limits = { shapes: 500, lines: 1000, rows: 50, text: 200 } as const;
