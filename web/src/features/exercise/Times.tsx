import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { Loading, messageOf } from '../../ui/states';
import { localTime, moment } from '../../ui/time';
import { counted } from '../../notations/counts';
import { OnBehalf } from './OnBehalf';
import { TermsFields } from './Terms';
import type { Terms } from './termsWords';

/** When answers are due, for everybody and for single students, and who has not begun. */
export function Times({ exercise }: { exercise: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button className="word-button" onClick={() => setOpen(true)}>
        times, and how far each student is …
      </button>
      {open && <TimesSheet exercise={exercise} onClose={() => setOpen(false)} />}
    </>
  );
}

type Reply = Schemas['TimesReply'];

function TimesSheet({ exercise, onClose }: { exercise: string; onClose: () => void }) {
  const queries = useQueryClient();
  const path = { params: { path: { id: exercise } } };
  const times = useQuery({
    queryKey: ['times', exercise],
    queryFn: () => must(api.GET('/api/exercises/{id}/times', path)),
    staleTime: 0,
  });
  const keep = async (reply: Reply) => {
    queries.setQueryData(['times', exercise], reply);
    await queries.invalidateQueries({ queryKey: ['desk', exercise] });
    await queries.invalidateQueries({ queryKey: ['home'] });
  };
  return (
    <Sheet open wide onClose={onClose} title="Times">
      {times.isPending && <Loading what="the times" />}
      {times.isError && <p className="refusal">{messageOf(times.error)}</p>}
      {times.data && (
        <>
          <Everybody key={JSON.stringify(times.data.terms)} exercise={exercise} times={times.data} onReply={keep} />
          <Students exercise={exercise} times={times.data} onReply={keep} />
        </>
      )}
    </Sheet>
  );
}

interface ChangeProps {
  exercise: string;
  onReply: (reply: Reply) => Promise<void>;
}

function Everybody({ exercise, times, onReply }: ChangeProps & { times: Reply }) {
  // What is left out of a reply is none; what is left out of a request is as usual.
  const before: Terms = { ...times.terms, attempts: times.terms.attempts ?? null, late: times.terms.late ?? null };
  const [terms, setTerms] = useState(before);
  const change = useMutation({
    mutationFn: () => must(api.PUT('/api/exercises/{id}/times', { params: { path: { id: exercise } }, body: terms })),
    onSuccess: onReply,
  });
  const changed = JSON.stringify(terms) !== JSON.stringify(before);
  return (
    <form
      aria-label="For everybody"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate();
      }}
    >
      <TermsFields terms={terms} onChange={setTerms} minutes={times.minutes ?? null} />
      {changed && (
        <p className="mt-2">
          <button className="word-button main" disabled={change.isPending}>
            change it
          </button>{' '}
          <span className="text-quiet-ink">
            What is being drawn ends by the new times; what was handed in is late or not by them.
          </span>
        </p>
      )}
      {change.isError && <p className="refusal mt-1">{messageOf(change.error)}</p>}
    </form>
  );
}

function Students({ exercise, times, onReply }: ChangeProps & { times: Reply }) {
  const [extending, setExtending] = useState<string | null>(null);
  const idle = times.students.filter(({ startedAt }) => !startedAt).length;
  return (
    <>
      <p className="mt-5">
        {idle === 0
          ? 'Everybody has begun.'
          : `${idle} of ${times.students.length} ${idle === 1 ? 'has' : 'have'} not begun.`}
      </p>
      <table className="mark-table mt-1">
        <thead>
          <tr>
            <th>student</th>
            <th>how far</th>
            <th>time of their own</th>
          </tr>
        </thead>
        <tbody>
          {times.students.map((student) => (
            <tr key={student.id}>
              <td className="whitespace-nowrap">{student.name}</td>
              <td>
                {howFar(student)}
                {student.handedInBecause && (
                  <>
                    {' '}
                    for them: <q className="font-read italic">{student.handedInBecause}</q>
                  </>
                )}
                {student.reopenedBecause && !student.handedInAt && (
                  <>
                    , opened again: <q className="font-read italic">{student.reopenedBecause}</q>
                  </>
                )}
                <span className="ml-4">
                  <OnBehalf exercise={exercise} student={student} onReply={onReply} />
                </span>
              </td>
              <td>
                {extending === student.id ? (
                  <Extend
                    exercise={exercise}
                    student={student}
                    dated={Boolean(times.terms.dueAt ?? times.terms.closesAt)}
                    onReply={async (reply) => {
                      setExtending(null);
                      await onReply(reply);
                    }}
                    onLeave={() => setExtending(null)}
                  />
                ) : (
                  <>
                    {student.reason && (
                      <>
                        {ownTime(student)}: <q className="font-read italic">{student.reason}</q>{' '}
                      </>
                    )}
                    <button
                      className="word-button"
                      aria-label={
                        student.reason ? `change the time of ${student.name}` : `give ${student.name} more time`
                      }
                      onClick={() => setExtending(student.id)}
                    >
                      {student.reason ? 'change' : 'more time'}
                    </button>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

const howFar = ({ attempts, startedAt, endsAt, handedInAt, endedByTime, late }: Schemas['TimesStudent']) => {
  const which = attempts > 1 ? `attempt ${attempts}: ` : '';
  if (!startedAt) return 'not begun';
  if (!handedInAt) return `${which}drawing${endsAt ? `, until ${moment(endsAt)}` : ''}`;
  return `${which}${endedByTime ? 'ended by the clock' : 'handed in'} ${moment(handedInAt)}${late ? ', late' : ''}`;
};

const ownTime = ({ until, extraMinutes }: Schemas['TimesStudent']) =>
  [until && `until ${moment(until)}`, extraMinutes > 0 && `${counted(extraMinutes, 'minute', 'minutes')} more`]
    .filter(Boolean)
    .join(', ');

interface ExtendProps extends ChangeProps {
  student: Schemas['TimesStudent'];
  /** Whether there is a time for everybody than which one student's can be later. */
  dated: boolean;
  onLeave: () => void;
}

function Extend({ exercise, student, dated, onReply, onLeave }: ExtendProps) {
  const [minutes, setMinutes] = useState(student.extraMinutes > 0 ? String(student.extraMinutes) : '');
  const [until, setUntil] = useState(student.until ? localTime(student.until) : '');
  const [reason, setReason] = useState(student.reason ?? '');
  const path = { params: { path: { id: exercise, student: student.id } } };
  const give = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/exercises/{id}/extensions/{student}', {
          ...path,
          body: {
            until: until === '' ? null : new Date(until).toISOString(),
            extraMinutes: Math.trunc(Number(minutes)),
            reason,
          },
        }),
      ),
    onSuccess: onReply,
  });
  const takeBack = useMutation({
    mutationFn: () => must(api.DELETE('/api/exercises/{id}/extensions/{student}', path)),
    onSuccess: onReply,
  });
  const failure = give.error ?? takeBack.error;
  return (
    <form
      aria-label={`More time for ${student.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        give.mutate();
      }}
    >
      <label className="field">
        <span>Minutes more on the clock</span>
        <input
          type="number"
          min={0}
          max={1440}
          autoFocus
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
      </label>
      {dated && (
        <label className="field mt-2">
          <span>Until, at a time of their own</span>
          <input type="datetime-local" value={until} onChange={(event) => setUntil(event.target.value)} />
        </label>
      )}
      <label className="field mt-2">
        <span>Why</span>
        <input required maxLength={500} value={reason} onChange={(event) => setReason(event.target.value)} />
      </label>
      <p className="flex flex-wrap gap-x-4 mt-2">
        <button
          className="word-button main"
          disabled={give.isPending || (until === '' && !Number(minutes)) || reason.trim() === ''}
        >
          give it
        </button>
        {student.reason && (
          <button type="button" className="word-button" disabled={takeBack.isPending} onClick={() => takeBack.mutate()}>
            take it back
          </button>
        )}
        <button type="button" className="word-button" onClick={onLeave}>
          leave it
        </button>
      </p>
      {failure && <p className="refusal mt-1">{messageOf(failure)}</p>}
    </form>
  );
}
