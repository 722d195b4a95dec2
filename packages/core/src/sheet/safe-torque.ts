import { canonical, type Quantity } from '../quantities/index.ts';
import {
  boltTorque,
  ReckonError,
  threadEngagement,
  type PropertyClass,
  type ThreadMaterial,
  type WorkingLine,
} from '../reckoners/index.ts';

/** Share of yield that a computed figure aims at, and of the softer thread's limit that it keeps to: common practice. */
const UTILISATION = 0.7;
const OF_STRIP = 0.7;

/**
 * A safe torque where the book has no figure: from thread, class and the softer thread, to two significant figures, with
 * its working (VDI 2230-1 through `bolt-torque`, and `thread-engagement`).
 * @throws ReckonError without a property class, or for a thread or material that is not tabulated
 */
export function safeTorque(joint: {
  readonly thread: string;
  readonly propertyClass?: string;
  readonly into?: { readonly material: string; readonly engagement: Quantity | string };
}): { readonly torque: Quantity; readonly working: readonly WorkingLine[] } {
  if (joint.propertyClass === undefined)
    throw new ReckonError(
      'missing-field',
      'class',
      undefined,
      'a property class such as 8.8',
      'without a figure the class must be known, so that a safe one can be computed',
    );
  const propertyClass = joint.propertyClass as PropertyClass;
  const bolt = boltTorque.reckon({ thread: joint.thread, propertyClass, utilisation: UTILISATION });
  const working: WorkingLine[] = [...bolt.working];
  let nm = bolt.results.torque.value;
  if (joint.into) {
    const soft = threadEngagement.reckon({
      thread: joint.thread,
      propertyClass,
      engagement: joint.into.engagement,
      nutMaterial: joint.into.material as ThreadMaterial,
    });
    working.push(...soft.working);
    nm = Math.min(nm, OF_STRIP * soft.results.limitTorque.value);
  }
  const torque = canonical(Number(nm.toPrecision(2)), 'torque');
  working.push({
    name: 'Safe figure, computed',
    formula: joint.into ? 'smaller of 70 % of yield and 70 % of the softer thread' : '70 % of yield',
    figures: `${nm.toFixed(2)} N·m to two figures`,
    value: torque,
  });
  return { torque, working };
}
