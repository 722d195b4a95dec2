/** How an answer to a quote came. */
export const answerHows = ['in person', 'by telephone', 'in writing'] as const;

export type AnswerHow = (typeof answerHows)[number];

export const quoteAnswers = ['yes', 'no', 'only this much'] as const;

export interface QuoteLine {
  readonly title: string;
  readonly kind: 'part' | 'kit' | 'exchange' | 'hours';
  /** Pieces, or hours. */
  readonly count: number;
  readonly eachMinor: number;
  readonly sumMinor: number;
}

/** One way out, priced. All money in minor units. */
export interface QuoteOption {
  readonly id: 'repair' | 'renewed' | 'kits' | 'exchange' | 'leave';
  readonly title: string;
  readonly lines: readonly QuoteLine[];
  readonly netMinor: number;
  readonly taxMinor: number;
  readonly totalMinor: number;
  readonly minutes: number;
  readonly leadDays: number;
  /** Chance that it comes back, 0 to 1. */
  readonly comebackRisk: number;
  /** What it is likely to cost when comebacks are counted. */
  readonly expectedMinor: number;
}

/** What quotes leave in the log. */
export interface QuotePayloads {
  'quote-made': {
    /** 1, 2, 3 … of this job. */
    readonly version: number;
    readonly options: readonly QuoteOption[];
    readonly advised: QuoteOption['id'];
    /** What was found, in words that a customer understands, and the reading behind it. */
    readonly findings: readonly {
      readonly part: string;
      readonly words: string;
      readonly readings: readonly string[];
    }[];
    readonly currency: string;
    readonly taxName: string;
    readonly taxPercent: number;
    readonly note: string;
  };
  'quote-answered': {
    readonly version: number;
    readonly answer: (typeof quoteAnswers)[number];
    /** Which way out, unless it is no. */
    readonly option: QuoteOption['id'] | null;
    /** Up to how much, with tax. */
    readonly agreedMinor: number;
    readonly who: string;
    readonly how: AnswerHow;
    readonly note: string;
  };
}
