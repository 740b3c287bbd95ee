import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { readDrawing } from '../../drawing/format';
import { writtenIn } from '../../drawing/sameName';
import { counted } from '../../notations/counts';
import { StillSlate } from '../../slate/StillSlate';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
import { moment } from '../../ui/time';
import { usePageKeys } from '../../ui/usePageKeys';
import { PageHead } from '../session/PageHead';

type Pair = Schemas['ResemblanceReply'];

/** Answers that share what hardly anybody else has, two and two side by side, for a person to look at. */
export default function AlikePage() {
  const { id } = useParams() as { id: string };
  const found = useQuery({
    queryKey: ['resemblances', id],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/resemblances', { params: { path: { id } } })),
  });
  if (found.isPending) return <Loading what="what resembles what" />;
  if (found.isError) return <FailedPage error={found.error} retry={() => void found.refetch()} />;
  return <Alike reply={found.data} />;
}

function Alike({ reply }: { reply: Schemas['ResemblancesReply'] }) {
  const { pairs, compared } = reply;
  const [at, setAt] = useState(0);
  const pair = pairs[at];
  usePageKeys({
    j: () => setAt(Math.min(at + 1, pairs.length - 1)),
    k: () => setAt(Math.max(at - 1, 0)),
  });
  return (
    <>
      <PageHead />
      <main className="page-body wide">
        <PageTitle title={`Answers that resemble each other: ${reply.title}`} />
        <h1>Answers that resemble each other</h1>
        <p className="mt-1 mb-5 text-quiet-ink max-w-[74ch]">
          <Link className="word-button" to={`/exercises/${reply.exerciseId}/answers?view=answers`}>
            {reply.title}
          </Link>
          {reply.part && `, ${reply.part}`}. {counted(compared, 'answer was', 'answers were')} compared. Told is what
          two share and hardly anybody else has: first of all names that stand neither in the scenario nor in the model
          answer. It proves nothing and costs nobody anything; drawings that were tidied up stand alike wherever they
          say the same.
        </p>
        {pair ? (
          <>
            <ol className="alike-pairs" aria-label="Pairs">
              {pairs.map((one, index) => (
                <li key={`${one.first.id} ${one.second.id}`}>
                  <button className="word-button" aria-current={index === at} onClick={() => setAt(index)}>
                    {one.first.code} and {one.second.code}
                  </button>{' '}
                  <span className="text-quiet-ink">{shared(one)}</span>
                </li>
              ))}
            </ol>
            <Beside key={`${pair.first.id} ${pair.second.id}`} pair={pair} />
          </>
        ) : (
          <p className="font-read text-[18px] text-quiet-ink">No two answers share anything that others do not have.</p>
        )}
      </main>
    </>
  );
}

const shared = ({ names, places, of }: Pair) =>
  [
    names.length > 0 && counted(names.length, 'odd name', 'odd names'),
    places > 0 && `${places} of ${counted(of, 'box', 'boxes')} at the same place`,
  ]
    .filter(Boolean)
    .join(', ');

/** The two drawings, with what both have written lit in both. */
function Beside({ pair }: { pair: Pair }) {
  return (
    <section aria-label={`${pair.first.code} and ${pair.second.code}`}>
      {pair.names.length > 0 && (
        <p className="mb-2">
          Both have written{' '}
          {pair.names.map((name, at) => (
            <span key={name}>
              {at > 0 && ', '}
              <strong>{name}</strong>
            </span>
          ))}
          .
        </p>
      )}
      <div className="two-slates pictures">
        {[pair.first, pair.second].map((work) => (
          <div key={work.id}>
            <h2>
              <Link className="word-button" to={`/marking/${work.id}`}>
                {work.code}
              </Link>
              <span className="text-quiet-ink text-[14px] font-normal">, handed in {moment(work.handedInAt)}</span>
            </h2>
            <Lit drawing={work.drawing} names={pair.names} label={`As drawn by ${work.code}`} />
          </div>
        ))}
      </div>
    </section>
  );
}

function Lit({ drawing, names, label }: { drawing: string; names: readonly string[]; label: string }) {
  const read = useMemo(() => readDrawing(drawing), [drawing]);
  const lit = useMemo(() => writtenIn(read, names), [read, names]);
  return <StillSlate drawing={read} label={label} lit={lit} />;
}
