import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { marksOf, show, valueOf } from '../../ui/marks';
import { Failed, Loading, messageOf } from '../../ui/states';
import { usePageKeys } from '../../ui/usePageKeys';
import { DifferenceCard } from './DifferenceCard';
import { QuestionsFirst } from './QuestionsFirst';
import { Number } from './Number';
import { isClosed, isDecided, isUnmarked, readyWorks, type Difference } from './deskRules';
import { useGoToAnswers } from './useGoToAnswers';
import { useDifferences, useKeepDifferences, useOrder } from './useDifferences';

interface DifferencesProps {
  desk: Schemas['DeskReply'];
  part: string;
}

/** What the answers to a part differ in from the model answer: each difference once, to be decided for all that have it. */
export function Differences({ desk, part }: DifferencesProps) {
  const differences = useDifferences(part);
  if (differences.isPending) return <Loading what="the differences" />;
  if (differences.isError) return <Failed error={differences.error} retry={() => void differences.refetch()} />;
  return <Desk desk={desk} part={part} reply={differences.data} />;
}

function Desk({ desk, part, reply }: DifferencesProps & { reply: Schemas['DifferencesReply'] }) {
  const [params, setParams] = useSearchParams();
  const [example, setExample] = useState(0);
  const ordered = useOrder(reply.differences);
  const chosen = ordered.find(({ key }) => key === params.get('of')) ?? ordered[0];
  const navigate = useNavigate();
  const keep = useKeepDifferences(part, desk.id);
  const choose = (difference: Difference | undefined) => {
    if (!difference) return;
    setExample(0);
    const next = new URLSearchParams(params);
    next.set('of', difference.key);
    setParams(next, { replace: true });
  };
  const at = chosen ? ordered.indexOf(chosen) : -1;
  /** The next one that is to be decided, from the one after this on. */
  const goOn = (now: readonly Difference[]) => {
    const open = new Set(now.filter((one) => !isDecided(one) && !isUnmarked(one)).map(({ key }) => key));
    choose([...ordered.slice(at + 1), ...ordered.slice(0, at)].find(({ key }) => open.has(key)));
  };
  const ready = useMemo(() => readyWorks(reply.differences, reply.works), [reply]);
  const goneThrough = useMutation({
    mutationFn: () =>
      must(
        api.POST('/api/marking/parts/{id}/gone-through', {
          params: { path: { id: part } },
          body: { works: ready.map(({ id }) => id) },
        }),
      ),
    onSuccess: () =>
      keep({
        ...reply,
        works: reply.works.map((work) => (ready.includes(work) ? { ...work, state: 'gone-through' as const } : work)),
      }),
  });
  const places = useMemo(() => (chosen ? tellingFirst(chosen, reply.works) : []), [chosen, reply.works]);
  const place = places[example % Math.max(1, places.length)];
  usePageKeys({
    j: () => choose(ordered[at + 1]),
    k: () => choose(ordered[at - 1]),
    e: () => setExample(example + 1),
    o: () => place && void navigate(addressOf(reply, place)),
    g: () => ready.length > 0 && !goneThrough.isPending && goneThrough.mutate(),
  });
  const open = reply.differences.filter(
    (one) => !isDecided(one) && !isUnmarked(one) && !isClosed(one, reply.works),
  ).length;
  const decided = reply.differences.filter(isDecided).length;
  return (
    <div className="desk-columns">
      <nav className="desk-list" aria-label="Differences">
        <QuestionsFirst part={part} wanted={reply.mayRelease} />
        <h2 role="status">
          <strong>{open || 'nothing'}</strong> to decide{decided > 0 && `, ${decided} decided`}
        </h2>
        <List ordered={ordered} chosen={chosen} onChoose={choose} />
        <div className="desk-list-foot">
          {ready.length > 0 && (
            <button className="word-button main" disabled={goneThrough.isPending} onClick={() => goneThrough.mutate()}>
              {ready.length === 1
                ? 'one answer wants nothing more: gone through'
                : `${ready.length} answers want nothing more: gone through`}{' '}
              <kbd aria-hidden>g</kbd>
            </button>
          )}
          {goneThrough.isError && <p className="refusal">{messageOf(goneThrough.error)}</p>}
          {reply.waiting > 0 && (
            <p>{counted(reply.waiting, 'answer is', 'answers are')} not checked yet and will be counted then.</p>
          )}
          {reply.blind > 0 && (
            <p>
              {counted(reply.blind, 'answer is', 'answers are')} left out: you mark {reply.blind === 1 ? 'it' : 'them'}{' '}
              blind first.
            </p>
          )}
        </div>
      </nav>
      {chosen && place ? (
        <DifferenceCard
          key={chosen.key}
          part={part}
          difference={chosen}
          work={reply.works[place.work]!}
          finding={place.finding}
          closed={isClosed(chosen, reply.works)}
          onAnother={() => setExample(example + 1)}
          onDecided={(next) => {
            keep(next);
            if (next.differences.some((one) => one.key === chosen.key && isDecided(one))) goOn(next.differences);
          }}
        />
      ) : (
        <div className="desk-empty">
          <p>{reply.waiting > 0 ? 'The answers are being checked.' : 'No answer differs from the model answer.'}</p>
        </div>
      )}
      <section className="desk-side" aria-label="Answers with this difference">
        {chosen && <Having reply={reply} difference={chosen} places={places} shown={place?.work} onShow={setExample} />}
      </section>
    </div>
  );
}

/** A difference shows itself best where most of the rest is right. */
const tellingFirst = ({ places }: Difference, works: Schemas['DifferencesReply']['works']) =>
  [...places].sort((a, b) => valueOf(works[b.work]!.total) - valueOf(works[a.work]!.total));

const addressOf = (reply: Schemas['DifferencesReply'], place: Schemas['DifferencePlace']) =>
  `/marking/${reply.works[place.work]!.id}?note=${encodeURIComponent(place.finding)}`;

interface ListProps {
  ordered: readonly Difference[];
  chosen: Difference | undefined;
  onChoose: (difference: Difference) => void;
}

function List({ ordered, chosen, onChoose }: ListProps) {
  const current = useRef<HTMLLIElement>(null);
  useEffect(() => void current.current?.scrollIntoView({ block: 'nearest' }), [chosen?.key]);
  return (
    <ol>
      {ordered.map((one) => (
        <li key={one.key} ref={one === chosen ? current : undefined}>
          <button
            className={`difference${isDecided(one) ? ' decided' : ''}`}
            aria-current={one === chosen}
            onClick={() => onChoose(one)}
          >
            <span className="number">{one.places.length}</span>
            <span>{one.headline}</span>
            <span className="loss">{lossWord(one)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}

/** What a difference costs the class, or what was decided on it. */
function lossWord(one: Difference): string {
  if (one.forAll) return decisionWords[one.forAll.decision];
  if (isDecided(one)) return 'decided ✓';
  return valueOf(one.loss) === 0 ? (one.marked ? '0' : 'not marked') : `−${show(one.loss)}`;
}

const decisionWords: Readonly<Record<Schemas['Decision'], string>> = {
  allow: 'allowed ✓',
  'allow-in-part': 'in part ✓',
  'keep-loss': 'loss kept ✓',
};

interface HavingProps {
  reply: Schemas['DifferencesReply'];
  difference: Difference;
  /** Its places in the order in which they are shown. */
  places: readonly Schemas['DifferencePlace'][];
  shown: number | undefined;
  onShow: (example: number) => void;
}

/** The answers that have a difference. */
function Having({ reply, difference, places, shown, onShow }: HavingProps) {
  const goTo = useGoToAnswers(reply.works);
  const works = [...new Set(places.map(({ work }) => work))];
  return (
    <>
      <h2>
        <Number works={works} what={difference.headline} onPick={goTo} /> of{' '}
        {counted(reply.works.length, 'answer', 'answers')}
        {valueOf(difference.loss) > 0 && <>, {marksOf(difference.loss)} at stake</>}
      </h2>
      <ul>
        {places.map((place, at) => {
          const work = reply.works[place.work]!;
          return (
            <li key={`${place.work} ${place.finding}`} aria-current={place.work === shown}>
              <button className="code" aria-pressed={place.work === shown} onClick={() => onShow(at)}>
                {work.code}
              </button>
              <span className="total">{show(work.total)}</span>
              <span className="state">{stateOf(work)}</span>
              <Link className="word-button" to={addressOf(reply, place)} aria-label={`open ${work.code}`}>
                open
              </Link>
            </li>
          );
        })}
      </ul>
    </>
  );
}

function stateOf({ state, doubtful }: Schemas['ClassWork']): string {
  if (state === 'gone-through') return '✓';
  if (state === 'released') return 'released';
  return doubtful ? 'in doubt' : '';
}
