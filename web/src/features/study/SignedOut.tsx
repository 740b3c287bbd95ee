import { useState } from 'react';
import type { AnySession } from '../../keeping/session';
import { Sheet } from '../../ui/Sheet';
import { messageOf } from '../../ui/states';
import { useBecome } from '../session/DemoPeople';
import { PasswordForm } from '../session/SignInPage';
import { usePerson, useSession } from '../session/useSession';

/** A session that ran out asks for the password over the slate; the drawing stays beneath, and is sent afterwards. */
export function SignedOut({ sessions, open }: { sessions: readonly AnySession[]; open: boolean }) {
  const resume = () => sessions.forEach((session) => session.resume());
  const demo = useSession().data?.demo ?? false;
  // Who drew this, whatever the server says of the session now.
  const [person] = useState(usePerson());
  return (
    <Sheet open={open} title="Your session has ended">
      <p className="mb-4">What you drew is still here, and is sent as soon as you are signed in again.</p>
      {demo ? (
        <BeAgain id={person.id} name={person.name} onDone={resume} />
      ) : (
        <PasswordForm address={person.email} onDone={resume} />
      )}
    </Sheet>
  );
}

/** In a demo nobody has a password. */
function BeAgain({ id, name, onDone }: { id: string; name: string; onDone: () => void }) {
  const become = useBecome(true);
  return (
    <>
      <button
        className="press-button"
        disabled={become.isPending}
        onClick={() => become.mutate(id, { onSuccess: onDone })}
      >
        Go on as {name}
      </button>
      {become.isError && (
        <p className="refusal mt-3" role="alert">
          {messageOf(become.error)}
        </p>
      )}
    </>
  );
}
