import { inCanonical, type Quantity } from '../../quantities/index.ts';
import { isPackMethod, type SettingMethodKind, type Setting } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { settingMethodOf, turnedSoFar } from './setting-method.ts';
import { settingBand } from './value.ts';

/** All that the hands have set so far on a unit, in mm, degrees and N·m: absolute, so that it can be told any number of times. */
export interface SetSoFar {
  readonly kind: 'pack' | 'drag-pack' | Exclude<SettingMethodKind, 'trial' | 'depths' | 'gap' | 'pinion' | 'crush'>;
  /** What the read setting aims at, in its canonical unit. */
  readonly target: number;
  readonly looser: boolean;
  readonly trialMm?: number;
  readonly packMm?: number;
  readonly turnDeg: number;
  readonly pitchMm?: number;
  readonly leftMm: number;
  readonly rightMm: number;
  readonly slidMm: number;
  /** What a millimetre of pack does to a drag, N·m. */
  readonly perMm?: number;
  readonly radiusMm?: number;
  /** What a seal that is in drags besides, N·m. */
  readonly sealNm?: number;
}

/**
 * What a simulated unit has been set to. `setting` is the one that is read, `by` the one whose method moves it: the same,
 * but for two that are read together.
 */
export function setSoFar(setting: Setting, state: BenchState, by: Setting = setting): SetSoFar {
  const method = settingMethodOf(by, state);
  const soFar = state.settings[by.id];
  const mm = (key: string, q: Quantity | undefined): object => (q ? { [key]: inCanonical(q, 'length') } : {});
  const sum = (of: 'left' | 'right' | 'slid'): number =>
    (soFar?.rounds ?? []).reduce((s, r) => s + (r.adjusted?.[of] ? inCanonical(r.adjusted[of], 'length') : 0), 0);
  const packed = method === undefined || isPackMethod(method);
  // A sleeve that is crushed and a nut that is turned look alike to the gauge.
  const turned = method?.kind === 'crush' ? 'turn' : (method?.kind as SetSoFar['kind']);
  const per = by.shims?.per ?? (method?.kind === 'sides' ? method.per : undefined);
  return {
    kind: packed ? (setting.dimension === 'length' ? 'pack' : 'drag-pack') : turned,
    target: inCanonical(settingBand(setting, state).target, setting.dimension),
    looser: by.shims?.thicker !== 'tighter',
    ...mm('trialMm', by.shims?.trial),
    ...mm('packMm', soFar?.rounds.findLast((r) => r.fitted)?.fitted?.pack),
    turnDeg: turnedSoFar(soFar),
    ...mm('pitchMm', method && 'pitch' in method ? method.pitch : undefined),
    leftMm: sum('left'),
    rightMm: sum('right'),
    slidMm: sum('slid'),
    ...(per ? { perMm: per.gives.value / inCanonical(per.move, 'length') } : {}),
    ...mm('radiusMm', setting.pull?.radius),
    ...(setting.pull?.sealDrag ? { sealNm: inCanonical(setting.pull.sealDrag, 'torque') } : {}),
  };
}
