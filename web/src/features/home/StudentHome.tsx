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
  const open = list.data.filter(isToDo).sort((a, b) => urgencyOf(a) - urgencyOf(b));
  const done = list.data
    .flatMap((exercise) => handedIn(exercise).map((attempt, at) => ({ exercise, attempt, number: at + 1 })))
    .sort(
      (a, b) =>
        Number(b.attempt.news.length > 0) - Number(a.attempt.news.length > 0) ||
        Number(Boolean(b.attempt.total)) - Number(Boolean(a.attempt.total)) ||
        (a.attempt.handedInAt! < b.attempt.handedInAt! ? 1 : -1),
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
              {done.map((line) => (
                <DoneLine key={line.attempt.id} {...line} />
              ))}
            </ul>
          </section>
        )}
      </div>
    </>
  );
}

const handedIn = ({ answers }: Schemas['StudentExercise']) => answers.filter(({ handedInAt }) => handedInAt);

const drawing = ({ answers }: Schemas['StudentExercise']) => answers.find(({ handedInAt }) => !handedInAt);

/** Whether there is something to draw in it: an answer that was begun, a first one, or another attempt. */
const isToDo = (exercise: Schemas['StudentExercise']) =>
  drawing(exercise) !== undefined ||
  (exercise.attempts.another && !(exercise.times.openness === 'closed' && exercise.answers.length > 0));

function DueLine({ exercise }: { exercise: Schemas['StudentExercise'] }) {
  const { id, title, cohort, parts, times, answers } = exercise;
  const begun = drawing(exercise);
  const again = begun?.reopenedUntil;
  const way = begun
    ? again
      ? `opened again for you until ${moment(again)}`
      : 'go on drawing'
    : times.openness === 'not-yet'
      ? `opens ${moment(times.opensAt!)}`
      : times.openness === 'closed'
        ? `closed ${moment(times.closesAt!)}; nothing was handed in`
        : answers.length > 0
          ? `attempt ${answers.length + 1}, if you like`
          : 'not started yet';
  return (
    <li>
      <Link className="word-button main" to={begun ? `/answers/${begun.id}` : `/study/${id}`}>
        {title}
      </Link>
      : {way}
      {begun?.reopenedBecause && (
        <p className="small">
          <q className="font-read italic">{begun.reopenedBecause}</q>
        </p>
      )}
      <p className="small">{partsLine(parts)}</p>
      <p className="small">
        {cohort}
        {times.dueAt && !again && (
          <>
            {' '}
            ·{' '}
            {new Date(times.dueAt) < new Date()
              ? `was due ${moment(times.dueAt)}; what is handed in now counts as late`
              : `due ${moment(times.dueAt)}`}
          </>
        )}
        {times.closesAt && !again && times.openness !== 'closed' && <> · closes {moment(times.closesAt)}</>}
      </p>
    </li>
  );
}

/** What is due comes first, the soonest before what has time; then what was due, the latest before what is long past. */
function urgencyOf({ times, answers }: Schemas['StudentExercise']): number {
  const dueAt = times.dueAt ?? times.closesAt;
  // One more attempt is nothing that has to be done.
  if (!dueAt || answers.some(({ handedInAt }) => handedInAt)) return endless;
  const left = new Date(dueAt).getTime() - Date.now();
  return left >= 0 ? left : endless - left;
}

const endless = 1e14;

const news: Readonly<Record<Schemas['MarkNews'], string>> = {
  marks: 'new',
  'changed-mark': 'changed since you looked',
  reply: 'your question is answered',
};

interface DoneLineProps {
  exercise: Schemas['StudentExercise'];
  attempt: Schemas['StudentAttempt'];
  number: number;
}

function DoneLine({ exercise, attempt, number }: DoneLineProps) {
  const several = exercise.answers.length > 1;
  const told = exercise.parts.every(({ told }) => told === 'when-handed-in');
  return (
    <li>
      {attempt.total ? (
        <>
          <Link className="word-button main" to={`/answers/${attempt.id}/marks`}>
            {exercise.title}
          </Link>
          : <span className="big-number">{show(attempt.total)}</span> of {show(attempt.maximum!)}
          {attempt.news.length > 0 && (
            <strong className="news"> {attempt.news.map((one) => news[one]).join(', ')}</strong>
          )}
        </>
      ) : (
        <>
          <Link className="word-button" to={`/answers/${attempt.id}`}>
            {exercise.title}
          </Link>
          :{' '}
          {attempt.withheld ? (
            <>
              the marks are held back: <q className="font-read italic">{attempt.withheld}</q>
            </>
          ) : told ? (
            'being checked'
          ) : (
            'the marks are not released yet'
          )}
        </>
      )}
      <p className="small">
        {several && `attempt ${number}${attempt.counts ? ', the one that counts' : ''} · `}
        {partsLine(exercise.parts)} · {attempt.endedByTime ? 'ended by the clock' : 'handed in'}{' '}
        {moment(attempt.handedInAt!)}
        {attempt.late && ', late'}
      </p>
      {attempt.handedInBecause && (
        <p className="small">
          handed in for you: <q className="font-read italic">{attempt.handedInBecause}</q>
        </p>
      )}
    </li>
  );
}
