import { useState, type ReactNode } from 'react';
import { currentOf, type Selection } from '../drawing/selection';
import { textOf } from '../drawing/document';
import type { Scene } from '../geometry/scene';
import { FindField } from './FindField';
import { CommentMarks } from './figures/CommentMarks';
import { RegionFigures } from './figures/RegionFigures';
import { SceneFigures } from './figures/SceneFigures';
import { useDragged } from './gestures/dragging';
import { usePointer, type Ghost } from './gestures/usePointer';
import { KeyHelp } from './keys/KeyHelp';
import { useKeys, type KeyDeeds } from './keys/useKeys';
import { RimNames } from './RimNames';
import { SheetEdges } from './SheetEdges';
import { spoken } from './spoken';
import { useHome, type Home } from './useHome';
import type { Deeds } from './useDeeds';
import type { Slate } from './useSlate';
import { ViewRow } from './ViewRow';

/** What every slate shows, whether one draws on it or only looks. */
export interface SlateLook {
  readonly label: string;
  readonly lit: ReadonlySet<string>;
  readonly onHover?: (element: string | null) => void;
  /** Elements drawn in the examiner's hand. */
  readonly ochre?: ReadonlySet<string>;
  readonly ochreRows?: ReadonlySet<string>;
  /** Elements that are not shown yet; everything else stands where it will stand with them. */
  readonly hidden?: ReadonlySet<string>;
  /** What lies behind the figures, in scene coordinates, and what lies over them. */
  readonly behind?: ReactNode;
  readonly over?: ReactNode;
  readonly empty?: ReactNode;
  /** That this is the page's own slate. */
  readonly home?: Home;
}

interface SlateFrameProps extends SlateLook {
  slate: Slate;
  /** What a key does that is not the frame's own. */
  tidy?: KeyDeeds['tidy'];
  deeds?: Deeds;
  /** What comes from outside onto the slate. */
  drop?: Pick<React.DOMAttributes<HTMLElement>, 'onDragOver' | 'onDrop'>;
  /** What lies on the slate, and what stands at its foot, while the shapes are where they are dragged to. */
  laid?: (slate: Slate) => ReactNode;
  foot?: (slate: Slate) => ReactNode;
}

const none: ReadonlySet<string> = new Set();

/** A slate: one tab stop, a scene in SVG that is moved and made larger, and what is laid on it. */
export function SlateFrame({
  slate: still,
  label,
  lit,
  onHover,
  ochre = none,
  ochreRows = none,
  hidden,
  behind,
  over,
  empty,
  home,
  tidy,
  deeds,
  drop,
  laid,
  foot,
}: SlateFrameProps) {
  const slate = useDragged(still);
  const [help, setHelp] = useState(false);
  const { ghost, handlers } = usePointer(slate);
  const homely = useHome(still, home);
  const keys = useKeys(slate, { help: () => setHelp(true), tidy });
  const { scene, view, selection } = slate;
  const transform = `translate(${view.x} ${view.y}) scale(${view.zoom})`;
  const paint = { selection, lit, ochre, ochreRows, hidden };
  const hover = (event: React.PointerEvent) =>
    onHover?.((event.target as Element).closest('[data-element]')?.getAttribute('data-element') ?? null);

  return (
    <div
      ref={slate.surface}
      className={`slate${slate.linkFrom ? ' linking' : ''}${slate.moving ? ' dragging' : ''}${showsFocus(selection, scene) ? ' chosen' : ''}`}
      tabIndex={0}
      role="application"
      aria-label={label}
      aria-roledescription="slate"
      {...handlers}
      {...drop}
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
          <CommentMarks scene={scene} onOpen={slate.editable ? slate.setCommenting : undefined} />
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
      {laid?.(slate)}
      <RimNames slate={slate} />
      <SheetEdges slate={slate} deeds={deeds} lit={lit} />
      {slate.finding && <FindField slate={slate} onClose={() => slate.setFinding(false)} />}
      <div className="slate-foot">
        <ViewRow slate={slate} />
        {foot?.(slate)}
      </div>
      <p className="sr-only" role="status">
        {slate.chalkPoint
          ? 'the chalk point'
          : slate.linkFrom
            ? `a line from ${textOf(slate.drawing, slate.linkFrom) || 'a shape without a name'}: go to the other end and press Enter. ${spoken(slate.drawing, selection, slate.notation.endWay)}`
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
