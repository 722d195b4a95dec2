import { describe, expect, test } from '@jest/globals';
import type { Joint, Stage } from '@jubb/core/sheet';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { pullMove } from '../../simulation/pull-hand.ts';
import { millimetres, type Rig } from './use-rig.ts';
import { wrenchSettingFor } from './wrench-setting.ts';

const hub = librarySheet('hub-dolly');
const joint: Joint = Object.values(hub.joints).find((j) => j.count > 2)!;
const last = joint.stages.length - 1;
const stage: Stage = joint.stages[last]!;
const rig = (more: Partial<Rig> = {}): Rig => ({
  wrenches: [],
  chosen: undefined,
  choose: () => undefined,
  typedExtension: '0',
  setExtension: () => undefined,
  typedLever: '',
  setLever: () => undefined,
  blocked: undefined,
  leverMm: undefined,
  given: { extensionMm: 0, extensionAngleDeg: 0 },
  factor: 1,
  ...more,
});

describe('a length as it is typed', () => {
  test.each([
    ['250', 250],
    [' 62,5 ', 62.5],
    ['0', 0],
    ['1000', 1000],
    ['1000.1', undefined],
    ['-1', undefined],
    ['ten', undefined],
    ['', undefined],
    ['1e3', undefined],
  ])('%j is %s', (typed, mm) => {
    expect(millimetres(typed, 0, 1000)).toBe(mm);
  });
});

describe('what the wrench is set to', () => {
  test('without an extension it is what the fastener is to feel', () => {
    const set = wrenchSettingFor(joint, { stage: last }, 0, rig(), false);
    expect(set.onWrenchNm).toBeCloseTo(set.wantedNm, 1);
  });

  test('an extension in line lowers it by the lever: T × L / (L + E)', () => {
    const longer = rig({
      leverMm: 400,
      given: { extensionMm: 100, extensionAngleDeg: 0, wrenchLengthMm: 400 },
      factor: 500 / 400,
    });
    const set = wrenchSettingFor(joint, { stage: last }, 0, longer, false);
    expect(set.onWrenchNm).toBeCloseTo((set.wantedNm * 400) / 500, 1);
  });

  test('while something of the rig is still to be said, and for a turn, there is no figure', () => {
    expect(wrenchSettingFor(joint, { stage: last }, 0, rig({ blocked: 'How long?' }), false).reckoned).toBeUndefined();
    expect(wrenchSettingFor(joint, { stage: last }, 0, rig(), true).reckoned).toBeUndefined();
  });

  test('what it takes to turn a self-locking nut comes on top', () => {
    const [bare, locking] = [0, 3].map((nm) => wrenchSettingFor(joint, { stage: last }, nm, rig(), false).wantedNm);
    expect(locking! - bare!).toBeCloseTo(3);
  });
});

describe('a simulated hand', () => {
  const on = { settingNm: 40, wantedNm: 40, before: undefined, turn: false, fault: undefined } as const;
  test('stops where the wrench is set, from nothing', () => {
    expect(pullMove(joint, stage, on)).toMatchObject({ action: 'pull', stopNm: 40, fromNm: 0 });
  });
  test('a heavy one leaves the window, and is no fault of the fastener', () => {
    const move = pullMove(joint, stage, { ...on, fault: 'heavy' });
    expect(move).toMatchObject({ stopNm: 48 });
    expect(move).not.toHaveProperty('fault');
  });
  test('goes on from what was pulled before, and can meet a crossed thread', () => {
    const before = { value: 12, unit: 'N·m' };
    expect(pullMove(joint, stage, { ...on, before, fault: 'cross-thread' })).toMatchObject({
      fromNm: 12,
      fault: 'cross-thread',
    });
  });
});
