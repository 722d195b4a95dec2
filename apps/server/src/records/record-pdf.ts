import { absentParts, badLine, fold, jobSheet, plainRecord, renewedParts, type JobRecord } from '@jubb/core/bench';
import { fingerprint, type JobExport } from '@jubb/core/bench/verify';
import { formatBand, formatQuantity } from '@jubb/core/quantities';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import QRCode from 'qrcode';
import { currentSheet } from '@jubb/core/sheet';
import { PDF_FONT } from '../pdf/pdf.ts';
import { figures, markedUnit } from '../pdf/unit-svg.ts';
import { trendSvg, type TrendPoint } from './trend.ts';

const RULE = '#cdc7b8';
const QUIET = '#4a5358';
const day = (at: string): string => at.slice(0, 10);
const heading = (text: string): Content => ({ text, bold: true, fontSize: 12, margin: [0, 10, 0, 2] });
const list = (title: string, lines: readonly string[]): Content[] =>
  lines.length === 0 ? [] : [heading(title), { ul: [...lines] }];
const table = (
  head: readonly string[],
  rows: readonly (readonly string[])[],
  widths: (string | number)[],
): Content => ({
  layout: 'lightHorizontalLines',
  margin: [0, 2, 0, 4],
  table: {
    headerRows: 1,
    widths,
    body: [
      head.map((t) => ({ text: t, bold: true, fontSize: 9 })),
      ...rows.map((r) => r.map((t) => ({ text: t, fontSize: 9 }))),
    ],
  },
});

/** What the figures of a unit did over its visits, for the customer's page. */
export interface RecordTrend {
  readonly title: string;
  readonly unit: string;
  readonly points: readonly TrendPoint[];
}

/** The as-built record as a document: for the customer in plain words, or for the workshop with all its workings. */
export async function recordPdf(
  file: JobExport,
  depth: 'customer' | 'workshop',
  unitUrl: string,
  trends: readonly RecordTrend[],
): Promise<TDocumentDefinitions> {
  const r = file.record;
  const pinned = currentSheet(file.sheet);
  const state = fold(file.job, file.events);
  const signature = file.signatures.at(-1);
  const head = file.events.at(-1)!;
  const code = await QRCode.toString(unitUrl, { type: 'svg', margin: 0 });
  const signed: Content[] = [
    heading('Signed'),
    {
      text: r.signed
        ? `${r.signed.by.name}, ${day(r.signed.at)}${r.proving?.checked ? `; looked over by ${r.proving.checked.by.name}, ${day(r.proving.checked.at)}` : ''}${r.handedOver ? `. Handed over to ${r.handedOver.to}, ${day(r.handedOver.at)}` : ''}.`
        : 'Not signed off.',
    },
    {
      text: `Head of the log, event ${head.seq}: ${head.hash}${signature ? `\nFingerprint of the key: ${fingerprint(signature.publicKey)}` : ''}`,
      fontSize: 8,
      color: QUIET,
      margin: [0, 3, 0, 0],
    },
  ];
  return {
    pageSize: 'A4',
    pageMargins: [48, 44, 48, 52],
    defaultStyle: { font: PDF_FONT, fontSize: 10.5, lineHeight: 1.15 },
    info: { title: `Record of job ${r.number}`, author: file.workshop },
    footer: (page, pages) => ({
      text: `${file.workshop} · job ${r.number} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: QUIET,
    }),
    content: [
      {
        columns: [
          [
            { text: `${r.unit.title}, serial ${r.unit.serial}`, bold: true, fontSize: 16 },
            { text: `${file.workshop} · job ${r.number} · ${r.customer}`, margin: [0, 2, 0, 0] },
            {
              text: `${r.unit.model}${r.unit.variant ? `, ${r.unit.variant}` : ''} · sheet ${r.sheet.id}, revision ${r.sheet.revision}`,
              color: QUIET,
              fontSize: 9,
            },
            {
              text: `What was said: ${r.complaint}.${r.scope ? ` What it was about: ${r.scope.title}.` : ''} Booked ${day(r.booked.at)}.${r.cameFrom ? ` It came back from job ${r.cameFrom.number}, ${r.cameFrom.days} days after it left.` : ''}`,
              margin: [0, 4, 0, 4],
            },
          ],
          {
            width: 74,
            stack: [
              { svg: code, width: 64 },
              { text: 'its history', fontSize: 7, color: QUIET },
            ],
          },
        ],
      },
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 499, y2: 0, lineWidth: 1, lineColor: RULE }] },
      ...(depth === 'customer' ? customer(r, trends) : workshop(r)),
      ...figures(
        'What is new, marked',
        markedUnit(jobSheet(pinned, state), {
          renewed: renewedParts(pinned, state),
          absent: absentParts(pinned, state),
        }),
      ),
      ...signed,
    ],
  };
}

function customer(r: JobRecord, trends: readonly RecordTrend[]): Content[] {
  const p = plainRecord(r);
  return [
    ...(p.proved.length === 0
      ? []
      : [
          heading('Before and after'),
          ...p.proved.map((x): Content => ({
            text: [{ text: `${x.title}: `, bold: true }, x.words, x.good ? '' : ' (outside what is accepted)'],
          })),
        ]),
    ...(trends.length === 0
      ? []
      : [
          heading('Over its visits'),
          {
            columns: trends.slice(0, 2).map((t): Content => ({ svg: trendSvg(t.title, t.unit, t.points), width: 240 })),
            columnGap: 12,
          },
        ]),
    ...list('What we found', p.found),
    ...list('What we did', p.done),
    ...(p.renewed.length === 0 ? [] : [heading('New parts'), { text: `${p.renewed.join('; ')}.` }]),
    ...list('Left as it is', p.left),
    ...list('Running in', p.runIn),
    ...list('Look again', p.next),
  ];
}

function workshop(r: JobRecord): Content[] {
  return [
    heading('As found and now'),
    table(
      ['What', 'Accepted', 'As found', 'Now', 'Verdict'],
      r.comparisons.map((c) => [
        c.title,
        formatBand(c.accept),
        c.asFound ? formatQuantity(c.asFound.value) : '–',
        c.now ? formatQuantity(c.now.value) : '–',
        c.now?.verdict ?? '',
      ]),
      ['*', 90, 70, 70, 60],
    ),
    ...(r.proving?.tests ?? []).flatMap((t): Content[] =>
      t.checks.length === 0
        ? []
        : [
            {
              text: `${t.title}, ${t.moment === 'now' ? 'now' : 'as found'}: ${t.checks.map((c) => `${c.name}${c.value ? ` ${formatQuantity(c.value, 2)}` : ''}, ${c.verdict}${c.says ? ` (${c.says})` : ''}`).join('; ')}`,
              fontSize: 9,
            },
          ],
    ),
    ...list(
      'Went back',
      (r.proving?.ledBack ?? []).map(
        (l) => `${l.test} failed: back to ${l.suspect}, ${day(l.at)}. ${l.why.join('. ')}`,
      ),
    ),
    ...list('Not repaired', r.truth?.end ? [`${r.truth.end.title}: ${r.truth.end.reason}`] : []),
    ...list('Bad, and what became of it', (r.truth?.bad ?? []).map(badLine)),
    ...list(
      'Where the new parts came from',
      (r.truth?.sources ?? []).map((s) => `${s.title}: ${s.from}`),
    ),
    ...list(
      'Put right',
      (r.truth?.corrections ?? []).map(
        (c) => `${c.title}: ${c.now}, where event ${c.of} says ${c.before}. ${c.reason}. ${c.by.name}, ${day(c.at)}`,
      ),
    ),
    heading('Measured'),
    table(
      ['What', 'Readings'],
      r.measures.map((m) => [
        m.title,
        m.readings.map((x) => `${x.where ?? ''} ${formatQuantity(x.value)}`.trim()).join(', '),
      ]),
      [150, '*'],
    ),
    heading('Judged'),
    table(
      ['Part', 'Finding', 'Why'],
      r.findings.map((f) => [f.title, f.finding, f.reason]),
      [150, 60, '*'],
    ),
    ...list(
      'Ways chosen',
      r.methods.map((m) => `${m.ask} ${m.choice}. ${m.why}`),
    ),
    ...list(
      'Renewed',
      r.renewed.map((p) => `${p.count} × ${p.title}${p.order ? `, ${p.order}` : ''}`),
    ),
    ...r.settings.flatMap((s): Content[] => [
      heading(`${s.title}, ${formatBand(s.band)}`),
      table(
        ['Try', 'Pack or move', 'Readings', 'Mean', 'Verdict'],
        s.rounds.map((x, i) => [
          String(i + 1),
          x.pieces.length > 0
            ? x.pieces.map((p) => formatQuantity(p, 2)).join(' + ')
            : (x.moved ?? (x.pack ? formatQuantity(x.pack, 2) : '')),
          x.readings.map((v) => formatQuantity(v.value, 3)).join(', '),
          x.mean ? formatQuantity(x.mean, 3) : '',
          x.verdict ?? '',
        ]),
        [24, '*', 150, 60, 60],
      ),
      {
        text: s.working
          .filter((l) => l.formula)
          .map((l) => `${l.name}: ${l.formula} = ${typeof l.value === 'string' ? l.value : formatQuantity(l.value, 3)}`)
          .join('; '),
        fontSize: 8,
        color: QUIET,
      },
    ]),
    heading('Tightened'),
    ...r.joints.map((j): Content => ({
      margin: [0, 2, 0, 2],
      fontSize: 9,
      stack: [
        { text: `${j.title}, ${j.thread}${j.propertyClass ? `, class ${j.propertyClass}` : ''}`, bold: true },
        ...j.stages.map((st) => ({
          text: `${st.name}, ${formatBand(st.window)}: ${st.pulls.map((p) => `${p.bolt}: ${p.window.low.unit === 'deg' ? `${p.turnedDeg ?? '?'}°` : formatQuantity(p.torque, 1)}`).join('  ')}`,
        })),
        ...j.setAside.map((p) => ({
          text: `Set aside, fastener ${p.bolt}: ${formatQuantity(p.torque, 1)}, ${p.verdict}`,
          color: QUIET,
        })),
      ],
    })),
    ...list(
      'Aids',
      r.aids.map(
        (a) => `${a.title}, ${a.where}: in ${day(a.fitted.at)}, ${a.removed ? `out ${day(a.removed.at)}` : 'STILL IN'}`,
      ),
    ),
    ...list(
      'Left as it is',
      r.desk.deferrals.map((d) => `${d.title}: ${d.words}`),
    ),
    heading('Steps'),
    {
      text: r.rungs
        .map(
          (s) => `${s.side} ${s.title}${s.at ? ` ${s.at.slice(0, 16).replace('T', ' ')} ${s.by?.initials ?? ''}` : ''}`,
        )
        .join('; '),
      fontSize: 8,
    },
  ];
}
