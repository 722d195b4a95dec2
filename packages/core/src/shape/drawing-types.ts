import type { Axis } from '../sheet/index.ts';
import type { Label } from './labels.ts';
import type { Piece } from './outlines/index.ts';

/** How a part of the drawing stands: on the unit, off it, or what the move is about. */
export type Look = 'on' | 'off' | 'hand';

export interface DrawnPart {
  readonly key: string;
  readonly part: string;
  readonly title: string;
  readonly look: Look;
  /** A size of it was guessed. */
  readonly guessed: boolean;
  /** Its box in the frame, px. */
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Both halves, in px of the frame. */
  readonly pieces: readonly Piece[];
  readonly new: boolean;
  readonly worn: boolean;
  /** Its place in the list, from 1. */
  readonly number: number;
}

/** What shows of a gear of another row that is in mesh with one of this one. */
export interface DrawnMate {
  /** Key of the gear that it is in mesh with. */
  readonly gear: string;
  readonly part: string;
  readonly title: string;
  readonly pieces: readonly Piece[];
}

export interface UnitDrawing {
  readonly width: number;
  readonly height: number;
  /** Nothing stands above this, px: rows of names that are not needed. */
  readonly top: number;
  /** The axis, px. */
  readonly axis: { readonly y: number; readonly from: number; readonly to: number };
  readonly parts: readonly DrawnPart[];
  readonly mates: readonly DrawnMate[];
  readonly labels: readonly Label[];
  /** The way that the part at hand goes, px. */
  readonly arrow?: { readonly from: readonly [number, number]; readonly to: readonly [number, number] };
  /** Where what a part is pressed into is supported: a face across the axis, px. */
  readonly support?: {
    readonly x: number;
    readonly from: number;
    readonly to: number;
    readonly side: 'left' | 'right';
  };
  /** What is on the unit, and what lies beside it: from, to, px. */
  readonly spans: readonly { readonly from: number; readonly to: number; readonly says: 'on' | 'off' }[];
  /** Where an indicator stands, px. */
  readonly indicator?: readonly [number, number];
  /** The row in words, left to right. */
  readonly says: readonly string[];
}

export interface Asked {
  readonly axis: Axis;
  /** Section: what is on stands together. Row: everything apart, in its order. */
  readonly view: 'section' | 'row';
  readonly width: number;
  readonly height: number;
  /** Parts that are off the unit now; those of other rows tell which gears have nothing in mesh. */
  readonly off: ReadonlySet<string>;
  /** What the move is about, and which way it goes; none where it only shows a place. */
  readonly hand?: { readonly parts: ReadonlySet<string>; readonly goes?: 'off' | 'on'; readonly pressed?: boolean };
  readonly worn?: ReadonlySet<string>;
  readonly renewed?: ReadonlySet<string>;
  /** Only what is at hand has its name: a small drawing that shows a place. */
  readonly small?: boolean;
  /** Numbers on the parts instead of names. */
  readonly numbered?: boolean;
  /** A drawing whose numbers this one has too. */
  readonly numbersOf?: UnitDrawing;
  readonly indicator?: boolean;
}
