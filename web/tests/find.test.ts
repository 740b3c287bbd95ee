import { describe, expect, it } from 'vitest';
import { find } from '../src/drawing/find';
import { Draw } from './drawings';

const drawn = () =>
  new Draw()
    .box('Night', 0, 0, 'PK night no', 'note')
    .box('Tonight', 300, 0, 'date')
    .box('Café of the Night', 600, 0, 'name')
    .line('Night', 'Tonight', [], [], 'begins at nightfall');
const names = (wanted: string) => find(drawn().drawing, wanted).map((found) => found.name);

describe('finding by name', () => {
  it('puts the very name first, then beginnings, beginnings of words, and what only holds it', () => {
    expect(names('night')).toEqual(['Night', 'night no', 'Café of the Night', 'begins at nightfall', 'Tonight']);
  });

  it('knows no case and no accents', () => {
    expect(names('CAFE')).toEqual(['Café of the Night']);
  });

  it('says where a row or a verb stands', () => {
    const found = find(drawn().drawing, 'date');
    expect(found.map(({ name, within }) => [name, within])).toEqual([['date', 'Tonight']]);
    expect(find(drawn().drawing, 'begins')[0]).toMatchObject({ within: 'Night and Tonight' });
  });

  it('finds nothing by nothing, and nothing that is not there', () => {
    expect(names('  ')).toEqual([]);
    expect(names('moon')).toEqual([]);
  });
});
