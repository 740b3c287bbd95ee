import { describe, expect, it } from 'vitest';
import { readDrawing } from '../src/drawing/format';
import { notYet } from '../src/features/solution/upTo';

const drawing = readDrawing(
  JSON.stringify({
    format: 'blue-slate-drawing',
    version: 1,
    sheets: [
      {
        id: 'sheet1',
        shapes: [
          { id: 'a', form: 'rectangle', text: 'A', compartments: [[{ id: 'a1', text: 'no' }]] },
          { id: 'b', form: 'oval', text: 'b' },
          { id: 'n', form: 'note', text: 'a note' },
        ],
        lines: [
          { id: 'l', from: { shape: 'a' }, to: { shape: 'b' } },
          { id: 'm', from: { shape: 'n' }, to: { line: 'l' } },
        ],
      },
    ],
  }),
);
const steps = [['a'], ['b'], ['a1']];
const after = (done: number) => [...notYet(drawing, steps, done)].sort();

describe('a drawing that is built up', () => {
  it('shows nothing before its first step', () => expect(after(0)).toEqual(['a', 'a1', 'b', 'l', 'm', 'n']));
  it('shows no line that would lead to nothing', () => expect(after(1)).toEqual(['a1', 'b', 'l', 'm', 'n']));
  it('shows a line with the later of its two ends', () => expect(after(2)).toEqual(['a1', 'm', 'n']));
  it('shows all after its last, what is in no step too', () => expect(after(3)).toEqual([]));
});
