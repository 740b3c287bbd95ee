import type { Schemas } from '../../api/client';

type Step = Schemas['PartStepReply'];
type Written = Schemas['StepDocument'];

const written = ({ elements, ownSaid, ownWhy }: Step): Written => ({ elements, said: ownSaid, why: ownWhy });

/** The steps with one moved so many places earlier or later. */
export function moved(steps: readonly Step[], at: number, by: number): Written[] {
  const next = steps.map(written);
  const [step] = next.splice(at, 1);
  next.splice(at + by, 0, step!);
  return next;
}

/** The steps with one drawn together with the one before it; what a person wrote of both stays. */
export function joined(steps: readonly Step[], at: number): Written[] {
  const [before, step] = [steps[at - 1]!, steps[at]!];
  const both = (own: (one: Step) => string | null | undefined, all: (one: Step) => string) =>
    own(before) == null && own(step) == null ? null : `${all(before)} ${all(step)}`;
  const one: Written = {
    elements: [...before.elements, ...step.elements],
    said: both(
      (it) => it.ownSaid,
      (it) => it.said,
    ),
    why: both(
      (it) => it.ownWhy,
      (it) => it.why,
    ),
  };
  return steps.flatMap((it, i) => (i === at - 1 ? [one] : i === at ? [] : [written(it)]));
}

/** The steps with one taken apart into what it was made of. */
export const apart = (steps: readonly Step[], at: number): Written[] =>
  steps.flatMap((step, i) => (i === at ? step.pieces.map((elements) => ({ elements })) : [written(step)]));

/** The steps with other words at one; words as proposed are not kept, so that they go with the model answer. */
export const reworded = (steps: readonly Step[], at: number, said: string, why: string): Written[] =>
  steps.map((step, i) =>
    i === at
      ? { elements: step.elements, said: own(said, step.said, step.ownSaid), why: own(why, step.why, step.ownWhy) }
      : written(step),
  );

const own = (text: string, shown: string, before: string | null | undefined) =>
  text.trim() === '' ? null : text.trim() === shown ? (before ?? null) : text.trim();
