import type { Drawing, Shape } from './document';

/** The ovals tied to a shape, in the order in which they were drawn. */
export function ovalsOf(drawing: Drawing, id: string, seen: ReadonlySet<string> = new Set()): Shape[] {
  const found: Shape[] = [];
  for (const line of drawing.lines.values()) {
    const [a, b] = [line.from.on, line.to.on];
    if (a.kind !== 'shape' || b.kind !== 'shape') continue;
    const other = a.id === id ? b.id : b.id === id ? a.id : null;
    const shape = other === null ? undefined : drawing.shapes.get(other);
    if (shape?.form === 'oval' && !seen.has(shape.id) && !found.includes(shape)) found.push(shape);
  }
  return found;
}

/** Whether an oval stands in a shape's fan, as an attribute or as a part of one. */
export const isInFan = (drawing: Drawing, owner: Shape, oval: Shape): boolean =>
  ovalsOf(drawing, owner.id).some((one) => one === oval || partsOf(drawing, owner.id, one).includes(oval));

export const partsOf = (drawing: Drawing, owner: string, oval: Shape) => ovalsOf(drawing, oval.id, new Set([owner]));
