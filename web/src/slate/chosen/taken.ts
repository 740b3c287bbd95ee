import { endTextBox } from '../../geometry/endTexts';
import { inflate, type Box, type Point } from '../../geometry/boxes';
import type { Scene } from '../../geometry/scene';
import { toScreen, type View } from '../../geometry/view';
import type { Taken } from '../../geometry/freeSpace';

/** Half the width of the strip that a line with its marks takes up, in pixels at zoom 1. */
const strip = 5;

/** What of a scene is in the way, in pixels of the page. */
export function takenBy(scene: Scene, view: View, besides: readonly Box[]): Taken {
  const shown = (box: Box): Box => ({
    ...toScreen(view, box),
    width: box.width * view.zoom,
    height: box.height * view.zoom,
  });
  const texts = [...scene.texts.values()].flat().map((text) => shown(endTextBox(text)));
  const lines = [...scene.routes.values()].flatMap(({ points }) =>
    points.slice(1).flatMap((to, i) => stripsOf(points[i]!, to).map(shown)),
  );
  const clear = (box: Box) => inflate(box, 4);
  return { texts: [...[...scene.boxes.values()].map(shown), ...texts, ...besides].map(clear), lines };
}

/** A stretch of a line as boxes: one along an axis, several where it slants. */
function stripsOf(from: Point, to: Point): Box[] {
  const slants = Math.min(Math.abs(to.x - from.x), Math.abs(to.y - from.y)) > 1;
  const pieces = slants ? Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / (4 * strip)) : 1;
  const at = (i: number) => ({
    x: from.x + ((to.x - from.x) * i) / pieces,
    y: from.y + ((to.y - from.y) * i) / pieces,
  });
  return Array.from({ length: pieces }, (_, i) => boxAround(at(i), at(i + 1)));
}

const boxAround = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x) - strip,
  y: Math.min(a.y, b.y) - strip,
  width: Math.abs(b.x - a.x) + 2 * strip,
  height: Math.abs(b.y - a.y) + 2 * strip,
});
