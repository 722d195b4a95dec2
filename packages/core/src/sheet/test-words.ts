import { formatQuantity } from '../quantities/index.ts';
import type { Test } from './types.ts';

/** How a test is made, before it is made: where, running or not, on its wheels or lifted, after how long a rest. */
export function testConditions(test: Test): readonly string[] {
  return [
    ...(test.at === undefined ? [] : [`on the ${test.at}`]),
    ...(test.running === true ? ['running'] : test.running === false ? ['stopped'] : []),
    ...(test.weight === undefined ? [] : [test.weight === 'lifted' ? 'lifted' : 'weight on its wheels']),
    ...(test.after === undefined ? [] : [`after ${formatQuantity(test.after)} at rest`]),
  ];
}
