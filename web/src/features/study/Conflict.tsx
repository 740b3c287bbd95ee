import { useMemo, useSyncExternalStore } from 'react';
import { artefactOf } from '../../artefacts/registry';
import type { AnySession } from '../../keeping/session';
import { Sheet } from '../../ui/Sheet';

const { Still, differing } = artefactOf();

/** Two devices, one drawing: both are shown, and one is chosen. The other is kept at the server. */
export function Conflict({ session }: { session: AnySession }) {
  const { state, theirs } = useSyncExternalStore(session.subscribe, session.current);
  if (state !== 'conflict' || theirs === null) return null;
  const here = session.text();
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
          <button className="press-button" onClick={() => session.takeTheirs(theirs, session.acknowledged)}>
            Take the other one
          </button>
        </>
      }
    >
      <p>Choose one to go on with. The other one is kept and not lost.</p>
      <Difference here={here} theirs={theirs} />
      <div className="two-slates h-[min(430px,50vh)] flex">
        <div className="flex-1">
          <h2>Here</h2>
          <Still document={here} label="Here" />
        </div>
        <div className="flex-1">
          <h2>The other one</h2>
          <Still document={theirs} label="The other one" />
        </div>
      </div>
    </Sheet>
  );
}

/** In which elements the two differ, in a line, so that one need not compare the pictures. */
function Difference({ here, theirs }: { here: string; theirs: string }) {
  const { onlyHere, onlyThere, changed } = useMemo(() => differing(here, theirs), [here, theirs]);
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
