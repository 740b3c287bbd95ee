import { parseEndId, rowsOf, type Attachment, type Drawing } from '../../drawing/document';

/**
 * What of a drawing is not shown yet after some steps: what later steps draw, what is in no step but belongs to that, and lines
 * that would lead to what is not there.
 */
export function notYet(drawing: Drawing, steps: readonly (readonly string[])[], done: number): ReadonlySet<string> {
  const hidden = new Set(steps.slice(done).flat());
  const listed = new Set(steps.flat());
  const ownerOf = new Map<string, string>();
  for (const shape of drawing.shapes.values()) for (const row of rowsOf(shape)) ownerOf.set(row.id, shape.id);
  const leadsNowhere = (on: Attachment): boolean => {
    if (on.kind === 'nothing') return false;
    const id = parseEndId(on.id)?.line ?? on.id;
    return hidden.has(id) || hidden.has(ownerOf.get(id) ?? '');
  };
  // Words beside the drawing come with what they are about: at the end, unless they stand alone.
  if (done < steps.length) for (const shape of drawing.shapes.values()) if (!listed.has(shape.id)) hidden.add(shape.id);
  // A line may lead to a line that leads to what is not there.
  for (let before = -1; before !== hidden.size;) {
    before = hidden.size;
    for (const line of drawing.lines.values())
      if (!hidden.has(line.id) && (leadsNowhere(line.from.on) || leadsNowhere(line.to.on))) hidden.add(line.id);
  }
  return hidden;
}
