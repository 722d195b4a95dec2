import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

export const PDF_FONT = 'Atkinson';
const files = join(
  dirname(
    createRequire(join(process.cwd(), 'package.json')).resolve('@fontsource/atkinson-hyperlegible-next/package.json'),
  ),
  'files',
);
const face = (weight: number, style: 'normal' | 'italic'): string =>
  join(files, `atkinson-hyperlegible-next-latin-${weight}-${style}.woff`);

pdfmake.addFonts({
  [PDF_FONT]: {
    normal: face(400, 'normal'),
    bold: face(700, 'normal'),
    italics: face(400, 'italic'),
    bolditalics: face(700, 'italic'),
  },
});
// A document of ours reads its fonts from disk and nothing from anywhere else.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(files));

/** Sets a document, with its fonts embedded. */
export async function pdf(document: TDocumentDefinitions): Promise<Buffer> {
  return pdfmake.createPdf(document).getBuffer();
}
