import { linesAt, type Drawing, type Line, type LineEnd } from '../drawing/document';
import { atAnyEdge } from '../drawing/edits';
import { apply, putLine, type Change } from '../drawing/steps';
import { boxOf } from './measure';
import { isStrained, planOf } from './orthogonal';
import { rowOwners, shapeAt } from './route';

/**
 * The lines that let go of the edges at which they were drawn, since what was moved made a long way round of them: only those between
 * something that moved and something that did not.
 */
export function lettingGo(drawing: Drawing, moved: ReadonlySet<string>): Line[] {
  const drawn = linesAt(drawing, moved).filter((line) => line.from.edge ?? line.to.edge);
  if (drawn.length === 0) return [];
  const owners = rowOwners(drawing);
  const isMoved = (end: LineEnd) => moved.has(shapeAt(end, owners) ?? '');
  const boxes = new Map([...drawing.shapes.values()].map((shape) => [shape.id, boxOf(shape)]));
  return drawn
    .filter((line) => isMoved(line.from) !== isMoved(line.to))
    .filter((line) => {
      const plan = planOf(line, boxes, owners);
      return plan && isStrained(plan, boxes);
    })
    .map(atAnyEdge);
}

/** A change that moves shapes, with the edges that lines let go of by it. */
export function withEdgesLetGo(drawing: Drawing, change: Change): Change {
  const moved = new Set(change.steps.filter(isMove).map((step) => step.id));
  if (moved.size === 0) return change;
  const after = apply(drawing, change.steps);
  const lines = lettingGo(after, moved).filter((line) => !change.steps.some((step) => step.id === line.id));
  return { ...change, steps: [...change.steps, ...lines.map((line) => putLine(drawing, line))] };
}

const isMove = (step: Change['steps'][number]) =>
  step.of === 'shape' &&
  step.before !== null &&
  step.after !== null &&
  (step.before.x !== step.after.x || step.before.y !== step.after.y);
