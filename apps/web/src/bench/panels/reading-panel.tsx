import type { HowRead } from './reading-types.ts';
import {
  canonicalUnit,
  formatBand,
  formatNumber,
  formatQuantity,
  inCanonical,
  type Quantity,
} from '@jubb/core/quantities';
import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { Whose } from '../figure-source.tsx';
import { Rule } from '../../drawing/rule.tsx';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import { factsOf } from '../instrument-facts.ts';
import { useInstrument } from '../use-instrument.ts';
import { Foot } from './foot.tsx';
import { Go, type PanelProps } from './panel.tsx';
import { TypedReading } from './typed-reading.tsx';

/** The simulated unit as it came: the pack that gives it its worn float, mm. */
const AS_FOUND_PACK_MM = 1.58;

/** Readings of a test, of a setting as found, or of a measure at its places. */
export function ReadingPanel({ bench, op }: PanelProps<'read' | 'test' | 'measure'>): React.JSX.Element {
  const { sheet, state } = bench;
  const measure = op.kind === 'measure' ? sheet.measures[op.measure] : undefined;
  const test = op.kind === 'test' ? sheet.tests[op.test] : undefined;
  const setting = op.kind === 'read' ? sheet.settings[op.setting] : undefined;
  const dimension = (measure ?? test ?? setting)!.dimension;
  const indicator = useInstrument(setting?.gauge === 'indicator' ? 'indicator' : undefined, () => undefined);
  const hand = indicator?.view.simulated ? indicator.hand : undefined;
  useEffect(() => {
    // The hand is the same one until the instrument changes, so the pack is fitted once.
    void hand?.({ action: 'fit-pack', packMm: AS_FOUND_PACK_MM });
  }, [hand]);
  const readings = state.readings.filter((r) => r.op === op.id);
  const limit = measure ? (measure.newSize ?? measure.min ?? measure.max) : (test?.accept ?? setting?.band)?.low;
  const unit = readings.at(-1)?.value.unit ?? limit?.unit ?? canonicalUnit(dimension);
  const own = (q: Quantity | undefined): number | undefined => (q ? inCanonical(q, dimension) : undefined);
  const limits = measure
    ? { low: own(measure.min), high: own(measure.max) }
    : { low: own((test?.accept ?? setting?.band)!.low), high: own((test?.accept ?? setting?.band)!.high) };
  const missing = measure?.at.filter((a) => !readings.some((r) => r.where === a)) ?? (readings.length ? [] : ['once']);
  const where = missing[0];
  const take = (value: Quantity, how: HowRead): void => {
    bench.give({
      type: 'take-reading',
      op: op.id,
      value,
      how,
      ...(measure && where ? { where } : {}),
      ...(how === 'instrument' && indicator ? { instrument: factsOf(indicator.view) } : {}),
    });
  };
  const takeLive = (): void => {
    if (indicator?.value !== undefined) take({ value: indicator.value, unit: indicator.view.unit }, 'instrument');
  };
  const asFound =
    op.kind === 'test' && op.moment === 'now'
      ? state.readings.findLast((r) => r.subject === 'test' && r.id === op.test && r.moment === 'as-found')
      : undefined;
  const answer = state.answers[op.id];
  const ready = missing.length === 0 && (!measure?.groove || answer);
  const foot = document.getElementById('foot');
  return (
    <>
      <div className="op">
        <p className="m-0">
          {setting?.how ?? `By ${measure?.gauge ?? test?.gauge}`}.{' '}
          {measure
            ? `New ${measure.newSize ? formatQuantity(measure.newSize, 2) : '–'}${measure.min ? `, at least ${formatQuantity(measure.min, 2)}` : ''}${measure.max ? `, at most ${formatQuantity(measure.max, 2)}` : ''}`
            : `Accepted ${formatBand((test?.accept ?? setting?.band)!)}`}
        </p>
        <Whose from={(measure ?? test ?? setting)!.from} documents={bench.documents} />
        <Rule
          {...limits}
          guard={readings.at(-1)?.result ? (own(readings.at(-1)!.result!.uncertainty) ?? 0) : 0.01}
          readings={readings.map((r) => own(r.value)!)}
          unit={canonicalUnit(dimension)}
          title={(measure ?? test ?? setting)!.title}
        />
        {readings.map((r) => (
          <div key={r.seq} className="d-flex gap-3 align-items-center" style={{ fontSize: 20 }}>
            <span style={{ minWidth: 60 }}>{r.where ?? ''}</span>
            <b>{formatQuantity(r.value)}</b>
            {r.result && <VerdictMark verdict={r.result.verdict} />}
          </div>
        ))}
        {asFound && (
          <p className="past m-0 mt-2">
            As found: <b>{formatQuantity(asFound.value)}</b>
          </p>
        )}
        {where !== undefined && (
          <TypedReading
            dimension={dimension}
            unit={`${formatNumber(limit?.value ?? 1)} ${unit}`}
            label={measure ? `Reading at ${where}` : 'Reading'}
            take={(q) => take(q, 'hand')}
          />
        )}
        {missing.length === 0 && measure?.groove && (
          <div className="mt-2">
            <b>{measure.groove.ask}</b>
            <div className="answers mt-1">
              {(['no', 'yes'] as const).map((a) => (
                <button
                  key={a}
                  type="button"
                  className="btn-line"
                  aria-pressed={answer?.answer === a}
                  onClick={() => bench.give({ type: 'answer', op: op.id, answer: a })}
                >
                  {measure.groove![a]}
                </button>
              ))}
            </div>
          </div>
        )}
      </div>
      {where !== undefined && indicator?.value !== undefined ? (
        <Go label="Take the reading" keyName="space" act={takeLive} />
      ) : (
        <Go label="Done" act={() => bench.give({ type: 'complete', op: op.id })} disabled={!ready} />
      )}
      {foot && createPortal(<Foot instrument={indicator} />, foot)}
    </>
  );
}
