import { nextMove, trays, jobSheet, type BenchState } from '@jubb/core/bench';
import type { Sheet } from '@jubb/core/sheet';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import QRCode from 'qrcode';
import { PDF_FONT } from '../pdf/pdf.ts';

/** One label: what lies in a tray, and the way back to the job at its rung. */
export interface Label {
  readonly tray: string;
  readonly number: number;
  readonly unit: string;
  readonly customer: string;
  readonly rung: string;
  readonly lines: readonly string[];
  readonly url: string;
}

/** A label for each tray that holds something of a job; one for the unit itself, first. */
export function labelsOf(pinned: Sheet, state: BenchState, base: string, only?: string): readonly Label[] {
  const sheet = jobSheet(pinned, state);
  const booked = state.booked;
  if (!booked) return [];
  const move = nextMove(sheet, state);
  const step = move.kind === 'op' ? move.step : undefined;
  const common = {
    number: booked.number,
    unit: `${sheet.title.split(',')[0]}, ${booked.unit.serial}`,
    customer: booked.customer.name,
    rung: step ? step.title : 'All steps done',
    url: `${base}/job/${state.job}${step ? `?at=${encodeURIComponent(step.id)}` : ''}`,
  };
  const unit: Label = { ...common, tray: 'Unit', lines: [state.place ?? 'no place yet', booked.complaint] };
  const all = trays(sheet, state).map((t): Label => ({
    ...common,
    tray: t.tray,
    lines: t.parts.map((p) => `${p.uncounted ? '?' : p.count} × ${p.title}`),
  }));
  return [unit, ...all].filter((l) => only === undefined || l.tray === only);
}

const W = 340;
const H = 190;
/** Lines of contents that fit on one label. */
const LINES = 5;
const escaped = (text: string): string =>
  text.replace(/[<>&"']/g, (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;', "'": '&apos;' })[c]!);
const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

function shownLines(label: Label): readonly string[] {
  return label.lines.length <= LINES
    ? label.lines
    : [...label.lines.slice(0, LINES - 1), `and ${label.lines.length - LINES + 1} more`];
}

/** All labels of a job as one SVG, one under the other. */
export async function labelsSvg(labels: readonly Label[]): Promise<string> {
  const one = async (l: Label, i: number): Promise<string> => {
    const y = i * (H + 10);
    const code = await QRCode.toString(l.url, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
    const size = /viewBox="0 0 (\d+)/.exec(code)?.[1] ?? '33';
    const path = /<path stroke[^>]*>/.exec(code)?.[0] ?? '';
    const text = (at: number, words: string, font: number, bold = false): string =>
      `<text x="16" y="${y + at}" font-size="${font}"${bold ? ' font-weight="700"' : ''}>${escaped(words)}</text>`;
    return [
      `<rect x="2" y="${y + 2}" width="${W - 4}" height="${H - 4}" fill="#fff" stroke="#1d2326" stroke-width="2"/>`,
      text(38, l.tray, 28, true),
      text(58, `Job ${l.number} · ${cut(l.unit, 24)}`, 12),
      text(74, cut(l.customer, 30), 12),
      text(92, `At: ${cut(l.rung, 26)}`, 12, true),
      ...shownLines(l).map((line, j) => text(112 + j * 15, cut(line, 32), 12)),
      `<svg x="${W - 126}" y="${y + 16}" width="110" height="110" viewBox="0 0 ${size} ${size}" shape-rendering="crispEdges">${path}</svg>`,
    ].join('');
  };
  const body = (await Promise.all(labels.map(one))).join('');
  const height = labels.length * (H + 10);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${W}" height="${height}" viewBox="0 0 ${W} ${height}" font-family="sans-serif" fill="#1d2326">${body}</svg>`;
}

/** The same as pages of a PDF, two labels a row on A4. */
export async function labelsPdf(labels: readonly Label[]): Promise<TDocumentDefinitions> {
  const cells = await Promise.all(
    labels.map(async (l) => ({
      columns: [
        {
          width: '*',
          stack: [
            { text: l.tray, fontSize: 20, bold: true },
            { text: `Job ${l.number} · ${l.unit}`, fontSize: 9 },
            { text: l.customer, fontSize: 9 },
            {
              text: `At: ${l.rung}`,
              fontSize: 9,
              bold: true,
              margin: [0, 2, 0, 3] as [number, number, number, number],
            },
            ...shownLines(l).map((line) => ({ text: line, fontSize: 9 })),
          ],
        },
        { width: 84, svg: await QRCode.toString(l.url, { type: 'svg', margin: 0 }), fit: [84, 84] as [number, number] },
      ],
      columnGap: 6,
      margin: [4, 6, 4, 6] as [number, number, number, number],
    })),
  );
  const rows = Array.from({ length: Math.ceil(cells.length / 2) }, (_, i) => [
    cells[2 * i]!,
    cells[2 * i + 1] ?? { text: '' },
  ]);
  return {
    pageSize: 'A4',
    pageMargins: [28, 28, 28, 28],
    defaultStyle: { font: PDF_FONT },
    info: { title: `Labels of job ${labels[0]?.number ?? ''}` },
    content: [{ table: { widths: ['50%', '50%'], heights: 130, body: rows, dontBreakRows: true } }],
  };
}
