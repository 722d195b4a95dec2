import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { connect, type Server, type Socket } from 'node:net';
import { LineReader } from './protocol.ts';
import { seededRandom } from './random.ts';
import { rigDepth, rigLength, rigTorque, type RigState } from './rig.ts';
import { startStandIns } from './service.ts';
import { pullTrace } from './torque-wrench.ts';

describe('the torque wrench', () => {
  test('stops about where the hand stops, with scatter, and never turns back', () => {
    const random = seededRandom(1);
    const peaks = Array.from({ length: 400 }, () => {
      const trace = pullTrace({ stopNm: 21.8, fromNm: 10 }, random);
      for (let i = 1; i < trace.length; i += 1) expect(trace[i]![0]).toBeGreaterThanOrEqual(trace[i - 1]![0]);
      return Math.max(...trace.map(([, nm]) => nm));
    });
    const mean = peaks.reduce((a, b) => a + b, 0) / peaks.length;
    const deviation = Math.sqrt(peaks.reduce((s, p) => s + (p - mean) ** 2, 0) / peaks.length);
    expect(mean).toBeGreaterThan(21.6);
    expect(mean).toBeLessThan(22.0);
    expect(deviation).toBeGreaterThan(0.1);
    expect(deviation).toBeLessThan(0.3);
  });

  test('a large nut reaches its torque within one pull of the wrench, as a small bolt does', () => {
    for (const [stopNm, yieldNm] of [
      [24, 27.5],
      [90, 1000],
      [600, 800],
    ] as const) {
      const trace = pullTrace({ stopNm, fromNm: 0, yieldNm }, seededRandom(5));
      expect(Math.max(...trace.map(([, nm]) => nm))).toBeGreaterThan(0.97 * stopNm);
      expect(trace.at(-1)![0]).toBeLessThan(400);
    }
  });

  test('past yield it turns much further for each newton metre', () => {
    const turn = (from: number, to: number): number =>
      pullTrace({ stopNm: to, fromNm: from }, seededRandom(3)).at(-1)![0];
    expect(turn(28, 32)).toBeGreaterThan(2.5 * turn(20, 24));
  });
});

describe('a unit on the bench', () => {
  const hub = (more: Partial<RigState> = {}): RigState => ({
    rig: 'job-1/float',
    kind: 'pack',
    target: 0.05,
    trialMm: 1.5,
    looser: true,
    ...more,
  });
  test('float follows the pack one for one, is more when worn, and less than none cannot be felt', () => {
    expect(rigLength(hub()) - rigLength(hub({ packMm: 1.4 }))).toBeCloseTo(0.1, 9);
    expect(rigLength(hub({ worn: true })) - rigLength(hub())).toBeCloseTo(0.08, 9);
    expect(rigLength(hub({ packMm: 1.0 }))).toBe(0);
    expect(rigLength(hub({ looser: false, packMm: 1.45 }))).toBeGreaterThan(rigLength(hub({ looser: false })));
  });
  test('the depths leave just the room of the pack without float, whatever their number', () => {
    for (const depths of ['+-', '-+-', '++--']) {
      const at = (i: number): number => rigDepth(hub({ depths, depthAt: i }));
      const room = [...depths].reduce((sum, sign, i) => sum + (sign === '+' ? at(i) : -at(i)), 0);
      expect(rigLength(hub({ packMm: room }))).toBeCloseTo(0, 9);
      expect(rigLength(hub({ packMm: room + 0.05 }))).toBeCloseTo(0.05, 9);
    }
  });
  test('a nut turned in tightens, a gear moved to its pinion loses backlash, shims on both sides brake', () => {
    const nut = (turnDeg: number): number => rigLength(hub({ kind: 'nut', pitchMm: 1.5, target: 0.3, turnDeg }));
    expect(nut(0) - nut(60)).toBeCloseTo(0.25, 9);
    const sides = (leftMm: number, rightMm: number): RigState =>
      hub({ kind: 'sides', target: 1, perMm: 16, leftMm, rightMm });
    expect(rigLength(sides(0, 0)) - rigLength(sides(0.1, -0.1))).toBeCloseTo(0.07, 9);
    expect(rigTorque(sides(0.1, -0.1))).toBeCloseTo(rigTorque(sides(0, 0)), 9);
    expect(rigTorque(sides(0.05, 0.05))).toBeGreaterThan(rigTorque(sides(0, 0)));
  });
  test('another name is another unit, the same name the same one', () => {
    const floats = Array.from({ length: 40 }, (_, i) => rigLength(hub({ rig: `hub ${i}` })));
    expect(new Set(floats.map((f) => f.toFixed(6))).size).toBeGreaterThan(35);
    expect(rigLength(hub({ rig: 'hub 3' }))).toBe(floats[3]);
  });
});

describe('over the line', () => {
  let server: Server;
  let port: number;
  beforeAll(async () => {
    server = await startStandIns(0, { sampleMs: 0, liveMs: 5 });
    port = (server.address() as { port: number }).port;
  });
  afterAll(() => new Promise((done) => server.close(done)));

  async function talk(
    lines: string[],
    enough: (said: Record<string, unknown>[]) => boolean,
  ): Promise<Record<string, unknown>[]> {
    const socket: Socket = connect(port, '127.0.0.1');
    const said: Record<string, unknown>[] = [];
    await new Promise<void>((resolve) => {
      const reader = new LineReader(
        (line) => {
          said.push(JSON.parse(line) as Record<string, unknown>);
          if (enough(said)) resolve();
        },
        () => undefined,
        1e6,
      );
      socket.setEncoding('utf8').on('data', (d: string) => reader.push(d));
      for (const l of lines) socket.write(`${l}\n`);
    });
    socket.destroy();
    return said;
  }

  test('identifies itself, then gives a pull with its trace', async () => {
    const said = await talk(['{"attach":"wrench-2"}', '{"hand":{"action":"pull","stopNm":10,"fromNm":0}}'], (s) =>
      s.some((m) => 'pull' in m),
    );
    expect(said[0]).toMatchObject({ identify: { kind: 'torque-wrench', simulated: true } });
    const pull = said.find((m) => 'pull' in m)!['pull'] as { peakNm: number; trace: number[][] };
    expect(pull.peakNm).toBeGreaterThan(9.5);
    expect(pull.trace.length).toBeGreaterThan(10);
  });

  test('the indicator streams, and zero takes what it shows away', async () => {
    const said = await talk(
      ['{"attach":"indicator-1"}', '{"zero":true}'],
      (s) => s.filter((m) => 'live' in m).length > 3,
    );
    const live = said.filter((m) => 'live' in m).map((m) => (m['live'] as { value: number }).value);
    expect(Math.abs(live.at(-1)!)).toBeLessThan(0.01);
  });

  test.each([
    ['nonsense'],
    ['{"hand":{"action":"pull"}}'],
    ['{"attach":"hammer"}'],
    ['{"hand":{"action":"rig","rig":"u"}}'],
    ['"x"'],
    ['null'],
    [`{"attach":"${'x'.repeat(6000)}`],
  ])('%s is answered with an error, and the line stays open', async (line) => {
    const said = await talk(
      [line, '{"attach":"wrench-2"}'],
      (s) => s.some((m) => 'error' in m) && (s.some((m) => 'identify' in m) || line.length > 5000),
    );
    expect(said[0]).toHaveProperty('error');
  });
});
