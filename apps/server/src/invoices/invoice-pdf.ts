import type { InvoiceView } from '@jubb/contract';
import { format, parseISO } from 'date-fns';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { PDF_FONT } from '../pdf/pdf.ts';

const RULE = '#cdc7b8';
const QUIET = '#4a5358';
const day = (text: string): string => format(parseISO(text), 'd MMMM yyyy');

/** An invoice, or a credit, as a page for the customer and the bookkeeper. */
export function invoicePdf(i: InvoiceView): TDocumentDefinitions {
  const money = (minor: number): string => `${minor < 0 ? '−' : ''}${i.currency} ${(Math.abs(minor) / 100).toFixed(2)}`;
  const word = i.kind === 'credit' ? 'Credit note' : 'Invoice';
  const right = (text: string, more: object = {}): Content => ({ text, alignment: 'right', ...more });
  const sums: readonly (readonly [string, number, boolean])[] = [
    ['Net', i.netMinor, false],
    [`${i.taxName} ${i.taxPercent} %`, i.taxMinor, false],
    ['Total', i.totalMinor, true],
  ];
  return {
    pageSize: 'A4',
    pageMargins: [48, 48, 48, 56],
    defaultStyle: { font: PDF_FONT, fontSize: 10.5, lineHeight: 1.15 },
    info: { title: `${word} ${i.number}` },
    footer: (page, pages) => ({
      text: `${i.shop.name} · ${word.toLowerCase()} ${i.number} · page ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: QUIET,
    }),
    content: [
      {
        columns: [
          {
            width: '*',
            stack: [
              { text: i.shop.name, bold: true, fontSize: 16 },
              { text: i.shop.address, color: QUIET },
            ],
          },
          {
            width: 190,
            alignment: 'right',
            stack: [
              { text: `${word} ${i.number}`, fontSize: 16, bold: true },
              { text: `Day: ${day(i.day)}` },
              ...(i.kind === 'invoice' ? [{ text: `To be paid by: ${day(i.due)}` }] : []),
              ...(i.of ? [{ text: `For invoice ${i.of.number}` }] : []),
              ...(i.shop.taxNumber === '' ? [] : [{ text: `${i.taxName} no. ${i.shop.taxNumber}` }]),
            ],
          },
        ],
      },
      { text: [i.customer, i.address].filter((t) => t !== '').join('\n'), margin: [0, 24, 0, 16] },
      { text: `Job ${i.job}: ${i.title}, serial ${i.serial}`, bold: true },
      ...(i.note === '' ? [] : [{ text: i.note, margin: [0, 4, 0, 0] as [number, number, number, number] }]),
      {
        margin: [0, 12, 0, 0],
        layout: {
          hLineColor: RULE,
          vLineWidth: () => 0,
          hLineWidth: (row) => (row <= 1 ? 1 : 0.5),
          paddingLeft: (column) => (column === 0 ? 0 : 6),
          paddingRight: () => 0,
        },
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: ['*', 60, 80, 90],
          body: [
            ['', right('How many'), right('Each'), right('Sum')].map((c) =>
              typeof c === 'string' ? c : { ...(c as object), color: QUIET },
            ) as Content[],
            ...i.lines.map((l): Content[] => [
              { text: l.title },
              right(l.kind === 'hours' ? `${l.count} h` : String(l.count)),
              right(money(l.eachMinor)),
              right(money(l.sumMinor)),
            ]),
          ],
        },
      },
      {
        margin: [0, 10, 0, 0],
        layout: { defaultBorder: false, paddingLeft: () => 6, paddingRight: () => 0 },
        table: {
          widths: ['*', 110, 90],
          body: sums.map(([says, minor, bold]): Content[] => [
            '',
            right(says, { bold }),
            right(money(minor), { bold }),
          ]),
        },
      },
      ...(i.kind === 'invoice' && i.shop.payWords !== ''
        ? [{ text: i.shop.payWords, margin: [0, 24, 0, 0] as [number, number, number, number] }]
        : []),
    ],
  };
}
