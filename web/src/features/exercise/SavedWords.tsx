import { messageOf } from '../../ui/states';
import type { Saved } from './useSaved';

/** How it stands with what is saved as one goes. */
export function SavedWords({ all }: { all: readonly Pick<Saved<unknown>, 'saving' | 'error' | 'again'>[] }) {
  const failed = all.filter((one) => one.error);
  if (failed.length > 0)
    return (
      <p className="refusal" role="alert">
        {messageOf(failed[0]!.error)}{' '}
        <button className="word-button" type="button" onClick={() => failed.forEach((one) => one.again())}>
          save again
        </button>
      </p>
    );
  return (
    <p className="text-quiet-ink">{all.some((one) => one.saving) ? 'saving what you write …' : 'saved as you write'}</p>
  );
}
