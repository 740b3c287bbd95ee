import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { messageOf } from '../../ui/states';
import { Tick } from '../../ui/Field';

interface ShareOutProps {
  desk: Schemas['DeskReply'];
  chosen: readonly Schemas['DeskAnswer'][];
  onDone: () => void;
}

/** Gives chosen answers to those who are to go through them, evenly, or to nobody in particular. */
export function ShareOut({ desk, chosen, onDone }: ShareOutProps) {
  const queries = useQueryClient();
  const [to, setTo] = useState<readonly string[]>([]);
  const give = useMutation({
    mutationFn: () =>
      must(
        api.PUT('/api/marking/exercises/{id}/markers', {
          params: { path: { id: desk.id } },
          body: { answers: chosen.map(({ id }) => id), to: [...to] },
        }),
      ),
    onSuccess: async () => {
      onDone();
      await queries.invalidateQueries({ queryKey: ['desk', desk.id] });
    },
  });
  const held = new Set(chosen.map(({ id }) => id));
  const already = (marker: string) => desk.answers.filter((one) => one.marker === marker && !held.has(one.id)).length;
  return (
    <Popover.Root>
      <Popover.Trigger className="word-button">give to …</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popover" aria-label="Who is to go through them" align="start" sideOffset={6}>
          <p className="font-bold">Who is to go through {chosen.length === 1 ? 'it' : `these ${chosen.length}`}?</p>
          {desk.markers.map(({ id, name }) => (
            <Tick
              key={id}
              label={`${id === desk.me ? `${name}, that is you` : name}${already(id) > 0 ? `: has ${already(id)} more` : ''}`}
            >
              <input
                type="checkbox"
                checked={to.includes(id)}
                onChange={({ target }) => setTo(target.checked ? [...to, id] : to.filter((one) => one !== id))}
              />
            </Tick>
          ))}
          <p className="mt-2 text-quiet-ink max-w-[300px]">
            {to.length > 1
              ? 'Shared out evenly: whoever has fewer already gets more.'
              : to.length === 0
                ? 'With nobody ticked they are anybody’s.'
                : 'Everybody who marks may still look at them.'}
          </p>
          <button className="press-button mt-2" disabled={give.isPending} onClick={() => give.mutate()}>
            {to.length === 0 ? 'Give to nobody' : 'Give'}
          </button>
          {give.isError && <p className="refusal">{messageOf(give.error)}</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
