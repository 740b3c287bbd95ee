import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { show } from '../../ui/marks';
import { Failed, Loading } from '../../ui/states';
import { moment } from '../../ui/time';
import { PageTitle } from '../../ui/PageTitle';
import { partsLine } from '../../parts/partLine';

/** A student's exercises: what is due, what is handed in, what is marked. */
export function StudentHome() {
  const list = useQuery({ queryKey: ['study'], queryFn: () => must(api.GET('/api/study/exercises')), staleTime: 0 });
  if (list.isPending) return <Loading what="your exercises" />;
  if (list.isError) return <Failed error={list.error} retry={() => void list.refetch()} />;
  const open = list.data.filter((exercise) => !exercise.handedInAt).sort((a, b) => urgencyOf(a) - urgencyOf(b));
  const done = list.data
    .filter((exercise) => exercise.handedInAt)
    .sort(
      (a, b) =>
        Number(b.news.length > 0) - Number(a.news.length > 0) ||
        Number(b.released) - Number(a.released) ||
        (a.handedInAt! < b.handedInAt! ? 1 : -1),
    );
  return (
    <>
      <PageTitle title="What is due" />
      <div className="home-columns">
        <section aria-label="What is due">
          <h1 className="mb-4">What is due</h1>
          {open.length === 0 && (
            <p className="font-read text-[18px] text-quiet-ink">
              Nothing is due.{' '}
              {done.length > 0 ? 'You have handed everything in.' : 'Your instructor has published nothing yet.'}
            </p>
          )}
          <ul className="to-do">
            {open.map((exercise) => (
              <DueLine key={exercise.id} exercise={exercise} />
            ))}
          </ul>
        </section>
        {done.length > 0 && (
          <section aria-label="Handed in">
            <h1 className="mb-4">Handed in</h1>
            <ul className="to-do">
              {done.map((exercise) => (
                <DoneLine key={exercise.id} exercise={exercise} />
              ))}
            </ul>
          </section>
        )}
      </div>
    </>
  );
}

function DueLine({ exercise }: { exercise: Schemas['StudentExercise'] }) {
  const { id, title, cohort, parts, answerId, dueAt } = exercise;
  return (
    <li>
      <Link className="word-button main" to={answerId ? `/answers/${answerId}` : `/study/${id}`}>
        {title}
      </Link>
      : {answerId ? 'go on drawing' : 'not started yet'}
      <p className="small">{partsLine(parts)}</p>
      <p className="small">
        {cohort}
        {dueAt && (
          <>
            {' '}
            ·{' '}
            {new Date(dueAt) < new Date()
              ? `was due ${moment(dueAt)}; what is handed in now counts as late`
              : `due ${moment(dueAt)}`}
          </>
        )}
      </p>
    </li>
  );
}

/** What is due comes first, the soonest before what has time; then what was due, the latest before what is long past. */
function urgencyOf({ dueAt }: Schemas['StudentExercise']): number {
  if (!dueAt) return endless;
  const left = new Date(dueAt).getTime() - Date.now();
  return left >= 0 ? left : endless - left;
}

const endless = 1e14;

const news: Readonly<Record<Schemas['MarkNews'], string>> = {
  marks: 'new',
  'changed-mark': 'changed since you looked',
  reply: 'your question is answered',
};

function DoneLine({ exercise }: { exercise: Schemas['StudentExercise'] }) {
  return (
    <li>
      {exercise.released ? (
        <>
          <Link className="word-button main" to={`/answers/${exercise.answerId}/marks`}>
            {exercise.title}
          </Link>
          : <span className="big-number">{show(exercise.total!)}</span> of {show(exercise.maximum!)}
          {exercise.news.length > 0 && (
            <strong className="news"> {exercise.news.map((one) => news[one]).join(', ')}</strong>
          )}
        </>
      ) : (
        <>
          <Link className="word-button" to={`/answers/${exercise.answerId}`}>
            {exercise.title}
          </Link>
          :{' '}
          {exercise.withheld ? (
            <>
              the marks are held back: <q className="font-read italic">{exercise.withheld}</q>
            </>
          ) : (
            'the marks are not released yet'
          )}
        </>
      )}
      <p className="small">
        {partsLine(exercise.parts)} · handed in {moment(exercise.handedInAt!)}
        {exercise.late && ', late'}
      </p>
    </li>
  );
}
