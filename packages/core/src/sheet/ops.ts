import type { Condition, Finding } from './types.ts';

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
  'drain',
  'let-down',
  'lift',
  'lower',
  'lock-off',
  'let-run',
  'run',
  'move',
  'cure',
  'soak',
  'rest',
  'confirm',
] as const;
export type PlainVerb = (typeof plainVerbs)[number];

/** Verbs that may carry a time to wait: `for: 30 min`. */
export const timedVerbs = ['cure', 'soak', 'rest', 'heat'] as const satisfies readonly PlainVerb[];
export type TimedVerb = (typeof timedVerbs)[number];

/** Between on and off: kept and shown until it is settled. */
export const betweenKinds = ['slackened', 'started', 'swung-aside', 'hung', 'refitted'] as const;
export type BetweenKind = (typeof betweenKinds)[number];

/** One way of taking a part off; the next is tried when it fails. */
export interface Way {
  readonly title: string;
  /** The part does not survive it: it is renewed. */
  readonly destroys: boolean;
  /** A piece worth keeping: the id of the part that it becomes. */
  readonly saves?: string;
}

interface OpBase {
  /** `side/rung/…`: stable within a revision of the sheet. */
  readonly id: string;
  readonly when: readonly Condition[];
  readonly note?: string;
  /** What must be so before it beyond what its kind needs of itself. */
  readonly needs?: OpNeeds;
  /** Where the unit must be. */
  readonly at?: Where;
}
/** Where the unit is: in or on its machine, on the bench, on a stand. */
export const wheres = ['machine', 'bench', 'stand'] as const;
export type Where = (typeof wheres)[number];
/** An operation's own needs: parts on, parts off, spaces or leads open, the machine running or stopped. */
export interface OpNeeds {
  readonly on: readonly string[];
  readonly off: readonly string[];
  readonly open: readonly string[];
  readonly running?: boolean;
}
export type Op = OpBase &
  (
    | { readonly kind: 'caution'; readonly cautionClass?: string; readonly say: string; readonly acknowledge: boolean }
    | { readonly kind: 'do'; readonly lines: readonly string[] }
    | { readonly kind: 'helper'; readonly say: string }
    | { readonly kind: 'fit-aid' | 'remove-aid'; readonly aid: string }
    | { readonly kind: 'mark' | 'align'; readonly mark: string }
    | { readonly kind: 'disconnect' | 'reconnect'; readonly lead: string }
    /** `leaveIn`: so many stay in by a few turns until the part is free. */
    | { readonly kind: 'undo'; readonly joint: string; readonly leaveIn?: number }
    /** The ones that were left in. */
    | { readonly kind: 'last-out'; readonly joint: string; readonly count: number }
    | { readonly kind: 'slacken' | 'start'; readonly joint: string }
    | { readonly kind: 'swing-aside' | 'hang' | 'refit'; readonly part: string }
    | {
        readonly kind: 'off';
        readonly parts: readonly { readonly part: string; readonly count: number }[];
        /** Ways in the order in which they are tried; empty: by hand. */
        readonly by: readonly Way[];
        readonly leaveIn?: number;
      }
    /** Thrown away on purpose: something else goes in its place, or nothing does. */
    | { readonly kind: 'scrap'; readonly part: string }
    | { readonly kind: 'stack' | 'restack'; readonly stack: string }
    | { readonly kind: 'identify'; readonly question: string }
    | { readonly kind: 'look'; readonly look: string; readonly moment: Moment }
    | { readonly kind: 'read'; readonly setting: string }
    | { readonly kind: 'test'; readonly test: string; readonly moment: 'as-found' | 'now' }
    | { readonly kind: 'measure'; readonly measure: string }
    | { readonly kind: 'judge'; readonly parts: readonly string[] }
    | { readonly kind: 'cause'; readonly cause: string }
    | { readonly kind: 'choose'; readonly method: string }
    | { readonly kind: 'set'; readonly setting: string }
    /** `through`: only as far as this stage (0-based); a later operation goes on. */
    | { readonly kind: 'tighten'; readonly joint: string; readonly through?: number }
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
        /** Time to wait, of a timed verb. */
        readonly minutes?: number;
        /** Of a press: what it stands on. */
        readonly on?: string;
        /** Of a bleed: clean strokes in a row. */
        readonly strokes?: number;
        /** Of rework: with what, how far, the look after it, and what is cleared away. */
        readonly by?: string;
        readonly until?: string;
        readonly check?: string;
        readonly clear?: string;
      }
  );
export type OpKind = Op['kind'];
/** When a look or a test is made. */
export type Moment = 'as-found' | 'bottom' | 'now';
/** The operations of some kinds. */
export type OpOf<K extends OpKind> = Op extends infer O
  ? O extends { readonly kind: infer P }
    ? [K & P] extends [never]
      ? never
      : O & { readonly kind: K & P }
    : never
  : never;

/** What an op is, without what every op has. */
export type OpBody = Op extends infer O
  ? O extends Op
    ? Omit<O, 'id' | 'when' | 'note' | 'needs' | 'at'>
    : never
  : never;

/** The findings that bring a new part in. */
export const renewing: ReadonlySet<Finding> = new Set<Finding>(['renew', 'scrap']);
/** The findings after which what was bad about a part is bad no more. */
export const mendsPart: ReadonlySet<Finding> = new Set<Finding>(['dress', 'renew', 'scrap']);
