import { describe, expect, test } from '@jest/globals';
import { rehearse, emptyBench, decide } from '@jubb/core/bench';
import { plainToInstance } from 'class-transformer';
import { validate, type ValidationError } from 'class-validator';
import 'reflect-metadata';
import { librarySheet } from '@jubb/core/sheet/fixtures';
import { BookInDto, CommandEnvelopeDto, commandDtos, commandTypes, HandDto, SignInDto, toCommand } from './index.ts';

const UUID = '6f1d8a52-2b0c-4d53-9a57-3b1f0c9f7a11';
/** Paths of all that is wrong with a body, as the server's pipe reads them. */
async function wrong(dto: new () => object, body: object): Promise<string[]> {
  const paths = (errors: ValidationError[], at: string): string[] =>
    errors.flatMap((e) => [
      ...(e.constraints ? [at + e.property] : []),
      ...paths(e.children ?? [], `${at}${e.property}.`),
    ]);
  return paths(await validate(plainToInstance(dto, body), { whitelist: true, forbidNonWhitelisted: true }), '');
}
const envelope = (command: unknown): object => ({
  id: UUID,
  seen: 0,
  at: '2026-01-05T08:00:00.000Z',
  device: 'bench B',
  command,
});

describe('a command over the wire', () => {
  test('by the name of an earlier release is the command of today', async () => {
    const older = envelope({ type: 'lead-back', op: 'build/x/1', suspect: 'seal' });
    expect(await wrong(CommandEnvelopeDto, older)).toEqual([]);
    expect(toCommand(plainToInstance(CommandEnvelopeDto, older))).toEqual({
      type: 'return-to-step',
      op: 'build/x/1',
      suspect: 'seal',
    });
    expect(await wrong(CommandEnvelopeDto, envelope({ type: 'lead-back', op: 'build/x/1' }))).not.toEqual([]);
  });
  const pull = {
    type: 'pull',
    op: 'b-cap.tighten',
    bolt: 3,
    reading: { value: 24, unit: 'N·m' },
    rig: { extensionMm: 0, extensionAngleDeg: 0 },
    how: 'instrument',
  };
  test('a good one passes and comes out as the core takes it', async () => {
    expect(await wrong(CommandEnvelopeDto, envelope(pull))).toEqual([]);
    const command = toCommand(plainToInstance(CommandEnvelopeDto, envelope(pull)));
    expect(command).toMatchObject({ type: 'pull', bolt: 3, reading: { value: 24, unit: 'N·m' } });
  });
  test('a pack of shims passes', async () => {
    const pieces = [
      { value: 1.3, unit: 'mm' },
      { value: 20, unit: 'µm' },
    ];
    expect(await wrong(CommandEnvelopeDto, envelope({ type: 'fit-pack', op: 'x', pieces }))).toEqual([]);
  });
  test.each([
    ['a length for a torque', { ...pull, reading: { value: 59, unit: 'mm' } }, 'command.reading'],
    ['a unit that is none', { ...pull, reading: { value: 59, unit: 'furlong' } }, 'command.reading.unit'],
    ['NaN', { ...pull, reading: { value: Number.NaN, unit: 'N·m' } }, 'command.reading.value'],
    ['no bolt', { ...pull, bolt: 0 }, 'command.bolt'],
    ['half a bolt', { ...pull, bolt: 1.5 }, 'command.bolt'],
    ['an unknown field', { ...pull, colour: 'red' }, 'command.colour'],
    ['a trace of words', { ...pull, trace: [['a', 1]] }, 'command.trace'],
    ['a trace too long', { ...pull, trace: Array.from({ length: 2001 }, () => [0, 0]) }, 'command.trace'],
    ['a reason that is none', { type: 'judge', op: 'x', part: 'cup', finding: 'renew', reason: 7 }, 'command.reason'],
    [
      'a length for a temperature',
      {
        type: 'take-reading',
        op: 'x',
        value: { value: 2.9, unit: 'Ω' },
        how: 'hand',
        temperature: { value: 4, unit: 'mm' },
      },
      'command.temperature',
    ],
    ['a cause of no kind', { type: 'find-cause', op: 'x', choice: 3 }, 'command.choice'],
    ['a finding that is none', { type: 'judge', op: 'x', part: 'cup', finding: 'eat', reason: 'r' }, 'command.finding'],
    ['no piece in the pack', { type: 'fit-pack', op: 'x', pieces: [] }, 'command.pieces'],
    ['a type that is none', { type: 'explode' }, 'command.type'],
    ['no type', {}, 'command.type'],
  ])('%s is refused at its path', async (_name, command, path) => {
    expect(await wrong(CommandEnvelopeDto, envelope(command))).toContain(path);
  });
  test('every command of a whole rehearsed job passes', async () => {
    const sheet = librarySheet('hub-dolly');
    const who = { id: 'p', name: 'P', initials: 'P' };
    const give = (state: ReturnType<typeof emptyBench>, id: string, command: never): typeof state => {
      const outcome = decide(
        state,
        sheet,
        { id, job: 'j', who, at: '2026-01-05T08:00:00.000Z', device: 'd', command },
        { drawers: {} },
      );
      if (!outcome.ok) throw new Error(outcome.refusal.says);
      return outcome.state;
    };
    let state = give(emptyBench('j'), 'c0', {
      type: 'book',
      number: 1,
      customer: { id: 'c', name: 'C' },
      unit: { id: 'u', serial: 's', model: 'm' },
      sheet: { id: sheet.id, revision: 1, title: '', hash: '' },
      complaint: 'x',
      deliveryDate: null,
      spendLimitMinor: null,
      variant: 'six-stud',
      identified: [],
      earlierVisits: 0,
    } as never);
    const met = new Set<string>();
    for (let n = 1; ; n += 1) {
      const command = rehearse(sheet, state, { drawers: {} });
      if (!command) break;
      met.add(command.type);
      expect(await wrong(CommandEnvelopeDto, envelope(JSON.parse(JSON.stringify(command))))).toEqual([]);
      state = give(state, `c${n}`, command as never);
      if (command.type === 'sign-off') break;
    }
    for (const type of ['complete', 'take-reading', 'judge', 'pull', 'sign-off']) expect(met).toContain(type);
  });
  test('one class a type, and no type twice', () => {
    expect(new Set(commandTypes).size).toBe(commandDtos.length);
    expect(new Set(commandDtos.map((c) => c.value)).size).toBe(commandDtos.length);
  });
});

describe('forms', () => {
  const form = {
    commandId: UUID,
    customerName: 'Brae Farm',
    serial: '1',
    sheet: 'hub-dolly',
    complaint: 'growls',
    answers: [{ question: 0, answer: '65 mm' }],
  };
  test('booking in: a known customer needs no name, a new one does', async () => {
    expect(await wrong(BookInDto, form)).toEqual([]);
    expect(await wrong(BookInDto, { ...form, customerName: undefined })).toContain('customerName');
    expect(await wrong(BookInDto, { ...form, customerName: undefined, customerId: UUID })).toEqual([]);
    expect(await wrong(BookInDto, { ...form, spendLimitMinor: -1 })).toContain('spendLimitMinor');
    expect(await wrong(BookInDto, { ...form, spendLimitMinor: 10.5 })).toContain('spendLimitMinor');
    expect(await wrong(BookInDto, { ...form, deliveryDate: 'soon' })).toContain('deliveryDate');
    expect(await wrong(BookInDto, { ...form, complaint: '' })).toContain('complaint');
  });
  test('signing in: a PIN or a pass phrase; an empty one, one too long, no name', async () => {
    for (const pin of ['2222', 'two eels in a boat']) expect(await wrong(SignInDto, { name: 'Una', pin })).toEqual([]);
    for (const pin of ['', '222', '1'.repeat(200), 2222])
      expect(await wrong(SignInDto, { name: 'Una', pin })).toContain('pin');
    expect(await wrong(SignInDto, { name: '', pin: '2222' })).toEqual(['name']);
  });
  test.each<[string, boolean]>([
    ['2026-03-09T14:30:00Z', true],
    ['2026-03-09T14:30:00.123+01:00', true],
    ['2024-02-29T00:00:00Z', true],
    ['2026-02-29T00:00:00Z', false],
    ['2026-W10', false],
    ['2026-068', false],
    ['2026-03-09', false],
    ['0001-01-01T00:00:00Z', false],
    ['9999-01-01T00:00:00Z', false],
    ['soon', false],
  ])('a delivery date on %s: taken %s', async (deliveryDate, taken) => {
    expect(await wrong(BookInDto, { ...form, deliveryDate })).toEqual(taken ? [] : ['deliveryDate']);
  });
  test('a simulated hand does not pull past what a hand can', async () => {
    expect(await wrong(HandDto, { action: 'pull', stopNm: 60 })).toEqual([]);
    expect(await wrong(HandDto, { action: 'pull', stopNm: 1e9 })).toContain('stopNm');
    expect(await wrong(HandDto, { action: 'throw' })).toContain('action');
  });
});
