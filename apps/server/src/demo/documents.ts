import type { INestApplicationContext } from '@nestjs/common';
import { PDF_FONT, pdf } from '../pdf/pdf.ts';
import { DocumentsService } from '../sheets/documents.service.ts';

/** Invented pages of an invented maker: what a scanned manual would be. */
const PAGES: Readonly<Record<number, readonly string[]>> = {
  3: ['Tools', 'Bearing driver 64', 'Thin ring spanner 8', 'Slide hammer with internal claw'],
  12: [
    'Tightening',
    'Cover bolts M8, class 8.8: 22 N·m ± 2 N·m, in two stages, crosswise',
    'Pin lock bolt M8, class 10.9, new: 30 N·m ± 3 N·m, medium threadlocker',
    'Caliper bolts M10, class 8.8: 40 N·m ± 3 N·m',
    'Shaft end float at the clips: 0.10 mm to 0.60 mm',
  ],
  14: ['Oil', 'GL-5 80W-90, 1.9 l, to the edge of the filler after a rest'],
};
const COUNT = 16;

/** Attaches a made-up manual to one sheet, so that a figure opens at its page. */
export async function attachDocuments(app: INestApplicationContext): Promise<void> {
  const bytes = await pdf({
    defaultStyle: { font: PDF_FONT, fontSize: 13 },
    info: { title: 'Ollerby axle book' },
    content: Array.from({ length: COUNT }, (_, i) => {
      const lines = PAGES[i + 1] ?? ['This page is left for notes.'];
      return {
        stack: [
          {
            text: `Ollerby axle book, page ${i + 1}`,
            bold: true,
            fontSize: 20,
            margin: [0, 0, 0, 16] as [number, number, number, number],
          },
          ...lines.map((text) => ({ text, margin: [0, 4, 0, 4] as [number, number, number, number] })),
        ],
        ...(i > 0 ? { pageBreak: 'before' as const } : {}),
      };
    }),
  });
  await app.get(DocumentsService).attach('axle-clip', 'Ollerby axle book', bytes, 'Una Reith');
}
