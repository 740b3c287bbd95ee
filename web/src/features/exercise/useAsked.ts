import { useQueryClient } from '@tanstack/react-query';
import { api, must, type Schemas } from '../../api/client';
import { rememberPart, rememberTitle } from './opened';
import { useSaved } from './useSaved';

/** How long a letter waits for the next one before what is asked is saved, in milliseconds. */
const delay = 400;

/** What is asked in a part while it is written, saved as one goes. */
export function useAsked(
  exercise: Schemas['ExerciseReply'],
  part: Schemas['ExercisePartReply'],
  reload: () => Promise<void>,
) {
  const queries = useQueryClient();
  return useSaved<Schemas['PartDocument']>({
    scope: `part-${part.id}`,
    opened: part.part,
    delay,
    put: async (revision, value) =>
      (await must(api.PUT('/api/parts/{id}', { params: { path: { id: part.id } }, body: { revision, value } })))
        .revision,
    onSaved: (revision, value) => {
      const before = part.part.value.learned;
      rememberPart(queries, exercise.id, part.id, { part: { revision, value } });
      // In which other ways the same may be drawn depends on what the class has learned.
      if (JSON.stringify(before) !== JSON.stringify(value.learned)) void reload();
    },
  });
}

/** The title of an exercise while it is written, saved as one goes. */
export function useTitle(exercise: Schemas['ExerciseReply']) {
  const queries = useQueryClient();
  return useSaved<string>({
    scope: `title-${exercise.id}`,
    opened: { revision: 0, value: exercise.title },
    delay,
    // The last title holds, whoever gave it.
    put: async (_, title) => {
      await must(api.PUT('/api/exercises/{id}/title', { params: { path: { id: exercise.id } }, body: { title } }));
      return 0;
    },
    onSaved: (_, title) => {
      rememberTitle(queries, exercise.id, title);
      void queries.invalidateQueries({ queryKey: ['home'] });
    },
  });
}
