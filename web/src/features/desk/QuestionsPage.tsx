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
type Answer = Schemas['ClassAnswerRequest'];

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
  const [oneByOne, setOneByOne] = useState(false);
  const said = oneByOne ? [] : reply.questions.filter((question) => question.saysItself);
  const waiting = reply.questions.filter((question) => !later.has(keyOf(question)) && !said.includes(question));
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
        {said.length > 0 || question ? (
          <div className="questions">
            {said.length > 0 ? (
              <SaidByTheClass part={part} said={said} onOneByOne={() => setOneByOne(true)} />
            ) : (
              question && (
                <Card
                  key={keyOf(question)}
                  part={part}
                  question={question}
                  model={reply.modelDrawing}
                  onLater={() => setLater(new Set([...later, keyOf(question)]))}
                />
              )
            )}
            {waiting.length > 0 && (
              <nav aria-label="All questions">
                <h2>
                  {said.length > 0 && 'then '}
                  {counted(waiting.length, 'question', 'questions')}
                </h2>
                <ol>
                  {waiting.map((one) => (
                    <li key={keyOf(one)}>
                      <button
                        className="word-button"
                        aria-current={one === question && said.length === 0}
                        onClick={() => {
                          choose(keyOf(one));
                          setOneByOne(true);
                        }}
                      >
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
            )}
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

const answerTo = ({ modelElement, drawn }: Question, same: boolean): Answer => ({ modelElement, drawn, same });

/** Says some replies. What other replies would change is another thing afterwards. */
function useReply(part: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (answers: Answer[]) =>
      must(
        api.PUT('/api/marking/parts/{id}/questions', {
          params: { path: { id: part } },
          body: { answers },
        }),
      ),
    onSuccess: async () => {
      queries.removeQueries({ queryKey: ['class-answer', part] });
      await queries.invalidateQueries({ queryKey: ['class-questions', part] });
      queries.removeQueries({ queryKey: ['marking'] });
      await queries.invalidateQueries({ queryKey: ['desk'] });
    },
  });
}

/** How a reply fares. */
function Replied({ reply }: { reply: ReturnType<typeof useReply> }) {
  return (
    <>
      {reply.isPending && <p role="status">All answers are judged again …</p>}
      {reply.isError && (
        <p className="refusal mt-2" role="alert">
          {messageOf(reply.error)}
        </p>
      )}
    </>
  );
}

/** What the name counts as while nobody has replied: in some answers perhaps the one, and in others the other. */
function soFar({ model, drawn, takenIn, places }: Question): string {
  const missing = `${model} counts as missing`;
  if (takenIn === 0) return `So far ${missing} there, and ${drawn} as something else.`;
  const counts = `So far it counts as ${model}`;
  return takenIn === places.length
    ? `${counts}, since it stands in the same place.`
    : `${counts} in ${takenIn} of them, since it stands in the same place there; in ${others(places.length - takenIn)} ${missing}.`;
}

const others = (count: number) => (count === 1 ? 'the other one' : `the ${count} others`);

/** Names that the class gives itself: several answers use each, for one thing and for nothing else. Taken over at once. */
function SaidByTheClass({ part, said, onOneByOne }: { part: string; said: Question[]; onOneByOne: () => void }) {
  const reply = useReply(part);
  const answers = useMemo(() => said.map((question) => answerTo(question, true)), [said]);
  usePageKeys({ y: () => reply.isPending || reply.mutate(answers), o: onOneByOne });
  return (
    <section aria-label="What the class says itself">
      <p className="font-read text-[20px] leading-[1.45]" role="status">
        {said.length === 1
          ? 'The class has a name of its own for one thing. Three answers or more use it, for this and for nothing else.'
          : `The class has names of its own for ${said.length} things. Three answers or more use each, for this and for nothing else.`}
      </p>
      <table className="mark-table mt-4 mb-5 max-w-[640px]">
        <thead>
          <tr>
            <th scope="col">drawn</th>
            <th scope="col">in the model answer</th>
            <th scope="col" className="n">
              answers
            </th>
          </tr>
        </thead>
        <tbody>
          {said.map((question) => (
            <tr key={keyOf(question)}>
              <td>
                <strong>{question.drawn}</strong>
              </td>
              <td>{nameOf(question)}</td>
              <td className="n">{question.places.length}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="replies">
        <Reply part={part} answers={answers} onReply={reply.mutate} busy={reply.isPending} keyName="y">
          {said.length === 1 ? 'take it over' : 'take all over'}
        </Reply>
        <button className="word-button" onClick={onOneByOne}>
          {said.length === 1 ? 'look at it first' : 'look at them one by one'} <kbd>o</kbd>
        </button>
      </div>
      <Replied reply={reply} />
    </section>
  );
}

interface CardProps {
  part: string;
  question: Question;
  model: string;
  onLater: () => void;
}

/** One question: as it was drawn beside the model answer, what either reply would change, and the replies. */
function Card({ part, question, model, onLater }: CardProps) {
  const [example, setExample] = useState(0);
  const shown = question.places.filter((place) => place.drawing);
  const place = shown[example % Math.max(1, shown.length)];
  const reply = useReply(part);
  const answer = (same: boolean) => [answerTo(question, same)];
  const another = () => setExample((at) => at + 1);
  usePageKeys({
    y: () => reply.isPending || reply.mutate(answer(true)),
    n: () => reply.isPending || reply.mutate(answer(false)),
    s: onLater,
    e: another,
  });
  return (
    <section aria-label="The question">
      <p className="font-read text-[20px] leading-[1.45]" role="status">
        {counted(question.places.length, 'answer draws', 'answers draw')} <strong>{question.drawn}</strong> where the
        model answer has <strong>{nameOf(question)}</strong>: the same?
      </p>
      <p className="text-quiet-ink mt-1">{soFar(question)}</p>
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
        <Reply part={part} answers={answer(true)} onReply={reply.mutate} busy={reply.isPending} keyName="y">
          the same
        </Reply>
        <Reply part={part} answers={answer(false)} onReply={reply.mutate} busy={reply.isPending} keyName="n">
          something else
        </Reply>
        <button className="word-button" onClick={onLater}>
          not now <kbd>s</kbd>
        </button>
      </div>
      <Replied reply={reply} />
    </section>
  );
}

function Fragment({ drawing, element, label }: { drawing: string; element: string; label: string }) {
  const part = useMemo(() => fragmentOf(readDrawing(drawing), element), [drawing, element]);
  return <StillSlate drawing={part} label={label} lit={useMemo(() => [element], [element])} />;
}

interface ReplyProps {
  part: string;
  answers: Answer[];
  busy: boolean;
  keyName: string;
  onReply: (answers: Answer[]) => void;
  children: ReactNode;
}

/** A reply to one question or several, with whose marks it changes. */
function Reply({ part, answers, busy, keyName, onReply, children }: ReplyProps) {
  const changes = useQuery({
    queryKey: ['class-answer', part, answers],
    queryFn: () =>
      must(
        api.POST('/api/marking/parts/{id}/questions/preview', {
          params: { path: { id: part } },
          body: { answers },
        }),
      ),
  });
  return (
    <div className="reply">
      <button className="press-button" disabled={busy} onClick={() => onReply(answers)}>
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
