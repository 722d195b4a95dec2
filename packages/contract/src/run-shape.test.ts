import { describe, expect, test } from '@jest/globals';
import { MOST_POINTS } from '@jubb/core/bench';
import { runProblem } from './run-shape.ts';

const both = [{ mmS: 1, phaseDeg: 20 }, { mmS: 0.5, phaseDeg: 200 }]; // prettier-ignore
const point = { drivenRpm: 1, speedRpm: 1, currentA: 1, voltageV: 1, temperatureC: 20 };
const weight = { plane: 1, massG: 0.2, angleDeg: 0 };

describe('a run of a stand over the wire', () => {
  test.each<[string, object]>([
    ['a curve', { kind: 'decay', points: [[0, 7, 20], [1, 6.9, 20]] }],
    ['a spin with its tones', { kind: 'spin', points: [[0, 1], [1, 1]], tones: [{ hz: 5, level: 2 }], floor: 1 }],
    ['an alternator', { kind: 'alternator', sweep: [point, point], ripple: { samplesV: [14, 14.1], sampleRateHz: 50000, speedRpm: 6000 } }],
    ['a course of balancing', { kind: 'balancing', initial: both, trials: [{ ...weight, readings: both }], rounds: [{ added: [weight], readings: both }] }],
  ])('%s is taken', (_, run) => {
    expect(runProblem(run)).toBeUndefined();
  }); // prettier-ignore

  test.each<[string, unknown, RegExp]>([
    ['nothing', null, /object/],
    ['a kind that is none', { kind: 'guess' }, /"guess" is none; one of: alternator/],
    ['one point', { kind: 'drift', points: [[0, 0]] }, /points: 2 to/],
    ['a point of words', { kind: 'drift', points: [[0, 0], [1, 'far']] }, /points/],
    ['a number that is none', { kind: 'slip', points: [[0, 0], [1, NaN]] }, /points/],
    ['too many points', { kind: 'decay', points: Array.from({ length: MOST_POINTS + 1 }, (_, i) => [i, 7]) }, /points/],
    ['a field of its own', { kind: 'decay', points: [[0, 7], [1, 7]], verdict: 'within' }, /verdict: nothing of that name/],
    ['a wave that is too long', { kind: 'alternator', sweep: [point, point], ripple: { samplesV: Array(5000).fill(14), sampleRateHz: 1, speedRpm: 1 } }, /ripple: samplesV/],
    ['three bearings', { kind: 'balancing', initial: [...both, both[0]], trials: [], rounds: [] }, /initial: two bearings/],
    ['a weight without its angle', { kind: 'balancing', initial: both, trials: [{ plane: 1, massG: 1, readings: both }], rounds: [] }, /trials/],
  ])('%s is refused, and says what is taken', (_, run, says) => {
    expect(runProblem(run)).toMatch(says);
  }); // prettier-ignore
});
