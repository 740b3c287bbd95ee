import { useMutation, useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { elementsOf, select, selectOwners } from '../../drawing/selection';
import { savedWords } from '../../keeping/sending';
import { PartTabs, titleOfPart } from '../../parts/PartTabs';
import { partLine, tabOf } from '../../parts/partLine';
import { usePartDrafting } from '../../parts/usePartDrafting';
import { useShownPart } from '../../parts/useShownPart';
import { droppedWords } from '../../script/droppedWords';
import { remarksOf } from '../../script/FormRemarks';
import { PhraseActions } from '../../script/PhraseActions';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { elementsHere, Sentences } from '../../script/Sentences';
import { useLighting } from '../../script/useLighting';
import { useReading } from '../../script/useReading';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { left } from '../../ui/time';
import { useNow } from '../../ui/useNow';
import { usePerson } from '../session/useSession';
import { DrawMargin, marginWidth } from '../study/DrawMargin';
import { Tried } from './Tried';
import { TryBegin } from './TryBegin';
import { holdTrial, trialOf, trialSession, type Trial } from './trial';

/** An exercise tried on oneself: drawn as a student draws it, checked as a student's would be; nothing of it counts. */
export default function TryPage() {
  const { id } = useParams() as { id: string };
  const exercise = useQuery({
    queryKey: ['try', id],
    queryFn: () => must(api.GET('/api/exercises/{id}', { params: { path: { id } } })),
    staleTime: 0,
  });
  if (exercise.isPending) return <Loading what="the exercise" />;
  if (exercise.isError) return <FailedPage error={exercise.error} retry={() => void exercise.refetch()} />;
  return <TryExercise exercise={exercise.data} />;
}

function TryExercise({ exercise }: { exercise: Schemas['ExerciseReply'] }) {
  const [part, at, show] = useShownPart(exercise.parts);
  const person = usePerson();
  const [begun, setBegun] = useState(0);
  return (
    <>
      <PageTitle title={`${exercise.title}, tried on yourself`} />
      <TryPart
        key={`${part.id} ${begun}`}
        exercise={exercise}
        part={part}
        at={at}
        tabs={<PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />}
        onAfresh={() => {
          holdTrial(person.id, part.id, null);
          setBegun(begun + 1);
        }}
      />
    </>
  );
}

interface TryPartProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  at: number;
  tabs: ReactNode;
  /** Forgets what was drawn and begins once more. */
  onAfresh: () => void;
}

function TryPart({ exercise, part, at, tabs, onAfresh }: TryPartProps) {
  const person = usePerson();
  const [trial] = useState((): Trial => trialOf(person.id, part.id) ?? { startedAt: Date.now(), drawing: null });
  const asked = part.part.value;
  const begin = asked.begin ?? { with: 'nothing' };
  const [session] = useState(() => trialSession(person.id, part.id, trial, begin.drawing ?? null));
  useEffect(() => session.attend(), [session]);
  const learned = asked.learned!;
  const slate = useSlate(session, true, learned);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection), slate.notation.stages);
  const path = useMemo(() => ({ params: { path: { id: part.id } } }), [part.id]);
  const read = useCallback(
    (drawing: string) => must(api.POST('/api/parts/{id}/try/reading', { ...path, body: { drawing } })),
    [path],
  );
  const reading = useReading(slate.full, read, false);
  const { tools, tidying } = usePartDrafting(part.id, exercise.title);
  const check = useMutation({
    mutationFn: async () => {
      await session.flush();
      const took = Date.now() - trial.startedAt;
      const earlier = begin.with === 'own-drawing' ? exercise.parts[(begin.part ?? 0) - 1] : undefined;
      const before = earlier ? (trialOf(person.id, earlier.id)?.drawing ?? null) : null;
      return {
        took,
        tried: await must(api.POST('/api/parts/{id}/try', { ...path, body: { drawing: session.text(), before } })),
      };
    },
  });
  const [folded, setFolded] = useState(true);
  const aids = asked.aids ?? {};
  const remarks = remarksOf(reading.reply);
  const minutes = asked.minutes ?? null;
  const back = `/exercises/${exercise.id}${at > 0 ? `?part=${at + 1}` : ''}`;

  if (check.data)
    return (
      <Tried
        title={titleOfPart(exercise.title, asked.title ?? '', at, exercise.parts.length)}
        line={partLine(asked)}
        tried={check.data.tried}
        took={check.data.took}
        minutes={minutes}
        back={back}
        onDrawOn={() => check.reset()}
        onAfresh={onAfresh}
      />
    );
  return (
    <div
      className="script"
      style={{ '--margin-width': marginWidth(remarks.length, false, folded) } as React.CSSProperties}
    >
      <ScenarioSheet
        title={exercise.title}
        line={partLine(asked)}
        html={exercise.scenarioHtml}
        tied={lighting.tied}
        lit={lighting.litPhrases}
        onPhraseHover={lighting.lightPhrase}
        actions={(phrase, done) => <PhraseActions slate={slate} phrase={phrase} done={done} />}
        onDone={() => slate.surface.current?.focus()}
      >
        <p className="leads-away">
          <Link className="word-button" to={back}>
            back to the exercise
          </Link>
          <button className="word-button" onClick={onAfresh}>
            begin once more
          </button>
        </p>
      </ScenarioSheet>
      <main className="middle">
        {tabs}
        <SlateSurface
          slate={slate}
          takeWords={droppedWords(slate)}
          label={`Your own try at ${exercise.title}. Press question mark for its keys.`}
          lit={lighting.lit}
          onHover={(element) => lighting.light(element ? [element] : null)}
          words={aids.words ?? false}
          home="arrive"
          tidying={aids.tidyUp === false ? undefined : tidying}
          allowed={{ tools, redraw: aids.redraw ?? false, lifting: aids.lifting ?? false }}
          empty={
            <>
              <p>
                Draw it as your students will, with the aids that they have. Nothing of it counts.
                <br />
                Space shows the symbols, ? the keys.
              </p>
              {begin.part && <TryBegin exercise={exercise} begin={begin} learned={learned} slate={slate} />}
            </>
          }
        />
        <footer className="sentences">
          <Sentences
            sentences={reading.reply?.sentences ?? []}
            waiting={reading.waiting}
            away={false}
            lit={lighting.lit}
            onLight={lighting.light}
            onPick={(sentence) => slate.setSelection(select(...elementsHere(slate.drawing, sentence)))}
            writing={aids.sentences ? { slate, amend: tools.amend, isOfNow: reading.isOfNow } : undefined}
            empty={aids.sentences ? 'What your drawing says will stand here.' : 'What is drawn will stand here.'}
          />
          <div className="stand">
            <span role="status">{keptWords(session.current())}</span>
            <Taken since={trial.startedAt} minutes={minutes} />
            <button className="word-button" disabled={check.isPending} onClick={() => check.mutate()}>
              {check.isPending ? 'checking …' : 'check it'}
            </button>
          </div>
          {check.isError && (
            <p className="refusal" role="alert">
              {messageOf(check.error)}
            </p>
          )}
        </footer>
      </main>
      <DrawMargin
        remarks={remarks}
        help={null}
        folded={folded}
        onFold={setFolded}
        onLight={(elements) => lighting.light(elements && [...elements])}
        onPick={(elements) => slate.setSelection(selectOwners(slate.drawing, elements))}
      />
    </div>
  );
}

const keptWords = (view: Parameters<typeof savedWords>[0]) =>
  view.state === 'clean' ? 'kept in this browser' : savedWords(view);

/** How long one has drawn, of what the exercise allows. */
function Taken({ since, minutes }: { since: number; minutes: number | null }) {
  const now = useNow(true);
  return (
    <span className="time" aria-label="Time taken">
      {left(now - since)}
      {minutes !== null && <span className="text-[13px] font-normal"> of {minutes}:00</span>}
    </span>
  );
}
