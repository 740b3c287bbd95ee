import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { partName } from '../../parts/PartTabs';
import { show } from '../../ui/marks';
import { PageHead } from '../session/PageHead';
import { Sheet } from '../../ui/Sheet';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { due, moment } from '../../ui/time';
import { Remarking } from './Remarking';
import { AgreementLine, Sample } from './Sample';
import { PageTitle } from '../../ui/PageTitle';
import { Tip } from '../../ui/Tip';

/** All answers of an exercise, by candidate code. */
export default function DeskPage() {
  const { id } = useParams() as { id: string };
  const desk = useQuery({
    queryKey: ['desk', id],
    queryFn: () => must(api.GET('/api/marking/exercises/{id}', { params: { path: { id } } })),
    refetchInterval: (query) =>
      query.state.data?.answers.some((answer) => answer.state === 'waiting') ? 1500 : 15_000,
  });
  const [releasing, setReleasing] = useState(false);
  const names = useMutation({
    mutationFn: () => must(api.POST('/api/marking/exercises/{id}/identities', { params: { path: { id } } })),
  });
  const nameOf = new Map(names.data?.map((identity) => [identity.answerId, identity.name]));
  if (desk.isPending) return <Loading what="the answers" />;
  if (desk.isError) return <FailedPage error={desk.error} retry={() => void desk.refetch()} />;
  const { title, parts, answers, students, stillDrawing, maximum, dueAt, mayRelease } = desk.data;
  const unreleased = answers.filter((answer) => answer.state !== 'released').length;
  return (
    <>
      <PageHead />
      <main className={parts.length > 1 ? 'page-body wide' : 'page-body'}>
        <PageTitle title={`Answers: ${title}`} />
        <h1>{title}</h1>
        <p className="mt-1 mb-5 text-quiet-ink">
          {answers.length} of {students} handed in{stillDrawing > 0 && `, ${stillDrawing} still drawing`}
          {dueAt && `, ${due(dueAt, desk.dataUpdatedAt)}`}.{' '}
          <Link className="word-button" to={`/exercises/${id}`}>
            scenario, model answer, scheme
          </Link>
          {mayRelease && answers.length > 0 && !names.data && (
            <>
              {' · '}
              <Tip says="The record keeps that you looked">
                <button className="word-button" onClick={() => names.mutate()}>
                  show names
                </button>
              </Tip>
            </>
          )}
        </p>
        {answers.length === 0 ? (
          <p className="font-read text-[18px] text-quiet-ink">
            Nobody has handed in yet. Answers are checked as they come and will stand here.
          </p>
        ) : (
          <table className="desk-rows">
            <thead>
              <tr>
                <th>candidate</th>
                <th>how far</th>
                <th>handed in</th>
                {parts.length > 1 &&
                  parts.map((part, at) => (
                    <th key={part.id} className="text-right!" title={`of ${show(part.marks)}`}>
                      {partName(part.title, at)}
                    </th>
                  ))}
                <th className="text-right! whitespace-nowrap">marks of {show(maximum)}</th>
              </tr>
            </thead>
            <tbody>
              {answers.map((answer) => (
                <AnswerLine key={answer.id} answer={answer} name={nameOf.get(answer.id)} />
              ))}
            </tbody>
          </table>
        )}
        {mayRelease && unreleased > 0 && (
          <p className="mt-6">
            {parts.map((part, at) => (
              <Link key={part.id} className="word-button mr-4" to={`/parts/${part.id}/questions`}>
                {parts.length > 1 ? `questions of the class, ${partName(part.title, at)}` : 'questions of the class'}
              </Link>
            ))}
          </p>
        )}
        {mayRelease && unreleased > 0 && (
          <button className="press-button mt-8" onClick={() => setReleasing(true)}>
            Release the marks
          </button>
        )}
        {answers.length > 0 && unreleased === 0 && <p className="mt-6 text-quiet-ink">All marks are released.</p>}
        {mayRelease && unreleased < answers.length && <Remarking exercise={id} />}
        {answers.length > 0 &&
          parts.map((part, at) => (
            <Sample
              key={part.id}
              part={part.id}
              name={parts.length > 1 ? partName(part.title, at) : null}
              mayDraw={mayRelease && unreleased > 0}
              answers={unreleased}
            />
          ))}
      </main>
      <Release id={id} open={releasing} onClose={() => setReleasing(false)} />
    </>
  );
}

const words: Readonly<Record<Schemas['AnswerState'], string>> = {
  waiting: 'being checked …',
  'needs-person': 'needs a person: its check failed',
  checked: 'checked',
  'gone-through': 'gone through',
  released: 'released',
};

/** The work of an answer that wants to be looked at first. */
const firstOf = ({ works }: Schemas['DeskAnswer']) => works.find((work) => work.state === 'checked') ?? works[0]!;

function AnswerLine({ answer, name }: { answer: Schemas['DeskAnswer']; name?: string }) {
  const doubt = answer.doubtful && answer.state === 'checked';
  return (
    <tr>
      <td>
        <Link className="word-button font-bold" to={`/marking/${firstOf(answer).id}`}>
          {answer.code}
        </Link>
        {name && <span className="text-quiet-ink"> {name}</span>}
      </td>
      <td>
        {words[answer.state]}
        {doubt && <strong>, wants a look: its mark is not certain</strong>}
        {answer.questions > 0 && (
          <strong>
            , {answer.questions} {answer.questions === 1 ? 'question' : 'questions'}
          </strong>
        )}
      </td>
      <td>
        {moment(answer.handedInAt)}
        {answer.late && <strong>, late</strong>}
      </td>
      {answer.works.length > 1 &&
        answer.works.map((work) => (
          <td key={work.id} className="text-right!">
            <Link className="word-button" to={`/marking/${work.id}`} title={words[work.state]}>
              {work.total ? show(work.total) : '–'}
            </Link>
          </td>
        ))}
      <td className="text-right! font-bold">{answer.total ? show(answer.total) : '–'}</td>
    </tr>
  );
}

/** Says who is ready, who is undecided and what is frozen, and releases in one step. */
function Release({ id, open, onClose }: { id: string; open: boolean; onClose: () => void }) {
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const preview = useQuery({
    queryKey: ['release', id],
    queryFn: () => must(api.GET('/api/marking/exercises/{id}/release', path)),
    enabled: open,
    staleTime: 0,
  });
  const release = useMutation({
    mutationFn: () => must(api.POST('/api/marking/exercises/{id}/release', path)),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
  });
  const ready = preview.data?.ready.length ?? 0;
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Release the marks?"
      actions={
        <button className="press-button" disabled={ready === 0 || release.isPending} onClick={() => release.mutate()}>
          {release.isPending ? 'releasing …' : `Release ${ready}`}
        </button>
      }
    >
      {preview.isPending && <p>Looking who is ready …</p>}
      {preview.isError && <p className="refusal">{messageOf(preview.error)}</p>}
      {preview.data && (
        <div className="space-y-3">
          <p>
            <strong>{ready}</strong> {ready === 1 ? 'answer is' : 'answers are'} decided and will be released to the
            students.
          </p>
          {preview.data.undecided.length > 0 && (
            <div>
              <p>
                <strong>{preview.data.undecided.length}</strong> undecided; these stay back until a person has gone
                through them:
              </p>
              <ul className="mt-1">
                {preview.data.undecided.map((answer) => (
                  <li key={answer.id}>
                    <Link className="word-button" to={`/marking/${answer.workId}`}>
                      {answer.code}
                    </Link>{' '}
                    <span className="text-quiet-ink">{answer.why}</span>
                  </li>
                ))}
              </ul>
            </div>
          )}
          {preview.data.stillDrawing > 0 && <p>{preview.data.stillDrawing} still drawing.</p>}
          {preview.data.agreements.map(({ part, agreement }) => (
            <div key={part}>
              {preview.data.agreements.length > 1 && <h3>{part}</h3>}
              <AgreementLine agreement={agreement} />
            </div>
          ))}
          <p className="text-quiet-ink">Frozen for good: {preview.data.frozen.join('; ')}.</p>
        </div>
      )}
      {release.isError && <p className="refusal">{messageOf(release.error)}</p>}
    </Sheet>
  );
}
