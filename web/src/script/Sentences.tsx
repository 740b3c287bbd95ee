import { useEffect, useRef, type ReactNode } from 'react';
import type { Schemas } from '../api/client';

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
}

/** One text beneath the slate: a statement a line, each lighting its shapes and lit by them. */
export function Sentences({ sentences, waiting, lit, onLight, onPick, after, empty, away }: SentencesProps) {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // What is lit from the slate comes into sight; what the pointer is on here stays where it is.
    const lines = [...(list.current?.querySelectorAll<HTMLElement>('.sentence.lit') ?? [])];
    if (lines.length > 0 && lines.length <= 3 && !list.current?.matches(':hover, :focus-within'))
      lines[0]!.scrollIntoView({ block: 'nearest' });
  }, [lit, sentences]);
  if (sentences.length === 0)
    return (
      <div className="sentence-list px-[6px]">{waiting || away ? 'The sentences wait for the server.' : empty}</div>
    );
  return (
    <div ref={list} className="sentence-list" role="list" aria-label="Sentences">
      {sentences.map((sentence) => (
        <div role="listitem" key={sentence.concept}>
          <button
            className={`sentence${isLit(sentence, lit) ? ' lit' : ''}`}
            onPointerEnter={() => onLight(sentence.elements)}
            onPointerLeave={() => onLight(null)}
            onFocus={() => onLight(sentence.elements)}
            onBlur={() => onLight(null)}
            onClick={() => onPick(sentence)}
          >
            <span className="said">{sentence.pieces.map((piece) => piece.text).join('')}</span>
            {sentence.stillOpen && <span className="open">Still open: {sentence.stillOpen}</span>}
            {after?.(sentence)}
          </button>
        </div>
      ))}
      {away && (
        <div role="listitem" className="px-[6px] text-quiet-chalk">
          What was drawn since waits for the server.
        </div>
      )}
    </div>
  );
}

/** A statement is lit by its own concept, or by a row or an end that one of its pieces says. */
const isLit = (sentence: Sentence, lit: ReadonlySet<string>) =>
  lit.has(sentence.concept) ||
  sentence.pieces.some(
    (piece) => piece.elementId !== null && piece.elementId !== undefined && lit.has(piece.elementId),
  );
