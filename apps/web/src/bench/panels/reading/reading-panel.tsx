import { testConditions } from '@jubb/core/sheet';
import type { HowRead } from './reading-types.ts';
import {
  canonicalUnit,
  formatBand,
  formatNumber,
  formatQuantity,
  inCanonical,
  type Quantity,
  formatReading,
} from '@jubb/core/quantities';
import { settingGauge, changeWords, isPull, readingsOf, instrumentFacts, openBad } from '@jubb/core/bench';

import { createPortal } from 'react-dom';
import { Whose } from '../../figure-source.tsx';
import { Rule } from '../../../drawing/rule.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { useInstrument } from '../../use-instrument.ts';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { useSettingRig } from '../../simulation/use-setting-rig.ts';
import { WayOn } from '../proving/way-on.tsx';
import { PullReading } from './pull-reading.tsx';
import { TypedReading } from './typed-reading.tsx';

/** A reading of a test, or of a setting as found. */
export function ReadingPanel({ bench, op }: PanelProps<'read' | 'test'>): React.JSX.Element {
  const { sheet, state } = bench;
  const test = op.kind === 'test' ? sheet.tests[op.test] : undefined;
  const setting = op.kind === 'read' ? sheet.settings[op.setting] : undefined;
  const { title, gauge, dimension, from } = (test ?? setting)!;
  const band = (test?.accept ?? setting?.band)!;
  const indicator = useInstrument(setting && settingGauge(setting.gauge));
  // The simulated unit as it came.
  useSettingRig(indicator, setting, state, { worn: true });
  const readings = readingsOf(state, op.id);
  const conditions = test ? testConditions(test) : [];
  const { unit } = band.low;
  const own = (q: Quantity): number => inCanonical(q, dimension);
  const take = (value: Quantity, how: HowRead): boolean =>
    bench.giveAndGoOn(
      {
        type: 'take-reading',
        op: op.id,
        value,
        how,
        ...(how === 'instrument' && indicator ? { instrument: instrumentFacts(indicator.view) } : {}),
      },
      op.id,
      // As found it is what it is; now it goes on by itself only when it is surely good.
      (after) =>
        op.kind === 'read' || op.moment === 'as-found' || readingsOf(after, op.id).at(-1)?.result?.verdict === 'within',
    );
  const takeLive = (): void => {
    if (indicator?.value !== undefined) take({ value: indicator.value, unit: indicator.view.unit }, 'instrument');
  };
  const asFound =
    op.kind === 'test' && op.moment === 'now'
      ? state.readings.findLast((r) => r.subject === 'test' && r.id === op.test && r.moment === 'as-found')
      : undefined;
  const unread = readings.length === 0;
  const bad = openBad(bench.sheet, bench.state).find((b) => b.op === op.id);
  const failed = bad !== undefined;
  const foot = document.getElementById('foot');
  return (
    <>
      <div className="op">
        <p className="m-0">
          {setting?.how ?? `By ${gauge}`}. Accepted {formatBand(band)}
          {conditions.length > 0 && (
            <b className="d-block">{conditions.join(', ').replace(/^./, (c) => c.toUpperCase())}</b>
          )}
        </p>
        <Whose from={from} documents={bench.documents} />
        <Rule
          low={own(band.low)}
          high={own(band.high)}
          guard={readings.at(-1)?.result ? own(readings.at(-1)!.result!.uncertainty) : 0.01}
          readings={readings.map((r) => own(r.result?.mean ?? r.value))}
          unit={canonicalUnit(dimension)}
          title={title}
        />
        {readings.map((r) => (
          <div key={r.seq} className="d-flex gap-3 align-items-center" style={{ fontSize: 20 }}>
            <b>{formatReading(r.result?.mean ?? r.value)}</b>
            {setting && isPull(setting, r.value) && <small>a pull of {formatQuantity(r.value)}</small>}
            {r.result && <VerdictMark verdict={r.result.verdict} />}
          </div>
        ))}
        {asFound && (
          <p className="past m-0 mt-2">
            {unread ? (
              <>
                As found: <b>{formatQuantity(asFound.value)}</b>
              </>
            ) : (
              changeWords(dimension, band, asFound.value, readings.at(-1)!.value)
            )}
          </p>
        )}
        {bad && test && <WayOn bench={bench} failed={test} bad={bad} />}
        {unread && (
          <TypedReading
            dimension={setting?.pull ? 'force' : dimension}
            unit={setting?.pull ? '24 N' : `${formatNumber(band.low.value)} ${unit}`}
            label="Reading"
            take={(q) => take(q, 'hand')}
          />
        )}
        {unread && !setting?.pull && dimension === 'torque' && /pull scale|spring balance/i.test(gauge) && (
          <PullReading take={(q) => take(q, 'hand')} />
        )}
      </div>
      {unread && indicator?.value !== undefined ? (
        <Go label="Take the reading" keyName="space" act={takeLive} />
      ) : failed ? null : (
        <Go label="Done" act={() => bench.give({ type: 'complete', op: op.id })} disabled={unread} />
      )}
      {foot && createPortal(<Foot instrument={indicator} />, foot)}
    </>
  );
}
