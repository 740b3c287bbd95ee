import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { counted } from '../../notations/counts';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { ForCohort } from './ForCohort';

interface CopyToProps {
  exercise: Schemas['ShelfExercise'];
  cohorts: readonly Schemas['CohortReply'][];
}

/** Copies an exercise: without its answers, to be written further for a class, or with them, to try another marking on. */
export function CopyTo({ exercise, cohorts }: CopyToProps) {
  const [open, setOpen] = useState(false);
  const [cohort, setCohort] = useState(cohorts[0]!.id);
  const [what, setWhat] = useState<'written' | 'answers'>('written');
  const navigate = useNavigate();
  const path = { params: { path: { id: exercise.id } } };
  const copy = useMutation({
    mutationFn: () =>
      what === 'answers'
        ? must(api.POST('/api/exercises/{id}/trial', path))
        : must(api.POST('/api/exercises/{id}/copy', { ...path, body: { cohortId: cohort } })),
    onSuccess: ({ id }) => navigate(what === 'answers' ? `/exercises/${id}/answers` : `/exercises/${id}`),
  });
  const mayTry = exercise.answers > 0 && cohorts.some(({ id }) => id === exercise.cohortId);
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
        {mayTry && (
          <Choice
            label="What is copied"
            value={what}
            choices={[
              ['written', 'what is written,', 'for a class that is to draw it'],
              [
                'answers',
                `with its ${counted(exercise.answers, 'answer', 'answers')},`,
                'to try another marking on them',
              ],
            ]}
            onChoose={setWhat}
          />
        )}
        {what === 'answers' ? (
          <p className="mt-3">
            The answers and all that was decided on them are copied within {exercise.cohort}. Change the scheme, the
            model answer or the decisions there and see what becomes of the marks; the answers themselves keep theirs.
            No student sees the copy, and it is taken away when you are done.
          </p>
        ) : (
          <>
            <p className={mayTry ? 'mt-3' : undefined}>
              Scenario, parts, model answers, what is accepted and the schemes are copied; answers and decisions are
              not. The copy is yours to write further, and nobody sees it until it is published.
            </p>
            <ForCohort cohorts={cohorts} value={cohort} onChange={setCohort} />
          </>
        )}
        {copy.isError && (
          <p className="refusal mt-3" role="alert">
            {messageOf(copy.error)}
          </p>
        )}
      </Sheet>
    </>
  );
}
