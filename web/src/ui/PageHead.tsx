import { useState } from 'react';
import { Link } from 'react-router';
import { usePerson, useSignOut } from '../features/session/useSession';
import { countKept, letGoOfAll } from '../keeping/store';
import { Sheet } from './Sheet';

/** The head of pages that are not a script: the house, the way home, who one is. */
export function PageHead() {
  const person = usePerson();
  const signOut = useSignOut();
  const [unsent, setUnsent] = useState(0);
  const leave = async () => {
    const kept = await countKept(person.id).catch(() => 0);
    if (kept > 0) setUnsent(kept);
    else signOut.mutate();
  };
  const leaveAnyway = async () => {
    await letGoOfAll(person.id);
    signOut.mutate();
  };
  return (
    <header className="page-head">
      <span className="house">Blue Slate</span>
      <nav aria-label="Pages">
        <Link className="word-button" to="/">
          what is next
        </Link>
        <Link className="word-button" to="/findings">
          kinds of findings
        </Link>
        <Link className="word-button" to="/ways">
          your ways
        </Link>
      </nav>
      <span className="who">
        {person.name}
        <button className="word-button" onClick={() => void leave()}>
          sign out
        </button>
      </span>
      <Sheet
        open={unsent > 0}
        onClose={() => setUnsent(0)}
        title={unsent === 1 ? 'A drawing has not reached the server' : `${unsent} drawings have not reached the server`}
        actions={
          <button className="press-button" onClick={() => void leaveAnyway()}>
            Sign out and lose {unsent === 1 ? 'it' : 'them'}
          </button>
        }
      >
        <p>
          {unsent === 1 ? 'It is' : 'They are'} kept in this browser only, and deleted when you sign out. Open{' '}
          {unsent === 1 ? 'it' : 'them'} once more while the server can be reached, and nothing is lost.
        </p>
      </Sheet>
    </header>
  );
}
