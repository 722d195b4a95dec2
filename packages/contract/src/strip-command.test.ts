import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import { randomUUID } from 'node:crypto';
import { BookInDto, CommandEnvelopeDto, OpenedDto } from './index.ts';

const problems = (command: object): string[] => {
  const dto = plainToInstance(CommandEnvelopeDto, {
    id: randomUUID(),
    seen: 3,
    at: '2026-11-24T08:00:00.000Z',
    device: 'bench A',
    command,
  });
  const words: string[] = [];
  const gather = (errors: ReturnType<typeof validateSync>): void =>
    errors.forEach((e) => {
      words.push(...Object.values(e.constraints ?? {}));
      gather(e.children ?? []);
    });
  gather(validateSync(dto, { whitelist: true, forbidNonWhitelisted: true }));
  return words;
};

describe('commands of the strip side and the shelf', () => {
  test.each<[string, object]>([
    ['a look', { type: 'look', op: 'strip/prove/1', choice: 'smooth' }],
    ['a look with a note', { type: 'look', op: 'strip/prove/1', choice: 'smooth', note: 'faint' }],
    ['an order', { type: 'order-stack', op: 'x', order: [2, 0, 1] }],
    ['an answer at no rung', { type: 'identify', question: 'studs', answer: '65 mm' }],
    ['an answer on its rung', { type: 'identify', question: 'teeth', answer: '37', op: 'strip/cover/5' }],
    ['a way that failed', { type: 'way-failed', op: 'x' }],
    ['a count', { type: 'count', op: 'x', count: 9 }],
    ['a count with a loss', { type: 'count', op: 'x', count: 8, lost: 'renew', reason: 'gone' }],
    ['a count of a tray', { type: 'count-tray', part: 'bell-bolt', count: 14 }],
    ['a timer', { type: 'start-timer', title: 'Wash', minutes: 20, kind: 'other' }],
    ['a timer of an operation', { type: 'start-timer', op: 'x', title: 'Cure', minutes: 0.5, kind: 'cure' }],
    ['its end', { type: 'end-timer', timer: 'c1', reason: 'dry already' }],
    ['a thing made ready', { type: 'prepare', item: 'build seal#1' }],
    ['a mark', { type: 'add-mark', between: ['cap', 'hub'], where: 'at six', with: 'paint' }],
    ['an aid', { type: 'add-aid', title: 'Plug', where: 'inlet' }],
    ['a lead', { type: 'add-lead', title: 'Strap', where: 'rear' }],
    ['a surprise', { type: 'surprise', kind: 'broken', title: 'Ear gone', note: '', part: 'cap' }],
    [
      'a surprise with parts',
      { type: 'surprise', kind: 'comes-off-first', title: 'Guard', note: '', parts: [{ title: 'Guard', count: 1 }] },
    ],
    ['a unit that was said', { type: 'say-unit', op: 'x', unit: 'N·m', reason: 'dealer' }],
    ['a setting moved', { type: 'adjust', op: 'x', note: '' }],
    ['a crush sleeve renewed', { type: 'adjust', op: 'x', note: 'overshot', renewed: 'sleeve' }],
    ['a note', { type: 'note', text: 'seven turns' }],
    ['parking', { type: 'park', why: 'day-end', note: '', to: 'Shelf 3' }],
    ['resuming', { type: 'resume', to: 'A', counts: { cap: 1, 'cap-bolt': 6 } }],
    [
      'parts off with counts',
      { type: 'complete', op: 'x', tray: 'A1', counts: { 'bell-bolt': 'later', cap: 2 }, reason: 'y' },
    ],
    ['rework ticked', { type: 'complete', op: 'x', ticks: ['check', 'clear'] }],
  ])('%s is taken', (_, command) => {
    expect(problems(command)).toEqual([]);
  });

  test.each<[string, object, RegExp]>([
    ['an order with a hole in it', { type: 'order-stack', op: 'x', order: [0, 1.5] }, /integer/],
    ['an order of nothing', { type: 'order-stack', op: 'x', order: [] }, /at least 1/],
    ['an empty answer', { type: 'identify', question: 'studs', answer: '' }, /Measure it/],
    ['less than nothing', { type: 'count', op: 'x', count: -1 }, /not below nothing/],
    ['a thousand million', { type: 'count', op: 'x', count: 1e9 }, /slip of the finger/],
    ['a count in words', { type: 'count', op: 'x', count: 'nine' }, /whole number/],
    ['a loss of another kind', { type: 'count', op: 'x', count: 8, lost: 'forget' }, /renew/],
    ['an empty tray counted', { type: 'count-tray', part: 'p', count: 0 }, /Something lies there/],
    ['a wait for ever', { type: 'start-timer', title: 'x', minutes: Infinity, kind: 'cure' }, /number/],
    [
      'a wait of a kind that is none',
      { type: 'start-timer', title: 'x', minutes: 5, kind: 'nap' },
      /kind must be one of/,
    ],
    ['a mark on three parts', { type: 'add-mark', between: ['a', 'b', 'c'], where: 'x', with: 'y' }, /two parts/],
    ['an aid nowhere', { type: 'add-aid', title: 'Plug', where: '' }, /Say where/],
    ['a surprise of no kind', { type: 'surprise', kind: 'ghost', title: 'x', note: '' }, /kind must be one of/],
    [
      'a surprise part of no count',
      { type: 'surprise', kind: 'comes-off-first', title: 'x', note: '', parts: [{ title: 'x', count: 0 }] },
      /At least one/,
    ],
    ['a note of nothing', { type: 'note', text: '' }, /empty/],
    ['a note of a book', { type: 'note', text: 'x'.repeat(401) }, /400/],
    ['parking for no reason', { type: 'park', why: 'weather', note: '', to: 'Shelf 1' }, /why must be one of/],
    ['parking nowhere', { type: 'park', why: 'parts', note: '', to: '' }, /Name a place/],
    ['counts that are a list', { type: 'resume', to: 'A', counts: [1, 2] }, /no count/],
    ['counts of half a bolt', { type: 'resume', to: 'A', counts: { cap: 0.5 } }, /cap: 0.5 is no count/],
    ['later, where it must be now', { type: 'resume', to: 'A', counts: { cap: 'later' } }, /no count/],
    [
      'counts of a whole warehouse',
      { type: 'resume', to: 'A', counts: Object.fromEntries(Array.from({ length: 301 }, (_, i) => [`p${i}`, 1])) },
      /301 parts/,
    ],
    ['a tick that is none', { type: 'complete', op: 'x', ticks: ['looked'] }, /ticks/],
    [
      'a field that does not belong',
      { type: 'park', why: 'parts', note: '', to: 'Shelf 1', shelf: 3 },
      /should not exist/,
    ],
    [
      'a picture by this way',
      { type: 'add-photo', photo: 'x', caption: '', sha256: '', width: 1, height: 1 },
      /type must be one of|should not exist/,
    ],
  ])('%s is refused in words', (_, command, words) => {
    expect(problems(command).join('; ')).toMatch(words);
  });
});

describe('booking', () => {
  const booking = (more: object): string[] =>
    validateSync(
      plainToInstance(BookInDto, {
        commandId: randomUUID(),
        customerName: 'Depot',
        serial: 's',
        sheet: 'hub-dolly',
        complaint: 'growls',
        answers: [],
        ...more,
      }),
      { whitelist: true, forbidNonWhitelisted: true },
    ).map((e) => e.property);
  test('opened before, with its signs', () => {
    expect(booking({ opened: { answer: 'yes', signs: ['paint broken'], why: 'leaks again' } })).toEqual([]);
    expect(booking({ opened: { answer: 'perhaps', signs: [] } })).toEqual(['opened']);
    expect(booking({ opened: { answer: 'no' } })).toEqual(['opened']);
    expect(booking({ leaveOpen: 'yes' })).toEqual(['leaveOpen']);
    expect(validateSync(plainToInstance(OpenedDto, { answer: 'no', signs: ['x'.repeat(121)] }))).toHaveLength(1);
  });
});
