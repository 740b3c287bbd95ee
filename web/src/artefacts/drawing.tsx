import { readDrawing } from '../drawing/format';
import { whatDiffers } from '../drawing/whatDiffers';
import { countsOf } from '../notations/counts';
import { isBox } from '../notations/forms';
import { drawings } from '../slate/drawings';
import { StillSlate } from '../slate/StillSlate';
import type { Artefact } from './artefact';

/** Drawings on a slate. */
export const drawing: Artefact = {
  name: 'drawing',
  plain: drawings.plain,
  contents: (text) => {
    const drawn = readDrawing(text);
    const boxes = [...drawn.shapes.values()].filter((shape) => isBox(shape.form));
    return drawn.shapes.size === 0
      ? null
      : { counts: countsOf(drawn), names: boxes.map((box) => box.text || 'a box without a name') };
  },
  differing: (here, there) => whatDiffers(readDrawing(here), readDrawing(there)),
  Still: ({ document, label }) => <StillSlate drawing={document} label={label} />,
};
