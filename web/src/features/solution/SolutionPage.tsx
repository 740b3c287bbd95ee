import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { PartTabs } from '../../parts/PartTabs';
import { partLine, tabOf } from '../../parts/partLine';
import { useShownPart } from '../../parts/useShownPart';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading, messageOf } from '../../ui/states';
import { StepEditor } from './StepEditor';
import { Walk } from './Walk';

/** A model answer built up before a class: what is drawn, why, and the words it follows from; two keys go through it. */
export default function SolutionPage() {
  const { id } = useParams() as { id: string };
  const exercise = useQuery({
    queryKey: ['solution', id],
    queryFn: () => must(api.GET('/api/exercises/{id}', { params: { path: { id } } })),
    staleTime: 0,
  });
  if (exercise.isPending) return <Loading what="the exercise" />;
  if (exercise.isError) return <FailedPage error={exercise.error} retry={() => void exercise.refetch()} />;
  return <Solution exercise={exercise.data} />;
}

function Solution({ exercise }: { exercise: Schemas['ExerciseReply'] }) {
  const [part, at, show] = useShownPart(exercise.parts);
  const steps = useQuery({
    queryKey: ['steps', part.id],
    queryFn: () => must(api.GET('/api/parts/{id}/steps', { params: { path: { id: part.id } } })),
    staleTime: 0,
  });
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: async (change: Schemas['StepDocument'][]) => {
      await must(
        api.PUT('/api/parts/{id}/steps', {
          params: { path: { id: part.id } },
          body: { revision: steps.data!.revision, value: { steps: change } },
        }),
      );
    },
    // What was changed elsewhere is shown, whether this was saved or not.
    onSettled: () => queries.invalidateQueries({ queryKey: ['steps', part.id] }),
  });
  if (steps.isError) return <FailedPage error={steps.error} retry={() => void steps.refetch()} />;
  return (
    <>
      <PageTitle title={`${exercise.title}, step by step`} />
      {steps.isPending ? (
        <Loading what="the steps" />
      ) : (
        <Walk
          key={part.id}
          title={exercise.title}
          line={partLine(part.part.value)}
          scenarioHtml={exercise.scenarioHtml}
          model={part.model.text}
          steps={steps.data.steps}
          edit={
            steps.data.mayEdit
              ? (shown, show, onDone) => (
                  <StepEditor
                    key={`${steps.data.revision} ${shown}`}
                    steps={steps.data.steps}
                    at={shown}
                    asProposed={steps.data.asProposed}
                    saving={save.isPending || steps.isFetching}
                    refusal={save.isError ? messageOf(save.error) : null}
                    onChange={(change, next) => save.mutate(change, { onSuccess: () => show(next) })}
                    onDone={onDone}
                  />
                )
              : undefined
          }
          back={{ to: `/exercises/${exercise.id}`, says: 'back to the exercise' }}
        >
          <PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />
        </Walk>
      )}
    </>
  );
}
