/** One line of an order as it stands in the log. */
export interface OrderedLine {
  /** Its own id: arrival and sending back name it. */
  readonly line: string;
  readonly number: string;
  readonly title: string;
  readonly count: number;
  /** Each, minor units; null: not known when it was ordered. */
  readonly priceMinor: number | null;
  readonly supplier: string;
  /** Part ids of the sheet that it covers. */
  readonly parts: readonly string[];
  readonly kit: boolean;
  /** Taken from the shop's own drawer: it is there at once. */
  readonly from: 'supplier' | 'drawer';
  readonly instead?: string;
  /** How many of its one part the job needs, where this line brings some of them only; left out: it covers its parts whole. */
  readonly needed?: number;
  /** Ordered by telephone: no queue sends it. The day on which it is to be here, where one was said. */
  readonly byTelephone?: true;
  readonly expected?: string;
}

/** What ordering leaves in the log. */
export interface PartsPayloads {
  'parts-ordered': { readonly order: string; readonly lines: readonly OrderedLine[] };
  /** `missing`: parts of a kit that were not in it. */
  'part-arrived': {
    readonly line: string;
    readonly number: string;
    readonly title: string;
    readonly missing: readonly string[];
  };
  /** The wrong part came: it goes back, and the wait goes on. */
  'part-sent-back': { readonly line: string; readonly number: string; readonly title: string; readonly why: string };
  'line-cancelled': { readonly line: string; readonly number: string; readonly title: string; readonly why: string };
}
