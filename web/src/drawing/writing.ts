import { boxOfText, textOfBox } from './boxText';
import type { Drawing, Shape } from './document';
import { changeShape, cupsFor, type NewId } from './edits';
import { changeOfCells, textOfCell } from './cells';
import { formOf, isBox } from '../notations/forms';
import type { SlateNotation } from '../notations/notations';
import { changeOfStem, textOfStem } from './stem';
import { tableOfText, textOfTable } from './tableText';
import type { Change } from './steps';

/** How one shape is written in place: what stands in the field, and what typing makes of the drawing. */
export interface Writing {
  readonly text: string;
  /** Whether Enter gives a next line rather than ending. */
  readonly lines: boolean;
  readonly hint: string;
  readonly label: string;
  change(drawing: Drawing, shape: Shape, text: string, newId: NewId): Change | null;
}

const ends = 'Esc: done.';

const hasStem = (notation: SlateNotation, shape: Shape) =>
  notation.boxWay === 'stem' && isBox(shape.form) && shape.compartments.length === 0;

/** The way in which a shape is written in a notation. With `meaning`, a stem's words say what its ovals mean. */
export function writingOf(notation: SlateNotation, drawing: Drawing, shape: Shape, meaning: boolean): Writing {
  if (hasStem(notation, shape))
    return {
      text: textOfStem(drawing, shape, meaning),
      lines: true,
      hint: meaning
        ? notation.hint
        : 'Enter: next oval. (underlined), (double), (dashed) or (first, last) behind. Esc: done.',
      label: 'Name, then one attribute a line',
      change: (now, current, text, newId) => nullIfEmpty(changeOfStem(now, current, text, newId)),
    };
  // Tables stand on the sheets of stages; on the first, every attribute has a box of its own.
  if (notation.boxWay === 'cells' && isBox(shape.form) && shape.sheet !== undefined)
    return {
      text: textOfTable(shape, meaning),
      lines: true,
      hint: meaning
        ? 'Enter: next column. (key), (alternate key) or (foreign key) behind. Esc: done.'
        : 'Enter: next column. (underlined), (AK1) or (FK) behind. Esc: done.',
      label: 'Name of the table, then one column a line',
      change: (now, current, text, newId) => {
        const next = tableOfText(current, text, newId);
        return next.text !== current.text || next.compartments !== current.compartments
          ? changeShape(now, current, next)
          : null;
      },
    };
  if (notation.boxWay === 'cells' && isBox(shape.form) && shape.compartments.length === 0) {
    const made: string[] = [];
    return {
      text: textOfCell(shape, meaning),
      lines: true,
      hint: meaning ? notation.hint : notation.hint.replace('(key)', '(underlined)'),
      label: 'Name, then one attribute a line',
      change: (now, current, text, newId) => changeOfCells(now, current, text, newId, made),
    };
  }
  if (isBox(shape.form)) {
    const compartments = notation.boxWay === 'compartments';
    return {
      text: textOfBox(shape),
      lines: true,
      hint: notation.boxWay === 'stem' ? ends : notation.hint,
      label: 'Name, then one attribute a line',
      change: (now, current, text, newId) => {
        const next = boxOfText(current, text, newId, compartments);
        return next.text !== current.text || next.compartments !== current.compartments
          ? changeShape(now, current, next)
          : null;
      },
    };
  }
  return {
    text: shape.text,
    lines: formOf(shape.form).layout === 'lines',
    hint: ends,
    label: 'Text',
    change: (now, current, text) => {
      if (text.trim() === current.text) return null;
      const change = changeShape(now, current, { text: text.trim() });
      return current.form === 'circle'
        ? { ...change, steps: [...change.steps, ...cupsFor(now, current, text)] }
        : change;
    },
  };
}

const nullIfEmpty = (change: Change): Change | null => (change.steps.length === 0 ? null : change);
