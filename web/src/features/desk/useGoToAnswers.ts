import { useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import type { Picked } from './Answers';

/** The way from a number to the answers that it counts, by their places among those of the reply. */
export function useGoToAnswers(all: readonly Schemas['ClassWork'][]) {
  const navigate = useNavigate();
  const [params] = useSearchParams();
  return (what: string, works: readonly number[]) => {
    const next = new URLSearchParams(params);
    next.set('view', 'answers');
    next.delete('of');
    const state: Picked = { what, works: works.map((at) => all[at]!.id) };
    void navigate({ search: next.toString() }, { state });
  };
}
