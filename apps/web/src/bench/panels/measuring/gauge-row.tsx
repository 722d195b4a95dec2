import type { InstrumentView } from '@jubb/contract';
import type { GaugeAdvice } from '@jubb/core/bench';
import { formatNumber, formatQuantity } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';

const MARK = { good: 'within', usable: 'within', 'too coarse': 'outside', unknown: 'undecided' } as const;
const WORDS = {
  good: 'fine enough',
  usable: 'just fine enough',
  'too coarse': 'too coarse for this',
  unknown: 'not known how fine',
} as const;

/** Which gauge to take, and whether it is fine enough for these limits, said before it is used. */
export function GaugeRow({
  gauges,
  chosen,
  choose,
}: {
  readonly gauges: readonly GaugeAdvice<InstrumentView>[];
  readonly chosen: string | undefined;
  readonly choose: (id: string | undefined) => void;
}): React.JSX.Element {
  return (
    <div className="gauges" role="group" aria-label="Which gauge">
      {gauges.map(({ gauge, verdict, ratio }) => (
        <Button
          key={gauge.id}
          variant="line"
          className="gauge"
          aria-pressed={chosen === gauge.id}
          onClick={() => choose(gauge.id)}
        >
          <b>{gauge.name}</b>
          <small>
            <VerdictMark verdict={MARK[verdict]} says={WORDS[verdict]} />
            <span className="d-block">
              {[
                ...(gauge.uncertainty ? [`± ${formatQuantity(gauge.uncertainty)}`] : []),
                ...(ratio === undefined ? [] : [`${formatNumber(ratio, 1)} : 1`]),
              ].join(', ')}
            </span>
          </small>
        </Button>
      ))}
      <Button variant="line" className="gauge" aria-pressed={chosen === undefined} onClick={() => choose(undefined)}>
        <b>Another</b>
        <small>typed, no guard</small>
      </Button>
    </div>
  );
}
