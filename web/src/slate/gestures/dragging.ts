import { useMemo, useSyncExternalStore } from 'react';
import { lettingGo } from '../../geometry/letGo';
import { layOut, linesMoving } from '../../geometry/scene';
import type { Slate } from '../useSlate';

/** Shapes that are being dragged, and how far, in pixels at zoom 1. */
export interface Drag {
  readonly ids: ReadonlySet<string>;
  readonly dx: number;
  readonly dy: number;
}

/** What is being dragged on one slate. It changes with every move of the pointer, so only the surface listens to it, not its page. */
export class Dragging {
  private drag: Drag | null = null;
  private readonly observers = new Set<() => void>();

  readonly current = () => this.drag;

  readonly set = (drag: Drag | null) => {
    if (drag === this.drag) return;
    this.drag = drag;
    for (const observer of [...this.observers]) observer();
  };

  readonly subscribe = (observer: () => void) => {
    this.observers.add(observer);
    return () => void this.observers.delete(observer);
  };
}

/** The slate as it is shown now: with what is being dragged where the pointer has brought it. */
export function useDragged(slate: Slate): Slate {
  const { base, dragging } = slate;
  const drag = useSyncExternalStore(dragging.subscribe, dragging.current);
  const scene = useMemo(() => {
    if (!drag) return base;
    const shapes = new Map(base.drawing.shapes);
    for (const id of drag.ids) {
      const shape = shapes.get(id);
      if (shape)
        shapes.set(id, { ...shape, x: shape.x + Math.round(drag.dx * 4), y: shape.y + Math.round(drag.dy * 4) });
    }
    const dragged = { ...base.drawing, shapes };
    const loose = lettingGo(dragged, drag.ids).map((line) => [line.id, line] as const);
    return layOut({ ...dragged, lines: new Map([...dragged.lines, ...loose]) }, base, drag.ids);
  }, [base, drag]);
  const ids = drag?.ids;
  // The shapes that are being dragged and the lines that hang on them.
  const moving = useMemo(() => (ids ? new Set([...ids, ...linesMoving(base.drawing, ids)]) : null), [base, ids]);
  return drag ? { ...slate, scene, moving } : slate;
}
