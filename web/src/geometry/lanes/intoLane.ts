import type { Drawing } from '../../drawing/document';
import { ontoSheet } from '../../drawing/sheets';
import { apply, type Change } from '../../drawing/steps';
import { boxOf } from '../measure';
import { drawingOf } from '../scene';
import { setOut } from './setOut';

/** The same change with what it adds to a sheet on a lane, where the arrows of that sheet run in lanes. */
export function intoLane(drawing: Drawing, added: Change, id: string, sheet: string): Change {
  const after = drawingOf(apply(drawing, ontoSheet(added, drawing, sheet).steps), sheet);
  const boxes = new Map([...after.shapes].map(([shape, one]) => [shape, boxOf(one)]));
  const at = setOut(after, boxes, new Set([id]))?.get(id);
  if (!at) return added;
  const place = { x: Math.round(at.x * 4), y: Math.round(at.y * 4) };
  const steps = added.steps.map((step) =>
    step.of === 'shape' && step.id === id && step.after ? { ...step, after: { ...step.after, ...place } } : step,
  );
  return { ...added, steps };
}
