import type { Line } from '../../drawing/document';
import type { Change } from '../../drawing/steps';
import type { Slate } from '../useSlate';

/** Changes all chosen lines, as one step; says whether there were any. */
export function onLines(slate: Slate, change: (line: Line) => Change): boolean {
  const lines = [...slate.selection.ids].flatMap((id) => slate.drawing.lines.get(id) ?? []);
  slate.change({ label: 'change lines', steps: lines.flatMap((line) => change(line).steps) });
  return lines.length > 0;
}
