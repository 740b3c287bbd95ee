import { useState } from 'react';
import type { DrawingTools } from '../../api/drawingTools';
import { messageOf } from '../../ui/states';
import { copyOf } from '../../drawing/clipboard';
import { readDrawing } from '../../drawing/format';
import { stepsBetween } from '../../drawing/steps';
import type { Slate } from '../useSlate';

/** A file dropped onto the slate opens there: on an empty slate as it is, else as a copy beside what is drawn. */
export function useDrop(slate: Slate, tools: DrawingTools | undefined) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const able = tools !== undefined && slate.editable;
  const onDragOver = (event: React.DragEvent) => {
    if (able && event.dataTransfer.types.includes('Files')) event.preventDefault();
  };
  const onDrop = (event: React.DragEvent) => {
    const file = event.dataTransfer.files[0];
    if (!able || !file) return;
    event.preventDefault();
    setRefusal(null);
    const frame = event.currentTarget.getBoundingClientRect();
    const at = { x: event.clientX - frame.left, y: event.clientY - frame.top };
    tools.open(file).then(
      ({ drawing: text }) => {
        const found = readDrawing(text);
        const { document: drawing } = slate.session.current();
        if (drawing.shapes.size === 0 && drawing.lines.size === 0) {
          slate.change({ label: 'open a picture', steps: stepsBetween(drawing, { ...found, ties: drawing.ties }) });
          slate.fitSoon();
        } else {
          slate.putPiece(copyOf(found, new Set(found.shapes.keys())), at);
        }
      },
      (error: unknown) => setRefusal(messageOf(error)),
    );
  };
  return { refusal, handlers: { onDragOver, onDrop } };
}
