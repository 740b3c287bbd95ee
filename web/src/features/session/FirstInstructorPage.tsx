import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { api, must } from '../../api/client';
import { messageOf } from '../../ui/states';
import { useFreshSession } from './useSession';
import { PageTitle } from '../../ui/PageTitle';

/** Makes the first instructor's account and cohort, by the link that a new installation prints once. */
export function FirstInstructorPage() {
  const [params] = useSearchParams();
  const [form, setForm] = useState({ name: '', email: '', password: '', cohort: '' });
  const fresh = useFreshSession();
  const navigate = useNavigate();
  const create = useMutation({
    mutationFn: () => must(api.POST('/api/first-instructor', { body: { ...form, token: params.get('token') ?? '' } })),
    onSuccess: async () => {
      await fresh();
      await navigate('/');
    },
  });
  const field = (key: keyof typeof form, label: string, type = 'text') => (
    <label className="field">
      <span>{label}</span>
      <input
        type={type}
        required
        minLength={key === 'password' ? 10 : 1}
        value={form[key]}
        onChange={(event) => setForm({ ...form, [key]: event.target.value })}
      />
    </label>
  );
  return (
    <main className="page-body">
      <PageTitle title="The first instructor" />
      <h1>The first instructor</h1>
      <p className="mt-2 mb-6 text-quiet-ink">
        This installation is empty. Make your account and your first cohort; the link works once.
      </p>
      <form
        className="max-w-[380px] space-y-4"
        onSubmit={(event) => {
          event.preventDefault();
          create.mutate();
        }}
      >
        {field('name', 'Your name')}
        {field('email', 'E-mail address', 'email')}
        {field('password', 'Password, at least 10 characters', 'password')}
        {field('cohort', 'Name of the cohort, such as “Data design, autumn”')}
        {create.isError && (
          <p className="refusal" role="alert">
            {messageOf(create.error)}
          </p>
        )}
        <button className="press-button" disabled={create.isPending}>
          Make the account
        </button>
      </form>
    </main>
  );
}
