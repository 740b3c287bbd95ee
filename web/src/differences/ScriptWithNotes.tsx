import { useLayoutEffect, useMemo, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { FormRemarks, remarksOfRows } from '../script/FormRemarks';
import type { Phrase } from '../script/phrases';
import { ScenarioSheet } from '../script/ScenarioSheet';
import { Sentences, type Sentence } from '../script/Sentences';
import { useLighting } from '../script/useLighting';
import { parseEndId } from '../drawing/document';
import { readDrawing } from '../drawing/format';
import { elementsOf, select, selectOwners } from '../drawing/selection';
import { SlateSurface } from '../slate/SlateSurface';
import { useSlate } from '../slate/useSlate';
import { closedSession } from '../slate/drawings';
import { spoken } from '../slate/spoken';
import { placeNotes, placesOf, type Placed } from './bands';
import { DifferenceBands, DifferenceTags } from './DifferenceLayer';
import { InWords } from './InWords';
import { overlayOf, type Overlay } from './overlay';
import { allNotes } from './ownNotes';
import { toScene } from '../geometry/view';
import { isWriting } from '../ui/isWriting';
import { useMedia } from '../ui/useMedia';
import { PageTitle } from '../ui/PageTitle';
import { Tip } from '../ui/Tip';

export type ScriptView = 'over' | 'beside' | 'words';

/** What is chosen in the drawing, by its elements and in words. */
export interface Chosen {
  readonly elements: readonly string[];
  readonly said: string;
}

/** Words of the scenario and the element that is drawn for them. */
type Tied = Phrase & { readonly element: string };

/** What the margin is made of. */
export interface Margin {
  readonly placed: readonly Placed[];
  readonly levelOf: (note: string) => number | null;
  readonly chosen: Chosen;
  /** What shows the open note's place in the drawing large, and all of it again. */
  readonly look: ReactNode;
  /** What of the answer the rows of the scenario speak against; nothing where they do not. */
  readonly rows: ReactNode;
}

interface ScriptWithNotesProps {
  title: string;
  line: string;
  scenarioHtml: string;
  drawing: string;
  modelDrawing: string | null;
  modelSentences?: readonly Sentence[];
  result: Schemas['StudentResult'];
  /** What in the scenario speaks for and against it. */
  evidence: Schemas['ScenarioEvidence'];
  view: ScriptView;
  open: string | null;
  onOpen: (note: string | null) => void;
  /** The parts of the exercise, where there are several. */
  tabs?: ReactNode;
  margin: (margin: Margin) => ReactNode;
  onKeyDown?: (event: React.KeyboardEvent) => void;
}

/** A marked answer: scenario, the drawing with its differences, the sentences, and the notes in the margin. */
export function ScriptWithNotes(props: ScriptWithNotesProps) {
  const { drawing, modelDrawing, result, view, open, onOpen } = props;
  const overlay = useMemo(() => makeOverlay(drawing, modelDrawing, result), [drawing, modelDrawing, result]);
  const session = useMemo(() => closedSession(overlay.drawing), [overlay]);
  const slate = useSlate(session, false);
  const placed = useMemo(() => placeNotes(slate.base, overlay.marked), [slate.base, overlay]);
  const { showWith } = slate;
  useLayoutEffect(() => showWith(placed.flatMap(({ tags }) => tags.map(({ box }) => box))), [showWith, placed]);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection), slate.notation.stages);
  const openNote = placed.find(({ note }) => note.id === open);
  const lit = useMemo(
    () => new Set([...lighting.lit, ...(openNote?.bands.map((band) => band.element) ?? [])]),
    [lighting.lit, openNote],
  );
  const model = useMemo(() => (modelDrawing ? readDrawing(modelDrawing) : null), [modelDrawing]);
  // The words that decide the open note are those that the model answer has its things from.
  const { modelWords, rows } = props.evidence;
  const decisive = useMemo(() => {
    const wanted = new Set(openNote?.note.modelElements);
    const found: Tied[] = modelWords.map(({ element, place }) => ({ element, ...place }));
    return [...(model?.ties.values() ?? []), ...found].filter(
      ({ element }) => wanted.has(element) || wanted.has(parseEndId(element)?.line ?? ''),
    );
  }, [model, modelWords, openNote]);
  const [cells, setCells] = useState<readonly Phrase[] | null>(null);
  const litWords = useMemo(
    () => cells ?? [...decisive, ...lighting.litPhrases],
    [cells, decisive, lighting.litPhrases],
  );
  // Two drawings side by side, or one on a small screen, want the room; the scenario comes back when it is asked for.
  const [folds, setFolds] = useState<boolean | null>(null);
  const small = useMedia('(min-width: 721px) and (max-width: 1180px)');
  const folded = folds ?? (view === 'beside' || small);
  // While one looks close, the drawing goes with the notes; whoever is done sees all of it again.
  const [close, setClose] = useState(false);
  const { lookAt, fitAll } = slate;
  const lookClose = (next: boolean) => {
    setClose(next);
    if (!next) fitAll();
  };
  // A note about another sheet turns to it.
  const openElements = overlay.marked.find(({ note }) => note.id === open)?.elements;
  const { turnTo } = slate;
  useLayoutEffect(() => {
    if (openElements) turnTo(openElements);
  }, [turnTo, openElements]);
  useLayoutEffect(() => {
    if (close && openNote) lookAt(placesOf(openNote));
  }, [close, openNote, lookAt]);
  const mayLookClose = view === 'over' && openNote !== undefined && openNote.bands.length > 0;
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key === 'F2') setFolds(!folded);
    if (event.key === 'z' && mayLookClose && isPlain(event) && !isWriting(event.target)) lookClose(!close);
    props.onKeyDown?.(event);
  };
  const levelOf = (note: string) => {
    const tag = placed.find((candidate) => candidate.note.id === note)?.tags[0];
    return tag ? (tag.box.y + tag.box.height / 2) * slate.view.zoom + slate.view.y : null;
  };
  const pick = (sentence: Sentence) => {
    slate.turnTo(sentence.elements);
    slate.setSelection(select(sentence.concept));
    const note = placed.find((candidate) => candidate.bands.some((band) => sentence.elements.includes(band.element)));
    if (note) onOpen(note.note.id);
  };

  return (
    <div
      className="script reading"
      style={
        {
          '--margin-width': '300px',
          '--sentences-height': '92px',
          '--scenario-width': folded ? '28px' : undefined,
        } as React.CSSProperties
      }
      onKeyDown={onKeyDown}
    >
      {folded ? (
        <Tip says="Unfold the scenario (F2)" side="right">
          <button className="spine" onClick={() => setFolds(false)}>
            <span>{props.title}</span>
          </button>
        </Tip>
      ) : (
        <ScenarioSheet
          title={props.title}
          line={props.line}
          html={props.scenarioHtml}
          tied={lighting.tied}
          lit={litWords}
          onPhraseHover={lighting.lightPhrase}
          follows={cells !== null || decisive.length > 0}
        />
      )}
      <PageTitle title={`Marks: ${props.title}`} />
      <main className="middle">
        {props.tabs}
        {view === 'over' && (
          <SlateSurface
            slate={slate}
            label="The answer with its differences"
            lit={lit}
            onHover={(element) => lighting.light(element ? [element] : null)}
            words={false}
            ochre={overlay.ochre}
            ochreRows={overlay.ochreRows}
            behind={<DifferenceBands placed={placed} open={open} edge={toScene(slate.view, { x: 4000, y: 0 }).x} />}
            over={<DifferenceTags placed={placed} open={open} onOpen={onOpen} />}
            empty="Nothing is drawn."
          />
        )}
        {view === 'beside' && modelDrawing && (
          <Beside answer={drawing} model={modelDrawing} counterparts={result.counterparts} />
        )}
        {view === 'words' && (
          <InWords answer={result.sentences} model={props.modelSentences ?? []} counterparts={result.counterparts} />
        )}
        {view === 'over' && (
          <footer className="sentences">
            <Sentences
              sentences={result.sentences}
              waiting={false}
              lit={lit}
              onLight={lighting.light}
              onPick={pick}
              empty="The answer says nothing."
              after={(sentence) => <Wanted sentence={sentence} placed={placed} />}
            />
          </footer>
        )}
      </main>
      <aside className="margin" aria-label="Notes">
        {props.margin({
          placed,
          levelOf,
          chosen: {
            // What is missing is drawn here too, but it is not the answer's.
            elements: elementsOf(slate.selection).filter((id) => !overlay.ochre.has(id) && !overlay.ochreRows.has(id)),
            said: spoken(slate.drawing, slate.selection, slate.notation.endWay).split(/[,:]/)[0]!,
          },
          look: mayLookClose && (
            <button className="word-button quiet" aria-keyshortcuts="z" onClick={() => lookClose(!close)}>
              {close ? 'see the whole drawing' : 'look close'} <kbd>z</kbd>
            </button>
          ),
          rows: rows.length > 0 && (
            <section className="mt-4">
              <h2>What the rows show</h2>
              <FormRemarks
                remarks={remarksOfRows(rows)}
                onLight={(elements, places) => (lighting.light(elements), setCells(places ?? null))}
                onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
              />
            </section>
          ),
        })}
      </aside>
    </div>
  );
}

const isPlain = ({ ctrlKey, metaKey, altKey }: React.KeyboardEvent) => !ctrlKey && !metaKey && !altKey;

function makeOverlay(drawing: string, model: string | null, result: Schemas['StudentResult']): Overlay {
  const answer = readDrawing(drawing);
  return overlayOf(
    answer,
    model ? readDrawing(model) : { ...answer, shapes: new Map(), lines: new Map() },
    allNotes(result),
    result.counterparts,
  );
}

/** After a statement that differs at one of its ends: what is wanted there. */
function Wanted({ sentence, placed }: { sentence: Sentence; placed: readonly Placed[] }) {
  const ends = new Set(sentence.pieces.map((piece) => piece.elementId).filter((id) => id?.includes('/')));
  const note = placed.find(
    (candidate) => candidate.note.tag === 'differs' && candidate.bands.some((band) => ends.has(band.element)),
  );
  return note ? <span className="wanted">Wanted: {note.note.wanted}</span> : null;
}

function Beside({
  answer,
  model,
  counterparts,
}: {
  answer: string;
  model: string;
  counterparts: Readonly<Record<string, string>>;
}) {
  const mine = useMemo(() => closedSession(answer), [answer]);
  const theirs = useMemo(() => closedSession(model), [model]);
  const left = useSlate(mine, false);
  const right = useSlate(theirs, false);
  const back = useMemo(
    () => new Map(Object.entries(counterparts).map(([modelId, answerId]) => [answerId, modelId])),
    [counterparts],
  );
  const [hovered, setHovered] = useState<string | null>(null);
  const [side, setSide] = useState<'answer' | 'model'>('answer');
  const litHere = new Set(
    [side === 'answer' ? hovered : (counterparts[hovered ?? ''] ?? null)].filter((id) => id !== null),
  );
  const litThere = new Set(
    [side === 'model' ? hovered : (back.get(hovered ?? '') ?? null)].filter((id) => id !== null),
  );
  const hover = (of: 'answer' | 'model') => (element: string | null) => {
    setSide(of);
    setHovered(element);
  };
  return (
    <div className="two-slates">
      <div>
        <h2>The answer</h2>
        <SlateSurface slate={left} label="The answer" lit={litHere} onHover={hover('answer')} words={false} />
      </div>
      <div>
        <h2>The model answer</h2>
        <SlateSurface slate={right} label="The model answer" lit={litThere} onHover={hover('model')} words={false} />
      </div>
    </div>
  );
}
