import { describe, expect, it } from 'vitest';
import { remove } from '../src/drawing/edits';
import { readDrawing, writeDrawing } from '../src/drawing/format';
import { addRegion, frameOf, hues, nameRegion, recolourRegion, regionOf, removeRegion } from '../src/drawing/regions';
import { layOut, placementOf } from '../src/geometry/scene';
import { apply, invert } from '../src/drawing/steps';
import { Draw } from './drawings';

const newId = (() => {
  let n = 0;
  return (prefix: string) => `${prefix}x${++n}`;
})();

const boxes = new Draw().box('Visit', 0, 0, 'PK visit no').box('Item', 400, 0).box('Fixer', 400, 300).drawing;
const [visit, item, fixer] = [...boxes.shapes.keys()] as [string, string, string];

function withRegion(shapes = [visit, item]) {
  const { change, id } = addRegion(boxes, shapes, newId);
  const drawing = apply(boxes, change.steps);
  return { drawing, region: drawing.regions.get(id)!, change };
}

describe('regions', () => {
  it('lie around what they hold, with room for a name', () => {
    const { drawing, region } = withRegion();
    const scene = layOut(drawing);
    const frame = frameOf(region, scene.boxes)!;
    for (const id of region.members) {
      const box = scene.boxes.get(id)!;
      expect(frame.x).toBeLessThan(box.x);
      expect(frame.y + 18).toBeLessThan(box.y);
      expect(frame.x + frame.width).toBeGreaterThan(box.x + box.width);
      expect(frame.y + frame.height).toBeGreaterThan(box.y + box.height);
    }
  });

  it('are found by just the shapes that they hold', () => {
    const { drawing, region } = withRegion();
    expect(regionOf(drawing, [item, visit])).toBe(region);
    expect(regionOf(drawing, [item])).toBeNull();
    expect(regionOf(drawing, [item, visit, fixer])).toBeNull();
  });

  it('take the colour that is used least, and go through all of them', () => {
    let { drawing } = withRegion();
    const second = addRegion(drawing, [fixer], newId);
    drawing = apply(drawing, second.change.steps);
    expect(drawing.regions.get(second.id)!.hue).toBe(2);
    let region = drawing.regions.get(second.id)!;
    for (let i = 0; i < hues; i++) {
      drawing = apply(drawing, recolourRegion(region).steps);
      region = drawing.regions.get(second.id)!;
    }
    expect(region.hue).toBe(2);
  });

  it('lose what is deleted, go with the last, and come back by undo', () => {
    const { drawing, region } = withRegion();
    const one = remove(drawing, new Set([visit]));
    const left = apply(drawing, one.steps);
    expect(left.regions.get(region.id)!.members).toEqual([item]);
    expect(apply(left, invert(one.steps)).regions.get(region.id)).toEqual(region);
    expect(apply(left, remove(left, new Set([item])).steps).regions.size).toBe(0);
    expect(apply(drawing, removeRegion(region).steps).regions.size).toBe(0);
  });

  it('are kept in the document with their names', () => {
    const { drawing, region } = withRegion();
    const named = apply(drawing, nameRegion(region, 'at the desk').steps);
    const again = readDrawing(writeDrawing(named, placementOf(layOut(named))));
    expect([...again.regions.values()]).toEqual([{ ...region, text: 'at the desk' }]);
  });
});
