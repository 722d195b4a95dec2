import { beforeAll, describe, expect, test } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import { booked, hubDolly, person, TestBench } from '../bench.fixtures.ts';
import { buildRecord, plainRecord, recordCsv, type JobRecord } from '../index.ts';
import type { BenchState, Stamp } from '../log/state.ts';

const stamp: Stamp = { seq: 9, at: '2026-11-24T09:00:00.000Z', by: person };

let bench: TestBench;
let record: JobRecord;
beforeAll(() => {
  bench = booked();
  bench.run();
  record = buildRecord(bench.sheet, bench.state);
});
/** The record of the hub with something in its state that a rehearsal leaves out. */
const recordWith = (more: (state: BenchState) => Partial<BenchState>): JobRecord =>
  buildRecord(bench.sheet, { ...bench.state, ...more(bench.state) });

test('a job that is not booked has no record', () => {
  expect(() => buildRecord(hubDolly(), new TestBench(hubDolly()).state)).toThrow('not booked');
});

describe('readings and pulls as CSV', () => {
  const rows = (r: JobRecord): Record<string, string>[] =>
    parse<Record<string, string>>(recordCsv(r), { columns: true });

  test('one row for each pull and each reading, with its figure, unit, place and hand', () => {
    const of = rows(record);
    const pulls = record.joints.flatMap((j) => [...j.stages.flatMap((s) => s.pulls), ...j.setAside]);
    expect(pulls.length).toBeGreaterThan(5);
    expect(of.filter((r) => r['kind'] === 'pull').map((r) => Number(r['value']))).toEqual(
      pulls.map((p) => p.torque.value),
    );
    expect(of.filter((r) => r['kind'] === 'measured')).toHaveLength(record.measures.flatMap((m) => m.readings).length);
    expect(of.filter((r) => r['kind'] === 'setting')).toHaveLength(
      record.settings.flatMap((s) => s.rounds.flatMap((r) => r.readings)).length,
    );
    expect(new Set(of.map((r) => r['by']))).toEqual(new Set(['Una Reith']));
    const first = record.joints[0]!;
    expect(of.find((r) => r['kind'] === 'pull')).toMatchObject({
      what: first.title,
      place: `${first.stages[0]!.pulls[0]!.bolt}, ${first.stages[0]!.name.toLowerCase()}`,
      unit: 'N·m',
      verdict: 'within',
    });
  });

  test('words with commas, quotes and line ends come back as they were', () => {
    const title = 'Flange, "long"\nsecond line';
    const [joint] = record.joints;
    const of = rows({ ...record, joints: [{ ...joint!, title }] });
    expect(of.find((r) => r['kind'] === 'pull')!['what']).toBe(title);
  });

  test('no name that came from elsewhere is a live cell, and figures below nothing stay figures', () => {
    const [joint] = record.joints;
    const pull = {
      ...joint!.stages[0]!.pulls[0]!,
      torque: { value: -1.5, unit: 'N·m' },
      by: { ...person, name: '@SUM(A1:A9)' },
      instrument: { id: 'x', name: '=HYPERLINK("http://x")', simulated: true },
    };
    const title = '+cmd|calc';
    const of = rows({ ...record, joints: [{ ...joint!, title, setAside: [pull] }] });
    const row = of.find((r) => r['place']!.endsWith('set aside'))!;
    expect([row['what'], row['instrument'], row['by'], row['value']]).toEqual([
      "'+cmd|calc",
      `'=HYPERLINK("http://x")`,
      "'@SUM(A1:A9)",
      '-1.5',
    ]);
  });

  test('pulls that do not count are told as set aside', () => {
    const [joint] = record.joints;
    const pull = { ...joint!.stages[0]!.pulls[0]!, verdict: 'low' as const };
    const of = rows({ ...record, joints: [{ ...joint!, setAside: [pull] }] });
    expect(of.filter((r) => r['place']!.endsWith('set aside'))).toEqual([
      expect.objectContaining({ verdict: 'low', place: `${pull.bolt}, set aside` }),
    ]);
  });
});

describe('the record in plain words', () => {
  test('says what was set, how many joints were tightened and what is new', () => {
    const plain = plainRecord(record);
    expect(plain.title).toBe(`${bench.sheet.title}, serial 20417`);
    expect(plain.done[0]).toMatch(/^End float set to 0\.0\d+\smm$/);
    expect(plain.done).toContain(`${record.joints.length} joints tightened to their figures, every fastener recorded`);
    const [joint] = record.joints;
    expect(plainRecord({ ...record, joints: [joint!] }).done).toContain(
      '1 joint tightened to its figures, every fastener recorded',
    );
    expect(plain.renewed.length).toBeGreaterThan(0);
  });

  test('a part that is used again is no finding; others say what became of them, and why', () => {
    const note = (part: string, finding: 'renew' | 'watch' | 'reuse', reason: string): object => ({
      [part]: { op: 'o', part, finding, reason, advised: null, ...stamp },
    });
    const [a, b, c] = Object.keys(bench.sheet.parts) as [string, string, string];
    const plain = plainRecord(
      recordWith(() => ({
        findingNotes: { ...note(a, 'renew', 'It is blue'), ...note(b, 'watch', ''), ...note(c, 'reuse', 'good') },
      })),
    );
    const title = (id: string): string => bench.sheet.parts[id]!.title;
    expect(plain.found).toEqual([`${title(a)}: renewed. It is blue`, `${title(b)}: left in, to be watched`]);
  });

  test('why it failed stands first, and what was put off says when to look again', () => {
    const plain = plainRecord({
      ...record,
      desk: {
        ...record.desk,
        causes: [{ ask: 'Why?', title: 'Water got in', evidence: ['rust'], ...stamp }],
        deferrals: [
          { title: 'Seal', words: 'weeps a little', again: 'after 200 hours', ...stamp },
          { title: 'Paint', words: 'is thin', ...stamp },
        ],
      },
    });
    expect(plain.found[0]).toBe('Why it failed: water got in');
    expect(plain.left.slice(0, 2)).toEqual(['Seal: weeps a little, look again after 200 hours', 'Paint: is thin']);
  });
});

describe('what the record says of the strip', () => {
  test('each step has its stamp, and it is the log that says so', () => {
    expect(record.rungs.every((r) => r.at !== undefined)).toBe(true);
    expect(record.booked).toMatchObject({ seq: 1, by: person });
    expect(record.promise).toBe('2026-11-26T14:00:00.000Z');
  });

  test('a count that was short when the job was taken up again is named; what agreed is not', () => {
    const [part, other] = Object.keys(bench.sheet.parts) as [string, string];
    const { strip } = recordWith(() => ({
      resumed: [
        {
          to: 'bench A',
          reason: 'one rolled away',
          counts: [
            { part, expected: 4, found: 3 },
            { part: other, expected: 1, found: 1 },
          ],
          ...stamp,
        },
      ],
    }));
    expect(strip.parked).toEqual([
      {
        to: 'bench A',
        reason: 'one rolled away',
        differences: [`${bench.sheet.parts[part]!.title}: 3 of 4`],
        ...stamp,
      },
    ]);
  });

  test('figures that are nobody’s page are listed with whose they are', () => {
    const [joint] = Object.values(bench.sheet.joints);
    const sheet = {
      ...bench.sheet,
      joints: { ...bench.sheet.joints, [joint!.id]: { ...joint!, from: { kind: 'hearsay' as const, words: 'Tam' } } },
    };
    const weak = buildRecord(sheet, bench.state).strip.weakFigures;
    expect(weak).toContainEqual(expect.objectContaining({ what: joint!.title, whose: 'hearsay' }));
    const said = buildRecord(sheet, {
      ...bench.state,
      units: { [joint!.id]: { unit: 'N·m', reason: 'the card of its sister', ...stamp } },
    }).strip.weakFigures;
    expect(said.find((f) => f.what === joint!.title)!.whose).toMatch(/gave no unit: N·m, the card of its sister/);
  });
});

describe('what the record says of the desk', () => {
  test('a finding that differs from what was advised is told with its reason; one that agrees is not', () => {
    const [a, b] = Object.keys(bench.sheet.parts) as [string, string];
    const { differs } = recordWith(() => ({
      findingNotes: {
        [a]: { op: 'o', part: a, finding: 'reuse', reason: 'polished out', advised: 'renew', ...stamp },
        [b]: { op: 'o', part: b, finding: 'renew', reason: '', advised: 'renew', ...stamp },
      },
    })).desk;
    expect(differs).toEqual([
      { title: bench.sheet.parts[a]!.title, finding: 'reuse', advised: 'renew', reason: 'polished out' },
    ]);
  });

  test('comebacks say how many whole days the unit was away', () => {
    const { cameFrom } = recordWith((s) => ({
      booked: {
        ...s.booked!,
        cameFrom: { job: 'j0', number: 290, head: 'abc', handedOver: '2026-11-20T09:00:00.000Z' },
      },
    }));
    // Booked on the 24th at eight: three days and 23 hours.
    expect(cameFrom).toEqual({ job: 'j0', number: 290, head: 'abc', days: 3 });
  });
});
