import type { MeView, PriceListView } from '@jubb/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { sendForm } from '../api/client.ts';
import { useWrite } from '../api/use-write.ts';
import { moneyWords } from '../money.ts';
import { SettingsForm } from '../shop/settings-form.tsx';

interface Fields {
  readonly supplier: string;
  readonly files: FileList | null;
}

/** Takes a supplier's price list in: first what it would change and which lines are wrong, then, on a press, it is done. */
export function PriceList({ known, me }: { readonly known: number; readonly me: MeView }): React.JSX.Element {
  const { currency } = me.workshop;
  const { register, handleSubmit, watch } = useForm<Fields>({ defaultValues: { supplier: '', files: null } });
  // Kept apart from the write: it stays in sight while it is being taken in.
  const [answer, setAnswer] = useState<PriceListView>();
  const client = useQueryClient();
  const list = useWrite(
    ({ files, supplier, apply }: Fields & { readonly apply: boolean }) => {
      const form = new FormData();
      form.append('file', files![0]!);
      const query = `supplier=${encodeURIComponent(supplier)}&apply=${apply ? 'yes' : 'no'}`;
      return sendForm<PriceListView>(`parts/price-list?${query}`, form);
    },
    {
      after: (seenNow, { apply }) => {
        setAnswer(seenNow);
        // Prices show in many places; a list that was only looked at changed none of them.
        if (apply) void client.invalidateQueries();
      },
      noLine: 'No line to the server: nothing was taken in.',
    },
  );
  const { wrong, busy } = list;
  const seen = wrong === undefined ? answer : undefined;
  const look = handleSubmit((fields) => list.write({ ...fields, apply: false }));
  const takeIn = handleSubmit((fields) => list.write({ ...fields, apply: true }));
  const price = (minor: number): string => moneyWords(minor, currency);
  return (
    <div className="pricelist">
      <p className="m-0">
        {known} numbers are known.{' '}
        <a href="/api/parts/price-list.csv" download>
          Save them as CSV
        </a>
      </p>
      <form noValidate onSubmit={(e) => void look(e)}>
        <div>
          <Form.Label htmlFor="supplier">Whose list</Form.Label>
          <Form.Control id="supplier" maxLength={80} {...register('supplier')} />
        </div>
        <div>
          <Form.Label htmlFor="list">CSV with number, title, price, superseded by</Form.Label>
          <Form.Control
            id="list"
            type="file"
            accept=".csv,text/csv"
            {...register('files', {
              onChange: () => {
                list.reset();
                setAnswer(undefined);
              },
            })}
          />
        </div>
        <Button type="submit" variant="ink" disabled={!watch('files')?.[0] || !watch('supplier').trim() || busy}>
          {busy ? 'Reading …' : 'See what it changes'}
        </Button>
      </form>
      {wrong && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {seen && (
        <>
          <p className="m-0" role="status">
            <b>
              {seen.applied ? 'Taken in' : 'It would change'}: {seen.added} new, {seen.changed} changed
            </b>
            , {seen.same} the same, {seen.wrong} {seen.wrong === 1 ? 'line' : 'lines'} wrong of {seen.lines}.
          </p>
          {!seen.applied && seen.added + seen.changed > 0 && (
            <Button variant="go" onClick={() => void takeIn()} disabled={busy}>
              <span>Take it in{seen.wrong > 0 ? ', without the wrong lines' : ''}</span>
            </Button>
          )}
          <div className="pricecols">
            <section>
              <h2>Wrong lines</h2>
              {seen.errors.slice(0, 50).map((e) => (
                <div key={`${e.line}-${e.field}-${e.given}`} className="row1">
                  <span>
                    {e.line > 0 ? `Line ${e.line}, ` : ''}
                    {e.field} <code>{e.given}</code>
                  </span>
                  <small>{e.says}</small>
                </div>
              ))}
              {seen.errors.length === 0 && <p>None.</p>}
            </section>
            <section>
              <h2>Changes</h2>
              {seen.sampleChanged.map((c) => (
                <div key={c.after.number} className="row1">
                  <span>
                    {c.after.number} {c.after.title}
                  </span>
                  <i>
                    {price(c.before.priceMinor)} → {price(c.after.priceMinor)}
                  </i>
                </div>
              ))}
              {seen.sampleAdded.map((i) => (
                <div key={i.number} className="row1">
                  <span>
                    {i.number} {i.title}
                  </span>
                  <i>new, {price(i.priceMinor)}</i>
                </div>
              ))}
            </section>
          </div>
        </>
      )}
      {me.person.role === 'owner' && <SettingsForm workshop={me.workshop} />}
    </div>
  );
}
