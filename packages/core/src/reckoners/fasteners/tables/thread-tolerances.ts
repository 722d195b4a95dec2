/** Fundamental deviation es of position g by pitch, µm (ISO 965-1 table 1; −(15 + 11 P), as printed). From memory. */
const ALLOWANCE_G: readonly (readonly [pitchMm: number, um: number])[] = [
  [0.25, 18],
  [0.3, 18],
  [0.35, 19],
  [0.4, 19],
  [0.45, 20],
  [0.5, 20],
  [0.6, 21],
  [0.7, 22],
  [0.75, 22],
  [0.8, 24],
  [1, 26],
  [1.25, 28],
  [1.5, 32],
  [1.75, 34],
  [2, 38],
  [2.5, 42],
  [3, 48],
  [3.5, 53],
  [4, 60],
  [4.5, 63],
  [5, 71],
  [5.5, 75],
  [6, 80],
];

/** How far a bolt of position g stands below its basic profile, µm. */
export function pitchAllowance(pitchMm: number): number {
  return ALLOWANCE_G.find(([p]) => p === pitchMm)?.[1] ?? 15 + 11 * pitchMm;
}

/** One decade of the R 40 series, to which ISO 965-1 rounds what its formulas give. */
const R40 = [
  100, 106, 112, 118, 125, 132, 140, 150, 160, 170, 180, 190, 200, 212, 224, 236, 250, 265, 280, 300, 315, 335, 355,
  375, 400, 425, 450, 475, 500, 530, 560, 600, 630, 670, 710, 750, 800, 850, 900, 950,
];

/** The nearest preferred number of R 40, the larger where two are as near; of whatever decade. */
export function preferred(value: number): number {
  const decade = 10 ** Math.floor(Math.log10(value) - 2 + 1e-12);
  const scaled = [...R40, 1000].map((n) => n * decade);
  return scaled.reduce(
    (best, n) => (Math.abs(n - value) <= Math.abs(best - value) + 0.15 * decade ? n : best),
    scaled[0]!,
  );
}
