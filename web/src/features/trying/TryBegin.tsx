import { useMutation } from '@tanstack/react-query';
import type { Schemas } from '../../api/client';
import { partTools } from '../../api/drawingTools';
import { BeginWith, putOnSlate } from '../../parts/BeginWith';
import type { Slate } from '../../slate/useSlate';
import { messageOf } from '../../ui/states';
import { usePerson } from '../session/useSession';
import { trialOf } from './trial';

/** Begins a part that is tried with the trial of an earlier one, or with its model answer as it is now. */
export function TryBegin({
  exercise,
  begin,
  learned,
  slate,
}: {
  exercise: Schemas['ExerciseReply'];
  begin: Schemas['BeginDocument'];
  learned: Schemas['PartDocument']['learned'];
  slate: Slate;
}) {
  const person = usePerson();
  const earlier = exercise.parts[(begin.part ?? 0) - 1];
  const text = earlier && (begin.with === 'own-drawing' ? trialOf(person.id, earlier.id)?.drawing : earlier.model.text);
  const put = useMutation({
    mutationFn: async () => {
      const before = earlier!.part.value.learned!.notation;
      return before === learned!.notation
        ? text!
        : (await partTools(earlier!.id, '').redraw(text!, learned!.notation)).drawing;
    },
    onSuccess: (drawing) => putOnSlate(slate, drawing),
  });
  if (!earlier) return null;
  return (
    <BeginWith
      begins={begin.with!}
      part={begin.part!}
      nothing={!text}
      waiting={put.isPending}
      refusal={put.isError ? messageOf(put.error) : null}
      onBegin={() => put.mutate()}
    />
  );
}
