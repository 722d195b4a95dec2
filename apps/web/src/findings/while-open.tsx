import type { OfferView } from '@jubb/contract';
import { ladderOf, nextMove } from '@jubb/core/bench';
import { whileOpen } from '@jubb/core/reckoners';
import { partsOutOfReach } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import type { Bench } from '../bench/use-bench.ts';
import { FindingMark } from '../drawing/finding-mark.tsx';
import { moneyWords } from '../money.ts';

/** What is cheap to renew now that the unit is open, against the price of opening it again. */
export function WhileOpenList({
  bench,
  money,
}: {
  readonly bench: Bench;
  readonly money: OfferView['money'];
}): React.JSX.Element | null {
  const { sheet, state } = bench;
  const shutIn = partsOutOfReach(sheet, state.scope);
  const offered = sheet.whileOpen.filter((w) => !shutIn.has(w.part));
  if (offered.length === 0) return null;
  const all = ladderOf(sheet, state).all;
  const reopenMinutes = all.filter((s) => s.side !== 'bottom').reduce((sum, s) => sum + s.minutes, 0);
  const judge = all.flatMap((s) => s.ops).find((o) => o.kind === 'judge' && !state.done[o.id]);
  const mayJudge = judge !== undefined && nextMove(sheet, state).kind === 'op' && !state.parked;
  return (
    <section>
      <h3>While it is open</h3>
      {offered.map((w) => {
        const part = sheet.parts[w.part]!;
        const price = (part.priceMinor ?? 0) * Math.max(1, part.count);
        const { results } = whileOpen.reckon({
          part: part.title,
          price,
          extraMinutes: w.minutes,
          rate: money.rateMinor,
          reopenMinutes,
          riskOfNeed: w.risk,
        });
        const now = moneyWords(Math.round(results.renewNowCost.value), money.currency);
        const later = moneyWords(Math.round(results.expectedLaterCost.value), money.currency);
        const finding = state.findings[w.part];
        const take = (yes: boolean): void => {
          bench.give({
            type: 'judge',
            op: judge!.id,
            part: w.part,
            finding: yes ? 'renew' : 'reuse',
            reason: `While it is open: ${now} now, ${later} likely later; ${yes ? 'taken' : 'left'}`,
          });
        };
        return (
          <div key={w.part} className="row1 open-row">
            <span>
              <b>{part.title}</b>
              <small className="d-block">
                {now} now, {later} likely later: {results.advice === 'renew-now' ? 'worth taking' : 'leave it'}
              </small>
            </span>
            {finding ? (
              <FindingMark finding={finding} />
            ) : mayJudge ? (
              <span className="d-flex gap-2">
                <Button
                  variant="line"
                  className={results.advice === 'renew-now' ? 'advised' : undefined}
                  onClick={() => take(true)}
                >
                  Take
                </Button>
                <Button
                  variant="line"
                  className={results.advice === 'renew-now' ? undefined : 'advised'}
                  onClick={() => take(false)}
                >
                  Leave
                </Button>
              </span>
            ) : (
              <small>judged at the bottom of the ladder</small>
            )}
          </div>
        );
      })}
    </section>
  );
}
