import { describe, expect, it } from 'vitest';
import { determinantsIn } from '../src/drawing/determinants';
import { readDrawing } from '../src/drawing/format';
import { ontoSheet, sheetOf } from '../src/drawing/sheets';
import { tableOfText, textOfTable } from '../src/drawing/tableText';
import { overlayOf, type Note } from '../src/differences/overlay';

const row = (id: string, text: string, more: object = {}) => ({ id, text, ...more });

function drawingOf(tables: object[], name = '2NF') {
  const box = (id: string, text: string) => ({ id, form: 'rectangle', text, place: [0, 0, 400, 144] });
  const arrow = (id: string, from: string, to: string, marks = ['arrow']) => ({
    id,
    from: { shape: from },
    to: { shape: to, marks },
  });
  return readDrawing(
    JSON.stringify({
      format: 'blue-slate-drawing',
      version: 1,
      sheets: [
        {
          id: 's1',
          shapes: [
            box('a', 'loan no'),
            box('b', 'tool no'),
            box('c', 'tool'),
            box('d', 'shed'),
            box('e', 'fee'),
            { id: 'g', form: 'junction', place: [0, 0, 40, 40] },
          ],
          lines: [
            arrow('l1', 'b', 'c'),
            arrow('l2', 'c', 'd'),
            arrow('l3', 'a', 'g', []),
            arrow('l4', 'b', 'g', []),
            arrow('l5', 'g', 'e'),
          ],
        },
        { id: 's2', name, shapes: tables, lines: [] },
      ],
    }),
  );
}

const table = (id: string, text: string, rows: object[]) => ({
  id,
  form: 'rectangle',
  text,
  place: [0, 0, 600, 400],
  compartments: [rows],
});

const everything = table('t', 'Everything', [
  row('r1', 'loan no', { underline: 'solid' }),
  row('r2', 'Tool No', { underline: 'solid', mark: 'FK' }),
  row('r3', 'tool'),
  row('r4', 'shed'),
  row('r5', 'fee'),
]);

describe('a table of a stage', () => {
  const shape = drawingOf([everything]).shapes.get('t')!;
  let next = 0;
  const newId = (prefix: string) => `${prefix}new${next++}`;

  it('is written with its marks in words, and read again as it was', () => {
    const text = textOfTable(shape, true);
    expect(text).toBe('Everything\nloan no (key)\nTool No (key, foreign key)\ntool\nshed\nfee');
    expect(tableOfText(shape, text, newId)).toEqual(shape);
    expect(textOfTable(shape, false)).toContain('Tool No (underlined, FK)');
  });

  it('keeps the lines whose text stays, and marks only what is said', () => {
    const changed = tableOfText(shape, 'Rest\nloan no (key)\nTool No (foreign key)\nfee (FK)\nday', newId);
    const rows = changed.compartments.flat();
    expect(rows.map(({ id }) => id).slice(0, 3)).toEqual(['r1', 'r2', 'r5']);
    expect(rows.map(({ mark, underline }) => `${mark} ${underline}`)).toEqual([
      ' solid',
      'FK none',
      'FK none',
      ' none',
    ]);
  });

  it('keeps an alternate key and a cell of several parts, whatever else is typed', () => {
    const typed =
      'Keeper\nkeeper no (key)\nname (alternate key, foreign key)\nhome (street, town)\nlock (key no, ring) (key)';
    const made = tableOfText(shape, typed, newId);
    expect(made.compartments.flat().map(({ text, mark, underline }) => `${text}: ${mark} ${underline}`)).toEqual([
      'keeper no:  solid',
      'name: AK1 FK none',
      'home (street, town):  none',
      'lock (key no, ring):  solid',
    ]);
    expect(textOfTable(made, true)).toBe(typed);
    expect(tableOfText(made, textOfTable(made, false), newId)).toEqual(made);
  });

  it('offers what could have a table of its own: a part of it that determines some of the rest', () => {
    const drawing = drawingOf([everything]);
    const found = determinantsIn(drawing, drawing.shapes.get('t')!);
    // Loan and tool together determine all of it: that is its key.
    expect(found).toEqual([
      { name: 'Tool No', rows: ['r2'] },
      { name: 'tool', rows: ['r3'] },
    ]);
  });
});

describe('sheets', () => {
  it('take what a change makes new, unless it has its sheet already', () => {
    const drawing = drawingOf([everything]);
    const fresh = { ...drawing.shapes.get('a')!, id: 'n' };
    const change = { label: '', steps: [{ of: 'shape' as const, id: 'n', before: null, after: fresh }] };
    const after = (placed: boolean) => ontoSheet({ ...change, placed }, drawing, 's2').steps[0]!.after as typeof fresh;
    expect(after(false).sheet).toBe('s2');
    expect(after(true).sheet).toBeUndefined();
    expect(['a', 'l1', 'l1/to', 'r3', 'nothing'].map((id) => sheetOf(drawing, id))).toEqual([
      's1',
      's1',
      's1',
      's2',
      undefined,
    ]);
  });

  it('show what is missing on the sheet where it belongs, or on one of their own', () => {
    const tool = table('m', 'Tool', [row('m1', 'tool no')]);
    const note = { id: 'x', tag: 'missing', modelElements: ['m'], answerElements: [] } as unknown as Note;
    const onAlike = overlayOf(drawingOf([everything], '2nf'), drawingOf([tool]), [note], {}).drawing;
    expect(onAlike.shapes.get('model.m')!.sheet).toBe('s2');
    const onNone = overlayOf(drawingOf([everything], '1NF'), drawingOf([tool]), [note], {}).drawing;
    expect(onNone.sheets.get(onNone.shapes.get('model.m')!.sheet!)!.name).toBe('2NF');
    expect(onNone.sheets.size).toBe(3);
  });
});
