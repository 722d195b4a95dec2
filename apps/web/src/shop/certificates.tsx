import type { CertificateView, InstrumentView } from '@jubb/contract';
import { format } from 'date-fns';
import Form from 'react-bootstrap/Form';
import { sendForm } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';
import { Wrong } from '../fields/wrong.tsx';

/** Certificates of an instrument, the newest first; another is added where it is changed. */
export function Certificates({
  instrument,
  all,
  change,
}: {
  readonly instrument: InstrumentView;
  readonly all: readonly CertificateView[];
  readonly change: boolean;
}): React.JSX.Element {
  const { write, wrong, busy } = useWrite(
    (file: File) => {
      const form = new FormData();
      form.set('certificate', file);
      return sendForm(`shop/instruments/${instrument.id}/certificates`, form);
    },
    { stale: [['instruments'], ['shop']] },
  );
  const id = `certificate-${instrument.id}`;
  return (
    <div className="certificates">
      {all.length === 0 && !change && <span className="quiet">no certificate</span>}
      {all.map((c) => (
        <a key={c.id} href={`/api/certificates/${c.id}`} target="_blank" rel="noreferrer" className="certificate">
          {c.name} <small>({format(new Date(c.at), 'd MMM yyyy')})</small>
        </a>
      ))}
      {change && (
        <div>
          <Form.Label htmlFor={id}>Add its certificate: a PDF or a picture</Form.Label>
          <Form.Control
            id={id}
            type="file"
            accept="application/pdf,image/*"
            disabled={busy}
            onChange={(e) => {
              const [file] = (e.target as HTMLInputElement).files ?? [];
              if (file) write(file);
            }}
          />
          <Wrong says={wrong} />
        </div>
      )}
    </div>
  );
}
