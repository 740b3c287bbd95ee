import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { readDrawing } from '../../drawing/format';
import { ScenarioSheet } from '../../script/ScenarioSheet';
import { StillSlate } from '../../slate/StillSlate';
import { isWriting } from '../../ui/isWriting';
import { notYet } from './upTo';

const none: readonly Schemas['ScenarioPlace'][] = [];

interface WalkProps {
  title: string;
  line: string;
  scenarioHtml: string;
  /** The model answer. */
  model: string;
  steps: readonly Schemas['StepReply'][];
  /** One's own drawing, to be seen beside it, and what of it stands for an element of the model answer. */
  own?: { readonly drawing: string; readonly counterparts: Readonly<Record<string, string>> };
  back: { readonly to: string; readonly says: string };
  /** How the shown step is changed, where one may: what opens instead of its words, by its place from 0. */
  edit?: (at: number, show: (at: number) => void, onDone: () => void) => ReactNode;
  /** The parts of the exercise. */
  children: ReactNode;
}

/** A model answer built up step by step, by two keys, with the words that each step follows from. */
export function Walk({ title, line, scenarioHtml, model, steps, own, back, edit, children }: WalkProps) {
  const [wanted, setDone] = useState(0);
  const done = Math.min(wanted, steps.length);
  const [editing, setEditing] = useState(false);
  const go = useCallback(
    (by: number) => setDone((now) => Math.max(0, Math.min(steps.length, now + by))),
    [steps.length],
  );
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
      if (by === 0 || isWriting(event.target) || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey)
        return;
      event.preventDefault();
      event.stopPropagation();
      go(by);
    };
    window.addEventListener('keydown', onKeyDown, true);
    return () => window.removeEventListener('keydown', onKeyDown, true);
  }, [go]);

  const drawing = useMemo(() => readDrawing(model), [model]);
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
  const slate = (
    <StillSlate
      drawing={model}
      label="The model answer, as far as it is built up"
      hidden={hidden}
      lit={step?.elements ?? []}
    />
  );
  return (
    <div className="script walking">
      <ScenarioSheet title={title} line={line} html={scenarioHtml} lit={step?.places ?? none} follows>
        <p className="leads-away">
          <Link className="word-button" to={back.to}>
            {back.says}
          </Link>
        </p>
      </ScenarioSheet>
      <main className="middle">
        {children}
        {own ? (
          <div className="two-slates">
            <div>
              <h2>Yours</h2>
              <StillSlate drawing={own.drawing} label="Your drawing" lit={counterpartsOf(step, own.counterparts)} />
            </div>
            <div>
              <h2>The model answer</h2>
              {slate}
            </div>
          </div>
        ) : (
          slate
        )}
        <footer className="step" aria-live="polite">
          {step && edit && editing ? (
            edit(
              done - 1,
              (at) => setDone(at + 1),
              () => setEditing(false),
            )
          ) : step ? (
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
            {edit && step && !editing && (
              <button className="word-button" onClick={() => setEditing(true)}>
                change this step
              </button>
            )}
          </p>
        </footer>
      </main>
    </div>
  );
}

/** What of one's own drawing stands for what a step draws. */
const counterpartsOf = (step: Schemas['StepReply'] | undefined, counterparts: Readonly<Record<string, string>>) =>
  (step?.elements ?? []).flatMap((element) => counterparts[element] ?? []);
