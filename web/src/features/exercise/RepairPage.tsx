import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { elementsOf, select } from '../../drawing/selection';
import { counted } from '../../notations/counts';
import { partLine, tabOf } from '../../parts/partLine';
import { PartTabs } from '../../parts/PartTabs';
import { usePartDrafting } from '../../parts/usePartDrafting';
import { useShownPart } from '../../parts/useShownPart';
import { droppedWords } from '../../script/droppedWords';
import { PhraseActions } from '../../script/PhraseActions';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { elementsHere, Sentences } from '../../script/Sentences';
import { useLighting } from '../../script/useLighting';
import { useReading } from '../../script/useReading';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { ChangeList } from '../marking/ChangeList';
import { usePerson } from '../session/useSession';
import { holdTrial, trialOf, trialSession } from '../trying/trial';

/** The model answer of a published exercise, repaired: drawn anew from what it is, and whose marks that changes shown first. */
export default function RepairPage() {
  const { id } = useParams() as { id: string };
  const exercise = useQuery({
    queryKey: ['repair', id],
    queryFn: () => must(api.GET('/api/exercises/{id}', { params: { path: { id } } })),
    staleTime: 0,
  });
  if (exercise.isPending) return <Loading what="the exercise" />;
  if (exercise.isError) return <FailedPage error={exercise.error} retry={() => void exercise.refetch()} />;
  return <Repair exercise={exercise.data} />;
}

function Repair({ exercise }: { exercise: Schemas['ExerciseReply'] }) {
  const [part, at, show] = useShownPart(exercise.parts);
  const [begun, setBegun] = useState(0);
  return (
    <>
      <PageTitle title={`${exercise.title}, model answer repaired`} />
      <RepairPart
        key={`${part.id} ${part.model.revision} ${begun}`}
        exercise={exercise}
        part={part}
        at={at}
        tabs={<PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />}
        onAfresh={() => setBegun(begun + 1)}
      />
    </>
  );
}

interface RepairPartProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  at: number;
  tabs: ReactNode;
  /** Forgets what was repaired and begins with the model answer as it is. */
  onAfresh: () => void;
}

function RepairPart({ exercise, part, at, tabs, onAfresh }: RepairPartProps) {
  const person = usePerson();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { revision, text: before } = part.model;
  // What is drawn lives in this browser until it is taken; it belongs to the revision from which it was begun.
  const kept = `repair ${part.id} ${revision}`;
  const [session] = useState(() =>
    trialSession(person.id, kept, trialOf(person.id, kept) ?? { startedAt: 0, drawing: null }, before),
  );
  useEffect(() => session.attend(), [session]);
  const slate = useSlate(session, true, part.part.value.learned!);
  const lighting = useLighting(slate.drawing, elementsOf(slate.selection), slate.notation.stages);
  const path = useMemo(() => ({ params: { path: { id: part.id } } }), [part.id]);
  const read = useCallback(
    (drawing: string) => must(api.POST('/api/parts/{id}/reading', { ...path, body: { drawing } })),
    [path],
  );
  const reading = useReading(slate.full, read, false);
  const { tools, tidying } = usePartDrafting(part.id, exercise.title);
  const back = `/exercises/${exercise.id}${at > 0 ? `?part=${at + 1}` : ''}`;
  const look = useMutation({
    mutationFn: async () => {
      await session.flush();
      const text = session.text();
      return {
        text,
        reply: await must(api.POST('/api/parts/{id}/model/repair/preview', { ...path, body: { text } })),
      };
    },
  });
  const repair = useMutation({
    mutationFn: ({ text, why }: { text: string; why: string }) =>
      must(api.PUT('/api/parts/{id}/model/repair', { ...path, body: { revision, text, why } })),
    onSuccess: async () => {
      holdTrial(person.id, kept, null);
      await queries.invalidateQueries();
      await navigate(back);
    },
  });
  const shown = look.data?.text === session.text() ? look.data : null;
  return (
    <div className="script setting" style={{ '--margin-width': '310px' } as React.CSSProperties}>
      <ScenarioSheet
        title={exercise.title}
        line={partLine(part.part.value)}
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
          <button
            className="word-button"
            onClick={() => {
              holdTrial(person.id, kept, null);
              onAfresh();
            }}
          >
            begin once more
          </button>
        </p>
      </ScenarioSheet>
      <main className="middle">
        {tabs}
        <SlateSurface
          slate={slate}
          takeWords={droppedWords(slate)}
          label={`The model answer for ${exercise.title}, to be repaired. Press question mark for its keys.`}
          lit={lighting.lit}
          onHover={(element) => lighting.light(element ? [element] : null)}
          words
          home="return"
          tidying={tidying}
          allowed={{ tools, redraw: false, lifting: true }}
          empty={<p>A model answer with nothing in it marks nobody.</p>}
        />
        <footer className="sentences">
          <Sentences
            sentences={reading.reply?.sentences ?? []}
            waiting={reading.waiting}
            away={false}
            lit={lighting.lit}
            onLight={lighting.light}
            onPick={(sentence) => slate.setSelection(select(...elementsHere(slate.drawing, sentence)))}
            writing={{ slate, amend: tools.amend, isOfNow: reading.isOfNow }}
            empty="What the model answer says will stand here."
          />
        </footer>
      </main>
      <aside className="margin" aria-label="The repair">
        <p className="total">Repairing the model answer</p>
        <p className="mt-2 text-[14px] text-quiet-ink">
          Draw it as it should have been. Nothing changes for anybody until you have seen whose marks change and have
          taken it.
        </p>
        <p className="mt-4">
          <button className="press-button" disabled={look.isPending} onClick={() => look.mutate()}>
            {look.isPending ? 'judging everybody anew …' : 'Look whose marks change'}
          </button>
        </p>
        {look.isError && (
          <p className="refusal mt-2" role="alert">
            {messageOf(look.error)}
          </p>
        )}
        {look.data && !shown && (
          <p className="mt-3 text-quiet-ink">You have drawn since then: look again before you take it.</p>
        )}
        {shown && (
          <WhatItDoes
            reply={shown.reply}
            busy={repair.isPending}
            error={repair.error}
            onTake={(why) => repair.mutate({ text: shown.text, why })}
          />
        )}
      </aside>
    </div>
  );
}

interface WhatItDoesProps {
  reply: Schemas['RepairPreviewReply'];
  busy: boolean;
  error: unknown;
  onTake: (why: string) => void;
}

/** What a repair does to the scheme and to whom, and the word that takes it. */
function WhatItDoes({ reply, busy, error, onTake }: WhatItDoesProps) {
  const [why, setWhy] = useState('');
  const { marks, gone, added, unmarked } = reply;
  return (
    <form
      className="mt-4"
      onSubmit={(event) => {
        event.preventDefault();
        onTake(why.trim());
      }}
    >
      <div role="status" className="text-[14px] space-y-2">
        <Facts facts={gone}>It no longer says:</Facts>
        <Facts facts={added}>It says besides, and earns what that earned:</Facts>
        <Facts facts={unmarked}>It says besides, and no line of the scheme asks for it until you add one there:</Facts>
        <p>
          {marks.changes.length === 0
            ? 'No marks change.'
            : `${counted(marks.changes.length, 'mark changes', 'marks change')}, ${marks.unchanged} ${marks.unchanged === 1 ? 'stays' : 'stay'}.`}
          {marks.released > 0 &&
            ` ${marks.released} ${marks.released === 1 ? 'is' : 'are'} released and ${marks.released === 1 ? 'gets' : 'get'} proposals.`}
        </p>
      </div>
      <ChangeList changes={marks.changes} />
      <label className="field mt-3">
        <span>Why; the record keeps it</span>
        <input required maxLength={500} value={why} onChange={({ target }) => setWhy(target.value)} />
      </label>
      <button className="press-button mt-3" disabled={busy || why.trim() === ''}>
        {busy ? 'repairing …' : 'Repair it and mark again'}
      </button>
      {error !== null && (
        <p className="refusal mt-2" role="alert">
          {messageOf(error)}
        </p>
      )}
    </form>
  );
}

function Facts({ facts, children }: { facts: readonly string[]; children: ReactNode }) {
  return facts.length === 0 ? null : (
    <div>
      <p className="text-quiet-ink">{children}</p>
      <ul className="list-disc pl-5">
        {facts.map((fact) => (
          <li key={fact}>{fact}</li>
        ))}
      </ul>
    </div>
  );
}
