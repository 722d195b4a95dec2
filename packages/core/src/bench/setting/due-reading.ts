import { depthsOf, type Setting, type Sheet } from '../../sheet/index.ts';
import type { BenchState } from '../log/state.ts';
import { depthsRead } from './packs.ts';
import { settingMethodOf } from './setting-method.ts';

/** What is to be read now: a depth for the pack, or a reading of one of the settings of this try. */
export interface DueReading {
  readonly setting: Setting;
  readonly depth?: { readonly id: string; readonly title: string; readonly gauge: string; readonly at: number };
  /** Which reading it is, and of how many. */
  readonly number: number;
  readonly of: number;
}

/**
 * What a setting waits for to be read: its depths first, until a pack is fitted; then its own readings, and those of the setting that is
 * read together with it. Nothing when this try has been read.
 */
export function dueReading(sheet: Sheet, state: BenchState, setting: Setting): DueReading | undefined {
  const fitted = state.settings[setting.id]?.rounds.some((r) => r.fitted);
  const depths = depthsOf(settingMethodOf(setting, state));
  if (depths.length > 0 && !fitted) {
    const [id] = depthsRead(setting, state).left;
    const at = depths.findIndex((d) => d.id === id);
    const depth = depths[at];
    return depth && { setting, depth: { ...depth, at }, number: at + 1, of: depths.length };
  }
  const other = setting.together === undefined ? undefined : sheet.settings[setting.together];
  for (const s of [setting, ...(other ? [other] : [])]) {
    const round = state.settings[s.id]?.rounds.at(-1);
    if (!round?.result) return { setting: s, number: (round?.readings.length ?? 0) + 1, of: s.repeats };
  }
  return undefined;
}
