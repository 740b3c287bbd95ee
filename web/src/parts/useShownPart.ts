import { useSearchParams } from 'react-router';

/** Which part is shown, by the address, so that going back and a link lead to it; the first where the address names none. */
export function useShownPart<T>(parts: readonly T[]): readonly [shown: T, at: number, show: (at: number) => void] {
  const [search, setSearch] = useSearchParams();
  const named = Number(search.get('part') ?? '1') - 1;
  const at = parts[named] ? named : 0;
  const show = (next: number) => setSearch(next === 0 ? {} : { part: String(next + 1) });
  return [parts[at]!, at, show];
}
