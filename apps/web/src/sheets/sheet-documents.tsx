import type { DocumentView } from '@jubb/contract';
import type { FigureSource, Sheet } from '@jubb/core/sheet';
import Form from 'react-bootstrap/Form';
import { sendForm } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';

/** The makers' documents that a sheet's figures name: attached as a PDF or a picture, or still to be attached. */
export function SheetDocuments({
  sheet,
  documents,
  mayAttach,
}: {
  readonly sheet: Sheet;
  readonly documents: readonly DocumentView[];
  readonly mayAttach: boolean;
}): React.JSX.Element {
  const { write, wrong: failed } = useWrite(
    ({ name, file }: { readonly name: string; readonly file: File }) => {
      const form = new FormData();
      form.set('name', name);
      form.set('document', file, file.name.replace(/^.*[/\\]/, ''));
      return sendForm(`sheets/${sheet.id}/documents`, form);
    },
    { stale: [['documents', sheet.id]], noLine: 'It could not be sent' },
  );
  const named = namedDocuments(sheet);
  const attach = (name: string, file: File | undefined): void => {
    if (file) write({ name, file });
  };
  return (
    <div>
      {named.length === 0 && <p>The figures name no document.</p>}
      {named.map((name) => {
        const there = documents.find((d) => d.name.toLowerCase() === name.toLowerCase());
        return (
          <div key={name} className="d-flex gap-3 align-items-center py-1">
            {there ? (
              <a href={`/api/documents/${there.id}`} target="_blank" rel="noreferrer">
                {name}
              </a>
            ) : (
              <span>
                {name} <small>not attached</small>
              </span>
            )}
            {mayAttach && (
              <Form.Control
                type="file"
                className="noprint"
                style={{ maxWidth: 340 }}
                accept="application/pdf,image/*"
                aria-label={`${there ? 'Replace' : 'Attach'} ${name}`}
                onChange={(e) => attach(name, (e.target as HTMLInputElement).files?.[0])}
              />
            )}
          </div>
        );
      })}
      {failed && (
        <p className="field-error" role="alert">
          {failed}
        </p>
      )}
    </div>
  );
}

/** Names of the documents that the figures point to, each once. */
function namedDocuments(sheet: Sheet): readonly string[] {
  const sources: (FigureSource | undefined)[] = [
    sheet.from,
    ...[sheet.joints, sheet.settings, sheet.measures, sheet.tests, sheet.fluids].flatMap((map) =>
      Object.values<{ readonly from?: FigureSource }>(map).map((entry) => entry.from),
    ),
  ];
  return [...new Set(sources.flatMap((s) => (s?.kind === 'maker' ? [s.document] : [])))].sort();
}
