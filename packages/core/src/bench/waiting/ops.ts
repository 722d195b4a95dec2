/** Kinds of operations of a sheet that this folder knows. */
export type WaitOp = 'cure' | 'soak' | 'rest' | 'heat';
