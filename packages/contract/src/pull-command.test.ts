import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { randomUUID } from 'node:crypto';
import { CommandEnvelopeDto, HandDto } from './index.ts';

const words = (errors: ReturnType<typeof validateSync>): string[] =>
  errors.flatMap((e) => [...Object.values(e.constraints ?? {}), ...words(e.children ?? [])]);
const problems = (command: object): string[] =>
  words(
    validateSync(
      plainToInstance(CommandEnvelopeDto, {
        id: randomUUID(),
        seen: 3,
        at: '2026-11-25T08:00:00.000Z',
        device: 'bench A',
        command,
      }),
      { whitelist: true, forbidNonWhitelisted: true },
    ),
  );
const nm = (value: number): object => ({ value, unit: 'N·m' });
const rig = { extensionMm: 0, extensionAngleDeg: 0 };
const instrument = { id: 'w' };

describe('commands while a joint is tightened', () => {
  test.each<[string, object]>([
    ['a pull by a wrench of the list', { type: 'pull', op: 'x', bolt: 1, reading: nm(10), rig, how: 'instrument', instrument }],
    ['a pull with its trace and turn', { type: 'pull', op: 'x', bolt: 1, reading: nm(10), rig, how: 'hand', turnedDeg: 70, trace: [[0, 0], [2, 3]] }],
    ['an answer that it stands', { type: 'answer-pull', op: 'x', bolt: 1, answer: 'accepted', note: 'looked at' }],
    ['what a nut takes to turn', { type: 'say-running', op: 'x', torque: nm(3), how: 'hand' }],
    ['a joint loosened', { type: 'loosen', joint: 'cap-bolts', why: 'ring pinched' }],
    ['new fasteners', { type: 'renew-fasteners', op: 'x' }],
    ['a setting turned', { type: 'adjust', op: 'x', note: 'on 12°', turned: { value: 12, unit: 'deg' } }],
    ['shims across', { type: 'adjust', op: 'x', note: 'x', left: { value: 0.05, unit: 'mm' }, right: { value: -0.05, unit: 'mm' } }],
    ['a reading of the other setting', { type: 'take-reading', op: 'x', setting: 'preload', value: { value: 24, unit: 'N' }, how: 'hand' }],
    ['clean strokes', { type: 'complete', op: 'x', strokes: 5 }],
  ])('%s is taken', (_, command) => {
    expect(problems(command)).toEqual([]);
  }); // prettier-ignore

  test.each<[string, object, RegExp]>([
    ['a pull in millimetres', { type: 'pull', op: 'x', bolt: 1, reading: { value: 10, unit: 'mm' }, rig, how: 'hand' }, /torque/],
    ['a pull of bolt 0', { type: 'pull', op: 'x', bolt: 0, reading: nm(10), rig, how: 'hand' }, /bolt/],
    ['a trace of words', { type: 'pull', op: 'x', bolt: 1, reading: nm(10), rig, how: 'hand', trace: [['a', 'b']] }, /trace/],
    ['another answer', { type: 'answer-pull', op: 'x', bolt: 1, answer: 'forgotten' }, /answer/],
    ['a nut turned by a length', { type: 'say-running', op: 'x', torque: { value: 3, unit: 'mm' }, how: 'hand' }, /torque/],
    ['a turn in newton metres', { type: 'adjust', op: 'x', note: 'x', turned: nm(12) }, /angle is due/],
    ['half a stroke', { type: 'complete', op: 'x', strokes: 0.5 }, /strokes/],
    ['less than no strokes', { type: 'complete', op: 'x', strokes: -1 }, /strokes/],
    ['a wrench with a range of its own', { type: 'pull', op: 'x', bolt: 1, reading: nm(10), rig, how: 'hand', instrument: { ...instrument, rangeNm: { min: 2, max: 9000 } } }, /rangeNm/],
    ['an instrument without its id', { type: 'pull', op: 'x', bolt: 1, reading: nm(10), rig, how: 'hand', instrument: {} }, /id/],
    ['a joint loosened with more than is known', { type: 'loosen', joint: 'x', why: 'y', force: true }, /force/],
  ])('%s is refused, and says what is due', (_, command, names) => {
    expect(problems(command).join('; ')).toMatch(names);
  }); // prettier-ignore
});

describe('an envelope with nothing in it', () => {
  test.each([[undefined], [null]])('%s is refused, and says what is missing', (command) => {
    expect(problems(command as unknown as object).join('; ')).toMatch(/what is to be done is missing/);
  });
});

describe('the simulated hand', () => {
  const hand = (move: object): string[] =>
    words(validateSync(plainToInstance(HandDto, move), { whitelist: true, forbidNonWhitelisted: true }));
  test.each<[string, object]>([
    ['a pull with a fault', { action: 'pull', stopNm: 10, fault: 'cross-thread' }],
    ['a turn', { action: 'pull', stopNm: 10, fromNm: 25, byDeg: 70 }],
    ['a unit with its depths', { action: 'rig', rig: 'j/float', kind: 'pack', target: 0.05, depths: '+-', depthAt: 1 }],
    ['a gear between its shims', { action: 'rig', rig: 'j/b', kind: 'sides', target: 0.16, leftMm: 0.1, rightMm: -0.1, perMm: 16 }],
  ])('%s is taken', (_, move) => expect(hand(move)).toEqual([])); // prettier-ignore
  test.each<[string, object, RegExp]>([
    ['a fault that is none', { action: 'pull', fault: 'gremlins' }, /fault/],
    ['a unit of no kind', { action: 'rig', rig: 'x', kind: 'moon', target: 1 }, /kind/],
    ['a depth past the last', { action: 'rig', rig: 'x', kind: 'pack', target: 1, depthAt: 99 }, /depthAt/],
    ['signs that are none', { action: 'rig', rig: 'x', kind: 'pack', target: 1, depths: 'ab' }, /depths/],
    ['what no hand does', { action: 'rock' }, /action/],
  ])('%s is refused', (_, move, names) => expect(hand(move).join('; ')).toMatch(names)); // prettier-ignore
});
