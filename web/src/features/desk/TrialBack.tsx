import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { addressOf } from '../../api/place';
import { valueOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { ThenAndNow } from '../../ui/ThenAndNow';
import { Loading, messageOf } from '../../ui/states';

/** What stands in place of giving back where only another marking is tried: nothing goes out, and the copy is taken away. */
export function TrialBack({ desk }: { desk: Schemas['DeskReply'] }) {
  const [asking, setAsking] = useState(false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: () => must(api.DELETE('/api/exercises/{id}/trial', { params: { path: { id: desk.id } } })),
    onSuccess: async () => {
      await navigate('/');
      await queries.invalidateQueries();
    },
  });
  return (
    <div className="page-body">
      <p className="font-read text-[18px]">
        Another marking is tried here on copies of the answers. Nothing of it goes back to anybody.
      </p>
      <Against desk={desk} />
      {desk.mayRelease && (
        <>
          <p className="mt-6 text-quiet-ink">
            The marks of the trial, line by line, as a table:{' '}
            <a className="word-button" href={addressOf(`/api/marking/exercises/${desk.id}/marks`)} download>
              by candidate codes
            </a>
          </p>
          <button className="press-button mt-6" onClick={() => setAsking(true)}>
            Take the copy away
          </button>
          <Sheet
            open={asking}
            onClose={() => setAsking(false)}
            title={`Take “${desk.title}” away?`}
            actions={
              <button className="press-button" disabled={remove.isPending} onClick={() => remove.mutate()}>
                {remove.isPending ? 'taking it away …' : 'Take it away'}
              </button>
            }
          >
            <p>
              The copies of the answers go, with all that was decided on them here. The exercise itself and its answers
              stay as they are.
            </p>
            {remove.isError && (
              <p className="refusal mt-3" role="alert">
                {messageOf(remove.error)}
              </p>
            )}
          </Sheet>
        </>
      )}
    </div>
  );
}

/** The marks of the trial beside those of the exercise itself: answers first whose mark changes, those that lose most before others. */
function Against({ desk }: { desk: Schemas['DeskReply'] }) {
  const own = useQuery({
    queryKey: ['desk', desk.trialOf],
    queryFn: () => must(api.GET('/api/marking/exercises/{id}', { params: { path: { id: desk.trialOf! } } })),
  });
  if (own.isPending) return <Loading what="the marks of the exercise itself" />;
  if (own.isError) return <p className="refusal mt-3">{messageOf(own.error)}</p>;
  const before = new Map(own.data.answers.map(({ code, total }) => [code, total]));
  const answers = desk.answers.map(({ works, code, total }) => ({
    workId: works[0]!.id,
    code,
    then: before.get(code) ?? null,
    now: total ?? null,
  }));
  return (
    <section className="mt-4 max-w-[460px]" aria-label="Beside the marks of the exercise itself">
      <ThenAndNow
        answers={answers.toSorted((a, b) => changeOf(a) - changeOf(b))}
        wasMaximum={own.data.maximum}
        maximum={desk.maximum}
      />
    </section>
  );
}

/** By how much a mark changes; what does not change stands behind what does. */
const changeOf = ({ then, now }: { then: string | null; now: string | null }) =>
  then === now || !then || !now ? Number.MAX_SAFE_INTEGER : valueOf(now) - valueOf(then);
