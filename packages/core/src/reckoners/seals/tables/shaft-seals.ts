/** Shaft seals of ISO 6194-1: shaft → housing bores, mm; width by shaft. From memory; at 65 mm the tables differ (8 or 10 mm): 10 is taken, as DIN 3760 has it, and is marked as doubtful. */
// prettier-ignore
export const shaftSeals: readonly (readonly [shaft: number, bores: readonly number[]])[] = [
  [6, [16, 22]], [7, [22]], [8, [22, 24]], [9, [22]], [10, [22, 25]], [12, [24, 25, 30]], [15, [26, 30, 35]], [16, [30]], [18, [30, 35]], [20, [35, 40]], [22, [35, 40, 47]], [25, [40, 47, 52]], [28, [40, 47, 52]], [30, [42, 47, 52]], [32, [45, 47, 52]], [35, [50, 52, 55]], [38, [52, 58, 62]], [40, [55, 62]], [42, [55, 62]], [45, [62, 65]], [50, [68, 72]], [55, [72, 80]], [60, [80, 85]], [65, [85, 90]], [70, [90, 95]], [75, [95, 100]], [80, [100, 110]], [85, [110, 120]], [90, [120]], [95, [120]], [100, [125]], [110, [140]], [120, [150]], [130, [160]], [140, [170]], [150, [180]], [160, [190]],
];
export const sealWidthOf = (shaft: number): number =>
  shaft <= 30 ? 7 : shaft <= 60 ? 8 : shaft <= 80 ? 10 : shaft <= 130 ? 12 : 15;
