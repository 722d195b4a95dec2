/**
 * A three-phase rectifier solved as a circuit, to test the reckoner against: star of three sources with their
 * resistance, six diodes with a drop, a resistive load. Nothing of the reckoner is used. Voltages over the amplitude of
 * a phase; load resistance 1.
 */
export type Fault = 'healthy' | 'open-diode' | 'open-phase' | 'shorted-diode' | 'uneven-winding';
export interface Bridge {
  readonly fault: Fault;
  /** Diode 0 to 5 (upper, then lower), or the phase. */
  readonly which: number;
  readonly amplitudes: readonly [number, number, number];
  readonly resistance: number;
  readonly drop: number;
}

/** One electrical period of the output in `points` steps. Plain loops: a thousand of these are solved in a test. */
export function outputPeriod(b: Bridge, points: number): Float64Array {
  const missing = b.fault === 'open-phase' ? b.which % 3 : -1;
  const open = b.fault === 'open-diode' ? b.which : -1;
  const shorted = b.fault === 'shorted-diode' ? b.which : -1;
  const e = new Float64Array(3);
  const through = (over: number, diode: number): number => {
    if (diode === open) return 0;
    if (diode === shorted) return over / b.resistance;
    return over > b.drop ? (over - b.drop) / b.resistance : 0;
  };
  // Currents up and down for an output v and a star point n, the lower rail at 0.
  const up = (n: number, v: number): number => {
    let sum = 0;
    for (let k = 0; k < 3; k += 1) if (k !== missing) sum += through(n + e[k]! - v, k);
    return sum;
  };
  const down = (n: number): number => {
    let sum = 0;
    for (let k = 0; k < 3; k += 1) if (k !== missing) sum += through(-n - e[k]!, k + 3);
    return sum;
  };
  const starPoint = (v: number): number => {
    let [low, high] = [-2, 2 + v];
    for (let i = 0; i < 18; i += 1) {
      const n = (low + high) / 2;
      if (up(n, v) > down(n)) high = n;
      else low = n;
    }
    return (low + high) / 2;
  };
  const out = new Float64Array(points);
  for (let j = 0; j < points; j += 1) {
    for (let k = 0; k < 3; k += 1) e[k] = b.amplitudes[k]! * Math.sin(2 * Math.PI * (j / points - k / 3));
    let [low, high] = [0, 2.4];
    for (let i = 0; i < 16; i += 1) {
      const v = (low + high) / 2;
      if (v > up(starPoint(v), v)) high = v;
      else low = v;
    }
    out[j] = (low + high) / 2;
  }
  return out;
}

/** A generator of repeatable chance in [0, 1). */
export function chance(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Samples of a period at an electrical frequency, from a phase on, with Gaussian noise as a share of the mean. */
export function sampled(
  period: Float64Array,
  how: { count: number; rateHz: number; electricalHz: number; phase: number; noise: number; scale: number },
  random: () => number,
): number[] {
  const mean = period.reduce((a, b) => a + b, 0) / period.length;
  return Array.from({ length: how.count }, (_, i) => {
    const turn = (((how.electricalHz * i) / how.rateHz + how.phase) % 1) * period.length;
    const at = Math.floor(turn);
    const a = period[at % period.length]!;
    const b = period[(at + 1) % period.length]!;
    const gauss = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    return how.scale * (a + (b - a) * (turn - at) + how.noise * mean * gauss);
  });
}
