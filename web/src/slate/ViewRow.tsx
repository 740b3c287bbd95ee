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
      <button className="sign-button" aria-label="farther" title="farther" onClick={() => slate.zoom(1 / 1.2)}>
        −
      </button>
      <output aria-label="zoom">{Math.round(view.zoom * 100)} %</output>
      <button className="sign-button" aria-label="nearer" title="nearer" onClick={() => slate.zoom(1.2)}>
        +
      </button>
      <button className="word-button" onClick={slate.fitAll}>
        show all
      </button>
      <button className="word-button" onClick={() => slate.setFinding(true)}>
        find
      </button>
    </div>
  );
}
