import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { currentSheet, ladder, type Sheet } from './index.ts';
import { readSheet } from './read/index.ts';
import { librarySheet, libraryText } from './library.fixtures.ts';

const replaced = (name: string, from: string, to: string): string => {
  const text = libraryText(name);
  if (!text.includes(from)) throw new Error(`${name} does not hold ${from}`);
  return text.replace(from, to);
};

describe('the rules of taking apart', () => {
  test.each<[string, string, string, string, string]>([
    [
      'a mark between a part and itself',
      'axle-clip',
      'between: [pin, lock-bolt]',
      'between: [pin, pin]',
      'mark-on-itself',
    ],
    ['a lead that is never reconnected', 'axle-clip', '- reconnect: vent', '- confirm: "vent"', 'lead-not-reconnected'],
    [
      'a lead on that was never parted',
      'tensioner-belt',
      '- disconnect: earth',
      '- do: "The earth lead stays on"',
      'lead-never-parted',
    ],
    [
      'a part moved aside for good',
      'axle-clip',
      '- { place: caliper, note',
      '- { confirm: caliper, note',
      'part-not-refitted',
    ],
    ['started and never tightened', 'prop-centre', '      - tighten: holder\n', '', 'in-between-forever'],
    [
      'a stack that nobody holds against its order',
      'cab-strut',
      '- restack: top-stack',
      '- { confirm: "in order" }',
      'stack-not-restacked',
    ],
    ['a wait without a time', 'axle-clip', 'cure: sealant, for: 15 min,', 'cure: sealant,', 'no-time'],
    ['a time on what does not wait', 'axle-clip', '{ place: pin }', '{ place: pin, for: 5 min }', 'no-time-here'],
    [
      'rework that nobody looks at after',
      'turbo-core',
      'check: "a lamp shines through to each bush hole", ',
      '',
      'rework-unsaid',
    ],
    [
      'a count that nobody knows and nobody counts',
      'gearbox-four',
      '- count: bell-bolt\n',
      '- confirm: "all there"\n',
      'never-counted',
    ],
    ['a question that no rung asks', 'axle-clip', '      - identify: teeth\n', '', 'never-asked'],
    [
      'a place left in of nothing',
      'axle-clip',
      '{ undo: cover-bolts, leave-in: 1 }',
      '{ do: "Tap it", leave-in: 1 }',
      'leave-in-of-what',
    ],
    [
      'an order that names a place twice',
      'gearbox-four',
      'order: [1, 4, 2, 3]',
      'order: [1, 4, 2, 2]',
      'count-disagrees',
    ],
    [
      'a pattern with more places than fasteners',
      'tensioner-belt',
      'rectangle: [2, 2]',
      'rectangle: [2, 3]',
      'count-disagrees',
    ],
    [
      'a turn from nothing',
      'prop-centre',
      'tighten: [{ to: 25 N·m }, { name: Turn, turn: 70° ± 5° }]',
      'tighten: [{ name: Turn, turn: 70° ± 5° }]',
      'turn-from-nothing',
    ],
    [
      'no figure and no class to compute one from',
      'tensioner-belt',
      '    thread: M10\n    class: "8.8"\n    into',
      '    thread: M10\n    into',
      'missing-field',
    ],
    ['a stage that the joint does not have', 'axle-clip', 'through: snug', 'through: loose', 'unknown-name'],
    ['a piece saved from what saves none', 'prop-centre', 'saves: shell', 'destroys: true', 'never-saved'],
    [
      'a side that the part has not',
      'axle-clip',
      'measure: shaft-track@left',
      'measure: shaft-track@top',
      'unknown-name',
    ],
    [
      'an answer that says nothing',
      'axle-clip',
      '{ is: 37, variant: long-ratio, says: "37 over 10: ratio 3.70" }',
      '{ is: 37 }',
      'says-nothing',
    ],
    [
      'something made ready of no kind',
      'prop-centre',
      'ahead: { oven: "Bearing to 90 °C", takes: 35 min }',
      'ahead: { takes: 35 min }',
      'ahead-of-what',
    ],
    [
      'a variant that no question tells',
      'cab-strut',
      'choose: [{ is: green, variant: soft }, { is: white, variant: firm }]',
      'choose: [{ is: green, says: "soft" }, { is: white, says: "firm" }]',
      'ok',
    ],
  ])('%s', (_, name, from, to, code) => {
    const { sheet, problems } = readSheet(replaced(name, from, to));
    if (code === 'ok') {
      // The second question still tells it.
      expect(problems).toEqual([]);
      return;
    }
    const found = problems.find((p) => p.code === code);
    expect(problems.map((p) => p.code)).toContain(code);
    expect(found?.line).toBeGreaterThan(1);
    if (found?.severity === 'error') expect(sheet).toBeUndefined();
  });

  test('figures that say nothing of their source are warned of', () => {
    const { problems } = readSheet(replaced('hub-loose-ball', 'from: shop\nopened', 'opened'));
    expect(problems.filter((p) => p.code === 'whose-figure').length).toBeGreaterThan(2);
  });

  test('a cycle names its steps and its line', () => {
    const text = replaced('turbo-core', 'before: [thrust]', 'before: [thrust]\n      after: [thrust]');
    const cycle = readSheet(text).problems.find((p) => p.code === 'cycle');
    expect(cycle?.message).toMatch(/build shaft-set/);
    expect(cycle?.line).toBeGreaterThan(1);
  });
});

describe('each side', () => {
  const sheet = librarySheet('axle-clip');
  test('a rung and its things stand once on each side, under their own names', () => {
    for (const id of ['seal@left', 'seal@right', 'caliper@left']) expect(Object.keys(sheet.parts)).toContain(id);
    expect(sheet.parts['seal']).toBeUndefined();
    expect(sheet.parts['seal@left']).toMatchObject({ title: 'Left shaft seal', side: 'left' });
    const step = sheet.steps.find((s) => s.id === 'strip caliper@right')!;
    expect([step.title, step.at]).toEqual(['Caliper and disc, right', 'right']);
    expect(JSON.stringify(step.ops)).not.toMatch(/@left/);
  });
  test('outside any side a list means all of them; kits cover both', () => {
    const judged = sheet.steps.flatMap((s) => s.ops).find((o) => o.kind === 'judge');
    expect(judged).toMatchObject({ parts: expect.arrayContaining(['shaft@left', 'shaft@right', 'pin']) });
    expect(sheet.kits['seal-kit']!.covers).toEqual(['seal@left', 'seal@right']);
  });
  test('a condition in a rung of a side speaks of that side', () => {
    const l = ladder(sheet, {
      variant: 'short-ratio',
      methods: {},
      findings: { 'bearing@left': 'renew', 'bearing@right': 'reuse' },
    });
    expect(l.build.map((s) => s.id)).toContain('build bearing@left');
    expect(l.build.map((s) => s.id)).not.toContain('build bearing@right');
  });
});

describe('a sheet that was compiled by an earlier program', () => {
  const kept = (
    JSON.parse(readFileSync(join(__dirname, '../bench/old-forms/job-record-1.json'), 'utf8')) as { sheet: Sheet }
  ).sheet;
  test('is brought to the form of today, and stays as it was where it is kept', () => {
    const before = JSON.stringify(kept);
    const now = currentSheet(kept);
    expect(now.format).toBe(5);
    expect([now.form, now.spaces, now.loads, now.scopes]).toEqual([1, {}, {}, {}]);
    expect(now.identify[0]).toMatchObject({ id: 'q1', by: 'measure', needs: 'nothing' });
    expect(now.identify[0]!.choices[0]!.variants).toEqual(['six-stud']);
    expect(currentSheet(kept)).toBe(now);
    expect(currentSheet(now)).toBe(now);
    expect(JSON.stringify(kept)).toBe(before);
    expect(ladder(now, { variant: 'six-stud', methods: {}, findings: {} }).all.length).toBeGreaterThan(20);
  });
  test('of format 2 too: its measures are sizes, and it names no cause, set or exchange', () => {
    const two = JSON.parse(readFileSync(join(__dirname, '../bench/old-forms/sheet-format-2.json'), 'utf8')) as Sheet;
    const now = currentSheet(two);
    expect(now.format).toBe(5);
    expect([now.form, now.spaces, now.loads, now.scopes]).toEqual([1, {}, {}, {}]);
    expect(now.measures['lip-track']).toMatchObject({ shape: 'size', inside: false, derived: {} });
    expect([now.causes, now.sets, now.whileOpen, now.exchange]).toEqual([{}, [], [], undefined]);
    expect(now.risks.repair).toBeGreaterThan(0);
  });
  test('of format 4: what its settings called schools are their methods, for each variant too', () => {
    const today = librarySheet('axle-kingpin');
    const older = (settings: Sheet['settings']): Sheet['settings'] =>
      JSON.parse(JSON.stringify(settings).replaceAll('"methods":', '"schools":')) as Sheet['settings'];
    const entries = { parts: {}, joints: {}, measures: {}, fluids: {}, tests: {} };
    const four: Sheet = {
      ...today,
      format: 4,
      settings: older(today.settings),
      byVariant: { late: { ...entries, settings: older(today.settings) } },
    };
    const now = currentSheet(four);
    expect(now.settings).toEqual(today.settings);
    expect(Object.values(now.settings).map((s) => Object.values(s.methods ?? {}).map((m) => m.kind))).toContainEqual([
      'gap',
    ]);
    expect(now.byVariant?.['late']?.settings).toEqual(today.settings);
    expect({ ...now, format: 4, settings: {}, byVariant: {} }).toEqual({ ...four, settings: {}, byVariant: {} });
  });
  test('one of a later program is not guessed at', () => {
    expect(() => currentSheet({ ...kept, format: 99 })).toThrow(/format 99/);
  });
});

describe('the second form', () => {
  const sheetOf = (form: 1 | 2, strip: string): string => `jubb: build-sheet/${form}
sheet: tiny
revision: 1
title: Tiny
kind: hub
maker: Brindlow
parts:
  cap: { title: Cap }
  bolt: { title: Bolt, count: 2 }
  shim: { title: Shim }
joints:
  bolts: { fastener: bolt, thread: M8, class: "8.8", clamps: [cap], tighten: [{ to: 24 N·m ± 2 N·m }], fasteners: reuse }
aids: { pin: { title: Pin, where: in the cap }, clamp: { title: Clamp, where: on the cap } }
leads: { hose: { title: Hose, where: left } }
rungs:
  - id: cap
    title: Cap
    strip: ${strip}
    build:
      ops: [{ place: shim }, { place: cap }, { tighten: bolts }, { reconnect: hose }, { remove: pin }, { remove: clamp }]
`;
  const kinds = (text: string): readonly string[] => {
    const { sheet: read, problems } = readSheet(text);
    expect(problems.filter((p) => p.severity === 'error')).toEqual([]);
    return read!.steps[0]!.ops.map((o) => o.kind);
  };
  const MAP =
    '{ disconnect: hose, undo: bolts, fit: [pin, clamp], leave-in: 1, off: { cap: 1, bolt: 2, shim: 1 }, do: "Lift it off" }';
  test('a side is worked in the order in which its keys are written; in the first form as it always was', () => {
    expect(kinds(sheetOf(2, MAP))).toEqual(['disconnect', 'undo', 'last-out', 'fit-aid', 'fit-aid', 'off', 'do']);
    expect(kinds(sheetOf(1, MAP))).toEqual(['do', 'fit-aid', 'fit-aid', 'disconnect', 'undo', 'last-out', 'off']);
  });
  test('or as a list, which says of itself how long it takes', () => {
    const list = `
      - disconnect: hose
      - fit: [pin, clamp]
      - { undo: bolts, note: crosswise }
      - off: [cap, bolt, shim]
      - minutes: 7`;
    const { sheet: read } = readSheet(sheetOf(2, list));
    const [step] = read!.steps;
    expect(step!.ops.map((o) => o.kind)).toEqual(['disconnect', 'fit-aid', 'fit-aid', 'undo', 'off']);
    expect(step!.minutes).toBe(7);
    expect(step!.ops.at(-1)).toMatchObject({
      parts: [
        { part: 'cap', count: 1 },
        { part: 'bolt', count: 2 },
        { part: 'shim', count: 1 },
      ],
    });
    expect(step!.ops[3]).toMatchObject({ note: 'crosswise' });
  });
  test('a list in a sheet of the first form is refused by name', () =>
    expect(
      readSheet(sheetOf(1, '[{ undo: bolts }, { off: [cap, bolt, shim] }]')).problems.map((p) => p.code),
    ).toContain('second-form'));
  test('a third form is refused', () =>
    expect(readSheet(sheetOf(2, MAP).replace('build-sheet/2', 'build-sheet/3')).problems[0]!.message).toMatch(
      /build-sheet\/1, build-sheet\/2/,
    ));
});
