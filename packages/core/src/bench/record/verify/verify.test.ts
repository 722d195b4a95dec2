import { describe, expect, test } from '@jest/globals';
import { createHash, generateKeyPairSync, sign } from 'node:crypto';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { currentSheet } from '../../../sheet/index.ts';
import { booked } from '../../bench.fixtures.ts';
import {
  buildRecord,
  canonicalJson,
  chain,
  checkChain,
  firstHash,
  fold,
  sha256Hex,
  stageOf,
  type JobEvent,
} from '../../index.ts';
import { fingerprint, signedText, recordSchema, verifyExport, type JobExport } from './index.ts';

const keys = generateKeyPairSync('ed25519');
const publicKey = keys.publicKey.export({ type: 'spki', format: 'der' }).subarray(-32).toString('hex');

function exported(): JobExport {
  const bench = booked();
  bench.run((c) => c.type === 'hand-over');
  const events = chain(firstHash('j1'), bench.events);
  const head = events.at(-1)!;
  // Signed by Node's own implementation; verified by another.
  const signed = { seq: head.seq, head: head.hash, at: head.at, workshop: 'Skerrow Rebuilds' };
  const signature = sign(null, Buffer.from(signedText('j1', signed)), keys.privateKey).toString('hex');
  return JSON.parse(
    JSON.stringify({
      jubb: 'job-record/7',
      job: 'j1',
      workshop: 'Skerrow Rebuilds',
      sheet: bench.sheet,
      events,
      signatures: [{ ...signed, signature, publicKey }],
      record: buildRecord(bench.sheet, bench.state),
    }),
  ) as JobExport;
}
const file = exported();
type Mutable<T> = T extends object ? { -readonly [K in keyof T]: Mutable<T[K]> } : T;
const altered = (change: (f: Mutable<JobExport>) => void): unknown => {
  const copy = structuredClone(file) as never;
  change(copy);
  return copy;
};

describe('chain', () => {
  test('RFC 8785 example of key order and numbers, and sha256 as Node has it', () => {
    // RFC 8785 section 3.2.2/3.2.3.
    expect(
      canonicalJson({
        numbers: [333333333.3333333, 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
        literals: [null, true, false],
      }),
    ).toBe('{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27]}');
    expect(sha256Hex('ftµ·lbf')).toBe(createHash('sha256').update('ftµ·lbf', 'utf8').digest('hex'));
  });

  test('any change to any event is found at that event', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: file.events.length - 1 }),
        fc.constantFrom('at', 'device', 'payload', 'drop', 'swap'),
        (i, what) => {
          const events = structuredClone(file.events) as unknown as Record<string, unknown>[];
          if (what === 'drop') events.splice(i, 1);
          else if (what === 'swap') {
            if (i + 1 >= events.length) return;
            [events[i], events[i + 1]] = [events[i + 1]!, events[i]!];
          } else if (what === 'payload')
            events[i] = { ...events[i], payload: { ...(events[i]!['payload'] as object), extra: 1 } };
          else events[i] = { ...events[i], [what]: 'changed' };
          const result = checkChain('j1', events as never);
          if (what === 'drop' && i === file.events.length - 1) expect(result.whole).toBe(true);
          else expect(result).toMatchObject({ whole: false, firstBad: i + 1 });
        },
      ),
    );
  });
});

describe('a record of form 1, exported by the first release', () => {
  const kept = JSON.parse(readFileSync(join(__dirname, '../../old-forms/job-record-1.json'), 'utf8')) as JobExport;
  const alteredKept = (change: (f: Mutable<JobExport>) => void): unknown => {
    const copy = structuredClone(kept) as never;
    change(copy);
    return copy;
  };
  test('is whole and signed still, and folds to a job that is handed over', () => {
    const known = kept.signatures[0]!.publicKey;
    expect(verifyExport(kept, [known])).toMatchObject({ good: true, known: true });
    const state = fold(kept.job, kept.events);
    expect(stageOf(currentSheet(kept.sheet), state)).toBe('handed-over');
    expect(buildRecord(kept.sheet, state).strip.leads).toEqual([]);
  });
  test('a change in it is found as before', () => {
    const touched = alteredKept((f) => void (f.record.joints[0]!.stages[0]!.pulls[0]!.torque.value += 1));
    expect(verifyExport(touched, []).checks.find((c) => c.what === 'record')?.good).toBe(false);
    // Dressed up as form 2 it lacks what form 2 must have.
    const dressed = alteredKept((f) => void (f.jubb = 'job-record/2'));
    expect(verifyExport(dressed, []).checks.find((c) => c.what === 'record')?.good).toBe(false);
  });
});

describe('records of older forms', () => {
  test.each([
    ['job-record/2', ['desk', 'proving'], true],
    ['job-record/3', ['proving'], true],
    ['job-record/3', ['desk', 'proving'], false],
    ['job-record/4', ['proving'], false],
    ['job-record/4', [], true],
  ] as const)('%s without %s verifies: %s', (jubb, gone, good) => {
    const older = altered((f) => {
      f.jubb = jubb;
      const record = f.record as Partial<Record<string, unknown>>;
      for (const key of [...gone, 'truth', 'fluids']) delete record[key];
    });
    expect(verifyExport(older, [publicKey]).good).toBe(good);
  });
  test.each([
    ['job-record/6', true],
    ['job-record/7', false],
  ] as const)('%s without its ledger of fluids verifies: %s', (jubb, good) => {
    const older = altered((f) => {
      f.jubb = jubb;
      delete (f.record as Partial<Record<string, unknown>>)['fluids'];
    });
    expect(verifyExport(older, [publicKey]).good).toBe(good);
  });
});

describe('verifying an export', () => {
  test('whole and signed by a key that is known, and by one that is not', () => {
    expect(verifyExport(file, [publicKey])).toMatchObject({
      good: true,
      known: true,
      head: file.events.at(-1)!.hash,
      fingerprint: fingerprint(publicKey),
    });
    expect(verifyExport(file, [])).toMatchObject({ good: true, known: false });
    expect(fingerprint(publicKey)).toMatch(/^([0-9a-f]{4} ){3}[0-9a-f]{4}$/);
  });

  test.each<[string, unknown, string]>([
    [
      'an event changed by hand',
      altered((f) => {
        f.events[5]!.at = '2020-01-01T00:00:00.000Z';
      }),
      'chain',
    ],
    [
      'an event dropped at the end, signature left',
      altered((f) => {
        f.events = f.events.slice(0, -1);
        f.record = { ...f.record, signed: undefined };
      }),
      'signature',
    ],
    [
      'a figure of the record changed',
      altered((f) => {
        f.record.comparisons[0]!.now!.value.value = 0.01;
      }),
      'record',
    ],
    [
      'another sheet put in',
      altered((f) => {
        f.sheet = { ...f.sheet, title: 'Other' };
      }),
      'sheet',
    ],
    [
      'a signature of nothing',
      altered((f) => {
        f.signatures = [{ ...f.signatures[0]!, signature: '00'.repeat(64) }];
      }),
      'signature',
    ],
    [
      'a key that is no key',
      altered((f) => {
        f.signatures = [{ ...f.signatures[0]!, publicKey: 'ff'.repeat(32) }];
      }),
      'signature',
    ],
    ['not an export', { hello: 1 }, 'form'],
    ['nothing', null, 'form'],
    ['events that are no events', { ...file, events: [null] }, 'form'],
  ])('%s', (_, bad, what) => {
    const result = verifyExport(bad, [publicKey]);
    expect(result.good).toBe(false);
    expect(result.checks.filter((c) => !c.good).map((c) => c.what)).toContain(what);
  });

  test.each<[string, (f: Mutable<JobExport>) => void, string]>([
    ['the name of the workshop', (f) => void (f.workshop = 'Another Bench'), 'workshop'],
    ['the time of the signature', (f) => void (f.signatures[0]!.at = '2020-01-01T00:00:00.000Z'), 'signature'],
    ['the name under the signature', (f) => void (f.signatures[0]!.workshop = 'Another Bench'), 'signature'],
    ['the name taken out of the signature', (f) => void delete f.signatures[0]!.workshop, 'signature'],
    ['a bogus signature before it', (f) => void f.signatures.unshift({ ...f.signatures[0]!, seq: 1 }), 'signature'],
    ['the signature twice', (f) => void f.signatures.push({ ...f.signatures[0]! }), 'signature'],
    [
      'a signature of an event that there is not',
      (f) => void f.signatures.push({ ...f.signatures[0]!, seq: 999 }),
      'signature',
    ],
    ['a field added to the file', (f) => void ((f as unknown as Record<string, unknown>)['note'] = 'x'), 'form'],
    [
      'a field added to a signature',
      (f) => void ((f.signatures[0] as unknown as Record<string, unknown>)['by'] = 'x'),
      'form',
    ],
    ['a field added to the record', (f) => void ((f.record as unknown as Record<string, unknown>)['x'] = 1), 'record'],
    ['a field added to an event', (f) => void ((f.events[3] as unknown as Record<string, unknown>)['x'] = 1), 'chain'],
    ['no name of a workshop', (f) => void delete (f as Partial<typeof f>).workshop, 'form'],
    ['a name of three million letters', (f) => void (f.workshop = 'x'.repeat(3_000_000)), 'form'],
    ['a number that is a word', (f) => void ((f.record as { number: unknown }).number = 'abc'), 'form'],
    ['no serial', (f) => void ((f.record.unit as { serial: unknown }).serial = null), 'form'],
    ['a key that is not hex', (f) => void (f.signatures[0]!.publicKey = 'not a key at all'), 'form'],
    ['a booking without its sheet', (f) => void delete (f.events[0]!.payload as { sheet?: unknown }).sheet, 'chain'],
  ])('changed: %s', (_, change, what) => {
    const result = verifyExport(altered(change), [publicKey]);
    expect(result.checks.filter((c) => !c.good && c.what !== 'key').map((c) => c.what)).toContain(what);
    expect(result.good).toBe(false);
  });

  test('a signature of another workshop beside ours makes it one that you have not met', () => {
    const theirs = generateKeyPairSync('ed25519');
    const theirKey = theirs.publicKey.export({ type: 'spki', format: 'der' }).subarray(-32).toString('hex');
    const first = file.events[0]!;
    const own = { seq: 1, head: first.hash, at: first.at, workshop: 'Elsewhere' };
    const signature = sign(null, Buffer.from(signedText('j1', own)), theirs.privateKey).toString('hex');
    const both = altered((f) => void f.signatures.unshift({ ...own, signature, publicKey: theirKey }));
    expect(verifyExport(both, [publicKey])).toMatchObject({ good: true, known: false });
  });

  test('a record of an older form says that its workshop is not signed', () => {
    const kept = JSON.parse(readFileSync(join(__dirname, '../../old-forms/job-record-1.json'), 'utf8')) as JobExport;
    const says = (f: JobExport): string => verifyExport(f, []).checks.find((c) => c.what === 'workshop')!.says;
    expect(says(kept)).toContain('not signed');
    expect(says(file)).toBe('The name of the workshop is signed');
    const late = { ...kept, signatures: kept.signatures.map((s) => ({ ...s, at: '2031-01-01T00:00:00.000Z' })) };
    expect(verifyExport(late, []).good).toBe(false);
  });

  test('whatever letter of the file is changed, it is found', () => {
    const text = JSON.stringify(file);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: text.length - 1 }),
        fc.constantFrom('0', '7', 'a', 'x', ' ', '"'),
        (i, letter) => {
          const changed = text.slice(0, i) + letter + text.slice(i + 1);
          let read: unknown;
          try {
            read = JSON.parse(changed);
          } catch {
            // It is no file any more, and nobody takes it for one.
            return;
          }
          if (canonicalJson(read) === canonicalJson(file)) return;
          expect(verifyExport(read, [publicKey]).good).toBe(false);
        },
      ),
      { numRuns: 400 },
    );
  });

  test('whatever it is given, it does not throw', () => {
    fc.assert(
      fc.property(
        fc.jsonValue(),
        fc.constantFrom('events', 'signatures', 'record', 'sheet', 'job', 'workshop'),
        (value, key) => {
          expect(
            verifyExport(
              altered((f) => void ((f as unknown as Record<string, unknown>)[key] = value)),
              [],
            ).good,
          ).toBe(false);
        },
      ),
    );
  });

  test('names the first bad event', () => {
    const bad = altered((f) => {
      f.events[7]!.device = 'elsewhere';
    });
    expect(verifyExport(bad, [publicKey])).toMatchObject({
      firstBadEvent: 8,
      checks: [{ says: expect.stringContaining('event 8') }],
    });
  });

  test('events after the signature are not covered by it', () => {
    const more: JobEvent = {
      ...(({ hash: _, ...e }) => e)(file.events.at(-1)!),
      type: 'moved',
      payload: { to: 'B' },
      seq: file.events.length + 1,
      id: 'z.1',
    };
    const bad = { ...file, events: [...file.events, ...chain(file.events.at(-1)!.hash, [more])] };
    expect(verifyExport(bad, [publicKey]).good).toBe(false);
  });
});

describe('the published schema of a record', () => {
  const published = JSON.parse(readFileSync(join(process.cwd(), 'library/job-record.schema.json'), 'utf8')) as object;
  // A validator from the registry.
  const validate = new Ajv2020({ strict: false }).compile(published);
  test('is the one in the code, and an export keeps to it', () => {
    expect(published).toEqual(JSON.parse(JSON.stringify(recordSchema)));
    expect([validate(file), validate.errors]).toEqual([true, null]);
  });
  test.each<[string, (f: Mutable<JobExport>) => void]>([
    ['a hash that is none', (f) => void (f.events[0]!.hash = 'no hash')],
    ['a record without its joints', (f) => void delete (f.record as Partial<typeof f.record>).joints],
    ['another form', (f) => void ((f as { jubb: string }).jubb = 'job-record/9')],
  ])('%s does not', (_, change) => {
    expect(validate(altered(change))).toBe(false);
  });
});
