import { describe, expect, it } from 'vitest';
import { changeEnd, changeShape, move, remove } from '../src/drawing/edits';
import { apply } from '../src/drawing/steps';
import { whatDiffers } from '../src/drawing/whatDiffers';
import { Draw } from './drawings';

const base = () => new Draw().box('Visit', 0, 0, 'PK visit no').box('Item', 400, 0).line('Visit', 'Item');

describe('two states of one drawing', () => {
  it('that are the same differ in nothing', () => {
    const { drawing } = base();
    expect(whatDiffers(drawing, drawing)).toEqual({ onlyHere: [], onlyThere: [], changed: [] });
  });

  it('do not differ by places', () => {
    const draw = base();
    const moved = apply(draw.drawing, move(draw.drawing, new Set([draw.idOf('Item')]), 80, 40).steps);
    expect(whatDiffers(draw.drawing, moved)).toEqual({ onlyHere: [], onlyThere: [], changed: [] });
  });

  it('name what only one of them has, a line by what it joins', () => {
    const draw = base();
    const without = apply(draw.drawing, remove(draw.drawing, new Set([draw.idOf('Item')])).steps);
    expect(whatDiffers(draw.drawing, without)).toEqual({
      onlyHere: ['Item', 'the line between Visit and Item'],
      onlyThere: [],
      changed: [],
    });
    expect(whatDiffers(without, draw.drawing).onlyThere).toEqual(['Item', 'the line between Visit and Item']);
  });

  it('name what is drawn differently, by its name here', () => {
    const draw = base();
    const shape = draw.drawing.shapes.get(draw.idOf('Item'))!;
    const renamed = apply(draw.drawing, changeShape(draw.drawing, shape, { text: '' }).steps);
    expect(whatDiffers(draw.drawing, renamed).changed).toEqual(['Item']);
    expect(whatDiffers(renamed, draw.drawing).changed).toEqual(['a shape without a name']);
    const [line] = draw.drawing.lines.values();
    const loose = apply(
      draw.drawing,
      changeEnd(draw.drawing, line!, 'to', { on: { kind: 'nothing', x: 0, y: 0 } }).steps,
    );
    expect(whatDiffers(loose, draw.drawing).changed).toEqual(['the line between Visit and nothing']);
  });
});
