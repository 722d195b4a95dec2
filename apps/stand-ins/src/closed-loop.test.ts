import { describe, expect, test } from '@jest/globals';
import { canonical, type Quantity } from '@jubb/core/quantities';
import {
  nextMove,
  nextTry,
  rehearse,
  settingMethodOf,
  setSoFar,
  type BenchState,
  type RehearsalFigures,
} from '@jubb/core/bench';
import type { Setting, Sheet } from '@jubb/core/sheet';
import { bookedOn, drawers, give, sheetOf } from './bench.fixtures.ts';
import { normal, seededRandom } from './random.ts';
import { rigDepth, rigLength, rigPull, type RigState } from './rig.ts';

const mm = (n: number): Quantity => canonical(n, 'length');

/** A job at the moment when its setting is to be made. */
function atSetting(sheet: Sheet, setting: string, figures: RehearsalFigures): { state: BenchState; op: string } {
  let state = bookedOn(sheet);
  for (let i = 0; i < 500; i += 1) {
    const move = nextMove(sheet, state);
    if (move.kind === 'op' && move.op.kind === 'set' && move.op.setting === setting) return { state, op: move.op.id };
    state = give(sheet, state, rehearse(sheet, state, { drawers }, { impatience: 'a test', ...figures })!);
  }
  throw new Error('never came to the setting');
}

interface Tool {
  readonly repeat: number;
  readonly uncertainty: Quantity;
  readonly id: string;
}
const indicator: Tool = { id: 'indicator-1', repeat: 0.0008, uncertainty: mm(0.01) };
const scale: Tool = { id: 'pull-scale-1', repeat: 0.1, uncertainty: { value: 0.5, unit: 'N' } };
const micrometer: Tool = { id: 'micrometer-1', repeat: 0.0008, uncertainty: mm(0.004) };

/** Follows the panel's advice on one simulated unit; how many tries were read until it was confirmed. */
function follow(
  sheet: Sheet,
  start: { readonly state: BenchState; readonly op: string },
  setting: Setting,
  rig: string,
  random: () => number,
  most: number,
): number {
  let { state } = start;
  const { op } = start;
  // Each piece of a pack is what it is marked, give or take.
  let packMm: number | undefined;
  for (let tries = 0; tries <= most;) {
    const method = settingMethodOf(setting, state);
    const rigNow: RigState = { rig, ...setSoFar(setting, state), ...(packMm === undefined ? {} : { packMm }) };
    const read = (tool: Tool, value: number, more: object = {}): void => {
      const step = tool.id === 'pull-scale-1' ? 0.1 : 0.001;
      const shown = Math.round((value + tool.repeat * normal(random)) / step) * step;
      state = give(sheet, state, {
        type: 'take-reading',
        op,
        value: { value: Number(shown.toFixed(6)), unit: tool.id === 'pull-scale-1' ? 'N' : 'mm' },
        how: 'instrument',
        instrument: { id: tool.id, name: tool.id, simulated: true, uncertainty: tool.uncertainty },
        ...more,
      });
    };
    if (method?.kind === 'depths' && packMm === undefined) {
      const depths = method.depths.map((d) => (d.sign === 'plus' ? '+' : '-')).join('');
      method.depths.forEach((d, i) => read(micrometer, rigDepth({ ...rigNow, depths, depthAt: i }), { where: d.id }));
    } else {
      for (let i = 0; i < setting.repeats; i += 1)
        if (setting.pull) read(scale, rigPull(rigNow, setting.pull.radius.value));
        else read(indicator, rigLength(rigNow));
      const other = setting.together === undefined ? undefined : sheet.settings[setting.together]!;
      if (other)
        for (let i = 0; i < other.repeats; i += 1)
          read(scale, rigPull({ rig, ...setSoFar(other, state, setting) }, other.pull!.radius.value), {
            setting: other.id,
          });
      tries += 1;
    }
    const next = nextTry(sheet, state, setting, drawers);
    if (!next) {
      state = give(sheet, state, { type: 'complete', op });
      return tries;
    }
    if (!next.move) return Infinity;
    if (next.move.kind === 'pack') {
      state = give(sheet, state, { type: 'fit-pack', op, pieces: next.move.pieces });
      packMm = next.move.pieces.reduce((s, p) => s + p.value + 0.001 * normal(random), 0);
    } else {
      const { kind: _kind, ...how } = next.move;
      state = give(sheet, state, { type: 'adjust', op, note: next.say, ...how });
    }
  }
  return Infinity;
}

/** Share of `of` simulated units that the advice brings into the band within so many tries. */
function shareWithin(id: string, settingId: string, tries: number, of: number, figures: RehearsalFigures = {}): number {
  const sheet = sheetOf(id);
  const start = atSetting(sheet, settingId, figures);
  const random = seededRandom(20417);
  let good = 0;
  for (let i = 0; i < of; i += 1)
    if (follow(sheet, start, sheet.settings[settingId]!, `${id} ${i}`, random, tries) <= tries) good += 1;
  console.info(`${id} ${settingId}: ${good} of ${of} in at most ${tries} tries`);
  return good / of;
}

// Units of random true dimensions, pieces a micrometre or so off their marks, gauges that scatter as theirs do.
describe('the advice closes the loop on simulated units', () => {
  test('hub float by a trial pack: in the band in at most two tries', () => {
    expect(shareWithin('hub-dolly', 'float', 2, 1000)).toBeGreaterThanOrEqual(0.95);
  });
  test('hub float by measured depths: in the band in at most two tries', () => {
    const by = { choice: (m: string) => (m === 'float-by' ? 'depths' : undefined) };
    expect(shareWithin('hub-dolly', 'float', 2, 1000, by)).toBeGreaterThanOrEqual(0.95);
  });
  test('cone and locknut: in the band in at most three tries', () => {
    expect(shareWithin('hub-loose-ball', 'play', 3, 1000)).toBeGreaterThanOrEqual(0.95);
  });
  test('rolling drag by the pack, and by turning a nut: in at most four tries', () => {
    expect(shareWithin('hub-reduction', 'hub-drag', 4, 300)).toBeGreaterThanOrEqual(0.9);
    expect(shareWithin('output-spanner', 'drag', 5, 300)).toBeGreaterThanOrEqual(0.9);
  });
  test('backlash and preload together: in at most four tries', () => {
    expect(shareWithin('differential-side', 'backlash', 4, 300)).toBeGreaterThanOrEqual(0.9);
  });
  test('end float under an aluminium cap: in at most two tries', () => {
    expect(shareWithin('gearbox-four', 'main-float', 2, 300)).toBeGreaterThanOrEqual(0.95);
  });
});
