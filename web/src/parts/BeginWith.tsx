import type { Slate } from '../slate/useSlate';
import type { Schemas } from '../api/client';
import { readDrawing } from '../drawing/format';
import { putDrawing } from '../slate/putDrawing';

interface BeginWithProps {
  begins: Schemas['BeginsWith'];
  part: number;
  /** That there is nothing in the earlier part yet to begin with. */
  nothing: boolean;
  waiting: boolean;
  refusal: string | null;
  onBegin: () => void;
}

/** Offers, on an empty slate, to begin with what an earlier part gives. */
export function BeginWith({ begins, part, nothing, waiting, refusal, onBegin }: BeginWithProps) {
  return (
    <div className="begin-part" onPointerDown={(event) => event.stopPropagation()}>
      <button className="press-button" disabled={waiting || nothing} onClick={onBegin}>
        {waiting
          ? 'putting it on the slate …'
          : `Begin with ${begins === 'own-drawing' ? 'your drawing' : 'the model answer'} of part ${part}`}
      </button>
      {nothing && <p>Draw part {part} first: there is nothing in it yet.</p>}
      {refusal && <p role="alert">{refusal}</p>}
    </div>
  );
}

/** Begins with a drawing, and leaves the focus where it is drawn on. */
export function putOnSlate(slate: Slate, text: string) {
  putDrawing(slate, 'begin', readDrawing(text));
  slate.surface.current?.focus();
}
