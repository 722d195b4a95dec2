/** What tells which unit it is. */
export interface IdentifyPayloads {
  identified: {
    readonly op: string | null;
    readonly question: string;
    readonly ask: string;
    readonly answer: string;
    readonly says?: string;
    /** Variants that the answer leaves possible; empty when it speaks of a part only. */
    readonly variants: readonly string[];
    readonly variant: string | null;
    readonly part?: string;
    readonly order?: string;
  };
}
