import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';

export type AssessmentValue = Schemas['AssessmentDocument'];
export type Tolerance = Schemas['ToleranceDocument'];

/** Tolerances and scheme while they are edited: shown at once, saved in order, each save on the revision of the one before. */
export function useAssessment(exercise: Schemas['ExerciseReply']) {
  const [value, setValue] = useState<AssessmentValue>(exercise.assessment.value);
  const revision = useRef(exercise.assessment.revision);
  const queries = useQueryClient();
  const save = useMutation({
    scope: { id: `assessment-${exercise.id}` },
    mutationFn: async (next: AssessmentValue) => {
      const reply = await must(
        api.PUT('/api/exercises/{id}/assessment', {
          params: { path: { id: exercise.id } },
          body: { revision: revision.current, value: next },
        }),
      );
      revision.current = reply.revision;
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ['home'] }),
  });
  const change = (next: AssessmentValue) => {
    setValue(next);
    save.mutate(next);
  };
  const tolerate = (fact: string, change_: Partial<Tolerance>) => {
    const tolerances = value.tolerances ?? [];
    const before = tolerances.find((tolerance) => tolerance.fact === fact) ?? {
      fact,
      accepted: [],
      optional: false,
      notAssessed: false,
    };
    const after = { ...before, ...change_ };
    const empty = (after.accepted ?? []).length === 0 && !after.optional && !after.notAssessed;
    change({
      ...value,
      tolerances: [...tolerances.filter((tolerance) => tolerance.fact !== fact), ...(empty ? [] : [after])],
    });
  };
  return { value, change, tolerate, error: save.error, saving: save.isPending };
}

export type Assessment = ReturnType<typeof useAssessment>;
