import { canonical, formatNumber, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import { backlashShim } from '../../../reckoners/index.ts';
import type { Setting, SettingMethod } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { settingBand } from '../value.ts';
import type { NextTry } from './next-try-of.ts';

/** Shims are cut to hundredths. */
const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

/** What goes from one side to the other, and what goes in or out of both. */
export function sidesTry(
  setting: Setting,
  state: BenchState,
  method: Extract<SettingMethod, { kind: 'sides' }>,
  other: Setting | undefined,
): NextTry | undefined {
  const round = state.settings[setting.id]?.rounds.at(-1);
  const otherResult = other && state.settings[other.id]?.rounds.at(-1)?.result;
  if (!round?.result || (other && !otherResult)) return undefined;
  const { target } = settingBand(setting, state);
  const inputs = {
    measured: round.readings.map((r) => r.value),
    target,
    gearTeeth: method.gearTeeth,
    pinionTeeth: method.pinionTeeth,
    gaugeUncertainty: round.result.uncertainty,
  };
  const reckoned = backlashShim.reckon(inputs);
  const across = round.result.verdict === 'within' ? 0 : inCanonical(reckoned.results.leftShimChange, 'length');
  const working = [...reckoned.working];
  let both = 0;
  if (other && otherResult && otherResult.verdict !== 'within') {
    const wanted = settingBand(other, state).target;
    const per = inCanonical(method.per.gives, other.dimension) / inCanonical(method.per.move, 'length');
    const off = inCanonical(wanted, other.dimension) - inCanonical(otherResult.mean, other.dimension);
    both = off / per;
    working.push({
      name: 'Both packs together',
      formula: '(wanted − read) / what a millimetre does',
      figures: `(${formatQuantity(wanted)} − ${formatQuantity(otherResult.mean)}) / ${formatNumber(per)}`,
      value: canonical(both, 'length'),
    });
  }
  const left = hundredth(across + both / 2);
  // What goes across stays across: the sum is the change of the preload.
  const right = hundredth(hundredth(both) - left);
  const words = (mm: number, side: string): string =>
    mm === 0
      ? `leave the ${side} pack`
      : `${mm > 0 ? 'put' : 'take'} ${formatNumber(Math.abs(mm), 2)} mm ${mm > 0 ? 'in' : 'out of'} the ${side} pack`;
  const text =
    left === right && left !== 0
      ? `${left > 0 ? 'put' : 'take'} ${formatNumber(Math.abs(left), 2)} mm ${left > 0 ? 'in' : 'out of'} both packs`
      : `${words(left, 'left')}, ${words(right, 'right')}`;
  return {
    say: `${text.charAt(0).toUpperCase()}${text.slice(1)}. Turn it a few times, and read both again`,
    move: { kind: 'sides', left: canonical(left, 'length'), right: canonical(right, 'length') },
    working,
    warnings: reckoned.warnings,
    asked: { id: backlashShim.id, inputs },
  };
}
