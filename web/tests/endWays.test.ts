import { describe, expect, it } from 'vitest';
import { plainEnd, type Line } from '../src/drawing/document';
import type { Least, Most } from '../src/drawing/edits';
import { endWays } from '../src/notations/endWays';
import { formsFor, slateNotation, tipsFor } from '../src/notations/notations';
import { boxOfText, textOfBox } from '../src/drawing/boxText';
import { completionOf } from '../src/script/completion';

const line: Line = {
  id: 'r1',
  stroke: 'solid',
  text: '',
  from: plainEnd({ kind: 'shape', id: 'b1' }),
  to: plainEnd({ kind: 'shape', id: 'b2' }),
};

const write = (way: keyof typeof endWays, least: Least, most: Most): Line => ({
  ...line,
  ...endWays[way].write(line, 'to', least, most),
});

describe('least and most at an end', () => {
  it.each([
    ['marks', '1', 'many', { marks: ['foot', 'bar'] }],
    ['text', '1', 'many', { count: '1..*' }],
    ['text', '0', '1', { count: '0..1' }],
    ['text', '0', 'many', { count: '*' }],
    ['text', 'unsaid', 'unsaid', { count: '' }],
    ['letters', '0', 'many', { count: 'N' }],
    ['letters', '1', '1', { count: '1' }],
    ['pairs', '1', 'many', { count: '(1,n)' }],
    ['pairs', '0', '1', { count: '(0,1)' }],
  ] as const)('%s: %s and %s', (way, least, most, end) => {
    const drawn = write(way, least, most);
    expect(drawn.to).toMatchObject(end);
    expect(drawn.from).toEqual(line.from);
    expect(endWays[way].read(drawn, 'to')).toEqual({ least, most });
  });

  it('with letters a least of one doubles the line, and a chosen letter is kept', () => {
    const drawn = { ...line, to: { ...line.to, count: 'M' } };
    expect(endWays.letters.write(drawn, 'to', '1', 'many')).toMatchObject({ stroke: 'double', to: { count: 'M' } });
  });

  it('written in another way is not taken for what it is not', () => {
    const odd = { ...line, to: { ...line.to, count: '2..7' } };
    for (const way of ['text', 'letters', 'pairs'] as const) expect(endWays[way].read(odd, 'to')).toBeNull();
  });
});

describe('a notation on the slate', () => {
  it('offers its own symbols first and everything else besides', () => {
    for (const name of ['chen', 'crows-foot', 'uml']) {
      const { own, others } = formsFor(name);
      expect(own).toContain('rectangle');
      expect(new Set([...own, ...others]).size).toBe(own.length + others.length);
      expect([...tipsFor(name).own, ...tipsFor(name).others].length).toBeGreaterThan(8);
    }
    expect(formsFor('chen').own).toContain('oval');
    expect(formsFor('uml').own).not.toContain('oval');
    expect(slateNotation({ notation: 'chen', counts: 'pairs' }).endWay).toBe(endWays.pairs);
  });
});

describe('a class as text', () => {
  const box = { id: 'b', form: 'rectangle', outline: 'single', text: '', compartments: [], x: 0, y: 0 } as const;
  const newId = (() => {
    let n = 0;
    return (prefix: string) => `${prefix}${++n}`;
  })();

  it('has its compartments parted by empty lines, minus signs kept', () => {
    const text = '«interface» Room\n- size: Integer\n+ name\n\n+ isFree(): Boolean';
    const read = boxOfText(box, text.replace('«interface»', '<<interface>>'), newId, true);
    expect(read.text).toBe('«interface» Room');
    expect(read.compartments.map((rows) => rows.map((row) => row.text))).toEqual([
      ['- size: Integer', '+ name'],
      ['+ isFree(): Boolean'],
    ]);
    expect(textOfBox(read)).toBe(text);
    expect(boxOfText(read, text, newId, true).compartments).toBe(read.compartments);
  });

  it('may have operations below an empty compartment', () =>
    expect(boxOfText(box, 'Gate\n\nopen()', newId, true).compartments.map((rows) => rows.length)).toEqual([0, 1]));
});

describe('completion', () => {
  it.each([
    ['Visit brings in 1 or more It', 'em'],
    ['Item: item n', 'o'],
    ['Visit br', 'ings in'],
    ['Visit ', null],
    ['Vx', null],
  ])('of “%s”', (before, rest) => expect(completionOf(before, ['Visit', 'Item', 'item no', 'brings in'])).toBe(rest));
});
