import { writeCsv } from '../../csv/write-csv.ts';
import type { JobRecord } from './record.ts';
import type { Reading } from '../log/state.ts';

/** What a row says of a reading or pull. */
export const recordColumns = ['kind', 'what', 'place', 'value', 'unit', 'verdict', 'instrument', 'at', 'by'] as const;
type Row = readonly (string | number)[];

const reading = (kind: string, what: string, r: Reading): Row => [
  kind,
  what,
  r.where ?? r.moment,
  r.value.value,
  r.value.unit,
  r.result?.verdict ?? '',
  r.instrument?.name ?? 'by hand',
  r.at,
  r.by.name,
];

/** Readings and pulls of a record, one a row, in {@link recordColumns}. */
export function recordRows(record: JobRecord): readonly Row[] {
  return [
    ...record.comparisons.flatMap((c): Row[] => [
      ...(c.asFound ? [reading('as found', c.title, c.asFound)] : []),
      ...(c.now
        ? [['now', c.title, '', c.now.value.value, c.now.value.unit, c.now.verdict, '', c.now.at, c.now.by.name]]
        : []),
    ]),
    ...record.measures.flatMap((m) => m.readings.map((r) => reading('measured', m.title, r))),
    ...record.settings.flatMap((s) => s.rounds.flatMap((r) => r.readings.map((x) => reading('setting', s.title, x)))),
    ...record.joints.flatMap((j) =>
      [
        ...j.stages.flatMap((st) => st.pulls.map((p) => [st.name, p] as const)),
        ...j.setAside.map((p) => ['set aside', p] as const),
      ].map(([stage, p]): Row => [
        'pull',
        j.title,
        `${p.bolt}, ${stage.toLowerCase()}`,
        p.torque.value,
        p.torque.unit,
        p.verdict,
        p.instrument?.name ?? 'by hand',
        p.at,
        p.by.name,
      ]),
    ),
  ];
}

/** Readings and pulls of a record as CSV (RFC 4180), one a row; UTF-8, header first. */
export const recordCsv = (record: JobRecord): string => writeCsv(recordColumns, recordRows(record));
