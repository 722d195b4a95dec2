import { describe, expect, test } from '@jest/globals';
import { canonical } from '../../quantities/index.ts';
import type { Setting } from '../../sheet/index.ts';
import type { Reading, SettingRound } from '../log/state.ts';
import { dueReading, setSoFar } from './index.ts';
import { fitted, float, mm, result, sheetWith, stamp, stateOf } from './setting.fixtures.ts';

const outside = result(mm(0.1));
const reading = (more: Partial<Reading> = {}): Reading => ({
  op: 'o',
  subject: 'setting',
  id: 'float',
  moment: 'trial',
  where: null,
  value: mm(0.1),
  how: 'hand',
  instrument: null,
  result: null,
  ...stamp,
  ...more,
});
/** It is read three times. */
const setting = (more: Partial<Setting> = {}): Setting => float({ repeats: 3, ...more });
const depths = setting({
  methods: {
    '': {
      kind: 'depths',
      depths: [
        { id: 'housing', title: 'Housing', sign: 'plus', gauge: 'depth gauge' },
        { id: 'stack', title: 'Stack', sign: 'minus', gauge: 'micrometer' },
      ],
    },
  },
});
describe('what a setting waits for to be read', () => {
  test('its first reading, then the next, until the try is judged', () => {
    const due = (rounds: readonly SettingRound[]): unknown => {
      const found = dueReading(sheetWith(setting()), stateOf({ float: rounds }), setting());
      return found && [found.setting.id, found.number, found.of];
    };
    expect(due([])).toEqual(['float', 1, 3]);
    expect(due([{ readings: [reading(), reading()] }])).toEqual(['float', 3, 3]);
    expect(due([{ readings: [reading(), reading(), reading()], result: outside }])).toBeUndefined();
    // Another pack is in: it is read anew.
    expect(
      due([
        { readings: [reading()], result: outside },
        { fitted: fitted(1.2), readings: [] },
      ]),
    ).toEqual(['float', 1, 3]);
  });

  test('depths come first, each with its own gauge; once a pack is in the setting itself is read', () => {
    const depth = (where: string): Reading => reading({ moment: 'depth', where });
    const due = (readings: readonly Reading[], rounds: readonly SettingRound[] = []): unknown => {
      const found = dueReading(sheetWith(depths), stateOf({ float: rounds }, { readings }), depths);
      return found && [found.depth?.id, found.depth?.gauge, found.number, found.of];
    };
    expect(due([])).toEqual(['housing', 'depth gauge', 1, 2]);
    expect(due([depth('housing')])).toEqual(['stack', 'micrometer', 2, 2]);
    // Whichever was measured first: the other one is left.
    expect(due([depth('stack')])).toEqual(['housing', 'depth gauge', 1, 2]);
    expect(due([depth('housing'), depth('stack')])).toBeUndefined();
    expect(due([], [{ fitted: fitted(1.1), readings: [] }])).toEqual([undefined, undefined, 1, 3]);
  });

  test('of two that are read together the second follows the first', () => {
    const preload = setting({ id: 'preload', repeats: 1 });
    const backlash = setting({ together: 'preload', repeats: 2 });
    const sheet = sheetWith(backlash, preload);
    const due = (rounds: Readonly<Record<string, readonly SettingRound[]>>): string | undefined =>
      dueReading(sheet, stateOf(rounds), backlash)?.setting.id;
    expect(due({})).toBe('float');
    expect(due({ float: [{ readings: [], result: outside }] })).toBe('preload');
    expect(
      due({ float: [{ readings: [], result: outside }], preload: [{ readings: [], result: outside }] }),
    ).toBeUndefined();
  });
});

describe('what a simulated unit is set to', () => {
  const shims = {
    drawer: 'd',
    thicker: 'tighter' as const,
    trial: mm(1.5),
    pack: 'p',
    mayBeOff: mm(0.1),
    per: { move: mm(0.1), gives: mm(0.2) },
  };

  test('a pack: the trial until one is fitted, then the newest', () => {
    const packed = setting({ shims });
    expect(setSoFar(packed, stateOf({}))).toEqual({
      kind: 'pack',
      target: 0.05,
      looser: false,
      trialMm: 1.5,
      turnDeg: 0,
      leftMm: 0,
      rightMm: 0,
      slidMm: 0,
      perMm: 2,
    });
    const rounds = [{ readings: [] }, { fitted: fitted(1.2), readings: [] }, { fitted: fitted(1.3), readings: [] }];
    expect(setSoFar(packed, stateOf({ float: rounds })).packMm).toBe(1.3);
  });

  test('turns, what went into either side and slides are summed over all tries', () => {
    const turned = setting({ methods: { '': { kind: 'nut', pitch: mm(1.5), holes: [] } } });
    const adjusted = (more: object): SettingRound => ({ adjusted: { note: 'x', ...stamp, ...more }, readings: [] });
    const rounds = [
      adjusted({ turned: canonical(-60, 'angle') }),
      adjusted({ turned: canonical(15, 'angle'), left: mm(0.1), right: mm(-0.1) }),
      adjusted({ left: mm(0.05), slid: mm(-2) }),
    ];
    const soFar = setSoFar(turned, stateOf({ float: rounds }));
    expect(soFar).toMatchObject({ kind: 'nut', turnDeg: -45, pitchMm: 1.5, rightMm: -0.1, slidMm: -2 });
    expect(soFar.leftMm).toBeCloseTo(0.15, 12);
  });

  test('one that is read along is moved by the method of the other; a pack for a drag is told as such', () => {
    const drag = setting({ id: 'preload', dimension: 'torque', target: canonical(1.2, 'torque') });
    const by = setting({
      methods: { '': { kind: 'slide' } },
      pull: { radius: mm(80) },
    });
    expect(setSoFar(drag, stateOf({}), by)).toMatchObject({ kind: 'slide', target: 1.2 });
    expect(setSoFar({ ...drag, pull: { radius: mm(80) } }, stateOf({}))).toMatchObject({
      kind: 'drag-pack',
      radiusMm: 80,
    });
  });
});
