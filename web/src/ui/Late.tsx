import { Suspense, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './Button.tsx';

/**
 * What comes a moment after the screen. Where it cannot be fetched, the screen and what was typed on it stay as they
 * are.
 */
export function Late({ children, until }: { children: ReactNode; until?: ReactNode }) {
  return (
    <ErrorBoundary fallback={<NotThere />}>
      <Suspense fallback={until}>{children}</Suspense>
    </ErrorBoundary>
  );
}

const NotThere = () => (
  <p className="no-print flex flex-wrap items-center gap-3 text-soft">
    A part of this page did not come: the server is away.
    <Button onClick={() => window.location.reload()}>Load the page again</Button>
  </p>
);
