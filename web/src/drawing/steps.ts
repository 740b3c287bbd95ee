import type { Comment, Drawing, Line, Region, Shape, Sheet, Tie } from './document';

/** What a drawing is made of, by the kind of element. */
interface Elements {
  readonly shape: Shape;
  readonly line: Line;
  readonly tie: Tie;
  readonly region: Region;
  readonly comment: Comment;
  readonly sheet: Sheet;
}

/** Where a drawing keeps the elements of each kind. */
const rooms = {
  shape: 'shapes',
  line: 'lines',
  tie: 'ties',
  region: 'regions',
  comment: 'comments',
  sheet: 'sheets',
} as const satisfies Record<keyof Elements, keyof Drawing>;

type StepOf<K extends keyof Elements> = {
  readonly of: K;
  readonly id: string;
  readonly before: Elements[K] | null;
  readonly after: Elements[K] | null;
};

/**
 * The one kind of step: an element is put where another (or nothing) was. A step knows both, so that it can be undone and
 * written as JSON. Moving, retyping, making and deleting are all of this kind.
 */
export type Step = { [K in keyof Elements]: StepOf<K> }[keyof Elements];

/** Steps that are done and undone together. Changes in a row with the same merge key become one. */
export interface Change {
  readonly label: string;
  readonly steps: readonly Step[];
  readonly mergeKey?: string;
  /** Whether what it makes new is on its sheet already. */
  readonly placed?: boolean;
}

/** Applies steps to a drawing; throws when a step does not fit what is there. */
export function apply(drawing: Drawing, steps: readonly Step[]): Drawing {
  let next = drawing;
  for (const step of steps) {
    const room = rooms[step.of];
    next = { ...next, [room]: put(next[room] as ReadonlyMap<string, unknown>, step) };
  }
  return next;
}

function put<T>(
  elements: ReadonlyMap<string, T>,
  step: { of: string; id: string; before: T | null; after: T | null },
): ReadonlyMap<string, T> {
  if ((elements.get(step.id) ?? null) !== step.before)
    throw new Error(`The ${step.of} ${step.id} is not as this step expects it.`);
  const next = new Map(elements);
  if (step.after === null) next.delete(step.id);
  else next.set(step.id, step.after);
  return next;
}

/** The steps that take these back. */
export const invert = (steps: readonly Step[]): Step[] =>
  [...steps].reverse().map((step) => ({ ...step, before: step.after, after: step.before }) as Step);

/** Two changes, one after the other, as one. Steps on the same element become one step. */
export const merge = (first: Change, second: Change): Change => ({
  ...second,
  steps: once([...first.steps, ...second.steps]),
});

/** Steps of which each element has one: from what it was before the first to what the last makes of it. */
export function once(all: readonly Step[]): Step[] {
  const steps = new Map<string, Step>();
  for (const step of all) {
    const key = `${step.of} ${step.id}`;
    const earlier = steps.get(key);
    steps.set(key, earlier ? ({ ...step, before: earlier.before } as Step) : step);
  }
  return [...steps.values()].filter((step) => step.before !== step.after);
}

/** The steps that lead from one drawing to another. What is the same value in both needs none. */
export function stepsBetween(before: Drawing, after: Drawing): Step[] {
  return (Object.keys(rooms) as (keyof Elements)[]).flatMap((of) => {
    const here = before[rooms[of]] as ReadonlyMap<string, unknown>;
    const there = after[rooms[of]] as ReadonlyMap<string, unknown>;
    return [...new Set([...here.keys(), ...there.keys()])]
      .map((id) => ({ of, id, before: here.get(id) ?? null, after: there.get(id) ?? null }) as Step)
      .filter((step) => step.before !== step.after && JSON.stringify(step.before) !== JSON.stringify(step.after));
  });
}

export const putShape = (drawing: Drawing, after: Shape): Step => ({
  of: 'shape',
  id: after.id,
  before: drawing.shapes.get(after.id) ?? null,
  after,
});

export const putLine = (drawing: Drawing, after: Line): Step => ({
  of: 'line',
  id: after.id,
  before: drawing.lines.get(after.id) ?? null,
  after,
});

export const putTie = (after: Tie): Step => ({ of: 'tie', id: after.id, before: null, after });
