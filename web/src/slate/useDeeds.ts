import { useState } from 'react';
import type { DrawingTools } from '../api/drawingTools';
import { readDrawing, writeDrawing } from '../drawing/format';
import { select } from '../drawing/selection';
import { stepsBetween } from '../drawing/steps';
import { placementOf } from '../geometry/scene';
import { messageOf } from '../ui/states';
import type { Slate } from './useSlate';

/** What the core does to a drawing as a whole, as one step that can be undone; where something new came of it, that is shown. */
export function useDeeds(slate: Slate, tools: DrawingTools | undefined) {
  const [busy, setBusy] = useState(false);
  if (!tools || !slate.editable) return null;
  const run = async (deed: string, on: readonly string[], label: string) => {
    if (busy) return;
    setBusy(true);
    slate.setTold(null);
    const { document: before } = slate.session.current();
    try {
      const reply = await tools.deed(writeDrawing(before, placementOf(slate.full)), deed, [...on]);
      if (slate.session.current().document !== before)
        return slate.setTold('Something was drawn meanwhile, so nothing was changed. Try again.');
      const after = readDrawing(reply.drawing);
      slate.change({ label, steps: stepsBetween(before, after), placed: true });
      const fresh = [...after.sheets.keys()].find((id) => !before.sheets.has(id));
      if (fresh) slate.setSheet(fresh);
      else slate.fitSoon();
      // A note that comes with it waits for what a person has to say.
      const note = [...after.shapes.values()].find(({ id, form }) => form === 'note' && !before.shapes.has(id));
      if (note) {
        slate.setSelection(select(note.id));
        slate.setEditing({ of: 'shape', id: note.id });
      }
    } catch (error) {
      slate.setTold(messageOf(error));
    } finally {
      setBusy(false);
    }
  };
  return { run, busy, forAuthors: tools.forAuthors ?? false };
}

export type Deeds = ReturnType<typeof useDeeds>;
