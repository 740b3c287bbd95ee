import { useEffect, useState } from 'react';
import { messageOf } from '../ui/states';
import { putAt } from '../drawing/arrange';
import { writeDrawing } from '../drawing/format';
import { placementOf } from '../geometry/scene';
import type { Slate } from './useSlate';

/** Better places, and whether the shapes are only set out in rows, since there are too many of them. */
export interface Places {
  readonly places: readonly { id: string; x: number; y: number }[];
  readonly simpler: boolean;
}

/** How drawings are tidied up at the server. */
export interface TidyingUp {
  /** Asks for better places: of these shapes, or of all when none is named. */
  readonly ask: (drawing: string, only: string[]) => Promise<Places>;
  /** How many drawings are before this one; null when it does not wait. */
  readonly before: () => Promise<number | null>;
}

const setOutInRows = 'There is too much here for a careful layout: the shapes are set out in rows. Undo takes it back.';
const patience = 1200;

/** Tidying up by the layout engine at the server, as one step that can be undone. */
export function useTidy(slate: Slate, tidying: TidyingUp | undefined) {
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<string | null>(null);
  const before = useWaiting(busy, tidying?.before);
  if (!tidying || !slate.editable) return null;
  const run = async () => {
    if (busy) return;
    const only = [...slate.selection.ids].filter((id) => slate.drawing.shapes.has(id));
    setBusy(true);
    setTold(null);
    try {
      // One shape alone has nothing to be tidied against: then all are meant.
      const text = writeDrawing(slate.drawing, placementOf(slate.full));
      const { places, simpler } = await tidying.ask(text, only.length > 1 ? only : []);
      slate.change(putAt(slate.session.current().document, places));
      slate.fitSoon();
      if (simpler) setTold(setOutInRows);
    } catch (error) {
      setTold(messageOf(error));
    } finally {
      setBusy(false);
    }
  };
  return { run, busy, before, told };
}

// Who waits for long is told how many are before.
function useWaiting(busy: boolean, ask: (() => Promise<number | null>) | undefined): number | null {
  const [before, setBefore] = useState<number | null>(null);
  useEffect(() => {
    if (!busy || !ask) return;
    const look = () => void ask().then(setBefore, () => setBefore(null));
    const timer = setInterval(look, patience);
    return () => {
      clearInterval(timer);
      setBefore(null);
    };
  }, [busy, ask]);
  return before;
}

export type Tidy = ReturnType<typeof useTidy>;
