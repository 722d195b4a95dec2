import type { Check } from '@jubb/core/bench';
import { formatBand, formatReading, type Quantity } from '@jubb/core/quantities';
import type { Verdict } from '@jubb/core/reckoners';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';

/** The figure of a run, what else was looked at, and what was seen. */
export function ProofWords({
  value,
  verdict,
  checks,
  says,
}: {
  readonly value: Quantity;
  readonly verdict: Verdict;
  readonly checks: readonly Check[];
  readonly says: readonly string[];
}): React.JSX.Element {
  return (
    <div className="proof" aria-live="polite">
      <div className="figure">
        <b>{formatReading(value)}</b>
        <VerdictMark verdict={verdict} />
      </div>
      {checks.map((c) => (
        <div key={c.name} className="check">
          <span>
            {c.name}
            {c.value && <b> {formatReading(c.value)}</b>}
            {c.band && <small> of {formatBand(c.band)}</small>}
            {c.says && <small className="d-block">{c.says}</small>}
          </span>
          <VerdictMark verdict={c.verdict} />
        </div>
      ))}
      {says.map((s) => (
        <p key={s} className="quiet m-0">
          {s}
        </p>
      ))}
    </div>
  );
}
