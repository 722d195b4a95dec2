import type { BenchState } from '@jubb/core/bench';
import type { Setting } from '@jubb/core/sheet';
import { useEffect } from 'react';
import type { LiveInstrument } from '../use-instrument.ts';
import { rigOf } from './rig.ts';

/** Tells a simulated instrument what it stands on, whenever that changes: this job's unit with all that the hands have set on it. */
export function useSettingRig(
  instrument: LiveInstrument | undefined,
  setting: Setting | undefined,
  state: BenchState,
  {
    by,
    worn = false,
    depths,
  }: {
    /** The setting that is moved, where another is read with it. */
    readonly by?: Setting;
    readonly worn?: boolean;
    /** Which depths its pack is reckoned from, and which of them is read. */
    readonly depths?: { readonly depths: string; readonly depthAt: number };
  } = {},
): void {
  const hand = instrument?.view.simulated ? instrument.hand : undefined;
  // As text, so that it is told once for each change and not for each drawing.
  const told =
    setting && JSON.stringify({ ...rigOf(setting, state, by ?? setting), ...(worn ? { worn: true } : {}), ...depths });
  useEffect(() => {
    if (hand && told !== undefined) void hand(JSON.parse(told) as ReturnType<typeof rigOf>);
  }, [hand, told]);
}
