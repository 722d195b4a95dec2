import type { Band, Dimension, Quantity } from '../quantities/index.ts';
import type { Axis, ShapeKind } from './axis.ts';
import type { SheetFault } from './faults.ts';
import type { FollowUp } from './follow-up.ts';
import type { Fit, Gland, Lip } from './fits.ts';
import type { Op, Where } from './ops.ts';
import type { Route } from './route.ts';
import type { Setting } from './setting.ts';
import type { Stand } from './stand.ts';

/** The judgement on a part. */
export const findings = ['reuse', 'dress', 'renew', 'watch', 'scrap'] as const;
export type Finding = (typeof findings)[number];

/** Whose figure it is; the weaker ones are shown as such in the record. */
export type FigureSource =
  | { readonly kind: 'maker'; readonly document: string; readonly page?: string }
  | { readonly kind: 'table' | 'shop' | 'hearsay' | 'computed' | 'guess'; readonly note?: string };

/** "finding: cups is renew": when a rung or an operation stands. */
export interface Condition {
  readonly on: 'variant' | 'method' | 'finding' | 'scope';
  /** The method or part; empty for a variant or a scope. */
  readonly subject: string;
  readonly is: string;
  readonly negate: boolean;
}

export interface Part {
  readonly id: string;
  readonly title: string;
  /** 0 while it is unknown: nobody counted, and the bench asks. */
  readonly count: number;
  readonly countKnown: boolean;
  /** always: a new one each time. inspect: looked at, usually reused. judge: a finding is due. */
  readonly renew: 'always' | 'inspect' | 'judge';
  readonly order?: string;
  /** Minor units. */
  readonly priceMinor?: number;
  /** What it must be like to be used again, in words. */
  readonly reuseIf?: string;
  /** When to look again at one that is watched: "at 500 h". */
  readonly lookAgain?: string;
  /** The body of the unit: scrapped, it asks whether an exchange unit goes in its stead. */
  readonly body?: boolean;
  readonly goes?: string;
  /** It goes on one way only, or on several wrong ways too. */
  readonly fits?: 'one way' | 'several ways';
  /** Its place on the unit: "two upper holes". */
  readonly where?: string;
  readonly length?: Quantity;
  /** How it is drawn, where its title and figures do not tell. */
  readonly shape?: ShapeKind;
  /** Diameters. */
  readonly inside?: Quantity;
  readonly outside?: Quantity;
  /** Which way its lip, wide end, hollow or head points on its axis. */
  readonly points?: 'left' | 'right';
  /** It goes in where this other part was, and is not like it. */
  readonly replaces?: string;
  /** It comes into being when another part is cut up for what is still good in it. */
  readonly savedFrom?: string;
  /** left or right (or the name of a place), for a part that stands once on each. */
  readonly side?: string;
  /** It never comes off the unit. */
  readonly stays: boolean;
  readonly ring?: {
    readonly inside: Quantity;
    readonly section: Quantity;
    readonly material?: string;
    readonly gland?: Gland;
  };
  readonly lip?: Lip;
  readonly fit?: Fit;
  /** Where it sits, so that it is known what is in its way. */
  readonly sits?: Sits;
  /** It may not be touched there: a lapped face, a lip. */
  readonly mayNotTouch?: string;
}

/** Where a part sits on the unit, and what shuts it in. */
export interface Sits {
  /** The part or space that it lies in. */
  readonly in?: string;
  /** The part that carries it. */
  readonly on?: string;
  /** Parts that must be off before it can be touched. */
  readonly behind: readonly string[];
  /** Spaces that are shut while it is on. */
  readonly closes: readonly string[];
  /** It comes off with this part. */
  readonly with?: string;
}
/** A room of the unit: what it holds, how it is emptied and filled, and what shuts it. */
export interface Space {
  readonly id: string;
  readonly title: string;
  readonly holds?: string;
  /** The joint or part of its drain, its filler and its level. */
  readonly drain?: string;
  readonly fill?: string;
  readonly level?: string;
  readonly under?: 'pressure' | 'vacuum';
  /** Leads, joints or parts that open it. */
  readonly ports: readonly string[];
}
/** Something that stores force: what holds it, and what must not be undone while nothing does. */
export interface Load {
  readonly id: string;
  readonly title: string;
  /** The part that is under load. */
  readonly part?: string;
  /** The aid that holds it. */
  readonly loadedBy: string;
  /** Joints and parts that it would throw. */
  readonly frees: readonly string[];
}
/** How much of the unit a job is about. */
export interface Scope {
  readonly id: string;
  readonly title: string;
  /** Rungs down to which it is stripped; none: all of it. */
  readonly downTo: readonly string[];
  /** Rungs on the way that it passes by: the cover, where only the seal in front is changed. */
  readonly without: readonly string[];
  readonly asks?: string;
}

export interface Stage {
  readonly name: string;
  /** To a torque, or on by an angle from where the stage before ended. */
  readonly kind: 'torque' | 'angle';
  readonly to: Quantity;
  /** Accepted torque at the fastener, or accepted turn. */
  readonly window: Band;
  /** The figure came without a unit: these could be meant, and someone must say which. */
  readonly unitAsked?: readonly string[];
  /** The sheet gave no tolerance: a tenth either way is taken, and said. */
  readonly windowAssumed: boolean;
  /** How far it turns in this stage when all is well. */
  readonly expect?: Band;
}

/** Where the fasteners of a joint sit, seen from outside; places are numbered from 1 in this order. */
export type Pattern =
  | { readonly kind: 'circle'; readonly diameter: Quantity; readonly first: string }
  | { readonly kind: 'rectangle'; readonly rows: number; readonly columns: number }
  | {
      readonly kind: 'points';
      readonly points: readonly (readonly [number, number])[];
      /** The sheet's own pulling order, 1-based. */
      readonly order?: readonly number[];
    }
  | { readonly kind: 'single' };

export interface Joint {
  readonly id: string;
  readonly title: string;
  readonly fastener: string;
  readonly count: number;
  readonly thread: string;
  readonly propertyClass?: string;
  readonly pattern: Pattern;
  readonly into?: { readonly material: string; readonly engagement: Quantity };
  readonly stages: readonly Stage[];
  readonly lowBecause?: string;
  readonly fasteners: 'reuse' | 'new' | 'new-if-stretched';
  readonly hand: 'right' | 'left';
  readonly threadlocker?: string;
  /** Where the threadlocker must not run. */
  readonly keepClear?: string;
  /** A self-locking nut: what it takes to turn before it seats comes on top of every figure. */
  readonly running?: boolean;
  /** Place → which kind of fastener goes there, where they are not all alike: "long, M6 × 45". */
  readonly takes?: Readonly<Record<string, string>>;
  /** A castellated nut: after its figure on to the next slot, forward only, by so much at most, until its pin goes in. */
  readonly slot?: { readonly most: Quantity; readonly pin: string };
  /** Length that stretches: with it the clamp force of a turn is known. */
  readonly grip?: Quantity;
  /** The far side is held, with this. */
  readonly hold?: string;
  /** What it holds together. */
  readonly clamps?: readonly string[];
  readonly from?: FigureSource;
}

export interface Aid {
  readonly id: string;
  readonly title: string;
  readonly where: string;
  /** The part or lead that it sits on. */
  readonly on?: string;
  /** It leaves with the unit on purpose: a shipping cap. */
  readonly leaves?: boolean;
}
/** A connector, earth lead, hose, strap or clip that is parted on the side and easily forgotten. */
export interface Lead {
  readonly id: string;
  readonly title: string;
  readonly where: string;
  readonly kind: 'connector' | 'earth' | 'hose' | 'cable' | 'strap' | 'clip' | 'belt';
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

/** How the readings of a measure are laid out, and which figures are derived from them. */
export const measureShapes = ['size', 'bore', 'round', 'phases', 'winding', 'insulation', 'springs', 'pack'] as const;
export type MeasureShape = (typeof measureShapes)[number];

export interface Measure {
  readonly id: string;
  readonly title: string;
  readonly part: string;
  readonly dimension: Dimension;
  readonly gauge: string;
  readonly shape: MeasureShape;
  /** Read from inside: a bore, a groove. */
  readonly inside: boolean;
  /** Places to read, at least one; a bore has two directions at each depth, depth by depth. */
  readonly at: readonly string[];
  /** Limits of the figures that are derived from all the readings together. */
  readonly derived: {
    readonly outOfRound?: Quantity;
    readonly taper?: Quantity;
    /** Between the largest and the least, in the measure's own unit, or a share of their mean in %. */
    readonly spread?: Quantity;
    /** Room for what runs in it: held against the readings of another measure. */
    readonly clearance?: { readonly of: string; readonly band: Band };
    /** Depth that a pack of plates lies in, and the room that is left. */
    readonly housing?: Quantity;
    readonly room?: Band;
    /** Of insulation: the voltage that the winding is made for. */
    readonly voltage?: Quantity;
  };
  readonly newSize?: Quantity;
  readonly min?: Quantity;
  readonly max?: Quantity;
  readonly outsideOffers: readonly string[];
  readonly from?: FigureSource;
  readonly groove?: { readonly by: string; readonly ask: string; readonly yes: string; readonly no: string };
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
  /** What it is to a rubber (the fluids of `seal-material`). */
  readonly kind?: string;
  readonly from?: FigureSource;
}
/** Whether a vehicle stands on its wheels or is lifted while a test is made. */
export const weights = ['on wheels', 'lifted'] as const;
export interface Test {
  readonly id: string;
  readonly title: string;
  readonly dimension: Dimension;
  readonly gauge: string;
  readonly accept: Band;
  readonly failedBy: readonly string[];
  /** Where it is made, whether the machine runs, and what must be on for it to speak. */
  readonly at?: Where;
  readonly running?: boolean;
  readonly of?: readonly string[];
  /** With the weight on its wheels, or lifted. */
  readonly weight?: (typeof weights)[number];
  /** After it has stood so long. */
  readonly after?: Quantity;
  /** Made on a stand, by a run of this kind. */
  readonly stand?: Stand;
  /** What a run tells → which of `failedBy` it speaks against. */
  readonly tells?: Readonly<Record<string, string>>;
  readonly from?: FigureSource;
}
/** A check by sense: two or three plain, described choices. */
export interface Look {
  readonly id: string;
  readonly title: string;
  readonly ask: string;
  /** ear, eye, hand, nose. */
  readonly by: string;
  readonly part?: string;
  /** Marking compound on this flank of the gear's teeth: the choices are places on the tooth. */
  readonly pattern?: 'drive' | 'coast';
  readonly choices: readonly {
    readonly id: string;
    readonly title: string;
    readonly verdict: 'good' | 'bad' | 'unsure';
    readonly says?: string;
  }[];
  readonly failedBy: readonly string[];
}
/** Plates, shims or washers whose order is recorded as it comes off and held against the sheet at build-up. */
export interface Stack {
  readonly id: string;
  readonly title: string;
  /** From which end it is counted: "flywheel side". */
  readonly from: string;
  /** Part ids in the sheet's order. */
  readonly layers: readonly { readonly part: string; readonly title: string }[];
  readonly last?: string;
}
/** Something that may be made ready before its step is reached. */
export interface Ahead {
  readonly id: string;
  readonly kind: 'oven' | 'soak' | 'tool' | 'order';
  readonly what: string;
  /** How long before; 0 when it only has to be there. */
  readonly minutes: number;
}
/** Why the unit failed: asked on a first visit too, so that a new part is not put on an old cause. */
export interface Cause {
  readonly id: string;
  readonly ask: string;
  readonly choices: readonly {
    readonly id: string;
    readonly title: string;
    /** Measures, looks, settings and tests whose readings speak for it. */
    readonly speaks: readonly string[];
    /** What is done about it. */
    readonly then?: string;
  }[];
}
/** Parts that are renewed together or not at all. */
export interface PartSet {
  readonly id: string;
  readonly title: string;
  readonly parts: readonly string[];
}
/** A part that is cheap to renew now, against the price of opening the unit again. */
export interface WhileOpen {
  readonly part: string;
  /** Chance that it will be needed before the next visit, 0 to 1. */
  readonly risk: number;
  /** What it takes more, now. */
  readonly minutes: number;
}
/** A rebuilt or new unit that may be fitted in place of this one. */
export interface Exchange {
  readonly title: string;
  readonly order: string;
  readonly priceMinor: number;
  readonly leadDays: number;
  readonly minutes: number;
}
/** Chances of a comeback by what was done, 0 to 1: the shop's own, until its log knows better. */
export interface Risks {
  readonly repair: number;
  readonly dressed: number;
  readonly exchange: number;
}

export interface Kit {
  readonly id: string;
  readonly title: string;
  readonly order: string;
  readonly priceMinor?: number;
  readonly covers: readonly string[];
}

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
  /** Special tools, and what serves instead. */
  readonly tools: readonly { readonly title: string; readonly instead?: string }[];
  readonly ahead: readonly Ahead[];
  /** left or right (or a place) for a rung that stands once on each. */
  readonly at?: string;
  /** Step ids on the same side that must be done first, or that must wait for this one. */
  readonly after: readonly string[];
  readonly before: readonly string[];
}

/** How much must come apart before a question can be answered, least first. */
export const needs = ['nothing', 'cover', 'strip'] as const;
export interface IdentifyQuestion {
  readonly id: string;
  readonly ask: string;
  readonly by: 'measure' | 'count' | 'word';
  readonly gauge?: string;
  readonly dimension?: Dimension;
  readonly needs: (typeof needs)[number];
  /** The answer says which number to order for this part, not which variant. */
  readonly part?: string;
  readonly choices: readonly {
    readonly band?: Band;
    readonly word?: string;
    /** Variants that the answer leaves possible; empty when it speaks of a part only. */
    readonly variants: readonly string[];
    /** The number that now stands for the part, whatever is stamped on the old one. */
    readonly order?: string;
    readonly says?: string;
  }[];
}

/** The compiled form's own version: an older one is brought up by {@link currentSheet}. */
export const SHEET_FORMAT = 5;

/** Entries of a sheet whose figures may differ by variant. */
export interface VariedEntries {
  readonly parts: Readonly<Record<string, Part>>;
  readonly joints: Readonly<Record<string, Joint>>;
  readonly measures: Readonly<Record<string, Measure>>;
  readonly settings: Readonly<Record<string, Setting>>;
  readonly fluids: Readonly<Record<string, Fluid>>;
  readonly tests: Readonly<Record<string, Test>>;
}

/** A build sheet after reading: every quantity parsed, every name resolved. Plain JSON. */
export interface Sheet {
  readonly format: number;
  /** Of the language that it was written in: what is written in the second is held to be worked as written. */
  readonly form: 1 | 2;
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
  readonly leads: Readonly<Record<string, Lead>>;
  readonly marks: Readonly<Record<string, Mark>>;
  readonly standing: readonly StandingCaution[];
  readonly measures: Readonly<Record<string, Measure>>;
  readonly settings: Readonly<Record<string, Setting>>;
  readonly methods: Readonly<Record<string, Method>>;
  readonly fluids: Readonly<Record<string, Fluid>>;
  readonly spaces: Readonly<Record<string, Space>>;
  readonly loads: Readonly<Record<string, Load>>;
  readonly scopes: Readonly<Record<string, Scope>>;
  /** What differs by variant: whole entries that stand in for those above. */
  readonly byVariant?: Readonly<Record<string, VariedEntries>>;
  readonly tests: Readonly<Record<string, Test>>;
  readonly looks: Readonly<Record<string, Look>>;
  readonly stacks: Readonly<Record<string, Stack>>;
  readonly causes: Readonly<Record<string, Cause>>;
  /** The rows in which its parts lie; none in a sheet that does not say. */
  readonly axes?: readonly Axis[];
  /** Gears that run in mesh, two by two; none in a sheet that does not say. */
  readonly meshes?: readonly (readonly [string, string])[];
  /** How belts and hoses run; none in a sheet that does not say. */
  readonly routes?: Readonly<Record<string, Route>>;
  /** None in a sheet that does not say. */
  readonly faults?: Readonly<Record<string, SheetFault>>;
  readonly sets: readonly PartSet[];
  readonly whileOpen: readonly WhileOpen[];
  readonly exchange?: Exchange;
  readonly risks: Risks;
  /** What tells that the unit was opened before. */
  readonly opened: readonly string[];
  /** Where figures come from that say nothing of their own. */
  readonly from?: FigureSource;
  /** What the customer is told at the end, and whether a second person looks it over. */
  readonly handOver?: {
    readonly runIn: readonly string[];
    readonly lookAgain: readonly string[];
    /** Since it is said in quantities: none in a sheet of before. */
    readonly followUps?: readonly FollowUp[];
    readonly secondPerson: boolean;
  };
  /** In the order of the sheet: strip order. */
  readonly steps: readonly Step[];
}
