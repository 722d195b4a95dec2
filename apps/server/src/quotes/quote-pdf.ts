import type { QuoteState } from '@jubb/core/bench';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { PDF_FONT } from '../pdf/pdf.ts';
import { figures } from '../pdf/unit-svg.ts';

const RULE = '#cdc7b8';
const QUIET = '#4a5358';

/** What a quote says of its job. */
export interface QuotedJob {
  readonly number: number;
  readonly title: string;
  readonly complaint: string;
  /** How much of the unit it is about, where it is not all of it. */
  readonly scope?: string;
  readonly customer: string;
  readonly serial: string;
  /** The unit with what is worn marked, as SVG. */
  readonly drawings: readonly string[];
}

/** A quote as a page for the customer: what was found and the reading behind it, each way out with its lines and its sum. */
export function quotePdf(quote: QuoteState, job: QuotedJob, workshop: string): TDocumentDefinitions {
  const money = (minor: number): string => `${quote.currency} ${(minor / 100).toFixed(2)}`;
  const findings: Content[] = quote.findings.map((f) => ({
    margin: [0, 3, 0, 3],
    stack: [{ text: f.words }, ...f.readings.map((r) => ({ text: r, fontSize: 9, color: QUIET }))],
  }));
  const options: Content[] = quote.options.map((o) => ({
    unbreakable: true,
    margin: [0, 8, 0, 0],
    stack: [
      {
        columns: [
          { text: o.title + (o.id === quote.advised ? ' (advised)' : ''), bold: true, fontSize: 12, width: '*' },
          { text: money(o.totalMinor), bold: true, fontSize: 12, alignment: 'right', width: 90 },
        ],
      },
      {
        layout: 'noBorders',
        table: {
          widths: ['*', 60, 70, 80],
          body: [
            ...o.lines.map((l) => [
              { text: l.title, fontSize: 9 },
              { text: l.kind === 'hours' ? `${l.count} h` : `${l.count} ×`, fontSize: 9, alignment: 'right' as const },
              { text: money(l.eachMinor), fontSize: 9, alignment: 'right' as const },
              { text: money(l.sumMinor), fontSize: 9, alignment: 'right' as const },
            ]),
            [
              {
                text: `Net ${money(o.netMinor)}, ${quote.taxName} ${quote.taxPercent} % ${money(o.taxMinor)}`,
                fontSize: 9,
                color: QUIET,
                colSpan: 4,
              },
              '',
              '',
              '',
            ],
          ],
        },
      },
      {
        text: [
          o.id === 'leave'
            ? 'The fault stays. '
            : `About 1 in ${Math.max(1, Math.round(1 / Math.max(o.comebackRisk, 0.001)))} such jobs comes back. `,
          o.leadDays > 0 ? `Parts take about ${o.leadDays} working days.` : 'The parts are here.',
        ],
        fontSize: 9,
        color: QUIET,
      },
    ],
  }));
  return {
    pageSize: 'A4',
    pageMargins: [48, 48, 48, 56],
    defaultStyle: { font: PDF_FONT, fontSize: 10.5, lineHeight: 1.15 },
    info: { title: `Quote ${job.number}/${quote.version}` },
    footer: (page, pages) => ({
      text: `${workshop} · quote ${job.number}/${quote.version} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: QUIET,
    }),
    content: [
      { text: workshop, bold: true, fontSize: 16 },
      { text: `Quote ${job.number}/${quote.version}`, fontSize: 13, margin: [0, 2, 0, 8] },
      {
        text: `${job.customer}\n${job.title}, serial ${job.serial}\nWhat was said: ${job.complaint}${job.scope === undefined ? '' : `\nFor: ${job.scope}`}`,
      },
      { text: quote.at.slice(0, 10), color: QUIET, margin: [0, 2, 0, 6] },
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 499, y2: 0, lineWidth: 1, lineColor: RULE }] },
      { text: 'What we found', bold: true, fontSize: 12, margin: [0, 8, 0, 2] },
      ...(findings.length > 0 ? findings : [{ text: 'Nothing was found worn so far.' }]),
      ...figures('Where it is worn', job.drawings),
      { text: 'What can be done', bold: true, fontSize: 12, margin: [0, 10, 0, 0] },
      ...options,
      ...(quote.note ? [{ text: quote.note, margin: [0, 10, 0, 0] as [number, number, number, number] }] : []),
    ],
  };
}
