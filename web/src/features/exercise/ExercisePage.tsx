import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { placeInQueue } from '../../api/drafting';
import type { Kept } from '../../keeping/store';
import { heldOf, useKeeping } from '../../keeping/useKeeping';
import { FormRemarks } from '../../script/FormRemarks';
import { PhraseActions } from '../../script/PhraseActions';
import { exerciseTools } from '../../api/drawingTools';
import { elementsHere, Sentences } from '../../script/Sentences';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { useLighting } from '../../script/useLighting';
import { useReading } from '../../script/useReading';
import { readDrawing, writeDrawing } from '../../slate/format';
import { placementOf } from '../../slate/scene';
import { elementsOf, select, selectOwners } from '../../slate/selection';
import { DrawingSession, isAway } from '../../slate/session';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { Failed, Loading } from '../../ui/states';
import { TwoTexts } from '../../ui/TwoTexts';
import { usePerson } from '../session/useSession';
import { Conflict } from '../study/Conflict';
import { partLine } from '../study/DrawPage';
import { SignedOut } from '../study/SignedOut';
import { Stand } from '../study/Stand';
import { portsOf, useFlushOnHide } from '../study/useAnswerSession';
import { AcceptedHere } from './AcceptedHere';
import { OtherWays, OwnWords } from './OtherWays';
import { PartForm } from './PartForm';
import { Publish } from './Publish';
import { ScenarioEditor } from './ScenarioEditor';
import { SchemeEditor } from './SchemeEditor';
import { SetAside } from './SetAside';
import { Variants } from './Variants';
import { WhoseMarksChange } from './WhoseMarksChange';
import { linesOf, useAssessment } from './useAssessment';

/** Where an instructor writes an exercise: the scenario, the model answer on the slate, and in the margin what is asked and what earns marks. */
export default function ExercisePage() {
  const { id } = useParams() as { id: string };
  const person = usePerson();
  const exercise = useQuery({
    queryKey: ['exercise', id],
    queryFn: async () => {
      const kept = await heldOf(person.id, id);
      return { reply: await must(api.GET('/api/exercises/{id}', { params: { path: { id } } })), kept };
    },
    staleTime: Infinity,
    gcTime: 0,
  });
  if (exercise.isPending) return <Loading what="the exercise" />;
  if (exercise.isError) return <Failed error={exercise.error} retry={() => void exercise.refetch()} />;
  const { reply, kept } = exercise.data;
  return <ExerciseScript key={id} exercise={reply} kept={kept} reload={() => void exercise.refetch()} />;
}

type Section = 'asked' | 'accepted' | 'scheme';
const sections: readonly (readonly [Section, string])[] = [
  ['asked', 'what is asked'],
  ['accepted', 'accepted'],
  ['scheme', 'scheme'],
];

interface ExerciseScriptProps {
  exercise: Schemas['ExerciseReply'];
  /** What this browser kept of the model answer and the server had not acknowledged. */
  kept: Kept | null;
  reload: () => void;
}

function ExerciseScript({ exercise, kept, reload }: ExerciseScriptProps) {
  const { id } = exercise;
  const published = exercise.publishedAt !== null && exercise.publishedAt !== undefined;
  const editable = exercise.mayEdit && !published;
  const [session] = useState(() => {
    const made = new DrawingSession(
      readDrawing(exercise.model.text),
      exercise.model.revision,
      portsOf(({ revision, drawing }) =>
        must(api.PUT('/api/exercises/{id}/model', { params: { path: { id } }, body: { revision, text: drawing } })),
      ),
    );
    if (!editable) made.close();
    return made;
  });
  useFlushOnHide(session);
  const { revision, text } = exercise.model;
  useKeeping(session, usePerson().id, id, { kept: editable ? kept : null, theirs: { revision, drawing: text } });
  const slate = useSlate(session, editable, exercise.part.value);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection));
  const read = useCallback(
    (drawing: string) => must(api.POST('/api/exercises/{id}/reading', { params: { path: { id } }, body: { drawing } })),
    [id],
  );
  const tools = useMemo(() => exerciseTools(id), [id]);
  const tidying = useMemo(
    () => ({
      ask: (drawing: string, only: string[]) =>
        must(api.POST('/api/exercises/{id}/tidy', { params: { path: { id } }, body: { drawing, only } })),
      before: placeInQueue,
    }),
    [id],
  );
  const away = isAway(slate.session_.state);
  const reading = useReading(slate.full, read, away);
  const assessment = useAssessment(exercise);
  const [section, setSection] = useState<Section>('asked');
  const [writing, setWriting] = useState(editable && exercise.scenario.text === '');
  const facts = reading.reply?.facts ?? [];

  return (
    <div className="script" style={{ '--margin-width': '310px' } as React.CSSProperties}>
      {writing ? (
        <ScenarioEditor exercise={exercise} onDone={() => (setWriting(false), reload())} />
      ) : (
        <ScenarioSheet
          title={exercise.title}
          line={partLine(exercise.part.value)}
          html={exercise.scenarioHtml}
          tied={lighting.tied}
          lit={lighting.litPhrases}
          onPhraseHover={lighting.lightPhrase}
          actions={editable ? (phrase, done) => <PhraseActions slate={slate} phrase={phrase} done={done} /> : undefined}
          onDone={() => slate.surface.current?.focus()}
        >
          <p className="mt-6 flex gap-5 text-[13px] text-quiet-ink">
            <Link className="word-button" to="/">
              what is next
            </Link>
            {editable && (
              <button className="word-button" onClick={() => setWriting(true)}>
                change the scenario
              </button>
            )}
          </p>
        </ScenarioSheet>
      )}
      <main className="middle">
        <SlateSurface
          slate={slate}
          label={`The model answer for ${exercise.title}. Press question mark for its keys.`}
          lit={lighting.lit}
          onHover={(element) => lighting.light(element ? [element] : null)}
          words
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
            writing={editable ? { slate, amend: tools.amend } : undefined}
            empty="What the model answer says will stand here."
          />
          {editable && <Stand view={slate.session_} endsAt={null} offset={0} onRetry={() => session.resume()} />}
        </footer>
      </main>
      <aside className="margin" aria-label="The exercise">
        <p className="total">
          {published ? 'published' : exercise.mayEdit ? 'being written' : 'being written by its instructor'},{' '}
          {exercise.cohort}
        </p>
        <div className="views" role="group" aria-label="Parts of the exercise">
          {sections.map(([name, word]) => (
            <button key={name} aria-pressed={section === name} onClick={() => setSection(name)}>
              {word}
            </button>
          ))}
        </div>
        {(reading.reply?.form ?? []).length > 0 && (
          <>
            <h2 className="mt-4 mb-1">The form of the model answer</h2>
            <FormRemarks
              remarks={reading.reply!.form}
              onLight={(elements) => lighting.light(elements && [...elements])}
              onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
            />
          </>
        )}
        {section === 'asked' && <PartForm exercise={exercise} editable={editable} onSaved={reload} />}
        {section === 'accepted' && (
          <>
            <AcceptedHere slate={slate} facts={facts} assessment={assessment} editable={exercise.mayEdit} />
            <Variants
              assessment={assessment}
              editable={exercise.mayEdit}
              onSlate={editable ? () => writeDrawing(slate.drawing, placementOf(slate.full)) : undefined}
            />
            <OwnWords assessment={assessment} editable={exercise.mayEdit} />
            <OtherWays ways={exercise.otherWays} assessment={assessment} editable={exercise.mayEdit} />
          </>
        )}
        {section === 'scheme' && (
          <SchemeEditor
            exerciseId={id}
            session={session}
            facts={facts}
            assessment={assessment}
            editable={exercise.mayEdit}
            marks={exercise.part.value.marks ?? '0'}
          />
        )}
        {exercise.mayEdit && <SetAside exercise={id} />}
        {exercise.mayEdit && (
          <Publish
            exercise={exercise}
            session={session}
            hasScheme={assessment.value.scheme !== null && assessment.value.scheme !== undefined}
            onPublished={reload}
          />
        )}
      </aside>
      <Conflict slate={slate} />
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
      <SignedOut session={session} open={slate.session_.state === 'signed-out'} />
    </div>
  );
}
