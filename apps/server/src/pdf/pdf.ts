import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

export const PDF_FONT = 'Atkinson';
// Found from this file, not from the folder that the server happens to be started in.
const files = join(
  dirname(createRequire(import.meta.url).resolve('@fontsource/atkinson-hyperlegible-next/package.json')),
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
