import type { QueryClient } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import type { Kept } from '../../keeping/store';
import { heldOf } from '../../keeping/useKeeping';

/** An exercise as it was opened to be written. */
export interface OpenedExercise {
  readonly reply: Schemas['ExerciseReply'];
  /** By part: what this browser kept of its model answer and the server had not acknowledged. */
  readonly kept: ReadonlyMap<string, Kept | null>;
}

export const openedKey = (id: string) => ['exercise', id] as const;

export async function openExercise(account: string, id: string): Promise<OpenedExercise> {
  const reply = await must(api.GET('/api/exercises/{id}', { params: { path: { id } } }));
  const kept = await Promise.all(
    reply.parts.map(async (part): Promise<[string, Kept | null]> => [part.id, await heldOf(account, part.id)]),
  );
  return { reply, kept: new Map(kept) };
}

/** What was saved of a part, so that whoever comes back to it goes on from there. */
export function rememberPart(
  queries: QueryClient,
  exercise: string,
  part: string,
  change: Partial<Schemas['ExercisePartReply']>,
) {
  queries.setQueryData<OpenedExercise>(openedKey(exercise), (opened) =>
    opened
      ? {
          ...opened,
          reply: {
            ...opened.reply,
            parts: opened.reply.parts.map((one) => (one.id === part ? { ...one, ...change } : one)),
          },
        }
      : undefined,
  );
}
