/** Kinds of operations of a sheet that this folder knows. */
export type MarkOp = 'fit-aid' | 'remove-aid' | 'mark' | 'align';
