import type { Dimension, Quantity, Band } from '../quantities/index.ts';
import type { FigureSource } from './types.ts';

/** A depth that is measured to reckon a pack, and whether it adds to the room for it or takes from it. */
export interface SettingDepth {
  readonly id: string;
  readonly title: string;
  readonly sign: 'plus' | 'minus';
  readonly gauge: string;
}

/** One way of reaching a setting: what is moved, and what the next move is reckoned from. */
export type SettingMethod =
  /** A pack from the drawer, reckoned from what a trial pack gave. */
  | { readonly kind: 'trial' }
  /** A pack from the drawer, reckoned from measured depths before anything is assembled. */
  | { readonly kind: 'depths'; readonly depths: readonly SettingDepth[] }
  /** A pack from the drawer, from the gap under a cover that is drawn down lightly on seated bearings. */
  | { readonly kind: 'gap'; readonly gauge: string }
  /**
   * A pack that puts a pinion at the distance etched on it: checked without a pack, from the ring gear's axis. The band of
   * the setting is stated about the nominal distance, and follows the etched figure.
   */
  | { readonly kind: 'pinion'; readonly nominal: Quantity; readonly gauge: string }
  /** A nut that crushes a sleeve until the drag is in its band: only ever on; overshot, the sleeve is renewed. */
  | { readonly kind: 'crush'; readonly first: Quantity; readonly part: string }
  /** A nut turned back from its seat, locked where a slot meets a hole. */
  | { readonly kind: 'nut'; readonly pitch: Quantity; readonly slots?: number; readonly holes: readonly Quantity[] }
  /** A cone set, held and locked; the locknut always moves it. `flats`: of the cone, for the words. */
  | { readonly kind: 'cone'; readonly pitch: Quantity; readonly flats: number }
  /** A nut turned in small steps until the drag is right: first step given, then from the tries. */
  | { readonly kind: 'turn'; readonly first: Quantity; readonly backOff: Quantity }
  /** Shims on both sides of a gear: across for backlash, both for preload. */
  | {
      readonly kind: 'sides';
      readonly gearTeeth: number;
      readonly pinionTeeth: number;
      /** What this much more on both sides together does to the setting that is read along. */
      readonly per: { readonly move: Quantity; readonly gives: Quantity };
    }
  /** A collar that is slid and locked. */
  | { readonly kind: 'slide' };
export type SettingMethodKind = SettingMethod['kind'];
export const settingMethodKinds = [
  'trial',
  'depths',
  'gap',
  'pinion',
  'crush',
  'nut',
  'cone',
  'turn',
  'sides',
  'slide',
] as const satisfies readonly SettingMethodKind[];

/** The depth under a cover of the method `gap`, and those of the method `pinion`. */
export const GAP = 'gap';
export const ETCHED = 'etched';
export const CHECKING = 'checking';

/** What is measured before a pack can be reckoned: nothing, for methods that begin with a trial or a turn. */
export function depthsOf(method: SettingMethod | undefined): readonly SettingDepth[] {
  switch (method?.kind) {
    case 'depths':
      return method.depths;
    case 'gap':
      return [{ id: GAP, title: 'Gap under the cover, drawn down by hand', sign: 'plus', gauge: method.gauge }];
    case 'pinion':
      return [
        { id: ETCHED, title: 'Figure etched on the pinion, with its sign', sign: 'minus', gauge: 'by eye' },
        { id: CHECKING, title: 'Axis of the ring gear to the gauge face, no shim', sign: 'plus', gauge: method.gauge },
      ];
    default:
      return [];
  }
}

/** Methods that reach a setting by a pack from the drawer. */
export const isPackMethod = (method: SettingMethod | undefined): boolean =>
  method !== undefined && ['trial', 'depths', 'gap', 'pinion'].includes(method.kind);

/** Is its nut tightened by the setting itself: turned until a drag is right, and then left? */
export const settlesItsNut = (setting: Setting): boolean =>
  Object.values(setting.methods ?? {}).some((s) => s.kind === 'crush' || s.kind === 'turn');

/** Something that is adjusted to a band. */
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
    /** 1 for a single selectable plate; the drawer's usual most otherwise. */
    readonly pieces?: number;
    /** What a thicker pack does, where it is not one for one: a drag or a pull. */
    readonly per?: { readonly move: Quantity; readonly gives: Quantity };
  };
  readonly seat?: { readonly joint: string; readonly to: Quantity; readonly turning?: string };
  readonly how?: string;
  /** The method of the sheet whose choice says how; without it there is one way, under "". */
  readonly by?: string;
  readonly methods?: Readonly<Record<string, SettingMethod>>;
  /** Read as a steady pull on a cord; what else turns along comes off. */
  readonly pull?: {
    readonly radius: Quantity;
    readonly sealDrag?: Quantity;
    readonly second?: { readonly pull: Quantity; readonly radius: Quantity; readonly ratio: number };
  };
  /** Kept, not renewed, these make it a used pair: half the band. */
  readonly bearings?: readonly string[];
  /** A first pass by hand before the gauge is put on. */
  readonly feel?: { readonly ask: string; readonly good: string; readonly bad: string };
  /** Working warm: what the case and the shaft do to it. */
  readonly hot?: {
    readonly span: Quantity;
    readonly rise: Quantity;
    readonly caseMaterial: string;
    readonly shaftMaterial: string;
    readonly arrangement: 'face-to-face' | 'back-to-back';
  };
  /** Another setting that pulls on this one: both are read in each try. */
  readonly together?: string;
  /** The maker's chart, by shaft: the band comes from the row. */
  readonly chart?: {
    readonly rows: readonly { readonly shaft: Quantity; readonly compression: Quantity }[];
    readonly shaft: Quantity;
  };
  /** What it points to when it cannot be brought into its band. */
  readonly outside?: string;
  /** The part that it is set with or read at. */
  readonly part?: string;
  /** Parts that must be on for it to be read: all that bears on it. */
  readonly of?: readonly string[];
  readonly from?: FigureSource;
}
