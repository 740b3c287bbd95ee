import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { onDay } from '../../ui/time';

/** How long what the students drew is kept, and setting the day from which it is erased. */
export function KeepUntil({ cohort }: { cohort: Schemas['CohortPage'] }) {
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState(cohort.keepUntil ?? '');
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (keepUntil: string | null) =>
      must(api.PUT('/api/cohorts/{id}/keep-until', { params: { path: { id: cohort.id } }, body: { keepUntil } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['cohort', cohort.id] });
      setOpen(false);
    },
  });
  return (
    <p className="mt-3 mb-6">
      {cohort.keepUntil
        ? `From ${onDay(cohort.keepUntil)} on, everything of its students is erased.`
        : 'What its students drew is kept without an end.'}{' '}
      <button className="word-button" onClick={() => setOpen(true)}>
        {cohort.keepUntil ? 'change the day' : 'set a day'}
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title="How long it is kept"
        actions={
          <>
            <button className="press-button" disabled={day === '' || save.isPending} onClick={() => save.mutate(day)}>
              Erase from that day
            </button>
            {cohort.keepUntil && (
              <button className="word-button" disabled={save.isPending} onClick={() => save.mutate(null)}>
                keep without an end
              </button>
            )}
          </>
        }
      >
        <p className="mb-4">
          On that day the answers, marks and accounts of this cohort’s students are erased and cannot be brought back.
          Exercises, and students who belong to another cohort too, stay.
        </p>
        <label className="field max-w-[220px]">
          <span>The day</span>
          <input type="date" value={day} onChange={(event) => setDay(event.target.value)} />
        </label>
        {save.isError && (
          <p className="refusal mt-2" role="alert">
            {messageOf(save.error)}
          </p>
        )}
      </Sheet>
    </p>
  );
}
