import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { valueOf } from '../../ui/marks';

export type Difference = Schemas['DifferenceReply'];
export type ClassWork = Schemas['ClassWork'];

/** The differences of a class in a part. */
export function useDifferences(part: string) {
  return useQuery({
    queryKey: ['differences', part],
    queryFn: () => must(api.GET('/api/marking/parts/{id}/differences', { params: { path: { id: part } } })),
    refetchInterval: (query) => (query.state.data && query.state.data.waiting > 0 ? 1500 : false),
  });
}

/** Takes the differences as a decision left them; what else is known of the answers is fetched anew when it is looked at. */
export function useKeepDifferences(part: string, exercise: string) {
  const queries = useQueryClient();
  return (reply: Schemas['DifferencesReply']) => {
    queries.setQueryData(['differences', part], reply);
    queries.removeQueries({ queryKey: ['marking'] });
    queries.removeQueries({ queryKey: ['alike', part] });
    queries.removeQueries({ queryKey: ['class', part] });
    void queries.invalidateQueries({ queryKey: ['desk', exercise] });
  };
}

/** Whether everything about a difference is decided: for all at once, or at each of its places. */
export const isDecided = ({ forAll, places }: Difference) =>
  forAll !== null && forAll !== undefined ? true : places.every(({ decision }) => decision);

/** Whether there is nothing to decide: no line of the scheme uses it, and it costs nothing. */
export const isUnmarked = (difference: Difference) =>
  !difference.marked || (valueOf(difference.loss) === 0 && !isDecided(difference));

const rankOf = (difference: Difference) => (isDecided(difference) ? 1 : isUnmarked(difference) ? 2 : 0);

/**
 * The differences in the order of the desk: what is to be decided first, the greatest loss before. They keep their places while one goes
 * through them, and what comes new stands last.
 */
export function useOrder(differences: readonly Difference[]): readonly Difference[] {
  const [order, setOrder] = useState<readonly string[]>(() =>
    [...differences].sort((a, b) => rankOf(a) - rankOf(b)).map(({ key }) => key),
  );
  const fresh = differences.filter(({ key }) => !order.includes(key)).map(({ key }) => key);
  if (fresh.length > 0) setOrder([...order, ...fresh]);
  return useMemo(() => {
    const byKey = new Map(differences.map((difference) => [difference.key, difference]));
    return order.flatMap((key) => byKey.get(key) ?? []);
  }, [order, differences]);
}

/** The answers that want nothing any more: sure of what stands for what, with a decision on each difference that costs something. */
export function readyWorks(differences: readonly Difference[], works: readonly ClassWork[]): readonly ClassWork[] {
  const open = new Set<number>();
  for (const difference of differences)
    if (!isUnmarked(difference) && !difference.forAll)
      for (const { work, decision } of difference.places) if (!decision) open.add(work);
  return works.filter((work, at) => work.state === 'checked' && !work.doubtful && !open.has(at));
}
