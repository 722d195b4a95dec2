/**
 * What is said over the line: one JSON object a line, UTF-8, either way.
 * client: {"attach": ID} | {"zero": true} | {"hand": {…}}
 * instrument: {"identify": {…}} | {"live": {value, unit}} | {"pull": {…}} | {"error": "…"}
 */
export interface Identity {
  readonly id: string;
  readonly name: string;
  readonly kind: 'torque-wrench' | 'indicator';
  readonly unit: string;
  readonly resolution: number;
  readonly simulated: true;
}
export interface HandMove {
  readonly action: 'pull' | 'rock' | 'fit-pack';
  readonly stopNm?: number;
  readonly fromNm?: number;
  readonly yieldNm?: number;
  readonly packMm?: number;
}

export const identities: Readonly<Record<string, Identity>> = {
  'wrench-2': {
    id: 'wrench-2',
    name: 'Torque wrench 2',
    kind: 'torque-wrench',
    unit: 'N·m',
    resolution: 0.1,
    simulated: true,
  },
  'indicator-1': {
    id: 'indicator-1',
    name: 'Indicator 1',
    kind: 'indicator',
    unit: 'mm',
    resolution: 0.001,
    simulated: true,
  },
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
