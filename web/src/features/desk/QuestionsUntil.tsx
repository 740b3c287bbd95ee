import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { localTime } from '../../ui/time';

/** Until when students may ask about their notes. */
export function QuestionsUntil({ desk }: { desk: Schemas['DeskReply'] }) {
  const queries = useQueryClient();
  const set = useMutation({
    mutationFn: (until: string | null) =>
      must(
        api.PUT('/api/marking/exercises/{id}/questions-until', {
          params: { path: { id: desk.id } },
          body: { until },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['desk', desk.id] }),
  });
  return (
    <div className="mt-6">
      <label className="field max-w-[260px]">
        <span>Students may ask about their notes until, empty for no end</span>
        <input
          key={desk.questionsUntil ?? ''}
          type="datetime-local"
          defaultValue={desk.questionsUntil ? localTime(desk.questionsUntil) : ''}
          onBlur={({ target }) => {
            const until = target.value === '' ? null : new Date(target.value).toISOString();
            if (localOf(until) !== localOf(desk.questionsUntil ?? null)) set.mutate(until);
          }}
        />
      </label>
      {set.isError && <p className="refusal">{messageOf(set.error)}</p>}
    </div>
  );
}

const localOf = (until: string | null) => (until === null ? '' : localTime(until));
