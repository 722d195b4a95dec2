import { advisePack, packIn, predict, type PackAdvice } from '@jubb/core/bench';
import { formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import { ReckonError } from '@jubb/core/reckoners';
import { useEffect } from 'react';
import { createPortal } from 'react-dom';
import { PackSection } from '../../drawing/pack-section.tsx';
import { Rule } from '../../drawing/rule.tsx';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import { factsOf } from '../instrument-facts.ts';
import { ReckonerLink } from '../working-block.tsx';
import { useInstrument } from '../use-instrument.ts';
import { Foot } from './foot.tsx';
import { Go, type PanelProps } from './panel.tsx';
import { TypedReading } from './typed-reading.tsx';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** Sets a float or preload by its pack: read, the pack from the drawer, read again. */
export function SetPanel({ bench, op }: PanelProps<'set'>): React.JSX.Element {
  const { sheet, state, context } = bench;
  const setting = sheet.settings[op.setting]!;
  const soFar = state.settings[setting.id];
  const rounds = soFar?.rounds ?? [];
  const round = rounds.at(-1);
  const indicator = useInstrument(setting.gauge === 'indicator' ? 'indicator' : undefined, () => undefined);
  const pack = packIn(setting, soFar);
  const packMm = pack ? mm(pack) : undefined;
  const hand = indicator?.view.simulated ? indicator.hand : undefined;
  useEffect(() => {
    // The simulated hub follows the pack, and nothing else.
    if (packMm !== undefined) void hand?.({ action: 'fit-pack', packMm });
  }, [hand, packMm]);

  const drawer = context.drawers[setting.shims?.drawer ?? ''] ?? [];
  let advice: PackAdvice | undefined;
  let impossible: string | undefined;
  try {
    advice = advisePack(setting, soFar, drawer);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    impossible = e.message;
  }
  const readings = round?.readings ?? [];
  const result = round?.result;
  const best = advice?.fromDrawer.results.stacks[0];
  const within = result?.verdict === 'within';
  const pieces = result && !within ? (best?.pieces ?? []) : (round?.fitted?.pieces ?? []);
  const total = pieces.reduce((sum, p) => sum + mm(p), 0);
  const predicted = soFar && best && !within ? predict(setting, soFar, mm(best.total)) : undefined;
  const uses = (q: Quantity): boolean => pieces.some((p) => Math.abs(mm(p) - mm(q)) < 1e-6);
  const take = (value: Quantity, how: 'instrument' | 'hand'): void => {
    bench.give({
      type: 'take-reading',
      op: op.id,
      value,
      how,
      ...(how === 'instrument' && indicator ? { instrument: factsOf(indicator.view) } : {}),
    });
  };
  const foot = document.getElementById('foot');
  const left = setting.repeats - readings.length;
  return (
    <>
      <div className="op setgrid">
        <div>
          <PackSection
            pieces={pieces.length ? pieces.map(mm) : packMm ? [packMm] : []}
            pack={(pieces.length ? total : (packMm ?? 0)).toFixed(2)}
          />
          <Rule
            low={mm(setting.band.low)}
            high={mm(setting.band.high)}
            guard={result ? mm(result.uncertainty) : 0.01}
            readings={result ? [mm(result.mean)] : readings.map((r) => mm(r.value))}
            wanted={mm(setting.target)}
            unit="mm"
            title={setting.title.toLowerCase()}
          />
        </div>
        <div>
          {result && !within ? (
            <>
              <div className="quiet fw-bold">Fit this pack</div>
              <div className="mid2">
                {best ? mm(best.total).toFixed(2) : '–'}
                <span> mm</span>
              </div>
              <p className="quiet">
                {best
                  ? `${best.pieces.map((p) => mm(p).toFixed(2)).join(' + ')}. ${predicted ? `It should give ${mm(predicted).toFixed(2)} ± ${mm(advice!.uncertainty).toFixed(2)} mm` : ''}`
                  : (impossible ??
                    `No pack in the drawer: buy or grind ${advice?.fromDrawer.results.buySize ? formatQuantity(advice.fromDrawer.results.buySize, 2) : ''}`)}
              </p>
            </>
          ) : result ? (
            <>
              <div className="quiet fw-bold">Read, mean of {readings.length}</div>
              <div className="mid2">
                {mm(result.mean).toFixed(3)}
                <span> mm</span>
              </div>
              <VerdictMark verdict={result.verdict} />
            </>
          ) : (
            <>
              <div className="quiet fw-bold">Read with the pack that is in</div>
              <div className="mid2">
                {packMm?.toFixed(2)}
                <span> mm</span>
              </div>
              <p className="quiet">
                {setting.how}.{' '}
                {setting.seat ? `Nut at ${formatQuantity(setting.seat.to)}, ${setting.seat.turning ?? ''}` : ''}
              </p>
            </>
          )}
          {result && !within && <VerdictMark verdict={result.verdict} />}
          <div className="quiet mt-2">
            Readings: {readings.length ? readings.map((r) => mm(r.value).toFixed(3)).join(', ') : 'none'} of{' '}
            {setting.repeats}
          </div>
          {advice && !within && <ReckonerLink id="shim-stack" inputs={advice.asked} />}
          <h3 style={{ fontSize: 15 }} className="mt-2 quiet">
            In the drawer
          </h3>
          <table className="drawer">
            <tbody>
              {drawer.map((d) => (
                <tr key={d.thickness.value} className={result && !within && uses(d.thickness) ? 'u' : ''}>
                  <td>{mm(d.thickness).toFixed(2)}</td>
                  <td>{d.count}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {!result && indicator?.value === undefined && (
            <TypedReading
              dimension={setting.dimension}
              unit="0.23 mm"
              label={`Reading ${readings.length + 1}`}
              take={(q) => take(q, 'hand')}
            />
          )}
        </div>
      </div>
      {!result ? (
        <Go
          label={`Rock the hub and take reading ${readings.length + 1}${left > 1 ? ` of ${setting.repeats}` : ''}`}
          keyName="space"
          act={() => {
            if (indicator?.value !== undefined)
              take({ value: indicator.value, unit: indicator.view.unit }, 'instrument');
          }}
          disabled={indicator?.value === undefined}
        />
      ) : within ? (
        <Go
          label={`${setting.title} is set at ${mm(result.mean).toFixed(2)} mm`}
          act={() => bench.give({ type: 'complete', op: op.id })}
        />
      ) : (
        <Go
          label={`Pack ${best ? mm(best.total).toFixed(2) : ''} is in, nut at ${setting.seat ? formatQuantity(setting.seat.to) : 'its torque'}. Read again`}
          act={() => {
            if (best) bench.give({ type: 'fit-pack', op: op.id, pieces: best.pieces });
          }}
          disabled={!best}
        />
      )}
      {foot && createPortal(<Foot instrument={indicator} />, foot)}
    </>
  );
}
