/** A build sheet as written, after it has passed the JSON Schema. */
export type OneOrMore<T> = T | readonly T[];
type Figure = string | number;

export interface RawWhen {
  readonly variant?: string;
  readonly method?: string;
  readonly finding?: string;
}
export type RawFrom =
  'table' | 'shop' | 'hearsay' | 'computed' | 'guess' | { readonly maker: string; readonly page?: string };
export type RawCaution = string | { readonly class?: string; readonly say?: string; readonly acknowledge?: boolean };
export type RawOp = Readonly<Record<string, unknown>> & {
  readonly when?: RawWhen;
  readonly note?: string;
  readonly with?: string;
  readonly to?: string;
  readonly ask?: string;
  readonly yes?: string;
  readonly except?: readonly string[];
};
export interface RawSide {
  readonly when?: RawWhen;
  readonly caution?: OneOrMore<RawCaution>;
  readonly do?: OneOrMore<string>;
  readonly fit?: OneOrMore<string>;
  readonly remove?: OneOrMore<string>;
  readonly test?: string;
  readonly read?: OneOrMore<string>;
  readonly mark?: OneOrMore<string>;
  readonly undo?: OneOrMore<string>;
  readonly off?: Readonly<Record<string, number>>;
  readonly 'leave-in'?: number;
  readonly ops?: readonly RawOp[];
  readonly after?: readonly string[];
  readonly before?: readonly string[];
  readonly helper?: string;
  readonly tools?: readonly (string | { readonly special: string; readonly instead?: string })[];
  readonly minutes?: number;
}
export interface RawNamedStep extends RawSide {
  readonly id: string;
  readonly title?: string;
}
export interface RawRung {
  readonly id: string;
  readonly title: string;
  readonly group?: string;
  readonly when?: RawWhen;
  readonly side?: 'bottom';
  readonly strip?: RawSide;
  readonly build?: RawSide | readonly RawNamedStep[];
  readonly ops?: readonly RawOp[];
  readonly helper?: string;
  readonly minutes?: number;
}
export interface RawPart {
  readonly title: string;
  readonly count?: number;
  readonly renew?: 'always' | 'inspect' | 'judge';
  readonly order?: string;
  readonly price?: number;
  readonly goes?: string;
  readonly stays?: boolean;
  readonly ring?: { readonly inside: string; readonly section: string; readonly material?: string };
  readonly lip?: { readonly shaft: string; readonly bore: string; readonly width: string; readonly faces: string };
}
export interface RawJoint {
  readonly title?: string;
  readonly fastener: string;
  readonly thread: string;
  readonly class?: string;
  readonly pattern?: { readonly circle: string; readonly first?: string };
  readonly into?: { readonly material: string; readonly engagement: string };
  readonly tighten: readonly { readonly to?: Figure; readonly range?: Figure }[];
  readonly 'low-because'?: string;
  readonly fasteners?: 'reuse' | 'new' | 'new-if-stretched';
  readonly threadlocker?: string;
  readonly hand?: 'left' | 'right';
  readonly from?: RawFrom;
}
export interface RawSetting {
  readonly title: string;
  readonly kind: string;
  readonly quantity: string;
  readonly gauge?: string;
  readonly band: Figure;
  readonly target?: Figure;
  readonly repeats?: number;
  readonly shims?: string;
  readonly thicker?: 'looser' | 'tighter';
  readonly trial?: Figure;
  readonly pack?: string;
  readonly 'may-be-off'?: Figure;
  readonly seat?: { readonly joint: string; readonly to: Figure; readonly turning?: string };
  readonly how?: string;
}
export interface RawMeasure {
  readonly title: string;
  readonly part: string;
  readonly quantity: string;
  readonly gauge?: string;
  readonly at?: readonly string[];
  readonly new?: Figure;
  readonly min?: Figure;
  readonly max?: Figure;
  readonly outside?: { readonly offer: readonly string[] };
  readonly groove?: { readonly by: string; readonly ask: string; readonly yes: string; readonly no: string };
}
export interface RawSheet {
  readonly sheet: string;
  readonly revision: number;
  readonly title: string;
  readonly kind: string;
  readonly maker: string;
  readonly models?: readonly string[];
  readonly variants?: Readonly<Record<string, { readonly title: string }>>;
  readonly identify?: readonly {
    readonly ask: string;
    readonly measure?: { readonly quantity: string; readonly gauge?: string };
    readonly choose: readonly { readonly is: Figure; readonly variant: string }[];
  }[];
  readonly parts: Readonly<Record<string, RawPart>>;
  readonly kits?: Readonly<
    Record<
      string,
      { readonly title?: string; readonly order: string; readonly price?: number; readonly covers: readonly string[] }
    >
  >;
  readonly joints?: Readonly<Record<string, RawJoint>>;
  readonly aids?: Readonly<Record<string, { readonly title: string; readonly where: string }>>;
  readonly marks?: Readonly<
    Record<
      string,
      { readonly title?: string; readonly between: readonly string[]; readonly where: string; readonly with?: string }
    >
  >;
  readonly standing?: Readonly<Record<string, { readonly say: string; readonly from: string; readonly until: string }>>;
  readonly measures?: Readonly<Record<string, RawMeasure>>;
  readonly settings?: Readonly<Record<string, RawSetting>>;
  readonly methods?: Readonly<
    Record<
      string,
      {
        readonly ask: string;
        readonly choices: Readonly<Record<string, { readonly title: string; readonly why?: string }>>;
      }
    >
  >;
  readonly fluids?: Readonly<
    Record<string, { readonly title?: string; readonly grade: string; readonly amount: Figure }>
  >;
  readonly tests?: Readonly<
    Record<
      string,
      {
        readonly title: string;
        readonly quantity: string;
        readonly gauge?: string;
        readonly accept: Figure;
        readonly 'failed-by'?: readonly string[];
      }
    >
  >;
  readonly rungs: readonly RawRung[];
}
