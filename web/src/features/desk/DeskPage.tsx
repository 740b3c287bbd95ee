import { useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { PartTabs } from '../../parts/PartTabs';
import { marksOf } from '../../ui/marks';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
import { due } from '../../ui/time';
import { Views } from '../../ui/Views';
import { PageHead } from '../session/PageHead';
import { Answers } from './Answers';
import { ClassPicture } from './ClassPicture';
import { Differences } from './Differences';
import { GivingBack } from './GivingBack';
import { TrialBack } from './TrialBack';

const views = [
  ['differences', 'differences'],
  ['answers', 'answers'],
  ['class', 'the class'],
  ['back', 'giving back'],
] as const;

export type DeskView = (typeof views)[number][0];

/** The marking desk of an exercise: what its answers differ in, the answers, the class as a picture, giving back. */
export default function DeskPage() {
  const { id } = useParams() as { id: string };
  const desk = useQuery({
    queryKey: ['desk', id],
    queryFn: () => must(api.GET('/api/marking/exercises/{id}', { params: { path: { id } } })),
    refetchInterval: (query) =>
      query.state.data?.answers.some((answer) => answer.state === 'waiting') ? 1500 : 15_000,
  });
  if (desk.isPending) return <Loading what="the answers" />;
  if (desk.isError) return <FailedPage error={desk.error} retry={() => void desk.refetch()} />;
  return <Desk desk={desk.data} at={desk.dataUpdatedAt} />;
}

function Desk({ desk, at }: { desk: Schemas['DeskReply']; at: number }) {
  const [params, setParams] = useSearchParams();
  const { title, parts, answers } = desk;
  const view = views.find(([name]) => name === params.get('view'))?.[0] ?? 'differences';
  const part = Math.max(
    0,
    parts.findIndex(({ id }) => id === params.get('part')),
  );
  const show = (changed: Record<string, string | null>) => {
    const next = new URLSearchParams(params);
    for (const [name, value] of Object.entries(changed))
      if (value === null) next.delete(name);
      else next.set(name, value);
    setParams(next);
  };
  return (
    <div className="desk">
      <PageHead />
      <PageTitle title={`Answers: ${title}`} />
      <main>
        <div className="desk-head">
          <h1>{title}</h1>
          <p>
            <HowFar desk={desk} at={at} />{' '}
            <Link className="word-button" to={`/exercises/${desk.id}`}>
              the exercise
            </Link>
          </p>
          {answers.length > 0 && (
            <Views
              label="What of the answers is shown"
              value={view}
              choices={views}
              onChoose={(next) => show({ view: next, of: null })}
            />
          )}
        </div>
        {answers.length > 0 && view !== 'answers' && view !== 'back' && (
          <PartTabs
            parts={parts.map(({ id, title: name, marks }) => ({ id, title: name, line: marksOf(marks) }))}
            at={part}
            onShow={(next) => show({ part: parts[next]!.id, of: null })}
          />
        )}
        {answers.length === 0 ? (
          <div className="page-body">
            <p className="font-read text-[18px] text-quiet-ink">
              Nobody has handed in yet. Answers are checked as they come and will stand here.
            </p>
          </div>
        ) : view === 'differences' ? (
          <Differences key={parts[part]!.id} desk={desk} part={parts[part]!.id} />
        ) : view === 'answers' ? (
          <Answers desk={desk} />
        ) : view === 'class' ? (
          <ClassPicture key={parts[part]!.id} part={parts[part]!.id} />
        ) : (
          <Back desk={desk} />
        )}
      </main>
    </div>
  );
}

const Back = ({ desk }: { desk: Schemas['DeskReply'] }) =>
  desk.trialOf ? <TrialBack desk={desk} /> : <GivingBack desk={desk} />;

/** How many have handed in, and how far the marking is. */
function HowFar({ desk, at }: { desk: Schemas['DeskReply']; at: number }) {
  const { answers, students, stillDrawing, dueAt } = desk;
  const waiting = answers.filter(({ state }) => state === 'waiting').length;
  const done = answers.filter(({ state }) => state === 'gone-through' || state === 'released').length;
  if (desk.trialOf)
    return (
      <span role="status">
        A trial on copies of {counted(answers.length, 'answer', 'answers')}; no student sees it
        {waiting > 0 && `. ${waiting} being checked`}.
      </span>
    );
  return (
    <span role="status">
      {answers.length} of {students} handed in{stillDrawing > 0 && `, ${stillDrawing} still drawing`}
      {dueAt && `, ${due(dueAt, at)}`}; {done} gone through{waiting > 0 && `, ${waiting} being checked`}.
    </span>
  );
}
