import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { endTextBox } from '../src/geometry/endTexts';
import { overlaps } from '../src/geometry/boxes';
import { layOut } from '../src/geometry/scene';
import { Draw } from './drawings';

const boxesOf = (draw: Draw) => [...layOut(draw.drawing).texts.values()].flat().map(endTextBox);

describe('what is written at line ends', () => {
  it('stands above a straight line at both ends where there is room, else above and below', () => {
    const long = layOut(
      new Draw().box('Visit', 0, 0).box('Item', 700, 0).line('Visit', 'Item', [], [], 'brings in').drawing,
    );
    const route = [...long.routes.values()][0]!;
    expect([...long.texts.values()][0]!.map((text) => text.y < route.points[0]!.y)).toEqual([true]);
  });

  it('of many lines between two boxes never lies on one another, nor on a box', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 320, max: 800 }), (lines, apart) => {
        const draw = new Draw()
          .box('Visit', 0, 0, 'PK no', 'date', 'fee', 'mood')
          .box('Item', apart, 40, 'PK no', 'name', 'fault');
        for (let i = 0; i < lines; i++) draw.line('Visit', 'Item', [], [], `verb ${i}`);
        const texts = boxesOf(draw);
        const solids = [...layOut(draw.drawing).boxes.values()];
        expect(texts).toHaveLength(lines);
        texts.forEach((text, i) => {
          expect(texts.slice(i + 1).some((other) => overlaps(text, other))).toBe(false);
          expect(solids.some((solid) => overlaps(text, solid))).toBe(false);
        });
      }),
    );
  });

  it('keep their very values while something else moves', () => {
    const draw = new Draw()
      .box('Visit', 0, 0)
      .box('Item', 500, 0)
      .box('Tool', 0, 400)
      .line('Visit', 'Item', [], [], 'brings in')
      .line('Visit', 'Tool', [], [], 'needs');
    const before = layOut(draw.drawing);
    const tool = draw.drawing.shapes.get(draw.idOf('Tool'))!;
    const moved = { ...draw.drawing, shapes: new Map(draw.drawing.shapes).set(tool.id, { ...tool, x: tool.x + 400 }) };
    const after = layOut(moved, before, new Set([tool.id]));
    const [first, second] = [...draw.drawing.lines.keys()];
    expect(after.texts.get(first!)).toBe(before.texts.get(first!));
    expect(after.texts.get(second!)).not.toBe(before.texts.get(second!));
  });
});

describe('texts in each other’s way', () => {
  it('move so that none lies on another, whoever was placed first', () => {
    const draw = new Draw().box('Hub', 300, 300);
    for (let i = 0; i < 8; i++)
      draw.box(`Spoke ${i}`, 40 + (i % 4) * 190, i < 4 ? 60 : 560).line('Hub', `Spoke ${i}`, [], []);
    const labelled = {
      ...draw.drawing,
      lines: new Map(
        [...draw.drawing.lines].map(([id, line], i) => [
          id,
          {
            ...line,
            from: { ...line.from, label: `leads to number ${i}` },
            to: { ...line.to, label: `is led from ${i}` },
          },
        ]),
      ),
    };
    const boxes = [...layOut(labelled).texts.values()].flat().map(endTextBox);
    expect(boxes).toHaveLength(16);
    boxes.forEach((one, i) => boxes.slice(i + 1).forEach((other) => expect(overlaps(one, other)).toBe(false)));
  });
});
