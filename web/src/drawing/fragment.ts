import { linesAt, parseEndId, type Drawing, type LineEnd } from './document';
import { shapeOf } from './selection';
import { isBox } from '../notations/forms';

/**
 * What of a drawing is around an element: what it is in, what is tied to that, and, past a diamond or a circle, what that ties it to. The
 * whole drawing where there is no such element.
 */
export function fragmentOf(drawing: Drawing, element: string): Drawing {
  const own = shapeOfElement(drawing, element);
  if (!own) return drawing;
  const owner = isBox(drawing.shapes.get(own)!.form)
    ? own
    : ([...neighbours(drawing, own)].find((id) => isBoxAt(drawing, id)) ?? own);
  const shapes = new Set([own, owner, ...neighbours(drawing, owner)]);
  for (const id of [...shapes]) if (isKnot(drawing, id)) for (const other of neighbours(drawing, id)) shapes.add(other);
  const among = (end: LineEnd) => {
    const at = placeOf(drawing, end);
    return at !== null && shapes.has(at);
  };
  return {
    ...drawing,
    shapes: new Map([...drawing.shapes].filter(([id]) => shapes.has(id))),
    lines: new Map([...drawing.lines].filter(([, line]) => among(line.from) && among(line.to))),
    ties: new Map(),
    regions: new Map(),
    comments: new Map(),
  };
}

const isBoxAt = (drawing: Drawing, id: string) => isBox(drawing.shapes.get(id)?.form ?? '');
const isKnot = (drawing: Drawing, id: string) => ['diamond', 'circle'].includes(drawing.shapes.get(id)?.form ?? '');

/** The shape that an element is in, or that a line begins at. */
function shapeOfElement(drawing: Drawing, element: string): string | null {
  const line = drawing.lines.get(parseEndId(element)?.line ?? element);
  return line ? placeOf(drawing, line.from) : shapeOf(drawing, element);
}

const placeOf = (drawing: Drawing, { on }: LineEnd): string | null =>
  on.kind === 'shape' || on.kind === 'row' ? shapeOf(drawing, on.id) : null;

/** The shapes that are tied to one, those first that were drawn first. */
function neighbours(drawing: Drawing, id: string): Set<string> {
  const found = new Set<string>();
  for (const line of linesAt(drawing, new Set([id])))
    for (const end of [line.from, line.to]) {
      const at = placeOf(drawing, end);
      if (at !== null && at !== id) found.add(at);
    }
  return found;
}
