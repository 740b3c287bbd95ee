import type { Schemas } from '../../api/client';
import type { NotationName } from '../../parts/learned';

type Exercise = Schemas['ShelfExercise'];

/** What one looks for: words anywhere, a notation, topics of which all have to be there. */
export interface Wanted {
  readonly words: string;
  readonly notation: NotationName | '';
  readonly topics: readonly string[];
  readonly order: Order;
}

export type Order = 'newest' | 'shortest' | 'longest' | 'easiest' | 'hardest';

export const nothingWanted: Wanted = { words: '', notation: '', topics: [], order: 'newest' };

/** The exercises that have all of what is wanted, in the order that is wanted. */
export function found(exercises: readonly Exercise[], wanted: Wanted): Exercise[] {
  const words = wanted.words.toLowerCase().split(/\s+/).filter(Boolean);
  return exercises
    .filter(
      (exercise) =>
        words.every((word) => textOf(exercise).includes(word)) &&
        (wanted.notation === '' || exercise.parts.some(({ learned }) => learned?.notation === wanted.notation)) &&
        wanted.topics.every((topic) => exercise.topics.includes(topic)),
    )
    .sort(orders[wanted.order]);
}

/** How many of some exercises have each topic, the commonest first. */
export function topicsOf(exercises: readonly Exercise[]): readonly (readonly [topic: string, count: number])[] {
  const counts = new Map<string, number>();
  for (const topic of exercises.flatMap(({ topics }) => topics)) counts.set(topic, (counts.get(topic) ?? 0) + 1);
  return [...counts].sort(([a, some], [b, others]) => others - some || a.localeCompare(b));
}

const textOf = ({ title, cohort, topics, parts }: Exercise) =>
  [title, cohort, ...topics, ...parts.map((part) => part.title ?? '')].join(' ').toLowerCase();

const orders: Readonly<Record<Order, (a: Exercise, b: Exercise) => number>> = {
  newest: (a, b) => b.createdAt.localeCompare(a.createdAt),
  shortest: (a, b) => a.facts - b.facts,
  longest: (a, b) => b.facts - a.facts,
  // Of whom nothing is known comes last, either way.
  easiest: (a, b) => (b.earned ?? -1) - (a.earned ?? -1),
  hardest: (a, b) => (a.earned ?? 2) - (b.earned ?? 2),
};
