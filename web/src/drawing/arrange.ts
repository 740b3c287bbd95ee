import { linesAt, type Drawing } from './document';
import { bottom, right, type Box } from '../geometry/boxes';
import { atAnyEdge } from './edits';
import { putLine, putShape, type Change } from './steps';

/** What shapes can be brought in line by. */
export type Alignment = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

type Boxes = ReadonlyMap<string, Box>;

/** Brings shapes in line. Pinned ones stay, and the others come to them; without any, they meet at their common edge or middle. */
export function align(drawing: Drawing, boxes: Boxes, ids: ReadonlySet<string>, by: Alignment): Change {
  const chosen = boxesOf(drawing, boxes, ids);
  const pinned = chosen.filter(([id]) => drawing.shapes.get(id)!.pinned);
  const line = lineOf(
    (pinned.length > 0 ? pinned : chosen).map(([, box]) => box),
    by,
  );
  return moved(drawing, 'align', new Map(chosen.map(([id, box]) => [id, inLine(box, by, line)])));
}

/** Gives shapes equal gaps, across or down; the two outermost stay. */
export function distribute(drawing: Drawing, boxes: Boxes, ids: ReadonlySet<string>, way: 'across' | 'down'): Change {
  const [start, size] = way === 'across' ? (['x', 'width'] as const) : (['y', 'height'] as const);
  const chosen = boxesOf(drawing, boxes, ids).sort(([, a], [, b]) => a[start] - b[start]);
  const [first, last] = [chosen[0], chosen[chosen.length - 1]];
  if (!first || !last || chosen.length < 3) return { label: 'distribute', steps: [] };
  const room = last[1][start] + last[1][size] - first[1][start];
  const gap = (room - chosen.reduce((sum, [, box]) => sum + box[size], 0)) / (chosen.length - 1);
  let at = first[1][start];
  const places = new Map<string, Box>();
  for (const [id, box] of chosen) {
    places.set(id, { ...box, [start]: at });
    at += box[size] + gap;
  }
  return moved(drawing, 'distribute', places);
}

/** Puts shapes where the server's layout wants them, as one step; lines at them end at whatever edges are best there. */
export function putAt(drawing: Drawing, places: readonly { id: string; x: number; y: number }[]): Change {
  const placed = new Set(places.map(({ id }) => id));
  const lines = linesAt(drawing, placed).filter((line) => line.from.edge ?? line.to.edge);
  const shapes = places.flatMap(({ id, x, y }) => {
    const shape = drawing.shapes.get(id);
    return shape && !shape.pinned && (shape.x !== x || shape.y !== y) ? [putShape(drawing, { ...shape, x, y })] : [];
  });
  return { label: 'tidy up', steps: [...shapes, ...lines.map((line) => putLine(drawing, atAnyEdge(line)))] };
}

/** Pins shapes where they are, or lets them go when all of them are pinned. */
export function pin(drawing: Drawing, ids: ReadonlySet<string>): Change {
  const shapes = [...ids].flatMap((id) => drawing.shapes.get(id) ?? []);
  const pinned = !shapes.every((shape) => shape.pinned);
  return {
    label: pinned ? 'pin' : 'let go',
    steps: shapes.map((shape) => {
      const { pinned: before, ...rest } = shape;
      return putShape(drawing, pinned ? { ...rest, pinned: true } : before ? rest : shape);
    }),
  };
}

const boxesOf = (drawing: Drawing, boxes: Boxes, ids: ReadonlySet<string>) =>
  [...ids].filter((id) => drawing.shapes.has(id)).map((id) => [id, boxes.get(id)!] as const);

function lineOf(boxes: readonly Box[], by: Alignment): number {
  const least = (of: (box: Box) => number) => Math.min(...boxes.map(of));
  const most = (of: (box: Box) => number) => Math.max(...boxes.map(of));
  switch (by) {
    case 'left':
      return least((box) => box.x);
    case 'right':
      return most(right);
    case 'top':
      return least((box) => box.y);
    case 'bottom':
      return most(bottom);
    case 'centre':
      return (least((box) => box.x) + most(right)) / 2;
    case 'middle':
      return (least((box) => box.y) + most(bottom)) / 2;
  }
}

function inLine(box: Box, by: Alignment, line: number): Box {
  switch (by) {
    case 'left':
      return { ...box, x: line };
    case 'right':
      return { ...box, x: line - box.width };
    case 'centre':
      return { ...box, x: line - box.width / 2 };
    case 'top':
      return { ...box, y: line };
    case 'bottom':
      return { ...box, y: line - box.height };
    case 'middle':
      return { ...box, y: line - box.height / 2 };
  }
}

function moved(drawing: Drawing, label: string, places: ReadonlyMap<string, Box>): Change {
  const steps = [...places].flatMap(([id, box]) => {
    const shape = drawing.shapes.get(id)!;
    const [x, y] = [Math.round(box.x * 4), Math.round(box.y * 4)];
    return shape.pinned || (shape.x === x && shape.y === y) ? [] : [putShape(drawing, { ...shape, x, y })];
  });
  return { label, steps };
}
