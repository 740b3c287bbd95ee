import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, isProblem, must, type Schemas } from '../../api/client';
import { Notes } from '../../differences/Notes';
import { Otherwise } from '../../differences/Otherwise';
import { ScriptViews } from '../../differences/ScriptViews';
import { ScriptWithNotes, type ScriptView } from '../../differences/ScriptWithNotes';
import { PartTabs } from '../../parts/PartTabs';
import { show } from '../../ui/marks';
import { usePageKeys } from '../../ui/usePageKeys';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { partLine } from '../../parts/partLine';
import { AfterEnd } from './AfterEnd';
import { AlsoRight } from './AlsoRight';
import { DecisionRow } from './DecisionRow';
import { LineTable } from './LineTable';
import { OwnNote } from './OwnNote';
import { Questions } from './Questions';
import { StandsFor } from './StandsFor';
import { Together } from './Together';

/** One answer on the marking desk: its differences drawn in, its notes, the decisions on them. */
export default function MarkingPage() {
  const { id } = useParams() as { id: string };
  const answer = useQuery({
    queryKey: ['marking', id],
    queryFn: () => must(api.GET('/api/marking/work/{id}', { params: { path: { id } } })),
  });
  if (answer.isPending) return <Loading what="the answer" />;
  if (isProblem(answer.error) && answer.error.code === 'blind-first')
    return <Navigate to={`/marking/blind/${id}`} replace />;
  if (answer.isError) return <FailedPage error={answer.error} retry={() => void answer.refetch()} />;
  return <MarkedScript key={id} answer={answer.data} />;
}

function MarkedScript({ answer }: { answer: Schemas['MarkingReply'] }) {
  const [view, setView] = useState<ScriptView>('over');
  const [params] = useSearchParams();
  const [open, setOpen] = useState<string | null>(params.get('note'));
  const [lines, setLines] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  // A decision may change other answers too: what is known of them is fetched anew when they are opened.
  const keep = (reply: Schemas['MarkingReply']) => {
    queries.setQueryData(['marking', answer.id], reply);
    queries.removeQueries({ predicate: ({ queryKey: [of, id] }) => of === 'marking' && id !== answer.id });
    void queries.invalidateQueries({ queryKey: ['desk', answer.exerciseId] });
  };
  const rule = useMutation({
    mutationFn: ({ finding, ...body }: Schemas['RulingRequest'] & { finding: string }) =>
      must(
        api.PUT('/api/marking/work/{id}/rulings', { params: { path: { id: answer.id }, query: { finding } }, body }),
      ),
    onSuccess: keep,
  });
  const takeBack = useMutation({
    mutationFn: (finding: string) =>
      must(api.DELETE('/api/marking/work/{id}/rulings', { params: { path: { id: answer.id }, query: { finding } } })),
    onSuccess: keep,
  });
  const unadjust = useMutation({
    mutationFn: (adjustment: string) =>
      must(
        api.DELETE('/api/marking/work/{id}/adjustments/{adjustment}', {
          params: { path: { id: answer.id, adjustment } },
        }),
      ),
    onSuccess: keep,
  });
  const goneThrough = useMutation({
    mutationFn: () => must(api.POST('/api/marking/work/{id}/gone-through', { params: { path: { id: answer.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['home'] });
      await queries.invalidateQueries({ queryKey: ['desk', answer.exerciseId] });
      queries.removeQueries({ queryKey: ['marking'] });
      await navigate(answer.next ? `/marking/${answer.next}` : `/exercises/${answer.exerciseId}/answers?view=answers`);
    },
  });
  const released = answer.state === 'released';
  const failure = rule.error ?? takeBack.error ?? unadjust.error ?? goneThrough.error;
  const goTo = (work: string | null | undefined) => work && void navigate(`/marking/${work}`);
  usePageKeys({
    j: () => goTo(answer.next),
    k: () => goTo(answer.previous),
    g: () => !released && !goneThrough.isPending && goneThrough.mutate(),
  });

  return (
    <ScriptWithNotes
      title={answer.title}
      line={partLine(answer.part)}
      scenarioHtml={answer.scenarioHtml}
      drawing={answer.drawing}
      modelDrawing={answer.modelDrawing}
      modelSentences={answer.modelSentences}
      result={answer.result}
      evidence={answer.evidence}
      tabs={
        <PartTabs
          parts={answer.parts.map((part) => ({
            id: part.workId,
            title: part.title,
            line: `${show(part.marks)} marks`,
          }))}
          at={answer.parts.findIndex((part) => part.workId === answer.id)}
          onShow={(at) => void navigate(`/marking/${answer.parts[at]!.workId}`)}
        />
      }
      view={view}
      open={open}
      onOpen={setOpen}
      margin={({ placed, levelOf, chosen, look, rows }) => (
        <div className="min-h-full flex flex-col">
          <p className="total">
            <strong>{show(answer.result.total)}</strong> of {show(answer.result.maximum)}, candidate {answer.code}
            {answer.late && ', late'}
            {answer.endedByTime && ', ended by the clock'}
            {answer.handedInBecause && ', handed in for the student'}
            {answer.reopenedBecause && ', opened again before'}
            {answer.helpAsked > 0 && `, helped ${answer.helpAsked === 1 ? 'once' : `${answer.helpAsked} times`}`}
          </p>
          <Together answer={answer} />
          <AfterEnd answer={answer} onReply={keep} />
          {answer.released && <ReleasedWith released={answer.released} answer={answer} />}
          <ScriptViews
            label="How the answer is shown"
            view={view}
            lines={lines}
            model
            onView={setView}
            onLines={setLines}
          />
          {answer.doubt.isOpen && answer.state === 'checked' && <WhatIsUnsure doubt={answer.doubt} />}
          <Otherwise result={answer.result} />
          {failure && (
            <p className="refusal" role="alert">
              {messageOf(failure)}
            </p>
          )}
          {lines ? (
            <LineTable
              lines={answer.result.lines}
              placed={placed}
              onOpen={(note) => (setLines(false), setOpen(note))}
            />
          ) : (
            <Notes
              result={answer.result}
              placed={placed}
              open={open}
              onOpen={setOpen}
              levelOf={view === 'over' ? levelOf : () => null}
              look={look}
              mark={({ note }) => (
                <>
                  <RuledMark ruling={answer.rulings.find((ruling) => ruling.findingId === note.id)} />
                  {answer.queries.some((query) => query.findingId === note.id && !query.reply) && (
                    <strong className="text-[13px]"> · a question</strong>
                  )}
                </>
              )}
              beneath={({ note }) => (
                <>
                  <Questions
                    queries={answer.queries.filter((query) => query.findingId === note.id)}
                    onReplied={(replied) => keep({ ...answer, queries: [...replied] })}
                  />
                  {note.tag === 'noted' ? (
                    answer.mayDecide &&
                    note.id !== lateness && (
                      <p className="mt-2">
                        <button
                          className="word-button"
                          disabled={unadjust.isPending}
                          onClick={() => unadjust.mutate(note.id)}
                        >
                          take back
                        </button>
                      </p>
                    )
                  ) : (
                    <DecisionRow
                      key={note.id}
                      answer={answer.id}
                      finding={note.id}
                      ruling={answer.rulings.find((ruling) => ruling.findingId === note.id) ?? null}
                      locked={!answer.mayDecide}
                      busy={rule.isPending || takeBack.isPending}
                      onRule={(decision, comment, reach, part) =>
                        rule.mutate({ finding: note.id, decision, comment, reach, part })
                      }
                      onTakeBack={() => takeBack.mutate(note.id)}
                    />
                  )}
                </>
              )}
            />
          )}
          {!lines && rows}
          {answer.mayDecide && !lines && <OwnNote answer={answer} chosen={chosen} onReply={keep} />}
          {!released && !lines && <StandsFor answer={answer} near={nearTo(answer.result, open)} onReply={keep} />}
          {!released && !lines && answer.mayAccept && answer.result.notes.length > 0 && <AlsoRight answer={answer} />}
          <div className="margin-foot text-[14px]">
            <p>
              <strong className="text-[19px]">{answer.goneThrough}</strong> of {answer.count} gone through
              {answer.undecided > 0 && `, ${answer.undecided} undecided`}
            </p>
            <p className="flex flex-wrap gap-x-5 mt-1">
              {answer.previous && (
                <Link className="word-button" to={`/marking/${answer.previous}`}>
                  previous
                </Link>
              )}
              {released ? (
                answer.next && (
                  <Link className="word-button main" to={`/marking/${answer.next}`}>
                    next answer
                  </Link>
                )
              ) : (
                <button
                  className="word-button main"
                  disabled={goneThrough.isPending}
                  onClick={() => goneThrough.mutate()}
                >
                  gone through{answer.next ? ', next' : ''} <kbd aria-hidden>g</kbd>
                </button>
              )}
              <Link className="word-button" to={`/exercises/${answer.exerciseId}/answers?view=answers`}>
                all answers
              </Link>
            </p>
          </div>
        </div>
      )}
    />
  );
}

/** What lateness costs by rule, among what was given and taken: a time of their own takes it away, not this desk. */
const lateness = 'late';

/** What the student has, where it is not what the answer would get now. */
function ReleasedWith({ released, answer }: { released: Schemas['ReleasedMark']; answer: Schemas['MarkingReply'] }) {
  if (released.total === answer.result.total) return <p className="text-[14px] text-quiet-ink">released</p>;
  return (
    <p className="text-[14px]">
      Released with <strong>{show(released.total)}</strong>; that stands until it is{' '}
      <Link className="word-button" to={`/exercises/${answer.exerciseId}/answers?view=back`}>
        changed for the student
      </Link>
      .
    </p>
  );
}

/** What the open note is about, in both drawings. */
function nearTo(result: Schemas['ResultDocument'], open: string | null) {
  const note = result.notes.find((one) => one.id === open);
  return { model: note?.modelElements ?? [], answer: note?.answerElements ?? [] };
}

/** Why a person has to look before these marks are released. */
function WhatIsUnsure({ doubt }: { doubt: Schemas['DoubtReply'] }) {
  const range = doubt.lowest !== doubt.highest;
  return (
    <p className="refusal">
      {range && `An examiner might give between ${show(doubt.lowest)} and ${show(doubt.highest)}. `}
      {doubt.unsure.length > 0 && byPlace(doubt.unsure)}
    </p>
  );
}

const byPlace = (unsure: readonly string[]) =>
  unsure.length === 1
    ? `${unsure[0]} was matched by place, not by name: look whether it is the same thing.`
    : `${listed(unsure)} were matched by place, not by name: look whether they are the same things.`;

const listed = (names: readonly string[]) => `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;

const words: Readonly<Record<Schemas['Decision'], string>> = {
  allow: 'allowed',
  'allow-in-part': 'allowed in part',
  'keep-loss': 'loss kept',
};

function RuledMark({ ruling }: { ruling: Schemas['RulingReply'] | undefined }) {
  return ruling ? (
    <em className="text-quiet-ink not-italic text-[13px]">
      · {words[ruling.decision]} ✓{ruling.reach === 'alike' && ' for all alike'}
    </em>
  ) : null;
}
