import type { GaugeMake } from './gauge.ts';
import type { RigState } from './rig.ts';
import type { PullFault } from './torque-wrench.ts';

/**
 * What is said over the line: one JSON object a line, UTF-8, either way.
 * client: {"attach": ID} | {"zero": true} | {"hand": {…}} | {"run": {…}} | {"stop": true} | {"fault": NAME or null}
 * instrument: {"identify": {…}} | {"live": {value, unit, moves}} | {"pull": {…}} | {"error": "…"}
 * a stand: {"stand": {faults, fault}} | {"point": [run, …]} | {"wave": {run, from, values}} | {"done": {run, …}}
 * `moves` counts the moves of the hand on this line so far, so that a value shown before one is told from one after it.
 */
export const standNames = [
  'alternator-stand',
  'balancing-stand',
  'leak-tester',
  'spin-stand',
  'function-stand',
] as const;
export type StandKindName = (typeof standNames)[number];
export interface Identity {
  readonly id: string;
  readonly name: string;
  readonly kind: 'torque-wrench' | keyof typeof makes | StandKindName;
  readonly unit: string;
  readonly resolution: number;
  readonly simulated: true;
}
export interface HandMove extends Partial<RigState> {
  /** `rig`: the instrument stands on this unit, as the hands have it now. */
  readonly action: 'pull' | 'rig' | 'present';
  readonly stopNm?: number;
  readonly fromNm?: number;
  readonly yieldNm?: number;
  readonly byDeg?: number;
  readonly fault?: PullFault;
  readonly piece?: string;
  readonly newSize?: number;
  readonly limit?: number;
}

/** What each kind of gauge is like, in its own unit; deviations, common practice for a workshop's own. */
export const makes = {
  thermometer: { resolution: 0.5, off: 0.8, repeat: 0.3 },
  press: { resolution: 0.1, off: 0.05, repeat: 0.05 },
  indicator: { resolution: 0.001, off: 0, repeat: 0.0008 },
  caliper: { resolution: 0.01, off: 0.008, repeat: 0.006 },
  micrometer: { resolution: 0.001, off: 0.0012, repeat: 0.0008 },
  'bore-gauge': { resolution: 0.001, off: 0.0015, repeat: 0.001 },
  'pull-scale': { resolution: 0.1, off: 0.15, repeat: 0.1 },
  'ohm-meter': { resolution: 0.001, off: 0.002, repeat: 0.001 },
  'insulation-tester': { resolution: 0.1, off: 0.2, repeat: 0.1 },
  'diode-meter': { resolution: 0.001, off: 0.002, repeat: 0.001 },
} as const satisfies Record<string, GaugeMake>;

const gauge = (id: string, name: string, kind: keyof typeof makes, unit: string): Identity => ({
  id,
  name,
  kind,
  unit,
  resolution: makes[kind].resolution,
  simulated: true,
});

const wrench = (id: string, name: string): Identity => ({
  id,
  name,
  kind: 'torque-wrench',
  unit: 'N·m',
  resolution: 0.1,
  simulated: true,
});

const stand = (id: string, name: string, kind: StandKindName, unit: string, resolution: number): Identity => ({
  id,
  name,
  kind,
  unit,
  resolution,
  simulated: true,
});

export const identities: Readonly<Record<string, Identity>> = {
  'wrench-1': wrench('wrench-1', 'Torque wrench 1, small'),
  'wrench-2': wrench('wrench-2', 'Torque wrench 2'),
  'wrench-3': wrench('wrench-3', 'Torque wrench 3, with angle'),
  'wrench-4': wrench('wrench-4', 'Torque wrench 4'),
  'indicator-1': gauge('indicator-1', 'Indicator 1', 'indicator', 'mm'),
  'thermometer-1': gauge('thermometer-1', 'Bearing thermometer', 'thermometer', '°C'),
  'press-1': gauge('press-1', 'Press', 'press', 'kN'),
  'caliper-1': gauge('caliper-1', 'Caliper 1', 'caliper', 'mm'),
  'micrometer-1': gauge('micrometer-1', 'Micrometer 1', 'micrometer', 'mm'),
  'bore-gauge-1': gauge('bore-gauge-1', 'Bore gauge 1', 'bore-gauge', 'mm'),
  'pull-scale-1': gauge('pull-scale-1', 'Pull scale 1', 'pull-scale', 'N'),
  'ohm-meter-1': gauge('ohm-meter-1', 'Ohm meter 1', 'ohm-meter', 'Ω'),
  'insulation-tester-1': gauge('insulation-tester-1', 'Insulation tester 1', 'insulation-tester', 'MΩ'),
  'alternator-stand-1': stand('alternator-stand-1', 'Alternator stand', 'alternator-stand', 'A', 0.1),
  'balancing-stand-1': stand('balancing-stand-1', 'Balancing stand', 'balancing-stand', 'mm/s', 0.01),
  'leak-tester-1': stand('leak-tester-1', 'Leak tester', 'leak-tester', 'bar', 0.001),
  'spin-stand-1': stand('spin-stand-1', 'Spin stand', 'spin-stand', 'N·m', 0.01),
  'function-stand-1': stand('function-stand-1', 'Function stand', 'function-stand', 'N', 0.1),
  'diode-meter-1': gauge('diode-meter-1', 'Diode meter 1', 'diode-meter', 'V'),
};

const LONGEST_LINE = 4096;

/** Cuts a stream into lines; a line longer than any that is meant is an error, not memory. */
export class LineReader {
  private rest = '';
  constructor(
    private readonly onLine: (line: string) => void,
    private readonly onTooLong: () => void,
    private readonly longest = LONGEST_LINE,
  ) {}

  push(chunk: string): void {
    this.rest += chunk;
    for (let end = this.rest.indexOf('\n'); end >= 0; end = this.rest.indexOf('\n')) {
      const line = this.rest.slice(0, end).trim();
      this.rest = this.rest.slice(end + 1);
      if (line) this.onLine(line);
    }
    if (this.rest.length > this.longest) {
      this.rest = '';
      this.onTooLong();
    }
  }
}
