import { describe, expect, it } from 'vitest';
import type { Schemas } from '../src/api/client';
import { found, nothingWanted, topicsOf } from '../src/features/shelf/finding';

const exercise = (title: string, change: Partial<Schemas['ShelfExercise']> = {}): Schemas['ShelfExercise'] => ({
  id: title,
  title,
  cohortId: 'c1',
  cohort: 'Autumn',
  createdAt: `2030-01-0${title.length}`,
  published: true,
  parts: [{ learned: { notation: 'chen' } } as Schemas['PartDocument']],
  topics: [],
  facts: title.length,
  words: 100,
  answers: 0,
  earned: null,
  minutes: null,
  ...change,
});

const loft = exercise('Loft', { topics: ['weak entity', 'category'], earned: 0.5 });
const harbour = exercise('Harbour', {
  topics: ['weak entity'],
  parts: [{ learned: { notation: 'uml' } } as Schemas['PartDocument']],
  earned: 0.9,
});
const archive = exercise('Archive!', { topics: [] });
const all = [loft, harbour, archive];

describe('the shelf', () => {
  it('finds by words of title and topics, whichever case, all of them', () => {
    expect(found(all, { ...nothingWanted, words: 'WEAK' })).toEqual([harbour, loft]);
    expect(found(all, { ...nothingWanted, words: 'weak loft' })).toEqual([loft]);
    expect(found(all, { ...nothingWanted, words: '   ' })).toHaveLength(3);
  });

  it('finds what has all topics and the notation', () => {
    expect(found(all, { ...nothingWanted, topics: ['weak entity', 'category'] })).toEqual([loft]);
    expect(found(all, { ...nothingWanted, notation: 'uml' })).toEqual([harbour]);
  });

  it('puts what nobody has answered last, by whatever difficulty', () => {
    expect(found(all, { ...nothingWanted, order: 'hardest' })).toEqual([loft, harbour, archive]);
    expect(found(all, { ...nothingWanted, order: 'easiest' })).toEqual([harbour, loft, archive]);
    expect(found(all, { ...nothingWanted, order: 'longest' })[0]).toBe(archive);
  });

  it('counts the topics of what is shown, the commonest first', () => {
    expect(topicsOf(all)).toEqual([
      ['weak entity', 2],
      ['category', 1],
    ]);
  });
});
