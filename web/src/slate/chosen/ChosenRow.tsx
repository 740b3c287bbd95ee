import { Toolbar } from 'radix-ui';
import type { ReactNode } from 'react';
import { around, type Box } from '../../geometry/boxes';
import { boxAt } from '../../geometry/scene';
import { endPlace } from '../../geometry/endPlace';
import type { Slate } from '../useSlate';
import { AtEnd } from './AtEnd';
import { AtLine } from './AtLine';
import { AtRow } from './AtRow';
import { AtSeveral } from './AtSeveral';
import { AtShape } from './AtShape';
import { useFreeSpace } from './useFreeSpace';

/** What the rows at what is chosen have in common. */
export interface ChosenProps {
  readonly slate: Slate;
  /** Words beside the symbols: what they mean. */
  readonly words: boolean;
}

/** The short row at what is chosen: what can be done with it, in free space beside it. */
export function ChosenRow({ slate, words }: ChosenProps) {
  const { selection, scene } = slate;
  const anchor = anchorOf(slate);
  const idle = slate.moving || slate.editing || slate.symbolsAt || slate.commenting || slate.chalkPoint;
  if (!slate.editable || idle || !anchor) return null;
  const [id] = selection.ids;
  const content =
    slate.linkFrom !== null ? (
      <Linking slate={slate} />
    ) : selection.end ? (
      <AtEnd key={`${selection.end.line}/${selection.end.side}`} slate={slate} words={words} />
    ) : selection.ids.size > 1 ? (
      <AtSeveral slate={slate} />
    ) : selection.row ? (
      <AtRow key={selection.row} slate={slate} words={words} />
    ) : scene.boxes.has(id!) ? (
      <AtShape key={id} slate={slate} words={words} />
    ) : (
      <AtLine key={id} slate={slate} words={words} />
    );
  return (
    <Frame slate={slate} anchor={anchor}>
      {content}
    </Frame>
  );
}

function Frame({ slate, anchor, children }: { slate: Slate; anchor: Box; children: ReactNode }) {
  const { ref, style } = useFreeSpace(slate, anchor);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    slate.surface.current?.focus();
  };
  return (
    <Toolbar.Root
      ref={ref}
      className="chosen-row"
      data-overlay
      style={style}
      aria-label="With what is chosen"
      onKeyDown={onKeyDown}
    >
      {children}
    </Toolbar.Root>
  );
}

/** While a line waits for its other end. */
function Linking({ slate }: { slate: Slate }) {
  const { severalFromOne } = slate.notation;
  return (
    <>
      <span className="asked">
        {severalFromOne ? 'Press what it determines, one after the other.' : 'Press what the line leads to.'}
      </span>
      <Toolbar.Button className="deed" onClick={() => slate.setLinkFrom(null)}>
        {severalFromOne ? 'that is all' : 'no line'} <kbd>Esc</kbd>
      </Toolbar.Button>
    </>
  );
}

/** How much of a line around its end belongs to that end. */
const aroundEnd = 16;

/** What the row belongs to, in the scene: the end, the shapes, or a line's middle piece. */
function anchorOf({ selection, scene, linkFrom }: Slate): Box | null {
  const { end, ids } = selection;
  if (linkFrom !== null) return boxAt(scene, linkFrom);
  if (end) {
    const route = scene.routes.get(end.line);
    if (!route) return null;
    const { point, direction } = endPlace(route, end.side);
    const [x, y] = [point.x + direction.x * aroundEnd, point.y + direction.y * aroundEnd];
    return { x: x - aroundEnd, y: y - aroundEnd, width: 2 * aroundEnd, height: 2 * aroundEnd };
  }
  const boxes = [...ids].flatMap((id) => scene.boxes.get(id) ?? []);
  if (boxes.length > 0) return around(boxes);
  const routes = [...ids].flatMap((id) => scene.routes.get(id) ?? []);
  return around(routes.flatMap(({ points }) => middlePiece(points)));
}

/** The longest stretch of a line, as a box. */
function middlePiece(points: readonly { x: number; y: number }[]): Box[] {
  const pieces = points.slice(1).map((to, i) => around([pointBox(points[i]!), pointBox(to)])!);
  const longest = pieces.sort((a, b) => b.width + b.height - a.width - a.height)[0];
  return longest ? [longest] : [];
}

const pointBox = ({ x, y }: { x: number; y: number }): Box => ({ x, y, width: 0, height: 0 });
