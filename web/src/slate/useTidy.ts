import { useState } from 'react';
import { messageOf } from '../ui/states';
import { putAt } from './arrange';
import { writeDrawing } from './format';
import { placementOf } from './scene';
import type { Slate } from './useSlate';

/** Asks the server for better places: of these shapes, or of all when none is named. */
export type AskForPlaces = (
  drawing: string,
  only: string[],
) => Promise<readonly { id: string; x: number; y: number }[]>;

/** Tidying up by the layout engine at the server, as one step that can be undone. */
export function useTidy(slate: Slate, ask: AskForPlaces | undefined) {
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  if (!ask || !slate.editable) return null;
  const run = async () => {
    if (busy) return;
    const only = [...slate.selection.ids].filter((id) => slate.drawing.shapes.has(id));
    setBusy(true);
    setRefusal(null);
    try {
      // One shape alone has nothing to be tidied against: then all are meant.
      const places = await ask(writeDrawing(slate.drawing, placementOf(slate.full)), only.length > 1 ? only : []);
      slate.change(putAt(slate.session.current().drawing, places));
      slate.fitSoon();
    } catch (error) {
      setRefusal(messageOf(error));
    } finally {
      setBusy(false);
    }
  };
  return { run, busy, refusal };
}

export type Tidy = ReturnType<typeof useTidy>;
