import { describe, expect, it } from 'vitest';
import type { Schemas } from '../src/api/client';
import { apart, joined, moved, reworded } from '../src/features/solution/editSteps';

const step = (
  name: string,
  elements = [name],
  own: Partial<Schemas['PartStepReply']> = {},
): Schemas['PartStepReply'] => ({
  said: `${name} is drawn.`,
  why: `Since ${name}.`,
  elements,
  places: [],
  pieces: [elements],
  ownSaid: null,
  ownWhy: null,
  ...own,
});
const three = [step('a'), step('b'), step('c')];

describe('steps of a model answer', () => {
  it('are moved, and keep what was written of them', () => {
    const steps = [step('a'), step('b', ['b'], { ownSaid: 'Mine.', said: 'Mine.' }), step('c')];
    expect(moved(steps, 1, 1).map(({ elements, said }) => [elements, said])).toEqual([
      [['a'], null],
      [['c'], null],
      [['b'], 'Mine.'],
    ]);
  });

  it('are joined with the one before, and taken apart again', () => {
    expect(joined(three, 1)).toEqual([
      { elements: ['a', 'b'], said: null, why: null },
      { elements: ['c'], said: null, why: null },
    ]);
    const both = step('ab', ['a', 'b'], { pieces: [['a'], ['b']] });
    expect(apart([both, step('c')], 0).map(({ elements }) => elements)).toEqual([['a'], ['b'], ['c']]);
  });

  it('lose no word of a person’s by being joined', () => {
    const mine = [step('a', ['a'], { ownWhy: 'Because.', why: 'Because.' }), step('b')];
    expect(joined(mine, 1)[0]).toEqual({ elements: ['a', 'b'], said: null, why: 'Because. Since b.' });
  });

  it('keep only words that are a person’s own', () => {
    expect(reworded(three, 0, 'a is drawn.', 'Since a.')[0]).toEqual({ elements: ['a'], said: null, why: null });
    expect(reworded(three, 0, ' First a. ', '')[0]).toEqual({ elements: ['a'], said: 'First a.', why: null });
  });
});
