import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { freeSpace } from '../src/geometry/freeSpace';
import { overlaps, type Box } from '../src/geometry/boxes';

const page = { width: 980, height: 680 };
const boxes = fc.record({
  x: fc.integer({ min: -100, max: 900 }),
  y: fc.integer({ min: -100, max: 600 }),
  width: fc.integer({ min: 10, max: 160 }),
  height: fc.integer({ min: 10, max: 90 }),
});
const panels = fc.record({ width: fc.integer({ min: 60, max: 470 }), height: fc.integer({ min: 30, max: 130 }) });
const inPage = (box: Box) =>
  box.x >= 0 && box.y >= 0 && box.x + box.width <= page.width && box.y + box.height <= page.height;

describe('the free space for what is laid over a drawing', () => {
  it('is always inside the page, whatever the drawing', () => {
    fc.assert(
      fc.property(panels, boxes, fc.array(boxes, { maxLength: 30 }), (panel, anchor, texts) => {
        const at = freeSpace(panel, anchor, { texts, lines: [] }, page);
        expect(inPage({ ...at, ...panel })).toBe(true);
      }),
    );
  });

  it('covers no text and not what it belongs to where there is a free band of the page', () => {
    fc.assert(
      fc.property(panels, boxes, fc.array(boxes, { maxLength: 30 }), (panel, anchor, all) => {
        // Everything stands above; beneath it all there is room for the largest panel and a step of the search.
        const floor = page.height - panel.height - 60;
        const above = (box: Box): Box => ({ ...box, y: Math.min(box.y, floor - box.height - 10) });
        const texts = all.map(above);
        const beside = above(anchor);
        const at = { ...freeSpace(panel, beside, { texts, lines: [] }, page), ...panel };
        expect(texts.filter((text) => overlaps(text, at))).toEqual([]);
        expect(overlaps(beside, at)).toBe(false);
      }),
    );
  });

  it('is right beside what it belongs to where nothing is in the way, and leaves lines in sight', () => {
    const anchor = { x: 400, y: 300, width: 150, height: 50 };
    const panel = { width: 200, height: 40 };
    const free = freeSpace(panel, anchor, { texts: [], lines: [] }, page);
    expect(free).toEqual({ x: 400, y: 360 });
    const line = { x: 470, y: 350, width: 10, height: 300 };
    const beside = { ...freeSpace(panel, anchor, { texts: [], lines: [line] }, page), ...panel };
    expect(overlaps(beside, line)).toBe(false);
  });

  it('stays inside a page that is smaller than the panel by its upper left', () => {
    const anchor = { x: 10, y: 10, width: 100, height: 30 };
    const at = freeSpace({ width: 400, height: 300 }, anchor, { texts: [], lines: [] }, { width: 320, height: 80 });
    expect(at).toEqual({ x: 6, y: 6 });
  });
});
