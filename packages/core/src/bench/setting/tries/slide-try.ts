import { canonical, formatNumber, formatQuantity, inCanonical } from '../../../quantities/index.ts';
import type { Setting } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { settingBand } from '../value.ts';
import type { NextTry } from './next-try-of.ts';

/** How far a collar is slid. */
export function slideTry(setting: Setting, state: BenchState): NextTry | undefined {
  const result = state.settings[setting.id]?.rounds.at(-1)?.result;
  if (!result) return undefined;
  const { target } = settingBand(setting, state);
  const off = inCanonical(target, 'length') - inCanonical(result.mean, 'length');
  return {
    say: `Slide the collar ${formatNumber(Math.abs(off), 1)} mm further ${off > 0 ? 'in' : 'out'}, and measure again`,
    move: { kind: 'slide', slid: canonical(off, 'length') },
    predicted: target,
    uncertainty: result.uncertainty,
    working: [
      {
        name: 'Slide',
        formula: 'wanted − read',
        figures: `${formatQuantity(target)} − ${formatQuantity(result.mean)}`,
        value: canonical(off, 'length'),
      },
    ],
    warnings: [],
  };
}
