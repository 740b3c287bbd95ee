import type { Form } from '../drawing/document';
import type { Box, Point } from '../geometry/boxes';

/** The figures that shapes may have, from the data files that every painter reads. */
export interface FormSymbol {
  readonly name: Form;
  readonly says: string;
  readonly notations: readonly string[];
  readonly edge: readonly string[];
  readonly details?: readonly string[];
  readonly double?: readonly string[];
  readonly inset?: readonly [number, number];
  readonly layout: 'rows' | 'cells' | 'middle' | 'lines' | 'below';
  readonly rim: 'box' | 'ellipse' | 'diamond' | 'dome';
  readonly least: readonly [number, number];
  readonly pad?: number;
  readonly widen?: number;
  readonly drop?: number;
  readonly solid?: boolean;
}

const files = import.meta.glob<FormSymbol>('../../../symbols/forms/*.json', { eager: true, import: 'default' });

export const forms: ReadonlyMap<Form, FormSymbol> = new Map(Object.values(files).map((form) => [form.name, form]));

export const formOf = (form: Form): FormSymbol => forms.get(form) ?? forms.get('rectangle')!;

/** Whether a form holds lines of text: beneath each other, or beside each other in cells. */
export const isBox = (form: Form) => isStrip(form) || formOf(form).layout === 'rows';

/** Whether a form holds lines of text beside each other, in cells. */
export const isStrip = (form: Form) => formOf(form).layout === 'cells';

/** A form's path in a box: each number counts in parts of its width or height, with pixels after a tilde. */
export function formPath(d: string, box: Box): string {
  return [...d.matchAll(/([MLCZ])([^MLCZ]*)/g)]
    .map(([, command, rest]) => {
      const numbers = rest!.match(/-?\d*\.?\d+(?:~-?\d*\.?\d+)?/g) ?? [];
      return (
        command +
        numbers
          .map((number, i) => {
            const [part, pixels = '0'] = number.split('~');
            const [start, length] = i % 2 === 0 ? [box.x, box.width] : [box.y, box.height];
            return Math.round((start + Number(part) * length + Number(pixels)) * 100) / 100;
          })
          .join(' ')
      );
    })
    .join('');
}

const inside: Readonly<Record<FormSymbol['rim'], (x: number, y: number) => boolean>> = {
  box: (x, y) => Math.abs(x) <= 1 && Math.abs(y) <= 1,
  ellipse: (x, y) => x * x + y * y <= 1,
  diamond: (x, y) => Math.abs(x) + Math.abs(y) <= 1,
  // Round above, flat beneath: half an ellipse whose middle is at the bottom.
  dome: (x, y) => y <= 1 && x * x + ((1 - y) / 2) ** 2 <= 1,
};

/** Where a straight line from a point in a shape, in a direction, crosses the shape's edge. */
export function rimPoint(form: Form, box: Box, from: Point, towards: Point): Point {
  const holds = inside[formOf(form).rim];
  const [rx, ry] = [box.width / 2, box.height / 2];
  const middle = { x: box.x + rx, y: box.y + ry };
  const length = Math.hypot(towards.x - from.x, towards.y - from.y);
  if (length === 0) return from;
  const [dx, dy] = [(towards.x - from.x) / length, (towards.y - from.y) / length];
  let [low, high] = [0, box.width + box.height];
  for (let i = 0; i < 24; i++) {
    const t = (low + high) / 2;
    if (holds((from.x + dx * t - middle.x) / rx, (from.y + dy * t - middle.y) / ry)) low = t;
    else high = t;
  }
  return { x: Math.round((from.x + dx * low) * 4) / 4, y: Math.round((from.y + dy * low) * 4) / 4 };
}
