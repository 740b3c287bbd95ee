import type { Form, Line } from '../../drawing/document';
import { joinsBoxes } from '../../drawing/edits';
import type { Slate } from '../useSlate';
import { formOf } from '../../notations/forms';

/** The forms that a key places, in the order in which their row shows them; a form without a key of its own is placed from there. */
export const formDeeds: Readonly<Record<string, Form>> = {
  box: 'rectangle',
  rounded: 'rounded',
  diamond: 'diamond',
  oval: 'oval',
  circle: 'circle',
  'half-circle': 'half-circle',
  'diamond-box': 'diamond-in-rectangle',
  ball: 'ball',
  junction: 'junction',
  note: 'note',
};

/** Whether a diamond can be set into a line: where two boxes are tied by one, and the line ties two. */
export const mayHaveDiamond = ({ notation, drawing }: Slate, line: Line) =>
  notation.tiesByDiamond === true && joinsBoxes(drawing, line);

/** Whether a form, placed while shapes are chosen, is tied to them. */
export const tiesItself = (form: Form) => form !== 'note' && formOf(form).layout !== 'rows';
