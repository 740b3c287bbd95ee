import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, must, type Schemas } from '../../api/client';
import { rankOf, type Difference } from './deskRules';

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
