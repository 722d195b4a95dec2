import type { HandDto } from '@jubb/contract';
import { setSoFar, type BenchState } from '@jubb/core/bench';
import type { Setting } from '@jubb/core/sheet';
import { simulatedUnit } from '../../simulated-unit.ts';

/** What a simulated instrument is to stand on: this job's unit, with all that the hands have set on it. */
export function rigOf(setting: Setting, state: BenchState, by: Setting = setting): HandDto {
  return { action: 'rig', rig: `${simulatedUnit(state)}/${by.id}`, ...setSoFar(setting, state, by) };
}

/** The kind of instrument that a sheet's words for a gauge mean: "pull scale on the flange". */
export function kindOfWords(words: string): 'indicator' | 'pull-scale' | 'micrometer' | 'caliper' | undefined {
  const said = words.toLowerCase();
  if (said.includes('indicator')) return 'indicator';
  if (said.includes('pull scale')) return 'pull-scale';
  if (said.includes('micrometer')) return 'micrometer';
  return said.includes('caliper') || said.includes('depth') ? 'caliper' : undefined;
}
