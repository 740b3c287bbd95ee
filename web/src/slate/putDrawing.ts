import type { Drawing } from '../drawing/document';
import { stepsBetween } from '../drawing/steps';
import type { Slate } from './useSlate';

/** Puts a drawing on an empty slate, to be drawn on, in one step that can be undone; words that were tied stay. */
export function putDrawing(slate: Slate, label: string, drawing: Drawing) {
  const { document: now } = slate.session.current();
  slate.change({ label, steps: stepsBetween(now, { ...drawing, ties: now.ties }) });
  slate.fitSoon();
}
