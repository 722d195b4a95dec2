import { canonical, formatNumber, inCanonical } from '../../../quantities/index.ts';
import { coneAndLocknut, ReckonError, type WorkingLine } from '../../../reckoners/index.ts';
import type { SettingMethod, Setting } from '../../../sheet/index.ts';
import type { BenchState } from '../../log/state.ts';
import { turnedTries } from '../setting-method.ts';
import { settingBand } from '../value.ts';
import { deg, canonicalFor, type NextTry } from './next-try-of.ts';

/** Furthest that one turn is trusted when the tries lead further, degrees. */
const LONGEST_TURN = 90;
/** A turn smaller than this cannot be made with a spanner. */
const LEAST_TURN = 2;

/** How far to turn a cone under its locknut: each try tells what locking takes. */
export function coneTry(
  setting: Setting,
  state: BenchState,
  method: Extract<SettingMethod, { kind: 'cone' }>,
): NextTry {
  const canonicalOf = canonicalFor(setting);
  const { target } = settingBand(setting, state);
  const tries = turnedTries(state.settings[setting.id], canonicalOf);
  const last = tries.at(-1);
  if (!last)
    return {
      say: 'Cone in by hand until it touches, then back a quarter turn. Hold it, lock it, and read the play',
      working: [],
      warnings: [],
    };
  const inputs = {
    tries: tries.map((t) => ({ coneTurn: canonical(t.turnDeg, 'angle'), playAfterLock: canonical(t.value, 'length') })),
    threadPitch: method.pitch,
    target,
  };
  const asked = { id: coneAndLocknut.id, inputs };
  let turn: number;
  let working: readonly WorkingLine[] = [];
  let warnings: readonly string[];
  try {
    const reckoned = coneAndLocknut.reckon(inputs);
    turn = inCanonical(reckoned.results.nextConeTurn, 'angle') - last.turnDeg;
    ({ working, warnings } = reckoned);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    turn = last.value > canonicalOf(target) ? LONGEST_TURN : -LONGEST_TURN;
    warnings = ['The tries lead too far to be trusted: a quarter turn, and read again'];
  }
  turn = Math.max(-LONGEST_TURN, Math.min(LONGEST_TURN, turn));
  if (Math.abs(turn) < LEAST_TURN) turn = LEAST_TURN * (last.value > canonicalOf(target) ? 1 : -1);
  return {
    say: `Slacken the locknut, cone ${turn > 0 ? 'in' : 'back'} ${flatsWords(turn, method.flats)}. Hold it, lock it, and read`,
    move: { kind: 'turn', turned: canonical(turn, 'angle') },
    working,
    warnings,
    asked,
  };
}

/** "about a quarter of a flat (15°)": what a spanner on the cone sees. */
function flatsWords(turn: number, flats: number): string {
  const share = (Math.abs(turn) * flats) / 360;
  const eighths = Math.round(share * 8);
  const name =
    eighths === 0
      ? 'a hair'
      : eighths % 8 === 0
        ? `${eighths / 8} ${eighths === 8 ? 'flat' : 'flats'}`
        : eighths > 8
          ? `${formatNumber(share, 1)} flats`
          : ['', 'an eighth', 'a quarter', 'three eighths', 'half', 'five eighths', 'three quarters', 'seven eighths'][
              eighths
            ]! + ' of a flat';
  return `about ${name} (${deg(turn)})`;
}
