import { describe, expect, it } from 'vitest';
import { allNotes, countedIn } from '../src/differences/ownNotes';

const adjustment = (amount: string, line: string | null = null) => ({
  id: 'a',
  line,
  amount,
  reason: 'Kept by night.',
  elements: ['e1'],
});

describe('what a marker gave or took besides what was found', () => {
  it('stands in the margin with what it costs, at its parts of the drawing', () => {
    const [note] = allNotes({ notes: [], adjustments: [adjustment('-1/2')] });
    expect(note).toMatchObject({ headline: 'Kept by night.', loss: '1/2', answerElements: ['e1'], tag: 'noted' });
    expect(allNotes({ notes: [], adjustments: [adjustment('3/4')] })[0]!.loss).toBe('-3/4');
  });

  it('says in which line it counts, in the total, or in a line that is gone', () => {
    const said = (line: string | null) => countedIn(allNotes({ notes: [], adjustments: [adjustment('1', line)] })[0]!);
    expect([said('Key of Visit'), said(null), said('')]).toEqual([
      'in “Key of Visit”',
      'in the total',
      'in a line that the scheme has no longer',
    ]);
  });
});
