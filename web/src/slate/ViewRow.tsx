import { Tip } from '../ui/Tip';
import type { Slate } from './useSlate';

/** Undo, redo and zoom, always in sight, quietly. */
export function ViewRow({ slate }: { slate: Slate }) {
  const { editable, session, session_, view } = slate;
  return (
    <div className="view-row" data-overlay data-corner role="group" aria-label="View">
      {editable && (
        <>
          <button className="word-button" disabled={!session_.canUndo} onClick={() => session.undo()}>
            undo
          </button>
          <button className="word-button" disabled={!session_.canRedo} onClick={() => session.redo()}>
            redo
          </button>
        </>
      )}
      <Tip says="farther">
        <button className="sign-button" aria-label="farther" onClick={() => slate.zoom(1 / 1.2)}>
          −
        </button>
      </Tip>
      <output aria-label="zoom">{Math.round(view.zoom * 100)} %</output>
      <Tip says="nearer">
        <button className="sign-button" aria-label="nearer" onClick={() => slate.zoom(1.2)}>
          +
        </button>
      </Tip>
      <button className="word-button" onClick={slate.fitAll}>
        show all
      </button>
      <button className="word-button" onClick={() => slate.setFinding(true)}>
        find
      </button>
    </div>
  );
}
