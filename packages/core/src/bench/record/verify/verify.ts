import { canonicalJson, checkChain, sha256Hex } from '../../log/chain.ts';
import { fold } from '../../log/evolve.ts';
import { buildRecord } from '../record.ts';
import { formProblem, forms, type JobExport } from './export-form.ts';
import { fingerprint, signatureFits } from './signature.ts';

export type { JobExport } from './export-form.ts';

export interface Check {
  readonly what: 'form' | 'chain' | 'sheet' | 'record' | 'signature' | 'workshop' | 'key';
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
export function verifyExport(given: unknown, knownKeys: readonly string[]): Verification {
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

  const problem = formProblem(given);
  if (problem !== undefined) {
    say('form', false, `This is not a record exported from Jubb: ${problem}`);
    return result();
  }
  const file = given as JobExport;
  const chain = checkChain(file.job, file.events);
  if (!chain.whole) {
    say('chain', false, `The chain breaks at event ${chain.firstBad}: ${chain.why}`);
    return result({ firstBadEvent: chain.firstBad });
  }
  say('chain', true, `The chain of ${file.events.length} events is whole`);

  const booked = file.events.find((e) => e.type === 'job-booked');
  // A log of somebody else's making may say anything: it is looked at, not trusted.
  const pinned = booked?.payload as { readonly sheet?: { readonly hash?: unknown } } | undefined;
  const sheetHash = typeof pinned?.sheet?.hash === 'string' ? pinned.sheet.hash : undefined;
  say(
    'sheet',
    sheetHash === sha256Hex(canonicalJson(file.sheet)),
    sheetHash === undefined ? 'No booking is in the log' : 'The build sheet is held against the one pinned at booking',
  );

  say('record', recordAgrees(file), 'The record is held against what the log folds to');

  const last = file.signatures.at(-1);
  if (!last) {
    say('signature', false, 'It is not signed: the job is not signed off');
    return result({ head: chain.head });
  }
  const wrong = wrongSignature(file);
  const after = file.events.length - last.seq;
  say(
    'signature',
    wrong === undefined && after === 0,
    wrong ?? (after === 0 ? `The head is signed, event ${last.seq}` : `${after} events follow the last signature`),
  );
  say(
    'workshop',
    last.workshop === undefined || last.workshop === file.workshop,
    last.workshop === undefined
      ? 'The name of the workshop is not signed in a record of this age: it is what the file says'
      : last.workshop === file.workshop
        ? 'The name of the workshop is signed'
        : 'The name of the workshop is another than the one that is signed',
  );
  const known = file.signatures.every((s) => knownKeys.includes(s.publicKey));
  say('key', known, known ? 'Signed by this workshop' : 'Signed with a key you have not met');
  return result({ head: chain.head, fingerprint: fingerprint(last.publicKey), known });
}

/** What is wrong with the signatures, of which each must fit; undefined when nothing is. */
function wrongSignature({ job, events, signatures }: JobExport): string | undefined {
  let before = 0;
  for (const s of signatures) {
    const event = events[s.seq - 1];
    if (s.seq <= before) return 'The signatures are not in order';
    if (event?.hash !== s.head) return `A signature is of something else than event ${s.seq}`;
    if (!signatureFits(job, s)) return `The signature of event ${s.seq} does not fit`;
    // An older signature does not hold its time, but the event that it signs does.
    if (s.workshop === undefined && s.at !== event.at) return `The time of the signature of event ${s.seq} was changed`;
    before = s.seq;
  }
  return undefined;
}

function recordAgrees(file: JobExport): boolean {
  try {
    const { strip, desk, proving, truth, fluids, ...one } = buildRecord(file.sheet, fold(file.job, file.events));
    const form = forms.indexOf(file.jubb) + 1;
    const said = {
      ...one,
      ...(form >= 2 ? { strip } : {}),
      ...(form >= 3 ? { desk } : {}),
      ...(form >= 4 ? { proving } : {}),
      ...(form >= 6 ? { truth } : {}),
      ...(form >= 7 && fluids ? { fluids } : {}),
    };
    return canonicalJson(said) === canonicalJson(file.record);
  } catch {
    // A sheet or log that no longer folds cannot agree with anything; the check says so.
    return false;
  }
}
