import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { fragmentOf } from '../../drawing/fragment';
import { readDrawing } from '../../drawing/format';
import { counted } from '../../notations/counts';
import { StillSlate } from '../../slate/StillSlate';
import { usePageKeys } from '../../ui/usePageKeys';
import { marksOf, valueOf } from '../../ui/marks';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { ChangeList } from '../marking/ChangeList';
import { PageHead } from '../session/PageHead';

type Question = Schemas['ClassQuestionReply'];

const keyOf = ({ modelElement, drawn }: Question) => `${modelElement} ${drawn}`;

/** What only the instructor can say of the names in a class's answers, asked once for all of them. */
export default function QuestionsPage() {
  const { id } = useParams() as { id: string };
  const asked = useQuery({
    queryKey: ['class-questions', id],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/questions', { params: { path: { id } } })),
    staleTime: Infinity,
  });
  if (asked.isPending) return <Loading what="the questions of the class" />;
  if (asked.isError) return <FailedPage error={asked.error} retry={() => void asked.refetch()} />;
  return <Asked part={id} reply={asked.data} />;
}

function Asked({ part, reply }: { part: string; reply: Schemas['ClassQuestionsReply'] }) {
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const [chosen, choose] = useState<string | null>(null);
  const waiting = reply.questions.filter((question) => !later.has(keyOf(question)));
  const question = waiting.find((one) => keyOf(one) === chosen) ?? waiting[0];
  return (
    <>
      <PageHead />
      <main className="page-body wide">
        <PageTitle title={`Questions of the class: ${reply.title}`} />
        <h1>Questions of the class</h1>
        <p className="mt-1 mb-5 text-quiet-ink max-w-[74ch]">
          <Link className="word-button" to={`/exercises/${reply.exerciseId}/answers`}>
            {reply.title}
          </Link>
          {reply.part && `, ${reply.part}`}. Is what answers call by one name what the model answer calls by another?
          What you say becomes part of the exercise’s words, and answers that come later are judged by it too.
        </p>
        {question ? (
          <div className="questions">
            <Card
              key={keyOf(question)}
              part={part}
              question={question}
              model={reply.modelDrawing}
              onLater={() => setLater(new Set([...later, keyOf(question)]))}
            />
            <nav aria-label="All questions">
              <h2>{counted(waiting.length, 'question', 'questions')}</h2>
              <ol>
                {waiting.map((one) => (
                  <li key={keyOf(one)}>
                    <button className="word-button" aria-current={one === question} onClick={() => choose(keyOf(one))}>
                      {one.drawn}
                    </button>{' '}
                    <span className="text-quiet-ink">
                      for {nameOf(one)}, {counted(one.places.length, 'answer', 'answers')}
                      {valueOf(one.atStake) !== 0 && `, ${marksOf(one.atStake)}`}
                    </span>
                  </li>
                ))}
              </ol>
              {reply.more > 0 && <p className="text-quiet-ink mt-2">and {reply.more} more, each in fewer answers</p>}
            </nav>
          </div>
        ) : (
          <p className="font-read text-[18px] text-quiet-ink">
            {later.size > 0
              ? `Nothing else is open; ${later.size === 1 ? 'one question was' : `${later.size} questions were`} put off.`
              : 'Nothing is open: whatever the answers draw is known by its name.'}{' '}
            {later.size > 0 && (
              <button className="word-button" onClick={() => setLater(new Set())}>
                ask them again
              </button>
            )}
          </p>
        )}
      </main>
    </>
  );
}

const nameOf = ({ model, owner }: Question) => (owner ? `${model} of ${owner}` : model);

interface CardProps {
  part: string;
  question: Question;
  model: string;
  onLater: () => void;
}

/** One question: as it was drawn beside the model answer, what either reply would change, and the replies. */
function Card({ part, question, model, onLater }: CardProps) {
  const queries = useQueryClient();
  const [example, setExample] = useState(0);
  const shown = question.places.filter((place) => place.drawing);
  const place = shown[example % Math.max(1, shown.length)];
  const reply = useMutation({
    mutationFn: (same: boolean) =>
      must(
        api.PUT('/api/marking/parts/{id}/questions', {
          params: { path: { id: part } },
          body: { modelElement: question.modelElement, drawn: question.drawn, same },
        }),
      ),
    onSuccess: async () => {
      // What other replies would change is another thing by now.
      queries.removeQueries({ queryKey: ['class-answer', part] });
      await queries.invalidateQueries({ queryKey: ['class-questions', part] });
      queries.removeQueries({ queryKey: ['marking'] });
      await queries.invalidateQueries({ queryKey: ['desk'] });
    },
  });
  const another = () => setExample((at) => at + 1);
  usePageKeys({
    y: () => reply.isPending || reply.mutate(true),
    n: () => reply.isPending || reply.mutate(false),
    s: onLater,
    e: another,
  });
  return (
    <section aria-label="The question">
      <p className="font-read text-[20px] leading-[1.45]" role="status">
        {counted(question.places.length, 'answer draws', 'answers draw')} <strong>{question.drawn}</strong> where the
        model answer has <strong>{nameOf(question)}</strong>: the same?
      </p>
      <p className="text-quiet-ink mt-1">
        {question.taken
          ? `So far it counts as ${question.model}, since it stands in the same place.`
          : `So far ${question.model} counts as missing there, and ${question.drawn} as something else.`}
      </p>
      <div className="two-slates fragments">
        <div>
          <h2>
            {place ? `drawn by ${place.code}` : 'as drawn'}
            {shown.length > 1 && (
              <button className="word-button ml-3" onClick={another}>
                another example <kbd>e</kbd>
              </button>
            )}
          </h2>
          {place?.drawing && (
            <Fragment key={place.workId} drawing={place.drawing} element={place.element} label="As drawn" />
          )}
        </div>
        <div>
          <h2>the model answer</h2>
          <Fragment drawing={model} element={question.modelElement} label="In the model answer" />
        </div>
      </div>
      <div className="replies">
        <Reply
          part={part}
          question={question}
          same
          onReply={() => reply.mutate(true)}
          busy={reply.isPending}
          keyName="y"
        >
          the same
        </Reply>
        <Reply
          part={part}
          question={question}
          same={false}
          onReply={() => reply.mutate(false)}
          busy={reply.isPending}
          keyName="n"
        >
          something else
        </Reply>
        <button className="word-button" onClick={onLater}>
          not now <kbd>s</kbd>
        </button>
      </div>
      {reply.isPending && <p role="status">All answers are judged again …</p>}
      {reply.isError && (
        <p className="refusal mt-2" role="alert">
          {messageOf(reply.error)}
        </p>
      )}
    </section>
  );
}

function Fragment({ drawing, element, label }: { drawing: string; element: string; label: string }) {
  const part = useMemo(() => fragmentOf(readDrawing(drawing), element), [drawing, element]);
  return <StillSlate drawing={part} label={label} lit={useMemo(() => [element], [element])} />;
}

interface ReplyProps {
  part: string;
  question: Question;
  same: boolean;
  busy: boolean;
  keyName: string;
  onReply: () => void;
  children: ReactNode;
}

/** A reply, with whose marks it changes. */
function Reply({ part, question, same, busy, keyName, onReply, children }: ReplyProps) {
  const { modelElement, drawn } = question;
  const changes = useQuery({
    queryKey: ['class-answer', part, modelElement, drawn, same],
    queryFn: () =>
      must(
        api.POST('/api/marking/parts/{id}/questions/preview', {
          params: { path: { id: part } },
          body: { modelElement, drawn, same },
        }),
      ),
  });
  return (
    <div className="reply">
      <button className="press-button" disabled={busy} onClick={onReply}>
        {children} <kbd>{keyName}</kbd>
      </button>
      {changes.isPending && <p className="text-quiet-ink">looking whose marks change …</p>}
      {changes.isError && <p className="refusal">{messageOf(changes.error)}</p>}
      {changes.data &&
        (changes.data.changes.length === 0 ? (
          <p className="text-quiet-ink">no marks change</p>
        ) : (
          <ChangeList changes={changes.data.changes} />
        ))}
    </div>
  );
}
