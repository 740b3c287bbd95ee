import { useMutation, useQuery } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { partName } from '../../parts/PartTabs';
import { learnedSentences, wantedDrawing } from '../../parts/learned';
import { capital } from '../../ui/capital';
import { show } from '../../ui/marks';
import { PageHead } from '../session/PageHead';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { moment } from '../../ui/time';
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
  const { parts, minutes, title, cohort, dueAt } = before.data;
  const told = parts.map(toldOf);
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
            {minutes ? `You have ${minutes} minutes from the moment you start.` : 'There is no limit of time.'} {cohort}
            .
          </li>
          {dueAt && (
            <li>
              {overdue
                ? `It was due ${moment(dueAt)}; what is handed in now counts as late.`
                : `It is due ${moment(dueAt)}.`}
            </li>
          )}
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
        <button className="press-button font-work mt-6" disabled={start.isPending} onClick={() => start.mutate()}>
          {minutes ? 'Start the clock' : 'Start drawing'}
        </button>
      </main>
    </>
  );
}

/** What is asked in a part and what helps while one draws, a sentence each. */
const toldOf = (part: Schemas['StudentPart']): string[] => [
  `${capital(wantedDrawing(part.learned))}, for ${show(part.marks)} marks.`,
  ...learnedSentences(part.learned),
  part.aids.sentences
    ? 'Sentences beneath the slate will tell what your drawing says.'
    : 'While you draw you are told what is drawn, not what it means.',
  ...(part.aids.form ? ['What is wrong with the form of your drawing is told beside it as you draw.'] : []),
  part.showModelAnswer ? 'With your marks you will see the model answer.' : 'The model answer is not shown afterwards.',
];
