import { describe, expect, test } from '@jest/globals';
import {
  anotherRun,
  earlyOf,
  figuresFor,
  judgeRun,
  nextCorrection,
  permissibleGmm,
  runFrom,
  unbalanceLeft,
  type BalancingRun,
  type BothBearings,
  type CurveKind,
  type CurveRun,
  type RunOutcome,
  type Weight,
} from '@jubb/core/bench';
import { inCanonical } from '@jubb/core/quantities';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import type { Test } from '@jubb/core/sheet';
import { seededRandom } from '../random.ts';
import { runStand, standFaults, type StandSetup } from './index.ts';

const testOf = (sheet: string, id: string): Test => librarySheet(sheet).tests[id]!;
const setupOf = (t: Test, unit: string, more: Partial<StandSetup> = {}): StandSetup => ({
  kind: t.stand!.kind,
  unit,
  // Only the end of a wave is kept: the tests leave the rest out.
  figures: { ...figuresFor(t), seconds: 0.06 },
  ...more,
});
function proved(
  t: Test,
  unit: string,
  fault: string | undefined,
  random: () => number,
  more: Partial<StandSetup> = {},
): RunOutcome {
  const made = runStand(setupOf(t, unit, more), fault, random);
  return judgeRun(t, runFrom(t.stand!.kind as CurveKind | 'alternator', made.points, made.wave ?? [], made.done));
}
const inBand = (t: Test, o: RunOutcome): boolean => {
  const v = inCanonical(o.value, t.dimension);
  return v >= inCanonical(t.accept.low, t.dimension) && v <= inCanonical(t.accept.high, t.dimension);
};
const good = (t: Test, o: RunOutcome): boolean => inBand(t, o) && o.checks.every((c) => c.verdict === 'within');

/** Tests of the shipped sheets, and what each fault of their stand must tell. */
const cases: readonly (readonly [string, string, Readonly<Record<string, readonly string[]>>])[] = [
  [
    'alternator-brushpin',
    'output',
    {
      'open-diode': ['open-diode'],
      'open-phase': ['open-phase'],
      'shorted-diode': ['shorted-diode'],
      'uneven-winding': ['uneven-winding'],
      'slipping-belt': ['slipping'],
      'worn-brushes': ['low-output'],
    },
  ],
  ['compressor-twin', 'leak-down', { leak: ['leak'] }],
  ['compressor-swash', 'leak', { leak: ['leak'] }],
  ['compressor-twin', 'pump-up', { 'leaky-reeds': ['slow'] }],
  [
    'gearbox-four',
    'drag',
    {
      'outer-race': ['outer-race'],
      'inner-race': ['inner-race'],
      ball: ['ball'],
      tight: ['drag-high'],
      loose: ['drag-low'],
    },
  ],
  ['hub-cartridge', 'drag', { 'outer-race': ['outer-race'], tight: ['drag-high'] }],
  ['lever-piston', 'stroke', { creep: ['creep'] }],
  ['damper-neck', 'rebound', { 'weak-out': ['weak-out'] }],
  ['clutch-wet', 'lift', { slips: ['slips'], grabs: ['grabs'] }],
  ['cylinder-lift', 'drift', { drift: ['drift'] }],
];
const RUNS = 200;

describe.each(cases)('%s, %s on its stand', (sheet, id, tells) => {
  const t = testOf(sheet, id);

  test(`${RUNS} random faults: found, and told apart`, () => {
    const random = seededRandom(411);
    const names = Object.keys(tells);
    let found = 0;
    let named = 0;
    for (let i = 0; i < RUNS; i += 1) {
      const fault = names[Math.floor(random() * names.length)]!;
      const outcome = proved(t, `${sheet}-${i}`, fault, random);
      if (!good(t, outcome)) found += 1;
      if (tells[fault]!.every((x) => outcome.tells.includes(x))) named += 1;
    }
    console.info(
      `${sheet} ${id}: ${((100 * found) / RUNS).toFixed(1)} % found, ${((100 * named) / RUNS).toFixed(1)} % named`,
    );
    expect(found).toBe(RUNS);
    expect(named).toBeGreaterThanOrEqual(0.98 * RUNS);
  });

  test('a good unit passes, a worn one does not, and one that was mended passes though the fault is still chosen', () => {
    const random = seededRandom(97);
    let passed = 0;
    for (let i = 0; i < 60; i += 1) {
      if (good(t, proved(t, `g${i}`, undefined, random))) passed += 1;
      expect(good(t, proved(t, `w${i}`, undefined, random, { worn: true }))).toBe(false);
    }
    expect(passed).toBeGreaterThanOrEqual(59);
    const fault = Object.keys(tells)[0]!;
    expect(good(t, proved(t, 'm', fault, random, { mended: 1 }))).toBe(true);
  });
});

describe('a fall that is only cooling', () => {
  const t = testOf('compressor-swash', 'leak');
  test('is more than is accepted on the gauge, and within once the gas law has taken the cooling out', () => {
    const random = seededRandom(5);
    for (let i = 0; i < 40; i += 1) {
      const { points } = runStand(setupOf(t, `c${i}`), 'cooling', random);
      expect(points[0]![1]! - points.at(-1)![1]!).toBeGreaterThan(inCanonical(t.accept.high, 'pressure'));
      const outcome = judgeRun(t, { kind: 'decay', points });
      expect(good(t, outcome)).toBe(true);
      expect(outcome.says.join(' ')).toContain('It only cooled');
    }
  });
  test('is told early: the verdict stands long before the time is up, and is the one that the whole time gives', () => {
    const random = seededRandom(6);
    let early = 0;
    let wrong = 0;
    for (let i = 0; i < 100; i += 1) {
      const { points } = runStand(setupOf(t, `e${i}`), i % 2 ? 'leak' : undefined, random);
      const stops = points.findIndex((_, n) => earlyOf({ kind: 'decay', points: points.slice(0, n + 1) }, t)!.stop);
      const short: CurveRun = { kind: 'decay', points: points.slice(0, stops + 1) };
      if (stops < points.length * 0.6) early += 1;
      if (inBand(t, judgeRun(t, short)) !== inBand(t, judgeRun(t, { kind: 'decay', points }))) wrong += 1;
    }
    console.info(`early verdict: ${early} of 100 before six tenths of the time, ${wrong} otherwise than the whole`);
    expect(early).toBeGreaterThan(90);
    expect(wrong).toBeLessThanOrEqual(1);
  });
});

describe('a vacuum', () => {
  const t = testOf('compressor-swash', 'vacuum');
  test.each([
    ['leak', 'leak'],
    ['moisture', 'moisture'],
  ])('%s is told by the shape of its rise', (fault, tell) => {
    const random = seededRandom(8);
    let named = 0;
    for (let i = 0; i < RUNS; i += 1) {
      const { points } = runStand(setupOf(t, `v${i}`), fault, random);
      if (judgeRun(t, { kind: 'vacuum', points }).tells.includes(tell)) named += 1;
    }
    expect(named).toBeGreaterThanOrEqual(0.98 * RUNS);
  });
});

describe('two planes on the balancing stand', () => {
  const t = testOf('turbo-core', 'vibration');
  const stand = t.stand!;
  const radius = inCanonical(stand.figures['radius']!, 'length');
  const permitted = permissibleGmm(stand);

  test('the permissible unbalance is that of ISO 21940-11, half in each plane', () => {
    // U = 9549 G m / n = 9549 × 40 × 0.32 / 100000 = 1.222 g·mm.
    expect(permitted).toBeCloseTo(0.611, 3);
  });

  test(`${RUNS} rotors come within grade in at most three corrections, and the stand says when to stop`, () => {
    const random = seededRandom(77);
    let most = 0;
    let within = 0;
    for (let i = 0; i < RUNS; i += 1) {
      const spin = (weights: readonly Weight[]): BothBearings =>
        runStand(setupOf(t, `rotor-${i}`, { weights }), undefined, random).done['readings'] as BothBearings;
      const trial = (plane: 1 | 2): Weight => ({ plane, massG: 0.2, angleDeg: 0 });
      let run: BalancingRun = {
        kind: 'balancing',
        initial: spin([]),
        trials: [1, 2].map((p) => ({ ...trial(p as 1 | 2), readings: spin([trial(p as 1 | 2)]) })),
        rounds: [],
      };
      let on: Weight[] = [];
      for (let k = 0; k < 3; k += 1) {
        const { add, split } = nextCorrection(run, stand);
        // Over two places the vectors add up to the one correction.
        for (const [p, w] of add.entries())
          for (const part of [Math.cos, Math.sin])
            expect(
              split[p]!.reduce((sum, x) => sum + x.massG * part((x.angleDeg * Math.PI) / 180), 0) -
                w.massG * part((w.angleDeg * Math.PI) / 180),
            ).toBeCloseTo(0, 9);
        on = [...on, ...add];
        run = { ...run, rounds: [...run.rounds, { added: add, readings: spin(on) }] };
        most = Math.max(most, k + 1);
        if (Math.max(...unbalanceLeft(run, radius).map((u) => Math.hypot(u.re, u.im))) <= permitted) break;
      }
      if (good(t, judgeRun(t, run))) within += 1;
    }
    console.info(`balancing: ${within} of ${RUNS} within grade, at most ${most} corrections`);
    expect(within).toBeGreaterThanOrEqual(0.99 * RUNS);
  });

  test('a wheel that is loose shakes otherwise each time: another run is not advised', () => {
    const random = seededRandom(3);
    let stopped = 0;
    for (let i = 0; i < 40; i += 1) {
      const spin = (weights: readonly Weight[]): BothBearings =>
        runStand(setupOf(t, `loose-${i}`, { weights }), 'loose-wheel', random).done['readings'] as BothBearings;
      const heavy = (plane: 1 | 2): Weight => ({ plane, massG: 0.4, angleDeg: 0 });
      const base: BalancingRun = {
        kind: 'balancing',
        initial: spin([]),
        trials: [1, 2].map((p) => ({ ...heavy(p as 1 | 2), readings: spin([heavy(p as 1 | 2)]) })),
        rounds: [],
      };
      try {
        const { add } = nextCorrection(base, stand);
        const run = { ...base, rounds: [{ added: add, readings: spin(add) }] };
        if (!anotherRun(run, radius).helps) stopped += 1;
      } catch {
        // Trials that tell nothing are refused as ill-conditioned: that too stops it.
        stopped += 1;
      }
    }
    expect(stopped).toBeGreaterThan(24);
  });
});

test('every fault that a stand offers is one that its runs know', () => {
  const t = testOf('alternator-brushpin', 'output');
  const healthy = JSON.stringify(runStand(setupOf(t, 'x'), undefined, seededRandom(1)).points);
  for (const fault of standFaults['alternator-stand']!)
    expect(JSON.stringify(runStand(setupOf(t, 'x'), fault, seededRandom(1)).points)).not.toBe(healthy);
});
