import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { api, must } from '../../api/client';
import { messageOf } from '../../ui/states';
import { useFreshSession } from './useSession';
import { PageTitle } from '../../ui/PageTitle';

/** Chooses a password by the link that an instructor handed on, and comes in. */
export function WelcomePage() {
  const [params] = useSearchParams();
  const [password, setPassword] = useState('');
  const fresh = useFreshSession();
  const navigate = useNavigate();
  const enter = useMutation({
    mutationFn: () =>
      must(
        api.POST('/api/session/welcome', {
          body: { person: params.get('person') ?? '', token: params.get('token') ?? '', password },
        }),
      ),
    onSuccess: async () => {
      await fresh();
      await navigate('/', { replace: true });
    },
  });
  return (
    <main className="page-body">
      <PageTitle title="Choose a password" />
      <h1>Choose a password</h1>
      <p className="mt-2 mb-6 text-quiet-ink">Your instructor has made a place for you. The link works once.</p>
      <form
        className="max-w-[380px] space-y-4"
        onSubmit={(event) => {
          event.preventDefault();
          enter.mutate();
        }}
      >
        <label className="field">
          <span>Password, at least 10 characters</span>
          <input
            type="password"
            required
            minLength={10}
            autoComplete="new-password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </label>
        {enter.isError && (
          <p className="refusal" role="alert">
            {messageOf(enter.error)}
          </p>
        )}
        <button className="press-button" disabled={enter.isPending}>
          Come in
        </button>
      </form>
    </main>
  );
}
