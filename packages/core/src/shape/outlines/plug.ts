import { box, type Piece, type Sizes } from './piece.ts';

/** So much of a plug is its thread. */
export const PLUG_SHANK = 0.65;

/** A plug with its head at the right. */
export const plug = ({ outside, length: l }: Sizes): readonly Piece[] => [
  box([0, l * PLUG_SHANK], [0, outside * 0.8], 'open'),
  box([l * PLUG_SHANK, l], [0, outside * 1.3], 'open'),
];
