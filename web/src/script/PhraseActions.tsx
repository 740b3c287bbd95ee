import { useState } from 'react';
import { addRow, changeEnd, changeLine, withTie } from '../slate/edits';
import { addShape } from '../slate/edits';
import { select, selectRow } from '../slate/selection';
import { newId, type Slate } from '../slate/useSlate';
import type { Phrase } from './phrases';

/** What chosen words of the scenario can become: a box, an attribute of a box, the verb of the line that is chosen. */
export function PhraseActions({ slate, phrase, done }: { slate: Slate; phrase: Phrase; done: () => void }) {
  const [asking, setAsking] = useState(false);
  const [end] = [slate.selection.end];
  const line = [...slate.selection.ids]
    .map((id) => slate.drawing.lines.get(id))
    .find((candidate) => candidate !== undefined);
  const boxes = [...slate.drawing.shapes.values()].filter(
    (shape) => shape.form === 'rectangle' || shape.form === 'rounded',
  );
  const chosenBox = boxes.find((shape) => slate.selection.ids.has(shape.id));

  const box = () => {
    const spot = slate.freeSpot();
    const { change, id } = addShape(
      slate.drawing,
      'rectangle',
      (spot.x - 75) * 4,
      (spot.y - 13) * 4,
      newId,
      capital(phrase.quote),
    );
    slate.change(withTie(change, { element: id, ...phrase }, newId));
    slate.setSelection(select(id));
    done();
  };
  const attribute = (id: string) => {
    const { change, id: row } = addRow(slate.drawing, slate.drawing.shapes.get(id)!, phrase.quote.toLowerCase(), newId);
    slate.change(withTie(change, { element: row, ...phrase }, newId));
    slate.setSelection(selectRow(id, row));
    done();
  };
  const verb = () => {
    if (!line) return;
    const change = end
      ? changeEnd(slate.drawing, line, end.side, { label: phrase.quote })
      : changeLine(slate.drawing, line, { text: phrase.quote });
    slate.change(withTie(change, { element: end ? `${line.id}/${end.side}` : line.id, ...phrase }, newId));
    done();
  };
  // Keeps the words chosen: the buttons are pressed with the pointer, and the choice must outlive the press.
  const hold = (event: React.MouseEvent) => event.preventDefault();

  if (asking) {
    return (
      <div onMouseDown={hold} role="group" aria-label="An attribute of which box?">
        <p>An attribute of which box?</p>
        {boxes.map((shape) => (
          <button key={shape.id} className="mr-3" onClick={() => attribute(shape.id)}>
            {shape.text || 'without a name'}
          </button>
        ))}
      </div>
    );
  }
  return (
    <div onMouseDown={hold} className="contents">
      <button onClick={box}>a box</button>
      {boxes.length > 0 && (
        <button onClick={() => (chosenBox ? attribute(chosenBox.id) : setAsking(true))}>
          {chosenBox ? `an attribute of ${chosenBox.text || 'this box'}` : 'an attribute …'}
        </button>
      )}
      {line && <button onClick={verb}>the verb of this line</button>}
    </div>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
