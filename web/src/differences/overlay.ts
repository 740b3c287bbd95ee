import type { Schemas } from '../api/client';
import {
  firstSheet,
  parseEndId,
  rowsOf,
  type Attachment,
  type Drawing,
  type Line,
  type LineEnd,
  type Shape,
  type Sheet,
} from '../drawing/document';
import { freePlace } from '../geometry/neighbours';
import { boxOf } from '../geometry/measure';
import { isBox } from '../notations/forms';

/** What stands in the margin: a difference that was found, or what a marker gave or took besides. */
export interface Note extends Omit<Schemas['StudentNote'], 'tag'> {
  readonly tag: Schemas['Tag'] | 'noted';
  /** The line in which a marker's own note counts; null for the total. */
  readonly countsIn?: string | null;
}

/** The elements at which a note is shown. */
export interface Marked {
  readonly note: Note;
  readonly elements: readonly string[];
}

/** An answer with what is missing drawn into it in the examiner's hand. */
export interface Overlay {
  readonly drawing: Drawing;
  readonly ochre: ReadonlySet<string>;
  readonly ochreRows: ReadonlySet<string>;
  readonly marked: readonly Marked[];
}

const added = (id: string) => `model.${id}`;

/** Draws the differences into an answer: missing shapes, rows and lines of the model answer beside their right neighbours. */
export function overlayOf(
  answer: Drawing,
  model: Drawing,
  notes: readonly Note[],
  counterparts: Readonly<Record<string, string>>,
): Overlay {
  const builder = new OverlayBuilder(answer, model, counterparts);
  const marked = notes.map((note): Marked => ({ note, elements: builder.elementsOf(note) }));
  return { drawing: builder.drawing(), ochre: builder.ochre, ochreRows: builder.ochreRows, marked };
}

class OverlayBuilder {
  readonly ochre = new Set<string>();
  readonly ochreRows = new Set<string>();
  private readonly shapes: Map<string, Shape>;
  private readonly lines: Map<string, Line>;
  private readonly ownerOfModelRow = new Map<string, Shape>();
  private readonly sheets: Map<string, Sheet>;
  private readonly offset: { x: number; y: number };

  constructor(
    private readonly answer: Drawing,
    private readonly model: Drawing,
    private readonly counterparts: Readonly<Record<string, string>>,
  ) {
    this.shapes = new Map(answer.shapes);
    this.lines = new Map(answer.lines);
    this.sheets = new Map(answer.sheets);
    for (const shape of model.shapes.values()) for (const row of rowsOf(shape)) this.ownerOfModelRow.set(row.id, shape);
    this.offset = this.meanOffset();
  }

  drawing = (): Drawing => ({
    ...this.answer,
    shapes: this.shapes,
    lines: this.lines,
    sheets: this.sheets,
  });

  elementsOf(note: Note): string[] {
    if (note.tag === 'missing') {
      // Boxes first, so that missing lines find both their ends.
      const shapes = note.modelElements.filter((id) => this.model.shapes.has(id));
      const others = note.modelElements.filter((id) => !this.model.shapes.has(id));
      const drawn = [...shapes, ...others].map((id) => this.add(id)).filter((id) => id !== null);
      return drawn.length > 0 ? drawn : [...note.answerElements];
    }
    if (note.tag === 'moved') {
      const right = note.modelElements.map((id) => this.addRow(id)).filter((id) => id !== null);
      return [...note.answerElements, ...right];
    }
    return [...note.answerElements];
  }

  private add(id: string): string | null {
    const shape = this.model.shapes.get(id);
    if (shape) return this.addShape(shape);
    const line = this.model.lines.get(id);
    if (line) return this.addLine(line);
    return this.counterparts[id] || parseEndId(id) ? null : this.addRow(id);
  }

  private addShape(shape: Shape): string | null {
    if (this.counterparts[shape.id]) return null;
    const id = added(shape.id);
    if (!this.shapes.has(id)) {
      const size = boxOf(shape);
      const offset = this.offsetAt(shape.id) ?? this.offset;
      const near = { x: size.x + offset.x + size.width / 2, y: size.y + offset.y + size.height / 2 };
      const sheet = this.sheetFor(shape);
      const beside = [...this.shapes.values()].filter((other) => other.sheet === sheet);
      const spot = freePlace(beside.map(boxOf), near, size.width, size.height);
      const compartments = shape.compartments.map((rows) => rows.map((row) => ({ ...row, id: added(row.id) })));
      this.shapes.set(id, { ...shape, id, sheet, compartments, x: Math.round(spot.x * 4), y: Math.round(spot.y * 4) });
      this.ochre.add(id);
      this.tie(shape);
    }
    return id;
  }

  /** The answer's sheet of the same name or with the same things; one of its own for a sheet that the answer lacks altogether. */
  private sheetFor(shape: Shape): string | undefined {
    if (shape.sheet === undefined) return undefined;
    const { name } = this.model.sheets.get(shape.sheet)!;
    const alike = [...this.sheets.values()].find(
      (sheet) => name !== '' && sheet.name.toLowerCase() === name.toLowerCase(),
    );
    const beside = [...this.model.shapes.values()]
      .filter((other) => other.sheet === shape.sheet)
      .map((other) => this.answer.shapes.get(this.counterparts[other.id] ?? ''))
      .find((other) => other !== undefined);
    const found = alike?.id ?? (beside && (beside.sheet ?? firstSheet(this.answer)));
    if (found !== undefined) return found === firstSheet(this.answer) ? undefined : found;
    this.sheets.set(added(shape.sheet), { id: added(shape.sheet), name });
    return added(shape.sheet);
  }

  /**
   * What is drawn in is drawn with what ties it: an attribute to its owner, a box to its attributes, and what joins others to all of them.
   */
  private tie(shape: Shape) {
    for (const line of this.model.lines.values()) {
      const ids = [line.from, line.to].map(({ on }) => (on.kind === 'shape' ? on.id : ''));
      const other = this.model.shapes.get(ids.find((id) => id !== shape.id) ?? '');
      if (!ids.includes(shape.id) || !other) continue;
      const isThere = Boolean(this.counterparts[other.id]) || this.shapes.has(added(other.id));
      if (isBox(shape.form) ? other.form === 'oval' : shape.form !== 'oval' || isThere) this.addLine(line);
    }
  }

  private addLine(line: Line): string | null {
    const id = added(line.id);
    if (this.counterparts[line.id]) return null;
    if (this.lines.has(id)) return id;
    const [from, to] = [this.endFor(line.from), this.endFor(line.to)];
    if (!from || !to) return null;
    const sheet = from.on.kind === 'shape' ? this.shapes.get(from.on.id)?.sheet : undefined;
    this.lines.set(id, { ...line, id, sheet, from, to });
    this.ochre.add(id);
    return id;
  }

  private endFor(end: LineEnd): LineEnd | null {
    if (end.on.kind !== 'shape') return null;
    const shape = this.counterparts[end.on.id] ?? this.addShape(this.model.shapes.get(end.on.id)!);
    if (!shape || !this.shapes.has(shape)) return null;
    const on: Attachment = { kind: 'shape', id: shape };
    return { ...end, on };
  }

  private addRow(modelRow: string): string | null {
    const owner = this.ownerOfModelRow.get(modelRow);
    const home = owner && this.shapes.get(this.counterparts[owner.id] ?? added(owner.id));
    const row = owner && rowsOf(owner).find((candidate) => candidate.id === modelRow);
    if (!home || !row) return null;
    const id = added(row.id);
    if (!rowsOf(home).some((candidate) => candidate.id === id)) {
      const [first = [], ...rest] = home.compartments;
      this.shapes.set(home.id, { ...home, compartments: [[...first, { ...row, id }], ...rest] });
    }
    this.ochreRows.add(id);
    return id;
  }

  /** How far those to which a shape is tied in the model answer stand from where it has them; null when none is drawn. */
  private offsetAt(shape: string): { x: number; y: number } | null {
    const moved: { x: number; y: number }[] = [];
    for (const line of this.model.lines.values()) {
      const ids = [line.from, line.to].map(({ on }) => (on.kind === 'shape' ? on.id : ''));
      const other = ids.includes(shape) ? this.model.shapes.get(ids.find((id) => id !== shape) ?? '') : undefined;
      const drawn = other && this.answer.shapes.get(this.counterparts[other.id] ?? '');
      if (drawn) moved.push({ x: (drawn.x - other.x) / 4, y: (drawn.y - other.y) / 4 });
    }
    const sum = moved.reduce((all, one) => ({ x: all.x + one.x, y: all.y + one.y }), { x: 0, y: 0 });
    return moved.length === 0 ? null : { x: sum.x / moved.length, y: sum.y / moved.length };
  }

  /** How far, on average, the answer's boxes stand from where the model answer has them, in pixels. */
  private meanOffset(): { x: number; y: number } {
    let [x, y, pairs] = [0, 0, 0];
    for (const shape of this.model.shapes.values()) {
      const drawn = this.answer.shapes.get(this.counterparts[shape.id] ?? '');
      if (!drawn) continue;
      x += (drawn.x - shape.x) / 4;
      y += (drawn.y - shape.y) / 4;
      pairs++;
    }
    return pairs === 0 ? { x: 0, y: 0 } : { x: x / pairs, y: y / pairs };
  }
}
