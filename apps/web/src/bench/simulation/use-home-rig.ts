import type { BenchState } from '@jubb/core/bench';
import { useEffect } from 'react';
import type { LiveInstrument } from '../use-instrument.ts';
import { simulatedUnit } from './simulated-unit.ts';

/** Tells a simulated thermometer or press which part of this unit is in the oven, or under it, and what it should come to. */
export function useHomeRig(
  instrument: LiveInstrument | undefined,
  state: BenchState,
  op: string,
  kind: 'oven' | 'press',
  target: number | undefined,
): void {
  const hand = instrument?.view.simulated ? instrument.hand : undefined;
  const unit = simulatedUnit(state);
  useEffect(() => {
    if (hand && target !== undefined) void hand({ action: 'rig', rig: `${unit}/${op}`, kind, target });
  }, [hand, target, unit, op, kind]);
}
