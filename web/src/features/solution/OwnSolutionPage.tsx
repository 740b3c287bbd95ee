import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { PartTabs } from '../../parts/PartTabs';
import { partLine, tabOf } from '../../parts/partLine';
import { useShownPart } from '../../parts/useShownPart';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
import { Walk } from './Walk';

/** The model answer step by step, beside one's own drawing: for a student whose marks are released. */
export default function OwnSolutionPage() {
  const { id } = useParams() as { id: string };
  const marks = useQuery({
    queryKey: ['marks', id],
    queryFn: () => must(api.GET('/api/study/answers/{id}/marks', { params: { path: { id } } })),
  });
  if (marks.isPending) return <Loading what="your marks" />;
  if (marks.isError) return <FailedPage error={marks.error} retry={() => void marks.refetch()} />;
  return <OwnSolution id={id} marks={marks.data} />;
}

function OwnSolution({ id, marks }: { id: string; marks: Schemas['StudentMarksReply'] }) {
  const [part, at, show] = useShownPart(marks.parts);
  const steps = useQuery({
    queryKey: ['own-steps', part.workId],
    queryFn: () => must(api.GET('/api/study/work/{id}/steps', { params: { path: { id: part.workId } } })),
  });
  if (steps.isPending) return <Loading what="the steps" />;
  if (steps.isError) return <FailedPage error={steps.error} retry={() => void steps.refetch()} />;
  return (
    <>
      <PageTitle title={`${marks.title}, step by step`} />
      <Walk
        key={part.workId}
        title={marks.title}
        line={partLine(part.part)}
        scenarioHtml={marks.scenarioHtml}
        model={part.modelDrawing ?? ''}
        steps={steps.data.steps}
        own={{ drawing: part.drawing, counterparts: part.result.counterparts }}
        back={{ to: `/answers/${id}/marks${at > 0 ? `?part=${at + 1}` : ''}`, says: 'back to your marks' }}
      >
        <PartTabs parts={marks.parts.map((one) => tabOf(one.workId, one.part))} at={at} onShow={show} />
      </Walk>
    </>
  );
}
