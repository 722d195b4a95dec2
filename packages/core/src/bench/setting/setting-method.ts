import type { SettingMethod, Setting } from '../../sheet/index.ts';
import type { BenchState, SettingState } from '../log/state.ts';

/** The method by which a setting is made: the chosen one, the only one, or a trial pack where there is a drawer. */
export function settingMethodOf(setting: Setting, state: Pick<BenchState, 'methods'>): SettingMethod | undefined {
  if (!setting.methods) return setting.shims ? { kind: 'trial' } : undefined;
  return setting.methods[setting.by === undefined ? '' : (state.methods[setting.by] ?? '')];
}

/** One try that was read: what had been moved by then, and what came of it. */
export interface Try {
  /** Turned in so far since the first reading, degrees; positive tightens. */
  readonly turnDeg: number;
  readonly value: number;
}

/** The tries of a setting that was turned, in the canonical unit of its result. */
export function turnedTries(
  state: SettingState | undefined,
  own: (q: { value: number; unit: string }) => number,
): Try[] {
  let turnDeg = 0;
  return sinceRenewed(state).flatMap((r) => {
    turnDeg += r.adjusted?.turned?.value ?? 0;
    return r.result ? [{ turnDeg, value: own(r.result.mean) }] : [];
  });
}

/** How far it has been turned in all, degrees, also since the last reading. */
export function turnedSoFar(state: SettingState | undefined): number {
  return sinceRenewed(state).reduce((sum, r) => sum + (r.adjusted?.turned?.value ?? 0), 0);
}

/** The rounds since what the setting spends was renewed last: a new sleeve begins anew. */
function sinceRenewed(state: SettingState | undefined): readonly SettingState['rounds'][number][] {
  const rounds = state?.rounds ?? [];
  const at = rounds.findLastIndex((r) => r.adjusted?.renewed !== undefined);
  return at === -1 ? rounds : rounds.slice(at);
}

/** How many of a part a setting has spent: a crush sleeve for each time that it was overshot. */
export function spentParts(state: Pick<BenchState, 'settings'>): Readonly<Record<string, number>> {
  const spent: Record<string, number> = {};
  for (const { rounds } of Object.values(state.settings))
    for (const { adjusted } of rounds)
      if (adjusted?.renewed !== undefined) spent[adjusted.renewed] = (spent[adjusted.renewed] ?? 0) + 1;
  return spent;
}
