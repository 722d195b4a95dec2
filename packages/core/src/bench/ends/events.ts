/** How a job ends that is not repaired. */
export const endKinds = ['returned-built', 'returned-boxed', 'scrapped', 'cancelled', 'comeback-refused'] as const;
export type EndKind = (typeof endKinds)[number];

export interface EndPayloads {
  /** The job ends otherwise than repaired: from here on its ladder is a short one of its own. */
  'ended-otherwise': {
    readonly how: EndKind;
    readonly reason: string;
    /** Who of the customer's side said yes to it; empty where nobody had to. */
    readonly agreedBy: string;
    /** What was in, parted and off when it ended: the short ladder is made of it. */
    readonly aids: readonly string[];
    readonly leads: readonly string[];
    readonly off: readonly { readonly part: string; readonly count: number }[];
  };
}
export interface EndOtherwise {
  readonly type: 'end-otherwise';
  readonly how: EndKind;
  readonly reason: string;
  readonly agreedBy: string;
}
