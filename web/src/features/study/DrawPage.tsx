import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useEffectEvent, useMemo, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { placeInQueue } from '../../api/drafting';
import type { Kept } from '../../keeping/store';
import { heldOf } from '../../keeping/useKeeping';
import type { Phrase } from '../../script/phrases';
import { nameOfElement } from '../../script/phraseDeeds';
import { droppedWords } from '../../script/droppedWords';
import { remarksOf } from '../../script/FormRemarks';
import { PhraseActions } from '../../script/PhraseActions';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { workTools } from '../../api/drawingTools';
import { elementsHere, Sentences } from '../../script/Sentences';
import { useLighting } from '../../script/useLighting';
import { useReading } from '../../script/useReading';
import { elementsOf, select, selectOwners } from '../../drawing/selection';
import { isAway, type AnySession } from '../../keeping/session';
import type { DrawingSession } from '../../slate/drawings';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { FailedPage, Loading } from '../../ui/states';
import { usePerson } from '../session/useSession';
import { BeginPart } from './BeginPart';
import { Conflict } from './Conflict';
import { Corrected, useCorrection } from './Corrected';
import { DrawMargin, marginWidth } from './DrawMargin';
import { HelpSection } from './HelpSection';
import { partLine, tabOf } from '../../parts/partLine';
import { partName, PartTabs, titleOfPart } from '../../parts/PartTabs';
import { useShownPart } from '../../parts/useShownPart';
import { Earlier } from './Earlier';
import { HandIn } from './HandIn';
import { Leave } from './Leave';
import { Receipt } from './Receipt';
import { SignedOut } from './SignedOut';
import { Stand } from './Stand';
import { Keep, useWorkSessions, useWorst } from './workSessions';
import { moment } from '../../ui/time';
import { PageTitle } from '../../ui/PageTitle';
import { Tip } from '../../ui/Tip';

/** Where a student draws: the scenario, the slate, the sentences. */
export default function DrawPage() {
  const { id } = useParams() as { id: string };
  const person = usePerson();
  const answer = useQuery({
    queryKey: ['answer', id],
    queryFn: async () => {
      const reply = await must(api.GET('/api/study/answers/{id}', { params: { path: { id } } }));
      return { reply, kept: await Promise.all(reply.works.map((work) => heldOf(person.id, work.id))) };
    },
    staleTime: Infinity,
    gcTime: 0,
  });
  if (answer.isPending) return <Loading what="your drawing" />;
  if (answer.isError) return <FailedPage error={answer.error} retry={() => void answer.refetch()} />;
  const { reply, kept } = answer.data;
  return reply.handedInAt ? (
    <Receipt answer={reply} onLook={() => void answer.refetch()} />
  ) : (
    <AnswerScript
      key={reply.id}
      answer={reply}
      kept={kept}
      onHandedIn={() => void answer.refetch()}
      onEnded={() => void answer.refetch()}
    />
  );
}

interface AnswerScriptProps {
  answer: Schemas['AnswerReply'];
  /** What this browser kept of each part and the server had not acknowledged. */
  kept: readonly (Kept | null)[];
  onHandedIn: () => void;
  /** The time is over by the server's clock: asks what has become of the answer. */
  onEnded: () => void;
}

/** All parts of an answer: one is shown, and every one is kept and sent. */
function AnswerScript({ answer, kept, onHandedIn, onEnded }: AnswerScriptProps) {
  const sessions = useWorkSessions(answer);
  const [work, at, show] = useShownPart(answer.works);
  return (
    <>
      <PageTitle title={answer.title} />
      {answer.works.map((one, index) => (
        <Keep
          key={one.id}
          session={sessions[index]!}
          kind="work"
          document={one.id}
          title={
            answer.works.length === 1 ? `“${answer.title}”` : `“${answer.title}”, ${partName(one.part.title, index)}`
          }
          kept={kept[index]!}
          theirs={one}
        />
      ))}
      <PartScript
        key={work.id}
        answer={answer}
        work={work}
        sessions={sessions}
        session={sessions[at]!}
        tabs={<PartTabs parts={answer.works.map((one) => tabOf(one.id, one.part))} at={at} onShow={show} />}
        onHandedIn={onHandedIn}
        onEnded={onEnded}
      />
    </>
  );
}

interface PartScriptProps {
  answer: Schemas['AnswerReply'];
  work: Schemas['WorkReply'];
  sessions: readonly DrawingSession[];
  /** The one that is shown. */
  session: DrawingSession;
  tabs: ReactNode;
  onHandedIn: () => void;
  onEnded: () => void;
}

function PartScript({ answer, work, sessions, session, tabs, onHandedIn, onEnded }: PartScriptProps) {
  const slate = useSlate(session, session.current().state !== 'closed', work.part.learned);
  const worst = useWorst(sessions);
  const correction = useCorrection(answer.id);
  const [folded, setFolded] = useState(false);
  const [looking, setLooking] = useState(false);
  const [handing, setHanding] = useState<number | null>(null);
  const [offset] = useState(() => new Date(answer.now).getTime() - Date.now());
  useLastMoment(sessions, answer.endsAt ?? null, offset);
  useEnd(answer.endsAt ?? null, offset, onEnded);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection), slate.notation.stages);
  const read = useCallback(
    (drawing: string) =>
      must(api.POST('/api/study/work/{id}/reading', { params: { path: { id: work.id } }, body: { drawing } })),
    [work.id],
  );
  const tidying = useMemo(
    () => ({
      ask: (drawing: string, only: string[]) =>
        must(api.POST('/api/study/work/{id}/tidy', { params: { path: { id: work.id } }, body: { drawing, only } })),
      before: placeInQueue,
    }),
    [work.id],
  );
  const title = titleOfPart(answer.title, work.part.title ?? '', answer.works.indexOf(work), answer.works.length);
  const tools = useMemo(() => workTools(work.id, title), [work.id, title]);
  const { aids } = work.part;
  const away = isAway(slate.session_.state);
  const reading = useReading(slate.full, read, away);

  const remarks = remarksOf(reading.reply);
  const helps = (aids.help ?? 0) > 0;
  const [remarksFolded, setRemarksFolded] = useState(!helps);
  const [places, setPlaces] = useState<readonly Phrase[] | null>(null);
  const goTo = (elements: readonly string[]) => {
    slate.setSelection(selectOwners(slate.drawing, elements));
    slate.surface.current?.focus();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key === 'F2') setFolded(!folded);
    if (event.key === 'F4') setRemarksFolded(!remarksFolded);
  };
  return (
    <div
      className="script"
      style={
        {
          '--scenario-width': folded ? '28px' : undefined,
          '--margin-width': marginWidth(remarks.length, helps, remarksFolded),
        } as React.CSSProperties
      }
      onKeyDown={onKeyDown}
    >
      {folded ? (
        <Tip says="Unfold the scenario (F2)" side="right">
          <button className="spine" onClick={() => setFolded(false)}>
            <span>{answer.title}</span>
          </button>
        </Tip>
      ) : (
        <ScenarioSheet
          title={answer.title}
          line={partLine(work.part)}
          html={correction?.scenarioHtml ?? answer.scenarioHtml}
          notice={
            <>
              {correction && <Corrected correction={correction} />}
              {answer.reopenedUntil && (
                <p className="corrected">
                  <span>
                    <strong>Opened again for you</strong> until {moment(answer.reopenedUntil)}: {answer.reopenedBecause}
                  </span>
                </p>
              )}
              {slate.session_.state === 'closed' && !answer.handedInAt && (
                <p className="corrected" role="status">
                  This part is closed: its model answer was given to you. What you drew stays as it is.
                </p>
              )}
            </>
          }
          tied={lighting.tied}
          lit={places ?? lighting.litPhrases}
          follows={places !== null}
          onPhraseHover={lighting.lightPhrase}
          actions={(phrase, done) => <PhraseActions slate={slate} phrase={phrase} done={done} />}
          onDone={() => slate.surface.current?.focus()}
        >
          <p className="leads-away">
            <Leave sessions={sessions} />
            <button className="word-button" onClick={() => setFolded(true)}>
              fold away
            </button>
            <button className="word-button" onClick={() => setLooking(true)}>
              earlier states
            </button>
          </p>
        </ScenarioSheet>
      )}
      <main className="middle">
        {tabs}
        <SlateSurface
          slate={slate}
          takeWords={droppedWords(slate)}
          label={`Your drawing for ${answer.title}. Press question mark for its keys.`}
          lit={lighting.lit}
          onHover={(element) => lighting.light(element ? [element] : null)}
          words={aids.words ?? false}
          home="arrive"
          tidying={aids.tidyUp === false ? undefined : tidying}
          allowed={{ tools, redraw: aids.redraw ?? false, lifting: aids.lifting ?? false }}
          empty={
            <>
              <p>
                Press anywhere to draw the first box, or choose words of the scenario.
                <br />
                Space shows the symbols, ? the keys.
              </p>
              {work.part.beginsWithPart && slate.editable && (
                <BeginPart work={work} sessions={sessions} slate={slate} />
              )}
            </>
          }
        />
        <footer className="sentences">
          <Sentences
            sentences={reading.reply?.sentences ?? []}
            waiting={reading.waiting}
            away={away}
            lit={lighting.lit}
            onLight={lighting.light}
            onPick={(sentence) => slate.setSelection(select(...elementsHere(slate.drawing, sentence)))}
            writing={
              aids.sentences && slate.editable ? { slate, amend: tools.amend, isOfNow: reading.isOfNow } : undefined
            }
            empty={aids.sentences ? 'What your drawing says will stand here.' : 'What is drawn will stand here.'}
          />
          <Stand
            view={worst.view}
            endsAt={answer.endsAt ?? null}
            offset={offset}
            onHandIn={() => setHanding(Date.now())}
            onRetry={() => sessions.forEach((one) => one.resume())}
          />
        </footer>
      </main>
      <DrawMargin
        remarks={remarks}
        folded={remarksFolded}
        onFold={setRemarksFolded}
        onLight={(elements, cells) => (lighting.light(elements && [...elements]), setPlaces(cells ?? null))}
        onPick={goTo}
        help={
          helps ? (
            <HelpSection
              key={work.id}
              work={work}
              session={session}
              onLight={(elements) => lighting.light(elements && [...elements])}
              onPick={goTo}
              nameOf={(element) => nameOfElement(slate.drawing, element)}
              onPlaces={setPlaces}
            />
          ) : null
        }
      />
      <HandIn
        openedAt={handing}
        onClose={() => setHanding(null)}
        sessions={sessions}
        answer={answer}
        onHandedIn={onHandedIn}
      />
      {looking && <Earlier work={work.id} session={session} onClose={() => setLooking(false)} />}
      <Conflict session={session} />
      <SignedOut sessions={sessions} open={worst.view.state === 'signed-out'} />
    </div>
  );
}

/** Just before time is over, what is being typed is taken and everything is sent. */
function useLastMoment(sessions: readonly AnySession[], endsAt: string | null, offset: number) {
  useEffect(() => {
    if (endsAt === null) return;
    const wait = new Date(endsAt).getTime() - Date.now() - offset - lastMoment;
    if (wait < 0 || wait > longestTimer) return;
    const timer = window.setTimeout(() => sessions.forEach((session) => void session.flush()), wait);
    return () => window.clearTimeout(timer);
  }, [sessions, endsAt, offset]);
}

/** Once time is over, asks until the server has handed in what was there. */
function useEnd(endsAt: string | null, offset: number, onEnded: () => void) {
  const ended = useEffectEvent(onEnded);
  useEffect(() => {
    if (endsAt === null) return;
    let timer: number;
    const look = () => {
      const wait = new Date(endsAt).getTime() - Date.now() - offset;
      if (wait <= 0) ended();
      timer = window.setTimeout(look, wait <= 0 ? askAgain : Math.min(wait, longestTimer));
    };
    look();
    return () => window.clearTimeout(timer);
  }, [endsAt, offset]);
}

const lastMoment = 3000;
/** How often one asks whether an answer whose time is over is handed in. */
const askAgain = 2000;
/** What a timer of the browser can wait: a whole number of 31 bits. */
const longestTimer = 2 ** 31 - 1;
