import { hotValue, isPull, settingBand, type DueReading, type NextTry } from '@jubb/core/bench';
import {
  canonicalUnit,
  decimalsOfAll,
  formatBand,
  formatNumber,
  formatQuantity,
  inCanonical,
  type Quantity,
  formatReading,
} from '@jubb/core/quantities';
import type { Setting } from '@jubb/core/sheet';
import { Rule } from '../../../drawing/rule.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { Whose } from '../../figure-source.tsx';
import type { Bench } from '../../use-bench.ts';

/** The setting on its rule, as it stands now. */
export function Standing({ bench, setting }: { readonly bench: Bench; readonly setting: Setting }): React.JSX.Element {
  const { band, target, used } = settingBand(setting, bench.state);
  const round = bench.state.settings[setting.id]?.rounds.at(-1);
  const own = (q: Quantity): number => inCanonical(q, setting.dimension);
  const read = round?.readings.filter((r) => !isPull(setting, r.value)).map((r) => own(r.value)) ?? [];
  return (
    <>
      <Rule
        low={own(band.low)}
        high={own(band.high)}
        guard={round?.result ? own(round.result.uncertainty) : 0}
        readings={round?.result ? [own(round.result.mean)] : read}
        wanted={own(target)}
        unit={canonicalUnit(setting.dimension)}
        title={setting.title.toLowerCase()}
      />
      {used && (
        <small className="d-block">
          Used bearings: half the band, {formatBand(band)}. New ones: {formatBand(setting.band)}
        </small>
      )}
    </>
  );
}

/** What is read next, and how. */
export function DueWords({
  due,
  setting,
  first,
}: {
  readonly due: DueReading;
  readonly setting: Setting;
  readonly first: NextTry | undefined;
}): React.JSX.Element {
  const { depth } = due;
  return (
    <>
      {first && due.number === 1 && <p className="lines p-0">{first.say}</p>}
      <div className="quiet fw-bold">
        {depth
          ? `Depth ${due.number} of ${due.of}`
          : `Read the ${due.setting.title.toLowerCase()}, ${due.number} of ${due.of}`}
      </div>
      <p className="lines p-0">{depth ? depth.title : due.setting.how}</p>
      {!depth && setting.seat && (
        <p className="quiet">
          Nut at {formatQuantity(setting.seat.to)}
          {setting.seat.turning ? `, ${setting.seat.turning}` : ''}
        </p>
      )}
      {first?.warnings.map((w) => (
        <p key={w} className="quiet m-0">
          {w}
        </p>
      ))}
    </>
  );
}

/** The next move, large, with what it should come to. */
export function Advice({ next, setting }: { readonly next: NextTry; readonly setting: Setting }): React.JSX.Element {
  const digits = next.predicted && next.uncertainty ? Math.max(2, decimalsOfAll([setting.band.low.value])) : 2;
  return (
    <div className={next.cannot ? 'refused' : ''} role={next.cannot ? 'alert' : undefined}>
      <div className="quiet fw-bold">{next.cannot ? 'It cannot be reached so' : 'Next'}</div>
      <p className="say">{next.say}</p>
      {next.predicted && !next.cannot && (
        <p className="quiet">
          It should give {formatQuantity(next.predicted, digits)}
          {next.uncertainty && ` ± ${formatNumber(inCanonical(next.uncertainty, setting.dimension), digits)}`}
        </p>
      )}
      {next.warnings.map((w) => (
        <p key={w} className="quiet m-0">
          {w}
        </p>
      ))}
    </div>
  );
}

/** Every try with what was moved before it: kept, never averaged across a move. */
export function Tries({
  bench,
  setting,
  named,
}: {
  readonly bench: Bench;
  readonly setting: Setting;
  /** The second of two that are read together: its name instead of the number. */
  readonly named?: boolean;
}): React.JSX.Element {
  const rounds = bench.state.settings[setting.id]?.rounds ?? [];
  const last = rounds.at(-1);
  const hot = last?.result && hotValue(setting, last.result.mean);
  return (
    <>
      {rounds.map(
        (r, i) =>
          r.result && (
            <div key={i} className="d-flex gap-2 align-items-center try">
              <span>{named ? setting.title : `Try ${i + 1}`}</span>
              <b>{formatReading(r.result.mean)}</b>
              <VerdictMark verdict={r.result.verdict} />
            </div>
          ),
      )}
      {last && !last.result && last.readings.length > 0 && (
        <div className="quiet">Read: {last.readings.map((r) => formatQuantity(r.value)).join(', ')}</div>
      )}
      {hot && (
        <small className="d-block">
          Warm, {formatQuantity(setting.hot!.rise)} up: {formatQuantity(hot.value)} ({setting.hot!.caseMaterial} case)
        </small>
      )}
      {!named && <Whose from={setting.from} documents={bench.documents} />}
    </>
  );
}
