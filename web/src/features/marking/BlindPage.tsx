import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { closedSession } from '../../slate/drawings';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { show, valueOf } from '../../ui/marks';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { partLine } from '../../parts/partLine';

type Line = Schemas['BlindLine'];

type Given = Readonly<Record<string, { marks: string; why: string }>>;

const listOf = (given: Given) => Object.entries(given).map(([line, { marks, why }]) => ({ line, marks, why }));

/** An answer of the sample: its drawing, and the lines of the scheme to be given marks, with nothing of what was found. */
export default function BlindPage() {
  const { id } = useParams() as { id: string };
  const answer = useQuery({
    queryKey: ['blind', id],
    queryFn: () => must(api.GET('/api/marking/blind/{id}', { params: { path: { id } } })),
    staleTime: Infinity,
  });
  if (answer.isPending) return <Loading what="the answer" />;
  if (answer.isError) return <FailedPage error={answer.error} retry={() => void answer.refetch()} />;
  return <Blind key={id} answer={answer.data} />;
}

function Blind({ answer }: { answer: Schemas['BlindReply'] }) {
  const [session] = useState(() => closedSession(answer.drawing));
  const slate = useSlate(session, false);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [given, setGiven] = useState<Given>(() =>
    Object.fromEntries(
      answer.lines.flatMap((line) => (line.given ? [[line.id, { marks: line.given, why: line.why ?? '' }]] : [])),
    ),
  );
  const save = useMutation({
    scope: { id: `blind-${answer.id}` },
    mutationFn: (body: Schemas['BlindRequest']) =>
      must(api.PUT('/api/marking/blind/{id}', { params: { path: { id: answer.id } }, body })),
    onSuccess: async (_, { done }) => {
      if (!done) return;
      await queries.invalidateQueries({ queryKey: ['sample'] });
      queries.removeQueries({ queryKey: ['blind', answer.id] });
      queries.removeQueries({ queryKey: ['marking', answer.id] });
      await navigate(`/marking/${answer.id}`);
    },
  });
  const give = (line: string, marks: string, why: string) => {
    const next = { ...given, [line]: { marks, why } };
    setGiven(next);
    save.mutate({ marks: listOf(next), done: false });
  };
  const left = answer.lines.filter((line) => given[line.id] === undefined).length;
  const total = Object.values(given).reduce((sum, { marks }) => sum + valueOf(marks), 0);
  const maximum = answer.lines.reduce((sum, line) => sum + valueOf(line.marks), 0);
  return (
    <div
      className="script reading"
      style={{ '--margin-width': '330px', '--sentences-height': '0px' } as React.CSSProperties}
    >
      <ScenarioSheet
        title={answer.title}
        line={partLine(answer.part)}
        html={answer.scenarioHtml}
        tied={[]}
        lit={[]}
        onPhraseHover={() => undefined}
      />
      <main className="middle">
        <SlateSurface
          slate={slate}
          label="The answer"
          lit={new Set()}
          onHover={() => undefined}
          words={false}
          empty="Nothing is drawn."
        />
      </main>
      <aside className="margin" aria-label="Your marks">
        <div className="min-h-full flex flex-col">
          <p className="total">
            <strong>{show(String(total))}</strong> of {show(String(maximum))} by you, candidate {answer.code}
          </p>
          <p className="mt-1 mb-2 text-[14px] text-quiet-ink">
            Marked blind: what was found, and what others gave, is shown once you are done.
          </p>
          {answer.lines.map((line) => (
            <LineMarks
              key={line.id}
              line={line}
              given={given[line.id]}
              locked={answer.done}
              onGive={(marks, why) => give(line.id, marks, why)}
            />
          ))}
          <div className="margin-foot text-[14px]">
            {save.isError && (
              <p className="refusal" role="alert">
                {messageOf(save.error)}
              </p>
            )}
            {answer.done ? (
              <p>
                You are done with it.{' '}
                <Link className="word-button" to={`/marking/${answer.id}`}>
                  see what was found
                </Link>
              </p>
            ) : (
              <p>
                {left > 0 && `${left} ${left === 1 ? 'line' : 'lines'} left. `}
                <button
                  className="word-button main"
                  disabled={left > 0 || save.isPending}
                  onClick={() => save.mutate({ marks: listOf(given), done: true })}
                >
                  done, see what was found
                </button>
              </p>
            )}
            <Link className="word-button" to={`/exercises/${answer.exerciseId}/answers`}>
              all answers
            </Link>
          </div>
        </div>
      </aside>
    </div>
  );
}

interface LineMarksProps {
  line: Line;
  given: Given[string] | undefined;
  locked: boolean;
  onGive: (marks: string, why: string) => void;
}

/** The marks that one line can have, in halves, as one choice, and why where that wants to be said. */
function LineMarks({ line, given, locked, onGive }: LineMarksProps) {
  const most = valueOf(line.marks);
  const halves = Array.from({ length: Math.floor(most * 2) + 1 }, (_, n) => (n % 2 === 0 ? String(n / 2) : `${n}/2`));
  const choices = halves.some((half) => valueOf(half) === most) ? halves : [...halves, line.marks];
  return (
    <div className="py-2 border-t border-hairline text-[14px]">
      <p id={`line-${line.id}`}>{line.title}</p>
      <div className="decisions way" role="radiogroup" aria-labelledby={`line-${line.id}`}>
        {choices.map((choice) => (
          <button
            key={choice}
            role="radio"
            aria-checked={given !== undefined && valueOf(given.marks) === valueOf(choice)}
            disabled={locked}
            onClick={() => onGive(choice, given?.why ?? '')}
          >
            {show(choice)}
          </button>
        ))}
      </div>
      {given && (
        <input
          className="plain-input mt-1 w-full"
          aria-label={`Why, for “${line.title}”`}
          placeholder="why, if it wants saying"
          maxLength={1000}
          disabled={locked}
          defaultValue={given.why}
          onBlur={({ target }) => target.value.trim() !== given.why && onGive(given.marks, target.value.trim())}
        />
      )}
    </div>
  );
}
