import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { DrawingTools } from '../../api/drawingTools';
import { notationTitle, type NotationName } from '../../parts/learned';
import { Sheet } from '../../ui/Sheet';
import { Failed, Loading } from '../../ui/states';
import { readDrawing, writeDrawing } from '../../drawing/format';
import { placementOf } from '../../geometry/scene';
import { stepsBetween } from '../../drawing/steps';
import { StillSlate } from '../StillSlate';
import type { Slate } from '../useSlate';

const notations: readonly NotationName[] = ['chen', 'crows-foot', 'uml'];

/** The drawing as another notation would draw it, with what that cannot say; it can be taken up as one step. */
export function RedrawSheet({ slate, tools, onClose }: { slate: Slate; tools: DrawingTools; onClose: () => void }) {
  const [drawn] = useState(() => writeDrawing(slate.drawing, placementOf(slate.full)));
  const [notation, setNotation] = useState(notations.find((name) => name !== slate.notation.name)!);
  const redrawn = useQuery({
    queryKey: ['redraw', drawn, notation],
    queryFn: () => tools.redraw(drawn, notation),
    gcTime: 0,
  });
  const take = () => {
    if (!redrawn.data) return;
    slate.change({ label: 'redraw', steps: stepsBetween(slate.drawing, readDrawing(redrawn.data.drawing)) });
    slate.fitSoon();
    onClose();
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="In another notation"
      actions={
        <button className="press-button" disabled={!redrawn.data} onClick={take}>
          Take it instead
        </button>
      }
    >
      <div className="flex gap-5 mb-2" role="radiogroup" aria-label="Notation">
        {notations.map((name) => (
          <button
            key={name}
            role="radio"
            aria-checked={name === notation}
            className={`word-button${name === notation ? ' main' : ''}`}
            onClick={() => setNotation(name)}
          >
            {notationTitle(name)}
          </button>
        ))}
      </div>
      {redrawn.isPending && <Loading what="the drawing" />}
      {redrawn.isError && <Failed error={redrawn.error} />}
      {redrawn.data && (
        <>
          <div className="still-frame">
            <StillSlate key={notation} drawing={redrawn.data.drawing} label={`In ${notationTitle(notation)}`} />
          </div>
          {redrawn.data.unsaid.length > 0 && (
            <p className="mt-2">It cannot say, and says in notes: {redrawn.data.unsaid.join(' ')}</p>
          )}
        </>
      )}
    </Sheet>
  );
}
