import { align, distribute, pin, type Alignment } from '../drawing/arrange';
import { useState } from 'react';
import type { DrawingTools } from '../api/drawingTools';
import { readDrawing, writeDrawing } from '../drawing/format';
import { Dictionary } from './dialogs/Comments';
import { determinantsIn } from '../drawing/determinants';
import { rowsOf } from '../drawing/document';
import { changeShape } from '../drawing/edits';
import { isBox, isStrip } from '../notations/forms';
import { LiftSheet } from './dialogs/LiftSheet';
import { PictureSheet } from './dialogs/PictureSheet';
import { RedrawSheet } from './dialogs/RedrawSheet';
import { RegionWords } from './RegionWords';
import { placementOf } from '../geometry/scene';
import { fanAgain } from '../drawing/fan';
import { ovalsOf } from '../drawing/ovals';
import { useSize } from '../ui/useSize';
import { stepsBetween } from '../drawing/steps';
import type { Slate } from './useSlate';
import type { Deeds } from './useDeeds';
import type { Tidy } from './useTidy';
import { messageOf } from '../ui/states';

/** On a slate that is narrower, in pixels, these words fold away, so that undo and zoom keep their place. */
const foldBelow = 600;

const alignments: readonly (readonly [Alignment, string])[] = [
  ['left', 'lefts'],
  ['centre', 'centres'],
  ['right', 'rights'],
  ['top', 'tops'],
  ['middle', 'middles'],
  ['bottom', 'bottoms'],
];

/** What can be done about places, in words at the corner of the slate: for what is chosen, or for all. */
/** What the core may do here: what the exercise allows. */
export interface AllowedTools {
  readonly tools: DrawingTools;
  readonly redraw: boolean;
  readonly lifting: boolean;
}

interface ArrangeRowProps {
  slate: Slate;
  tidy: Tidy;
  deeds: Deeds;
  allowed: AllowedTools | undefined;
  /** Why a dropped file was not opened. */
  refusal: string | null;
}

export function ArrangeRow({ slate, tidy, deeds, allowed, refusal: dropRefusal }: ArrangeRowProps) {
  const [opened, setOpened] = useState<'lift' | 'redraw' | 'picture' | 'dictionary' | null>(null);
  const [unfolded, setUnfolded] = useState(false);
  const narrow = (useSize(slate.surface)?.width ?? Infinity) < foldBelow;
  const [refusal, setRefusal] = useState<string | null>(null);
  const { drawing, base, selection, change } = slate;
  const shapes = [...selection.ids].filter((id) => drawing.shapes.has(id));
  const told = refusal ?? dropRefusal ?? tidy?.told;
  if (!slate.editable || slate.moving || slate.editing) return null;
  if (drawing.shapes.size < 2)
    return told ? (
      <div className="arrange-row" role="alert">
        {told}
      </div>
    ) : null;
  const several = shapes.length > 1;
  const boxes = shapes.filter((id) => isBox(drawing.shapes.get(id)!.form));
  const pushDown = async () => {
    setRefusal(null);
    try {
      const reply = await allowed!.tools.pushDown(writeDrawing(drawing, placementOf(slate.full)), boxes[0]!);
      change({ label: 'push down', steps: stepsBetween(slate.session.current().document, readDrawing(reply.drawing)) });
    } catch (error) {
      setRefusal(messageOf(error));
    }
  };
  if (narrow && !unfolded && !told)
    return (
      <div className="arrange-row" data-overlay data-corner>
        <button className="word-button" aria-expanded={false} onClick={() => setUnfolded(true)}>
          {shapes.length > 0 ? 'its place' : 'more'}
        </button>
      </div>
    );
  const pinned = shapes.length > 0 && shapes.every((id) => drawing.shapes.get(id)!.pinned);
  return (
    <div className="arrange-row" data-overlay data-corner role="group" aria-label="Places">
      {told && <span role="alert">{told}</span>}
      {narrow && (
        <button className="word-button" aria-expanded onClick={() => setUnfolded(false)}>
          less
        </button>
      )}
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
      {boxes.length === 1 && <OwnTables slate={slate} deeds={deeds} table={boxes[0]!} />}
      <WholeTables slate={slate} deeds={deeds} chosen={boxes} />
      <TableForms slate={slate} chosen={boxes} />
      {shapes.length > 0 && (
        <button className="word-button" aria-pressed={pinned} onClick={() => change(pin(drawing, selection.ids))}>
          {pinned ? 'let go' : 'pin'}
        </button>
      )}
      {shapes.length > 0 && <RegionWords slate={slate} shapes={shapes} />}
      {shapes.length === 1 && ovalsOf(drawing, shapes[0]!).length > 1 && (
        <button className="word-button" onClick={() => change(fanAgain(drawing, drawing.shapes.get(shapes[0]!)!))}>
          fan again
        </button>
      )}
      {allowed?.lifting && slate.notation.ofConcepts && boxes.length > 1 && (
        <button className="word-button" onClick={() => setOpened('lift')}>
          lift
        </button>
      )}
      {allowed?.lifting && slate.notation.ofConcepts && boxes.length === 1 && (
        <button className="word-button" onClick={() => void pushDown()}>
          push down
        </button>
      )}
      {allowed?.redraw && slate.notation.ofConcepts && shapes.length === 0 && (
        <button className="word-button" onClick={() => setOpened('redraw')}>
          in another notation
        </button>
      )}
      {shapes.length === 0 && (
        <button className="word-button" onClick={() => setOpened('dictionary')}>
          what the names mean
        </button>
      )}
      {opened === 'dictionary' && <Dictionary slate={slate} onClose={() => setOpened(null)} />}
      {allowed && (
        <button className="word-button" onClick={() => setOpened('picture')}>
          picture
        </button>
      )}
      {opened === 'picture' && <PictureSheet slate={slate} tools={allowed!.tools} onClose={() => setOpened(null)} />}
      {opened === 'lift' && (
        <LiftSheet slate={slate} tools={allowed!.tools} shapes={boxes} onClose={() => setOpened(null)} />
      )}
      {opened === 'redraw' && <RedrawSheet slate={slate} tools={allowed!.tools} onClose={() => setOpened(null)} />}
      {tidy && (
        <button className="word-button" disabled={tidy.busy} onClick={() => void tidy.run()}>
          {tidy.busy ? tidyingUp(tidy.before) : several ? 'tidy these up' : 'tidy up'}
        </button>
      )}
    </div>
  );
}

/** What of a table could have a table of its own, by the arrows that are drawn: of a chosen line, what that belongs to. */
function OwnTables({ slate, deeds, table }: { slate: Slate; deeds: Deeds; table: string }) {
  const shape = slate.drawing.shapes.get(table)!;
  if (!deeds || !slate.notation.stages || shape.sheet === undefined) return null;
  const all = determinantsIn(slate.drawing, shape);
  const { row } = slate.selection;
  const ofRow = all.filter(({ rows }) => row !== null && rows.includes(row));
  const shown = ofRow.length > 0 ? ofRow : all;
  return (
    shown.length > 0 && (
      <>
        <span>a table of its own for what depends on</span>
        {shown.map(({ name, rows }) => (
          <button
            key={name}
            className="word-button"
            disabled={deeds.busy}
            onClick={() => void deeds.run('own-table', rows, 'give a table of its own')}
          >
            {name}
          </button>
        ))}
      </>
    )
  );
}

/** What can be done to whole tables of a stage: one gets a number of its own, several become one, with a note where that is on purpose. */
function WholeTables({ slate, deeds, chosen }: { slate: Slate; deeds: Deeds; chosen: readonly string[] }) {
  if (!deeds || !areTables(slate, chosen)) return null;
  const offered =
    chosen.length === 1
      ? ([
          ['own-number', 'a number for its key', 'give a number of its own'],
          ['denormalise', 'denormalised, since …', 'note that it is denormalised'],
        ] as const)
      : ([
          ['merge-tables', 'one table of these', 'make one table'],
          ['denormalise', 'one table, denormalised', 'denormalise'],
        ] as const);
  return offered.map(([deed, says, label]) => (
    <button
      key={deed}
      className="word-button"
      disabled={deeds.busy}
      onClick={() => void deeds.run(deed, chosen, label)}
    >
      {says}
    </button>
  ));
}

/** Tables as rows of cells, in which arrows are drawn, or as lists, which are narrower. */
function TableForms({ slate, chosen }: { slate: Slate; chosen: readonly string[] }) {
  if (!areTables(slate, chosen)) return null;
  const shapes = chosen.map((id) => slate.drawing.shapes.get(id)!);
  const listed = shapes.every(({ form }) => isStrip(form));
  const [form, says] = listed ? (['rectangle', 'as a list'] as const) : (['strip', 'as cells'] as const);
  const steps = shapes.flatMap((shape) => changeShape(slate.drawing, shape, { form }).steps);
  return (
    <button className="word-button" onClick={() => slate.change({ label: `draw ${says}`, steps })}>
      {says}
    </button>
  );
}

/** Whether whole tables of a stage are chosen, and nothing else of the drawing's boxes. */
const areTables = ({ drawing, notation, selection }: Slate, chosen: readonly string[]) =>
  notation.stages === true &&
  chosen.length > 0 &&
  selection.row === null &&
  chosen.every((id) => {
    const shape = drawing.shapes.get(id)!;
    return shape.sheet !== undefined && rowsOf(shape).length > 0;
  });

const tidyingUp = (before: number | null) =>
  before === null || before === 0
    ? 'tidying up …'
    : before === 1
      ? 'one drawing before yours …'
      : `${before} drawings before yours …`;
