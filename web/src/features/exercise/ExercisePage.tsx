import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { PartTabs, titleOfPart } from '../../parts/PartTabs';
import { usePartDrafting } from '../../parts/usePartDrafting';
import { useShownPart } from '../../parts/useShownPart';
import { FormRemarks } from '../../script/FormRemarks';
import { moved } from '../../script/anchors';
import { droppedWords } from '../../script/droppedWords';
import { PhraseActions } from '../../script/PhraseActions';
import { textsOf } from '../../script/phrases';
import { elementsHere, Sentences } from '../../script/Sentences';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { useLighting } from '../../script/useLighting';
import { draftOf, holdDraft } from '../../keeping/drafts';
import { useReading } from '../../script/useReading';
import { parseEndId } from '../../drawing/document';
import { writeDrawing } from '../../drawing/format';
import { putTie } from '../../drawing/steps';
import { nameOfElement } from '../../script/phraseDeeds';
import { placementOf } from '../../geometry/scene';
import { elementsOf, select, selectOwners } from '../../drawing/selection';
import { isAway } from '../../keeping/session';
import { type DrawingSession, drawingSession } from '../../slate/drawings';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { FailedPage, Loading } from '../../ui/states';
import { TwoTexts } from '../../ui/TwoTexts';
import { usePerson } from '../session/useSession';
import { Conflict } from '../study/Conflict';
import { partLine, tabOf } from '../../parts/partLine';
import { SignedOut } from '../study/SignedOut';
import { Stand } from '../study/Stand';
import { Keep, useWorst } from '../study/workSessions';
import { portsOf } from '../../keeping/saving';
import { sendAll } from '../../keeping/sending';
import { AcceptedHere } from './AcceptedHere';
import { CorrectWording } from './CorrectWording';
import { Cover } from './Cover';
import { EarlierAnswers } from './EarlierAnswers';
import { OtherWays, OwnWords } from './OtherWays';
import { openedKey, openExercise, type OpenedExercise } from './opened';
import { askedLines, PartForm } from './PartForm';
import { PartList } from './PartList';
import { Preflight } from './Preflight';
import { Publish } from './Publish';
import { putIn, type PutIn } from './putIn';
import { ScenarioEditor } from './ScenarioEditor';
import { SchemeEditor } from './SchemeEditor';
import { SetAside } from './SetAside';
import { Variants } from './Variants';
import { WhoseMarksChange } from './WhoseMarksChange';
import { useAsked, useTitle } from './useAsked';
import { linesOf, useAssessment } from './useAssessment';
import { usePreflight, type PreflightItem } from './usePreflight';
import type { Saved } from './useSaved';
import { PageTitle } from '../../ui/PageTitle';

/** Where an instructor writes an exercise: the scenario, the model answer on the slate, and in the margin what is asked and what earns marks. */
export default function ExercisePage() {
  const { id } = useParams() as { id: string };
  const person = usePerson();
  const exercise = useQuery({
    queryKey: openedKey(id),
    queryFn: () => openExercise(person.id, id),
    staleTime: Infinity,
    gcTime: 0,
  });
  if (exercise.isPending) return <Loading what="the exercise" />;
  if (exercise.isError) return <FailedPage error={exercise.error} retry={() => void exercise.refetch()} />;
  return <ExerciseScript key={id} opened={exercise.data} reload={async () => void (await exercise.refetch())} />;
}

type Section = 'asked' | 'accepted' | 'scheme' | 'preflight';
const sections: readonly (readonly [Section, string])[] = [
  ['asked', 'asked'],
  ['accepted', 'accepted'],
  ['scheme', 'scheme'],
  ['preflight', 'preflight'],
];

interface ExerciseScriptProps {
  opened: OpenedExercise;
  reload: () => Promise<void>;
}

/** All parts of an exercise: one is shown, and the model answer of every one is kept and sent. */
function ExerciseScript({ opened: { reply: exercise, kept }, reload }: ExerciseScriptProps) {
  const published = exercise.publishedAt !== null && exercise.publishedAt !== undefined;
  const editable = exercise.mayEdit && !published;
  const [made] = useState(() => new Map<string, DrawingSession>());
  const sessions = exercise.parts.map((part) => sessionOf(made, part, editable));
  const [part, at, show] = useShownPart(exercise.parts);
  const titled = useTitle(exercise);
  useTiesFollow(editable ? sessions : none, exercise.scenarioHtml);
  return (
    <>
      <PageTitle title={titled.value} />
      {exercise.parts.map((one, index) => (
        <Keep
          key={one.id}
          session={sessions[index]!}
          kind="model"
          document={one.id}
          title={`the model answer of “${exercise.title}”`}
          kept={editable ? (kept.get(one.id) ?? null) : null}
          theirs={{ revision: one.model.revision, drawing: one.model.text }}
        />
      ))}
      <PartScript
        key={part.id}
        exercise={exercise}
        part={part}
        at={at}
        sessions={sessions}
        session={sessions[at]!}
        titled={titled}
        editable={editable}
        show={show}
        reload={reload}
      />
    </>
  );
}

const none: readonly DrawingSession[] = [];

/** Once the scenario was edited, what is tied to its words goes where they went; what lost them says so in the preflight. */
function useTiesFollow(sessions: readonly DrawingSession[], html: string) {
  const known = useRef(html);
  const follow = useEffectEvent((before: string, after: string) => {
    const [here, there] = [textsOf(before), textsOf(after)];
    for (const session of sessions) {
      const ties = [...session.current().document.ties.values()];
      const steps = moved(ties, here, there)
        .map((tie, at) => ({ of: 'tie' as const, id: tie.id, before: ties[at]!, after: tie }))
        .filter((step) => step.before.block !== step.after.block || step.before.start !== step.after.start);
      session.do({ label: 'keep ties with their words', steps });
    }
  });
  useEffect(() => {
    if (known.current !== html) follow(known.current, html);
    known.current = html;
  }, [html]);
}

/** The session of a part's model answer: made once, and the same however often the exercise is fetched again. */
function sessionOf(made: Map<string, DrawingSession>, part: Schemas['ExercisePartReply'], editable: boolean) {
  const known = made.get(part.id);
  if (known) return known;
  const session = drawingSession(part.model.text, part.model.revision, portsOf('model', part.id));
  if (!editable) session.close();
  made.set(part.id, session);
  return session;
}

interface PartScriptProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  /** Its place among the parts, from 0. */
  at: number;
  sessions: readonly DrawingSession[];
  /** The one that is shown. */
  session: DrawingSession;
  titled: Saved<string>;
  editable: boolean;
  show: (at: number) => void;
  reload: () => Promise<void>;
}

function PartScript({ exercise, part, at, sessions, session, titled, editable, show, reload }: PartScriptProps) {
  const published = exercise.publishedAt !== null && exercise.publishedAt !== undefined;
  const person = usePerson();
  const [invalid, setInvalid] = useState(false);
  const [taken, setTaken] = useState(0);
  const saved = useAsked(exercise, part, reload);
  const asked = saved.value;
  const [section, setSection] = useState<Section>('asked');
  // Where accepted values are chosen the drawing is only pointed at: a press beside an edge draws nothing.
  const slate = useSlate(session, editable && section !== 'accepted', asked.learned);
  const worst = useWorst(sessions);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection), slate.notation.stages);
  const read = useCallback(
    (drawing: string) =>
      must(api.POST('/api/parts/{id}/reading', { params: { path: { id: part.id } }, body: { drawing } })),
    [part.id],
  );
  const title = `${titleOfPart(exercise.title, asked.title ?? '', at, exercise.parts.length)}, model answer`;
  const { tools, tidying } = usePartDrafting(part.id, title, saved.settled);
  const away = isAway(slate.session_.state);
  // The core reads a drawing as the class has learned to, by what is saved.
  const reading = useReading(slate.full, read, away, JSON.stringify(part.part.value.learned));
  const assessment = useAssessment(exercise, part);
  const tiedElements = useMemo(
    () => new Set([...slate.drawing.ties.values()].map(({ element }) => element)),
    [slate.drawing.ties],
  );
  const preflight = usePreflight(
    part.id,
    slate.full,
    away,
    assessment,
    `${exercise.scenario.revision} ${JSON.stringify(part.part.value)}`,
  );
  const [lit, setLit] = useState<Pick<PreflightItem, 'places'> | null>(null);
  const light = (what: { elements: readonly string[]; places: PreflightItem['places'] } | null) => {
    setLit(what);
    lighting.light(what && what.elements.flatMap((element) => [element, lineOf(element)]));
  };
  const [put, setPut] = useState<PutIn>();
  const [writing, setWriting] = useState(
    editable && (exercise.scenario.text === '' || draftOf(person.id, exercise.id) !== null),
  );
  const facts = reading.reply?.facts ?? [];
  // What is put in is kept like what is written, until somebody saves it or leaves it.
  const putInScenario = (sentence: string, behind: string | undefined) => {
    const { revision, text } = draftOf(person.id, exercise.id) ?? exercise.scenario;
    const next = putIn(text, sentence, behind);
    holdDraft(person.id, exercise.id, { revision, text: next.text });
    setPut(next);
    setWriting(true);
  };

  return (
    <div className="script setting" style={{ '--margin-width': '310px' } as React.CSSProperties}>
      {writing ? (
        <ScenarioEditor
          exercise={exercise}
          key={put?.text}
          chosen={put}
          onDone={() => (setWriting(false), setPut(undefined), void reload())}
        />
      ) : (
        <ScenarioSheet
          title={titled.value}
          line={partLine(asked)}
          html={exercise.scenarioHtml}
          tied={lighting.tied}
          lit={lit ? [...lighting.litPhrases, ...lit.places] : lighting.litPhrases}
          onPhraseHover={lighting.lightPhrase}
          actions={
            slate.editable
              ? (phrase, done) => (
                  <PhraseActions
                    slate={slate}
                    phrase={phrase}
                    done={done}
                    proposals={preflight.cover?.proposed.filter(({ element }) => !tiedElements.has(element))}
                  />
                )
              : undefined
          }
          onDone={() => slate.surface.current?.focus()}
        >
          <p className="leads-away">
            <Link className="word-button" to="/">
              what is next
            </Link>
            {editable && (
              <button className="word-button" onClick={() => setWriting(true)}>
                change the scenario
              </button>
            )}
            {published && exercise.mayEdit && !exercise.isTrial && (
              <CorrectWording exercise={exercise} onCorrected={reload} />
            )}
            {published && exercise.mayEdit && (
              <Link className="word-button" to={`/exercises/${exercise.id}/repair${at > 0 ? `?part=${at + 1}` : ''}`}>
                repair the model answer
              </Link>
            )}
            <Link className="word-button" to={`/exercises/${exercise.id}/solution${at > 0 ? `?part=${at + 1}` : ''}`}>
              build it up step by step
            </Link>
            <Link className="word-button" to={`/exercises/${exercise.id}/try${at > 0 ? `?part=${at + 1}` : ''}`}>
              try it on yourself
            </Link>
          </p>
        </ScenarioSheet>
      )}
      <main className="middle">
        <PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />
        <SlateSurface
          slate={slate}
          takeWords={droppedWords(slate)}
          label={`The model answer for ${exercise.title}. Press question mark for its keys.`}
          lit={lighting.lit}
          onHover={(element) => lighting.light(element ? [element] : null)}
          words
          home="return"
          tidying={tidying}
          allowed={{ tools, redraw: true, lifting: true }}
          empty={
            <p>
              Draw the model answer here: press anywhere for the first box, or choose words of the scenario.
              <br />
              Space shows the symbols, ? the keys.
            </p>
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
            writing={slate.editable ? { slate, amend: tools.amend, isOfNow: reading.isOfNow } : undefined}
            empty="What the model answer says will stand here."
          />
          {editable && (
            <Stand view={worst.view} endsAt={null} offset={0} onRetry={() => sessions.forEach((one) => one.resume())} />
          )}
        </footer>
      </main>
      <Tabs.Root asChild value={section} onValueChange={(next) => setSection(next as Section)}>
        <aside className="margin" aria-label="The exercise">
          <p className="total">
            {exercise.isTrial
              ? 'a trial'
              : published
                ? 'published'
                : exercise.mayEdit
                  ? 'being written'
                  : 'being written by its instructor'}
            , {exercise.cohort}
          </p>
          <Tabs.List className="views" aria-label="What stands in this margin">
            {sections.map(([name, word]) => (
              <Tabs.Trigger key={name} value={name}>
                {word}
                {name === 'preflight' && preflight.open.length > 0 && (
                  <span className="open-count"> {preflight.open.length}</span>
                )}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          {section !== 'preflight' && (reading.reply?.form ?? []).length > 0 && (
            <>
              <h2 className="mt-4 mb-1">The form of the model answer</h2>
              <FormRemarks
                remarks={reading.reply!.form}
                onLight={(elements) => lighting.light(elements && [...elements])}
                onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
              />
            </>
          )}
          {/* Stays while another section is shown, with what was changed in it. */}
          <Tabs.Content value="asked" forceMount hidden={section !== 'asked'}>
            <PartForm
              key={taken}
              exercise={exercise}
              at={at}
              asked={saved}
              titled={titled}
              editable={editable}
              onInvalid={setInvalid}
            />
            {editable && <PartList exercise={exercise} at={at} session={session} show={show} reload={reload} />}
          </Tabs.Content>
          <Tabs.Content value="accepted">
            <AcceptedHere slate={slate} facts={facts} assessment={assessment} editable={exercise.mayEdit} />
            <Variants
              assessment={assessment}
              editable={exercise.mayEdit}
              onSlate={editable ? () => writeDrawing(slate.drawing, placementOf(slate.full)) : undefined}
            />
            <OwnWords assessment={assessment} editable={exercise.mayEdit} />
            <OtherWays ways={part.otherWays} assessment={assessment} editable={exercise.mayEdit} />
          </Tabs.Content>
          <Tabs.Content value="scheme">
            <SchemeEditor
              part={part.id}
              session={session}
              facts={facts}
              assessment={assessment}
              editable={exercise.mayEdit}
              marks={asked.marks ?? '0'}
            />
          </Tabs.Content>
          <Tabs.Content value="preflight">
            {preflight.cover && (
              <Cover
                cover={preflight.cover}
                editable={editable}
                nameOf={(element) => nameOfElement(slate.drawing, element)}
                onLight={light}
                onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
                onTie={(ties) => slate.session.do(tieAll(ties))}
              />
            )}
            <Preflight
              preflight={preflight}
              assessment={assessment}
              editable={editable}
              onLight={light}
              onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
              onPutIn={putInScenario}
            />
            {exercise.mayEdit && (
              <EarlierAnswers part={part.id} ready={() => sendAll(sessions, 'Nothing was judged.')} />
            )}
          </Tabs.Content>
          {exercise.mayEdit && <SetAside exercise={exercise.id} />}
          {exercise.mayEdit && (
            <Publish
              exercise={exercise}
              sessions={sessions}
              unsaved={() => [
                ...(draftOf(person.id, exercise.id) ? ['the scenario'] : []),
                ...(invalid || saved.saving || saved.error || titled.saving || titled.error ? ['what is asked'] : []),
                ...(assessment.saving || assessment.error ? ['what is accepted and the scheme'] : []),
              ]}
              lacks={exercise.parts.findIndex(
                (one) => !(one.id === part.id ? assessment.value : one.assessment.value).scheme,
              )}
              at={at}
              openItems={preflight.open.length}
              onLookOver={(other) => (other === at ? setSection('preflight') : show(other))}
              onPublished={() => void reload()}
            />
          )}
        </aside>
      </Tabs.Root>
      <Conflict session={slate.session} />
      {assessment.proposed && <WhoseMarksChange proposed={assessment.proposed} />}
      {assessment.theirs && (
        <TwoTexts
          title="Somebody else changed what earns marks in the meantime"
          mine={linesOf(assessment.value)}
          theirs={linesOf(assessment.theirs)}
          onKeep={() => assessment.settle(assessment.value)}
          onTake={() => assessment.settle(assessment.theirs!)}
        />
      )}
      {saved.theirs && (
        <TwoTexts
          title="Somebody else changed what is asked in the meantime"
          mine={askedLines(asked)}
          theirs={askedLines(saved.theirs)}
          onKeep={() => {
            saved.goOn();
            saved.set(asked);
          }}
          onTake={() => {
            saved.goOn();
            saved.set(saved.theirs!);
            setTaken(taken + 1);
          }}
        />
      )}
      <SignedOut sessions={sessions} open={worst.view.state === 'signed-out'} />
    </div>
  );
}

/** Words tied to what they tell of, as one step. */
const tieAll = (ties: Schemas['CoverReply']['proposed']) => ({
  label: 'tie words',
  steps: ties.map(({ element, place }) => putTie({ id: crypto.randomUUID(), element, ...place })),
});

/** The line to which an end belongs; anything else itself. */
const lineOf = (element: string) => parseEndId(element)?.line ?? element;
