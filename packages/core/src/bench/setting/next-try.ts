import { unreachable } from '../../records.ts';
import { canonical, formatQuantity } from '../../quantities/index.ts';
import type { Setting, Sheet } from '../../sheet/index.ts';
import type { DrawerStock } from '../command/commands.ts';
import type { BenchState } from '../log/state.ts';
import { settingMethodOf } from './setting-method.ts';
import { coneTry } from './tries/cone-try.ts';
import { crushTry } from './tries/crush-try.ts';
import { canonicalFor, type NextTry } from './tries/next-try-of.ts';
import { nutTry } from './tries/nut-try.ts';
import { packTry } from './tries/pack-try.ts';
import { sidesTry } from './tries/sides-try.ts';
import { slideTry } from './tries/slide-try.ts';
import { turnTry } from './tries/turn-try.ts';
import { settingBand } from './value.ts';

export type { Move, NextTry } from './tries/next-try-of.ts';

/**
 * What to do next to bring a setting into its band, from its method and the tries so far. Undefined once it is within,
 * and while there is nothing to reckon from (the readings come first).
 */
export function nextTry(
  sheet: Sheet,
  state: BenchState,
  setting: Setting,
  drawers: Readonly<Record<string, readonly DrawerStock[]>>,
): NextTry | undefined {
  const method = settingMethodOf(setting, state);
  const last = state.settings[setting.id]?.rounds.at(-1);
  const other = setting.together === undefined ? undefined : sheet.settings[setting.together];
  const otherLast = other && state.settings[other.id]?.rounds.at(-1);
  if (last?.result?.verdict === 'within' && (!other || otherLast?.result?.verdict === 'within')) return undefined;
  switch (method?.kind) {
    case 'trial':
    case 'depths':
    case 'gap':
    case 'pinion':
      return packTry(setting, state, drawers[setting.shims!.drawer] ?? []);
    case 'nut':
      return nutTry(setting, state, method);
    case 'cone':
      return coneTry(setting, state, method);
    case 'turn':
      return turnTry(setting, state, method);
    case 'crush':
      return crushTry(setting, state, method, sheet.parts[method.part]?.title ?? method.part);
    case 'sides':
      return sidesTry(setting, state, method, other);
    case 'slide':
      return slideTry(setting, state);
    case undefined:
      return last?.result ? { say: plainMove(setting, state), working: [], warnings: [] } : undefined;
    default:
      return unreachable('a method that advises nothing', method);
  }
}

/** Where no method says how: how far it is out, and which way. */
function plainMove(setting: Setting, state: BenchState): string {
  const mean = state.settings[setting.id]!.rounds.at(-1)!.result!.mean;
  const { target } = settingBand(setting, state);
  const off = canonicalFor(setting)(mean) - canonicalFor(setting)(target);
  const by = formatQuantity(canonical(Math.abs(off), setting.dimension));
  return `${by} ${off > 0 ? 'more' : 'less'} than wanted${setting.outside ? `. ${setting.outside}` : ''}`;
}
