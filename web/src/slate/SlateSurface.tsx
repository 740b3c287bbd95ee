import { useState, type ReactNode } from 'react';
import { ArrangeRow, type AllowedTools } from './ArrangeRow';
import { useDragged } from './dragging';
import { ChosenRow } from './chosen/ChosenRow';
import { FindField } from './FindField';
import { KeyHelp } from './KeyHelp';
import { RegionFigures } from './RegionFigures';
import { RimNames } from './RimNames';
import { SceneFigures } from './SceneFigures';
import { CommentEditor } from './Comments';
import { SheetEdges } from './SheetEdges';
import type { Scene } from './scene';
import { currentOf, type Selection } from './selection';
import { spoken } from './spoken';
import { SymbolRow } from './SymbolRow';
import { BoxEditor, TextEditor } from './TextEditors';
import { useDrop } from './useDrop';
import { useHome, type Home } from './useHome';
import { useKeys } from './useKeys';
import { usePointer, type Ghost } from './usePointer';
import type { Slate } from './useSlate';
import { useTidy, type TidyingUp } from './useTidy';
import { ViewRow } from './ViewRow';
import { toScreen } from './view';

interface SlateSurfaceProps {
  slate: Slate;
  label: string;
  lit: ReadonlySet<string>;
  onHover?: (element: string | null) => void;
  /** Words beside the symbols of an end. */
  words: boolean;
  /** Elements drawn in the examiner's hand. */
  ochre?: ReadonlySet<string>;
  ochreRows?: ReadonlySet<string>;
  /** What lies behind the figures, in scene coordinates, and what lies over them. */
  behind?: ReactNode;
  over?: ReactNode;
  empty?: ReactNode;
  /** How better places are asked for, where the exercise allows tidying up. */
  tidying?: TidyingUp;
  /** What the core may do with the drawing here. */
  allowed?: AllowedTools;
  /** That this is the page's own slate. */
  home?: Home;
}

const none: ReadonlySet<string> = new Set();

/** The slate: one tab stop, a scene in SVG, and what opens on it while one draws. */
export function SlateSurface({
  slate: still,
  label,
  lit,
  onHover,
  words,
  ochre = none,
  ochreRows = none,
  behind,
  over,
  empty,
  tidying,
  allowed,
  home,
}: SlateSurfaceProps) {
  const slate = useDragged(still);
  const [help, setHelp] = useState(false);
  const { ghost, handlers } = usePointer(slate);
  const tidy = useTidy(slate, tidying);
  const drop = useDrop(slate, allowed?.tools);
  const homely = useHome(still, home);
  const keys = useKeys(slate, { help: () => setHelp(true), tidy: tidy?.run });
  const { scene, view, selection } = slate;
  const transform = `translate(${view.x} ${view.y}) scale(${view.zoom})`;
  const paint = { selection, lit, ochre, ochreRows };
  const hover = (event: React.PointerEvent) =>
    onHover?.((event.target as Element).closest('[data-element]')?.getAttribute('data-element') ?? null);

  return (
    <div
      ref={slate.surface}
      className={`slate${slate.linkFrom ? ' linking' : ''}${showsFocus(selection, scene) ? ' chosen' : ''}`}
      tabIndex={0}
      role="application"
      aria-label={label}
      aria-roledescription="slate"
      {...handlers}
      {...drop.handlers}
      onPointerOver={hover}
      onPointerLeave={() => onHover?.(null)}
      {...keys}
      {...homely}
    >
      <svg className="scene" aria-hidden="true">
        <defs>
          <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path className="hatch-line" d="M0 0V7" />
          </pattern>
        </defs>
        <g transform={transform}>
          {behind}
          <RegionFigures scene={scene} slate={slate} />
          <SceneFigures {...paint} scene={slate.base} leaveOut={slate.moving} />
          {!slate.moving && <FocusCorners slate={slate} />}
          <GhostFigure ghost={ghost} />
          {over}
        </g>
      </svg>
      {slate.moving && (
        <svg className="scene moving" aria-hidden="true">
          <g transform={transform}>
            <SceneFigures {...paint} scene={scene} only={slate.moving} />
            <FocusCorners slate={slate} />
          </g>
        </svg>
      )}
      {scene.drawing.shapes.size === 0 && !slate.symbolsAt && empty && <div className="slate-empty">{empty}</div>}
      {slate.symbolsAt && <SymbolRow slate={slate} />}
      <ChosenRow slate={slate} words={words} />
      {slate.editing?.of === 'shape' && (
        <BoxEditor key={slate.editing.id} slate={slate} id={slate.editing.id} words={words} />
      )}
      {slate.editing && slate.editing.of !== 'shape' && (
        <TextEditor key={JSON.stringify(slate.editing)} slate={slate} editing={slate.editing} />
      )}
      <RimNames slate={slate} />
      <SheetEdges slate={slate} />
      {slate.commenting && <CommentEditor key={slate.commenting} slate={slate} element={slate.commenting} />}
      {slate.chalkPoint && <ChalkPoint slate={slate} />}
      {slate.finding && <FindField slate={slate} onClose={() => slate.setFinding(false)} />}
      <div className="slate-foot">
        <ViewRow slate={slate} />
        <ArrangeRow
          slate={slate}
          tidy={tidy}
          allowed={allowed}
          refusal={drop.refusal ?? slate.session_.refused ?? slate.told}
        />
      </div>
      <p className="sr-only" role="status">
        {slate.chalkPoint
          ? 'the chalk point'
          : slate.linkFrom
            ? `a line from ${slate.drawing.shapes.get(slate.linkFrom)?.text || 'a shape without a name'}: go to the other end and press Enter. ${spoken(slate.drawing, selection, slate.notation.endWay)}`
            : spoken(slate.drawing, selection, slate.notation.endWay)}
      </p>
      <KeyHelp open={help} onClose={() => setHelp(false)} />
    </div>
  );
}

/** Whether what is chosen shows itself where the focus is: by the corners around a shape, at an end or at a row. */
const showsFocus = (selection: Selection, { boxes }: Scene) =>
  selection.end !== null || selection.row !== null || boxes.has(cornersAt(selection) ?? '');

/** What the corners stand around: what is chosen alone, or the one at which one is while others stay chosen. */
const cornersAt = (selection: Selection) =>
  selection.ids.size === 1 || selection.held ? currentOf(selection) : undefined;

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

/** Focus is four corner angles outside the shape. */
function FocusCorners({ slate }: { slate: Slate }) {
  const box = slate.scene.boxes.get(cornersAt(slate.selection) ?? '');
  if (!box) return null;
  const [l, t, r, b] = [box.x - 5, box.y - 5, box.x + box.width + 5, box.y + box.height + 5];
  const a = 9;
  return (
    <path
      className="focus-corners"
      d={`M${l} ${t + a}V${t}H${l + a}M${r - a} ${t}H${r}V${t + a}M${r} ${b - a}V${b}H${r - a}M${l + a} ${b}H${l}V${b - a}`}
    />
  );
}

function GhostFigure({ ghost }: { ghost: Ghost | null }) {
  if (!ghost) return null;
  return (
    <>
      {ghost.line && (
        <path
          className="ghost-line"
          d={`M${ghost.line.from.x} ${ghost.line.from.y}L${ghost.line.to.x} ${ghost.line.to.y}`}
        />
      )}
      {ghost.marquee && <rect className="marquee" {...ghost.marquee} />}
    </>
  );
}
