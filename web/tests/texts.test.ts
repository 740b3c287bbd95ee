import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { wordDifference } from '../src/differences/InWords';
import { boxOfText, rowOfText, textOfBox } from '../src/drawing/boxText';
import type { Shape } from '../src/drawing/document';
import { about, less, partOf, show, typedAmount, valueOf } from '../src/ui/marks';
import { left } from '../src/ui/time';

const row = (id: string, text: string, mark = '') => ({ id, text, mark, ring: false, underline: 'none' as const });
const box: Shape = {
  id: 'b',
  form: 'rectangle',
  outline: 'single',
  text: 'Visit',
  compartments: [[row('t1', 'visit no', 'PK'), row('t2', 'date')]],
  x: 0,
  y: 0,
};
const newId = () => 'new';

describe('a box as text', () => {
  it('reads marks, rings and bullets in front of names', () => {
    expect(rowOfText('PK visit no')).toEqual({ mark: 'PK', ring: false, text: 'visit no' });
    expect(rowOfText('pk/fk1 visit no')).toEqual({ mark: 'PK FK1', ring: false, text: 'visit no' });
    expect(rowOfText('o phone')).toEqual({ mark: '', ring: true, text: 'phone' });
    expect(rowOfText('• name')).toEqual({ mark: '', ring: false, text: 'name' });
    expect(rowOfText('3. outcome')).toEqual({ mark: '', ring: false, text: 'outcome' });
    expect(rowOfText('price\tmoney')).toEqual({ mark: '', ring: false, text: 'price money' });
    expect(rowOfText('pkg weight')).toEqual({ mark: '', ring: false, text: 'pkg weight' });
  });

  it('there and back is the same box', () => {
    expect(boxOfText(box, textOfBox(box), newId).compartments).toBe(box.compartments);
  });

  it('keeps the ids of rows that stayed and of those retyped in place', () => {
    const rows = boxOfText(box, 'Visit\ndate\nPK visit number', newId).compartments[0]!;
    expect(rows.map((each) => each.id)).toEqual(['t2', 'new']);
    expect(boxOfText(box, 'Visit\nPK visit number\ndate', newId).compartments[0]!.map((each) => each.id)).toEqual([
      't1',
      't2',
    ]);
  });

  it('takes ten pasted lines for ten rows', () => {
    const pasted = Array.from({ length: 10 }, (_, i) => `- line ${i}`).join('\n');
    expect(boxOfText(box, `Visit\n${pasted}`, newId).compartments[0]).toHaveLength(10);
  });
});

describe('two sentences', () => {
  it('differ in the words that differ', () => {
    const pieces = wordDifference(
      'a visit brings in 0 or more items'.split(' '),
      'a visit brings in 1 or more items'.split(' '),
    );
    expect(pieces.filter((piece) => piece.kind !== 'same').map((piece) => [piece.kind, piece.words.join(' ')])).toEqual(
      [
        ['said', '0'],
        ['wanted', '1'],
      ],
    );
  });
});

describe('numbers for people', () => {
  it('shows exact marks as they are spoken', () => {
    expect(show('5/2')).toBe('2½');
    expect(show('3/4')).toBe('¾');
    expect(show('37.5')).toBe('37½');
    expect(show('4/3')).toBe('1⅓');
    expect(show('-17/12')).toBe('−1 5⁄12');
    expect(less('1', '1/3')).toBe('2/3');
    expect(less('1/6', '1/2')).toBe('-1/3');
    expect(about('29/80')).toBe('0.36');
    expect(['2', '0.75', '0,75', '3/4', '1½', '⅔', ' 4 '].map(typedAmount)).toEqual([
      '2/1',
      '3/4',
      '3/4',
      '3/4',
      '3/2',
      '2/3',
      '4/1',
    ]);
    expect(['', 'x', '1/0', '-1', '½½', '1.2345'].map(typedAmount)).toEqual([null, null, null, null, null, null]);
    expect(partOf('3/2', '1/2')).toBe('1/3');
    expect([partOf('1', '1'), partOf('1', '0'), partOf('1', '2')]).toEqual([null, null, null]);
    expect(show('40')).toBe('40');
    expect(valueOf('1/3')).toBeCloseTo(0.3333, 3);
  });

  it('shows time left', () => {
    expect(left(18 * 60_000 + 42_000)).toBe('18:42');
    expect(left(3_661_000)).toBe('1:01:01');
    expect(left(-5)).toBe('0:00');
  });
});

describe('the design tokens', () => {
  const css = readFileSync(new URL('../src/tokens.css', import.meta.url), 'utf8');
  const theme = (start: string) => {
    const at = css.indexOf(start);
    const block = css.slice(at, css.indexOf('}', at));
    return Object.fromEntries(
      [...block.matchAll(/--([a-z-]+):\s*(#[0-9a-f]{6})/g)].map((match) => [match[1]!, match[2]!]),
    );
  };
  const base = theme(':root {');
  const themes: Record<string, Record<string, string>> = {
    slate: base,
    bright: { ...base, ...theme(":root[data-theme='bright']") },
    dark: { ...base, ...theme(":root:not([data-theme='bright'])") },
  };
  const texts = [
    ['ink', 'paper'],
    ['quiet-ink', 'paper'],
    ['ink', 'deep-paper'],
    ['ochre-on-paper', 'paper'],
    ['refusal', 'paper'],
    ['ink', 'tie'],
    ['chalk', 'slate'],
    ['chalk', 'box'],
    ['chalk', 'ground'],
    ['quiet-chalk', 'slate'],
    ['quiet-chalk', 'box'],
    ['quiet-chalk', 'ground'],
    ['ochre-on-slate', 'slate'],
    ['ochre-on-slate', 'ground'],
  ] as const;
  const graphics = [
    ['control-edge', 'paper'],
    ['focus-on-paper', 'paper'],
    ['focus-on-slate', 'slate'],
    ['chalk', 'slate'],
    ['disabled', 'paper'],
  ] as const;

  it.each(Object.keys(themes))('keep their contrast in the %s theme', (name) => {
    for (const [front, back] of texts)
      expect(contrast(themes[name]![front]!, themes[name]![back]!), `${front} on ${back}`).toBeGreaterThanOrEqual(4.5);
    for (const [front, back] of graphics)
      expect(contrast(themes[name]![front]!, themes[name]![back]!), `${front} on ${back}`).toBeGreaterThanOrEqual(3);
  });
});

function contrast(a: string, b: string): number {
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p);
  return (x! + 0.05) / (y! + 0.05);
}

function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.03928 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}
