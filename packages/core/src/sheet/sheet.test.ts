import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CycleError, identify, ladder, narrow, type Finding, type Sheet, type Step } from './index.ts';
import { orderSteps } from './ladder/order.ts';
import { readGoodSheet, readSheet, sheetSchema } from './read/index.ts';

const library = join(process.cwd(), 'library');
const hub = readFileSync(join(library, 'hub-dolly.yaml'), 'utf8');
const problemsOf = (text: string): { code: string; line?: number; message: string; severity: string }[] => [
  ...readSheet(text).problems,
];
const lineOf = (text: string, part: string): number => text.slice(0, text.indexOf(part)).split('\n').length;
const replaced = (from: string, to: string): string => {
  if (!hub.includes(from)) throw new Error(`the sheet does not hold ${from}`);
  return hub.replace(from, to);
};

describe('the library', () => {
  test.each(readdirSync(library).filter((f: string) => f.endsWith('.yaml')))(
    '%s reads without an error or a warning',
    (file) => {
      expect(problemsOf(readFileSync(join(library, file), 'utf8'))).toEqual([]);
    },
  );

  test('the published JSON Schema is the one in use', () => {
    expect(JSON.parse(readFileSync(join(library, 'build-sheet.schema.json'), 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(sheetSchema)),
    );
  });
});

describe('a sheet with something wrong says what and where', () => {
  test.each<[string, string, string, string]>([
    ['a key that does not belong', 'kind: hub', 'kimd: hub', 'unknown-key'],
    [
      'a comma in an unquoted text',
      '{ title: Cap, renew: inspect, goes: one way }',
      '{ title: Cap, renew: inspect, goes: one way, mind the lip }',
      'unknown-key',
    ],
    ['a figure without a unit', 'new: 60.00 mm', 'new: 60.00', 'unit-missing'],
    ['a wrong dimension', 'band: 0.03 mm to 0.08 mm', 'band: 0.03 N·m to 0.08 N·m', 'wrong-dimension'],
    ['a band upside down', 'accept: 0.2 N·m to 0.9 N·m', 'accept: 0.9 N·m to 0.2 N·m', 'band-upside-down'],
    ['a part that is not there', '{ place: cap }', '{ place: capp }', 'unknown-name'],
    ['two verbs in one operation', '{ place: washer }', '{ place: washer, press: washer }', 'op-verbs'],
    [
      'a condition that cannot be read',
      'finding: cups is not renew',
      'finding: cups not renew',
      'unreadable-condition',
    ],
    ['an aid that stays in', 'remove: [stand, chock]', 'remove: [stand]', 'aid-left-in'],
    ['a part that never goes back', '{ place: spacer }', '{ confirm: "spacer" }', 'part-not-refitted'],
    ['a joint left loose', '- { tighten: cap-bolts }', '- { confirm: "tight" }', 'joint-left-loose'],
    ['a torque past yield', 'to: 24 N·m ± 2 N·m', 'to: 240 N·m ± 2 N·m', 'insane-torque'],
    ['a torque in the wrong unit', '{ to: 24 N·m ± 2 N·m }', '{ to: 24 kgf·m ± 2 kgf·m }', 'insane-torque'],
    [
      'a caution that never ends',
      'from: strip nut, until: build nut',
      'from: build nut, until: strip nut',
      'standing-never-ends',
    ],
    ['counts that disagree', 'off: { cap: 1, cap-bolt: 6 }', 'off: { cap: 1, cap-bolt: 5 }', 'count-disagrees'],
    ['an always-new part without an order number', 'order: BD6-121, ', '', 'no-part-line'],
    ['a choice without a reason', ', why: "Factory place, for an unworn track"', '', 'no-reason'],
    ['an unknown caution class', 'caution: lifted-vehicle', 'caution: rolling-thunder', 'unknown-caution'],
    ['a mark that is never lined up', '- { align: cap-clock }', '- { confirm: "in line" }', 'mark-not-used'],
    [
      'a finding that nobody makes',
      'judge: [cups, cone-outer, cone-inner, spindle]',
      'judge: [cone-outer, cone-inner, spindle]',
      'never-judged',
    ],
    ['an unknown thread', 'thread: M8', 'thread: M8.3', 'unknown-thread'],
    ['a rung twice', 'id: washer', 'id: nut', 'twice'],
    ['broken YAML', 'variants:', 'variants: [', 'not-yaml'],
  ])('%s', (_, from, to, expected) => {
    const text = replaced(from, to);
    const { sheet, problems } = readSheet(text);
    const found = problems.find((p) => p.code === expected);
    expect(problems.map((p) => p.code)).toContain(expected);
    expect(found?.line).toBeGreaterThan(0);
    if (found?.severity === 'error') expect(sheet).toBeUndefined();
  });

  test('the line is the line', () => {
    const text = replaced('kind: hub', 'kimd: hub');
    expect(problemsOf(text).find((p) => p.code === 'unknown-key')?.line).toBe(lineOf(text, 'kimd: hub'));
    const wrongUnit = replaced('min: 59.90 mm', 'min: 59.90 N');
    expect(problemsOf(wrongUnit).find((p) => p.code === 'wrong-dimension')?.line).toBe(
      lineOf(wrongUnit, 'min: 59.90 N'),
    );
  });

  test('a cycle names its rungs', () => {
    const text = replaced(
      '      ops:\n        - { place: washer }',
      '      after: [nut]\n      before: [outer-cone]\n      ops:\n        - { place: washer }',
    ).replace(
      '        - { place: cone-outer }\n      minutes: 3',
      '        - { place: cone-outer }\n      minutes: 3\n      before: [nut]',
    );
    const cycle = problemsOf(text.replace('      after: [nut]', '      after: [nut, outer-cone]')).find(
      (p) => p.code === 'cycle',
    );
    expect(cycle?.message).toMatch(/build washer/);
    expect(cycle?.message).toMatch(/build outer-cone/);
  });

  test('a good sheet that must be good is returned; a bad one throws with its problems', () => {
    expect(readGoodSheet(hub, 'hub-dolly').title).toBe('Dolly wheel hub, two taper bearings');
    expect(() => readGoodSheet('jubb: build-sheet/1', 'stub')).toThrow(/stub cannot be used: line 1/);
  });

  test('whatever is typed, reading never throws', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.integer({ min: 0, max: hub.length }).map((n) => hub.slice(0, n)),
        ),
        (text) => {
          const { sheet, problems } = readSheet(text);
          expect(sheet === undefined).toBe(problems.some((p) => p.severity === 'error'));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('identify', () => {
  const question = readGoodSheet(hub, 'hub').identify[0]!;
  const meant = (answer: Parameters<typeof identify>[1], u?: number, q = question): string => {
    const found = identify(q, answer, u === undefined ? undefined : { value: u, unit: 'mm' });
    return 'choice' in found
      ? found.choice.variants.join()
      : `near ${found.near.flatMap((c) => c.variants).join(' and ') || 'none'}`;
  };
  test.each<[number, string, number | undefined, string]>([
    [65.4, 'mm', undefined, 'six-stud'],
    [66, 'mm', undefined, 'six-stud'],
    [77.9, 'mm', undefined, 'five-stud'],
    [2.56, 'in', undefined, 'six-stud'],
    [71, 'mm', undefined, 'near six-stud and five-stud'],
    [40, 'mm', undefined, 'near none'],
    // A gauge so coarse that it reaches into the other band decides nothing.
    [65.4, 'mm', 11, 'near six-stud and five-stud'],
    [65.4, 'mm', 1, 'six-stud'],
  ])('%f %s read to %p mm: %s', (value, unit, u, expected) => {
    expect(meant({ value, unit }, u)).toBe(expected);
  });
  test('in two bands at once is undecided, not guessed', () => {
    const wide = {
      ...question,
      choices: question.choices.map((c) => ({
        ...c,
        band: { low: { value: 60, unit: 'mm' }, high: { value: 80, unit: 'mm' } },
      })),
    };
    expect(meant({ value: 70, unit: 'mm' }, undefined, wide)).toBe('near six-stud and five-stud');
  });
  test('answers narrow together; a contradiction leaves none', () => {
    const sheet = { variants: ['a', 'b', 'c'].map((id) => ({ id, title: id })) };
    expect(narrow(sheet, [])).toEqual({ candidates: ['a', 'b', 'c'], variant: null });
    expect(narrow(sheet, [{ variants: ['a', 'b'] }])).toEqual({ candidates: ['a', 'b'], variant: null });
    expect(narrow(sheet, [{ variants: ['a', 'b'] }, { variants: ['b', 'c'] }, { variants: [] }])).toEqual({
      candidates: ['b'],
      variant: 'b',
    });
    expect(narrow(sheet, [{ variants: ['a'] }, { variants: ['c'] }]).candidates).toEqual([]);
  });
});

describe('ladder', () => {
  const sheet: Sheet = readGoodSheet(hub, 'hub');
  const none = { variant: 'six-stud', methods: {}, findings: {} };
  test('the build side is the strip side reversed', () => {
    const { strip, build } = ladder(sheet, none);
    const shared = strip.map((s) => s.rung).filter((r) => build.some((b) => b.rung === r));
    expect(build.map((b) => b.rung).filter((r) => strip.some((s) => s.rung === r))).toEqual(shared.reverse());
    expect(strip.length).toBeGreaterThanOrEqual(12);
  });
  test('each step waits for the one before, build for the whole bottom, the bottom for the strip', () => {
    const l = ladder(sheet, none);
    expect(l.build[0]!.after).toEqual(l.bottom.map((b) => b.id));
    for (const b of l.bottom) expect(b.after).toEqual([l.strip.at(-1)!.id]);
    expect(l.strip[3]!.after).toEqual([l.strip[2]!.id]);
  });
  test('what hangs on a finding is open until it is made', () => {
    const cups = (findings: Readonly<Record<string, Finding>>): [string[], number] => {
      const step = ladder(sheet, { ...none, findings }).build.find((s) => s.rung === 'cups')!;
      return [step.ops.map((o) => o.kind), step.open.length];
    };
    expect(cups({})).toEqual([[], 2]);
    expect(cups({ cups: 'renew' })).toEqual([['press'], 0]);
    expect(cups({ cups: 'watch' })).toEqual([['inspect'], 0]);
  });

  const step = (id: string, after: string[] = [], before: string[] = []): Step => ({
    id,
    rung: id,
    side: 'build',
    title: id,
    when: [],
    ops: [],
    minutes: 0,
    tools: [],
    ahead: [],
    after,
    before,
  });
  test('early in: pulled forward to just before what it must precede', () => {
    expect(orderSteps([step('a'), step('crank'), step('b'), step('ring', [], ['crank'])]).map((s) => s.id)).toEqual([
      'a',
      'ring',
      'crank',
      'b',
    ]);
  });
  test('half, then the neighbour, then both fully', () => {
    expect(
      orderSteps([
        step('main-half'),
        step('main-full', ['counter-half']),
        step('counter-half'),
        step('counter-full'),
      ]).map((s) => s.id),
    ).toEqual(['main-half', 'counter-half', 'main-full', 'counter-full']);
  });
  test('with random constraints: every one holds, or a cycle is named', () => {
    const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
    const pair = fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...ids)).filter(([x, y]) => x !== y);
    let ordered = 0;
    fc.assert(
      fc.property(fc.array(pair, { maxLength: 6 }), fc.array(pair, { maxLength: 4 }), (afters, befores) => {
        const steps = ids.map((id) =>
          step(
            id,
            afters.filter(([x]) => x === id).map(([, y]) => y),
            befores.filter(([x]) => x === id).map(([, y]) => y),
          ),
        );
        try {
          const order = orderSteps(steps).map((s) => s.id);
          ordered += 1;
          expect([...order].sort()).toEqual(ids);
          for (const [x, y] of afters) expect(order.indexOf(x)).toBeGreaterThan(order.indexOf(y));
          for (const [x, y] of befores) expect(order.indexOf(x)).toBeLessThan(order.indexOf(y));
        } catch (e) {
          if (!(e instanceof CycleError)) throw e;
          const edges = [...afters, ...befores.map(([x, y]) => [y, x] as const)].map(([x, y]) => `${x}>${y}`);
          for (let i = 1; i < e.cycle.length; i += 1) expect(edges).toContain(`${e.cycle[i - 1]}>${e.cycle[i]}`);
        }
      }),
    );
    expect(ordered).toBeGreaterThan(20);
  });
});
