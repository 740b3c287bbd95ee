import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { AnySession } from '../../keeping/session';
import { capital } from '../../ui/capital';
import { Sheet } from '../../ui/Sheet';
import { NotSent, sendAll } from '../../keeping/sending';

/** Leaving sends what is drawn first; what cannot be sent is said, and waits in this browser. */
export function Leave({ sessions }: { sessions: readonly AnySession[] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const go = async () => {
    await Promise.all([
      queries.invalidateQueries({ queryKey: ['study'] }),
      queries.invalidateQueries({ queryKey: ['home'] }),
    ]);
    await navigate('/');
  };
  const leave = useMutation({
    mutationFn: () => sendAll(sessions, ''),
    onSuccess: go,
  });
  return (
    <>
      <button className="word-button" disabled={leave.isPending} onClick={() => leave.mutate()}>
        {leave.isPending ? 'sending …' : 'leave, it is kept'}
      </button>
      <Sheet
        open={leave.isError}
        onClose={() => leave.reset()}
        title="Not everything has reached the server"
        closeWord="stay"
        actions={
          <>
            <button className="press-button" onClick={() => leave.mutate()}>
              Send again
            </button>
            <button className="word-button" onClick={() => void go()}>
              leave all the same
            </button>
          </>
        }
      >
        <p>
          {leave.error instanceof NotSent ? `${capital(leave.error.stands)}. ` : ''}
          Nobody but you sees it there, and it is sent when you open it here again.
        </p>
      </Sheet>
    </>
  );
}
