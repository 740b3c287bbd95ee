import { describe, expect, it } from 'vitest';
import { emptyDrawing } from '../src/drawing/document';
import { addShape } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';
import { completionOf, ownWords } from '../src/script/completion';

let n = 0;
const drawing = ['Visitor', 'Visit', '«interface» Bookable'].reduce(
  (before, text) =>
    apply(before, addShape(before, 'rectangle', 0, 0, (prefix) => `${prefix}${++n}`, text).change.steps),
  emptyDrawing,
);

describe('completion', () => {
  it('offers the shorter of two names that begin alike, and the longer as one types on', () => {
    const words = ownWords(drawing);
    expect(completionOf('Vi', words)).toBe('sit');
    expect(completionOf('Visit', words)).toBe('or');
    expect(completionOf('Visitor', words)).toBeNull();
  });

  it('offers a name without its stereotype, and only what is drawn', () => {
    expect(ownWords(drawing)).toContain('Bookable');
    expect(completionOf('It', ownWords(drawing))).toBeNull();
  });
});
