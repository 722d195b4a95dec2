/** What is asked for at a stack. */
export type StackCommand =
  /** The layers as they lie, from the end that the sheet counts from: places in the sheet's order, 0-based. */
  { readonly type: 'order-stack'; readonly op: string; readonly order: readonly number[]; readonly reason?: string };
