import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, must, setGuard, type Schemas } from '../../api/client';

export type Person = Schemas['PersonReply'];

/** Who is signed in. Everything else waits for it, since it brings the token that changing requests carry. */
export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: async () => {
      const session = await must(api.GET('/api/session'));
      setGuard(session.guard);
      return session;
    },
    staleTime: Infinity,
  });
}

/** The person who is signed in; only below pages that need one. */
export function usePerson(): Person {
  return useSession().data!.person!;
}

/** Forgets everything of one person when another signs in or out. */
export function useFreshSession() {
  const queries = useQueryClient();
  return async () => {
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    await queries.invalidateQueries({ queryKey: ['session'] });
  };
}

export function useSignOut() {
  const fresh = useFreshSession();
  return useMutation({ mutationFn: () => must(api.DELETE('/api/session')), onSuccess: fresh });
}

/** Fetches a token that fits whoever is signed in now, without telling the page who that is. */
export async function freshGuard(): Promise<string> {
  const { guard } = await must(api.GET('/api/session'));
  setGuard(guard);
  return guard;
}

/** Signing in. Over a slate everything that is shown is kept, since it is the same person who comes back. */
export function useSignIn(keep: boolean) {
  const queries = useQueryClient();
  const fresh = useFreshSession();
  return useMutation({
    mutationFn: async (body: Schemas['SignInRequest']) => {
      await freshGuard();
      return must(api.POST('/api/session', { body }));
    },
    onSuccess: () => (keep ? queries.invalidateQueries({ queryKey: ['session'] }) : fresh()),
  });
}
