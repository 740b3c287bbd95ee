import { useLayoutEffect, useRef, useState } from 'react';
import { Sheet } from '../../ui/Sheet';
import { commentStep, dictionaryOf } from '../../drawing/dictionary';
import { limits, parseEndId } from '../../drawing/document';
import { select, shapeOf } from '../../drawing/selection';
import type { Slate } from '../useSlate';
import { toScreen } from '../../geometry/view';

/** A comment on an element, edited beside it. Leaving keeps. */
export function CommentEditor({ slate, element }: { slate: Slate; element: string }) {
  const before = slate.drawing.comments.get(element)?.text ?? '';
  const [text, setText] = useState(before);
  const area = useRef<HTMLTextAreaElement>(null);
  useLayoutEffect(() => area.current?.focus(), []);
  const owner = shapeOf(slate.drawing, element);
  const box = owner ? slate.scene.boxes.get(owner) : undefined;
  const route = slate.scene.routes.get(parseEndId(element)?.line ?? element);
  const at = toScreen(slate.view, box ? { x: box.x + box.width + 10, y: box.y } : (route?.points[0] ?? { x: 0, y: 0 }));
  const leave = () => {
    slate.setCommenting(null);
    if (text.trim() !== before) slate.change(commentStep(slate.session.current().document, element, text.trim()));
  };
  return (
    <div className="comment-editor" data-overlay style={{ left: at.x, top: at.y }}>
      <textarea
        ref={area}
        value={text}
        rows={4}
        maxLength={limits.comment}
        aria-label="Comment"
        placeholder="what this means; it is never marked"
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key !== 'Escape' || event.nativeEvent.isComposing) return;
          leave();
          slate.surface.current?.focus();
        }}
      />
    </div>
  );
}

/** The data dictionary: every name of the drawing with what was noted about it. */
export function Dictionary({ slate, onClose }: { slate: Slate; onClose: () => void }) {
  const entries = dictionaryOf(slate.drawing);
  return (
    <Sheet open onClose={onClose} title="What the names mean">
      {entries.length === 0 && <p>Nothing is drawn yet.</p>}
      <dl className="dictionary">
        {entries.map(({ element, name, within, comment }) => (
          <div key={element}>
            <dt>
              <button
                className="word-button"
                onClick={() => {
                  onClose();
                  slate.setSelection(select(shapeOf(slate.drawing, element) ?? parseEndId(element)?.line ?? element));
                  if (slate.editable) slate.setCommenting(element);
                }}
              >
                {name}
              </button>
              {within && <span className="text-quiet-ink"> of {within}</span>}
            </dt>
            <dd>{comment || <span className="text-quiet-ink">not noted</span>}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
