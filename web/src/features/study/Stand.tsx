import type { SessionView } from '../../keeping/session';
import { savedWords } from '../../keeping/sending';
import { left } from '../../ui/time';
import { useNow } from '../../ui/useNow';
import { warningAt } from './timeLeft';

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
  const warning = remaining === null ? null : warningAt(remaining);
  return (
    <div className="stand">
      <span role="status">{savedWords(view)}</span>
      {view.state === 'offline' && (
        <button className="word-button" onClick={onRetry}>
          try now
        </button>
      )}
      {remaining !== null && (
        <span className={warning ? 'time soon' : 'time'} aria-label="Time">
          {remaining > 0 ? `${left(remaining)} left` : 'time is over'}
        </span>
      )}
      {warning && (
        <span className="sr-only" role="alert">
          {warning}
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
