import { useCallback, useEffect, useRef, useState } from 'react';
import { changeEnd, move } from '../../drawing/edits';
import { onElement, parseEndId, type Attachment } from '../../drawing/document';
import { edgeNear, overlaps, type Box, type Edge, type Point } from '../../geometry/boxes';
import { nothing, select, selectAt, selectEnd, selectRow, shapeOf } from '../../drawing/selection';
import { cellsOf } from '../../geometry/measure';
import { boxAt } from '../../geometry/scene';
import { isStrip } from '../../notations/forms';
import { toScene } from '../../geometry/view';
import type { Editing, Slate } from '../useSlate';

/** What the pointer is doing between press and release. */
type Gesture =
  | { kind: 'pan'; x: number; y: number; tapped?: React.PointerEvent }
  | { kind: 'pinch'; fingers: readonly [Point, Point] }
  | { kind: 'move'; start: Point; ids: ReadonlySet<string>; pressed: string }
  | { kind: 'pull'; from: string; edge?: Edge | undefined }
  | { kind: 'end'; line: string; side: 'from' | 'to'; write: Editing | null }
  | { kind: 'line'; write: Editing | null }
  | { kind: 'marquee'; start: Point; keep: ReadonlySet<string> };

/** What is shown of a gesture while it goes on: a line being pulled, or a marquee. */
export interface Ghost {
  readonly line?: { readonly from: Point; readonly to: Point };
  readonly marquee?: Box;
}

/** How far a press may move and still be a press, in pixels of the screen, whatever the zoom. */
const slop = 4;
const fingerSlop = 10;
/** Within how many milliseconds two presses are a double one. */
const doublePress = 400;
/** How near a shape one has to let go for a line to hang on it, likewise. */
const reach = 4;
/** How near an edge of a box one has to let go for a line to end at that edge, likewise. */
const edgeReach = 10;
const snap = 5;

/** Turns the pointer into what a slate can do. */
export function usePointer(slate: Slate) {
  const gesture = useRef<Gesture | null>(null);
  const fingers = useRef(new Map<number, Point>());
  const moved = useRef(false);
  const pressedAt = useRef<Point>({ x: 0, y: 0 });
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const { surface, setView, zoom } = slate;

  const last = useRef<{ at: number; x: number; y: number } | null>(null);
  /** Whether a press is the second of two at one place. */
  const isSecond = ({ timeStamp, clientX, clientY }: React.PointerEvent) => {
    const before = last.current;
    last.current = { at: timeStamp, x: clientX, y: clientY };
    return (
      before !== null && timeStamp - before.at < doublePress && apart({ x: clientX, y: clientY }, before) < fingerSlop
    );
  };

  const here = (event: { clientX: number; clientY: number }): Point => {
    const box = surface.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  const onPointerDown = (event: React.PointerEvent) => {
    // What lies on a sheet over the page bubbles here too, though it is no part of the slate.
    const target = event.target as Element;
    if (event.button === 2 || target.closest('[data-overlay]') || !surface.current!.contains(target)) return;
    const screen = here(event);
    const scene = toScene(slate.view, screen);
    moved.current = false;
    pressedAt.current = screen;
    surface.current!.setPointerCapture(event.pointerId);
    slate.setSymbolsAt(null);
    if (event.pointerType === 'touch') {
      fingers.current.set(event.pointerId, screen);
      const [one, two] = [...fingers.current.values()];
      if (one && two) {
        slate.setDrag(null);
        setGhost(null);
        gesture.current = { kind: 'pinch', fingers: [one, two] };
      } else if (isHeld(slate, event)) gesture.current = press(slate, event, scene);
      // One finger moves the picture, unless it is on what is chosen; a tap does what a press does.
      else gesture.current = { kind: 'pan', x: slate.view.x, y: slate.view.y, tapped: event };
      return;
    }
    if (event.button === 1 || event.altKey) {
      gesture.current = { kind: 'pan', x: slate.view.x, y: slate.view.y };
      return;
    }
    gesture.current = press(slate, event, scene);
  };

  const onPointerMove = (event: React.PointerEvent) => {
    const screen = here(event);
    const scene = toScene(slate.view, screen);
    slate.pointer.current = screen;
    const now = gesture.current;
    if (!now) {
      if (slate.linkFrom) setGhost(pullGhost(slate, slate.linkFrom, scene));
      return;
    }
    if (fingers.current.has(event.pointerId)) fingers.current.set(event.pointerId, screen);
    if (now.kind === 'pinch') {
      const [one, two] = [...fingers.current.values()];
      if (!one || !two) return;
      const [before, after] = [now.fingers, [one, two] as const];
      const [from, to] = [between(...before), between(...after)];
      setView((view) => ({ ...view, x: view.x + to.x - from.x, y: view.y + to.y - from.y }));
      zoom(apart(...after) / Math.max(1, apart(...before)), to);
      gesture.current = { kind: 'pinch', fingers: after };
      moved.current = true;
      return;
    }
    const travelled = apart(screen, pressedAt.current);
    if (!moved.current && travelled < (event.pointerType === 'touch' ? fingerSlop : slop)) return;
    moved.current = true;
    switch (now.kind) {
      case 'pan':
        setView((view) => ({
          ...view,
          x: now.x + screen.x - pressedAt.current.x,
          y: now.y + screen.y - pressedAt.current.y,
        }));
        break;
      case 'move':
        if (slate.editable)
          slate.setDrag({ ids: now.ids, dx: snapped(scene.x - now.start.x), dy: snapped(scene.y - now.start.y) });
        break;
      case 'pull':
        setGhost(pullGhost(slate, now.from, scene));
        break;
      case 'end':
        if (slate.editable) setGhost({ line: { from: otherEnd(slate, now.line, now.side), to: scene } });
        break;
      case 'marquee':
        setGhost({ marquee: boxBetween(now.start, scene) });
        break;
    }
  };

  const onPointerUp = (event: React.PointerEvent) => {
    const now = gesture.current;
    fingers.current.delete(event.pointerId);
    gesture.current = null;
    setGhost(null);
    if (!now) return;
    const scene = toScene(slate.view, here(event));
    const again = isSecond(event);
    if (moved.current) finish(slate, now, scene, elementUnder(event));
    // The second press of two does not end a line that the first began: it opens the text.
    else if (again && now.kind === 'pull') slate.setLinkFrom(null);
    else if (now.kind === 'pan' && now.tapped) {
      const tap = press(slate, now.tapped, scene, false);
      // A finger that lets go of what was chosen has done that.
      if (tap?.kind === 'marquee' && slate.selection.ids.size > 0) slate.setSelection(nothing);
      else if (tap) click(slate, tap, scene, elementUnder(event));
    } else click(slate, now, scene, elementUnder(event));
    slate.setDrag(null);
  };

  const onCancel = useCallback(() => {
    gesture.current = null;
    fingers.current.clear();
    setGhost(null);
    slate.setDrag(null);
  }, [slate]);

  const onDoubleClick = (event: React.MouseEvent) => {
    if ((event.target as Element).closest('[data-overlay]') || !slate.editable) return;
    const text = textUnder(slate, event);
    if (text) slate.setEditing(text);
  };

  useEffect(() => {
    const element = surface.current;
    if (!element) return;
    // A listener of our own, since React's are passive and the page would scroll or zoom too.
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      if (event.ctrlKey || event.metaKey)
        zoom(Math.exp(-event.deltaY * 0.002), { x: event.clientX - box.left, y: event.clientY - box.top });
      else setView((view) => ({ ...view, x: view.x - event.deltaX, y: view.y - event.deltaY }));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [surface, setView, zoom]);

  return { ghost, handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onCancel, onDoubleClick } };
}

/** Whether a finger is on something that is chosen already, or is wanted as the other end of a line. */
function isHeld(slate: Slate, event: React.PointerEvent): boolean {
  if (slate.linkFrom) return true;
  const element = elementAt(event.target);
  if (!element || !slate.editable) return false;
  const { ids, end } = slate.selection;
  return ids.has(shapeOf(slate.drawing, element) ?? '') || (end !== null && parseEndId(element)?.line === end.line);
}

const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
const apart = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

function press(slate: Slate, event: React.PointerEvent, scene: Point, edges = true): Gesture | null {
  const edge = edges ? (event.target as Element).getAttribute('data-edge') : null;
  const element = nearestEnd(event) ?? elementAt(event.target);
  if (slate.linkFrom && slate.editable) return { kind: 'pull', from: slate.linkFrom };
  if (edge && slate.editable && !event.shiftKey)
    return { kind: 'pull', from: cellUnder(slate, edge, scene) ?? edge, edge: edgeAt(slate, edge, scene) };
  const end = element ? parseEndId(element) : null;
  if (end) {
    const text = (event.target as Element).getAttribute('data-text');
    const write: Editing | null =
      text && slate.editable && slate.selection.end?.line === end.line ? { of: text as 'label', ...end } : null;
    slate.setSelection(selectEnd(end.line, end.side));
    return { kind: 'end', line: end.line, side: end.side, write };
  }
  const shape = element ? shapeOf(slate.drawing, element) : null;
  if (shape) {
    const { held } = slate.selection;
    const more = event.shiftKey || held !== undefined;
    const ids = more
      ? toggled(slate.selection.ids, shape)
      : slate.selection.ids.has(shape)
        ? slate.selection.ids
        : new Set([shape]);
    if (!slate.selection.ids.has(shape) || more)
      slate.setSelection({ ids, end: null, row: null, ...(held && { held: ids, at: shape }) });
    return { kind: 'move', start: scene, ids, pressed: element! };
  }
  if (element && slate.drawing.lines.has(element)) {
    const written = (event.target as Element).getAttribute('data-text') === 'line';
    const write: Editing | null =
      written && slate.editable && slate.selection.ids.has(element) ? { of: 'line', line: element } : null;
    slate.setSelection(
      event.shiftKey ? { ids: toggled(slate.selection.ids, element), end: null, row: null } : select(element),
    );
    return { kind: 'line', write };
  }
  return { kind: 'marquee', start: scene, keep: event.shiftKey ? slate.selection.ids : new Set() };
}

function click(slate: Slate, now: Gesture, scene: Point, under: string | null) {
  switch (now.kind) {
    case 'pull': {
      const target = placeUnder(slate, scene);
      if (slate.linkFrom) linkOrEnd(slate, now.from, target ?? lineUnder(slate, under, null), scene);
      else {
        slate.setSelection(selectAt(slate.drawing, now.from));
        slate.setLinkFrom(now.from);
      }
      break;
    }
    case 'move':
      if (slate.selection.held) break;
      if (now.pressed !== [...now.ids][0] && now.ids.size === 1)
        slate.setSelection(selectRow([...now.ids][0]!, now.pressed));
      else if (now.ids.size === 1) slate.setSelection(select(...now.ids));
      break;
    // Only once the button is let go: pressing gives the focus to the slate.
    case 'end':
    case 'line':
      if (now.write) slate.setEditing(now.write);
      break;
    case 'marquee':
      slate.setSelection(nothing);
      if (slate.editable) slate.setSymbolsAt(scene);
      break;
    default:
      break;
  }
}

/** A line to what was pressed; where nothing is, to a new box, or no further line where they are drawn one after the other. */
function linkOrEnd(slate: Slate, from: string, to: string | Attachment | null, scene: Point) {
  if (to !== null) slate.link(from, to);
  else if (slate.notation.severalFromOne) slate.setLinkFrom(null);
  else slate.link(from, slate.place('rectangle', scene));
}

function finish(slate: Slate, now: Gesture, scene: Point, under: string | null) {
  switch (now.kind) {
    case 'move':
      if (slate.editable)
        slate.change(
          move(slate.drawing, now.ids, snapped(scene.x - now.start.x) * 4, snapped(scene.y - now.start.y) * 4),
        );
      break;
    case 'pull': {
      slate.setLinkFrom(null);
      const target = placeUnder(slate, scene);
      const edges = { from: now.edge, to: target ? edgeAt(slate, target, scene) : undefined };
      slate.link(now.from, target ?? lineUnder(slate, under, null) ?? slate.place('rectangle', scene), edges);
      break;
    }
    case 'end': {
      const line = slate.drawing.lines.get(now.line);
      if (!line || !slate.editable) break;
      const place = placeUnder(slate, scene);
      const on: Attachment = place
        ? onElement(slate.drawing, place)
        : (lineUnder(slate, under, now.line) ?? {
            kind: 'nothing',
            x: Math.round(scene.x * 4),
            y: Math.round(scene.y * 4),
          });
      slate.change(
        changeEnd(slate.drawing, line, now.side, { on, edge: place ? edgeAt(slate, place, scene) : undefined }),
      );
      break;
    }
    case 'marquee': {
      const area = boxBetween(now.start, scene);
      const hit = [...slate.scene.boxes].filter(([, box]) => overlaps(box, area)).map(([id]) => id);
      const lines = [...slate.scene.routes]
        .filter(([, route]) =>
          route.points.every(
            (p) => p.x >= area.x && p.x <= area.x + area.width && p.y >= area.y && p.y <= area.y + area.height,
          ),
        )
        .map(([id]) => id);
      slate.setSelection({ ids: new Set([...now.keep, ...hit, ...lines]), end: null, row: null });
      break;
    }
    default:
      break;
  }
}

const snapped = (distance: number) => Math.round(distance / snap) * snap;

const toggled = (ids: ReadonlySet<string>, id: string) => {
  const next = new Set(ids);
  if (!next.delete(id)) next.add(id);
  return next;
};

const elementAt = (target: EventTarget) =>
  (target as Element).closest('[data-element]')?.getAttribute('data-element') ?? null;

/** Of the line ends under the pointer, whose circles may overlap, the one whose middle is nearest. */
function nearestEnd({ clientX, clientY, target }: React.PointerEvent): string | null {
  if (!(target as Element).classList.contains('end-hit')) return null;
  const ends = document.elementsFromPoint(clientX, clientY).filter((one) => one.classList.contains('end-hit'));
  const distance = (end: Element) => {
    const { x, y, width, height } = end.getBoundingClientRect();
    return Math.hypot(x + width / 2 - clientX, y + height / 2 - clientY);
  };
  const nearest = ends.sort((a, b) => distance(a) - distance(b))[0];
  return nearest ? elementAt(nearest) : null;
}

function elementUnder(event: React.PointerEvent): string | null {
  return (
    document
      .elementsFromPoint(event.clientX, event.clientY)
      .map(elementAt)
      .find((id) => id !== null) ?? null
  );
}

/** The text of what is under the pointer, to be written: of a shape, of a line's end, or of the line. */
function textUnder(slate: Slate, { clientX, clientY }: React.MouseEvent): Editing | null {
  const found = document.elementsFromPoint(clientX, clientY).find((one) => elementAt(one) !== null);
  const element = found ? elementAt(found) : null;
  if (!found || !element) return null;
  const shape = shapeOf(slate.drawing, element);
  if (shape) return { of: 'shape', id: shape };
  const text = found.closest('[data-text]')?.getAttribute('data-text') ?? null;
  const end = parseEndId(element);
  if (end && slate.drawing.lines.has(end.line))
    return slate.notation.verbAt === 'line' && text === null
      ? { of: 'line', line: end.line }
      : { of: (text ?? 'label') as 'label', ...end };
  return slate.drawing.lines.has(element) ? { of: 'line', line: element } : null;
}

/** Another line, or the end of one, under the pointer. */
function lineUnder(slate: Slate, under: string | null, own: string | null): Attachment | null {
  if (!under) return null;
  const end = parseEndId(under);
  if (end) return end.line === own || !slate.drawing.lines.has(end.line) ? null : { kind: 'line', id: end.line };
  return under !== own && slate.drawing.lines.has(under) ? { kind: 'line', id: under } : null;
}

function shapeUnder(slate: Slate, scene: Point): string | null {
  let found: string | null = null;
  const near = reach / slate.view.zoom;
  for (const [id, box] of slate.scene.boxes) {
    if (
      scene.x >= box.x - near &&
      scene.x <= box.x + box.width + near &&
      scene.y >= box.y - near &&
      scene.y <= box.y + box.height + near
    )
      found = id;
  }
  return found;
}

/** What a line would lead to at a point: a shape, or the cell of a strip. */
function placeUnder(slate: Slate, scene: Point): string | null {
  const shape = shapeUnder(slate, scene);
  return shape && (cellUnder(slate, shape, scene) ?? shape);
}

/** The cell of a strip at a point, or above or beneath it. */
function cellUnder({ drawing, scene }: Slate, id: string, { x }: Point): string | null {
  const shape = drawing.shapes.get(id);
  if (!shape || !isStrip(shape.form)) return null;
  const left = scene.boxes.get(id)!.x;
  return cellsOf(shape).find((cell) => x >= left + cell.x && x <= left + cell.x + cell.width)?.row.id ?? null;
}

/** The edge of a shape near which a point is. */
function edgeAt(slate: Slate, place: string, scene: Point): Edge | undefined {
  const box = boxAt(slate.scene, place);
  return box ? edgeNear(box, scene, edgeReach / slate.view.zoom) : undefined;
}

function pullGhost(slate: Slate, from: string, to: Point): Ghost | null {
  const box = boxAt(slate.scene, from);
  return box
    ? {
        line: {
          from: {
            x: Math.min(Math.max(to.x, box.x), box.x + box.width),
            y: Math.min(Math.max(to.y, box.y), box.y + box.height),
          },
          to,
        },
      }
    : null;
}

function otherEnd(slate: Slate, line: string, side: 'from' | 'to'): Point {
  const points = slate.scene.routes.get(line)!.points;
  return side === 'from' ? points[points.length - 1]! : points[0]!;
}

const boxBetween = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
});
