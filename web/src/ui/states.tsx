import { Link } from 'react-router';
import { isProblem } from '../api/client';
import { NotDone } from './notDone';
import { PageTitle } from './PageTitle';

/** Shown while something loads; quiet, and announced. */
export function Loading({ what }: { what: string }) {
  return (
    <p className="page-state" role="status">
      Fetching {what} …
    </p>
  );
}

/** Shown when something could not be loaded, with a way to try again. */
export function Failed({ error, retry }: { error: unknown; retry?: () => void }) {
  return (
    <div className="page-state" role="alert">
      <p>{messageOf(error)}</p>
      {retry && (
        <button className="word-button" onClick={retry}>
          try again
        </button>
      )}
    </div>
  );
}

/** A page that could not be loaded: why, and the way back. */
export function FailedPage({ error, retry }: { error: unknown; retry?: () => void }) {
  return (
    <main className="failed-page">
      <PageTitle title="Not shown" />
      <h1>This page cannot be shown</h1>
      <Failed error={error} retry={retry} />
      <Link className="word-button" to="/">
        what is next
      </Link>
    </main>
  );
}

/** The sentence of a problem that the server told, of something that was not done, or one for a server that is away. */
export const messageOf = (error: unknown): string =>
  error instanceof NotDone
    ? error.message
    : isProblem(error)
      ? error.detail
      : 'The server cannot be reached. What you have done here is kept.';
