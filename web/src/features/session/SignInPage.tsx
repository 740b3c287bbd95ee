import { useState } from 'react';
import { messageOf } from '../../ui/states';
import { DemoPeople } from './DemoPeople';
import { useSession, useSignIn } from './useSession';
import { PageTitle } from '../../ui/PageTitle';

/** Signing in; in a demo, by choosing a person. */
export function SignInPage() {
  const demo = useSession().data?.demo ?? false;
  return (
    <div className="min-h-full grid grid-cols-[minmax(0,1fr)] md:grid-cols-[5fr_7fr]">
      <header className="bg-slate text-chalk px-12 py-14 flex flex-col justify-between">
        <div>
          <p className="font-read font-semibold text-[34px] leading-tight">Blue Slate</p>
          <p className="font-read text-[19px] leading-[1.5] mt-4 max-w-[26em] text-quiet-chalk">
            Draw what the scenario says. See what your drawing says. Read why the two differ.
          </p>
        </div>
        <Picture />
      </header>
      <main className="px-12 py-14 max-w-[760px]">{demo ? <DemoPeople /> : <PasswordForm />}</main>
    </div>
  );
}

/** Address and password; over the slate, when a session has run out, the password alone of whoever was signed in. */
export function PasswordForm({ address, onDone }: { address?: string; onDone?: () => void }) {
  const [email, setEmail] = useState(address ?? '');
  const [password, setPassword] = useState('');
  const signIn = useSignIn(onDone !== undefined);
  const submit = (event: React.FormEvent) => {
    event.preventDefault();
    signIn.mutate({ email, password }, { onSuccess: onDone });
  };
  return (
    <form className="max-w-[340px] space-y-4" onSubmit={submit}>
      {address === undefined && (
        <>
          <PageTitle title="Sign in" />
          <h1>Sign in</h1>
          <label className="field">
            <span>E-mail address</span>
            <input
              type="email"
              autoComplete="username"
              required
              value={email}
              onChange={(event) => setEmail(event.target.value)}
            />
          </label>
        </>
      )}
      <label className="field">
        <span>{address === undefined ? 'Password' : `Password of ${address}`}</span>
        <input
          type="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
      </label>
      {signIn.isError && (
        <p className="refusal" role="alert">
          {messageOf(signIn.error)}
        </p>
      )}
      <button className="press-button" disabled={signIn.isPending}>
        {signIn.isPending ? 'signing in …' : 'Sign in'}
      </button>
    </form>
  );
}

function Picture() {
  return (
    <svg className="scene-still mt-10 w-full max-w-[430px]" viewBox="0 0 430 190" aria-hidden="true">
      <g fill="none" stroke="currentColor" strokeWidth="1.6">
        <path d="M4 20H134V92H4ZM4 46H134M290 96H420V186H290ZM290 122H420" />
        <path d="M134 56H355V96M142 49V63M149 49V63M348 96L355 82L362 96" />
        <circle cx="355" cy="76" r="5" fill="var(--slate)" />
      </g>
      <g fill="currentColor" fontSize="15" fontFamily="Andika">
        <text x="14" y="39" fontWeight="700">
          Scenario
        </text>
        <text x="14" y="69">
          says
        </text>
        <text x="300" y="115" fontWeight="700">
          Drawing
        </text>
        <text x="300" y="145">
          shows
        </text>
        <text x="300" y="168">
          leaves open
        </text>
      </g>
    </svg>
  );
}
