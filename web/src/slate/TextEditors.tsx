import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { limits, type Shape } from '../drawing/document';
import { changeEnd, changeLine } from '../drawing/edits';
import { isBox as isBoxForm } from '../notations/forms';
import { sizeOf, textWidth } from '../geometry/measure';
import { midpoint } from '../geometry/route';
import { naturalPlace } from '../geometry/endTexts';
import { newId, type Editing, type Slate } from './useSlate';
import { toScreen } from '../geometry/view';
import { writingOf } from '../drawing/writing';

/** A box edited in place as text: its name, then a line an attribute. Leaving keeps; undo takes one editing back. */
export function BoxEditor({ slate, id, words }: { slate: Slate; id: string; words: boolean }) {
  const shape = slate.drawing.shapes.get(id);
  const area = useRef<HTMLTextAreaElement>(null);
  const [writing] = useState(() => shape && writingOf(slate.notation, slate.drawing, shape, words));
  const [text, setText] = useState(writing?.text ?? '');
  const leaving = useRef(false);
  useLayoutEffect(() => {
    const field = area.current;
    field?.focus();
    if (field && shape?.text !== '') field.setSelectionRange(field.value.length, field.value.length);
    // Once, when the editor opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  // What is being written stays in sight, also when it grows.
  const frame = useRef<HTMLDivElement>(null);
  const aside = useRef(0);
  const { setView, surface } = slate;
  useLayoutEffect(() => {
    const editor = frame.current?.getBoundingClientRect();
    const page = surface.current?.getBoundingClientRect();
    if (!editor || !page) return;
    const down = Math.max(0, editor.bottom - page.bottom + 12);
    const across = Math.max(0, editor.right - page.right + 12);
    if (down > 0 || across > 0) setView((view) => ({ ...view, x: view.x - across, y: view.y - down }));
    aside.current += across;
  }, [text, setView, surface]);
  // What was moved aside for the field's width comes back when it closes.
  useLayoutEffect(() => () => setView((view) => ({ ...view, x: view.x + aside.current })), [setView]);
  const tooLong = limitOf(text);
  const take = () => {
    const { document: drawing } = slate.session.current();
    const current = drawing.shapes.get(id);
    const change = current && writing && !tooLong ? writing.change(drawing, current, text, newId) : null;
    // However often it is taken while it is written, undo takes one editing back.
    if (change) slate.change({ ...change, mergeKey: `write ${id}` });
  };
  useTaking(slate, take);
  if (!shape || !writing) return null;

  const box = slate.scene.boxes.get(id)!;
  const at = toScreen(slate.view, box);
  const zoom = Math.max(1, slate.view.zoom);
  const lines = text.split('\n');
  const size = sizeOf({ ...preview(shape, text) });
  const isBox = isBoxForm(shape.form) || writing.lines;

  const leave = () => {
    if (leaving.current) return;
    if (tooLong) {
      // What the document cannot hold is not thrown away: the field stays, and so does the focus.
      window.setTimeout(() => area.current?.focus());
      return;
    }
    leaving.current = true;
    take();
    slate.session.seal();
    slate.setEditing(null);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.nativeEvent.isComposing) return;
    const done =
      event.key === 'Escape' ||
      ((event.ctrlKey || event.metaKey) && event.key === 'Enter') ||
      (event.key === 'Enter' && !writing.lines);
    if (!done) return;
    event.preventDefault();
    leave();
    slate.surface.current?.focus();
  };

  return (
    <div
      ref={frame}
      className="box-editor"
      data-overlay
      style={{ left: at.x, top: at.y, width: Math.max(box.width, size.width, 190) * zoom, fontSize: 13 * zoom }}
    >
      <textarea
        ref={area}
        value={text}
        rows={Math.max(isBox ? 2 : 1, lines.length + (isBox ? 1 : 0))}
        spellCheck={false}
        dir="auto"
        aria-label={writing.label}
        aria-invalid={tooLong !== null}
        placeholder={isBox ? 'name' : ''}
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
      <p className="editor-hint" role="status">
        {tooLong ?? writing.hint}
      </p>
    </div>
  );
}

/** Which limit of a box a text is over, in a sentence; null when it is over none. */
function limitOf(text: string): string | null {
  const [, ...lines] = text.split('\n');
  const long = text.split('\n').find((line) => line.length > limits.text);
  if (long !== undefined) return `A line holds at most ${limits.text} characters; this one has ${long.length}.`;
  const rows = lines.filter((line) => line.trim() !== '').length;
  if (rows > limits.rows) return `A box holds at most ${limits.rows} lines; these are ${rows}.`;
  const compartments = text.trim().split(/\n[ \t]*\n+/).length;
  return compartments > limits.compartments ? `A box holds at most ${limits.compartments} compartments.` : null;
}

const preview = (shape: Shape, text: string): Shape => ({
  ...shape,
  text: text.split('\n')[0] ?? '',
  compartments: [],
});

/** Has what is being typed taken into the drawing whenever everything is to be in it, also when the field goes with its page. */
function useTaking({ session }: Slate, take: () => void) {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => session.whileTyping(() => latest.current()), [session]);
}

/** A text at an end, or a line's own, edited in place. */
export function TextEditor({ slate, editing }: { slate: Slate; editing: Exclude<Editing, { of: 'shape' }> }) {
  const line = slate.drawing.lines.get(editing.line);
  const field = useRef<HTMLInputElement>(null);
  const [text, setText] = useState(() =>
    !line ? '' : editing.of === 'line' ? line.text : (line[editing.side][editing.of] ?? ''),
  );
  const leaving = useRef(false);
  useLayoutEffect(() => field.current?.select(), []);
  const take = () => {
    const { document: drawing } = slate.session.current();
    const current = drawing.lines.get(editing.line);
    const typed = text.trim();
    const mergeKey = `write ${JSON.stringify(editing)}`;
    if (!current) return;
    if (editing.of === 'line') {
      if (current.text !== typed) slate.change({ ...changeLine(drawing, current, { text: typed }), mergeKey });
    } else if ((current[editing.side][editing.of] ?? '') !== typed)
      slate.change(changeEnd(drawing, current, editing.side, { [editing.of]: typed }, mergeKey));
  };
  useTaking(slate, take);
  if (!line) return null;

  const leave = () => {
    if (leaving.current) return;
    leaving.current = true;
    take();
    slate.session.seal();
    slate.setEditing(null);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.nativeEvent.isComposing || (event.key !== 'Enter' && event.key !== 'Escape')) return;
    event.preventDefault();
    leave();
    slate.surface.current?.focus();
  };
  const { x, y, before } = placeOf(slate, editing);
  const at = toScreen(slate.view, { x, y });
  const says = {
    label: 'verb, read from this end',
    role: 'role at this end',
    count: 'number at this end',
    qualifier: 'qualifier at this end',
    line: 'text of the line',
  }[editing.of];

  return (
    <div
      className="text-editor"
      data-overlay
      style={{ left: at.x, top: at.y - 16, transform: before ? 'translateX(-100%)' : undefined }}
    >
      <input
        ref={field}
        value={text}
        dir="auto"
        maxLength={limits.text}
        aria-label={says}
        placeholder={says}
        style={{ width: Math.max(150, textWidth(text, 15) + 24) }}
        onChange={(event) => setText(event.target.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
    </div>
  );
}

/** Where a text is written: at its place in the drawing, and whether it ends there rather than begins. */
function placeOf(slate: Slate, editing: Exclude<Editing, { of: 'shape' }>) {
  const route = slate.scene.routes.get(editing.line)!;
  if (editing.of === 'line') return { ...midpoint(route.points), before: false };
  const line = slate.drawing.lines.get(editing.line)!;
  const text =
    slate.scene.texts.get(line.id)?.find(({ side, of }) => side === editing.side && of === editing.of) ??
    naturalPlace(line, editing.side, editing.of === 'qualifier' ? 'count' : editing.of, 'x', route);
  return { x: text.x, y: text.y, before: text.anchor === 'end' };
}
