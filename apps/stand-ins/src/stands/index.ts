import { runAlternator } from './alternator.ts';
import { runBalancing } from './balancing.ts';
import { runDamper, runDrift, runSlip, runStroke } from './function.ts';
import { runDecay, runPumpUp, runVacuum } from './pressure.ts';
import { standFaults, standRuns, standRunKinds, type StandRun, type StandRunKind, type StandSetup } from './setup.ts';
import { runSpin } from './spin.ts';

type Simulate = (setup: StandSetup, fault: string | undefined, random: () => number) => StandRun;
const simulations: Readonly<Record<StandRunKind, Simulate>> = {
  alternator: runAlternator,
  balancing: runBalancing,
  decay: runDecay,
  vacuum: runVacuum,
  'pump-up': runPumpUp,
  spin: runSpin,
  stroke: runStroke,
  damper: runDamper,
  slip: runSlip,
  drift: runDrift,
};

/**
 * One run of a simulated stand. A fault that was chosen on the stand shows on a unit until it was gone back to.
 * @throws Error naming a figure that is missing
 */
export function runStand(setup: StandSetup, chosen: string | undefined, random: () => number): StandRun {
  const fault = chosen !== undefined && !setup.mended && !setup.worn ? chosen : undefined;
  return simulations[setup.kind](setup, fault, random);
}

/** Is it a run, and one that this kind of stand makes? */
export function isSetup(kind: string, asked: unknown): asked is StandSetup {
  if (typeof asked !== 'object' || asked === null) return false;
  const s = asked as Partial<StandSetup>;
  return (
    standRunKinds.some((k) => k === s.kind) &&
    (standRuns[kind] ?? []).includes(s.kind!) &&
    typeof s.unit === 'string' &&
    typeof s.figures === 'object' &&
    s.figures !== null
  );
}

export { standFaults, standRuns, type StandRun, type StandRunKind, type StandSetup };
