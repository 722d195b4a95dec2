import type { FallbackProps } from 'react-error-boundary';

/** Instead of a screen that broke: what happened, and the ways on. Nothing that was given is lost by it. */
export function Broken({ error, resetErrorBoundary }: FallbackProps): React.JSX.Element {
  const says = error instanceof Error ? error.message : String(error);
  return (
    <main className="empty" role="alert">
      <h2>This screen broke</h2>
      <p>What was given is kept and sent all the same. If it comes back, this says why: {says}</p>
      <div className="d-flex gap-2 justify-content-center flex-wrap">
        <button type="button" className="btn-ink" onClick={resetErrorBoundary}>
          Try again
        </button>
        <button type="button" className="btn-line" onClick={() => location.assign('/')}>
          To the Floor
        </button>
      </div>
    </main>
  );
}
