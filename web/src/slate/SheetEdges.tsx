import { useState } from 'react';
import { firstSheet, limits } from '../drawing/document';
import { sheetsOf } from '../drawing/sameName';
import { addSheet, nameSheet, removeSheet } from '../drawing/sheets';
import type { Deeds } from './useDeeds';
import { newId, type Slate } from './useSlate';

interface SheetEdgesProps {
  slate: Slate;
  deeds?: Deeds;
  /** What is lit: a sheet on which some of it stands is marked. */
  lit: ReadonlySet<string>;
}

/** The sheets of a drawing as folded paper edges at the slate's upper rim. With one sheet there is only the way to a second. */
export function SheetEdges({ slate, deeds, lit }: SheetEdgesProps) {
  const [naming, setNaming] = useState<string | null>(null);
  const { drawing, sheet, editable } = slate;
  const sheets = [...drawing.sheets.values()];
  const marked = sheets.length > 1 && slate.notation.stages ? sheetsOf(drawing, lit) : null;
  if (sheets.length < 2 && (!editable || drawing.shapes.size === 0)) return null;
  const add = () => {
    const { change, id } = addSheet(drawing, newId);
    slate.change(change);
    slate.setSheet(id);
  };
  const remove = () => {
    const change = removeSheet(drawing, sheet);
    if (change) slate.change(change);
  };
  return (
    <div className="sheet-edges" data-overlay data-corner role="group" aria-label="Sheets">
      {sheets.length > 1 &&
        sheets.map(({ id, name }, i) =>
          naming === id ? (
            <input
              key={id}
              autoFocus
              defaultValue={name}
              maxLength={40}
              aria-label="Name of the sheet"
              onBlur={(event) => {
                setNaming(null);
                if (event.target.value.trim() !== name) slate.change(nameSheet(drawing, id, event.target.value.trim()));
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
                event.stopPropagation();
              }}
            />
          ) : (
            <button
              key={id}
              className={`sheet-edge${marked?.has(id) && id !== sheet ? ' holds' : ''}`}
              aria-pressed={id === sheet}
              title={editable && id === sheet ? 'press again to name it' : undefined}
              onClick={() => (id === sheet && editable ? setNaming(id) : slate.setSheet(id))}
            >
              {name === '' ? `sheet ${i + 1}` : name}
            </button>
          ),
        )}
      {editable &&
        sheets.length < limits.sheets &&
        (deeds && slate.notation.stages ? (
          <button
            className="sheet-edge quiet"
            disabled={deeds.busy}
            onClick={() => void deeds.run('next-stage', [sheet], 'begin a stage')}
          >
            {deeds.busy ? 'a moment …' : sheet === firstSheet(drawing) ? 'begin a stage' : 'next stage'}
          </button>
        ) : (
          <button className="sheet-edge quiet" onClick={add}>
            {sheets.length > 1 ? 'another' : 'second sheet'}
          </button>
        ))}
      {deeds?.forAuthors && slate.notation.stages && sheets.length === 1 && drawing.lines.size > 0 && (
        <button
          className="sheet-edge quiet"
          disabled={deeds.busy}
          onClick={() => void deeds.run('propose-stages', [], 'propose the stages')}
        >
          propose the stages
        </button>
      )}
      {editable && sheet !== firstSheet(drawing) && (
        <button className="sheet-edge quiet" onClick={remove}>
          take this one away
        </button>
      )}
    </div>
  );
}
