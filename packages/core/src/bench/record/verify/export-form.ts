import type { Sheet } from '../../../sheet/index.ts';
import type { LoggedEvent } from '../../log/events.ts';
import type { JobRecord } from '../record.ts';
import { SIGNATURE_FIELDS, type HeadSignature } from './signature.ts';

export const forms = [
  'job-record/1',
  'job-record/2',
  'job-record/3',
  'job-record/4',
  'job-record/5',
  'job-record/6',
  'job-record/7',
] as const;

/** What a job is exported as. */
export interface JobExport {
  /**
   * Form 1 had no `strip` in its record, form 2 no `desk`, form 3 no `proving`, form 5 no `truth`, form 6 no `fluids`; up to form 4 signatures held neither the
   * workshop's name nor their own time. Each is read and verified as it was.
   */
  readonly jubb: (typeof forms)[number];
  readonly job: string;
  readonly workshop: string;
  readonly sheet: Sheet;
  readonly events: readonly LoggedEvent[];
  readonly signatures: readonly HeadSignature[];
  readonly record: JobRecord;
}

type Loose = Readonly<Record<string, unknown>>;
const isObject = (v: unknown): v is Loose => typeof v === 'object' && v !== null && !Array.isArray(v);
const isText = (v: unknown, most: number, least = 1): boolean =>
  typeof v === 'string' && v.length >= least && v.length <= most;
const isCount = (v: unknown): boolean => Number.isInteger(v) && (v as number) >= 1 && (v as number) <= 2_147_483_647;
const isHex = (v: unknown, digits: number): boolean =>
  typeof v === 'string' && v.length === digits && /^[0-9a-f]+$/.test(v);

const FIELDS: readonly string[] = ['jubb', 'job', 'workshop', 'sheet', 'events', 'signatures', 'record'];
const EVENT_TEXTS = ['id', 'type', 'at', 'device', 'command'] as const;

/** What of a file is not as an export is, in words; undefined when it has the form of one. No field is taken that it has not. */
export function formProblem(file: unknown): string | undefined {
  if (!isObject(file)) return 'it is no object';
  const other = Object.keys(file).find((k) => !FIELDS.includes(k));
  if (other !== undefined) return `"${other.slice(0, 40)}" does not belong to it`;
  if (!forms.some((form) => form === file['jubb'])) return `its form is none that is known (${forms.join(', ')})`;
  if (!isText(file['job'], 60)) return 'job: an id is due';
  if (!isText(file['workshop'], 120)) return 'workshop: a name of at most 120 letters is due';
  if (!isObject(file['sheet'])) return 'sheet: a build sheet is due';
  if (!Array.isArray(file['events']) || !file['events'].every(isEvent))
    return 'events: each has its fields, and a hash';
  if (!Array.isArray(file['signatures']) || !file['signatures'].every(isSignature))
    return 'signatures: each has seq, head, signature, publicKey and at, in hex, and nothing else';
  return recordProblem(file['record']);
}

function isEvent(e: unknown): boolean {
  return (
    isObject(e) &&
    isHex(e['hash'], 64) &&
    Number.isInteger(e['seq']) &&
    isObject(e['payload']) &&
    isObject(e['who']) &&
    EVENT_TEXTS.every((k) => isText(e[k], 200, 0))
  );
}

function isSignature(s: unknown): boolean {
  return (
    isObject(s) &&
    Object.keys(s).every((k) => SIGNATURE_FIELDS.includes(k)) &&
    isCount(s['seq']) &&
    isHex(s['head'], 64) &&
    isHex(s['signature'], 128) &&
    isHex(s['publicKey'], 64) &&
    isText(s['at'], 40) &&
    (!('workshop' in s) || isText(s['workshop'], 120))
  );
}

/** What a list of records shows of one. */
function recordProblem(record: unknown): string | undefined {
  if (!isObject(record)) return 'record: a record is due';
  const { unit } = record;
  if (!isCount(record['number'])) return 'record.number: a whole number is due';
  if (!isObject(unit)) return 'record.unit: a unit is due';
  if (!isText(unit['serial'], 60)) return 'record.unit.serial: a text of at most 60 letters is due';
  if (!isText(unit['model'], 200)) return 'record.unit.model: a text of at most 200 letters is due';
  if (!isText(unit['title'], 200)) return 'record.unit.title: a text of at most 200 letters is due';
  return undefined;
}
