import type { HandDto } from '@jubb/contract';
import { setSoFar, type BenchState } from '@jubb/core/bench';
import type { Setting } from '@jubb/core/sheet';
import { simulatedUnit } from './simulated-unit.ts';

/** What a simulated instrument is to stand on: this job's unit, with all that the hands have set on it. */
export function rigOf(setting: Setting, state: BenchState, by: Setting = setting): HandDto {
  return { action: 'rig', rig: `${simulatedUnit(state)}/${by.id}`, ...setSoFar(setting, state, by) };
}
