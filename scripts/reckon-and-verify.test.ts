import { describe, expect, jest, test } from '@jest/globals';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jubbIn, lines, workFolder } from './jubb.fixtures.ts';

jest.setTimeout(240_000);
const work = workFolder('reckon');
const jubb = jubbIn(work);

describe('./jubb reckon', () => {
  test('one reckoning: JSON out, exit 0', () => {
    const ran = jubb([
      'reckon',
      'wrench-setting',
      '{"torque":"100 N·m","wrenchLength":"400 mm","extension":"50 mm","scaleUnit":"N·m","graduation":0.1}',
    ]);
    expect(ran.code).toBe(0);
    const answer = JSON.parse(ran.out) as { results: { setting: { value: number } }; working: unknown[] };
    expect(answer.results.setting.value).toBeCloseTo(88.9, 9);
    expect(answer.working.length).toBeGreaterThan(0);
  });
  test.each([
    [
      'a field of the wrong dimension',
      ['reckon', 'bolt-torque', '{"thread":"M8","propertyClass":"8.8","holeDiameter":"9 N·m"}'],
      'wrong-dimension',
      'holeDiameter',
    ],
    ['no such reckoner', ['reckon', 'bolt-tork', '{}'], 'unknown-reckoner', 'id'],
    ['not JSON', ['reckon', 'thread', '{designation'], 'not-json', ''],
  ])('%s: the error as JSON, exit 1', (_name, args, code, field) => {
    const ran = jubb(args);
    expect(ran.code).toBe(1);
    expect((JSON.parse(ran.out) as { error: object }).error).toMatchObject({ code, field });
  });
  test('--batch: one line out for each line in, in order, errors in their place', () => {
    const ran = jubb(['reckon', '--batch'], {
      input:
        '{"id":"thread","inputs":{"designation":"M10"}}\nnonsense\n\n{"id":"thread","inputs":{"designation":"M11.5"}}\n{"id":"nothing","inputs":{}}\n',
    });
    const out = lines(ran.out).map(
      (l) =>
        JSON.parse(l) as { id: string | null; results?: { stressArea: { value: number } }; error?: { code: string } },
    );
    expect(ran.code).toBe(0);
    expect(out.map((o) => o.id)).toEqual(['thread', null, 'thread', 'nothing']);
    expect(out[0]!.results!.stressArea.value).toBeCloseTo(58, 1);
    expect(out.slice(1).map((o) => o.error!.code)).toEqual(['not-json', 'unknown-thread', 'unknown-reckoner']);
  });
  test('--list: every reckoner with its fields', () => {
    const list = JSON.parse(jubb(['reckon', '--list']).out) as { id: string; inputs: object }[];
    expect(list.find((r) => r.id === 'shim-stack')!.inputs).toHaveProperty('drawer');
  });
});

describe('./jubb verify', () => {
  test('no file, a file that is not there, a file that is not JSON, an empty export: each its own line', () => {
    expect(jubb(['verify']).code).toBe(2);
    expect(jubb(['verify', 'nothing.json']).err).toMatch(/nothing\.json cannot be read/);
    writeFileSync(join(work, 'broken.json'), '{"jubb":');
    expect(jubb(['verify', 'broken.json']).code).toBe(1);
    writeFileSync(join(work, 'empty.json'), '{}');
    const empty = jubb(['verify', 'empty.json']);
    expect([empty.code, empty.out]).toEqual([1, expect.stringContaining('BAD')]);
  });
});
