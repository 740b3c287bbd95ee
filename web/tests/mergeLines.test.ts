import { describe, expect, it } from 'vitest';
import { mergeLines } from '../src/script/mergeLines';

describe('lines that are written while what they say changes', () => {
  const base = ['Visitor', 'Visit: visit no'];

  it('gain what was drawn, before what is new here', () => {
    expect(mergeLines([...base, 'Item', ''], base, [...base, 'Tool'])).toEqual([...base, 'Tool', 'Item', '']);
    expect(mergeLines(['Item', ''], [], base)).toEqual([...base, 'Item', '']);
  });

  it('lose what was taken away, and keep what was written', () => {
    expect(mergeLines(['Visitor', 'Visit: visit no, date'], base, ['Visit: visit no'])).toEqual([
      'Visit: visit no, date',
    ]);
  });

  it('are as they are drawn where nothing was written, and as they were written where nothing was drawn', () => {
    const theirs = ['Visit: visit no', 'Tool'];
    expect(mergeLines(base, base, theirs)).toEqual(theirs);
    expect(mergeLines(['Fixer', ''], base, base)).toEqual(['Fixer', '']);
  });

  it('say nothing twice', () => {
    expect(mergeLines([...base, 'Tool'], base, [...base, 'Tool'])).toEqual([...base, 'Tool']);
  });
});
