/** Of a run: time, or what else goes along, and what was read there; what stands beside it last. */
export type Points = readonly (readonly number[])[];
export const mean = (xs: readonly number[]): number => xs.reduce((s, x) => s + x, 0) / xs.length;
export const last = (points: Points): readonly number[] => points.at(-1)!;
