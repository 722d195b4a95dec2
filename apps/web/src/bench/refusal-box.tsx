import { findOp } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import type { Bench } from './use-bench.ts';

/** Why a command was refused and what would clear it; each blocker leads to its step. */
export function RefusalBox({
  bench,
  look,
}: {
  readonly bench: Bench;
  readonly look: (step: string | undefined) => void;
}): React.JSX.Element | null {
  const { refusal } = bench;
  if (!refusal) return null;
  return (
    <div className="refused" role="alert">
      <div className="d-flex justify-content-between align-items-center gap-2">
        <span>
          <b>{refusal.says}.</b> {refusal.blockers ? '' : refusal.clears}
        </span>
        <Button variant="line" onClick={bench.clearRefusal}>
          Close
        </Button>
      </div>
      {refusal.blockers && (
        <ul>
          {refusal.blockers.map((b) => (
            <li key={b.code + b.says}>
              <span>{b.says}</span>
              <Button
                variant="line"
                onClick={() => {
                  bench.clearRefusal();
                  look(b.op === undefined ? undefined : findOp(bench.sheet, bench.state, b.op)?.step.id);
                }}
              >
                {b.clears}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
