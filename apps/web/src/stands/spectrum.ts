/** Longest stretch that is looked at, a power of two: 0.33 s at 50 kHz. */
const LONGEST = 16384;

/** Amplitude at the first multiples of a frequency, as a share of the mean: one projection each (Goertzel's sum). */
export function harmonics(
  samples: readonly number[],
  sampleRateHz: number,
  hz: number,
  count: number,
): readonly { readonly n: number; readonly share: number }[] {
  const turns = Math.max(1, Math.floor((Math.min(samples.length, LONGEST) * hz) / sampleRateHz));
  const length = Math.min(samples.length, Math.round((turns * sampleRateHz) / hz));
  const used = samples.slice(-length);
  const mean = used.reduce((s, v) => s + v, 0) / Math.max(1, length);
  return Array.from({ length: count }, (_, i) => {
    const n = i + 1;
    const step = (2 * Math.PI * n * hz) / sampleRateHz;
    let re = 0;
    let im = 0;
    used.forEach((v, k) => {
      re += (v - mean) * Math.cos(step * k);
      im -= (v - mean) * Math.sin(step * k);
    });
    return { n, share: mean === 0 ? 0 : (2 * Math.hypot(re, im)) / length / Math.abs(mean) };
  });
}
