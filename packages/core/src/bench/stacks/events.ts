/** What a stack of layers leaves in the log. */
export interface StackPayloads {
  /** `order`: places in the sheet's own order, 0-based, as the layers lie. */
  'stack-recorded': {
    readonly op: string;
    readonly stack: string;
    readonly moment: 'as-found' | 'built';
    readonly order: readonly number[];
    readonly asSheet: boolean;
    readonly reason?: string;
  };
}
