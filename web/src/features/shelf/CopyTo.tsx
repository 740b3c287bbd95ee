import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { ForCohort } from './ForCohort';

interface CopyToProps {
  exercise: Schemas['ShelfExercise'];
  cohorts: readonly Schemas['CohortReply'][];
}

/** Copies an exercise, without its answers, to be written further for a class. */
export function CopyTo({ exercise, cohorts }: CopyToProps) {
  const [open, setOpen] = useState(false);
  const [cohort, setCohort] = useState(cohorts[0]!.id);
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: () =>
      must(api.POST('/api/exercises/{id}/copy', { params: { path: { id: exercise.id } }, body: { cohortId: cohort } })),
    onSuccess: ({ id }) => navigate(`/exercises/${id}`),
  });
  return (
    <>
      <button className="word-button" onClick={() => setOpen(true)}>
        copy it …
      </button>
      <Sheet
        open={open}
        onClose={() => setOpen(false)}
        title={`Copy “${exercise.title}”`}
        actions={
          <button className="press-button" disabled={copy.isPending} onClick={() => copy.mutate()}>
            {copy.isPending ? 'copying …' : 'Copy it'}
          </button>
        }
      >
        <p>
          Scenario, parts, model answers, what is accepted and the schemes are copied; answers and decisions are not.
          The copy is yours to write further, and nobody sees it until it is published.
        </p>
        <ForCohort cohorts={cohorts} value={cohort} onChange={setCohort} />
        {copy.isError && (
          <p className="refusal mt-3" role="alert">
            {messageOf(copy.error)}
          </p>
        )}
      </Sheet>
    </>
  );
}
