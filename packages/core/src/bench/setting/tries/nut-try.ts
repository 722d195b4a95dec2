import { canonical, formatNumber, formatQuantity, inCanonical, type Quantity } from '../../../quantities/index.ts';
import { nutBackOff, type WorkingLine } from '../../../reckoners/index.ts';
import type { SettingMethod, Setting } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { settingBand } from '../value.ts';
import { deg, canonicalFor, type NextTry } from './next-try-of.ts';

/** Slots of castle nuts that a shop may have: common practice. */
const OTHER_SLOTS = [6, 8, 10, 12, 16, 18, 24];

/** How far to turn a nut that locks at its slots, or anywhere. */
export function nutTry(setting: Setting, state: BenchState, method: Extract<SettingMethod, { kind: 'nut' }>): NextTry {
  const canonicalOf = canonicalFor(setting);
  const pitch = inCanonical(method.pitch, 'length');
  const { band, target } = settingBand(setting, state);
  const [low, high, aim] = [canonicalOf(band.low), canonicalOf(band.high), canonicalOf(target)];
  const perDeg = pitch / 360;
  const result = state.settings[setting.id]?.rounds.at(-1)?.result;
  const inputs = {
    threadPitch: method.pitch,
    targetBand: [band.low, band.high],
    ...(method.slots === undefined
      ? { angle: canonical(aim / perDeg, 'angle') }
      : { slots: method.slots, holes: method.holes }),
  };
  const reckoned = nutBackOff.reckon(inputs);
  const asked = { id: nutBackOff.id, inputs };
  if (!result) {
    const share = reckoned.results.share?.value;
    const seat = setting.seat ? `From the seat at ${formatQuantity(setting.seat.to)}, ` : '';
    return {
      say: `${seat}slacken until it just turns free, then back ${deg(aim / perDeg)}${method.slots === undefined ? '' : ', to the nearest hole'}. Lock it, and read`,
      move: { kind: 'turn', turned: canonical(-aim / perDeg, 'angle') },
      working: reckoned.working,
      warnings:
        share !== undefined && share < 100
          ? [`This nut locks inside the band from ${Math.round(share)} % of starts only`, ...reckoned.warnings]
          : reckoned.warnings,
      asked,
    };
  }
  const read = canonicalOf(result.mean);
  const floatAt = (turnDeg: number): number => read - turnDeg * perDeg;
  const turns =
    method.slots === undefined
      ? [(read - aim) / perDeg]
      : lockingTurns(
          method.slots,
          method.holes.map((h) => inCanonical(h, 'angle')),
        );
  const nearer = (a: number, b: number): number => (Math.abs(floatAt(b) - aim) < Math.abs(floatAt(a) - aim) ? b : a);
  const best = turns.reduce(nearer);
  const gives = floatAt(best);
  const line: WorkingLine = {
    name: 'Float after the turn',
    formula: 'read − turn · P / 360',
    figures: `${read.toFixed(3)} − ${Math.round(best)} × ${formatNumber(pitch)} / 360`,
    value: canonical(gives, setting.dimension),
  };
  const out = {
    predicted: canonical(gives, setting.dimension),
    uncertainty: result.uncertainty,
    working: [...reckoned.working, line],
    asked,
  };
  if (gives < low || gives > high) {
    const step = reckoned.results.step?.value ?? 0;
    // The washer under the nut moves where zero falls by its own thickness: the nut stays in its slot.
    const here = [0, ...turns].reduce(nearer);
    const washer = floatAt(here) - aim;
    const better = OTHER_SLOTS.filter((slots) => slots !== method.slots && lockingShare(method, slots, band) >= 100);
    const cannot =
      `No slot locks inside the band: ${formatNumber(step * perDeg, 3)} mm apart, the nearest gives ${formatNumber(floatAt(here), 3)} mm. ` +
      `A washer ${formatNumber(Math.abs(washer), 2)} mm ${washer > 0 ? 'thicker' : 'thinner'} under the nut can` +
      (better.length > 0 ? `, or a nut of ${better[0]} slots` : '');
    return { say: cannot, cannot, warnings: [], ...out };
  }
  return {
    say: `Turn ${best > 0 ? 'on' : 'back'} ${deg(best)}${method.slots === undefined ? '' : ', to the next hole that lines up'}. Lock it, and read`,
    move: { kind: 'turn', turned: canonical(best, 'angle') },
    warnings: [],
    ...out,
  };
}

/** Turns from one locked position to the others within a turn either way, degrees. */
function lockingTurns(slots: number, holes: readonly number[]): number[] {
  const period = 360 / slots;
  const places = [...new Set(holes.map((h) => ((h % period) + period) % period))];
  const apart = new Set(places.flatMap((a) => places.map((b) => Math.round((b - a) * 1e6) / 1e6)));
  const turns: number[] = [];
  for (let k = -slots; k <= slots; k += 1) for (const a of apart) turns.push(k * period + a);
  return turns.filter((t) => Math.abs(t) > 1e-6);
}

function lockingShare(
  method: Extract<SettingMethod, { kind: 'nut' }>,
  slots: number,
  band: { readonly low: Quantity; readonly high: Quantity },
): number {
  const { results } = nutBackOff.reckon({
    threadPitch: method.pitch,
    targetBand: [band.low, band.high],
    slots,
    holes: method.holes,
  });
  return results.share?.value ?? 0;
}
