import { memo } from 'react';
import { parseEndId } from '../../drawing/document';
import { shapeOf } from '../../drawing/selection';
import type { Point } from '../../geometry/boxes';
import { alongRoute } from '../../geometry/route';
import type { Scene } from '../../geometry/scene';

interface CommentMarksProps {
  scene: Scene;
  /** Opens what was noted; where nothing may be changed it is only read. */
  onOpen?: (element: string) => void;
}

/** A quotation mark beside whatever somebody noted something about; what it says is read when one points at it. */
export const CommentMarks = memo(function CommentMarks({ scene, onOpen }: CommentMarksProps) {
  const marked = new Map<string, { at: Point; notes: { element: string; text: string }[] }>();
  for (const { element, text } of scene.drawing.comments.values()) {
    const at = placeOf(scene, element);
    if (!at) continue;
    const place = `${at.x} ${at.y}`;
    const mark = marked.get(place) ?? { at, notes: [] };
    mark.notes.push({ element, text });
    marked.set(place, mark);
  }
  return [...marked.entries()].map(([place, { at, notes }]) => (
    <g
      key={place}
      className="comment-mark"
      // The press is no press on the slate, which would take the focus from what opens.
      onPointerDown={onOpen && ((event) => event.stopPropagation())}
      onClick={onOpen && (() => onOpen(notes[0]!.element))}
    >
      <title>{notes.map(({ text }) => text).join('\n')}</title>
      <circle className="hit" cx={at.x + 5} cy={at.y} r={12} />
      <text x={at.x} y={at.y + 12}>
        ”
      </text>
    </g>
  ));
});

/** Beside the upper right corner of a box, whose rows share one mark; above the middle of a line. */
function placeOf(scene: Scene, element: string): Point | null {
  const box = scene.boxes.get(shapeOf(scene.drawing, element) ?? '');
  if (box) return { x: box.x + box.width + 8, y: box.y + 2 };
  const route = scene.routes.get(parseEndId(element)?.line ?? element);
  if (!route) return null;
  const { point } = alongRoute(route.points, 0.5);
  return { x: point.x + 6, y: point.y - 12 };
}
