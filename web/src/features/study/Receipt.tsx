import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { closedSession } from '../../slate/closedSession';
import { SlateSurface } from '../../slate/SlateSurface';
import { useSlate } from '../../slate/useSlate';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { moment } from '../../ui/time';
import { partLine } from './DrawPage';

/** After handing in: the receipt, beside the drawing as it was handed in. */
export function Receipt({ answer }: { answer: Schemas['AnswerReply'] }) {
  const [session] = useState(() => closedSession(answer.drawing));
  const slate = useSlate(session, false);
  return (
    <div className="script reading" style={{ '--margin-width': '270px' } as React.CSSProperties}>
      <ScenarioSheet title={answer.title} line={partLine(answer.part)} html={answer.scenarioHtml} />
      <main className="middle">
        <SlateSurface slate={slate} label="Your drawing as handed in" lit={new Set()} words={false} />
      </main>
      <aside className="margin" aria-label="Receipt">
        <h2>Handed in</h2>
        <p className="big-number mt-4 mb-1">{answer.receipt}</p>
        <p className="text-[13px] text-quiet-ink">your receipt; keep it</p>
        <p className="mt-4">{moment(answer.handedInAt!)}</p>
        {answer.late && <p className="mt-2 refusal">This came late. It is kept, and marked as late.</p>}
        <p className="mt-4">
          {answer.released ? (
            <Link className="word-button main" to={`/answers/${answer.id}/marks`}>
              read your marks
            </Link>
          ) : (
            'It is being checked. You will find your marks here once your instructor releases them.'
          )}
        </p>
        <p className="mt-6">
          <Link className="word-button" to="/">
            what is next
          </Link>
        </p>
      </aside>
    </div>
  );
}
