import { useState } from 'react';
import type { DrawingTools } from '../../api/drawingTools';
import { messageOf } from '../../ui/states';
import { copyOf } from '../../drawing/clipboard';
import { readDrawing } from '../../drawing/format';
import type { Point } from '../../geometry/boxes';
import { toScene } from '../../geometry/view';
import { putDrawing } from '../putDrawing';
import type { Slate } from '../useSlate';

/** Words of a scenario: their block, where they start in it, and themselves. */
export interface Words {
  readonly block: number;
  readonly start: number;
  readonly quote: string;
}

/** What becomes of words let go over the slate, or over one of its shapes. */
export type TakeWords = (words: Words, at: Point, shape: string | null) => void;

/** By this, words on their way are known from any other text. */
const wordsType = 'application/vnd.blue-slate.words+json';

/** Sends words on their way. */
export function carryWords(transfer: DataTransfer, words: Words) {
  transfer.setData(wordsType, JSON.stringify(words));
  transfer.effectAllowed = 'copy';
}

function wordsIn(transfer: DataTransfer): Words | null {
  const text = transfer.getData(wordsType);
  if (text === '') return null;
  const { block, start, quote } = JSON.parse(text) as Partial<Words>;
  return typeof block === 'number' && typeof start === 'number' && typeof quote === 'string'
    ? { block, start, quote }
    : null;
}

/**
 * What is dropped onto the slate. A file opens there: on an empty slate as it is, else as a copy beside what is drawn. Words of the
 * scenario are taken as the page wants.
 */
export function useDrop(slate: Slate, tools: DrawingTools | undefined, takeWords: TakeWords | undefined) {
  const [refusal, setRefusal] = useState<string | null>(null);
  const able = tools !== undefined && slate.editable;
  const onDragOver = (event: React.DragEvent) => {
    const { types } = event.dataTransfer;
    if (able && types.includes('Files')) event.preventDefault();
    if (slate.editable && takeWords && types.includes(wordsType)) {
      event.preventDefault();
      event.dataTransfer.dropEffect = 'copy';
    }
  };
  const onDrop = (event: React.DragEvent) => {
    const frame = event.currentTarget.getBoundingClientRect();
    const at = { x: event.clientX - frame.left, y: event.clientY - frame.top };
    const words = slate.editable && takeWords ? wordsIn(event.dataTransfer) : null;
    if (words) {
      event.preventDefault();
      const place = toScene(slate.view, at);
      takeWords!(words, place, shapeAt(slate, place));
      return;
    }
    const file = event.dataTransfer.files[0];
    if (!able || !file) return;
    event.preventDefault();
    setRefusal(null);
    tools.open(file).then(
      ({ drawing: text }) => {
        const found = readDrawing(text);
        const { document: drawing } = slate.session.current();
        if (drawing.shapes.size === 0 && drawing.lines.size === 0) {
          putDrawing(slate, 'open a picture', found);
        } else {
          slate.putPiece(copyOf(found, new Set(found.shapes.keys())), at);
        }
      },
      (error: unknown) => setRefusal(messageOf(error)),
    );
  };
  return { refusal, handlers: { onDragOver, onDrop } };
}

/** The shape at a place; of several the one that was drawn last. */
const shapeAt = ({ scene: { boxes } }: Slate, { x, y }: Point): string | null =>
  [...boxes].findLast(
    ([, box]) => x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height,
  )?.[0] ?? null;
