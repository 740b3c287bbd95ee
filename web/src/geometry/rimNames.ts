import type { Attachment, Drawing } from '../drawing/document';
import { overlaps, type Box, type Point } from './boxes';
import { textWidth } from './measure';
import type { Scene } from './scene';
import { shapeOf } from '../drawing/selection';
import { toScreen, type View } from './view';

/** The name of what a line leads to, where the line leaves the view: at which rim, and how far along it, in pixels of the screen. */
export interface RimName {
  readonly line: string;
  readonly shape: string;
  readonly says: string;
  readonly at: Point;
  readonly rim: 'left' | 'right' | 'top' | 'bottom';
}

interface Size {
  readonly width: number;
  readonly height: number;
}

const lineHeight = 24;
/** A name is cut off beyond this, in pixels. */
const widest = 160;

/** One name for each shape out of sight to which a line leads from one in sight; those at one rim keep clear of each other. */
export function rimNames(scene: Scene, view: View, size: Size): RimName[] {
  const found = new Map<string, RimName>();
  for (const line of scene.drawing.lines.values()) {
    const ends = [shapeAt(scene.drawing, line.from.on), shapeAt(scene.drawing, line.to.on)] as const;
    const [from, to] = ends.map((id) => id !== null && isSeen(scene, view, size, id)) as [boolean, boolean];
    if (ends.includes(null) || from === to) continue;
    const far = ends[from ? 1 : 0]!;
    const says = scene.drawing.shapes.get(far)!.text;
    if (says === '' || found.has(far)) continue;
    const route = scene.routes.get(line.id)!.points.map((point) => toScreen(view, point));
    const leaving = leavesAt(from ? route : [...route].reverse(), size);
    if (leaving) found.set(far, { line: line.id, shape: far, says, ...leaving });
  }
  const shapes = [...scene.boxes.values()].map((box) => onScreen(view, box));
  return spread([...found.values()], shapes, size);
}

const shapeAt = (drawing: Drawing, on: Attachment) =>
  on.kind === 'shape' || on.kind === 'row' ? shapeOf(drawing, on.id) : null;

function isSeen(scene: Scene, view: View, size: Size, id: string): boolean {
  const box = scene.boxes.get(id);
  if (!box) return false;
  const { x, y, width, height } = onScreen(view, box);
  return x + width > 0 && y + height > 0 && x < size.width && y < size.height;
}

const onScreen = (view: View, box: Box): Box => ({
  ...toScreen(view, box),
  width: box.width * view.zoom,
  height: box.height * view.zoom,
});

/** Where a way that starts in sight first crosses a rim. */
function leavesAt(route: readonly Point[], size: Size): Pick<RimName, 'at' | 'rim'> | null {
  for (let i = 1; i < route.length; i++) {
    const [a, b] = [route[i - 1]!, route[i]!];
    const crossings = [
      b.x < 0 && { rim: 'left' as const, t: (0 - a.x) / (b.x - a.x) },
      b.x > size.width && { rim: 'right' as const, t: (size.width - a.x) / (b.x - a.x) },
      b.y < 0 && { rim: 'top' as const, t: (0 - a.y) / (b.y - a.y) },
      b.y > size.height && { rim: 'bottom' as const, t: (size.height - a.y) / (b.y - a.y) },
    ]
      .filter((crossing) => crossing !== false)
      .filter(({ t }) => t >= 0 && t <= 1)
      .sort((one, other) => one.t - other.t);
    const [first] = crossings;
    if (first) return { rim: first.rim, at: { x: a.x + (b.x - a.x) * first.t, y: a.y + (b.y - a.y) * first.t } };
  }
  return null;
}

/** The names clear of each other, and of what stands at the rim wherever there is room beside it. */
function spread(names: RimName[], shapes: readonly Box[], size: Size): RimName[] {
  const placed: { name: RimName; plate: Box }[] = [];
  for (const name of [...names].sort((a, b) => a.at.y - b.at.y || a.at.x - b.at.x)) {
    const tries = placesOf(name, size).map((at) => ({ name: { ...name, at }, plate: plateOf(name, at, size) }));
    const apart = tries.filter(({ plate }) => !placed.some((other) => overlaps(other.plate, plate)));
    placed.push(apart.find(({ plate }) => !shapes.some((shape) => overlaps(shape, plate))) ?? apart[0] ?? tries[0]!);
  }
  return placed.map(({ name }) => name);
}

const steps = [0, 1, -1, 2, -2, 3, -3, 4, -4, 5, -5, 6, -6, 7, -7, 8, -8];

/** Where a name may stand: where its line leaves, then along the rim, at a level rim also a row farther in. */
function placesOf({ rim, at }: RimName, size: Size): Point[] {
  if (rim === 'left' || rim === 'right') {
    // A line that starts at the hidden part of a box may cross the rim's own line above or beneath it.
    const [top, bottom] = [lineHeight / 2, Math.max(lineHeight / 2, size.height - lineHeight / 2)];
    const from = Math.min(bottom, Math.max(top, at.y));
    return steps.map((step) => ({ x: at.x, y: from + step * lineHeight })).filter(({ y }) => y >= top && y <= bottom);
  }
  const inward = rim === 'bottom' ? -lineHeight : lineHeight;
  return [0, 1, 2, 3].flatMap((row) => steps.map((step) => ({ x: at.x + step * 24, y: at.y + row * inward })));
}

/** What a name covers. */
function plateOf({ rim, says }: RimName, { x, y }: Point, size: Size): Box {
  const width = Math.min(widest, textWidth(says, 13) + 16);
  if (rim === 'left' || rim === 'right')
    return { x: rim === 'left' ? 0 : size.width - width, y: y - lineHeight / 2, width, height: lineHeight };
  return { x: x - width / 2, y: rim === 'bottom' ? y - lineHeight : y, width, height: lineHeight };
}
