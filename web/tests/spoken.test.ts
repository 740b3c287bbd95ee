import { describe, expect, it } from 'vitest';
import { pin } from '../src/drawing/arrange';
import { changeEnd } from '../src/drawing/edits';
import { rowsOf } from '../src/drawing/document';
import { nothing, select, selectEnd, selectRow } from '../src/drawing/selection';
import { endWays } from '../src/notations/endWays';
import { spoken } from '../src/slate/spoken';
import { apply } from '../src/drawing/steps';
import { Draw } from './drawings';

const drawn = () =>
  new Draw()
    .box('Visit', 0, 0, 'PK visit no', 'o remark')
    .box('Item', 400, 0)
    .line('Visit', 'Item', ['bar', 'bar'], ['foot', 'ring'], 'brings in');

describe('what is chosen, for whoever hears the slate', () => {
  it('is said as it is drawn', () => {
    const draw = drawn();
    const [line] = draw.drawing.lines.keys();
    const visit = draw.idOf('Visit');
    const row = rowsOf(draw.drawing.shapes.get(visit)!)[0]!.id;
    expect(spoken(draw.drawing, nothing, endWays.marks)).toBe('');
    expect(spoken(draw.drawing, select(visit), endWays.marks)).toBe('Visit, box, 2 rows, 1 line');
    expect(spoken(draw.drawing, selectRow(visit, row), endWays.marks)).toBe('row PK visit no');
    expect(spoken(draw.drawing, select(line!), endWays.marks)).toBe('solid line from Visit to Item');
    expect(spoken(draw.drawing, selectEnd(line!, 'from'), endWays.marks)).toBe(
      'end at Visit of the line to Item: least 1, most 1: verb brings in',
    );
    expect(spoken(draw.drawing, selectEnd(line!, 'to'), endWays.marks)).toBe(
      'end at Item of the line to Visit: least 0, most many',
    );
    expect(spoken(draw.drawing, select(visit, draw.idOf('Item')), endWays.marks)).toBe('2 elements chosen');
  });

  it('says least and most as the notation shows them', () => {
    const draw = drawn();
    const [line] = draw.drawing.lines.values();
    const counted = apply(draw.drawing, changeEnd(draw.drawing, line!, 'to', { marks: [], count: '0..1' }).steps);
    expect(spoken(counted, selectEnd(line!.id, 'to'), endWays.text)).toBe(
      'end at Item of the line to Visit: least 0, most 1: number 0..1',
    );
  });

  it('says what is pinned and what has no name', () => {
    const draw = new Draw().box('', 0, 0);
    const [id] = draw.drawing.shapes.keys();
    const pinned = apply(draw.drawing, pin(draw.drawing, new Set([id!])).steps);
    expect(spoken(pinned, select(id!), endWays.marks)).toBe('without a name, box, pinned');
  });
});
