import { useMutation } from '@tanstack/react-query';
import { Link } from 'react-router';
import { usePerson, useSignOut } from './useSession';
import { sendKept } from '../../keeping/saving';
import { artefactOf } from '../../artefacts/registry';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';

/** The head of pages that are not a script: the house, the way home, who one is. */
export function PageHead() {
  const person = usePerson();
  const signOut = useSignOut();
  const send = useMutation({
    mutationFn: () => sendKept(person.id, artefactOf().plain),
    onSuccess: (rest) => {
      if (rest.length === 0) signOut.mutate();
    },
  });
  const unsent = send.data ?? [];
  return (
    <header className="page-head">
      <span className="house">Blue Slate</span>
      <nav aria-label="Pages">
        <Link className="word-button" to="/">
          what is next
        </Link>
        {person.isStaff && (
          <Link className="word-button" to="/shelf">
            shelf
          </Link>
        )}
        <Link className="word-button" to="/findings">
          kinds of findings
        </Link>
        <Link className="word-button" to="/ways">
          your ways
        </Link>
      </nav>
      <span className="who">
        {person.name}
        <button className="word-button" disabled={send.isPending || signOut.isPending} onClick={() => send.mutate()}>
          {send.isPending ? 'sending …' : 'sign out'}
        </button>
      </span>
      <Sheet
        open={unsent.length > 0 && !send.isPending}
        onClose={() => send.reset()}
        title={unsent.length === 1 ? 'A drawing has not reached the server' : 'Drawings have not reached the server'}
        actions={
          <>
            <button className="press-button" onClick={() => send.mutate()}>
              Send again
            </button>
            <button className="word-button" onClick={() => signOut.mutate()}>
              sign out, {unsent.length === 1 ? 'it waits' : 'they wait'} here
            </button>
          </>
        }
      >
        <ul className="list-disc pl-5">
          {unsent.map(({ document, title, revision }) => (
            <li key={document}>
              {title}
              {revision === 0 && ': it was changed elsewhere too; open it and choose'}
            </li>
          ))}
        </ul>
        <p className="mt-3">
          {unsent.length === 1 ? 'It is' : 'They are'} kept in this browser, for your account only, until you sign in
          here again.
        </p>
        {signOut.isError && (
          <p className="refusal mt-3" role="alert">
            {messageOf(signOut.error)}
          </p>
        )}
      </Sheet>
    </header>
  );
}
