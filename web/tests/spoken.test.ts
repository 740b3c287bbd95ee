import { describe, expect, it } from 'vitest';
import { pin } from '../src/slate/arrange';
import { rowsOf } from '../src/slate/document';
import { nothing, select, selectEnd, selectRow } from '../src/slate/selection';
import { spoken } from '../src/slate/spoken';
import { apply } from '../src/slate/steps';
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
    expect(spoken(draw.drawing, nothing)).toBe('');
    expect(spoken(draw.drawing, select(visit))).toBe('Visit, box, 2 rows, 1 line');
    expect(spoken(draw.drawing, selectRow(visit, row))).toBe('row PK visit no');
    expect(spoken(draw.drawing, select(line!))).toBe('solid line from Visit to Item');
    expect(spoken(draw.drawing, selectEnd(line!, 'from'))).toBe(
      'end at Visit of the line to Item: least 1, most 1: verb brings in',
    );
    expect(spoken(draw.drawing, selectEnd(line!, 'to'))).toBe('end at Item of the line to Visit: least 0, most many');
    expect(spoken(draw.drawing, select(visit, draw.idOf('Item')))).toBe('2 elements chosen');
  });

  it('says what is pinned and what has no name', () => {
    const draw = new Draw().box('', 0, 0);
    const [id] = draw.drawing.shapes.keys();
    const pinned = apply(draw.drawing, pin(draw.drawing, new Set([id!])).steps);
    expect(spoken(pinned, select(id!))).toBe('without a name, box, pinned');
  });
});
