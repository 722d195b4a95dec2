import { describe, expect, test } from '@jest/globals';
import { canonical, convert, inCanonical, type Quantity } from '@jubb/core/quantities';
import {
  blockers,
  heatWindow,
  jobSheet,
  nextMove,
  pressOf,
  rehearse,
  settingMethodOf,
  setSoFar,
  stageOf,
  type BenchState,
  type Command,
} from '@jubb/core/bench';
import type { Op, Sheet } from '@jubb/core/sheet';
import { bookedOn, drawers, give, sheetNames, sheetOf } from './bench.fixtures.ts';
import { Gauge, trueSize } from './gauge.ts';
import { makes } from './protocol.ts';
import { seededRandom } from './random.ts';
import { rigDepth, rigLength, rigPress, rigTemperature, rigPull, type RigState } from './rig.ts';
import { pullTrace } from './torque-wrench.ts';

/** A workshop without hands: every figure of a job comes from a stand-in, every choice is the first one. */
class Robot {
  state: BenchState;
  pulls = 0;
  private readonly random = seededRandom(20417);

  constructor(readonly sheet: Sheet) {
    this.state = bookedOn(sheet);
  }

  /** One command, with what the stand-ins show; false when the job is over. */
  step(): boolean {
    const command = rehearse(
      this.sheet,
      this.state,
      { drawers },
      { impatience: 'nobody waits here', takenSo: 'a stand-in judges nothing' },
    );
    if (!command || command.type === 'hand-over') return false;
    const move = nextMove(jobSheet(this.sheet, this.state), this.state);
    const op = move.kind === 'op' ? move.op : undefined;
    if (command.type === 'take-reading' && op?.kind === 'set') return this.done(this.setReading(command, op));
    if (command.type === 'take-reading' && op) return this.done(this.otherReading(command, op));
    if (command.type === 'pull') return this.done(this.pull(command));
    return this.done(command);
  }

  private done(command: Command): boolean {
    this.state = give(this.sheet, this.state, command);
    return true;
  }

  private setReading(command: Extract<Command, { type: 'take-reading' }>, op: Extract<Op, { kind: 'set' }>): Command {
    const by = this.sheet.settings[op.setting]!;
    const setting = this.sheet.settings[command.setting ?? op.setting]!;
    const rig: RigState = { rig: `${this.sheet.id}/${by.id}`, ...setSoFar(setting, this.state, by) };
    const method = settingMethodOf(by, this.state);
    if (command.where !== undefined && method?.kind === 'depths') {
      const depths = method.depths.map((d) => (d.sign === 'plus' ? '+' : '-')).join('');
      const depthAt = method.depths.findIndex((d) => d.id === command.where);
      return { ...command, value: canonical(Number(rigDepth({ ...rig, depths, depthAt }).toFixed(3)), 'length') };
    }
    // What no stand-in models is in the middle of its band: a feel, a play that only parts can change.
    if (!method) return command;
    if (setting.pull)
      return {
        ...command,
        value: {
          value: Number(rigPull(rig, inCanonical(setting.pull.radius, 'length')).toFixed(1)),
          unit: 'N',
        },
      };
    return { ...command, value: canonical(Number(rigLength(rig).toFixed(3)), setting.dimension) };
  }

  private otherReading(command: Extract<Command, { type: 'take-reading' }>, op: Op): Command {
    if (op.kind === 'heat' && op.part !== undefined) {
      const { low, high } = heatWindow(this.sheet.parts[op.part]!.fit!);
      const target = (inCanonical(low, 'temperature') + inCanonical(high, 'temperature')) / 2;
      const hot = rigTemperature({ rig: op.id, kind: 'oven', target }, 60);
      return { ...command, value: canonical(Math.round(hot), 'temperature') };
    }
    if (op.kind === 'measure') {
      const m = this.sheet.measures[op.measure]!;
      const own = (q: Quantity | undefined): number | undefined => q && inCanonical(q, m.dimension);
      if (m.dimension !== 'length' || m.shape !== 'size' || !m.newSize || !(m.min ?? m.max)) return command;
      const gauge = new Gauge('micrometer-1', makes.micrometer, this.random);
      const piece = {
        piece: `${this.sheet.id}/${m.id}/${command.where}`,
        newSize: own(m.newSize)!,
        limit: own(m.min ?? m.max)!,
      };
      gauge.present(piece);
      expect(Math.abs(gauge.read() - trueSize(piece))).toBeLessThan(0.02);
      return { ...command, value: canonical(gauge.read(), m.dimension) };
    }
    return command;
  }

  private pull(command: Extract<Command, { type: 'pull' }>): Command {
    this.pulls += 1;
    const stop = inCanonical(command.reading, 'torque');
    const before = Object.values(this.state.joints)
      .flatMap((j) => j.pulls)
      .findLast((p) => p.op === command.op && p.bolt === command.bolt && !p.void);
    const fromNm = before ? inCanonical(before.reading, 'torque') : 0;
    const byDeg = command.turnedDeg;
    const trace = pullTrace(
      { stopNm: stop, fromNm, yieldNm: stop * 2, ...(byDeg === undefined ? {} : { byDeg }) },
      this.random,
    );
    return {
      ...command,
      reading: canonical(Number(Math.max(...trace.map(([, t]) => t)).toFixed(2)), 'torque'),
      trace,
      turnedDeg: trace.at(-1)![0],
    };
  }
}

describe.each(sheetNames)('%s, from strip to sign-off by the stand-ins alone', (name) => {
  test('is set, pulled and signed, with nothing in the way', () => {
    const robot = new Robot(sheetOf(name));
    let commands = 0;
    while (robot.step()) {
      commands += 1;
      expect(commands).toBeLessThan(900);
    }
    expect(blockers(robot.sheet, robot.state)).toEqual([]);
    expect(stageOf(robot.sheet, robot.state)).toBe('signed');
    const settings = Object.values(robot.state.settings).filter((s) => s.confirmed);
    for (const s of settings) expect(s.confirmed!.verdict).toBe('within');
    const odd = Object.values(robot.state.joints)
      .flatMap((j) => j.pulls)
      .filter((p) => (p.signs?.length ?? 0) > 0);
    // A clean stand-in is never said to be crossed or bottomed.
    expect(odd.map((p) => [p.joint, p.bolt, p.signs])).toEqual([]);
    expect(robot.pulls).toBeGreaterThan(0);
  });
});

test('the press never shows more than the tightest fit takes', () => {
  const fit = sheetOf('gearbox-four').parts['main-bearing']!.fit!;
  const most = convert(pressOf(fit)!.reckoned.results.pressForce, 'kN').value;
  for (let i = 0; i < 50; i += 1)
    expect(rigPress({ rig: `bearing ${i}`, kind: 'press', target: most })).toBeLessThanOrEqual(most);
});
