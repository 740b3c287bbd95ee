import type { Drawing, Shape } from './document';
import { changeShape } from './edits';
import type { Change } from './steps';

/** Takes a row out of a box, and a compartment that is empty without it. */
export const removeRow = (drawing: Drawing, shape: Shape, row: string): Change =>
  changeShape(drawing, shape, {
    compartments: shape.compartments
      .map((part) => part.filter((one) => one.id !== row))
      .filter((part) => part.length > 0),
  });
