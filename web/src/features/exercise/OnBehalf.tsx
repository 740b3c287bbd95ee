import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { WithReason } from '../../ui/WithReason';

interface OnBehalfProps {
  exercise: string;
  student: Schemas['TimesStudent'];
  onReply: (reply: Schemas['TimesReply']) => Promise<void>;
}

/** What whoever teaches does in a student's place: hands in what is kept of a drawing, or opens an answer again. */
export function OnBehalf({ exercise, student, onReply }: OnBehalfProps) {
  const [until, setUntil] = useState('');
  const path = { params: { path: { id: exercise, student: student.id } } };
  if (!student.startedAt || student.released) return null;
  return student.handedInAt ? (
    <WithReason
      open="open it again"
      says={`open the answer of ${student.name} again`}
      deed="open it"
      why={`why, for ${student.name} to read`}
      ready={until !== ''}
      more={
        <label className="flex items-baseline gap-2">
          <span>until</span>
          <input
            className="plain-input"
            type="datetime-local"
            required
            value={until}
            onChange={({ target }) => setUntil(target.value)}
          />
        </label>
      }
      onSay={async (reason) =>
        onReply(
          await must(
            api.POST('/api/exercises/{id}/students/{student}/reopen', {
              ...path,
              body: { reason, until: new Date(until).toISOString() },
            }),
          ),
        )
      }
    />
  ) : (
    <WithReason
      open="hand it in"
      says={`hand in what ${student.name} is drawing`}
      deed="hand it in"
      why={`why, for ${student.name} to read`}
      onSay={async (reason) =>
        onReply(await must(api.POST('/api/exercises/{id}/students/{student}/hand-in', { ...path, body: { reason } })))
      }
    />
  );
}
