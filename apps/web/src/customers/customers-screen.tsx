import type { CustomersRead, MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import './customers.scss';

/** Whose units these are: all of them, found by typing; read from a file and written to one. */
export default function CustomersScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const customers = useQuery({ ...queries.allCustomers(), refetchOnMount: 'always' });
  const [typed, setTyped] = useState('');
  if (!customers.data)
    return (
      <main className="empty">{customers.isError ? customers.error.message : 'Asking whose units these are …'}</main>
    );
  const asked = typed.trim().toLowerCase();
  const shown = customers.data.filter((c) => [c.name, c.phone, c.email].some((w) => w.toLowerCase().includes(asked)));
  return (
    <main className="page customerspage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <h1>Customers</h1>
        {me.person.role !== 'mechanic' && (
          <Link to="/invoices" className="btn-line ms-auto">
            Invoices
          </Link>
        )}
        <Form.Control
          className="filter"
          aria-label="Filter the customers"
          placeholder="Name, telephone, mail"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </div>
      {shown.length === 0 && (
        <p className="mt-3">
          {customers.data.length === 0 ? 'Nobody yet. Whoever is booked in stands here.' : 'No customer holds that.'}
        </p>
      )}
      <ul className="customerlist" aria-label="Customers">
        {shown.map((c) => (
          <li key={c.id}>
            <Link to={`/customers/${c.id}`}>
              <b>{c.name}</b>
              <span>{[c.phone, c.email].filter((w) => w !== '').join(', ')}</span>
              <small>
                {c.units === 1 ? 'one unit' : `${c.units} units`}, {c.jobs === 1 ? 'one job' : `${c.jobs} jobs`}
              </small>
            </Link>
          </li>
        ))}
      </ul>
      {me.person.role !== 'mechanic' && <AsAFile />}
    </main>
  );
}

/** Customers of a file: what it would do is looked at before it is done. */
function AsAFile(): React.JSX.Element {
  const [csv, setCsv] = useState<string>();
  const { write, wrong, answer, busy, reset } = useWrite(
    (what: { readonly csv: string; readonly take: boolean }) => api<CustomersRead>('customers/import', what),
    { stale: [['customers']] },
  );
  const of = (what: string): number => answer?.lines.filter((l) => l.what === what).length ?? 0;
  const open = async (file: File | undefined): Promise<void> => {
    reset();
    if (!file) return;
    const text = await file.text();
    setCsv(text);
    write({ csv: text, take: false });
  };
  return (
    <section aria-label="Customers as a file">
      <h2>As a file</h2>
      <p className="m-0">
        CSV with the columns name, phone, email, address, notes.{' '}
        <a href="/api/customers/all.csv">Write all of them to one</a>
      </p>
      <Form.Label htmlFor="customers-file">Read a file</Form.Label>
      <Form.Control
        id="customers-file"
        type="file"
        accept=".csv,text/csv"
        onChange={(e) => void open((e.target as HTMLInputElement).files?.[0])}
      />
      {wrong !== undefined && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {answer && (
        <div role="status">
          <p className="m-0">
            <b>
              {of('new')} new, {of('changed')} changed, {of('same')} as they are
              {of('wrong') > 0 && `, ${of('wrong')} that are not taken`}
            </b>
            {answer.taken && '. They are in the shop now.'}
          </p>
          <ul>
            {answer.lines.map((l) =>
              l.what === 'wrong' ? (
                <li key={l.line}>
                  Line {l.line}: {l.why}
                </li>
              ) : null,
            )}
          </ul>
          {!answer.taken && csv !== undefined && of('new') + of('changed') > 0 && (
            <Button variant="ink" disabled={busy} onClick={() => write({ csv, take: true })}>
              Take {of('new') + of('changed')} in
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
