import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, must, type Schemas } from '../../api/client';
import { readDrawing } from '../../drawing/format';
import { PartTabs } from '../../parts/PartTabs';
import { partLine, tabOf } from '../../parts/partLine';
import { useShownPart } from '../../parts/useShownPart';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { StillSlate } from '../../slate/StillSlate';
import { PageTitle } from '../../ui/PageTitle';
import { FailedPage, Loading } from '../../ui/states';
import { notYet } from './upTo';

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
        <Walk key={part.id} exercise={exercise} part={part} steps={steps.data.steps}>
          <PartTabs parts={exercise.parts.map((one) => tabOf(one.id, one.part.value))} at={at} onShow={show} />
        </Walk>
      )}
    </>
  );
}

const none: readonly Schemas['ScenarioPlace'][] = [];

interface WalkProps {
  exercise: Schemas['ExerciseReply'];
  part: Schemas['ExercisePartReply'];
  steps: readonly Schemas['StepReply'][];
  children: React.ReactNode;
}

function Walk({ exercise, part, steps, children }: WalkProps) {
  const [done, setDone] = useState(0);
  const go = useCallback(
    (by: number) => setDone((now) => Math.max(0, Math.min(steps.length, now + by))),
    [steps.length],
  );
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
      if (by === 0 || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
      event.preventDefault();
      event.stopPropagation();
      go(by);
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [go]);

  const drawing = useMemo(() => readDrawing(part.model.text), [part.model.text]);
  const hidden = useMemo(
    () =>
      notYet(
        drawing,
        steps.map((step) => step.elements),
        done,
      ),
    [drawing, steps, done],
  );
  const step = done > 0 ? steps[done - 1] : undefined;
  return (
    <div className="script walking">
      <ScenarioSheet
        title={exercise.title}
        line={partLine(part.part.value)}
        html={exercise.scenarioHtml}
        lit={step?.places ?? none}
        follows
      >
        <p className="leads-away">
          <Link className="word-button" to={`/exercises/${exercise.id}`}>
            back to the exercise
          </Link>
        </p>
      </ScenarioSheet>
      <main className="middle">
        {children}
        <StillSlate
          drawing={part.model.text}
          label="The model answer, as far as it is built up"
          hidden={hidden}
          lit={step?.elements ?? []}
        />
        <footer className="step" aria-live="polite">
          {step ? (
            <>
              <p className="said">{step.said}</p>
              <p className="why">{step.why}</p>
            </>
          ) : (
            <p className="said">{steps.length === 0 ? 'Nothing is drawn yet.' : 'Nothing is drawn yet: press →.'}</p>
          )}
          <p className="turns">
            <button className="word-button" disabled={done === 0} aria-keyshortcuts="ArrowLeft" onClick={() => go(-1)}>
              ← back
            </button>
            <span>
              {done} of {steps.length}
            </span>
            <button
              className="word-button"
              disabled={done === steps.length}
              aria-keyshortcuts="ArrowRight"
              onClick={() => go(1)}
            >
              next →
            </button>
          </p>
        </footer>
      </main>
    </div>
  );
}
