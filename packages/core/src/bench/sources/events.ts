/** Where a new part comes from that no order brought: the shop's own stock, the customer, or as somebody says by name. */
export const sourceKinds = ['stock', 'customer', 'said'] as const;
export type SourceKind = (typeof sourceKinds)[number];

export interface SourcePayloads {
  'part-sourced': {
    readonly parts: readonly string[];
    readonly from: SourceKind;
    /** Which drawer, whose box, who said so. */
    readonly words: string;
  };
}
/** Says where new parts come from, several at once where they come from the same place. */
export interface SaySource {
  readonly type: 'say-source';
  readonly parts: readonly string[];
  readonly from: SourceKind;
  readonly words: string;
}
