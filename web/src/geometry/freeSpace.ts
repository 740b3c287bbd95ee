import { bottom, inflate, right, sharedArea, type Box, type Point } from './boxes';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** What is in the way of something that is laid over a drawing. */
export interface Taken {
  /** Names, rows, texts: never covered as long as there is any other place. */
  readonly texts: readonly Box[];
  /** Lines, which are better left in sight. */
  readonly lines: readonly Box[];
}

const gap = 10;
const rim = 6;
/** In how large steps all of the page is searched where there is no place beside what it belongs to. */
const step = 24;
/** What covering one pixel of a text counts, against one pixel of distance; and of a line. */
const overText = 1000;
const overLine = 0.05;

/**
 * Where a panel stands that belongs to something: inside the page, over no text, over as little of lines as can be, and then as near as
 * can be. All in pixels of the page.
 */
export function freeSpace({ width, height }: Size, anchor: Box, { texts, lines }: Taken, page: Size): Point {
  const room = { x: page.width - width - rim, y: page.height - height - rim };
  const inside = (at: Point): Point => ({
    x: Math.max(rim, Math.min(at.x, room.x)),
    y: Math.max(rim, Math.min(at.y, room.y)),
  });
  const away = inflate(anchor, gap - 2);
  const cost = (at: Point) => {
    const panel = { ...at, width, height };
    return (
      overText * (sharedArea(panel, away) + sum(texts, (one) => sharedArea(panel, one))) +
      overLine * sum(lines, (one) => sharedArea(panel, one)) +
      distance(panel, anchor)
    );
  };
  const near = beside(anchor, width, height).map(inside);
  const best = cheapest(near, cost);
  if (best.cost < overText) return best.at;
  const everywhere: Point[] = [];
  for (let y = rim; y <= Math.max(rim, room.y); y += step)
    for (let x = rim; x <= Math.max(rim, room.x); x += step) everywhere.push(inside({ x, y }));
  return cheapest([...near, ...everywhere], cost).at;
}

/** The places beside a box: beneath, above, right, left, each along its whole edge. */
function beside(box: Box, width: number, height: number): Point[] {
  const across = [box.x, box.x + box.width / 2 - width / 2, right(box) - width];
  const down = [box.y, box.y + box.height / 2 - height / 2, bottom(box) - height];
  return [
    ...across.map((x) => ({ x, y: bottom(box) + gap })),
    ...across.map((x) => ({ x, y: box.y - gap - height })),
    ...down.map((y) => ({ x: right(box) + gap, y })),
    ...down.map((y) => ({ x: box.x - gap - width, y })),
  ];
}

function cheapest(places: readonly Point[], cost: (at: Point) => number): { at: Point; cost: number } {
  let best = { at: places[0]!, cost: Infinity };
  for (const at of places) {
    const its = cost(at);
    if (its < best.cost) best = { at, cost: its };
  }
  return best;
}

const sum = (boxes: readonly Box[], of: (box: Box) => number) => boxes.reduce((all, box) => all + of(box), 0);

/** How far two boxes are from each other. */
const distance = (a: Box, b: Box) =>
  Math.hypot(Math.max(0, b.x - right(a), a.x - right(b)), Math.max(0, b.y - bottom(a), a.y - bottom(b)));
