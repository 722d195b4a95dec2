import { canonical, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import type { WorkingLine } from '../../../reckoners/index.ts';
import type { SettingMethod, Setting } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { turnedTries } from '../setting-method.ts';
import { settingBand } from '../value.ts';
import { deg, canonicalFor, type NextTry } from './next-try-of.ts';

/** How far past or short of the first step a reckoned turn may go. */
const MOST_STEPS = 3;
const LEAST_STEP = 0.2;

/** How far to turn a nut until the drag is there: by the slope of the last two tries. */
export function turnTry(
  setting: Setting,
  state: BenchState,
  method: Extract<SettingMethod, { kind: 'turn' }>,
): NextTry {
  const canonicalOf = canonicalFor(setting);
  const { target } = settingBand(setting, state);
  const first = inCanonical(method.first, 'angle');
  const tries = turnedTries(state.settings[setting.id], canonicalOf);
  const [before, last] = tries.slice(-2).length === 2 ? tries.slice(-2) : [undefined, tries.at(-1)];
  if (!last)
    return {
      say: 'Nut on by hand until the bearings just touch, turn the shaft ten times, and read the drag',
      working: [],
      warnings: [],
    };
  const off = canonicalOf(target) - last.value;
  const turned = before ? last.turnDeg - before.turnDeg : 0;
  const slope = before && Math.abs(turned) > 1e-6 ? (last.value - before.value) / turned : 0;
  // Before the bearings bear there is no slope to go by: the sheet's step.
  const wanted = slope > 1e-6 ? off / slope : Math.sign(off) * first;
  const turn = Math.sign(off) * Math.max(LEAST_STEP * first, Math.min(MOST_STEPS * first, Math.abs(wanted)));
  const working: WorkingLine[] =
    slope > 1e-6
      ? [
          {
            name: 'Turn',
            formula: '(wanted − read) / slope of the last two tries',
            figures: `(${canonicalOf(target).toFixed(3)} − ${last.value.toFixed(3)}) / ${slope.toPrecision(3)}`,
            value: canonical(turn, 'angle'),
          },
        ]
      : [
          {
            name: 'Turn',
            formula: 'first step of the sheet',
            figures: formatQuantity(method.first),
            value: canonical(turn, 'angle'),
          },
        ];
  return {
    say:
      turn > 0
        ? `Turn the nut on ${deg(turn)}. Turn the shaft ten times, and read again`
        : `Too tight: nut back ${formatQuantity(method.backOff)}, turn the shaft, then on again to ${deg(turn)} short of where it was`,
    move: { kind: 'turn', turned: canonical(turn, 'angle') },
    ...(slope > 1e-6 ? { predicted: canonical(last.value + slope * turn, setting.dimension) } : {}),
    working,
    warnings: [],
  };
}
