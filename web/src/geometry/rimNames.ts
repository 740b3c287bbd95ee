import type { Attachment, Drawing } from '../drawing/document';
import type { Point } from './boxes';
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
  return spread([...found.values()]);
}

const shapeAt = (drawing: Drawing, on: Attachment) =>
  on.kind === 'shape' || on.kind === 'row' ? shapeOf(drawing, on.id) : null;

function isSeen(scene: Scene, view: View, size: Size, id: string): boolean {
  const box = scene.boxes.get(id);
  if (!box) return false;
  const [a, b] = [toScreen(view, box), toScreen(view, { x: box.x + box.width, y: box.y + box.height })];
  return b.x > 0 && b.y > 0 && a.x < size.width && a.y < size.height;
}

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

function spread(names: RimName[]): RimName[] {
  const placed: RimName[] = [];
  for (const name of [...names].sort((a, b) => a.at.y - b.at.y || a.at.x - b.at.x)) {
    let y = name.at.y;
    const upright = name.rim === 'left' || name.rim === 'right';
    while (
      placed.some(
        (other) =>
          other.rim === name.rim &&
          Math.abs(other.at.y - y) < lineHeight &&
          (upright || Math.abs(other.at.x - name.at.x) < 120),
      )
    )
      y += name.rim === 'bottom' ? -lineHeight : lineHeight;
    placed.push({ ...name, at: { x: name.at.x, y } });
  }
  return placed;
}
