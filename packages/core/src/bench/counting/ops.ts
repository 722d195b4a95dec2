/** Kinds of operations of a sheet that this folder knows. */
export type CountOp = 'count';
