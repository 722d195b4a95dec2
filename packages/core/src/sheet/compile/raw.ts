import type { Gland, Lip } from '../fits.ts';
import type { SchoolKind } from '../setting.ts';
import type { StandKind } from '../stand.ts';
import type { MeasureShape } from '../types.ts';

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
  readonly for?: string;
  readonly by?: OneOrMore<RawWay>;
  readonly until?: string;
  readonly check?: string;
  readonly clear?: string;
  readonly through?: string;
  readonly on?: string;
  readonly strokes?: number;
};
export type RawWay = string | { readonly way: string; readonly destroys?: boolean; readonly saves?: string };
/** Stands once on each of these. */
interface RawEach {
  readonly each?: readonly string[];
  /** Set on the copies: which of them this is. */
  readonly onSide?: string;
}
export type RawAhead = {
  readonly oven?: string;
  readonly soak?: string;
  readonly tool?: string;
  readonly order?: string;
  readonly takes?: string;
};
export interface RawSide {
  readonly when?: RawWhen;
  readonly caution?: OneOrMore<RawCaution>;
  readonly do?: OneOrMore<string>;
  readonly fit?: OneOrMore<string>;
  readonly remove?: OneOrMore<string>;
  readonly test?: OneOrMore<string>;
  readonly look?: OneOrMore<string>;
  readonly identify?: string;
  readonly read?: OneOrMore<string>;
  readonly disconnect?: OneOrMore<string>;
  readonly slacken?: OneOrMore<string>;
  readonly stack?: string;
  readonly by?: OneOrMore<RawWay>;
  readonly 'swing-aside'?: OneOrMore<string>;
  readonly hang?: OneOrMore<string>;
  readonly ahead?: OneOrMore<RawAhead>;
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
export interface RawRung extends RawEach {
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
export interface RawPart extends RawEach {
  readonly title: string;
  readonly count?: number | 'unknown';
  readonly where?: string;
  readonly length?: string;
  readonly fits?: 'one way' | 'several ways';
  readonly 'saved-from'?: string;
  readonly replaces?: string;
  readonly renew?: 'always' | 'inspect' | 'judge';
  readonly order?: string;
  readonly price?: number;
  readonly 'reuse-if'?: string;
  readonly 'look-again'?: string;
  readonly body?: boolean;
  readonly goes?: string;
  readonly stays?: boolean;
  readonly ring?: {
    readonly inside: string;
    readonly section: string;
    readonly material?: string;
    readonly gland?: {
      readonly kind: Gland['kind'];
      readonly motion?: Gland['motion'];
      readonly groove: string;
      readonly mating?: string;
      readonly depth?: string;
      readonly width: string;
      readonly medium?: Gland['medium'];
      readonly 'return-spring'?: string;
    };
  };
  readonly lip?: {
    readonly shaft: string;
    readonly bore: string;
    readonly width: string;
    readonly faces: string;
    readonly speed?: string;
    readonly material?: Lip['material'];
    readonly 'bore-depth'?: string;
    readonly 'lip-at'?: string;
    readonly 'groove-at'?: string;
  };
  readonly fit?: {
    readonly diameter: string;
    readonly interference?: string;
    readonly hole?: string;
    readonly shaft?: string;
    readonly length?: string;
    readonly outside?: string;
    readonly clearance?: string;
    readonly limit?: string;
    readonly mass?: string;
    readonly surface?: string;
  };
  readonly 'may-not-touch'?: string;
}
export interface RawStage {
  readonly name?: string;
  readonly to?: Figure;
  readonly range?: Figure;
  readonly turn?: Figure;
  readonly figure?: 'none';
  readonly 'could-be'?: readonly string[];
  readonly expect?: Figure;
}
export interface RawJoint extends RawEach {
  readonly title?: string;
  readonly fastener: string;
  readonly thread: string;
  readonly class?: string;
  readonly pattern?: {
    readonly circle?: string;
    readonly first?: string;
    readonly rectangle?: readonly [number, number];
    readonly points?: readonly (readonly [number, number])[];
    readonly order?: readonly number[];
  };
  readonly hold?: string;
  readonly into?: { readonly material: string; readonly engagement: string };
  readonly tighten: readonly RawStage[];
  readonly 'low-because'?: string;
  readonly fasteners?: 'reuse' | 'new' | 'new-if-stretched';
  readonly threadlocker?: string;
  readonly 'keep-clear'?: string;
  readonly running?: boolean;
  readonly grip?: Figure;
  readonly hand?: 'left' | 'right';
  readonly from?: RawFrom;
}
export interface RawSetting extends RawEach {
  readonly from?: RawFrom;
  readonly title: string;
  readonly kind: string;
  readonly quantity: string;
  readonly gauge?: string;
  readonly band?: Figure;
  readonly target?: Figure;
  readonly repeats?: number;
  readonly shims?: string;
  readonly thicker?: 'looser' | 'tighter';
  readonly trial?: Figure;
  readonly pack?: string;
  readonly 'may-be-off'?: Figure;
  readonly pieces?: number;
  readonly per?: { readonly move: Figure; readonly gives: Figure };
  readonly seat?: { readonly joint: string; readonly to: Figure; readonly turning?: string };
  readonly how?: string;
  readonly by?: string;
  readonly school?: RawSchool;
  readonly schools?: Readonly<Record<string, RawSchool>>;
  readonly pull?: {
    readonly radius: Figure;
    readonly 'seal-drag'?: Figure;
    readonly second?: { readonly pull: Figure; readonly radius: Figure; readonly ratio: number };
  };
  readonly bearings?: OneOrMore<string>;
  readonly feel?: { readonly ask: string; readonly good: string; readonly bad: string };
  readonly hot?: {
    readonly span: Figure;
    readonly rise: Figure;
    readonly case: string;
    readonly shaft?: string;
    readonly arrangement?: 'face-to-face' | 'back-to-back';
  };
  readonly together?: string;
  readonly chart?: {
    readonly shaft: Figure;
    readonly tolerance: Figure;
    readonly rows: readonly { readonly shaft: Figure; readonly compression: Figure }[];
  };
  readonly outside?: string;
}
export interface RawSchool {
  readonly kind: SchoolKind;
  readonly depths?: readonly {
    readonly id: string;
    readonly title: string;
    readonly sign: 'plus' | 'minus';
    readonly gauge?: string;
  }[];
  readonly pitch?: Figure;
  readonly slots?: number;
  readonly holes?: readonly Figure[];
  readonly flats?: number;
  readonly first?: Figure;
  readonly 'back-off'?: Figure;
  readonly gear?: number;
  readonly pinion?: number;
  readonly per?: { readonly move: Figure; readonly gives: Figure };
}
export interface RawMeasure extends RawEach {
  readonly from?: RawFrom;
  readonly title: string;
  readonly part: string;
  readonly quantity: string;
  readonly gauge?: string;
  readonly shape?: MeasureShape;
  readonly inside?: boolean;
  readonly 'out-of-round'?: Figure;
  readonly taper?: Figure;
  readonly spread?: Figure;
  readonly clearance?: { readonly of: string; readonly band: Figure };
  readonly housing?: Figure;
  readonly room?: Figure;
  readonly voltage?: Figure;
  readonly at?: readonly string[];
  readonly new?: Figure;
  readonly min?: Figure;
  readonly max?: Figure;
  readonly outside?: { readonly offer: readonly string[] };
  readonly groove?: { readonly by: string; readonly ask: string; readonly yes: string; readonly no: string };
}
export interface RawTest extends RawEach {
  readonly title: string;
  readonly quantity: string;
  readonly gauge?: string;
  readonly accept: Figure;
  readonly 'failed-by'?: readonly string[];
  readonly stand?: { readonly kind: StandKind } & Readonly<Record<string, Figure>>;
  readonly tells?: Readonly<Record<string, string>>;
  readonly from?: RawFrom;
}
export interface RawLook extends RawEach {
  readonly title: string;
  readonly ask: string;
  readonly by?: string;
  readonly part?: string;
  readonly pattern?: 'drive' | 'coast';
  readonly choose?: Readonly<
    Record<string, { readonly title: string; readonly verdict: 'good' | 'bad' | 'unsure'; readonly says?: string }>
  >;
  readonly 'failed-by'?: readonly string[];
}
export interface RawCause extends RawEach {
  readonly ask: string;
  readonly choose: Readonly<
    Record<string, { readonly title: string; readonly speaks?: OneOrMore<string>; readonly then?: string }>
  >;
}
export interface RawStack {
  readonly title: string;
  readonly from?: string;
  readonly order: readonly string[];
  readonly last?: string;
}
export interface RawLead extends RawEach {
  readonly title: string;
  readonly where: string;
  readonly kind?: 'connector' | 'earth' | 'hose' | 'cable' | 'strap' | 'clip' | 'belt';
}
export interface RawQuestion {
  readonly id?: string;
  readonly ask: string;
  readonly measure?: { readonly quantity: string; readonly gauge?: string };
  readonly count?: true;
  readonly needs?: 'nothing' | 'cover' | 'strip';
  readonly part?: string;
  readonly choose: readonly {
    readonly is: Figure;
    readonly variant?: OneOrMore<string>;
    readonly order?: string;
    readonly says?: string;
  }[];
}
type RawMap<T> = Readonly<Record<string, T>>;
export interface RawSheet {
  readonly sheet: string;
  readonly revision: number;
  readonly title: string;
  readonly kind: string;
  readonly maker: string;
  readonly models?: readonly string[];
  readonly from?: RawFrom;
  readonly opened?: readonly string[];
  readonly variants?: RawMap<{ readonly title: string }>;
  readonly identify?: readonly RawQuestion[];
  readonly parts: RawMap<RawPart>;
  readonly kits?: RawMap<{
    readonly title?: string;
    readonly order: string;
    readonly price?: number;
    readonly covers: readonly string[];
  }>;
  readonly causes?: RawMap<RawCause>;
  readonly sets?: RawMap<{ readonly title?: string; readonly parts: readonly string[] }>;
  readonly 'while-open'?: readonly { readonly part: string; readonly asks: string; readonly takes?: string }[];
  readonly exchange?: {
    readonly title?: string;
    readonly order: string;
    readonly price: number;
    readonly 'lead-days': number;
    readonly takes: string;
  };
  readonly comeback?: { readonly repair?: string; readonly dressed?: string; readonly exchange?: string };
  readonly joints?: RawMap<RawJoint>;
  readonly aids?: RawMap<RawEach & { readonly title: string; readonly where: string }>;
  readonly leads?: RawMap<RawLead>;
  readonly stacks?: RawMap<RawStack>;
  readonly looks?: RawMap<RawLook>;
  readonly marks?: RawMap<
    RawEach & {
      readonly title?: string;
      readonly between: readonly string[];
      readonly where: string;
      readonly with?: string;
    }
  >;
  readonly standing?: RawMap<{ readonly say: string; readonly from: string; readonly until: string }>;
  readonly measures?: RawMap<RawMeasure>;
  readonly settings?: RawMap<RawSetting>;
  readonly methods?: RawMap<{
    readonly ask: string;
    readonly choices: RawMap<{ readonly title: string; readonly why?: string }>;
  }>;
  readonly fluids?: RawMap<{
    readonly title?: string;
    readonly grade: string;
    readonly amount: Figure;
    readonly from?: RawFrom;
  }>;
  readonly tests?: RawMap<RawTest>;
  readonly 'hand-over'?: {
    readonly 'run-in'?: readonly string[];
    readonly 'look-again'?: readonly string[];
    readonly 'second-person'?: boolean;
  };
  readonly rungs: readonly RawRung[];
}
