import { firstSheet, parseEndId, type Drawing, type Sheet } from './document';
import { shapeOf } from './selection';
import type { NewId } from './edits';
import type { Change, Step } from './steps';

/**
 * What a change makes new stands on the sheet that is shown, whatever made it; a change of sheets themselves, or one that knows where
 * everything goes, stays as it is.
 */
export function ontoSheet(change: Change, drawing: Drawing, sheet: string): Change {
  if (drawing.sheets.size < 2 || change.placed || change.steps.some((step) => step.of === 'sheet')) return change;
  const here = sheet === firstSheet(drawing) ? undefined : sheet;
  return {
    ...change,
    steps: change.steps.map((step) =>
      step.before === null && step.after !== null && (step.of === 'shape' || step.of === 'line' || step.of === 'region')
        ? ({ ...step, after: { ...step.after, sheet: here } } as Step)
        : step,
    ),
  };
}

/** The sheet on which an element stands; undefined for what is not drawn. */
export function sheetOf(drawing: Drawing, element: string): string | undefined {
  const shape = drawing.shapes.get(shapeOf(drawing, element) ?? '');
  const line = drawing.lines.get(parseEndId(element)?.line ?? element);
  return shape || line ? ((shape ?? line)!.sheet ?? firstSheet(drawing)) : undefined;
}

/** A new sheet after the others. */
export function addSheet(drawing: Drawing, newId: NewId): { change: Change; id: string } {
  const after: Sheet = { id: newId('s'), name: `sheet ${drawing.sheets.size + 1}` };
  return { change: { label: 'add sheet', steps: [{ of: 'sheet', id: after.id, before: null, after }] }, id: after.id };
}

/** A sheet under another name. */
export const nameSheet = (drawing: Drawing, id: string, name: string): Change => ({
  label: 'name sheet',
  steps: [{ of: 'sheet', id, before: drawing.sheets.get(id)!, after: { id, name } }],
});

/** Takes a sheet away with everything on it; the first stays. */
export function removeSheet(drawing: Drawing, id: string): Change | null {
  if (id === firstSheet(drawing)) return null;
  const steps: Step[] = [];
  for (const line of drawing.lines.values())
    if (line.sheet === id) steps.push({ of: 'line', id: line.id, before: line, after: null });
  for (const shape of drawing.shapes.values())
    if (shape.sheet === id) steps.push({ of: 'shape', id: shape.id, before: shape, after: null });
  for (const region of drawing.regions.values())
    if (region.sheet === id) steps.push({ of: 'region', id: region.id, before: region, after: null });
  steps.push({ of: 'sheet', id, before: drawing.sheets.get(id)!, after: null });
  return { label: 'remove sheet', steps };
}
