import { canonical, formatNumber as f } from '../../quantities/index.ts';
import { defineReckoner, list, number, optional, quantity, ReckonError, type Work } from '../shape/index.ts';
import { sixPulse } from './six-pulse.ts';
import { detrended, lineAt, strongestLine } from './spectrum.ts';

export type RippleVerdict =
  'healthy' | 'open-diode' | 'open-phase' | 'shorted-diode' | 'uneven-winding' | 'cannot-tell';

/** Harmonics of the electrical frequency that are measured. */
const HARMONICS = 6;
/** Sixths of the strongest line that a fault can raise: what they do not explain is noise. */
const MEASURED = [1, 2, 3, 4, 5, 6, 8, 10, 12, 18, 24, 30, 36];
/** Longest stretch that is measured; more tells nothing new. */
const LONGEST = 32768;
/** Weaker than this share of the mean a line says nothing, however quiet the record. */
const LEAST_LINE = 0.006;
/** How far a speed that is given may be off. */
const SPEED_TOLERANCE = 0.05;
/** Fewer samples in an electrical turn than this, and the sixth harmonic folds onto the others. */
const SAMPLES_A_TURN = 20;
/** A sixth harmonic is never more than this share of the mean (5.7 % in a whole bridge). */
const MOST_SIXTH = 0.085;
/** Second harmonic over mean: below, evenly wound; above, uneven; between, nobody can say (model of a bridge). */
const EVEN_UP_TO = 0.018;
const UNEVEN_FROM = 0.025;

interface Lines {
  /** Amplitude over mean of fp · k/6, k from 1. */
  readonly at: (k: number) => number;
  /** Residual without the lines, over mean. */
  readonly noise: number;
  readonly least: number;
}

/**
 * What the ripple of a three-phase rectifier says of its diodes and windings.
 * A whole bridge ripples at six times the electrical frequency only. An open diode or a shorted one brings back the
 * fundamental (with and without a strong second harmonic), an open phase leaves a single phase (twice the fundamental,
 * large), uneven windings a small second harmonic beside the sixth. Limits from a model of a bridge on a resistive load.
 */
export const rectifierRipple = defineReckoner({
  id: 'rectifier-ripple',
  title: 'Rectifier ripple',
  subject: 'electrical',
  asks: ['ripple', 'bad diode', 'alternator diode', 'scope trace'],
  formula:
    'healthy: lowest ripple 6f, mean = 1.3505 U(line), 4.2 % rms;  f: a diode;  2f large: a phase;  2f small: a winding',
  sources: ['six-pulse bridge: standard power electronics', 'limits of the verdicts: from a model of a bridge'],
  checks: [
    {
      inputs: { samples: sixPulse(4000, 40000, 200, 10), sampleRate: '40 kHz' },
      gives: { mean: '13.50 V', ripplePercent: '4.2 %', fundamental: '200 Hz', verdict: 'healthy' },
      source: 'six-pulse bridge: 1.3505 × line-to-line rms, ripple 4.2 % rms',
    },
  ],
  dangers: {
    'cannot-tell': {
      harm: 'A trace that says nothing is read as healthy: the battery is flat next week, or the diodes burn.',
      fires: { samples: [1, 2, 3] },
      silent: {},
    },
    'prove-apart': {
      harm: 'Two faults at once look like a third: good parts are bought, the bad one stays.',
      fires: { samples: sixPulse(4000, 40000, 200, 10, true) },
      silent: {},
    },
    'battery-off': {
      harm: 'Off its battery a running alternator dumps its load: the voltage spikes, burns every control unit, and the battery can burst.',
      fires: {},
    },
  },
  inputs: {
    samples: list(number('Voltage'), 'Samples, volts', { minLength: 1, maxLength: 150_000 }),
    sampleRate: quantity('frequency', 'Samples a second', { above: 0, max: 1e8 }),
    polePairs: optional(number('Pole pairs', { integer: true, min: 1, max: 60 })),
    speed: optional(quantity('speed', 'Speed of the alternator', { above: 0, max: 1e5 })),
  },
  outputs: {
    mean: { label: 'Mean', is: 'voltage' },
    ripplePercent: { label: 'Ripple, rms of mean', is: 'percent' },
    fundamental: { label: 'Electrical frequency', is: 'frequency', optional: true },
    verdict: { label: 'Verdict', is: 'word' },
    evidence: { label: 'Evidence', is: 'list' },
    harmonics: { label: 'Lines at 1 to 6 times f, percent of mean', is: 'list', optional: true },
  },
  compute(input, work) {
    const { mean, rest } = detrended(input.samples);
    let square = 0;
    for (const v of rest) square += v * v;
    const rms = Math.sqrt(square / rest.length);
    if (!(Math.abs(mean) > 1e-9) || !Number.isFinite(square))
      throw new ReckonError('no-mean', 'samples', f(mean), 'a rectified voltage, whose mean is not zero');
    const ripple = (rms / Math.abs(mean)) * 100;
    work.step('Mean', 'mean of the samples', `${rest.length} samples`, canonical(mean, 'voltage'));
    work.step('Ripple', 'rms of what is left / mean', `${f(rms)} / ${f(Math.abs(mean))}`, canonical(ripple, 'percent'));
    const base = { mean: canonical(mean, 'voltage'), ripplePercent: canonical(ripple, 'percent') };
    const cannot = (why: string): typeof base & { verdict: RippleVerdict; evidence: string[] } => {
      work.warn('cannot-tell', `Cannot tell: ${why}.`);
      return { ...base, verdict: 'cannot-tell', evidence: [why] };
    };
    if (rest.length < 64) return cannot('fewer than 64 samples');
    if (input.polePairs === undefined ? input.speedRpm !== undefined : input.speedRpm === undefined)
      throw new ReckonError(
        'missing-field',
        input.polePairs === undefined ? 'polePairs' : 'speed',
        null,
        'pole pairs and speed together',
      );
    work.warn(
      'battery-off',
      'Measure at the B terminal with the battery on and a resistive load. Never part the battery from a running alternator.',
    );
    const line = strongestLine(rest);
    if (line === undefined) return cannot('no ripple at all');
    const cycles = line * rest.length;
    const peak = lineAt(rest, wholeCycles(rest.length, line), line) / Math.abs(mean);
    work.step(
      'Strongest line',
      'spectrum, Hann window',
      `${f(cycles)} cycles in the record`,
      canonical(line * input.sampleRateHz, 'frequency'),
    );
    if (peak < LEAST_LINE)
      return cannot(
        'no ripple above the noise: clamp the trace at the B terminal with the battery on, and put a resistive load on',
      );
    if (cycles < 3) return cannot('fewer than three cycles of the ripple');
    if (line > 0.24) return cannot('sampled too slowly: hardly four samples a ripple');

    const lines = measure(rest, line, Math.abs(mean), input.sampleRateHz, work);
    if (lines.noise > 0.1) return cannot(`noise of ${f(lines.noise * 100)} % of the mean hides the ripple`);
    const found = decide(lines, cycles);
    if ('why' in found) return cannot(found.why);
    const electrical = (line * input.sampleRateHz) / found.order;
    if (electrical * SAMPLES_A_TURN > input.sampleRateHz)
      return cannot(`sampled too slowly: fewer than ${SAMPLES_A_TURN} samples an electrical turn`);
    if (input.polePairs !== undefined) {
      const expected = (input.polePairs * input.speedRpm!) / 60;
      work.step(
        'Electrical frequency, by speed',
        'pole pairs · rpm / 60',
        `${input.polePairs} × ${f(input.speedRpm!)} / 60`,
        canonical(expected, 'frequency'),
      );
      if (Math.abs(electrical / expected - 1) > SPEED_TOLERANCE)
        return cannot(`the ripple says ${f(electrical)} Hz, the speed ${f(expected)} Hz: one of them is wrong`);
    }
    work.step(
      'Electrical frequency',
      `strongest line / ${found.order}`,
      `${f(line * input.sampleRateHz)} / ${found.order}`,
      canonical(electrical, 'frequency'),
    );
    work.step('Verdict', 'by which lines stand out', found.evidence.join('; '), found.verdict);
    if (found.verdict !== 'healthy')
      work.warn(
        'prove-apart',
        'Prove it with the diodes and windings apart before ordering: two faults at once can look like another one.',
      );
    return {
      ...base,
      fundamental: canonical(electrical, 'frequency'),
      verdict: found.verdict,
      evidence: found.evidence,
      harmonics: Array.from(
        { length: HARMONICS },
        (_, i) => Math.round(lines.at(((i + 1) * 6) / found.order) * 1e4) / 100,
      ),
    };
  },
});

const wholeCycles = (length: number, cyclesPerSample: number): number =>
  Math.floor(Math.floor(length * cyclesPerSample) / cyclesPerSample) || length;

/** Lines at sixths of the strongest one, over whole periods of the lowest that the record holds. */
function measure(rest: Float64Array, line: number, mean: number, rate: number, work: Pick<Work, 'step'>): Lines {
  const most = Math.min(rest.length, LONGEST);
  const whole = wholeCycles(most, line / 6);
  const length = whole >= 64 ? whole : most;
  const left = rest.subarray(0, length);
  const amplitudes = new Map<number, number>();
  let power = 0;
  for (const v of left) power += v * v;
  power /= length;
  const at = (k: number): number => {
    const known = amplitudes.get(k);
    if (known !== undefined) return known;
    // What lies above half the sample rate is folded down: look for it where it then shows.
    const turns = ((line * k) / 6) % 1;
    const amplitude = lineAt(left, length, turns > 0.5 ? 1 - turns : turns);
    amplitudes.set(k, amplitude / mean);
    return amplitude / mean;
  };
  let explained = 0;
  for (const k of MEASURED) explained += (at(k) * mean) ** 2 / 2;
  const noise = Math.sqrt(Math.max(0, power - explained)) / mean;
  const least = Math.max(LEAST_LINE, 5 * noise * Math.sqrt(2 / length));
  for (const k of [1, 2, 3, 4, 6, 12, 18]) {
    work.step(
      `Line at ${k}/6 of the strongest`,
      'projection / mean',
      `${f((line * rate * k) / 6)} Hz`,
      canonical(at(k) * 100, 'percent'),
    );
  }
  work.step('Noise', 'what no line explains / mean', 'rms', canonical(noise * 100, 'percent'));
  return { at, noise, least };
}

type Found = { readonly verdict: RippleVerdict; readonly order: 1 | 2 | 6; readonly evidence: string[] };
const percent = (share: number): string => `${f(share * 100)} %`;

/** Which of its harmonics the strongest line is, and what the others say. */
function decide({ at, least }: Lines, cycles: number): Found | { readonly why: string } {
  const top = at(6);
  const below = [1, 2, 3, 4, 5].filter((k) => at(k) > least);
  if (below.length > 0) {
    // Lines below the strongest: it is the sixth, beside an uneven winding's second.
    if (cycles < 12) return { why: 'the record is too short to part the lines below the strongest' };
    if (top < MOST_SIXTH && below.every((k) => k === 2 || k === 4))
      return even(at(2), 'the ripple is at six times the fundamental');
    return { why: `lines at ${below.map((k) => `${k}/6`).join(', ')} of the strongest fit no single fault` };
  }
  const second = at(12) / top;
  const third = at(18) / top;
  if (top < MOST_SIXTH && third < 0.2) {
    if (cycles < 12) return { why: 'the record holds fewer than two turns of the field' };
    return even(at(2), 'the ripple is at six times the fundamental');
  }
  if (top >= 0.27 && second >= 0.35)
    return {
      verdict: 'open-diode',
      order: 1,
      evidence: [
        `the fundamental is back (${percent(top)} of the mean)`,
        `with a strong second harmonic (${percent(second)} of it)`,
      ],
    };
  if (top >= 0.2 && second < 0.18 && third >= 0.2 && third < 0.6)
    return {
      verdict: 'shorted-diode',
      order: 1,
      evidence: [
        `the fundamental is back (${percent(top)} of the mean)`,
        `with hardly a second harmonic (${percent(second)} of it)`,
      ],
    };
  if (top >= 0.45 && second < 0.35 && third < 0.18)
    return {
      verdict: 'open-phase',
      order: 2,
      evidence: [`a single phase: twice the fundamental, ${percent(top)} of the mean`],
    };
  if (top < 0.27 && second < 0.35)
    return {
      verdict: 'uneven-winding',
      order: 2,
      evidence: [`a second harmonic of ${percent(top)} of the mean`, `beside a sixth of ${percent(at(18))}`],
    };
  return { why: 'the lines fit no single fault' };
}

function even(second: number, ripple: string): Found | { readonly why: string } {
  if (second <= EVEN_UP_TO)
    return { verdict: 'healthy', order: 6, evidence: [ripple, `second harmonic ${percent(second)} of the mean`] };
  if (second >= UNEVEN_FROM)
    return {
      verdict: 'uneven-winding',
      order: 6,
      evidence: [ripple, `and a second harmonic of ${percent(second)} of the mean`],
    };
  return { why: `a second harmonic of ${percent(second)} is between even and uneven` };
}
