import { canonical, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import type { WorkingLine } from '../../../reckoners/index.ts';
import type { SettingMethod, Setting } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { turnedTries } from '../setting-method.ts';
import { settingBand } from '../value.ts';
import { deg, canonicalFor, type NextTry } from './next-try-of.ts';

/** A sleeve yields all at once: a reckoned turn never goes further than the sheet's step, and only half of the way. */
const SHARE_OF_THE_WAY = 0.5;
/** The least turn that a hand can make on a large nut, degrees. */
const LEAST_TURN = 1;

/**
 * How far to turn a nut that crushes a sleeve: small steps, always on. Once past the band nothing brings it back: a new
 * sleeve (and nut) goes in, and the setting begins anew. Common practice.
 * @param part what the sleeve is called
 */
export function crushTry(
  setting: Setting,
  state: BenchState,
  method: Extract<SettingMethod, { kind: 'crush' }>,
  part: string,
): NextTry {
  const canonicalOf = canonicalFor(setting);
  const { band, target } = settingBand(setting, state);
  const step = inCanonical(method.first, 'angle');
  const tries = turnedTries(state.settings[setting.id], canonicalOf);
  const last = tries.at(-1);
  if (!last)
    return {
      say: 'Nut on until end float is just felt, turn ten times, and read: then crush it from there',
      working: [],
      warnings: [],
    };
  if (last.value > canonicalOf(band.high))
    return {
      say: `Overshot: never back the nut off. Take the flange out, fit a new ${part.toLowerCase()} and a new nut, draw it up to where float is just felt, and read`,
      move: { kind: 'renew', part: method.part },
      working: [],
      warnings: [`${part} is spent: one more on the parts list`],
    };
  const before = tries.at(-2);
  const turned = before ? last.turnDeg - before.turnDeg : 0;
  const slope = before && turned > 1e-6 ? (last.value - before.value) / turned : 0;
  const off = canonicalOf(target) - last.value;
  // Until the bearings bear there is no slope: the sheet's step. Near the band only half of what the slope says.
  const reckoned = slope > 1e-6 ? SHARE_OF_THE_WAY * (off / slope) : step;
  const turn = Math.max(LEAST_TURN, Math.min(step, reckoned));
  const line: WorkingLine =
    slope > 1e-6
      ? {
          name: 'Turn',
          formula: 'half of (wanted − read) / slope, at most the step of the sheet',
          figures: `½ × (${canonicalOf(target).toFixed(3)} − ${last.value.toFixed(3)}) / ${slope.toPrecision(3)}`,
          value: canonical(turn, 'angle'),
        }
      : {
          name: 'Turn',
          formula: 'step of the sheet',
          figures: formatQuantity(method.first),
          value: canonical(turn, 'angle'),
        };
  return {
    say: `Nut on ${deg(turn)}, never back. Turn ten times, and read while it turns`,
    move: { kind: 'turn', turned: canonical(turn, 'angle') },
    ...(slope > 1e-6 ? { predicted: canonical(last.value + slope * turn, setting.dimension) } : {}),
    working: [line],
    warnings: [],
  };
}
