import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import Button from 'react-bootstrap/Button';
import type { FallbackProps } from 'react-error-boundary';
import { useLocation, useNavigate, useRouteError } from 'react-router';

const KEPT: ReadonlySet<string> = new Set(['me', 'job']);

/** Instead of a screen that broke: what happened, and the ways on. Nothing that was given is lost by it. */
export function Broken({ error, resetErrorBoundary }: FallbackProps): React.JSX.Element {
  const client = useQueryClient();
  useEffect(() => {
    // It may have been what was kept of an answer that broke it: asked anew when the screen is opened again. Jobs stay, for
    // a bench without a line.
    client.removeQueries({ predicate: (q) => q.getObserversCount() === 0 && !KEPT.has(String(q.queryKey[0])) });
  }, [client]);
  const says = error instanceof Error ? error.message : String(error);
  return (
    <main className="empty">
      <h1>This screen broke</h1>
      <p role="alert">What was given is kept and sent all the same. If it comes back, this says why: {says}</p>
      <div className="d-flex gap-2 justify-content-center flex-wrap">
        <Button variant="ink" onClick={resetErrorBoundary}>
          Try again
        </Button>
        <Button variant="line" onClick={() => location.assign('/')}>
          To the Floor
        </Button>
      </div>
    </main>
  );
}

/** Of a screen of the router: trying again goes to where one is. */
export function BrokenRoute(): React.JSX.Element {
  const error = useRouteError();
  const navigate = useNavigate();
  const here = useLocation();
  return (
    <Broken
      error={error}
      resetErrorBoundary={() => void navigate(here, { replace: true, state: here.state as unknown })}
    />
  );
}
