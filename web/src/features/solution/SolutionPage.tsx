import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { PartTabs } from '../../parts/PartTabs';
import { partLine, tabOf } from '../../parts/partLine';
import { useShownPart } from '../../parts/useShownPart';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
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
          back={{ to: `/exercises/${exercise.id}`, says: 'back to the exercise' }}
        >
          <PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />
        </Walk>
      )}
    </>
  );
}
