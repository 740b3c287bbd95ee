import { useMemo } from 'react';
import type { Drawing } from '../../drawing/document';
import { readDrawing } from '../../drawing/format';
import { SlateSurface } from '../../slate/SlateSurface';
import { StillSlate } from '../../slate/StillSlate';
import { useSlate, type Slate } from '../../slate/useSlate';
import { whatDiffers } from '../../drawing/whatDiffers';
import { Sheet } from '../../ui/Sheet';

/** Two devices, one drawing: both are shown, and one is chosen. The other is kept at the server. */
export function Conflict({ slate }: { slate: Slate }) {
  const { state, theirs } = slate.session_;
  const { session } = slate;
  if (state !== 'conflict' || theirs === null) return null;
  return (
    <Sheet
      open
      wide
      title="This drawing was changed elsewhere in the meantime"
      actions={
        <>
          <button className="press-button" onClick={() => session.keepMine(session.acknowledged)}>
            Keep what is here
          </button>
          <button
            className="press-button"
            onClick={() => session.takeTheirs(readDrawing(theirs), session.acknowledged)}
          >
            Take the other one
          </button>
        </>
      }
    >
      <p>Choose one to go on with. The other one is kept and not lost.</p>
      <Difference here={slate.drawing} theirs={theirs} />
      <div className="two-slates h-[min(430px,50vh)] flex">
        <div className="flex-1">
          <h2>Here</h2>
          <Here slate={slate} />
        </div>
        <div className="flex-1">
          <h2>The other one</h2>
          <StillSlate drawing={theirs} label="The other one" />
        </div>
      </div>
    </Sheet>
  );
}

/** In which elements the two differ, in a line, so that one need not compare the pictures. */
function Difference({ here, theirs }: { here: Drawing; theirs: string }) {
  const { onlyHere, onlyThere, changed } = useMemo(() => whatDiffers(here, readDrawing(theirs)), [here, theirs]);
  const parts = [
    ['Only here', onlyHere],
    ['only in the other', onlyThere],
    ['drawn differently', changed],
  ] as const;
  const told = parts.filter(([, names]) => names.length > 0).map(([what, names]) => `${what}: ${names.join(', ')}`);
  return (
    <p className="mt-1 mb-3 text-quiet-ink">
      {told.length === 0 ? 'The two differ in their places only.' : `${told.join('; ')}.`}
    </p>
  );
}

/** What is drawn here, looked at on its own: the slate itself is as large as the page. */
function Here({ slate }: { slate: Slate }) {
  const shown = useSlate(slate.session, false);
  return <SlateSurface slate={shown} label="Here" lit={new Set()} words={false} />;
}
