import { parseEndId, rowsOf, type Shape } from '../drawing/document';
import { inflate, type Box, type Point } from '../geometry/boxes';
import { headHeight, headOf, markIndent, rowBoxOf, textWidth, type as typography } from '../geometry/measure';
import { endTextBox } from '../geometry/endTexts';
import { endPlace } from '../geometry/endPlace';
import { boxAt, type Scene } from '../geometry/scene';
import { isBox, isStrip } from '../notations/forms';
import type { Marked, Note } from './overlay';

/** What lies behind one element of a note. */
export type Band =
  | {
      readonly kind: 'box';
      readonly element: string;
      readonly box: Box;
      /** That it lies within what it is a part of: a line of text in its box, an end on its line. */
      readonly within?: boolean;
    }
  | { readonly kind: 'line'; readonly element: string; readonly points: readonly Point[] };

/** A note with its bands, its number in reading order, and where its tags stand. */
export interface Placed {
  readonly note: Note;
  readonly number: number;
  readonly bands: readonly Band[];
  readonly tags: readonly { readonly box: Box; readonly element: string }[];
}

/** All places of a note in the drawing. */
export const placesOf = ({ bands, tags }: Placed): Box[] => [
  ...bands.flatMap((band) =>
    band.kind === 'box' ? [band.box] : band.points.map((point) => ({ ...point, width: 0, height: 0 })),
  ),
  ...tags.map(({ box }) => box),
];

const tagHeight = 18;

/** Numbers notes in the reading order of the slate and finds places for their tags. */
export function placeNotes(scene: Scene, marked: readonly Marked[]): Placed[] {
  const withBands = marked.map(({ note, elements }) => ({
    note,
    bands: elements.map((element) => bandOf(scene, element)).filter((band) => band !== null),
  }));
  const ordered = [...withBands].sort((a, b) => readingPlace(a.bands) - readingPlace(b.bands));
  const taken = coveredOf(scene);
  return ordered.map(({ note, bands }, i) => {
    const number = i + 1;
    // What is missing is one thing with what hangs on it; all else stands at each of its parts, lines one below the other as one.
    const shown =
      note.tag === 'missing' ? bands.slice(0, 1) : bands.filter((band) => !bands.some((other) => goesOn(band, other)));
    const tags = shown.map((band) => {
      const width = textWidth(`${number} ${note.tag}`, 12.5) + 14;
      const box = tagPlace(anchorOf(band), width, taken);
      taken.push(box);
      return { box, element: band.element };
    });
    return { note, number, bands, tags };
  });
}

/** Whether a band goes on from another: a line of text directly below one of its box, a cell directly beside one of its strip. */
const goesOn = (band: Band, other: Band) =>
  band.kind === 'box' &&
  other.kind === 'box' &&
  ((band.box.x === other.box.x &&
    band.box.width === other.box.width &&
    Math.abs(other.box.y + other.box.height - band.box.y) < 1) ||
    (band.within === true &&
      band.box.y === other.box.y &&
      band.box.height === other.box.height &&
      Math.abs(other.box.x + other.box.width - band.box.x) < 1));

/** A number at an element, with what lies behind the element and where the number stands. */
export interface PlacedCount {
  readonly element: string;
  readonly text: string;
  readonly band: Band;
  readonly box: Box;
  /** That it stands in the free end of its own row. */
  readonly inside: boolean;
}

/** Finds places for numbers at elements, in the reading order of the slate; elements that are not drawn have none. */
export function placeCounts(
  scene: Scene,
  counts: readonly { readonly element: string; readonly text: string }[],
): PlacedCount[] {
  const taken = coveredOf(scene);
  return counts
    .flatMap(({ element, text }) => {
      const band = bandOf(scene, element);
      return band ? [{ element, text, band }] : [];
    })
    .sort((a, b) => readingPlace([a.band]) - readingPlace([b.band]))
    .map((count) => {
      const width = textWidth(count.text, 12.5) + 12;
      const within = freeEnd(scene, count.element, width);
      const box = within ?? tagPlace(anchorOf(count.band), width, taken);
      taken.push(box);
      return { ...count, box, inside: within !== null };
    });
}

/** The end of a box's name row, or of one of its rows, where nothing is written; null where there is no room. */
function freeEnd(scene: Scene, element: string, width: number): Box | null {
  for (const shape of scene.drawing.shapes.values()) {
    const owner = scene.boxes.get(shape.id)!;
    if (isStrip(shape.form)) continue;
    const row = shape.id === element && isBox(shape.form) ? headRow(shape, owner) : rowBox(shape, owner, element);
    if (!row) continue;
    const end = owner.x + owner.width - width - 5;
    return row.end + 6 > end
      ? null
      : { x: end, y: row.box.y + (row.box.height - tagHeight) / 2, width, height: tagHeight };
  }
  return null;
}

function headRow(shape: Shape, owner: Box) {
  const { name } = headOf(shape.text);
  const top = owner.y + headHeight(shape) - typography.headHeight;
  return {
    box: { x: owner.x, y: top, width: owner.width, height: typography.headHeight },
    end: owner.x + typography.markLeft + textWidth(name, typography.size, 'bold'),
  };
}

/** Where a row of a shape lies, and where its text ends. */
function rowBox(shape: Shape, owner: Box, element: string) {
  const box = rowBoxOf(shape, owner, element);
  const row = box && rowsOf(shape).find(({ id }) => id === element);
  return row ? { box, end: owner.x + markIndent(shape) + textWidth(row.text) } : null;
}

/** What a tag must not cover: boxes, texts at ends, lines. */
function coveredOf(scene: Scene): Box[] {
  const taken: Box[] = [...scene.boxes.values()];
  for (const line of scene.drawing.lines.values()) {
    const route = scene.routes.get(line.id)!;
    taken.push(...(scene.texts.get(line.id) ?? []).map(endTextBox));
    for (let i = 1; i < route.points.length; i++) taken.push(alongside(route.points[i - 1]!, route.points[i]!));
  }
  return taken;
}

function readingPlace(bands: readonly Band[]): number {
  const box = bands[0] ? anchorOf(bands[0]) : null;
  return box ? Math.round(box.y / 40) * 10_000 + box.x : Infinity;
}

function bandOf(scene: Scene, element: string): Band | null {
  const route = scene.routes.get(element);
  if (route) return { kind: 'line', element, points: route.points };
  const end = parseEndId(element);
  const ended = end && scene.routes.get(end.line);
  if (end && ended) {
    const { point, direction } = endPlace(ended, end.side);
    const middle = { x: point.x + direction.x * 14, y: point.y + direction.y * 14 };
    const [w, h] = Math.abs(direction.x) > Math.abs(direction.y) ? [28, 22] : [22, 28];
    return {
      kind: 'box',
      element,
      box: { x: middle.x - w / 2, y: middle.y - h / 2, width: w, height: h },
      within: true,
    };
  }
  const box = boxAt(scene, element);
  return box && { kind: 'box', element, box, within: !scene.boxes.has(element) };
}

function anchorOf(band: Band): Box {
  if (band.kind === 'box') return band.box;
  const middle = Math.max(1, Math.floor(band.points.length / 2));
  const [a, b] = [band.points[middle - 1]!, band.points[middle]!];
  return { x: (a.x + b.x) / 2 - 6, y: (a.y + b.y) / 2 - 6, width: 12, height: 12 };
}

const alongside = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x) - 3,
  y: Math.min(a.y, b.y) - 3,
  width: Math.abs(a.x - b.x) + 6,
  height: Math.abs(a.y - b.y) + 6,
});

/** The place around an element where a tag covers nothing, the nearest first; where it covers least, when there is none. */
function tagPlace(at: Box, width: number, taken: readonly Box[]): Box {
  const gap = 6;
  const right = at.x + at.width + gap;
  const left = at.x - width - gap;
  const middle = at.y + at.height / 2 - tagHeight / 2;
  const above = at.y - tagHeight - gap;
  const below = at.y + at.height + gap;
  const candidates: Point[] = [];
  if (at.height > 30)
    candidates.push(
      { x: at.x, y: above - 4 },
      { x: at.x, y: below + 4 },
      { x: at.x + at.width - width, y: above - 4 },
      // Close to it, before anything that is further off: what stands at its side may be told of something else.
      { x: at.x, y: below - 3 },
      { x: at.x + at.width - width, y: below - 3 },
    );
  candidates.push(...[0, 34, 70, 96].map((further) => ({ x: right + further, y: middle })));
  for (const further of [0, 20, 40, 60, 84]) {
    for (const x of [at.x, right, left]) candidates.push({ x, y: above - further }, { x, y: below + further });
    candidates.push({ x: left - further, y: middle });
  }
  const boxes = candidates.map((point): Box => ({ ...point, width, height: tagHeight }));
  const covered = (box: Box) => taken.reduce((sum, other) => sum + common(inflate(box, 1), other), 0);
  return (
    boxes.find((box) => covered(box) === 0) ?? boxes.reduce((best, box) => (covered(box) < covered(best) ? box : best))
  );
}

const common = (a: Box, b: Box) =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));

/** The two edges of a band along a route, a little to each side of it. */
export function besides(points: readonly Point[], by: number): string {
  const side = (sign: number) =>
    points.map((point, i) => {
      const before = points[i - 1] ?? point;
      const after = points[i + 1] ?? point;
      const n1 = normal(before, point);
      const n2 = normal(point, after);
      const x = point.x + sign * by * (n1.x === n2.x && n1.y === n2.y ? n1.x : n1.x + n2.x);
      const y = point.y + sign * by * (n1.x === n2.x && n1.y === n2.y ? n1.y : n1.y + n2.y);
      return { x, y };
    });
  const path = (line: readonly Point[]) =>
    line.map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x} ${point.y}`).join('');
  return path(side(1)) + path(side(-1));
}

function normal(a: Point, b: Point): Point {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  return length === 0 ? { x: 0, y: 0 } : { x: -(b.y - a.y) / length, y: (b.x - a.x) / length };
}
