import type { Band, Dimension, Quantity } from '../quantities/index.ts';

/** The judgement on a part. */
export const findings = ['reuse', 'dress', 'renew', 'watch', 'scrap'] as const;
export type Finding = (typeof findings)[number];

/** Whose figure it is; the weaker ones are shown as such in the record. */
export type FigureSource =
  | { readonly kind: 'maker'; readonly document: string; readonly page?: string }
  | { readonly kind: 'table' | 'shop' | 'hearsay' | 'computed' | 'guess'; readonly note?: string };

/** "finding: cups is renew": when a rung or an operation stands. */
export interface Condition {
  readonly on: 'variant' | 'method' | 'finding';
  /** The method or part; empty for a variant. */
  readonly subject: string;
  readonly is: string;
  readonly negate: boolean;
}

export interface Part {
  readonly id: string;
  readonly title: string;
  readonly count: number;
  /** always: a new one each time. inspect: looked at, usually reused. judge: a finding is due. */
  readonly renew: 'always' | 'inspect' | 'judge';
  readonly order?: string;
  /** Minor units. */
  readonly priceMinor?: number;
  readonly goes?: string;
  /** It never comes off the unit. */
  readonly stays: boolean;
  readonly ring?: { readonly inside: Quantity; readonly section: Quantity; readonly material?: string };
  readonly lip?: {
    readonly shaft: Quantity;
    readonly bore: Quantity;
    readonly width: Quantity;
    readonly faces: string;
  };
}

export interface Stage {
  readonly name: string;
  readonly to: Quantity;
  /** Accepted torque at the fastener. */
  readonly window: Band;
  /** The sheet gave no tolerance: a tenth either way is taken, and said. */
  readonly windowAssumed: boolean;
}

export interface Joint {
  readonly id: string;
  readonly title: string;
  readonly fastener: string;
  readonly count: number;
  readonly thread: string;
  readonly propertyClass?: string;
  readonly pattern:
    { readonly kind: 'circle'; readonly diameter: Quantity; readonly first: string } | { readonly kind: 'single' };
  readonly into?: { readonly material: string; readonly engagement: Quantity };
  readonly stages: readonly Stage[];
  readonly lowBecause?: string;
  readonly fasteners: 'reuse' | 'new' | 'new-if-stretched';
  readonly hand: 'right' | 'left';
  readonly threadlocker?: string;
  readonly from?: FigureSource;
}

export interface Aid {
  readonly id: string;
  readonly title: string;
  readonly where: string;
}
export interface Mark {
  readonly id: string;
  readonly title: string;
  readonly between: readonly string[];
  readonly where: string;
  readonly with: string;
}
export interface StandingCaution {
  readonly id: string;
  readonly say: string;
  /** Step ids: it holds from the end of one to the end of the other. */
  readonly from: string;
  readonly until: string;
}

export interface Measure {
  readonly id: string;
  readonly title: string;
  readonly part: string;
  readonly dimension: Dimension;
  readonly gauge: string;
  /** Places to read, at least one. */
  readonly at: readonly string[];
  readonly newSize?: Quantity;
  readonly min?: Quantity;
  readonly max?: Quantity;
  readonly outsideOffers: readonly string[];
  readonly groove?: { readonly by: string; readonly ask: string; readonly yes: string; readonly no: string };
}

export interface Setting {
  readonly id: string;
  readonly title: string;
  readonly kind: string;
  readonly dimension: Dimension;
  readonly gauge: string;
  readonly band: Band;
  readonly target: Quantity;
  readonly repeats: number;
  readonly shims?: {
    readonly drawer: string;
    readonly thicker: 'looser' | 'tighter';
    readonly trial: Quantity;
    readonly pack: string;
    readonly mayBeOff: Quantity;
  };
  readonly seat?: { readonly joint: string; readonly to: Quantity; readonly turning?: string };
  readonly how?: string;
}

export interface Method {
  readonly id: string;
  readonly ask: string;
  readonly choices: readonly { readonly id: string; readonly title: string; readonly why: string }[];
}
export interface Fluid {
  readonly id: string;
  readonly title: string;
  readonly grade: string;
  readonly amount: Quantity;
}
export interface Test {
  readonly id: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly gauge: string;
  readonly accept: Band;
  readonly failedBy: readonly string[];
}
export interface Kit {
  readonly id: string;
  readonly title: string;
  readonly order: string;
  readonly priceMinor?: number;
  readonly covers: readonly string[];
}

/** Verbs of the build side and the bottom that are done, looked at and confirmed, each with what it is done to. */
export const plainVerbs = [
  'clean',
  'inspect',
  'rework',
  'lubricate',
  'protect',
  'place',
  'press',
  'heat',
  'seal',
  'threadlock',
  'count',
  'fill',
  'bleed',
  'cure',
  'reconnect',
  'confirm',
] as const;
export type PlainVerb = (typeof plainVerbs)[number];

interface OpBase {
  /** `rung/side/…`: stable within a revision of the sheet. */
  readonly id: string;
  readonly when: readonly Condition[];
  readonly note?: string;
}
export type Op = OpBase &
  (
    | { readonly kind: 'caution'; readonly cautionClass?: string; readonly say: string; readonly acknowledge: boolean }
    | { readonly kind: 'do'; readonly lines: readonly string[] }
    | { readonly kind: 'fit-aid' | 'remove-aid'; readonly aid: string }
    | { readonly kind: 'mark' | 'align'; readonly mark: string }
    | { readonly kind: 'undo'; readonly joint: string }
    | {
        readonly kind: 'off';
        readonly parts: readonly { readonly part: string; readonly count: number }[];
        readonly leaveIn?: number;
      }
    | { readonly kind: 'read'; readonly setting: string }
    | { readonly kind: 'test'; readonly test: string; readonly moment: 'as-found' | 'now' }
    | { readonly kind: 'measure'; readonly measure: string }
    | { readonly kind: 'judge'; readonly parts: readonly string[] }
    | { readonly kind: 'choose'; readonly method: string }
    | { readonly kind: 'set'; readonly setting: string }
    | { readonly kind: 'tighten'; readonly joint: string }
    | {
        readonly kind: PlainVerb;
        /** A part's id where it names one, else words. */
        readonly what: string;
        readonly part?: string;
        readonly with?: string;
        readonly to?: string;
        readonly ask?: string;
        readonly yes?: string;
        readonly except?: readonly string[];
      }
  );
export type OpKind = Op['kind'];
/** The operations of some kinds. */
export type OpOf<K extends OpKind> = Op extends infer O
  ? O extends { readonly kind: infer P }
    ? [K & P] extends [never]
      ? never
      : O
    : never
  : never;

export type SideName = 'strip' | 'bottom' | 'build';

/** One side of a rung, or one named step of it. */
export interface Step {
  /** `strip cap`, `build cap`, `build main.half`. */
  readonly id: string;
  readonly rung: string;
  readonly side: SideName;
  readonly title: string;
  readonly group?: string;
  readonly when: readonly Condition[];
  readonly ops: readonly Op[];
  readonly minutes: number;
  readonly helper?: string;
  readonly tools: readonly string[];
  /** Step ids on the same side that must be done first, or that must wait for this one. */
  readonly after: readonly string[];
  readonly before: readonly string[];
}

export interface IdentifyQuestion {
  readonly ask: string;
  readonly gauge?: string;
  readonly dimension?: Dimension;
  readonly choices: readonly { readonly band?: Band; readonly word?: string; readonly variant: string }[];
}

/** A build sheet after reading: every quantity parsed, every name resolved. Plain JSON. */
export interface Sheet {
  readonly id: string;
  readonly revision: number;
  readonly title: string;
  readonly kind: string;
  readonly maker: string;
  readonly models: readonly string[];
  readonly variants: readonly { readonly id: string; readonly title: string }[];
  readonly identify: readonly IdentifyQuestion[];
  readonly parts: Readonly<Record<string, Part>>;
  readonly kits: Readonly<Record<string, Kit>>;
  readonly joints: Readonly<Record<string, Joint>>;
  readonly aids: Readonly<Record<string, Aid>>;
  readonly marks: Readonly<Record<string, Mark>>;
  readonly standing: readonly StandingCaution[];
  readonly measures: Readonly<Record<string, Measure>>;
  readonly settings: Readonly<Record<string, Setting>>;
  readonly methods: Readonly<Record<string, Method>>;
  readonly fluids: Readonly<Record<string, Fluid>>;
  readonly tests: Readonly<Record<string, Test>>;
  /** In the order of the sheet: strip order. */
  readonly steps: readonly Step[];
}
