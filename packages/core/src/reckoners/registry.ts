import { shimForSetting } from './bearings/shim-for-setting.ts';
import { shimStack } from './bearings/shim-stack.ts';
import { boltTorque } from './fasteners/bolt-torque.ts';
import { thread } from './fasteners/thread.ts';
import { tighteningOrder } from './fasteners/tightening-order.ts';
import { torqueSanity } from './fasteners/torque-sanity.ts';
import { wrenchSetting } from './fasteners/wrench-setting.ts';
import { verdict } from './metrology/verdict.ts';
import { ReckonError, type Reckoner, type Reckoning } from './shape/index.ts';

/** All reckoners, in the order of the catalogue. */
export const reckoners: readonly Reckoner[] = [
  thread,
  boltTorque,
  torqueSanity,
  wrenchSetting,
  tighteningOrder,
  shimForSetting,
  shimStack,
  verdict,
] as readonly Reckoner[];

const byId = new Map(reckoners.map((r) => [r.id, r]));

/** The reckoner of an id. @throws ReckonError `unknown-reckoner` */
export function findReckoner(id: string): Reckoner {
  const found = byId.get(id);
  if (!found)
    throw new ReckonError(
      'unknown-reckoner',
      'id',
      id,
      `one of: ${[...byId.keys()].join(', ')}`,
      `there is no reckoner "${id}"`,
    );
  return found;
}

/** Reckons by id; for the command line, the API and the screen. @throws ReckonError */
export function reckon(id: string, inputs: unknown): Reckoning {
  return findReckoner(id).reckon(inputs);
}
