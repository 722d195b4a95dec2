import type { Command } from '../command/commands.ts';

/** Of an operation that asks for nothing: it is completed. */
export const completes = (op: { readonly id: string }): Command => ({ type: 'complete', op: op.id });
