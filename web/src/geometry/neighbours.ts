import { centre, type Box } from './boxes';

export type Direction = 'left' | 'right' | 'up' | 'down';

/** The nearest box in a direction: near ahead counts once, aside twice. */
export function neighbour(boxes: ReadonlyMap<string, Box>, from: string, direction: Direction): string | null {
  const start = boxes.get(from);
  if (!start) return null;
  const here = centre(start);
  let best: string | null = null;
  let least = Infinity;
  for (const [id, box] of boxes) {
    if (id === from) continue;
    const there = centre(box);
    const ahead =
      direction === 'left'
        ? here.x - there.x
        : direction === 'right'
          ? there.x - here.x
          : direction === 'up'
            ? here.y - there.y
            : there.y - here.y;
    const aside =
      direction === 'left' || direction === 'right' ? Math.abs(there.y - here.y) : Math.abs(there.x - here.x);
    if (ahead <= 0) continue;
    const cost = ahead + 2 * aside;
    if (cost < least) {
      least = cost;
      best = id;
    }
  }
  return best;
}

/** A free place for a box, as near as can be to a point. */
export function freePlace(
  boxes: Iterable<Box>,
  near: { x: number; y: number },
  width: number,
  height: number,
): { x: number; y: number } {
  const taken = [...boxes];
  const free = (x: number, y: number) =>
    taken.every(
      (box) =>
        x >= box.x + box.width + 24 ||
        x + width + 24 <= box.x ||
        y >= box.y + box.height + 24 ||
        y + height + 24 <= box.y,
    );
  for (let ring = 0; ring < 40; ring++) {
    for (let step = 0; step < Math.max(1, ring * 8); step++) {
      const angle = (step / Math.max(1, ring * 8)) * 2 * Math.PI;
      const x = Math.round(near.x - width / 2 + Math.cos(angle) * ring * 40);
      const y = Math.round(near.y - height / 2 + Math.sin(angle) * ring * 30);
      if (free(x, y)) return { x, y };
    }
  }
  return near;
}
