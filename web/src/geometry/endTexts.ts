import type { Drawing, Line, LineEnd, Side } from '../drawing/document';
import { bottom, meets, overlaps, right, sharedArea, type Box, type Point } from './boxes';
import { textWidth } from './measure';
import { alongRoute, type Route } from './route';
import { endPlace, type EndPlace } from './endPlace';

/** A text at an end, with the point at which its baseline starts or ends. */
export interface EndText {
  readonly side: Side;
  /** What is written: at an end a label, a role or a number; `line` for the line's own text. */
  readonly of: 'label' | 'role' | 'count' | 'line';
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly anchor: 'start' | 'end';
}

const size = 14;
/** How far a text keeps from its box, to be clear of the marks of the end. */
const marksRoom = 26;
const shift = 10;
const rowHeight = 16;

/** The box that a text at an end takes up. */
export function endTextBox(text: EndText): Box {
  const width = textWidth(text.text, size);
  return { x: text.anchor === 'start' ? text.x : text.x - width, y: text.y - 12, width, height: 15.5 };
}

/** Where a text would stand if nothing were in its way. */
export const naturalPlace = (line: Line, side: Side, of: EndText['of'], text: string, route: Route): EndText =>
  candidates(line, side, of, text, route)[0]!;

/**
 * Places what is written at the ends of lines, one text after the other, each at the first place along its line at which it
 * covers least. With `only`, the other lines keep theirs.
 */
export function placeTexts(
  drawing: Drawing,
  boxes: ReadonlyMap<string, Box>,
  routes: ReadonlyMap<string, Route>,
  before?: ReadonlyMap<string, readonly EndText[]>,
  only?: ReadonlySet<string>,
): Map<string, readonly EndText[]> {
  const placed = new Map<string, readonly EndText[]>();
  const taken: Box[] = [];
  const solids = [...boxes.values()];
  const pieces = piecesOf(routes);
  const loose: Line[] = [];
  for (const line of drawing.lines.values()) {
    const kept = only && !only.has(line.id) ? before?.get(line.id) : undefined;
    placed.set(line.id, kept ?? []);
    if (kept) taken.push(...kept.map(endTextBox));
    else loose.push(line);
  }
  // Those with the fewest places choose first; the order in which lines were drawn decides between equals.
  const wanting = loose
    .flatMap((line) => {
      const route = routes.get(line.id);
      return route
        ? textsOf(line).map(({ side, of, text }) => ({ line, places: candidates(line, side, of, text, route) }))
        : [];
    })
    .sort((a, b) => a.places.length - b.places.length);
  const costOf = (line: Line, place: EndText) => {
    const box = endTextBox(place);
    return (
      sharedWithAll(box, taken) +
      sharedWithAll(box, solids) +
      (covers(box, line, routes) ? ownLine : 0) +
      foreignLine * crossings(box, line.id, pieces)
    );
  };
  const picks = wanting.map(({ line, places }) => {
    const text = least(places, (place) => costOf(line, place));
    const box = endTextBox(text);
    taken.push(box);
    return { line, places, text, box };
  });
  makeWay(picks, taken, costOf);
  moveAside(picks, taken, costOf);
  const chosen = new Map<string, EndText[]>();
  for (const { line, text } of picks) chosen.set(line.id, [...(chosen.get(line.id) ?? []), text]);
  for (const [id, texts] of chosen) {
    const old = before?.get(id);
    placed.set(id, old && same(old, texts) ? old : texts);
  }
  return placed;
}

interface Placing {
  readonly line: Line;
  readonly places: readonly EndText[];
  text: EndText;
  box: Box;
}

/** Where two texts lie on each other, the one that was there first makes way for the other if it finds a place as good. */
function makeWay(picks: readonly Placing[], taken: Box[], costOf: (line: Line, place: EndText) => number) {
  for (const pick of picks) {
    for (const other of picks) {
      if (other === pick || !overlaps(other.box, pick.box)) continue;
      taken.splice(taken.indexOf(other.box), 1);
      const text = least(other.places, (place) => costOf(other.line, place));
      if (costOf(other.line, text) < costOf(other.line, other.text))
        Object.assign(other, { text, box: endTextBox(text) });
      taken.push(other.box);
    }
  }
}

/** A text through which a line still runs, or that lies on another, goes to the nearest place that is free, if there is one near. */
function moveAside(picks: readonly Placing[], taken: Box[], costOf: (line: Line, place: EndText) => number) {
  for (const pick of picks) {
    taken.splice(taken.indexOf(pick.box), 1);
    const cost = costOf(pick.line, pick.text);
    if (cost > touching) {
      const [best] = pick.places;
      const near = aside.map(({ x, y }): EndText => ({ ...best!, x: best!.x + x, y: best!.y + y }));
      const text = least(near, (place) => costOf(pick.line, place));
      if (costOf(pick.line, text) < cost) Object.assign(pick, { text, box: endTextBox(text) });
    }
    taken.push(pick.box);
  }
}

/** Ways to move a text aside, the shortest first. */
const aside: readonly Point[] = Array.from({ length: 15 }, (_, column) =>
  Array.from({ length: 13 }, (_, row): Point => ({ x: (column - 7) * 12, y: (row - 6) * 10 })),
)
  .flat()
  .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y));

/** What may be covered without harm: corners that touch. */
const touching = 24;

/** What lying on the own line counts, in the pixels that lying on something else would cover. */
const ownLine = 1500;

/** What each other line through a text counts: as much as a word of a text on it. */
const foreignLine = 600;

interface Piece {
  readonly line: string;
  readonly from: Point;
  readonly to: Point;
}

const piecesOf = (routes: ReadonlyMap<string, Route>): Piece[] =>
  [...routes].flatMap(([line, { points }]) => points.slice(1).map((to, i): Piece => ({ line, from: points[i]!, to })));

/** How many pieces of other lines run through a box. */
function crossings(box: Box, own: string, pieces: readonly Piece[]): number {
  let count = 0;
  const [far, low] = [right(box), bottom(box)];
  for (const { line, from, to } of pieces) {
    if (from.x < box.x - 1 && to.x < box.x - 1) continue;
    if (from.x > far + 1 && to.x > far + 1) continue;
    if (from.y < box.y && to.y < box.y) continue;
    if (from.y > low && to.y > low) continue;
    if (line !== own && meets(from, to, box, 1)) count++;
  }
  return count;
}

/** The first value of the least cost; the search ends at one that costs nothing. */
function least<T extends object>(values: readonly T[], costOf: (value: T) => number): T {
  let [best, cost] = [values[0]!, Infinity];
  for (const value of values) {
    const next = costOf(value);
    if (next < cost) [best, cost] = [value, next];
    if (cost === 0) break;
  }
  return best;
}

function sharedWithAll(box: Box, others: readonly Box[]): number {
  let sum = 0;
  for (const other of others) sum += sharedArea(box, other);
  return sum;
}

/** Whether a box lies on its own line. */
function covers(box: Box, line: Line, routes: ReadonlyMap<string, Route>): boolean {
  const { points } = routes.get(line.id)!;
  return points.some((point, i) => i > 0 && meets(points[i - 1]!, point, box, -2));
}

const same = (a: readonly EndText[], b: readonly EndText[]) =>
  a.length === b.length &&
  a.every((text, i) => {
    const other = b[i]!;
    return (
      text.text === other.text &&
      text.x === other.x &&
      text.y === other.y &&
      text.of === other.of &&
      text.side === other.side &&
      text.anchor === other.anchor
    );
  });

const textsOf = (line: Line) => [
  ...(line.text === '' ? [] : [{ side: 'from' as const, of: 'line' as const, text: line.text }]),
  ...(['from', 'to'] as const).flatMap((side) => writtenAt(line[side]).map(([of, text]) => ({ side, of, text }))),
];

function writtenAt(end: LineEnd): (readonly [EndText['of'], string])[] {
  const texts = [
    ['label', end.label],
    ['role', end.role],
    ['count', end.count],
  ] as const;
  return texts.filter(([, text]) => text !== '');
}

/**
 * The places of a text, best first: a label above or right of its line, near the box; a role or count across from it. Where both
 * labels of a straight line do not fit above it, the second stands below. Then farther along the line, then on its other
 * side, and at last a row away from it.
 */
function candidates(line: Line, side: Side, of: EndText['of'], text: string, route: Route): EndText[] {
  if (of === 'line') return alongCandidates(line, side, text, route);
  const place = endPlace(route, side, line[side].qualifier);
  const { direction } = place;
  const vertical = Math.abs(direction.x) < Math.abs(direction.y);
  const labelAbove = vertical || side === 'from' || bothFit(line, route);
  // A number stands across from the role, where there is one.
  const first = of === 'label' || (of === 'count' && line[side].role !== '') ? labelAbove : !labelAbove;
  const slanted = Math.min(Math.abs(direction.x), Math.abs(direction.y)) > 0.12;
  const at = (slanted ? aslant : vertical ? upright : level)(place, textWidth(text, size));
  const steps = Array.from({ length: Math.max(1, Math.floor(place.length / shift)) }, (_, step) => step * shift);
  const tries = [0, 1, 2].flatMap((row) => [first, !first].map((above) => ({ above, row })));
  return tries.flatMap(({ above, row }) =>
    steps.flatMap((along) => {
      const found = at(above, along, row);
      return found ? [{ ...found, side, of, text }] : [];
    }),
  );
}

const parts = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82];
const pointerRoom = 20;

/** The places of a line's own text: above or beneath a level piece, beside an upright one, from its middle outward; then rows farther away. */
function alongCandidates(line: Line, side: Side, text: string, route: Route): EndText[] {
  const width = textWidth(text, size);
  const room = line.pointer ? pointerRoom : 0;
  const beside = (level: readonly number[]) =>
    parts.flatMap((part) => {
      const { point, direction } = alongRoute(route.points, part);
      const upright_ = Math.abs(direction.y) > Math.abs(direction.x);
      const spots = upright_
        ? [
            { x: point.x + 9, y: point.y + 4 },
            { x: point.x - 9 - width - room, y: point.y + 4 },
          ]
        : level.map((dy) => ({ x: point.x - (width + room) / 2, y: point.y + dy }));
      return spots.map((spot): EndText => ({ ...spot, anchor: 'start', side, of: 'line', text }));
    });
  return [...byHead(line, side, text, route), ...beside([-8, 18]), ...beside([-24, 34, -40, 50])];
}

const letter = 3;

/** Beside the head of an arrow, where it shares its way with no other: for a text as short as a letter. */
function byHead(line: Line, side: Side, text: string, route: Route): EndText[] {
  const heads = (['from', 'to'] as const).filter((end) => line[end].marks.includes('arrow'));
  if (heads.length !== 1 || text.length > letter) return [];
  const { point, direction } = endPlace(route, heads[0]!);
  if (Math.abs(direction.y) < Math.abs(direction.x)) return [];
  const y = point.y + (direction.y > 0 ? 21 : -9);
  const width = textWidth(text, size);
  return [point.x + 7, point.x - 7 - width].map((x) => ({ x, y, anchor: 'start', side, of: 'line', text }));
}

type Spot = Pick<EndText, 'x' | 'y' | 'anchor'>;

const level =
  ({ point, direction, length }: EndPlace, width: number) =>
  (above: boolean, along: number, row: number): Spot | null => {
    // Clear of the marks where there is room; on a short line as near the box as must be.
    const near = Math.max(5, Math.min(marksRoom, length - width - 6));
    if (along > 0 && near + along + width > length) return null;
    const x = point.x + Math.sign(direction.x) * (near + along);
    return {
      x,
      y: point.y + (above ? -8 - row * rowHeight : 19 + row * rowHeight),
      anchor: direction.x > 0 ? 'start' : 'end',
    };
  };

/** Beside a slanted line: the text's nearest corner at a distance from it. */
const aslant =
  ({ point, direction, length }: EndPlace) =>
  (above: boolean, along: number, row: number): Spot | null => {
    const reach = 16 + along;
    if (reach > Math.max(16, length - 8)) return null;
    // The normal that points up, or down.
    const up = direction.x > 0 ? -1 : 1;
    const turn = above ? up : -up;
    const normal = { x: -direction.y * turn, y: direction.x * turn };
    const away = 6 + row * rowHeight;
    const at = {
      x: point.x + direction.x * reach + normal.x * away,
      y: point.y + direction.y * reach + normal.y * away,
    };
    const start = normal.x > 0.2 || (Math.abs(normal.x) <= 0.2 && direction.x > 0);
    return { x: at.x, y: at.y + (normal.y > 0 ? 11 : -2), anchor: start ? 'start' : 'end' };
  };

const upright =
  ({ point, direction, length }: EndPlace) =>
  (above: boolean, along: number, row: number): Spot | null => {
    if (along > 0 && along + 25 > length) return null;
    const y = point.y + (direction.y > 0 ? 25 + along : -17 - along);
    const away = 11 + row * rowHeight;
    return { x: point.x + (above ? away : -away), y, anchor: above ? 'start' : 'end' };
  };

/** Whether both labels of a line fit above it: on its two end pieces together, which are one on a straight line. */
function bothFit(line: Line, route: Route): boolean {
  const [from, to] = [endPlace(route, 'from').length, endPlace(route, 'to').length];
  const length = route.points.length > 2 ? from + to : from;
  return textWidth(line.from.label, size) + textWidth(line.to.label, size) + 2 * marksRoom + 8 <= length;
}
