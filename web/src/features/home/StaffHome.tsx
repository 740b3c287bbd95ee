import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { Failed, Loading, messageOf } from '../../ui/states';
import { due } from '../../ui/time';
import { PageTitle } from '../../ui/PageTitle';
import { partsLine } from '../../parts/partLine';

/** An instructor's or assistant's exercises, each with the next thing to do in a sentence. */
export function StaffHome({ mayWrite }: { mayWrite: boolean }) {
  const home = useQuery({ queryKey: ['home'], queryFn: () => must(api.GET('/api/home')), refetchInterval: 15_000 });
  const [making, setMaking] = useState(false);
  if (home.isPending) return <Loading what="your exercises" />;
  if (home.isError) return <Failed error={home.error} retry={() => void home.refetch()} />;
  return (
    <>
      <div className="flex items-baseline justify-between mb-4">
        <PageTitle title="What is next" />
        <h1>What is next</h1>
        {mayWrite && (
          <button className="word-button main" onClick={() => setMaking(true)}>
            write a new exercise
          </button>
        )}
      </div>
      {home.data.exercises.length === 0 && (
        <p className="font-read text-[18px] text-quiet-ink">
          There is no exercise yet.{' '}
          {mayWrite
            ? 'Write the first one: a scenario, your own drawing of it, and what earns marks.'
            : 'Your instructor will write one.'}
        </p>
      )}
      <ul className="to-do home-columns">
        {home.data.exercises.map((exercise) => (
          <ExerciseLine key={exercise.summary.id} exercise={exercise} mayWrite={mayWrite} seenAt={home.dataUpdatedAt} />
        ))}
      </ul>
      <NewExercise open={making} onClose={() => setMaking(false)} />
    </>
  );
}

interface ExerciseLineProps {
  exercise: Schemas['HomeExercise'];
  mayWrite: boolean;
  seenAt: number;
}

function ExerciseLine({ exercise, mayWrite, seenAt }: ExerciseLineProps) {
  const { summary, parts } = exercise;
  const drawing = summary.started - summary.handedIn;
  return (
    <li>
      <p>
        <strong>{summary.title}</strong>: <NextStep exercise={exercise} mayWrite={mayWrite} />
      </p>
      <p className="small">{partsLine(parts)}</p>
      <p className="small">
        {mayWrite ? (
          <Link className="word-button" to={`/cohorts/${summary.cohortId}`}>
            {summary.cohort}
          </Link>
        ) : (
          summary.cohort
        )}
        {summary.publishedAt &&
          !summary.isTrial &&
          ` · ${summary.handedIn} of ${summary.students} handed in${drawing > 0 ? ` · ${drawing} still drawing` : ''}`}
        {summary.dueAt && !summary.isTrial && ` · ${due(summary.dueAt, seenAt)}`} ·{' '}
        <Link className="word-button whitespace-nowrap" to={`/exercises/${summary.id}`}>
          {summary.publishedAt ? 'look at it' : 'go on writing'}
        </Link>
      </p>
    </li>
  );
}

function NextStep({ exercise, mayWrite }: { exercise: Schemas['HomeExercise']; mayWrite: boolean }) {
  const { summary, lacks, undecided, toGoThrough, unreleased } = exercise;
  const desk = `/exercises/${summary.id}/answers`;
  if (!summary.publishedAt) return <>{lacks ? `not published yet. ${lacks}` : 'ready to be published.'}</>;
  if (summary.isTrial)
    return (
      <>
        another marking is tried on{' '}
        <Link className="word-button" to={desk}>
          copies of {answers(summary.handedIn)}
        </Link>
        .
      </>
    );
  if (summary.handedIn === 0) return <>nobody has handed in yet.</>;
  if (unreleased === 0)
    return (
      <>
        {summary.handedIn === 1 ? 'the only' : 'all'}{' '}
        <Link className="word-button" to={desk}>
          {summary.handedIn === 1 ? 'answer' : answers(summary.handedIn)}
        </Link>{' '}
        {summary.handedIn === 1 ? 'is' : 'are'} marked and released.
      </>
    );
  if (undecided > 0) {
    return (
      <>
        <Link className="word-button main" to={desk}>
          {answers(undecided)} {undecided === 1 ? 'wants' : 'want'} a person’s look
        </Link>
        , {toGoThrough} of {summary.handedIn} not gone through.
      </>
    );
  }
  if (toGoThrough > 0) {
    return (
      <>
        <Link className="word-button main" to={desk}>
          {answers(toGoThrough)}
        </Link>{' '}
        checked and waiting to be gone through.
      </>
    );
  }
  return (
    <>
      all gone through;{' '}
      <Link className="word-button main" to={desk}>
        {mayWrite ? 'release the marks' : 'the marks wait to be released'}
      </Link>
      .
    </>
  );
}

const answers = (count: number) => `${count} ${count === 1 ? 'answer' : 'answers'}`;

function NewExercise({ open, onClose }: { open: boolean; onClose: () => void }) {
  const cohorts = useQuery({
    queryKey: ['cohorts'],
    queryFn: () => must(api.GET('/api/exercises/cohorts')),
    enabled: open,
  });
  const [title, setTitle] = useState('');
  const [cohort, setCohort] = useState('');
  const navigate = useNavigate();
  const create = useMutation({
    mutationFn: () => must(api.POST('/api/exercises', { body: { title, cohortId: cohort || cohorts.data![0]!.id } })),
    onSuccess: ({ id }) => navigate(`/exercises/${id}`),
  });
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="A new exercise"
      actions={
        <button
          className="press-button"
          disabled={title.trim() === '' || !cohorts.data?.length || create.isPending}
          onClick={() => create.mutate()}
        >
          Begin
        </button>
      }
    >
      <label className="field">
        <span>Title</span>
        <input value={title} maxLength={120} onChange={(event) => setTitle(event.target.value)} />
      </label>
      <label className="field mt-4">
        <span>Cohort</span>
        <select value={cohort} onChange={(event) => setCohort(event.target.value)}>
          {cohorts.data?.map((row) => (
            <option key={row.id} value={row.id}>
              {row.name} ({row.students} students)
            </option>
          ))}
        </select>
      </label>
      {create.isError && (
        <p className="refusal mt-3" role="alert">
          {messageOf(create.error)}
        </p>
      )}
    </Sheet>
  );
}
