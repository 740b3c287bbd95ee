import { memo } from 'react';
import { parseEndId, type Comment } from '../../drawing/document';
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
  const marked = new Map<string, Comment[]>();
  for (const comment of scene.drawing.comments.values()) {
    const owner = shapeOf(scene.drawing, comment.element) ?? parseEndId(comment.element)?.line ?? comment.element;
    marked.set(owner, [...(marked.get(owner) ?? []), comment]);
  }
  return [...marked].map(([owner, notes]) => {
    const at = placeOf(scene, owner);
    return at && <Mark key={owner} at={at} notes={notes} onOpen={onOpen} />;
  });
});

interface MarkProps {
  at: Point;
  notes: readonly Comment[];
  onOpen: CommentMarksProps['onOpen'];
}

function Mark({ at, notes, onOpen }: MarkProps) {
  return (
    <g
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
  );
}

/** Beside the upper right corner of a box, whose rows share one mark; above the middle of a line. */
function placeOf(scene: Scene, owner: string): Point | null {
  const box = scene.boxes.get(owner);
  if (box) return { x: box.x + box.width + 8, y: box.y + 2 };
  const route = scene.routes.get(owner);
  if (!route) return null;
  const { point } = alongRoute(route.points, 0.5);
  return { x: point.x + 6, y: point.y - 12 };
}
