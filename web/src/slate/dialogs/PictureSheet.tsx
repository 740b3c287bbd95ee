import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { DrawingTools } from '../../api/drawingTools';
import { saveFile } from '../../ui/saveFile';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { firstSheet } from '../../drawing/document';
import { writeDrawing } from '../../drawing/format';
import { placementOf } from '../../geometry/scene';
import type { Slate } from '../useSlate';
import { Choice } from '../../ui/Choice';

const formats = [
  ['svg', 'SVG', 'lines at any size'],
  ['png', 'PNG', 'pixels'],
  ['pdf', 'PDF', 'for print; a page a sheet'],
] as const;

type Format = (typeof formats)[number][0];

/** The drawing, or what is chosen of it, as a picture: saved, or put on the clipboard. The file opens here again. */
export function PictureSheet({ slate, tools, onClose }: { slate: Slate; tools: DrawingTools; onClose: () => void }) {
  const [format, setFormat] = useState<Format>('svg');
  const [scale, setScale] = useState(2);
  const chosen = [...slate.selection.ids].filter((id) => slate.drawing.shapes.has(id));
  const [part, setPart] = useState(chosen.length > 0);
  const across = acrossFrom(slate);
  const [as, setAs] = useState('');
  const paint = (painted: Format) =>
    tools.picture({
      drawing: writeDrawing(slate.drawing, placementOf(slate.full)),
      format: painted,
      only: part ? chosen : [],
      scale,
      as,
      sheet: slate.sheet,
    });
  const save = useMutation({
    mutationFn: async () => saveFile(`${tools.title}.${format}`, await paint(format)),
    onSuccess: onClose,
  });
  const copy = useMutation({
    mutationFn: () => navigator.clipboard.write([new ClipboardItem({ 'image/png': paint('png') })]),
  });
  const error = save.error ?? copy.error;
  return (
    <Sheet
      open
      onClose={onClose}
      title="As a picture"
      actions={
        <>
          <button className="press-button" disabled={save.isPending} onClick={() => save.mutate()}>
            {save.isPending ? 'painting …' : 'Save'}
          </button>
          <button className="word-button" disabled={copy.isPending} onClick={() => copy.mutate()}>
            {copy.isSuccess ? 'on the clipboard' : 'copy as pixels'}
          </button>
        </>
      }
    >
      <Choice label="Format" value={format} choices={formats} onChoose={setFormat} />
      {format === 'png' && (
        <label className="field mt-3">
          <span>How many times as large as on the slate</span>
          <input
            type="number"
            min={1}
            max={8}
            value={scale}
            onChange={(event) => setScale(Math.min(8, Math.max(1, Number(event.target.value) || 1)))}
          />
        </label>
      )}
      {chosen.length > 0 && (
        <label className="flex gap-2 mt-3">
          <input type="checkbox" checked={part} onChange={(event) => setPart(event.target.checked)} />
          only what is chosen
        </label>
      )}
      {across && (
        <div className="mt-3">
          <Choice
            label="What is painted"
            titled
            value={as}
            choices={[asDrawn(slate, format), across]}
            onChoose={setAs}
          />
        </div>
      )}
      <p className="mt-3 text-quiet-ink text-[14px]">
        The file carries the drawing: dropped onto a slate it opens for change.
      </p>
      {error && (
        <p className="refusal" role="alert">
          {messageOf(error)}
        </p>
      )}
    </Sheet>
  );
}

type Across = readonly [notation: string, word: string, says: string];

/** Of several sheets a picture shows one; printed, each has a page. */
const asDrawn = ({ drawing }: Slate, format: Format): Across => [
  '',
  drawing.sheets.size > 1 && format !== 'pdf' ? 'this sheet' : 'the drawing',
  'as it is',
];
const asTables: Across = ['crows-foot', 'these tables in crow’s foot', 'with a line for each foreign key'];
const asBoxes: Across = ['dependency', 'its attributes, a box each', 'to begin a dependency diagram with'];

/** As what else one can go on with what is shown; null for nothing. */
function acrossFrom({ notation, drawing, sheet }: Slate): Across | null {
  const boxes = [...drawing.shapes.values()].filter((shape) => (shape.sheet ?? firstSheet(drawing)) === sheet);
  if (notation.ofConcepts) return boxes.length > 0 ? asBoxes : null;
  const isStage = notation.stages && sheet !== firstSheet(drawing);
  return isStage && boxes.some((shape) => shape.compartments.length > 0) ? asTables : null;
}
