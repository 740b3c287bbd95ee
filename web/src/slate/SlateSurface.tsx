import { toScreen } from '../geometry/view';
import { ArrangeRow, type AllowedTools } from './ArrangeRow';
import { ChosenRow } from './chosen/ChosenRow';
import { CommentEditor } from './dialogs/Comments';
import { useDrop, type TakeWords } from './gestures/useDrop';
import { SlateFrame, type SlateLook } from './SlateFrame';
import { SymbolRow } from './SymbolRow';
import { BoxEditor, TextEditor } from './TextEditors';
import type { Slate } from './useSlate';
import { useDeeds } from './useDeeds';
import { useTidy, type TidyingUp } from './useTidy';

interface SlateSurfaceProps extends SlateLook {
  slate: Slate;
  /** Words beside the symbols of an end. */
  words: boolean;
  /** How better places are asked for, where the exercise allows tidying up. */
  tidying?: TidyingUp;
  /** What the core may do with the drawing here. */
  allowed?: AllowedTools;
  /** What becomes of words of the scenario that are let go here. */
  takeWords?: TakeWords;
}

/** A slate to draw on, with what opens on it meanwhile. */
export function SlateSurface({ slate: still, words, tidying, allowed, takeWords, ...look }: SlateSurfaceProps) {
  const tidy = useTidy(still, tidying);
  const deeds = useDeeds(still, allowed?.tools);
  const drop = useDrop(still, allowed?.tools, takeWords);
  return (
    <SlateFrame
      {...look}
      slate={still}
      tidy={tidy?.run}
      deeds={deeds}
      drop={drop.handlers}
      laid={(slate) => (
        <>
          {slate.symbolsAt && <SymbolRow slate={slate} />}
          <ChosenRow slate={slate} words={words} />
          {slate.editing?.of === 'shape' && (
            <BoxEditor key={slate.editing.id} slate={slate} id={slate.editing.id} words={words} />
          )}
          {slate.editing && slate.editing.of !== 'shape' && (
            <TextEditor key={JSON.stringify(slate.editing)} slate={slate} editing={slate.editing} />
          )}
          {slate.commenting && <CommentEditor key={slate.commenting} slate={slate} element={slate.commenting} />}
          {slate.chalkPoint && <ChalkPoint slate={slate} />}
        </>
      )}
      foot={(slate) => (
        <ArrangeRow
          slate={slate}
          tidy={tidy}
          deeds={deeds}
          allowed={allowed}
          refusal={drop.refusal ?? slate.session_.refused ?? slate.told}
        />
      )}
    />
  );
}

/** Where the next symbol goes, moved by arrows. */
function ChalkPoint({ slate }: { slate: Slate }) {
  const at = toScreen(slate.view, slate.chalkPoint!);
  return (
    <svg className="chalk-point" style={{ left: at.x, top: at.y }} width="30" height="30" viewBox="-15 -15 30 30">
      <title>the chalk point</title>
      <path d="M-13 0H-4M4 0H13M0 -13V-4M0 4V13" />
      <circle r="2" />
    </svg>
  );
}
