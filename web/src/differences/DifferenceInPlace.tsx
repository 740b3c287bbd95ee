import { useLayoutEffect, useMemo } from 'react';
import type { Schemas } from '../api/client';
import { fragmentOf } from '../drawing/fragment';
import { readDrawing } from '../drawing/format';
import { closedSession } from '../slate/drawings';
import { SlateFrame } from '../slate/SlateFrame';
import { useSlate } from '../slate/useSlate';
import { placeNotes } from './bands';
import { DifferenceBands, DifferenceTags } from './DifferenceLayer';
import { overlayOf } from './overlay';

interface DifferenceInPlaceProps {
  drawing: string;
  model: string;
  note: Schemas['StudentNote'];
  counterparts: Readonly<Record<string, string>>;
  label: string;
}

/** One difference where it was drawn: the part of the answer around it, with what is missing in the examiner's hand. */
export function DifferenceInPlace({ drawing, model, note, counterparts, label }: DifferenceInPlaceProps) {
  const overlay = useMemo(
    () => overlayOf(readDrawing(drawing), readDrawing(model), [note], counterparts),
    [drawing, model, note, counterparts],
  );
  const session = useMemo(() => closedSession(overlay.drawing), [overlay]);
  const slate = useSlate(session, false);
  const placed = useMemo(() => placeNotes(slate.base, overlay.marked), [slate.base, overlay]);
  const around = useMemo(() => {
    const shapes = overlay.marked.flatMap(({ elements }) =>
      elements.map((element) => fragmentOf(overlay.drawing, element)),
    );
    const ids = new Set(shapes.flatMap((part) => [...part.shapes.keys()]));
    const boxes = [...slate.base.boxes].flatMap(([id, box]) => (ids.has(id) ? [box] : []));
    return [...boxes, ...placed.flatMap(({ tags }) => tags.map(({ box }) => box))];
  }, [overlay, slate.base, placed]);
  const { showPart, turnTo } = slate;
  useLayoutEffect(() => turnTo(overlay.marked.flatMap(({ elements }) => elements)), [turnTo, overlay]);
  useLayoutEffect(() => showPart(around), [showPart, around]);
  const lit = useMemo(
    () =>
      // A line of text has its band; its box is not what is meant.
      new Set(
        placed.flatMap(({ bands }) =>
          bands.flatMap(({ element }) => (overlay.drawing.shapes.has(element) ? [element] : [])),
        ),
      ),
    [placed, overlay],
  );
  return (
    <SlateFrame
      slate={slate}
      label={label}
      lit={lit}
      ochre={overlay.ochre}
      ochreRows={overlay.ochreRows}
      behind={<DifferenceBands placed={placed} open={null} edge={0} />}
      over={<DifferenceTags placed={placed} open={null} numbered={false} />}
      empty={<p>Nothing is drawn.</p>}
    />
  );
}
