import type { Sheet } from '../../sheet/index.ts';
import { canonicalJson, checkChain, sha256Hex } from '../chain.ts';
import type { LoggedEvent } from '../events.ts';
import { fold } from '../evolve.ts';
import { buildRecord, type JobRecord } from '../record.ts';
import { fingerprint, signatureFits, type HeadSignature } from './signature.ts';

const forms = ['job-record/1', 'job-record/2', 'job-record/3', 'job-record/4'] as const;

/** What a job is exported as. */
export interface JobExport {
  /** Form 1 had no `strip` in its record, form 2 no `desk`, form 3 no `proving`; each is read and verified as it was. */
  readonly jubb: (typeof forms)[number];
  readonly job: string;
  readonly workshop: string;
  readonly sheet: Sheet;
  readonly events: readonly LoggedEvent[];
  readonly signatures: readonly HeadSignature[];
  readonly record: JobRecord;
}

export interface Check {
  readonly what: 'form' | 'chain' | 'sheet' | 'record' | 'signature' | 'key';
  readonly good: boolean;
  readonly says: string;
}
export interface Verification {
  /** Whole and signed: every check but the acquaintance with the key. */
  readonly good: boolean;
  readonly checks: readonly Check[];
  readonly firstBadEvent?: number;
  readonly head?: string;
  readonly fingerprint?: string;
  /** The key is one that the verifier knows as this workshop's. */
  readonly known: boolean;
}

/**
 * Verifies an exported job: the chain is whole; the sheet is the one pinned at booking; the record says what the log
 * says; the last event is signed. Apart from that: whether the key is one of `knownKeys` (hex). Never throws.
 */
export function verifyExport(file: unknown, knownKeys: readonly string[]): Verification {
  const checks: Check[] = [];
  const say = (what: Check['what'], good: boolean, says: string): boolean => {
    checks.push({ what, good, says });
    return good;
  };
  const result = (more: Partial<Verification> = {}): Verification => ({
    good: checks.filter((c) => c.what !== 'key').every((c) => c.good),
    checks,
    known: false,
    ...more,
  });

  if (!isExport(file)) {
    say('form', false, 'This is not a record exported from Jubb');
    return result();
  }
  const chain = checkChain(file.job, file.events);
  if (!chain.whole) {
    say('chain', false, `The chain breaks at event ${chain.firstBad}: ${chain.why}`);
    return result({ firstBadEvent: chain.firstBad });
  }
  say('chain', true, `The chain of ${file.events.length} events is whole`);

  const booked = file.events.find((e) => e.type === 'job-booked');
  const sheetHash = booked?.type === 'job-booked' ? booked.payload.sheet.hash : undefined;
  say(
    'sheet',
    sheetHash === sha256Hex(canonicalJson(file.sheet)),
    sheetHash === undefined ? 'No booking is in the log' : 'The build sheet is held against the one pinned at booking',
  );

  say('record', recordAgrees(file), 'The record is held against what the log folds to');

  const last = file.signatures.findLast((s) => file.events[s.seq - 1]?.hash === s.head);
  if (!last) {
    say('signature', false, 'No signature fits this chain: the job is not signed off');
    return result({ head: chain.head });
  }
  const after = file.events.length - last.seq;
  const fits = signatureFits(file.job, last);
  say(
    'signature',
    fits && after === 0,
    fits
      ? after === 0
        ? `The head is signed, event ${last.seq}`
        : `${after} events follow the last signature`
      : 'The signature does not fit the head',
  );
  const known = knownKeys.includes(last.publicKey);
  say('key', known, known ? 'Signed by this workshop' : 'Signed with a key you have not met');
  return result({ head: chain.head, fingerprint: fingerprint(last.publicKey), known });
}

function recordAgrees(file: JobExport): boolean {
  try {
    const { strip, desk, proving, ...one } = buildRecord(file.sheet, fold(file.job, file.events));
    const form = forms.indexOf(file.jubb) + 1;
    const said = {
      ...one,
      ...(form >= 2 ? { strip } : {}),
      ...(form >= 3 ? { desk } : {}),
      ...(form >= 4 ? { proving } : {}),
    };
    return canonicalJson(said) === canonicalJson(file.record);
  } catch {
    // A sheet or log that no longer folds cannot agree with anything; the check says so.
    return false;
  }
}

function isExport(file: unknown): file is JobExport {
  if (typeof file !== 'object' || file === null) return false;
  const f = file as Record<string, unknown>;
  return (
    forms.some((form) => form === f['jubb']) &&
    typeof f['job'] === 'string' &&
    Array.isArray(f['events']) &&
    f['events'].every((e) => typeof e === 'object' && e !== null && typeof (e as LoggedEvent).hash === 'string') &&
    Array.isArray(f['signatures']) &&
    f['signatures'].every(
      (s) =>
        typeof s === 'object' &&
        s !== null &&
        Number.isInteger((s as HeadSignature).seq) &&
        typeof (s as HeadSignature).signature === 'string' &&
        typeof (s as HeadSignature).publicKey === 'string',
    ) &&
    typeof f['sheet'] === 'object' &&
    typeof f['record'] === 'object'
  );
}
