import type { joint, part, setting } from '../schema/entries.ts';
import type { namedStep, op, rung, side } from '../schema/rungs.ts';
import type { sheet } from '../schema/schema.ts';
import type { ahead, caution, from, way, when, Written } from '../schema/shapes.ts';

/** A build sheet as written, after it has passed the JSON Schema: its types are the schema's. */
export type OneOrMore<T> = T | readonly T[];
/** Set on the copies of what stands once on each side: which of them this is. */
type Sided<T> = T & { readonly onSide?: string };
type Entries<T> = { readonly [K in keyof T]: T[K] };
type SheetAsWritten = Written<typeof sheet>;
/** The entries of a map of the sheet. */
type EntryOf<K extends keyof SheetAsWritten> =
  NonNullable<SheetAsWritten[K]> extends Readonly<Record<string, infer E>> ? E : never;
type Each<K extends keyof SheetAsWritten> = Readonly<Record<string, Sided<EntryOf<K>>>>;

export type RawWhen = Written<typeof when>;
export type RawFrom = Written<typeof from>;
export type RawCaution = Written<typeof caution>;
export type RawWay = Written<typeof way>;
export type RawAhead = Written<typeof ahead>;
export type RawOp = Written<typeof op>;
export type RawSide = Written<typeof side>;
export type RawNamedStep = Written<typeof namedStep>;
export type RawRung = Sided<Written<typeof rung>>;
export type RawPart = Sided<Written<typeof part>>;
export type RawJoint = Sided<Written<typeof joint>>;
export type RawStage = RawJoint['tighten'][number];
export type RawSetting = Sided<Written<typeof setting>>;
export type RawSettingMethod = NonNullable<RawSetting['method']>;
export type RawMeasure = Sided<EntryOf<'measures'>>;
export type RawTest = Sided<EntryOf<'tests'>>;
export type RawLook = Sided<EntryOf<'looks'>>;
export type RawCause = Sided<EntryOf<'causes'>>;
export type RawStack = EntryOf<'stacks'>;
export type RawLead = Sided<EntryOf<'leads'>>;
export type RawQuestion = NonNullable<SheetAsWritten['identify']>[number];

/** Maps whose entries may stand once on each side. */
type SidedMap =
  'parts' | 'joints' | 'aids' | 'leads' | 'looks' | 'marks' | 'measures' | 'settings' | 'tests' | 'causes';
export type RawSheet = Entries<
  Omit<SheetAsWritten, SidedMap | 'rungs'> & { readonly [K in Exclude<SidedMap, 'parts'>]?: Each<K> } & {
    readonly parts: Each<'parts'>;
    readonly rungs: readonly RawRung[];
  }
>;
