import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import type { AnySession } from '../../keeping/session';
import { partName } from '../../parts/PartTabs';
import { show as written, valueOf } from '../../ui/marks';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

interface PartListProps {
  exercise: Schemas['ExerciseReply'];
  /** Which part is shown, from 0. */
  at: number;
  /** Its model answer. */
  session: AnySession;
  show: (at: number) => void;
  reload: () => Promise<void>;
}

/** Adding a part, moving the shown one, taking it away; with the marks and the time of all together. */
export function PartList({ exercise, at, session, show, reload }: PartListProps) {
  const { parts } = exercise;
  const part = parts[at]!;
  const [asking, setAsking] = useState(false);
  const add = useMutation({
    mutationFn: () => must(api.POST('/api/exercises/{id}/parts', { params: { path: { id: exercise.id } } })),
    onSuccess: async () => {
      await reload();
      show(parts.length);
    },
  });
  const move = useMutation({
    mutationFn: async (to: number) => {
      const order = parts.map(({ id }) => id);
      order.splice(to, 0, ...order.splice(at, 1));
      await must(
        api.PUT('/api/exercises/{id}/parts', { params: { path: { id: exercise.id } }, body: { parts: order } }),
      );
      return to;
    },
    onSuccess: async (to) => {
      await reload();
      show(to);
    },
  });
  const remove = useMutation({
    mutationFn: async () => {
      session.close();
      await must(api.DELETE('/api/parts/{id}', { params: { path: { id: part.id } } }));
    },
    onSuccess: async () => {
      setAsking(false);
      show(Math.max(0, at - 1));
      await reload();
    },
  });
  const busy = add.isPending || move.isPending || remove.isPending;
  const failure = add.error ?? move.error ?? remove.error;
  const marks = parts.reduce((sum, one) => sum + valueOf(one.part.value.marks ?? '0'), 0);
  const minutes = parts.map((one) => one.part.value.minutes ?? null);
  const time = minutes.includes(null)
    ? 'without a limit of time'
    : `in ${minutes.reduce<number>((sum, one) => sum + one!, 0)} minutes`;
  return (
    <section className="mt-6 pt-4 border-t border-hairline text-[14px]" aria-label="Parts">
      {parts.length > 1 && (
        <p className="mb-1 text-quiet-ink">
          Part {at + 1} of {parts.length}; {written(String(marks))} marks in all, {time}.
        </p>
      )}
      <p className="flex flex-wrap gap-x-5 gap-y-1">
        <button className="word-button" disabled={busy} onClick={() => add.mutate()}>
          add a part
        </button>
        {at > 0 && (
          <button className="word-button" disabled={busy} onClick={() => move.mutate(at - 1)}>
            move this one forward
          </button>
        )}
        {at < parts.length - 1 && (
          <button className="word-button" disabled={busy} onClick={() => move.mutate(at + 1)}>
            move this one back
          </button>
        )}
        {parts.length > 1 && (
          <button className="word-button" disabled={busy} onClick={() => setAsking(true)}>
            take this part away …
          </button>
        )}
      </p>
      {failure && (
        <p className="refusal mt-2" role="alert">
          {messageOf(failure)}
        </p>
      )}
      <Sheet
        open={asking}
        onClose={() => setAsking(false)}
        title={`Take away “${partName(part.part.value.title ?? '', at)}”?`}
        actions={
          <button className="press-button" disabled={busy} onClick={() => remove.mutate()}>
            {remove.isPending ? 'taking it away …' : 'Take it away'}
          </button>
        }
      >
        <p>What is asked in it, its model answer, what is accepted and its scheme go with it for good.</p>
      </Sheet>
    </section>
  );
}
