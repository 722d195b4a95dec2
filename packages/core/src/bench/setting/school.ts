import type { School, Setting } from '../../sheet/index.ts';
import type { BenchState, SettingState } from '../log/state.ts';

/** The school by which a setting is made: the chosen one, the only one, or a trial pack where there is a drawer. */
export function schoolOf(setting: Setting, state: Pick<BenchState, 'methods'>): School | undefined {
  if (!setting.schools) return setting.shims ? { kind: 'trial' } : undefined;
  return setting.schools[setting.by === undefined ? '' : (state.methods[setting.by] ?? '')];
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
  return (state?.rounds ?? []).flatMap((r) => {
    turnDeg += r.adjusted?.turned?.value ?? 0;
    return r.result ? [{ turnDeg, value: own(r.result.mean) }] : [];
  });
}

/** How far it has been turned in all, degrees, also since the last reading. */
export function turnedSoFar(state: SettingState | undefined): number {
  return (state?.rounds ?? []).reduce((sum, r) => sum + (r.adjusted?.turned?.value ?? 0), 0);
}
