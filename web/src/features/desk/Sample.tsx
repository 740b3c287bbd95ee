import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { about, less, show, valueOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { WithReason } from '../../ui/WithReason';

interface SampleProps {
  part: string;
  /** What the part is called, where there are several. */
  name: string | null;
  mayDraw: boolean;
}

/** The sample that two people mark blind: how far they are, how far they agree, and what to mark next. */
export function Sample({ part, name, mayDraw }: SampleProps) {
  const sample = useQuery({
    queryKey: ['sample', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/sample', { params: { path: { id: part } } })),
  });
  const [drawing, setDrawing] = useState(false);
  if (!sample.data) return sample.isError ? <p className="refusal">{messageOf(sample.error)}</p> : null;
  const { size, markers, mine, agreement, free, seen } = sample.data;
  const next = mine.find((task) => !task.done);
  return (
    <section className="mt-8" aria-label={name === null ? 'Sample marked blind' : `Sample marked blind, ${name}`}>
      {size > 0 && (
        <>
          <h2 className="mb-1">A sample, marked blind{name !== null && `: ${name}`}</h2>
          <p>
            {size} {size === 1 ? 'answer' : 'answers'} to be marked line by line by two people who do not see what was
            found:{' '}
            {markers
              .filter((marker) => marker.me || marker.done > 0)
              .map((marker) => `${marker.me ? 'you' : marker.name} ${marker.done} of ${size}`)
              .join(', ')}
            .{' '}
            {next && (
              <Link className="word-button main" to={`/marking/blind/${next.id}`}>
                mark {next.code}
              </Link>
            )}
          </p>
          {agreement && (
            <>
              <AgreementLine agreement={agreement} />
              <Apart agreement={agreement} part={part} />
            </>
          )}
        </>
      )}
      {mayDraw && free > 0 && (
        <p className="mt-1">
          <button className="word-button" onClick={() => setDrawing(true)}>
            {size === 0 ? 'have a sample marked blind by two' : 'enlarge the sample'}
            {name !== null && `: ${name}`}
          </button>
          {seen > 0 && (
            <span className="text-quiet-ink">
              {' '}
              from {free}; {seen} more {seen === 1 ? 'is' : 'are'} left out, since somebody has looked at what was found
              in {seen === 1 ? 'it' : 'them'}
            </span>
          )}
        </p>
      )}
      {drawing && <Draw part={part} size={size} answers={size + free} onClose={() => setDrawing(false)} />}
    </section>
  );
}

/** How far two people agree with each other, and with the marks here. */
export function AgreementLine({ agreement }: { agreement: Schemas['AgreementReply'] }) {
  const { first, second, betweenThem, withMarks, maximum } = agreement;
  return (
    <p>
      {first} and {second} differ by <strong>{about(betweenThem.meanDifference)}</strong> of {show(maximum)} on average,
      at most {show(betweenThem.largestDifference)}, over {betweenThem.answers}{' '}
      {betweenThem.answers === 1 ? 'answer' : 'answers'}; {betweenThem.sameLines} of {betweenThem.lines} lines are the
      same. Their mean differs from the marks here by <strong>{about(withMarks.meanDifference)}</strong> on average, at
      most {show(withMarks.largestDifference)}. <Beyond agreement={agreement} />
    </p>
  );
}

/** What the two agree on beyond chance: of the totals, and of the line on which they agree least. */
function Beyond({ agreement }: { agreement: Schemas['AgreementReply'] }) {
  const { betweenThem, titles } = agreement;
  const known = (betweenThem.byLine ?? []).flatMap(({ line, kappa }) =>
    typeof kappa === 'number' ? [{ line, kappa }] : [],
  );
  const least = known.reduce<(typeof known)[number] | null>(
    (sofar, one) => (sofar === null || one.kappa < sofar.kappa ? one : sofar),
    null,
  );
  return (
    <>
      {typeof betweenThem.intraclass === 'number' && (
        <>
          Intraclass correlation of the totals: <strong>{places(betweenThem.intraclass)}</strong>.{' '}
        </>
      )}
      {least && (
        <>
          Weighted kappa of a line: least <strong>{places(least.kappa)}</strong>, on “{titles[least.line]}”.
        </>
      )}
    </>
  );
}

const places = (value: number) => value.toFixed(2).replace('-', '−');

/** The lines of answers that the two gave different marks, the widest apart first, each a way to the answer. */
function Apart({ agreement, part }: { agreement: Schemas['AgreementReply']; part: string }) {
  const { differences, titles, first, second } = agreement;
  if (differences.length === 0) return null;
  return (
    <details className="mt-2">
      <summary>
        {differences.length === 1
          ? 'One line on which they differ'
          : `${differences.length} lines on which they differ`}
      </summary>
      <table className="mark-table mt-2 max-w-[760px]">
        <thead>
          <tr>
            <th>candidate</th>
            <th>line</th>
            <th className="n">{first}</th>
            <th className="n">{second}</th>
            <th className="n">here</th>
            <th>settled</th>
          </tr>
        </thead>
        <tbody>
          {differences.map((one) => (
            <tr key={one.workId + one.line}>
              <td>
                <Link className="word-button" to={`/marking/${one.workId}`}>
                  {one.code}
                </Link>
              </td>
              <td>{titles[one.line]}</td>
              <td className="n">
                {show(one.first)}
                {one.firstWhy && <Why said={one.firstWhy} />}
              </td>
              <td className="n">
                {show(one.second)}
                {one.secondWhy && <Why said={one.secondWhy} />}
              </td>
              <td className="n">
                <strong>{show(one.here)}</strong> of {show(one.marks)}
              </td>
              <td>{one.released ? 'released' : <Settle one={one} part={part} />}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

const Why = ({ said }: { said: string }) => <q className="block font-read italic text-quiet-ink">{said}</q>;

/** Settles a line with what one of the two gave it: what stands is changed by the difference, with that person's reason or another. */
function Settle({ one, part }: { one: Schemas['SampleDifference']; part: string }) {
  const queries = useQueryClient();
  const settle = (to: string, reason: string) =>
    must(
      api.POST('/api/marking/work/{id}/adjustments', {
        params: { path: { id: one.workId } },
        body: { amount: less(to, one.here), line: one.line, reason, elements: [] },
      }),
    ).then(async () => {
      await queries.invalidateQueries({ queryKey: ['sample', part] });
      queries.removeQueries({ queryKey: ['marking', one.workId] });
    });
  const ways = [
    { to: one.first, why: one.firstWhy },
    { to: one.second, why: one.secondWhy },
  ].filter(({ to }) => valueOf(to) !== valueOf(one.here));
  return (
    <span className="flex flex-wrap gap-x-3">
      {ways.length < 2 && <span className="text-quiet-ink">as here</span>}
      {ways.map(({ to, why }) => (
        <WithReason
          key={to}
          open={`with ${show(to)}`}
          deed={`give ${show(to)}`}
          why="why, for the student to read"
          before={why ?? ''}
          onSay={(reason) => settle(to, reason)}
        />
      ))}
    </span>
  );
}

interface DrawProps {
  part: string;
  size: number;
  answers: number;
  onClose: () => void;
}

function Draw({ part, size, answers, onClose }: DrawProps) {
  const queries = useQueryClient();
  const [count, setCount] = useState(Math.min(answers, Math.max(5, size + 1)));
  const draw = useMutation({
    mutationFn: () =>
      must(api.POST('/api/marking/parts/{id}/sample', { params: { path: { id: part } }, body: { count } })),
    onSuccess: (reply) => {
      queries.setQueryData(['sample', part], reply);
      onClose();
    },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title="A sample, marked blind by two"
      actions={
        <button className="press-button" disabled={draw.isPending} onClick={() => draw.mutate()}>
          Draw {count}
        </button>
      }
    >
      <p>
        So many answers are drawn by lot. Two of you give marks line by line without seeing what was found, nor what the
        other gave. How far you agree is told before the marks are released.
      </p>
      <label className="field mt-3 max-w-40">
        <span>
          How many of {answers}
          {size > 0 && `; ${size} are in it already`}
        </span>
        <input
          type="number"
          min={size + 1}
          max={Math.min(50, answers)}
          value={count}
          onChange={(event) => setCount(Number(event.target.value))}
        />
      </label>
      {draw.isError && (
        <p className="refusal" role="alert">
          {messageOf(draw.error)}
        </p>
      )}
    </Sheet>
  );
}
