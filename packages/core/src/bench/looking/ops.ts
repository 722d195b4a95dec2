/** Kinds of operations of a sheet that this folder knows. */
export type LookOp = 'look' | 'inspect';
