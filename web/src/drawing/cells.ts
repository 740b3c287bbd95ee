import type { Drawing, Shape } from './document';
import { addShape, changeShape, remove, type NewId } from './edits';
import { sizeOf } from '../geometry/measure';
import { apply, once, putShape, type Change, type Step } from './steps';

/** One attribute a line, each a box of its own: `job no (key)`. */
interface Cell {
  readonly text: string;
  readonly key: boolean;
}

const keyPattern = /\s*\((?:key|underlined)\)\s*$/i;
const gap = 28;
const between = 110;
const widest = 1180;

/** A box as it is typed: its name, and whether it is underlined, in the words of the class or of the slate. */
export const textOfCell = (shape: Shape, meaning: boolean) =>
  shape.text + ((shape.underline ?? 'none') === 'none' ? '' : ` (${meaning ? 'key' : 'underlined'})`);

function cellsOf(text: string): Cell[] {
  return text
    .split(/[\n\t;]|,\s/)
    .map((line) => ({ text: line.replace(keyPattern, '').trim(), key: keyPattern.test(line) }))
    .filter((cell, i) => i === 0 || cell.text !== '');
}

/**
 * What typing in a box makes of the drawing: the first line is the box, every other a box beside it, in rows. `made` holds the boxes of
 * earlier turns of the same typing, which are written anew rather than made again.
 */
export function changeOfCells(
  drawing: Drawing,
  shape: Shape,
  text: string,
  newId: NewId,
  made: string[],
): Change | null {
  const [first, ...more] = cellsOf(text);
  const steps: Step[] = [];
  let now = drawing;
  const take = (change: Change) => {
    steps.push(...change.steps);
    now = apply(now, change.steps);
  };
  const write = (box: Shape, { text, key }: Cell) => {
    const underline = key ? 'solid' : box.underline === 'dashed' ? 'dashed' : 'none';
    if (box.text !== text || (box.underline ?? 'none') !== underline) take(changeShape(now, box, { text, underline }));
  };
  write(shape, first ?? { text: '', key: false });
  let last = now.shapes.get(shape.id)!;
  for (const [i, cell] of more.entries()) {
    const known = now.shapes.get(made[i] ?? '');
    if (known) write(known, cell);
    else {
      const { x, y } = after(last, shape);
      const { change, id } = addShape(now, shape.form, x, y, newId, cell.text);
      take(change);
      made[i] = id;
      if (cell.key) take({ label: '', steps: [putShape(now, { ...now.shapes.get(id)!, underline: 'solid' })] });
    }
    last = now.shapes.get(made[i]!)!;
  }
  const gone = made.splice(more.length).filter((id) => now.shapes.has(id));
  if (gone.length > 0) take(remove(now, new Set(gone)));
  return steps.length === 0 ? null : { label: 'write attributes', steps: once(steps) };
}

/** Beside the last box, or in a row below the first. */
function after(last: Shape, first: Shape): { x: number; y: number } {
  const x = last.x + (sizeOf(last).width + gap) * 4;
  return x - first.x > widest * 4 ? { x: first.x, y: last.y + between * 4 } : { x, y: last.y };
}
