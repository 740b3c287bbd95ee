import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import type { Drawing } from '../drawing/document';
import type { Slate } from '../slate/useSlate';
import { SentenceEditor } from './SentenceEditor';

export type Sentence = Schemas['ResultSentence'];

interface SentencesProps {
  sentences: readonly Sentence[];
  waiting: boolean;
  lit: ReadonlySet<string>;
  onLight: (elements: readonly string[] | null) => void;
  onPick: (sentence: Sentence) => void;
  /** What follows a statement: what is wanted instead, say. */
  after?: (sentence: Sentence) => ReactNode;
  empty: string;
  /** The server cannot be reached: what was drawn since is not among the sentences yet. */
  away?: boolean;
  /** How the sentences are typed in, where that is allowed. */
  writing?: {
    slate: Slate;
    amend: (drawing: string, lines: string[]) => Promise<Schemas['AmendReply']>;
    /** Whether the sentences are about the drawing as it is now, or about one a moment ago. */
    isOfNow: boolean;
  };
}

/** One text beneath the slate: a statement a line, each lighting its shapes and lit by them. */
export function Sentences({ sentences, waiting, lit, onLight, onPick, after, empty, away, writing }: SentencesProps) {
  const [editing, setEditing] = useState<number | null>(null);
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // What is lit from the slate comes into sight; what the pointer is on here stays where it is.
    const lines = [...(list.current?.querySelectorAll<HTMLElement>('.sentence.lit') ?? [])];
    if (lines.length > 0 && lines.length <= 3 && !list.current?.matches(':hover, :focus-within'))
      lines[0]!.scrollIntoView({ block: 'nearest' });
  }, [lit, sentences]);
  if (writing && editing !== null)
    return (
      <SentenceEditor
        slate={writing.slate}
        amend={writing.amend}
        isOfNow={writing.isOfNow}
        lines={sentences.map(textOf)}
        at={Math.min(editing, sentences.length)}
        onLeave={() => setEditing(null)}
      />
    );
  const write = writing && !away && (
    <button className="word-button write-here" onClick={() => setEditing(Infinity)}>
      write
    </button>
  );
  if (sentences.length === 0)
    return (
      <div className="sentence-list px-[6px]">
        {waiting || away ? 'The sentences wait for the server.' : empty} {write}
      </div>
    );
  return (
    <div ref={list} className="sentence-list" role="list" aria-label="Sentences">
      {sentences.map((sentence, i) => (
        <div role="listitem" key={sentence.concept}>
          <button
            className={`sentence${isLit(sentence, lit) ? ' lit' : ''}`}
            onPointerEnter={() => onLight(sentence.elements)}
            onPointerLeave={() => onLight(null)}
            onFocus={() => onLight(sentence.elements)}
            onBlur={() => onLight(null)}
            onClick={() => onPick(sentence)}
            onDoubleClick={() => writing && setEditing(i)}
          >
            <span className="said">{textOf(sentence)}</span>
            {sentence.stillOpen && <span className="open">Still open: {sentence.stillOpen}</span>}
            {after?.(sentence)}
          </button>
        </div>
      ))}
      {write && <div role="listitem">{write}</div>}
      {away && (
        <div role="listitem" className="px-[6px] text-quiet-chalk">
          What was drawn since waits for the server.
        </div>
      )}
    </div>
  );
}

/** The shapes and lines of a drawing that a statement is about: its own symbol, or the first that it names. */
export const elementsHere = (drawing: Drawing, sentence: Sentence): string[] => {
  const own = sentence.concept.split('~')[0]!;
  const drawn = (id: string) => drawing.shapes.has(id) || drawing.lines.has(id);
  return drawn(own) ? [own] : sentence.elements.filter(drawn).slice(0, 1);
};

const textOf = (sentence: Sentence) => sentence.pieces.map((piece) => piece.text).join('');

/** A statement is lit by its own concept, or by a row or an end that one of its pieces says. */
const isLit = (sentence: Sentence, lit: ReadonlySet<string>) =>
  lit.has(sentence.concept) ||
  sentence.pieces.some(
    (piece) => piece.elementId !== null && piece.elementId !== undefined && lit.has(piece.elementId),
  );
