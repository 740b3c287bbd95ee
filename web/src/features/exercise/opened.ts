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
export const rememberPart = (
  queries: QueryClient,
  exercise: string,
  part: string,
  change: Partial<Schemas['ExercisePartReply']>,
) =>
  remember(queries, exercise, (reply) => ({
    parts: reply.parts.map((one) => (one.id === part ? { ...one, ...change } : one)),
  }));

/** The title that was saved. */
export const rememberTitle = (queries: QueryClient, exercise: string, title: string) =>
  remember(queries, exercise, () => ({ title }));

function remember(
  queries: QueryClient,
  exercise: string,
  change: (reply: Schemas['ExerciseReply']) => Partial<Schemas['ExerciseReply']>,
) {
  queries.setQueryData<OpenedExercise>(
    openedKey(exercise),
    (opened) => opened && { ...opened, reply: { ...opened.reply, ...change(opened.reply) } },
  );
}
