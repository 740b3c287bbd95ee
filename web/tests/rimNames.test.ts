import { describe, expect, it } from 'vitest';
import { rimNames } from '../src/geometry/rimNames';
import { layOut } from '../src/geometry/scene';
import { Draw } from './drawings';

const size = { width: 600, height: 400 };
const here = { x: 0, y: 0, zoom: 1 };

const scene = layOut(
  new Draw()
    .box('Visit', 100, 100)
    .box('Item', 900, 110)
    .box('Fixer', 120, 900)
    .box('Tool', 950, 140)
    .line('Visit', 'Item', [], [])
    .line('Visit', 'Fixer', [], [])
    .line('Item', 'Tool', [], []).drawing,
);

describe('names at the rim', () => {
  it('stand where a line from something in sight leads out of it', () => {
    const names = rimNames(scene, here, size);
    expect(names.map(({ says, rim }) => [says, rim])).toEqual([
      ['Item', 'right'],
      ['Fixer', 'bottom'],
    ]);
    const [item, fixer] = names;
    expect(item!.at.x).toBeCloseTo(size.width);
    expect(item!.at.y).toBeGreaterThan(0);
    expect(item!.at.y).toBeLessThan(size.height);
    expect(fixer!.at.y).toBeCloseTo(size.height);
  });

  it('are none where all is in sight, and none for what leads from nowhere in sight', () => {
    expect(rimNames(scene, { ...here, zoom: 0.3 }, size)).toEqual([]);
    expect(rimNames(scene, { x: 5000, y: 5000, zoom: 1 }, size)).toEqual([]);
  });

  it('stand on the surface from wherever one looks, also where a line starts at what is hidden of its box', () => {
    const slanted = layOut(
      new Draw()
        .box('Guide', 0, 300)
        .box('Show', 260, -200)
        .box('Dome', -400, 500)
        .line('Guide', 'Show', [], [])
        .line('Guide', 'Dome', [], []).drawing,
    );
    for (const zoom of [0.6, 1, 1.5])
      for (let x = -700; x <= 900; x += 37)
        for (let y = -700; y <= 900; y += 41)
          for (const { at } of rimNames(slanted, { x, y, zoom }, size)) {
            expect(at.y).toBeGreaterThanOrEqual(-1);
            expect(at.y).toBeLessThanOrEqual(size.height + 1);
          }
  });

  it('keep clear of each other', () => {
    const draw = new Draw().box('Visit', 100, 100);
    for (let i = 0; i < 5; i++) draw.box(`Item ${i}`, 1500, 60 + i * 40).line('Visit', `Item ${i}`, [], []);
    const names = rimNames(layOut(draw.drawing), here, size);
    expect(names).toHaveLength(5);
    const ys = names.map((name) => name.at.y).sort((a, b) => a - b);
    for (let i = 1; i < ys.length; i++) expect(ys[i]! - ys[i - 1]!).toBeGreaterThanOrEqual(24);
  });

  it('cover no box at the rim where there is room beside it', () => {
    const draw = new Draw()
      .box('Visit', 100, 100)
      .box('Wide', 480, 110)
      .box('Item', 1500, 100)
      .line('Visit', 'Item', [], []);
    const scene = layOut(draw.drawing);
    const [name] = rimNames(scene, here, size);
    const wide = [...scene.boxes.values()].find((box) => box.x > 400 && box.x < 600)!;
    expect(name!.says).toBe('Item');
    expect(name!.at.y + 12 <= wide.y || name!.at.y - 12 >= wide.y + wide.height).toBe(true);
  });
});
