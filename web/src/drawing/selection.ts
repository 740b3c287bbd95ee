import { isStrip } from '../notations/forms';
import { parseEndId, rowsOf, type Drawing, type Side } from './document';

/** What is chosen on the slate: whole elements, or one end of a line, or one row of a box. */
export interface Selection {
  readonly ids: ReadonlySet<string>;
  readonly end: { readonly line: string; readonly side: Side } | null;
  readonly row: string | null;
  /** What stays chosen while one goes on to others, and the one at which one is. */
  readonly held?: ReadonlySet<string>;
  readonly at?: string;
}

export const nothing: Selection = { ids: new Set(), end: null, row: null };

export const select = (...ids: string[]): Selection => ({ ids: new Set(ids), end: null, row: null });

export const selectEnd = (line: string, side: Side): Selection => ({
  ids: new Set([line]),
  end: { line, side },
  row: null,
});

export const selectRow = (shape: string, row: string): Selection => ({ ids: new Set([shape]), end: null, row });

/** Without what is no longer drawn. */
export function prune(selection: Selection, drawing: Drawing): Selection {
  const ids = [...selection.ids].filter((id) => drawing.shapes.has(id) || drawing.lines.has(id));
  const end = selection.end && drawing.lines.has(selection.end.line) ? selection.end : null;
  const row = selection.row && ids.some((id) => rowsOfId(drawing, id).includes(selection.row!)) ? selection.row : null;
  if (ids.length === selection.ids.size && end === selection.end && row === selection.row) return selection;
  if (!selection.held) return { ids: new Set(ids), end, row };
  const held = new Set(ids.filter((id) => selection.held!.has(id)));
  return { ids: new Set(ids), end, row, held, at: selection.at && ids.includes(selection.at) ? selection.at : ids[0] };
}

/** The one at which one is: of several, the last that one went to. */
export const currentOf = (selection: Selection): string | undefined => selection.at ?? [...selection.ids][0];

/** Keeps what is chosen while one goes on to others; at one that is kept already, lets that go. */
export function gather(selection: Selection): Selection {
  const at = currentOf(selection);
  if (at === undefined) return selection;
  const held = new Set(selection.ids);
  if (selection.held?.has(at)) held.delete(at);
  return { ids: held, end: null, row: null, held, at };
}

/** Goes to an element; what is kept stays chosen. */
export const goTo = (selection: Selection, id: string): Selection =>
  selection.held
    ? { ids: new Set([...selection.held, id]), end: null, row: null, held: selection.held, at: id }
    : select(id);

const rowsOfId = (drawing: Drawing, id: string) => {
  const shape = drawing.shapes.get(id);
  return shape ? rowsOf(shape).map((row) => row.id) : [];
};

/** The shape that holds an element: itself, or the box of a row. */
export function shapeOf(drawing: Drawing, element: string): string | null {
  if (drawing.shapes.has(element)) return element;
  for (const shape of drawing.shapes.values()) if (rowsOf(shape).some((row) => row.id === element)) return shape.id;
  return null;
}

/** A shape chosen, or a line of text in one. */
export function selectAt(drawing: Drawing, element: string): Selection {
  const owner = shapeOf(drawing, element);
  return owner === null || owner === element ? select(element) : selectRow(owner, element);
}

/** What a line leads to or from when one goes by what is chosen: a shape, or the cell of a strip. */
export function placeOf(drawing: Drawing, { ids, row }: Selection): string | undefined {
  const [id] = ids;
  const shape = id === undefined ? undefined : drawing.shapes.get(id);
  return row !== null && shape && isStrip(shape.form) ? row : id;
}

/** All elements that a selection lights: with an end, its own id. */
export const elementsOf = (selection: Selection): string[] =>
  selection.end
    ? [`${selection.end.line}/${selection.end.side}`]
    : selection.row
      ? [selection.row]
      : [...selection.ids];

/** The ends of the lines at a shape or at a row of it, clockwise from the top. */
export function endsAround(drawing: Drawing, shape: string, angleOf: (line: string, side: Side) => number): string[] {
  const ends: { id: string; angle: number }[] = [];
  const places = new Set([shape, ...rowsOfId(drawing, shape)]);
  for (const line of drawing.lines.values()) {
    for (const side of ['from', 'to'] as const) {
      const { on } = line[side];
      if ((on.kind === 'shape' || on.kind === 'row') && places.has(on.id))
        ends.push({ id: `${line.id}/${side}`, angle: angleOf(line.id, side) });
    }
  }
  return ends.sort((a, b) => a.angle - b.angle || (a.id < b.id ? -1 : 1)).map((end) => end.id);
}

export { parseEndId };

/** The selection of what elements are or belong to: a row's box, an end's line. */
export const selectOwners = (drawing: Drawing, elements: readonly string[]): Selection =>
  select(
    ...elements.flatMap((element) => {
      const owner = shapeOf(drawing, element) ?? parseEndId(element)?.line ?? element;
      return drawing.shapes.has(owner) || drawing.lines.has(owner) ? [owner] : [];
    }),
  );
