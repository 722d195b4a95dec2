import FFT from 'fft.js';

/** Longest piece that is transformed; more resolution than that tells nothing new. */
const LONGEST = 32768;

interface Tools {
  readonly fft: FFT;
  readonly hann: Float64Array;
}
/** Tables of a transform, made once a size: at most ten sizes, powers of two. */
const made = new Map<number, Tools>();
function toolsOf(size: number): Tools {
  let tools = made.get(size);
  if (!tools) {
    const hann = Float64Array.from({ length: size }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / size));
    made.set(size, (tools = { fft: new FFT(size), hann }));
  }
  return tools;
}

/**
 * Frequency of the strongest line of a waveform, in cycles a sample, or undefined when it is constant.
 * Hann window; the peak refined by a parabola through the logarithms of its three bins.
 * @param x samples without their mean and slope, at least 64
 */
export function strongestLine(x: Float64Array): number | undefined {
  const size = Math.min(LONGEST, 2 ** Math.floor(Math.log2(x.length)));
  const { fft, hann } = toolsOf(size);
  const windowed = new Float64Array(size);
  for (let i = 0; i < size; i += 1) windowed[i] = x[i]! * hann[i]!;
  const out = fft.createComplexArray();
  fft.realTransform(out, windowed);
  const power = (bin: number): number => out[2 * bin]! ** 2 + out[2 * bin + 1]! ** 2;
  let best = 3;
  // The lowest bins hold what the window leaves of drift.
  for (let bin = 3; bin < size / 2 - 1; bin += 1) if (power(bin) > power(best)) best = bin;
  const [a, b, c] = [power(best - 1), power(best), power(best + 1)];
  if (!(b > 0)) return undefined;
  const [la, lb, lc] = [Math.log(a + 1e-300), Math.log(b), Math.log(c + 1e-300)];
  const curve = la - 2 * lb + lc;
  const shift = curve < 0 ? (0.5 * (la - lc)) / curve : 0;
  return (best + Math.max(-0.5, Math.min(0.5, shift))) / size;
}

/** Amplitude of one frequency (cycles a sample) over a stretch of samples, by projection. */
export function lineAt(x: Float64Array, length: number, cyclesPerSample: number): number {
  // A rotating pointer, renewed now and then against rounding.
  const step = 2 * Math.PI * cyclesPerSample;
  const [cs, sn] = [Math.cos(step), Math.sin(step)];
  let re = 0;
  let im = 0;
  for (let from = 0; from < length; from += 512) {
    let c = Math.cos(step * from);
    let s = Math.sin(step * from);
    const to = Math.min(length, from + 512);
    for (let i = from; i < to; i += 1) {
      re += x[i]! * c;
      im += x[i]! * s;
      const next = c * cs - s * sn;
      s = s * cs + c * sn;
      c = next;
    }
  }
  return (2 / length) * Math.hypot(re, im);
}

/** Takes mean and straight-line drift off. */
export function detrended(samples: readonly number[]): { mean: number; rest: Float64Array } {
  const n = samples.length;
  let sum = 0;
  for (const v of samples) sum += v;
  const mean = sum / n;
  const middle = (n - 1) / 2;
  let sxy = 0;
  for (let i = 0; i < n; i += 1) sxy += (i - middle) * (samples[i]! - mean);
  const slope = sxy / ((n * (n * n - 1)) / 12);
  const rest = new Float64Array(n);
  for (let i = 0; i < n; i += 1) rest[i] = samples[i]! - mean - slope * (i - middle);
  return { mean, rest };
}
