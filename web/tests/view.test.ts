import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fit, isShown, shownBox, toScreen } from '../src/geometry/view';

const views = fc.record({
  x: fc.integer({ min: -3000, max: 3000 }),
  y: fc.integer({ min: -3000, max: 3000 }),
  zoom: fc.double({ min: 0.2, max: 3, noNaN: true }),
});
const boxes = fc.record({
  x: fc.integer({ min: -2000, max: 2000 }),
  y: fc.integer({ min: -2000, max: 2000 }),
  width: fc.integer({ min: 10, max: 200 }),
  height: fc.integer({ min: 10, max: 150 }),
});

describe('bringing a box into sight', () => {
  it('shows it whole where it fits, and moves nothing when it is in sight already', () => {
    fc.assert(
      fc.property(views, boxes, (view, box) => {
        const after = shownBox(view, box, 980, 680, 48);
        const { x, y } = toScreen(after, box);
        expect(after.zoom).toBe(view.zoom);
        expect(x).toBeGreaterThanOrEqual(47.99);
        expect(y).toBeGreaterThanOrEqual(47.99);
        if (box.width * view.zoom <= 884) expect(x + box.width * view.zoom).toBeLessThanOrEqual(932.01);
        if (box.height * view.zoom <= 584) expect(y + box.height * view.zoom).toBeLessThanOrEqual(632.01);
        const again = shownBox(after, box, 980, 680, 48);
        expect(Math.abs(again.x - after.x) + Math.abs(again.y - after.y)).toBeLessThan(0.01);
      }),
    );
  });
});

describe('showing all', () => {
  it('puts nothing beneath what covers the rims', () => {
    const covered = fc.record({ top: fc.integer({ min: 0, max: 60 }), bottom: fc.integer({ min: 0, max: 120 }) });
    fc.assert(
      fc.property(boxes, covered, (box, { top, bottom }) => {
        const view = fit(box, 980, 680, { top, bottom });
        const at = toScreen(view, box);
        expect(at.y).toBeGreaterThanOrEqual(top);
        expect(at.y + box.height * view.zoom).toBeLessThanOrEqual(680 - bottom);
        expect(at.x).toBeGreaterThanOrEqual(0);
        expect(at.x + box.width * view.zoom).toBeLessThanOrEqual(980);
      }),
    );
  });
});

describe('whether a box is seen whole', () => {
  it('is so after it was fitted, and no longer when the picture is moved by its size', () => {
    fc.assert(
      fc.property(boxes, fc.nat(60), fc.nat(60), (box, top, bottom) => {
        const view = fit(box, 980, 680, { top, bottom });
        expect(isShown(view, box, 980, 680, { top, bottom })).toBe(true);
        expect(isShown({ ...view, x: view.x - 980 }, box, 980, 680, { top, bottom })).toBe(false);
        expect(isShown({ ...view, y: view.y + 680 }, box, 980, 680, { top, bottom })).toBe(false);
      }),
    );
  });
});
