import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { addressOf } from '../../api/place';
import { partName } from '../../parts/PartTabs';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { Tip } from '../../ui/Tip';
import { OnPaper } from './OnPaper';
import { QuestionsUntil } from './QuestionsUntil';
import { Remarking } from './Remarking';
import { AgreementLine, Sample } from './Sample';

/** What goes back to the class: the marks, changes of marks that were released, and how far two markers agree. */
export function GivingBack({ desk }: { desk: Schemas['DeskReply'] }) {
  const [releasing, setReleasing] = useState(false);
  const { id, answers, parts, mayRelease } = desk;
  const unreleased = answers.filter((answer) => answer.state !== 'released').length;
  return (
    <div className="page-body">
      {unreleased === 0 ? (
        <p className="text-quiet-ink">All marks are released.</p>
      ) : mayRelease ? (
        <>
          <p className="font-read text-[18px]">
            {unreleased === 1 ? 'One answer is' : `${unreleased} answers are`} not released yet.
          </p>
          <button className="press-button mt-4" onClick={() => setReleasing(true)}>
            Release the marks
          </button>
        </>
      ) : (
        <p className="text-quiet-ink">The marks are released by whoever teaches the class.</p>
      )}
      {mayRelease && (
        <p className="mt-6 text-quiet-ink">
          All marks, line by line, as a table:{' '}
          <a className="word-button" href={addressOf(`/api/marking/exercises/${id}/marks`)} download>
            by candidate codes
          </a>
          {' · '}
          <Tip says="The record keeps that you looked">
            <a className="word-button" href={addressOf(`/api/marking/exercises/${id}/marks?names=true`)} download>
              with names
            </a>
          </Tip>
          {' · '}
          <Tip says="Released marks by address, for other systems; the record keeps that you looked">
            <a className="word-button" href={addressOf(`/api/marking/exercises/${id}/gradebook`)} download>
              as OneRoster results
            </a>
          </Tip>
        </p>
      )}
      {mayRelease && unreleased < answers.length && (
        <OnPaper exercise={id} title={desk.title} released={answers.length - unreleased} />
      )}
      {mayRelease && <QuestionsUntil desk={desk} />}
      {mayRelease && unreleased < answers.length && <Remarking exercise={id} />}
      {parts.map((part, at) => (
        <Sample
          key={part.id}
          part={part.id}
          name={parts.length > 1 ? partName(part.title, at) : null}
          mayDraw={mayRelease && unreleased > 0}
        />
      ))}
      <Release id={id} open={releasing} onClose={() => setReleasing(false)} />
    </div>
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
    mutationFn: () => must(api.POST('/api/marking/exercises/{id}/release', { ...path, body: { onlyGoneThrough } })),
    onSuccess: async () => {
      await queries.invalidateQueries();
      onClose();
    },
  });
  const [onlyGoneThrough, setOnlyGoneThrough] = useState(false);
  const decided = preview.data?.ready.length ?? 0;
  const unseen = preview.data?.notGoneThrough.length ?? 0;
  const unconfirmed = preview.data?.notConfirmed.length ?? 0;
  const ready = onlyGoneThrough ? decided - unseen : decided;
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
            <strong>{decided}</strong> {decided === 1 ? 'answer is' : 'answers are'} decided and will be released to the
            students.
          </p>
          {unseen > 0 && (
            <div>
              <p>
                Nobody has gone through <strong>{unseen === decided ? 'any' : unseen}</strong> of them.
              </p>
              <label className="flex items-center gap-2 mt-1">
                <input
                  type="checkbox"
                  checked={onlyGoneThrough}
                  onChange={(event) => setOnlyGoneThrough(event.target.checked)}
                />{' '}
                release only what somebody has gone through
              </label>
            </div>
          )}
          {unconfirmed > 0 && (
            <p>
              An assistant has gone through <strong>{unconfirmed === decided ? 'all' : unconfirmed}</strong> of them,
              and nobody who teaches has confirmed that yet.
            </p>
          )}
          <Back answers={preview.data.withheld}>
            <strong>{preview.data.withheld.length}</strong> held back; their students read why:
          </Back>
          <Back answers={preview.data.undecided}>
            <strong>{preview.data.undecided.length}</strong> undecided; these stay back until a person has gone through
            them:
          </Back>
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

/** Answers that are not released with the others, and why. */
function Back({ answers, children }: { answers: readonly Schemas['UndecidedAnswer'][]; children: ReactNode }) {
  return answers.length === 0 ? null : (
    <div>
      <p>{children}</p>
      <ul className="mt-1">
        {answers.map((answer) => (
          <li key={answer.id}>
            <Link className="word-button" to={`/marking/${answer.workId}`}>
              {answer.code}
            </Link>{' '}
            <span className="text-quiet-ink">{answer.why}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
