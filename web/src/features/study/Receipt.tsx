import { useEffect, useEffectEvent, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { PartTabs } from '../../parts/PartTabs';
import { useShownPart } from '../../parts/useShownPart';
import { closedSession } from '../../slate/drawings';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { moment } from '../../ui/time';
import { partLine, tabOf } from '../../parts/partLine';
import { PageTitle } from '../../ui/PageTitle';

/** After handing in: the receipt, beside the drawings as they were handed in. */
export function Receipt({ answer, onLook }: { answer: Schemas['AnswerReply']; onLook: () => void }) {
  const [work, at, show] = useShownPart(answer.works);
  // Where marks are told at once, the check is a matter of seconds.
  const soon = !answer.released && answer.works.every(({ part }) => part.told === 'when-handed-in');
  const look = useEffectEvent(onLook);
  useEffect(() => {
    if (!soon) return;
    const timer = window.setInterval(() => look(), 1500);
    return () => window.clearInterval(timer);
  }, [soon]);
  return (
    <div className="script reading" style={{ '--margin-width': '270px' } as React.CSSProperties}>
      <PageTitle title={`Handed in: ${answer.title}`} />
      <ScenarioSheet title={answer.title} line={partLine(work.part)} html={answer.scenarioHtml} />
      <main className="middle">
        <PartTabs parts={answer.works.map((one) => tabOf(one.id, one.part))} at={at} onShow={show} />
        <HandedIn key={work.id} drawing={work.drawing} />
      </main>
      <aside className="margin" aria-label="Receipt">
        <h2>Handed in</h2>
        <p className="big-number mt-4 mb-1">{answer.receipt}</p>
        <p className="text-[13px] text-quiet-ink">your receipt; keep it</p>
        <p className="mt-4">{moment(answer.handedInAt!)}</p>
        {answer.endedByTime && (
          <p className="mt-2">The time was over: what you had drawn by then was handed in for you.</p>
        )}
        {answer.handedInBecause && (
          <p className="mt-2">
            What was kept of it was handed in for you: <q className="font-read italic">{answer.handedInBecause}</q>
          </p>
        )}
        {answer.late && <p className="mt-2 refusal">This came late. It is kept, and marked as late.</p>}
        <p className="mt-4">
          {answer.released ? (
            <Link className="word-button main" to={`/answers/${answer.id}/marks`}>
              read your marks
            </Link>
          ) : soon ? (
            <span role="status">It is being checked; your marks will stand here in a moment.</span>
          ) : (
            'It is being checked. You will find your marks here once your instructor releases them.'
          )}
        </p>
        {answer.attempts.another && answer.times.openness === 'open' && (
          <p className="mt-6">
            <Link className="word-button" to={`/study/${answer.exerciseId}`}>
              try it once more
            </Link>
          </p>
        )}
        <p className="mt-6">
          <Link className="word-button" to="/">
            what is next
          </Link>
        </p>
      </aside>
    </div>
  );
}

function HandedIn({ drawing }: { drawing: string }) {
  const [session] = useState(() => closedSession(drawing));
  const slate = useSlate(session, false);
  return <SlateSurface slate={slate} label="Your drawing as handed in" lit={new Set()} words={false} />;
}
