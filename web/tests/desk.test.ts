import { describe, expect, it } from 'vitest';
import type { Schemas } from '../src/api/client';
import { countsOf } from '../src/features/desk/classCounts';
import { csvOf } from '../src/features/desk/classCsv';
import { isClosed, isDecided, isUnmarked, readyWorks } from '../src/features/desk/deskRules';

const work = (code: string, more: Partial<Schemas['ClassWork']> = {}): Schemas['ClassWork'] => ({
  id: code,
  code,
  state: 'checked',
  doubtful: false,
  late: false,
  minutes: null,
  total: '30',
  ...more,
});
const difference = (
  works: readonly number[],
  more: Partial<Schemas['DifferenceReply']> = {},
): Schemas['DifferenceReply'] => ({
  key: works.join(' '),
  code: 'entity-missing',
  tag: 'missing',
  headline: 'Crane is missing.',
  loss: '3',
  marked: true,
  forAll: null,
  places: works.map((at) => ({ work: at, finding: 'f', decision: null })),
  ...more,
});

describe('what is still to be decided', () => {
  it('is nothing once it is decided for all, or at each place', () => {
    expect(isDecided(difference([0, 1]))).toBe(false);
    expect(isDecided(difference([0, 1], { forAll: { decision: 'allow', part: null, comment: '' } }))).toBe(true);
    const [first, second] = difference([0, 1]).places;
    expect(isDecided(difference([0, 1], { places: [{ ...first!, decision: 'allow' }, second!] }))).toBe(false);
    expect(isUnmarked(difference([0], { marked: false }))).toBe(true);
    expect(isUnmarked(difference([0], { loss: '0' }))).toBe(true);
  });

  it('leaves an answer alone that is sure and decided in all that costs something', () => {
    const works = [work('A'), work('B', { doubtful: true }), work('C'), work('D', { state: 'gone-through' })];
    const allowed = { forAll: { decision: 'allow', part: null, comment: '' } } as const;
    const codes = (differences: Schemas['DifferenceReply'][]) => readyWorks(differences, works).map(({ code }) => code);
    expect(codes([difference([0, 2])])).toEqual([]);
    expect(codes([difference([0, 2], allowed), difference([2])])).toEqual(['A']);
    expect(codes([difference([0, 2], { marked: false })])).toEqual(['A', 'C']);
  });
});

const picture: Schemas['ClassPictureReply'] = {
  part: { id: 'p', exerciseId: 'e', exercise: 'Wharf', part: '', marks: '40', model: '{}' },
  works: ['A', 'B', 'C', 'D'].map((code) => work(code)),
  blind: 0,
  byVariant: [3],
  facts: [
    {
      id: 'min:r/to',
      concept: 'r/to',
      kind: 'min',
      title: 'minimum at Crane',
      value: '1',
      otherwise: [{ drawn: '0', works: [0, 1] }],
      absent: [2],
    },
    { id: 'entity:b1', concept: 'b1', kind: 'entity', title: 'Crane', value: 'Crane', otherwise: [], absent: [] },
  ],
  extras: [{ kind: 'Entity', name: '=Licence, "old"', near: ['b1'], places: [{ work: 0, element: 'x' }] }],
  lines: [{ id: 'l', title: 'Entity Crane', marks: '1', share: '3/4', tells: null, lost: [2] }],
  kinds: [{ code: 'cardinality-min', title: 'Wrong minimum', works: [0, 1] }],
};

describe('the picture of a class', () => {
  it('has a number where somebody has something else or nothing, and none where all have it', () => {
    const counts = countsOf(picture, 1);
    expect([...counts.keys()]).toEqual(['r/to']);
    expect(counts.get('r/to')!.amiss).toEqual([2, 0, 1]);
  });

  it('leaves out what too few drew, fact by fact', () => {
    expect(countsOf(picture, 2).get('r/to')!.amiss).toEqual([0, 1]);
    expect(countsOf(picture, 3).size).toBe(0);
  });

  it('is a table in which nothing is a formula and every count is there', () => {
    const rows = csvOf(picture).trimEnd().split('\r\n');
    expect(rows).toEqual([
      'of,what,wanted,drawn,answers',
      'fact,minimum at Crane,1,as wanted,0',
      'fact,minimum at Crane,1,0,2',
      'fact,minimum at Crane,1,not drawn,1',
      'fact,Crane,Crane,as wanted,3',
      `besides,Entity,,"'=Licence, ""old""",1`,
      'line,Entity Crane,1,0.75,4',
      'finding,Wrong minimum,,,2',
    ]);
  });
});

describe('a difference of which everybody has their marks', () => {
  it('is closed only when no answer that has it is still to be marked', () => {
    const works = [work('A', { state: 'released' }), work('B', { state: 'released' }), work('C')];
    expect(isClosed(difference([0, 1]), works)).toBe(true);
    expect(isClosed(difference([0, 2]), works)).toBe(false);
  });
});
