import type { Box, Point } from './boxes';

/** How the surface is looked at: a scene point p is shown at p × zoom + (x, y). */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly zoom: number;
}

export const leastZoom = 0.2;
export const mostZoom = 3;

export const toScene = (view: View, point: Point): Point => ({
  x: (point.x - view.x) / view.zoom,
  y: (point.y - view.y) / view.zoom,
});

export const toScreen = (view: View, point: Point): Point => ({
  x: point.x * view.zoom + view.x,
  y: point.y * view.zoom + view.y,
});

/** Zooms so that the scene point under a screen point stays under it. */
export function zoomAt(view: View, at: Point, factor: number): View {
  const zoom = Math.min(mostZoom, Math.max(leastZoom, view.zoom * factor));
  const scene = toScene(view, at);
  return { zoom, x: at.x - scene.x * zoom, y: at.y - scene.y * zoom };
}

/** How much of a surface is covered, along its upper and its lower rim. */
export interface Covered {
  readonly top: number;
  readonly bottom: number;
}

const margin = 30;
const clear = 8;

/** Shows a box whole, in the middle of what is not covered, never enlarged beyond a size: its natural one, if no other is told. */
export function fit(
  box: Box | null,
  width: number,
  height: number,
  { top, bottom }: Covered = { top: 0, bottom: 0 },
  largest = 1,
): View {
  const above = Math.max(margin, top + clear);
  if (!box || width === 0) return { x: margin, y: above, zoom: 1 };
  const [across, down] = [width - 2 * margin, height - above - Math.max(margin, bottom + clear)];
  const zoom = Math.min(
    largest,
    Math.max(leastZoom, Math.min(across / Math.max(1, box.width), down / Math.max(1, box.height))),
  );
  return {
    zoom,
    x: (width - box.width * zoom) / 2 - box.x * zoom,
    y: above + (down - box.height * zoom) / 2 - box.y * zoom,
  };
}

/** The view moved as little as shows a box whole, so far from the rim; of one that is larger than the surface, its upper left. */
export function shownBox(view: View, box: Box, width: number, height: number, rim: number): View {
  const move = (start: number, size: number, room: number) => {
    const [over, under] = [start + size - (room - rim), rim - start];
    return under > 0 || size > room - 2 * rim ? under : over > 0 ? -over : 0;
  };
  const at = toScreen(view, box);
  const dx = move(at.x, box.width * view.zoom, width);
  const dy = move(at.y, box.height * view.zoom, height);
  return dx === 0 && dy === 0 ? view : { ...view, x: view.x + dx, y: view.y + dy };
}

/** Whether a box is seen whole, clear of what is covered. */
export function isShown(view: View, box: Box, width: number, height: number, { top, bottom }: Covered): boolean {
  const at = toScreen(view, box);
  return (
    at.x >= 0 &&
    at.x + box.width * view.zoom <= width &&
    at.y >= top &&
    at.y + box.height * view.zoom <= height - bottom
  );
}
