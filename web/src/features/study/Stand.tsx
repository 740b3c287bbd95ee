import { useEffect, useState } from 'react';
import type { SessionView } from '../../keeping/session';
import { savedWords } from '../../keeping/sending';
import { left } from '../../ui/time';

interface StandProps {
  view: SessionView;
  endsAt: string | null;
  /** How far the server's clock is ahead of this one, in milliseconds. */
  offset: number;
  onHandIn?: () => void;
  onRetry: () => void;
}

/** Time left, saved or not, and handing in: always there, at the right end of the sentences. */
export function Stand({ view, endsAt, offset, onHandIn, onRetry }: StandProps) {
  const now = useNow(endsAt !== null) + offset;
  const remaining = endsAt ? new Date(endsAt).getTime() - now : null;
  return (
    <div className="stand">
      <span role="status">{savedWords(view)}</span>
      {view.state === 'offline' && (
        <button className="word-button" onClick={onRetry}>
          try now
        </button>
      )}
      {remaining !== null && (
        <span className="time" aria-label="Time">
          {remaining > 0 ? `${left(remaining)} left` : 'time is over'}
        </span>
      )}
      {onHandIn && (
        <button className="word-button" onClick={onHandIn}>
          hand in
        </button>
      )}
    </div>
  );
}

function useNow(ticking: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!ticking) return;
    const timer = window.setInterval(() => setNow(Date.now()), 1000);
    return () => window.clearInterval(timer);
  }, [ticking]);
  return now;
}
