import { Link, useRouteError } from 'react-router';
import { Button } from '../ui/parts';

/** What stands in place of a screen that failed: what happened, and two ways on. */
export function Failed() {
  const error = useRouteError();
  // A new version took the place of the files that this page was made of.
  const stale = error instanceof Error && /dynamically imported module|Importing a module script failed/i.test(error.message);
  return (
    <div role="alert" className="m-4 max-w-prose border-l-4 border-rust bg-rust-pale px-4 py-3">
      <h1 className="font-semibold">
        {stale ? 'This screen could not be fetched: there is no network, or a new version is there.' : 'This screen failed.'}
      </h1>
      <p className="text-ink-2">{stale ? 'Load the page again when there is a network.' : 'Nothing that was shown as saved is lost.'}</p>
      {!stale && error instanceof Error && (
        <details className="mt-1 text-ink-2">
          <summary className="min-h-6 cursor-pointer">What to tell who looks after the server</summary>
          <p className="num mt-1 break-words">{error.message}</p>
        </details>
      )}
      <div className="mt-2 flex items-center gap-3">
        <Button onClick={() => window.location.reload()}>Load it again</Button>
        <Link to="/" className="underline underline-offset-2">
          To the Board
        </Link>
      </div>
    </div>
  );
}
