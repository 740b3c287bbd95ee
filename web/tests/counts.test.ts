import { describe, expect, it } from 'vitest';
import { emptyDrawing, onShape, plainEnd, type Drawing, type Line, type Shape } from '../src/drawing/document';
import { countsOf } from '../src/notations/counts';

const shape = (id: string, form: string, compartments: string[][] = []): Shape => ({
  id,
  form,
  outline: 'single',
  text: id,
  x: 0,
  y: 0,
  compartments: compartments.map((rows, at) =>
    rows.map((text) => ({ id: `${id} ${at} ${text}`, mark: '', ring: false, text, underline: 'none' as const })),
  ),
});
const line = (from: string, to: string): Line => ({
  id: `${from} ${to}`,
  stroke: 'solid',
  text: '',
  from: plainEnd(onShape(from)),
  to: plainEnd(onShape(to)),
});
const drawing = (shapes: Shape[], lines: Line[]): Drawing => ({
  ...emptyDrawing,
  shapes: new Map(shapes.map((one) => [one.id, one])),
  lines: new Map(lines.map((one) => [one.id, one])),
});

describe('what a drawing holds', () => {
  it('counts ovals as attributes, and not the lines that hold them', () => {
    const chen = drawing(
      [
        shape('Hall', 'rectangle'),
        shape('Stage', 'rectangle'),
        shape('has', 'diamond'),
        shape('hall no', 'oval'),
        shape('name', 'oval'),
      ],
      [line('Hall', 'has'), line('has', 'Stage'), line('Hall', 'hall no'), line('name', 'Hall')],
    );
    expect(countsOf(chen)).toEqual(['2 boxes', '2 attributes', '1 diamond', '2 lines']);
  });

  it('tells operations from attributes, and leaves out what there is none of', () => {
    expect(countsOf(drawing([shape('Ledger', 'rectangle', [['sum', 'day'], ['close()']])], []))).toEqual([
      '1 box',
      '2 attributes',
      '1 operation',
    ]);
    expect(countsOf(emptyDrawing)).toEqual(['0 boxes']);
  });
});
