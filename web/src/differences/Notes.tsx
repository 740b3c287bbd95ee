import { useCallback, useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { isWriting } from '../ui/isWriting';
import { less, show, valueOf } from '../ui/marks';
import type { Placed } from './bands';
import { ExampleTable } from './ExampleTable';
import type { Note } from './overlay';
import { countedIn } from './ownNotes';

interface NotesProps {
  placed: readonly Placed[];
  open: string | null;
  onOpen: (note: string | null) => void;
  levelOf: (note: string) => number | null;
  /** What stands beneath an opened note: the decision, or what was decided. */
  beneath?: (placed: Placed) => ReactNode;
  mark?: (placed: Placed) => ReactNode;
  /** What shows the open note's place in the drawing large. */
  look: ReactNode;
  /** The marks before and after the one rounding. */
  result: { readonly exact: string; readonly total: string };
}

/** How much room what stands beneath the notes takes, the foot of the margin included. */
function beneathOf(list: HTMLElement): number {
  let height = 0;
  for (let next = list.nextElementSibling; next; next = next.nextElementSibling) {
    const { marginTop } = getComputedStyle(next);
    height += next.clientHeight + (next.classList.contains('margin-foot') ? 0 : Number.parseFloat(marginTop) || 0);
  }
  return height;
}

/** The notes of the margin, in the reading order of the slate. The open one stands level with its part, the others pack around it. */
export function Notes({ placed, open, onOpen, levelOf, beneath, mark, look, result }: NotesProps) {
  const list = useRef<HTMLDivElement>(null);
  const [shift, setShift] = useState(0);
  const level = open ? levelOf(open) : null;

  // Notes move down to their part, never up over the total, and never out of the page; also when one grows while it is open.
  const settle = useCallback(() => {
    const element = list.current;
    const margin = element?.closest('.margin');
    const note = element?.querySelector<HTMLElement>('.note.open');
    if (!element || !note || !margin || level === null) return setShift(0);
    const top = element.getBoundingClientRect().top;
    const padding = Number.parseFloat(element.style.paddingTop) || 0;
    const natural = note.getBoundingClientRect().top - top - padding;
    const wanted = level - 18 - (top - margin.getBoundingClientRect().top + margin.scrollTop) - natural;
    const own = element.offsetHeight - padding;
    const room = margin.clientHeight - element.offsetTop - own - beneathOf(element) - 10;
    setShift(Math.round(Math.max(0, Math.min(wanted, room))));
  }, [level]);
  useLayoutEffect(settle, [settle, open, placed]);
  useEffect(() => {
    const watch = new ResizeObserver(settle);
    if (list.current) watch.observe(list.current);
    return () => watch.disconnect();
  }, [settle, placed.length]);

  const step = (by: number) => {
    const at = placed.findIndex(({ note }) => note.id === open);
    const next = placed[Math.max(0, Math.min(placed.length - 1, at + by))];
    if (next) onOpen(next.note.id);
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (isWriting(event.target)) return;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      step(event.key === 'ArrowDown' ? 1 : -1);
    }
  };

  if (placed.length === 0) return <p className="mt-4">No difference was found.</p>;
  return (
    <div ref={list} style={{ paddingTop: shift }} onKeyDown={onKeyDown}>
      {placed.map((entry) => (
        <NoteEntry
          key={entry.note.id}
          entry={entry}
          open={open === entry.note.id}
          onOpen={onOpen}
          beneath={beneath}
          mark={mark}
          look={look}
        />
      ))}
      <Rounding {...result} />
    </div>
  );
}

/** What the one rounding of the total adds or takes, so that the losses above add up to what is seen. */
function Rounding({ exact, total }: { exact: string; total: string }) {
  const by = less(total, exact);
  if (valueOf(by) === 0) return null;
  return (
    <p className="rounding">
      <span>the total is rounded</span>
      <span>
        {valueOf(by) > 0 && '+'}
        {show(by)}
      </span>
    </p>
  );
}

interface EntryProps {
  entry: Placed;
  open: boolean;
  onOpen: (note: string | null) => void;
  beneath?: (placed: Placed) => ReactNode;
  mark?: (placed: Placed) => ReactNode;
  look: ReactNode;
}

function NoteEntry({ entry, open, onOpen, beneath, mark, look }: EntryProps) {
  const { note, number } = entry;
  const loss = valueOf(note.loss);
  const head = useRef<HTMLButtonElement>(null);
  useLayoutEffect(() => {
    if (open && head.current?.closest('.margin')?.contains(document.activeElement))
      head.current.focus({ preventScroll: true });
  }, [open]);
  return (
    <section className={`note${open ? ' open' : ''}`} aria-label={`Note ${number}`}>
      <button ref={head} className="note-head" aria-expanded={open} onClick={() => onOpen(open ? null : note.id)}>
        <span className="number">{number}</span>
        <span className="headline">
          {note.headline} {mark?.(entry)}
        </span>
        <span className="loss">
          {note.inherited === 'wholly' && loss === 0
            ? 'inherited'
            : loss === 0
              ? '0'
              : loss < 0
                ? `+${show(less('0', note.loss))}`
                : `−${show(note.loss)}`}
        </span>
      </button>
      {open && (
        <div className="detail">
          {note.tag === 'noted' ? <p>By the marker, {countedIn(note)}.</p> : <WhatDiffers note={note} />}
          <p className="mt-1 flex flex-wrap gap-x-4">
            {note.tag !== 'noted' && (
              <Link className="word-button quiet" to={`/findings/${note.code}`} target="_blank">
                what this is, with an example
              </Link>
            )}
            {look}
          </p>
          {beneath?.(entry)}
        </div>
      )}
    </section>
  );
}

function WhatDiffers({ note }: { note: Note }) {
  return (
    <>
      <p>{note.there}</p>
      <p>Wanted: {note.wanted}</p>
      <p className="mt-1">{note.why}</p>
      {note.example && <ExampleTable example={note.example} />}
      {note.consequences.length > 0 && (
        <p className="mt-1 text-quiet-ink">
          With it: {note.consequences.map((consequence) => consequence.headline).join(' ')}
        </p>
      )}
      {note.inherited && note.inherited !== 'nothing' && (
        <p className="mt-1 text-quiet-ink">
          {note.inherited === 'wholly' ? 'It' : 'Part of it'} stood in the drawing of the earlier part already, and
          costs nothing again.
        </p>
      )}
      {!note.marked && <p className="mt-1 text-quiet-ink">Not marked.</p>}
    </>
  );
}
