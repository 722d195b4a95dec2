import type { InstrumentView } from '@jubb/contract';
import type { WrenchAdvice } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import Form from 'react-bootstrap/Form';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';

const MARK = {
  good: 'within',
  usable: 'within',
  overdue: 'undecided',
  'too coarse': 'outside',
  'out of range': 'outside',
} as const;

/** Which of the shop's wrenches to take: range, calibration and how true it is, said before the pull. */
export function WrenchRow({
  wrenches,
  chosen,
  choose,
}: {
  readonly wrenches: readonly WrenchAdvice<InstrumentView>[];
  readonly chosen: string | undefined;
  readonly choose: (id: string) => void;
}): React.JSX.Element | null {
  const now = wrenches.find((w) => w.wrench.id === chosen);
  if (wrenches.length === 0) return null;
  return (
    <div className="wrenchrow">
      <Form.Label htmlFor="wrench" className="m-0">
        Wrench
      </Form.Label>
      <Form.Select id="wrench" value={chosen ?? ''} onChange={(e) => choose(e.target.value)}>
        {chosen === undefined && <option value="">none in range</option>}
        {wrenches.map(({ wrench: w, verdict, says }) => (
          <option key={w.id} value={w.id} disabled={verdict === 'out of range'}>
            {/* What is said of the chosen one stands below it, in full. */}
            {w.id === chosen ? w.name : `${w.name}: ${says}`}
          </option>
        ))}
      </Form.Select>
      {now && (
        <small>
          <VerdictMark verdict={MARK[now.verdict]} says={now.says} />
          {now.wrench.uncertainty && `, ± ${formatQuantity(now.wrench.uncertainty)}`}
        </small>
      )}
    </div>
  );
}
