import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { chooseByKey } from './words';
import { carryWords } from '../slate/gestures/useDrop';
import { phraseAt, rangeOf, type Phrase } from './phrases';

interface ScenarioSheetProps {
  title: string;
  line: string;
  html: string;
  /** Phrases that something is drawn for, and those that are lit now. */
  tied?: readonly Phrase[];
  lit?: readonly Phrase[];
  onPhraseHover?: (phrase: Phrase | null) => void;
  /** Brings the first lit phrase into sight. */
  follows?: boolean;
  /** What can be done with words that are chosen; absent where nothing is drawn. */
  actions?: (phrase: Phrase, done: () => void) => ReactNode;
  /** Called when something was done with words that the pointer chose: whoever points goes on elsewhere. */
  onDone?: () => void;
  /** What has to be known before it is read. */
  notice?: ReactNode;
  children?: ReactNode;
}

/** Names that are printed by themselves: heads of columns, labels of fields. */
const printedNames = 'th, dt';

/** How wide what opens beneath chosen words may be, with its distance from the rim. */
const widest = 284;

/** The scenario: prose to be read, its phrases tied to what is drawn for them. */
export function ScenarioSheet({
  title,
  line,
  html,
  tied = [],
  lit = [],
  onPhraseHover,
  follows = false,
  actions,
  onDone,
  notice,
  children,
}: ScenarioSheetProps) {
  const prose = useRef<HTMLDivElement>(null);
  const sheet = useRef<HTMLElement>(null);
  const [picked, setPicked] = useState<{ phrase: Phrase; left: number; top: number } | null>(null);
  const inner = useMemo(() => ({ __html: html }), [html]);

  useHighlight('tied', prose, tied, html);
  useHighlight('lit', prose, lit, html);
  useHighlight(
    'picked',
    prose,
    useMemo(() => (picked ? [picked.phrase] : []), [picked]),
    html,
  );

  const first = follows ? lit[0] : undefined;
  useEffect(() => {
    const range = first && prose.current ? rangeOf(prose.current, first) : null;
    if (!range || !sheet.current) return;
    const [words, page] = [range.getBoundingClientRect(), sheet.current.getBoundingClientRect()];
    const room = 60;
    if (words.top < page.top + room || words.bottom > page.bottom - room)
      sheet.current.scrollBy({ top: words.top - page.top - page.height / 3 });
  }, [first]);

  const pick = useCallback(() => {
    const selection = window.getSelection();
    const phrase =
      prose.current && selection && !selection.isCollapsed ? phraseAt(prose.current, selection.getRangeAt(0)) : null;
    if (!phrase || !sheet.current) return setPicked(null);
    const words = selection!.getRangeAt(0).getBoundingClientRect();
    const page = sheet.current.getBoundingClientRect();
    setPicked({
      phrase,
      left: Math.max(8, Math.min(words.left - page.left, page.width - widest)),
      top: words.bottom - page.top + sheet.current.scrollTop + 6,
    });
  }, []);

  // A column or a field is taken whole: a press chooses its name, and it can be carried onto the slate.
  const able = actions !== undefined;
  useLayoutEffect(() => {
    for (const name of prose.current?.querySelectorAll<HTMLElement>(printedNames) ?? []) name.draggable = able;
  }, [able, html]);
  const release = (event: React.MouseEvent) => {
    const name = (event.target as Element).closest(printedNames);
    const selection = window.getSelection();
    if (name && selection?.isCollapsed !== false) selection?.selectAllChildren(name);
    pick();
  };
  const carry = (event: React.DragEvent) => {
    const name = event.target instanceof Element ? event.target.closest(printedNames) : null;
    const range = document.createRange();
    const selection = window.getSelection();
    if (name) range.selectNodeContents(name);
    const phrase =
      prose.current &&
      (name ? phraseAt(prose.current, range) : selection && phraseAt(prose.current, selection.getRangeAt(0)));
    if (phrase) carryWords(event.dataTransfer, phrase);
  };

  useEffect(() => {
    if (!actions) return;
    // Typing what to do with the words takes the browser's selection from them.
    const onSelect = () => {
      if (window.getSelection()?.isCollapsed && !document.activeElement?.closest('.phrase-keys')) setPicked(null);
    };
    document.addEventListener('selectionchange', onSelect);
    return () => document.removeEventListener('selectionchange', onSelect);
  }, [actions]);

  // Words are chosen by arrows too; after what is done with them the next arrow goes on from there.
  const byKeys = useRef<Range | null>(null);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (!actions || !prose.current || event.target !== sheet.current || event.ctrlKey || event.metaKey) return;
    if (event.key === 'Escape') window.getSelection()?.removeAllRanges();
    const range = chooseByKey(prose.current, byKeys.current, event.key, event.shiftKey);
    if (!range) return;
    event.preventDefault();
    byKeys.current = range;
    const selection = window.getSelection()!;
    selection.removeAllRanges();
    selection.addRange(range);
    range.startContainer.parentElement?.scrollIntoView({ block: 'nearest' });
    pick();
  };

  const hover = (event: React.MouseEvent) => {
    if (!onPhraseHover || !prose.current) return;
    const caret = document.caretPositionFromPoint?.(event.clientX, event.clientY);
    const found =
      caret &&
      tied.find((phrase) => {
        const range = rangeOf(prose.current!, phrase);
        return range?.isPointInRange(caret.offsetNode, caret.offset) ?? false;
      });
    onPhraseHover(found ?? null);
  };

  return (
    <aside className="scenario-sheet" ref={sheet} aria-label="Scenario" tabIndex={0} onKeyDown={onKeyDown}>
      <h1>{title}</h1>
      <p className="part-line">{line}</p>
      {notice}
      {/* The server renders and sanitises the scenario's Markdown. */}
      <div
        className="prose"
        ref={prose}
        onMouseDown={() => (byKeys.current = null)}
        onMouseUp={actions && release}
        onDragStart={actions && carry}
        onDragEnd={actions && (() => setPicked(null))}
        onMouseMove={hover}
        onMouseLeave={() => onPhraseHover?.(null)}
        dangerouslySetInnerHTML={inner}
      />
      {picked && actions && (
        <div className="phrase-keys" style={{ left: picked.left, top: picked.top }}>
          {actions(picked.phrase, () => {
            setPicked(null);
            window.getSelection()?.removeAllRanges();
            if (!byKeys.current) onDone?.();
            else sheet.current?.focus();
          })}
        </div>
      )}
      {children}
    </aside>
  );
}

/** Shows phrases by the browser's own highlights, so that the prose itself stays as it is. */
function useHighlight(
  name: string,
  prose: React.RefObject<HTMLDivElement | null>,
  phrases: readonly Phrase[],
  html: string,
) {
  useLayoutEffect(() => {
    if (!('highlights' in CSS) || !prose.current) return;
    const ranges = phrases.map((phrase) => rangeOf(prose.current!, phrase)).filter((range) => range !== null);
    CSS.highlights.set(name, new Highlight(...ranges));
    return () => void CSS.highlights.delete(name);
  }, [name, prose, phrases, html]);
}
