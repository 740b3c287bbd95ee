import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { readDrawing, writeDrawing } from '../drawing/format';
import { around, inflate } from '../geometry/boxes';
import { placementOf } from '../geometry/scene';
import { stepsBetween } from '../drawing/steps';
import type { Slate } from '../slate/useSlate';
import { messageOf } from '../ui/states';
import { completionOf, ownWords } from './completion';
import { mergeLines } from './mergeLines';
import { StatementForms } from './StatementForms';

const roomForLines = 40;

interface SentenceEditorProps {
  slate: Slate;
  /** What the drawing says now, a statement a line. */
  lines: readonly string[];
  /** The line at which the caret stands first. */
  at: number;
  /** Whether they are about the drawing as it is now, or about one a moment ago. */
  isOfNow: boolean;
  amend: (drawing: string, lines: string[]) => Promise<Schemas['AmendReply']>;
  onLeave: () => void;
}

/**
 * The sentences as text to be typed in: Enter draws what was typed, Tab takes a completion, Esc leaves. What cannot be taken is told
 * beneath, and everything else is drawn.
 */
export function SentenceEditor({ slate, lines, isOfNow, at, amend, onLeave }: SentenceEditorProps) {
  const area = useRef<HTMLTextAreaElement>(null);
  const [text, setText] = useState(() => [...lines, ''].join('\n'));
  const [caret, setCaret] = useState(0);
  const [reply, setReply] = useState<{ problems: Schemas['LineProblemReply'][]; notes: string[] }>({
    problems: [],
    notes: [],
  });
  // Where the caret goes with the next text: at once, so that what is typed right after stands behind it.
  const caretNext = useRef<number | null>(null);
  useLayoutEffect(() => {
    if (caretNext.current === null) return;
    area.current!.setSelectionRange(caretNext.current, caretNext.current);
    setCaret(caretNext.current);
    caretNext.current = null;
  }, [text]);
  // What was drawn of a statement comes into sight with its lines, and all that is drawn if all was in sight before.
  const fresh = useRef<readonly string[]>([]);
  const wasWhole = useRef(false);
  // What is drawn from goes on while the server is asked.
  const latest = useRef(slate);
  useEffect(() => {
    latest.current = slate;
  });
  useEffect(() => {
    const boxes = fresh.current.flatMap((id) => slate.base.boxes.get(id) ?? []);
    if (boxes.length === 0) return;
    fresh.current = [];
    if (wasWhole.current && !slate.isWhole()) slate.fitAll();
    else slate.reveal(inflate(around(boxes)!, roomForLines));
  });
  const drawing = useRef<Promise<boolean> | null>(null);
  /** What was typed while the server was at what had been typed before. */
  const next = useRef<string | null>(null);
  /** The drawing that the text was last about, with what it said, null before that is known; and whether the text waits to be drawn. */
  const drawn = useRef({ document: isOfNow ? slate.session.current().document : null, lines });
  const waits = useRef(false);
  /** Whether it is left as soon as that is done. */
  const leavesThen = useRef(false);
  /** Whether a person has changed the text: as long as nobody has, there is nothing to draw of it. */
  const touched = useRef(false);

  useEffect(() => {
    const field = area.current!;
    field.focus();
    const start = [...lines, ''].slice(0, at + 1).join('\n').length;
    field.setSelectionRange(start, start);
    field.scrollTop = at * 24;
    // Once, when the editor opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  // What was drawn by hand meanwhile is said here too, before anything more is drawn of the text.
  useEffect(() => {
    const { document } = slate.session.current();
    if (!isOfNow || document === drawn.current.document) return;
    const { value, selectionStart } = area.current!;
    const mine = value.split('\n');
    const next = (touched.current ? mergeLines(mine, drawn.current.lines, lines) : [...lines, '']).join('\n');
    // The caret stays in what is new here, which is pushed down; elsewhere it stays where it was.
    const behind = value.slice(selectionStart);
    const isNewHere = !drawn.current.lines.some((line) => behind.includes(line));
    // A text that stays as it is keeps its caret too: a place kept for it would move what is typed next.
    if (next !== value)
      caretNext.current = Math.max(0, Math.min(isNewHere ? next.length - behind.length : selectionStart, next.length));
    drawn.current = { document, lines };
    setText(next);
    setReply({ problems: [], notes: [] });
    if (waits.current) void draw(next).then((all) => leavesThen.current && leaveAfter(all));
    // Only when what the drawing says has changed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [lines, isOfNow]);

  /** The text word for word as the drawing says it, unless more was typed since, or something could not be taken. */
  const settle = (typed: string, answer: Schemas['AmendReply']) => {
    const field = area.current;
    if (!field || answer.problems.length > 0 || field.value.trimEnd() !== typed.trimEnd()) return;
    const next = [...answer.lines, ''].join('\n');
    if (next === field.value) return;
    // A line begun in the middle stays open.
    if (field.value.slice(field.selectionStart).trim() !== '') return;
    caretNext.current = next.length;
    setText(next);
  };

  /** Draws what was typed, one text after the other and of several only the last; says whether all of it could be taken. */
  const draw = (typed: string): Promise<boolean> => {
    if (!touched.current) return Promise.resolve(true);
    next.current = typed;
    drawing.current ??= drawAll().finally(() => (drawing.current = null));
    return drawing.current;
  };
  const drawAll = async (): Promise<boolean> => {
    let all = true;
    while (next.current !== null) {
      const typed = next.current;
      next.current = null;
      all = await drawOnce(typed);
    }
    return all;
  };
  const drawOnce = async (typed: string): Promise<boolean> => {
    const { document: before } = slate.session.current();
    waits.current = before !== drawn.current.document;
    if (waits.current) return false;
    try {
      const answer = await amend(writeDrawing(before, placementOf(latest.current.full)), typed.split('\n'));
      if (next.current !== null) return false;
      waits.current = slate.session.current().document !== before;
      if (waits.current) return false;
      const steps = stepsBetween(before, readDrawing(answer.drawing));
      wasWhole.current = latest.current.isWhole();
      if (steps.length > 0) slate.change({ label: 'type a statement', steps, placed: !slate.notation.ofConcepts });
      fresh.current = [...slate.session.current().document.shapes.keys()].filter((id) => !before.shapes.has(id));
      slate.turnTo(fresh.current);
      if (before.shapes.size === 0) slate.fitSoon();
      drawn.current = { document: slate.session.current().document, lines: answer.lines };
      settle(typed, answer);
      slate.session.leaveOut(answer.problems.map((problem) => typed.split('\n')[problem.line] ?? ''));
      setReply({ problems: answer.problems, notes: answer.unsaid.map((note) => `This notation cannot say: ${note}`) });
      return answer.problems.length === 0;
    } catch (error) {
      setReply({ problems: [], notes: [messageOf(error)] });
      return false;
    }
  };
  const [looking, setLooking] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const leaveAfter = (all: boolean) => {
    // What waits for the drawing to be read is drawn in a moment.
    leavesThen.current = !all && waits.current;
    if (all) {
      slate.session.leaveOut([]);
      onLeave();
    } else setLeaving(!waits.current);
  };
  const leave = async () => leaveAfter(leaving || (await draw(text)));

  const completion = completionOf(text.slice(0, caret), ownWords(slate.drawing));
  const onKeyDown = (event: React.KeyboardEvent<HTMLTextAreaElement>) => {
    if (event.nativeEvent.isComposing) return;
    const field = event.currentTarget;
    if (event.key === 'Escape' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) {
      event.preventDefault();
      void leave();
    } else if (event.key === 'Tab' && !event.shiftKey && completion) {
      event.preventDefault();
      touched.current = true;
      const next = text.slice(0, field.selectionStart) + completion + text.slice(field.selectionEnd);
      const end = field.selectionStart + completion.length;
      caretNext.current = end;
      setText(next);
    } else if (event.key === 'Enter') {
      // The line end is typed first; what stands before it is drawn.
      void draw(text);
    }
  };
  /** Puts a form on a line of its own, to be written over. */
  const take = (form: string) => {
    const field = area.current!;
    touched.current = true;
    const before = text.slice(0, field.selectionStart).trimEnd();
    const start = before === '' ? '' : `${before}\n`;
    caretNext.current = start.length + form.length;
    setText(`${start}${form}${text.slice(field.selectionEnd)}`);
    field.focus();
  };
  const goTo = (problem: Schemas['LineProblemReply']) => {
    const start =
      text.split('\n').slice(0, problem.line).join('\n').length + (problem.line > 0 ? 1 : 0) + problem.start;
    area.current!.focus();
    area.current!.setSelectionRange(start, start + problem.length);
  };

  return (
    <div className="sentence-editor">
      <textarea
        ref={area}
        value={text}
        spellCheck={false}
        aria-label="Sentences, one statement a line"
        placeholder={slate.notation.typed.first}
        onChange={(event) => {
          touched.current = true;
          setText(event.target.value);
          setLeaving(false);
          leavesThen.current = false;
          setCaret(event.target.selectionStart);
        }}
        onSelect={(event) => setCaret(event.currentTarget.selectionStart)}
        onKeyDown={onKeyDown}
        onBlur={() => void draw(text)}
      />
      <div className="editor-foot" role="status">
        {reply.problems.map((problem) => (
          <button
            key={`${problem.line} ${problem.start}`}
            className="word-button"
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => goTo(problem)}
          >
            line {problem.line + 1}: {problem.message}
          </button>
        ))}
        {reply.notes.map((note) => (
          <span key={note}>{note}</span>
        ))}
        {leaving && <span>Not everything is drawn. Esc once more leaves it undone.</span>}
        {reply.problems.length + reply.notes.length === 0 && (
          <span>
            {completion ? `Tab: …${completion}. ` : ''}Enter draws it, Esc is done. “{slate.notation.typed.tie}”.
          </span>
        )}
        <button
          className="word-button"
          aria-expanded={looking}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => setLooking(!looking)}
        >
          {looking ? 'enough of them' : 'all that can be typed'}
        </button>
      </div>
      {looking && <StatementForms notation={slate.notation} onTake={take} />}
    </div>
  );
}
