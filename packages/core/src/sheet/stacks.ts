import type { Stack } from './types.ts';

/**
 * Does a stack lie as its sheet says? Layers of the same part are alike: what counts is which part lies where.
 * @param order the sheet's layer (from 0) that lies at each place, each layer once
 */
export function stackAsSheet(stack: Stack, order: readonly number[]): boolean {
  return order.every((n, i) => stack.layers[n]?.part === stack.layers[i]?.part);
}
