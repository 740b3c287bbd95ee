import { describe, expect, it } from 'vitest';
import { emptyDrawing, type Drawing } from '../src/drawing/document';
import { addShape, addTied, changeLine } from '../src/drawing/edits';
import { slateNotation } from '../src/notations/notations';
import { apply } from '../src/drawing/steps';
import { writingOf } from '../src/drawing/writing';
import { counting } from './drawings';

const newId = counting();

/** A circle that its key has put below the first of three boxes. */
function below(): { drawing: Drawing; circle: string } {
  let drawing = emptyDrawing;
  const boxes = ['Person', 'Miller', 'Carter'].map((name, i) => {
    const { change, id } = addShape(drawing, 'rectangle', i * 800, 0, newId, name);
    drawing = apply(drawing, change.steps);
    return id;
  });
  const { change, id } = addTied(drawing, 'circle', 800, 400, boxes, newId);
  return { drawing: apply(drawing, change.steps), circle: id };
}

const cups = (drawing: Drawing) =>
  [...drawing.lines.values()].map(
    ({ along }) => along?.map(({ symbol, facing }) => `${symbol} to ${facing}`).join() ?? '',
  );

function write(drawing: Drawing, circle: string, letter: string): Drawing {
  const shape = drawing.shapes.get(circle)!;
  const change = writingOf(slateNotation({ notation: 'chen' }), drawing, shape, true).change(
    drawing,
    shape,
    letter,
    newId,
  );
  return change ? apply(drawing, change.steps) : drawing;
}

describe('a circle that a key places', () => {
  it('has a cup at each of the kinds below it, open to the circle', () => {
    expect(cups(below().drawing)).toEqual(['', 'cup to from', 'cup to from']);
  });

  it('moves the cup to the first where its letter says that it joins the others, and back', () => {
    const { drawing, circle } = below();
    const union = write(drawing, circle, 'u');
    expect(cups(union)).toEqual(['cup to to', '', '']);
    expect(cups(write(union, circle, 'd'))).toEqual(['', 'cup to from', 'cup to from']);
    expect(cups(write(drawing, circle, 'd'))).toEqual(['', 'cup to from', 'cup to from']);
  });

  it('leaves cups alone that somebody drew otherwise', () => {
    const { drawing, circle } = below();
    const last = [...drawing.lines.values()][2]!;
    const turned = apply(drawing, changeLine(drawing, last, { along: [{ symbol: 'cup', facing: 'to' }] }).steps);
    expect(cups(write(turned, circle, 'u'))).toEqual(['', 'cup to from', 'cup to to']);
  });
});
