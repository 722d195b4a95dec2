import type { KeptView, MeView, ShopOrderView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { typedNumber } from '../fields/typed-number.ts';
import { Wrong } from '../fields/wrong.tsx';
import { moneyExact } from '../money.ts';

const STALE = [['parts'], ['shop']];
const keyOf = (k: KeptView): string => k.number ?? `${k.drawer} ${k.thicknessNm}`;
const whichOf = (k: KeptView): object =>
  k.number === null ? { drawer: k.drawer, thicknessNm: k.thicknessNm } : { number: k.number };

/** What the shop keeps in: below its level it stands on the list to order; on order; and the level of everything. */
export function KeepIn({ me }: { readonly me: MeView }): React.JSX.Element {
  const stores = useQuery(queries.stores());
  const [open, setOpen] = useState<string>();
  if (!stores.data)
    return <p className="empty">{stores.isError ? stores.error.message : 'Looking into the drawers …'}</p>;
  const { kept, orders } = stores.data;
  const wanted = kept.filter((k) => k.wanted > 0);
  const may = me.person.role !== 'mechanic';
  return (
    <>
      <section className="orders">
        <h2>
          Below its level <span className="many">{wanted.length}</span>
        </h2>
        {wanted.length === 0 && <p>All that has a level is at it, or on order.</p>}
        {wanted.map((k) => (
          <Wanted key={keyOf(k)} kept={k} may={may} currency={me.workshop.currency} />
        ))}
      </section>
      <section className="orders">
        <h2>
          On order for the shop <span className="many">{orders.length}</span>
        </h2>
        {orders.length === 0 && <p>Nothing.</p>}
        {orders.map((o) => (
          <OnOrder key={o.id} order={o} may={may} currency={me.workshop.currency} />
        ))}
      </section>
      <section className="orders">
        <h2>Levels</h2>
        {kept.length === 0 && <p>Nothing is kept in yet: count a drawer first.</p>}
        <ul className="plain">
          {kept.map((k) => (
            <li key={keyOf(k)} className="keptline">
              <span>
                <b>{k.title}</b>
                <small className="d-block">{k.number ?? 'a drawer of sizes'}</small>
              </span>
              <span>{k.count === 1 ? 'one piece' : `${k.count} pieces`}</span>
              <span className={k.least === null ? 'quiet' : ''}>
                {k.least === null ? 'no level' : `order below ${k.least}${k.upTo === null ? '' : `, up to ${k.upTo}`}`}
              </span>
              {may && (
                <Button
                  variant="line"
                  aria-expanded={open === keyOf(k)}
                  aria-label={`Level of ${k.title}`}
                  onClick={() => setOpen(open === keyOf(k) ? undefined : keyOf(k))}
                >
                  {open === keyOf(k) ? 'Close' : 'Level'}
                </Button>
              )}
              {open === keyOf(k) && <LevelForm kept={k} done={() => setOpen(undefined)} />}
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}

const pieces = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text));

function LevelForm({ kept, done }: { readonly kept: KeptView; readonly done: () => void }): React.JSX.Element {
  const { register, handleSubmit } = useForm({
    defaultValues: { least: String(kept.least ?? ''), upTo: String(kept.upTo ?? '') },
  });
  const { written, wrong, busy } = useWrite(
    ({ least, upTo }: { readonly least: string; readonly upTo: string }) =>
      api('stores/levels', { ...whichOf(kept), least: pieces(least), upTo: pieces(upTo) }, 'PUT'),
    { stale: STALE },
  );
  const save = handleSubmit(async (level) => {
    if (await written(level)) done();
  });
  return (
    <form className="levelform" noValidate aria-label={`Level of ${kept.title}`} onSubmit={(e) => void save(e)}>
      <div>
        <Form.Label htmlFor="level-least">Order below</Form.Label>
        <Form.Control id="level-least" inputMode="numeric" placeholder="no level" {...register('least')} />
      </div>
      <div>
        <Form.Label htmlFor="level-upto">Up to</Form.Label>
        <Form.Control id="level-upto" inputMode="numeric" {...register('upTo')} />
      </div>
      <Button type="submit" variant="ink" disabled={busy}>
        Keep
      </Button>
      <Wrong says={wrong} />
    </form>
  );
}

interface OrderFields {
  readonly count: string;
  readonly supplier: string;
  readonly price: string;
}

function Wanted({
  kept: k,
  may,
  currency,
}: {
  readonly kept: KeptView;
  readonly may: boolean;
  readonly currency: string;
}): React.JSX.Element {
  const [id, setId] = useState(newId);
  const suppliers = useQuery(queries.suppliers());
  const { register, handleSubmit } = useForm<OrderFields>({
    // What is still wanted once a part of it is ordered.
    values: {
      count: String(k.wanted),
      supplier: k.supplier ?? '',
      price: k.priceMinor === null ? '' : (k.priceMinor / 100).toFixed(2),
    },
  });
  const { write, wrong, busy } = useWrite(
    ({ count, supplier, price }: OrderFields) =>
      api('stores/orders', {
        id,
        ...whichOf(k),
        count: typedNumber(count),
        supplier,
        ...(price.trim() === '' ? {} : { priceMinor: Math.round(typedNumber(price) * 100) }),
      }),
    { stale: STALE, after: () => setId(newId()) },
  );
  const field = `want-${keyOf(k).replaceAll(' ', '-')}`;
  return (
    <form className="wantline" noValidate aria-label={`Order ${k.title}`} onSubmit={(e) => void handleSubmit(write)(e)}>
      <span>
        <b>{k.title}</b>
        <small className="d-block">
          {k.count} there, order below {k.least}
          {k.coming > 0 && `, ${k.coming} coming`}
        </small>
      </span>
      {may ? (
        <>
          <div>
            <Form.Label htmlFor={`${field}-count`}>Pieces</Form.Label>
            <Form.Control id={`${field}-count`} inputMode="numeric" {...register('count')} />
          </div>
          <div>
            <Form.Label htmlFor={`${field}-from`}>From</Form.Label>
            <Form.Control id={`${field}-from`} list={`${field}-suppliers`} {...register('supplier')} />
            <datalist id={`${field}-suppliers`}>
              {suppliers.data?.map((s) => (
                <option key={s.name} value={s.name} />
              ))}
            </datalist>
          </div>
          <div>
            <Form.Label htmlFor={`${field}-price`}>Each, {currency}</Form.Label>
            <Form.Control id={`${field}-price`} inputMode="decimal" {...register('price')} />
          </div>
          <Button type="submit" variant="ink" disabled={busy}>
            It is ordered
          </Button>
        </>
      ) : (
        <span>{k.wanted} to order</span>
      )}
      <Wrong says={wrong} />
    </form>
  );
}

function OnOrder({
  order: o,
  may,
  currency,
}: {
  readonly order: ShopOrderView;
  readonly may: boolean;
  readonly currency: string;
}): React.JSX.Element {
  const { write, wrong, busy } = useWrite((what: 'arrive' | 'cancel') => api(`stores/orders/${o.id}/${what}`, {}), {
    stale: STALE,
  });
  return (
    <div className="keptline">
      <span>
        <b>
          {o.count} × {o.title}
        </b>
        <small className="d-block">
          {o.supplier}, {format(new Date(o.ordered), 'd MMM yyyy')}, {o.by}
        </small>
      </span>
      <span>{o.priceMinor === null ? '' : moneyExact(o.priceMinor * o.count, currency)}</span>
      <Button variant="ink" disabled={busy} onClick={() => write('arrive')}>
        It is here
      </Button>
      {may && (
        <Button variant="line" disabled={busy} onClick={() => write('cancel')}>
          Not wanted
        </Button>
      )}
      <Wrong says={wrong} />
    </div>
  );
}
