import type { Work } from '../../shape/index.ts';

/**
 * Friction by what is on the thread: middle values of the classes of VDI 2230-1 table A5, from memory. A fastener's own
 * measured figure is better.
 */
export const threadFriction = Object.freeze({
  dry: 0.16,
  oiled: 0.12,
  zinc: 0.14,
  'zinc-oiled': 0.12,
  'copper-paste': 0.1,
  'molybdenum-paste': 0.08,
  threadlocker: 0.14,
  'stainless-dry': 0.3,
  'stainless-paste': 0.12,
} as const);
export type ThreadState = keyof typeof threadFriction;
export const threadStates = Object.keys(threadFriction) as readonly ThreadState[];
/** What stands in where neither a state nor a figure is given (VDI 2230-1's own example value). */
export const USUAL_FRICTION = 0.12;

/** The friction to reckon with: the figure, else what is on the thread, else {@link USUAL_FRICTION}; written into the working. */
export function frictionOf(
  input: { readonly frictionThread: number | undefined; readonly threadState: ThreadState | undefined },
  work: Pick<Work, 'assume'>,
): number {
  if (input.frictionThread !== undefined) return input.frictionThread;
  const mu = input.threadState === undefined ? USUAL_FRICTION : threadFriction[input.threadState];
  work.assume(
    'Friction in the thread μG',
    String(mu),
    input.threadState === undefined
      ? 'default, not given'
      : `for a thread that is ${input.threadState.replace('-', ', ')}`,
  );
  return mu;
}
