import { aimNm, type TighteningState } from '@jubb/core/bench';
import { canonical, convert } from '@jubb/core/quantities';
import { ReckonError, wrenchSetting } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import type { Rig } from './use-rig.ts';

/** What the wrench is set to for a stage, with what was asked of the reckoner. */
export interface WrenchSetting {
  readonly asked: Readonly<Record<string, unknown>>;
  /** What the fastener is to feel, N·m. */
  readonly wantedNm: number;
  /** Absent for a turn, and while something of the rig is still to be said. */
  readonly reckoned: ReturnType<typeof wrenchSetting.reckon> | undefined;
  /** What stands on the wrench, N·m. */
  readonly onWrenchNm: number;
}

/** Reckons what the wrench is set to at a stage: what the fastener is to feel, through what is on the wrench. */
export function wrenchSettingFor(
  joint: Joint,
  { stage }: Pick<TighteningState, 'stage'>,
  runningNm: number,
  rig: Rig,
  turn: boolean,
): WrenchSetting {
  // A turn goes on from the torque of the stage before it.
  const torque = canonical(aimNm(joint, turn ? Math.max(0, stage - 1) : stage, runningNm), 'torque');
  const { wrench } = rig.chosen ?? {};
  const asked = {
    torque,
    // Without an extension the length does not matter to the figure.
    wrenchLength: { value: rig.leverMm ?? 1000, unit: 'mm' },
    extension: { value: rig.given.extensionMm, unit: 'mm' },
    scaleUnit: wrench?.scaleUnit ?? 'N·m',
    graduation: wrench?.graduation ?? 0.1,
    ...(wrench ? { wrenchMax: { value: wrench.maxNm, unit: 'N·m' } } : {}),
  };
  const reckoned = turn || rig.blocked !== undefined ? undefined : settingOf(asked);
  const onWrenchNm = reckoned ? convert(reckoned.results.setting, 'N·m').value : torque.value / rig.factor;
  return { asked, wantedNm: torque.value, reckoned, onWrenchNm };
}

function settingOf(asked: object): ReturnType<typeof wrenchSetting.reckon> | undefined {
  try {
    return wrenchSetting.reckon(asked);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    return undefined;
  }
}
