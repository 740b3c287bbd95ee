import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { DrawingSession } from '../../slate/session';
import { Sheet } from '../../ui/Sheet';
import { NotSent, sendAll } from './workSessions';

/** Leaving sends what is drawn first; what cannot be sent is said, and waits in this browser. */
export function Leave({ sessions }: { sessions: readonly DrawingSession[] }) {
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
    mutationFn: () => sendAll(sessions, 'It waits in this browser for you.'),
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
        <p>{leave.error instanceof NotSent ? leave.error.message : ''}</p>
        <p className="mt-3">
          It is kept in this browser, for your account only, and sent when you open it here again while the server is
          there.
        </p>
      </Sheet>
    </>
  );
}
