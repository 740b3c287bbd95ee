import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { partName } from '../../parts/PartTabs';
import { beginsTold } from '../../parts/begins';
import { learnedSentences, wantedDrawing } from '../../parts/learned';
import { capital } from '../../ui/capital';
import { show } from '../../ui/marks';
import { PageHead } from '../session/PageHead';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { left, moment } from '../../ui/time';
import { useNow } from '../../ui/useNow';
import { counted } from '../../notations/counts';
import { slateNotation } from '../../notations/notations';
import { PageTitle } from '../../ui/PageTitle';

/** Before the clock: what is asked, how long it may take, which aids there are. */
export default function BeforePage() {
  const { id } = useParams() as { id: string };
  const navigate = useNavigate();
  const before = useQuery({
    queryKey: ['before', id],
    queryFn: () => must(api.GET('/api/study/exercises/{id}', { params: { path: { id } } })),
  });
  const start = useMutation({
    mutationFn: () => must(api.POST('/api/study/exercises/{id}/answer', { params: { path: { id } } })),
    onSuccess: (answer) => navigate(`/answers/${answer.id}`, { replace: true }),
  });
  if (before.isPending) return <Loading what="the exercise" />;
  if (before.isError) return <FailedPage error={before.error} />;
  const { parts, minutes, title, cohort, times, attempts, answerId } = before.data;
  const { dueAt, opensAt, closesAt } = times;
  const told = parts.map((part) => toldOf(part, acrossTo(part, parts)));
  // What holds for every part is said once.
  const shared = parts.length > 1 ? told[0]!.filter((sentence) => told.every((one) => one.includes(sentence))) : [];
  const overdue = dueAt ? before.dataUpdatedAt > new Date(dueAt).getTime() : false;
  return (
    <>
      <PageHead />
      <main className="page-body font-read text-[18px] leading-[1.6]">
        <PageTitle title={title} />
        <h1 className="mb-4">{title}</h1>
        <ul className="list-disc pl-5 space-y-1">
          <li>
            {minutes
              ? `You have ${counted(minutes, 'minute', 'minutes')} from the moment you start. The clock is the server’s and does not stop; at its end what is drawn is handed in.`
              : 'There is no clock.'}{' '}
            {cohort}.
          </li>
          {opensAt && times.openness === 'not-yet' && <li>It opens {moment(opensAt)}.</li>}
          {dueAt && (
            <li>
              {overdue
                ? `It was due ${moment(dueAt)}; what is handed in now counts as late.`
                : `It is due ${moment(dueAt)}.`}
            </li>
          )}
          {closesAt && (
            <li>
              {times.openness === 'closed'
                ? `It closed ${moment(closesAt)}: nothing is taken any more.`
                : `It closes ${moment(closesAt)}: what is drawn by then is handed in.`}
            </li>
          )}
          {attempts.most !== 1 && <li>{attemptsTold(attempts)}</li>}
          {shared.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
        {parts.map((part, at) => (
          <section key={at} className="mt-4">
            {parts.length > 1 && (
              <h2 className="mb-1">
                {at + 1}. {partName(part.title, at)}
              </h2>
            )}
            <ul className="list-disc pl-5 space-y-1">
              {told[at]!.filter((sentence) => !shared.includes(sentence)).map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
          </section>
        ))}
        <p className="mt-4 text-quiet-ink text-pretty">
          What you draw is saved as you draw. You can leave and come back, on another machine too.
        </p>
        {start.isError && (
          <p className="refusal" role="alert">
            {messageOf(start.error)}
          </p>
        )}
        <button
          className="press-button font-work mt-6"
          disabled={start.isPending || times.openness !== 'open' || (!attempts.another && !answerId)}
          onClick={() => start.mutate()}
        >
          {answerId ? 'Go on drawing' : minutes ? 'Start the clock' : 'Start drawing'}
        </button>
        {times.openness === 'not-yet' && <Opens at={opensAt!} onOpen={() => void before.refetch()} />}
      </main>
    </>
  );
}

/** How long it is until an exercise opens; asks for it once that is over. */
function Opens({ at, onOpen }: { at: string; onOpen: () => void }) {
  const remaining = new Date(at).getTime() - useNow(true);
  const open = useEffectEvent(onOpen);
  const over = remaining <= 0;
  useEffect(() => {
    if (!over) return;
    open();
    const again = window.setInterval(() => open(), 2000);
    return () => window.clearInterval(again);
  }, [over]);
  return <p className="mt-2 text-quiet-ink">{over ? 'It opens now …' : `It opens in ${left(remaining)}.`}</p>;
}

function attemptsTold({ most, begun, bestCounts }: Schemas['StudentAttempts']): string {
  const often = most ? `You may sit it ${most} times` : 'You may sit it as often as you like';
  const so = begun > 0 ? `, and have begun ${begun === 1 ? 'once' : `${begun} times`}` : '';
  return `${often}${so}; ${bestCounts ? 'your best attempt counts' : 'the last attempt that you hand in counts'}.`;
}

/** What of an earlier part's drawing a part begins with, where that is of another kind. */
function acrossTo(part: Schemas['StudentPart'], parts: readonly Schemas['StudentPart'][]) {
  const earlier = part.beginsWithPart ? parts[part.beginsWithPart - 1] : undefined;
  const isOfConcepts = ({ learned }: Schemas['StudentPart']) => slateNotation(learned).ofConcepts;
  if (!earlier || isOfConcepts(earlier) === isOfConcepts(part)) return null;
  return isOfConcepts(part) ? 'tables' : 'attributes';
}

/** What is asked in a part and what helps while one draws, a sentence each. */
const toldOf = (part: Schemas['StudentPart'], across: ReturnType<typeof acrossTo>): string[] => [
  `${capital(wantedDrawing(part.learned))}, for ${show(part.marks)} marks.`,
  ...learnedSentences(part.learned),
  ...[beginsTold(part.beginsWith, part.beginsWithPart, across)].filter((told) => told !== null),
  part.aids.sentences
    ? 'Sentences beneath the slate will tell what your drawing says.'
    : 'While you draw you are told what is drawn, not what it means.',
  ...(part.aids.form ? ['What is wrong with the form of your drawing is told beside it as you draw.'] : []),
  ...(part.aids.rows ? ['What the rows of the scenario speak against is told beside your drawing.'] : []),
  ...(part.aids.help
    ? [
        `You may ask for help ${part.aids.help === 1 ? 'once' : `${part.aids.help} times`}; how often you did is kept with your answer.`,
      ]
    : []),
  ...(part.told === 'when-handed-in' ? ['You read your marks as soon as what you handed in is checked.'] : []),
  part.showModelAnswer ? 'With your marks you will see the model answer.' : 'The model answer is not shown afterwards.',
];
