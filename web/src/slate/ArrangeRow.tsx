import { align, distribute, pin, type Alignment } from './arrange';
import type { Slate } from './useSlate';
import type { Tidy } from './useTidy';

const alignments: readonly (readonly [Alignment, string])[] = [
  ['left', 'lefts'],
  ['centre', 'centres'],
  ['right', 'rights'],
  ['top', 'tops'],
  ['middle', 'middles'],
  ['bottom', 'bottoms'],
];

/** What can be done about places, in words at the corner of the slate: for what is chosen, or for all. */
export function ArrangeRow({ slate, tidy }: { slate: Slate; tidy: Tidy }) {
  const { drawing, base, selection, change } = slate;
  const shapes = [...selection.ids].filter((id) => drawing.shapes.has(id));
  if (!slate.editable || slate.drag || slate.editing || drawing.shapes.size < 2) return null;
  const several = shapes.length > 1;
  const pinned = shapes.length > 0 && shapes.every((id) => drawing.shapes.get(id)!.pinned);
  return (
    <div className="arrange-row" data-overlay role="group" aria-label="Places">
      {tidy?.refusal && <span role="alert">{tidy.refusal}</span>}
      {several && (
        <>
          <span>in line:</span>
          {alignments.map(([by, says]) => (
            <button
              key={by}
              className="word-button"
              onClick={() => change(align(drawing, base.boxes, selection.ids, by))}
            >
              {says}
            </button>
          ))}
        </>
      )}
      {shapes.length > 2 && (
        <>
          <span>even gaps:</span>
          {(['across', 'down'] as const).map((way) => (
            <button
              key={way}
              className="word-button"
              onClick={() => change(distribute(drawing, base.boxes, selection.ids, way))}
            >
              {way}
            </button>
          ))}
        </>
      )}
      {shapes.length > 0 && (
        <button className="word-button" aria-pressed={pinned} onClick={() => change(pin(drawing, selection.ids))}>
          {pinned ? 'let go' : 'pin'}
        </button>
      )}
      {tidy && (
        <button className="word-button" disabled={tidy.busy} onClick={() => void tidy.run()}>
          {tidy.busy ? 'tidying up …' : several ? 'tidy these up' : 'tidy up'}
        </button>
      )}
    </div>
  );
}
