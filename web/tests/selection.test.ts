import { describe, expect, it } from 'vitest';
import { remove } from '../src/drawing/edits';
import {
  currentOf,
  elementsOf,
  endsAround,
  gather,
  goTo,
  nothing,
  prune,
  select,
  selectEnd,
  selectRow,
  shapeOf,
} from '../src/drawing/selection';
import { apply } from '../src/drawing/steps';
import { rowsOf } from '../src/drawing/document';
import { Draw } from './drawings';

const drawn = () =>
  new Draw()
    .box('Visit', 0, 0, 'PK visit no', 'date')
    .box('Item', 400, 0, 'PK item no')
    .line('Visit', 'Item', ['bar', 'bar'], ['foot', 'bar'], 'brings in');

describe('what is chosen', () => {
  it('stays the same value while all of it is drawn', () => {
    const draw = drawn();
    const [line] = draw.drawing.lines.keys();
    for (const selection of [nothing, select(draw.idOf('Visit'), line!), selectEnd(line!, 'to')])
      expect(prune(selection, draw.drawing)).toBe(selection);
  });

  it('loses what is no longer drawn, and nothing else', () => {
    const draw = drawn();
    const [line] = draw.drawing.lines.keys();
    const after = apply(draw.drawing, remove(draw.drawing, new Set([draw.idOf('Item')])).steps);
    expect([...prune(select(draw.idOf('Visit'), draw.idOf('Item'), line!), after).ids]).toEqual([draw.idOf('Visit')]);
    expect(prune(selectEnd(line!, 'to'), after).end).toBeNull();
    const row = rowsOf(draw.drawing.shapes.get(draw.idOf('Item'))!)[0]!.id;
    expect(prune(selectRow(draw.idOf('Item'), row), after)).toEqual(nothing);
  });

  it('lights the very part that is chosen', () => {
    const draw = drawn();
    const [line] = draw.drawing.lines.keys();
    const row = rowsOf(draw.drawing.shapes.get(draw.idOf('Visit'))!)[1]!.id;
    expect(elementsOf(selectEnd(line!, 'from'))).toEqual([`${line}/from`]);
    expect(elementsOf(selectRow(draw.idOf('Visit'), row))).toEqual([row]);
    expect(elementsOf(select(line!))).toEqual([line]);
  });

  it('finds the box of a row', () => {
    const draw = drawn();
    const row = rowsOf(draw.drawing.shapes.get(draw.idOf('Item'))!)[0]!.id;
    expect(shapeOf(draw.drawing, row)).toBe(draw.idOf('Item'));
    expect(shapeOf(draw.drawing, draw.idOf('Item'))).toBe(draw.idOf('Item'));
    expect(shapeOf(draw.drawing, 'nowhere')).toBeNull();
  });

  it('walks the ends at a box in the order of their angles, both ends of a line to itself among them', () => {
    const draw = drawn().line('Visit', 'Visit').line('Item', 'Visit');
    const [first, loop, second] = [...draw.drawing.lines.keys()];
    const angles: Record<string, number> = {
      [`${first}/from`]: 3,
      [`${loop}/from`]: 1,
      [`${loop}/to`]: 2,
      [`${second}/to`]: 0.5,
    };
    expect(endsAround(draw.drawing, draw.idOf('Visit'), (line, side) => angles[`${line}/${side}`]!)).toEqual([
      `${second}/to`,
      `${loop}/from`,
      `${loop}/to`,
      `${first}/from`,
    ]);
  });

  it('is kept while one goes on to others, and let go where one is', () => {
    const kept = gather(select('a'));
    expect([...kept.ids]).toEqual(['a']);
    const two = goTo(kept, 'b');
    expect([...two.ids]).toEqual(['a', 'b']);
    expect(currentOf(two)).toBe('b');
    // Going on without keeping leaves only what was kept.
    expect([...goTo(two, 'c').ids]).toEqual(['a', 'c']);
    const both = gather(two);
    expect([...goTo(both, 'a').ids]).toEqual(['a', 'b']);
    expect([...gather(goTo(both, 'a')).ids]).toEqual(['b']);
    expect(goTo(select('a'), 'b')).toEqual(select('b'));
    expect(gather(nothing)).toBe(nothing);
  });

  it('keeps what it kept when another of it is taken away', () => {
    const draw = drawn();
    const both = gather(goTo(gather(select(draw.idOf('Visit'))), draw.idOf('Item')));
    const after = apply(draw.drawing, remove(draw.drawing, new Set([draw.idOf('Item')])).steps);
    const left = prune(both, after);
    expect([...left.ids]).toEqual([draw.idOf('Visit')]);
    expect(currentOf(left)).toBe(draw.idOf('Visit'));
  });
});
