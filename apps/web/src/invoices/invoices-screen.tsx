import type { InvoiceRow, MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import { moneyExact } from '../money.ts';
import { StateWord } from './state-word.tsx';
import './invoices.scss';

/** Invoices for what was done: what is still to be paid first, all of them, and a file for the bookkeeper. */
export default function InvoicesScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const invoices = useQuery({ ...queries.invoices(), enabled: me.person.role !== 'mechanic' });
  const [all, setAll] = useState(false);
  if (me.person.role === 'mechanic')
    return <main className="empty">The owner and the parts desk look at invoices.</main>;
  if (!invoices.data)
    return <main className="empty">{invoices.isError ? invoices.error.message : 'Fetching the invoices …'}</main>;
  const open = invoices.data.filter((i) => i.openMinor !== 0);
  const shown = all ? invoices.data : open;
  return (
    <main className="page invoicespage">
      <div className="d-flex flex-wrap justify-content-between align-items-end gap-2">
        <h1>Invoices</h1>
        {me.person.role === 'owner' && (
          <Link to="/shop/money" className="btn-line">
            What stands on every one
          </Link>
        )}
      </div>
      <Sums open={open} />
      <div className="d-flex gap-2 mt-2" role="group" aria-label="Which invoices">
        {[false, true].map((which) => (
          <Button key={String(which)} variant="line" aria-pressed={all === which} onClick={() => setAll(which)}>
            {which ? `All, ${invoices.data.length}` : `Not settled, ${open.length}`}
          </Button>
        ))}
      </div>
      {shown.length === 0 && (
        <p className="mt-3">
          {invoices.data.length === 0
            ? 'No invoice was made out yet. One is made out from the record of a job that is signed.'
            : 'All that was made out is settled.'}
        </p>
      )}
      <ul className="invoicelist" aria-label="Invoices">
        {shown.map((i) => (
          <li key={i.id}>
            <Line invoice={i} />
          </li>
        ))}
      </ul>
      <ForTheBookkeeper />
    </main>
  );
}

function Sums({ open }: { readonly open: readonly InvoiceRow[] }): React.JSX.Element | null {
  const currency = open[0]?.currency;
  if (currency === undefined) return null;
  // A shop that changed its currency has both: they are not added up.
  const own = open.filter((i) => i.currency === currency);
  const late = own.filter((i) => i.state === 'overdue');
  const sum = (rows: readonly InvoiceRow[]): number => rows.reduce((s, i) => s + i.openMinor, 0);
  return (
    <p className="invoicesum">
      <b>{moneyExact(sum(own), currency)}</b> to be paid
      {late.length > 0 && (
        <>
          , of it <b className="late">{moneyExact(sum(late), currency)}</b> overdue
        </>
      )}
    </p>
  );
}

const day = (text: string): string => format(parseISO(text), 'd MMM yyyy');

function Line({ invoice: i }: { readonly invoice: InvoiceRow }): React.JSX.Element {
  return (
    <Link to={`/invoices/${i.id}`}>
      <b>{i.number}</b>
      <span>
        {i.customer}
        <small className="d-block">
          Job {i.job}, {day(i.day)}
          {i.kind === 'invoice' && i.openMinor > 0 && `; due ${day(i.due)}`}
        </small>
      </span>
      <StateWord state={i.state} />
      <span className="amount">
        {moneyExact(i.totalMinor, i.currency)}
        {i.openMinor !== 0 && i.openMinor !== i.totalMinor && (
          <small className="d-block">open {moneyExact(i.openMinor, i.currency)}</small>
        )}
      </span>
    </Link>
  );
}

function ForTheBookkeeper(): React.JSX.Element {
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  return (
    <section aria-label="For the bookkeeper">
      <h2>For the bookkeeper</h2>
      <div className="d-flex flex-wrap gap-3 align-items-end">
        {(
          [
            ['from', 'From', from, setFrom],
            ['to', 'To', to, setTo],
          ] as const
        ).map(([id, label, value, set]) => (
          <div key={id}>
            <Form.Label htmlFor={`book-${id}`}>{label}</Form.Label>
            <Form.Control id={`book-${id}`} type="date" value={value} onChange={(e) => set(e.target.value)} />
          </div>
        ))}
        <a
          className="btn-line d-inline-flex align-items-center"
          href={`/api/invoices/all.csv?from=${from}&to=${to}`}
          download
        >
          Write them to a file (CSV)
        </a>
      </div>
    </section>
  );
}
