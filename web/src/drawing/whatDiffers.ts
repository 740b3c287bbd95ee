import { atAnyEdge } from './edits';
import type { Attachment, Drawing, Line, Shape } from './document';

/** The elements in which two states of one drawing differ, by name, each once and in the order of drawing. */
export interface Differing {
  readonly onlyHere: readonly string[];
  readonly onlyThere: readonly string[];
  readonly changed: readonly string[];
}

/** Compares what is drawn; where it stands and which phrase it is tied to make no difference. */
export function whatDiffers(here: Drawing, there: Drawing): Differing {
  const mine = namesOf(here);
  const theirs = namesOf(there);
  const pick = (names: ReadonlyMap<string, string>, wanted: (id: string) => boolean) => [
    ...new Set([...names].filter(([id]) => wanted(id)).map(([, name]) => name)),
  ];
  return {
    onlyHere: pick(mine, (id) => !theirs.has(id)),
    onlyThere: pick(theirs, (id) => !mine.has(id)),
    changed: pick(mine, (id) => theirs.has(id) && said(here, id) !== said(there, id)),
  };
}

function namesOf(drawing: Drawing): Map<string, string> {
  const names = new Map<string, string>();
  for (const shape of drawing.shapes.values()) names.set(shape.id, nameOf(shape));
  for (const line of drawing.lines.values()) names.set(line.id, nameOfLine(drawing, line));
  return names;
}

const nameOf = (shape: Shape) => shape.text.trim() || 'a shape without a name';

const nameOfLine = (drawing: Drawing, { from, to }: Line) =>
  `the line between ${nameAt(drawing, from.on)} and ${nameAt(drawing, to.on)}`;

function nameAt(drawing: Drawing, on: Attachment): string {
  const shape = on.kind === 'shape' ? drawing.shapes.get(on.id) : undefined;
  return shape ? nameOf(shape) : on.kind === 'nothing' ? 'nothing' : 'another element';
}

function said(drawing: Drawing, id: string): string {
  const shape = drawing.shapes.get(id);
  if (shape) return JSON.stringify({ ...shape, x: 0, y: 0 });
  const line = drawing.lines.get(id);
  return JSON.stringify(line && atAnyEdge(line));
}
