import { forms } from './export-form.ts';

/** JSON Schema (draft 2020-12) of an exported job. Published as library/job-record.schema.json. */
const text = { type: 'string' } as const;
const quantity = {
  type: 'object',
  properties: { value: { type: 'number' }, unit: text },
  required: ['value', 'unit'],
} as const;
const person = {
  type: 'object',
  properties: { id: text, name: text, initials: text },
  required: ['id', 'name', 'initials'],
} as const;
const hex = (digits: number): object => ({ type: 'string', pattern: `^[0-9a-f]{${digits}}$` });
const listOf = (items: object): object => ({ type: 'array', items });
const stamped = (properties: object, required: readonly string[] = []): object => ({
  type: 'object',
  properties: { seq: { type: 'integer' }, at: text, by: person, ...properties },
  required: ['seq', 'at', 'by', ...required],
});

export const recordSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Jubb job record, form 7',
  type: 'object',
  required: ['jubb', 'job', 'workshop', 'sheet', 'events', 'signatures', 'record'],
  properties: {
    jubb: { enum: [...forms] },
    job: text,
    workshop: text,
    sheet: { type: 'object', required: ['id', 'revision', 'title', 'steps'] },
    events: listOf({
      type: 'object',
      required: ['job', 'seq', 'id', 'type', 'v', 'payload', 'who', 'at', 'device', 'command', 'hash'],
      properties: {
        seq: { type: 'integer', minimum: 1 },
        type: text,
        v: { type: 'integer', minimum: 1 },
        payload: { type: 'object' },
        who: person,
        at: { type: 'string', description: 'ISO 8601, UTC: by the server’s clock' },
        deviceAt: { type: 'string', description: 'what the device’s clock showed' },
        receivedAt: { type: 'string', description: 'when the server had it, where it was given without a line' },
        hash: { ...hex(64), description: 'sha256 of the hash before and the canonical JSON (RFC 8785) of the event' },
      },
    }),
    signatures: listOf({
      type: 'object',
      required: ['seq', 'head', 'signature', 'publicKey', 'at'],
      properties: {
        seq: { type: 'integer' },
        head: hex(64),
        signature: {
          ...hex(128),
          description:
            'Ed25519 over "jubb head of a bench " and the canonical JSON of at, head, job, seq and workshop; without workshop over "jubb head JOB SEQ HEAD"',
        },
        publicKey: hex(64),
        at: text,
        workshop: { type: 'string', description: 'absent before form 5' },
      },
    }),
    record: {
      type: 'object',
      required: [
        'number',
        'unit',
        'customer',
        'complaint',
        'sheet',
        'booked',
        'comparisons',
        'findings',
        'joints',
        'rungs',
      ],
      properties: {
        number: { type: 'integer' },
        unit: {
          type: 'object',
          required: ['serial', 'model', 'title'],
          properties: { serial: text, model: text, title: text, variant: text },
        },
        customer: text,
        complaint: text,
        booked: stamped({}),
        promisesMoved: listOf(stamped({ promise: text, says: text }, ['promise', 'says'])),
        scope: {
          type: 'object',
          required: ['title', 'widened'],
          properties: { title: text, widened: listOf(stamped({ to: text, says: text }, ['to', 'says'])) },
        },
        cameFrom: {
          type: 'object',
          required: ['job', 'number', 'head', 'days'],
          properties: { job: text, number: { type: 'integer' }, head: hex(64), days: { type: 'integer' } },
        },
        comparisons: listOf({ type: 'object', required: ['title', 'accept'], properties: { title: text } }),
        findings: listOf(
          stamped(
            { part: text, title: text, finding: { enum: ['reuse', 'dress', 'renew', 'watch', 'scrap'] }, reason: text },
            ['part', 'finding'],
          ),
        ),
        fluids: listOf({
          type: 'object',
          required: ['fluid', 'title', 'grade', 'says', 'entries'],
          properties: {
            fluid: text,
            title: text,
            grade: text,
            says: text,
            entries: listOf(stamped({ way: { enum: ['out', 'in', 'used'] }, what: text }, ['way', 'what'])),
          },
        }),
        joints: listOf({ type: 'object', required: ['title', 'thread', 'stages', 'setAside'] }),
        truth: {
          type: 'object',
          required: ['bad', 'sources', 'corrections'],
          properties: {
            bad: listOf({
              type: 'object',
              required: ['key', 'title', 'says', 'moment', 'op', 'read'],
              properties: {
                key: text,
                title: text,
                says: text,
                moment: { enum: ['as-found', 'now'] },
                settled: {
                  type: 'object',
                  required: ['how', 'words'],
                  properties: { how: { enum: ['cured', 'accepted', 'came-so'] }, words: text, by: stamped({}) },
                },
              },
            }),
            end: stamped({ how: text, title: text, reason: text, agreedBy: text }, ['how', 'reason']),
            sources: listOf({
              type: 'object',
              required: ['part', 'title', 'from'],
              properties: { part: text, title: text, from: text, own: { const: true } },
            }),
            corrections: listOf(
              stamped({ what: text, of: { type: 'integer' }, title: text, before: text, now: text, reason: text }, [
                'of',
                'before',
                'now',
                'reason',
              ]),
            ),
          },
        },
        proving: {
          type: 'object',
          required: ['tests', 'ledBack', 'runIn', 'lookAgain'],
          properties: {
            tests: listOf(
              stamped(
                {
                  title: text,
                  moment: { enum: ['as-found', 'now'] },
                  value: quantity,
                  verdict: text,
                  says: listOf(text),
                },
                ['title', 'value', 'verdict'],
              ),
            ),
            runIn: listOf(text),
            lookAgain: listOf(text),
          },
        },
      },
    },
  },
} as const;
