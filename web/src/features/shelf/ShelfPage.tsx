import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { addressOf } from '../../api/place';
import { counted } from '../../notations/counts';
import { partsLine } from '../../parts/partLine';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
import { PageHead } from '../session/PageHead';
import { usePerson } from '../session/useSession';
import { BringIn } from './BringIn';
import { CopyTo } from './CopyTo';
import { found, nothingWanted, topicsOf, type Order, type Wanted } from './finding';

const orderWords: readonly (readonly [Order, string])[] = [
  ['newest', 'the newest first'],
  ['shortest', 'the shortest first'],
  ['longest', 'the longest first'],
  ['easiest', 'what was easiest first'],
  ['hardest', 'what was hardest first'],
];

/** All exercises that one may look at: found by what is in their model answers, copied, taken out and brought in as folders. */
export default function ShelfPage() {
  const shelf = useQuery({ queryKey: ['shelf'], queryFn: () => must(api.GET('/api/exercises/shelf')), staleTime: 0 });
  if (shelf.isPending) return <Loading what="the shelf" />;
  if (shelf.isError) return <FailedPage error={shelf.error} retry={() => void shelf.refetch()} />;
  return <Shelf exercises={shelf.data.exercises} />;
}

function Shelf({ exercises }: { exercises: readonly Schemas['ShelfExercise'][] }) {
  const [wanted, setWanted] = useState<Wanted>(nothingWanted);
  const { isInstructor } = usePerson();
  const cohorts = useQuery({
    queryKey: ['cohorts'],
    queryFn: () => must(api.GET('/api/exercises/cohorts')),
    enabled: isInstructor,
  });
  const shown = found(exercises, wanted);
  const topics = topicsOf(shown);
  const mayWrite = cohorts.data ?? [];
  return (
    <>
      <PageHead />
      <main className="page-body wide">
        <PageTitle title="Shelf" />
        <div className="flex items-baseline justify-between mb-4">
          <h1>Shelf</h1>
          {mayWrite.length > 0 && <BringIn cohorts={mayWrite} />}
        </div>
        <div className="shelf">
          <section aria-label="What to look for" className="space-y-4 text-[14px]">
            <label className="field">
              <span>Find</span>
              <input
                type="search"
                value={wanted.words}
                onChange={({ target }) => setWanted({ ...wanted, words: target.value })}
              />
            </label>
            <label className="field">
              <span>Notation</span>
              <select
                value={wanted.notation}
                onChange={({ target }) => setWanted({ ...wanted, notation: target.value as Wanted['notation'] })}
              >
                <option value="">any</option>
                <option value="chen">Chen</option>
                <option value="crows-foot">crow’s foot</option>
                <option value="uml">UML class diagram</option>
                <option value="dependency">dependency diagram</option>
              </select>
            </label>
            <label className="field">
              <span>Order</span>
              <select
                value={wanted.order}
                onChange={({ target }) => setWanted({ ...wanted, order: target.value as Order })}
              >
                {orderWords.map(([order, words]) => (
                  <option key={order} value={order}>
                    {words}
                  </option>
                ))}
              </select>
            </label>
            <fieldset>
              <legend className="text-quiet-ink">With, in the model answer</legend>
              <ul className="topics">
                {topics.map(([topic, count]) => (
                  <li key={topic}>
                    <label>
                      <input
                        type="checkbox"
                        checked={wanted.topics.includes(topic)}
                        onChange={({ target }) =>
                          setWanted({
                            ...wanted,
                            topics: target.checked
                              ? [...wanted.topics, topic]
                              : wanted.topics.filter((other) => other !== topic),
                          })
                        }
                      />
                      <span>{topic}</span>
                      <span className="count">{count}</span>
                    </label>
                  </li>
                ))}
              </ul>
            </fieldset>
          </section>
          <section aria-label="Exercises">
            <p className="text-quiet-ink text-[14px]" role="status">
              {exercises.length === 0
                ? 'Nothing is on the shelf yet. What you write stands here, and what you bring in as a folder.'
                : `${shown.length} of ${counted(exercises.length, 'exercise', 'exercises')}`}
              {shown.length < exercises.length && (
                <>
                  {' · '}
                  <button className="word-button" onClick={() => setWanted({ ...nothingWanted, order: wanted.order })}>
                    show all
                  </button>
                </>
              )}
            </p>
            <ul className="to-do">
              {shown.map((exercise) => (
                <ShelfLine key={exercise.id} exercise={exercise} cohorts={mayWrite} />
              ))}
            </ul>
          </section>
        </div>
      </main>
    </>
  );
}

interface ShelfLineProps {
  exercise: Schemas['ShelfExercise'];
  cohorts: readonly Schemas['CohortReply'][];
}

function ShelfLine({ exercise, cohorts }: ShelfLineProps) {
  const { id, title, cohort, parts, topics, published } = exercise;
  return (
    <li>
      <Link className="word-button main" to={`/exercises/${id}`}>
        {title}
      </Link>
      <p className="small">
        {partsLine(parts)} · {sizeOf(exercise)}
      </p>
      <p className="small">
        {published ? resultsOf(exercise) : 'not published yet'} · {cohort}
      </p>
      {topics.length > 0 && <p className="text-[15px] leading-[1.45]">{topics.join(', ')}</p>}
      <p className="small flex flex-wrap items-baseline gap-x-4">
        <Link className="word-button" to={`/exercises/${id}/solution`}>
          step by step
        </Link>
        {cohorts.length > 0 && <CopyTo exercise={exercise} cohorts={cohorts} />}
        <a className="word-button" href={addressOf(`/api/exercises/${id}/folder`)} download>
          take it out as a folder
        </a>
      </p>
    </li>
  );
}

const sizeOf = ({ facts, words }: Schemas['ShelfExercise']) =>
  `${counted(words, 'word', 'words')}, ${counted(facts, 'fact', 'facts')} to draw`;

function resultsOf({ answers, earned, minutes }: Schemas['ShelfExercise']) {
  if (answers === 0) return 'no answer yet';
  const of = counted(answers, 'answer', 'answers');
  if (earned == null) return of;
  const took = minutes == null ? '' : `, half of them in ${Math.round(minutes)} minutes or less`;
  return `${of} earned ${Math.round(earned * 100)} % on average${took}`;
}
