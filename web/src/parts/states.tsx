import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { ApiError } from '../app/api.ts';
import { timeText } from '../app/format.ts';

/** A page or part still on its way. Says so after a moment only, so that quick pages do not flicker. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <p role="status" className="quiet appear-late">
      Fetching {what} …
    </p>
  );
}

/** What went wrong, in the server's words, and the way on. */
export function Trouble({ error, onRetry }: { readonly error: unknown; readonly onRetry?: () => void }) {
  const away = error instanceof ApiError && error.away;
  return (
    <div className="state-box trouble" role="alert">
      <strong>{away ? 'No connection' : 'This could not be shown'}</strong>
      <p>
        {error instanceof ApiError
          ? error.problem.message
          : 'Something failed on this page. Load it again; nothing was lost.'}
      </p>
      {onRetry && (
        <Button variant="outlined" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  );
}

/** Shown beside what was fetched earlier while the server is away. */
export function Stale({ at }: { readonly at: number }) {
  return (
    <p role="status" className="quiet" style={{ marginBottom: 12 }}>
      No connection: this is what was fetched at {timeText(at)}.
    </p>
  );
}

/** Nothing here yet, and what to do first. */
export function Empty({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className="state-box">
      <h2>{title}</h2>
      {children}
    </div>
  );
}
