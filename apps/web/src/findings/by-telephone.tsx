import type { CommandAnswer } from '@jubb/contract';
import type { OrderPlan } from '@jubb/core/parts';
import { useQuery } from '@tanstack/react-query';
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

interface Fields {
  readonly supplier: string;
  readonly expected: string;
  readonly parts: Record<
    string,
    { readonly wanted: boolean; readonly count: string; readonly number: string; readonly price: string }
  >;
}

/** Parts of the list that somebody ordered by telephone: from whom, how many, at which price, for when. */
export function ByTelephone({
  job,
  plan,
  currency,
}: {
  readonly job: string;
  readonly plan: OrderPlan;
  readonly currency: string;
}): React.JSX.Element | null {
  const [open, setOpen] = useState(false);
  // What is not counted yet cannot be ordered by any way.
  const needs = plan.needs.filter((n) => n.count > 0);
  if (needs.length === 0) return null;
  return (
    <div className="bytelephone">
      <Button variant="line" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'Close' : 'Ordered by telephone …'}
      </Button>
      {open && <TelephoneForm job={job} needs={needs} currency={currency} done={() => setOpen(false)} />}
    </div>
  );
}

function TelephoneForm({
  job,
  needs,
  currency,
  done,
}: {
  readonly job: string;
  readonly needs: OrderPlan['needs'];
  readonly currency: string;
  readonly done: () => void;
}): React.JSX.Element {
  const [commandId] = useState(newId);
  const suppliers = useQuery(queries.suppliers());
  const { register, handleSubmit, watch } = useForm<Fields>({
    defaultValues: {
      supplier: '',
      expected: '',
      parts: Object.fromEntries(
        needs.map((n) => [
          n.part,
          {
            wanted: false,
            count: String(n.count),
            number: n.number ?? '',
            price: n.priceMinor === undefined ? '' : (n.priceMinor / 100).toFixed(2),
          },
        ]),
      ),
    },
  });
  const { written, wrong, busy } = useWrite(
    ({ supplier, expected, parts }: Fields) =>
      api<CommandAnswer>(`jobs/${job}/orders/by-telephone`, {
        commandId,
        supplier,
        ...(expected === '' ? {} : { expected }),
        lines: needs
          .filter((n) => parts[n.part]!.wanted)
          .map((n) => ({
            part: n.part,
            number: parts[n.part]!.number,
            count: typedNumber(parts[n.part]!.count),
            priceMinor: Math.round(typedNumber(parts[n.part]!.price) * 100),
          })),
      }),
    { stale: 'all' },
  );
  const save = handleSubmit(async (fields) => {
    if (await written(fields)) done();
  });
  const any = needs.some((n) => watch(`parts.${n.part}.wanted`));
  return (
    <form noValidate aria-label="Ordered by telephone" onSubmit={(e) => void save(e)}>
      <div className="telephonehead">
        <div>
          <Form.Label htmlFor="tel-from">From</Form.Label>
          <Form.Control id="tel-from" list="tel-suppliers" {...register('supplier')} />
          <datalist id="tel-suppliers">
            {suppliers.data?.map((s) => (
              <option key={s.name} value={s.name}>
                {s.phone}
              </option>
            ))}
          </datalist>
        </div>
        <div>
          <Form.Label htmlFor="tel-day">To be here on</Form.Label>
          <Form.Control id="tel-day" type="date" {...register('expected')} />
        </div>
      </div>
      {needs.map((n) => (
        <div key={n.part} className="telephoneline">
          <Form.Check id={`tel-${n.part}`} label={`${n.count} × ${n.title}`} {...register(`parts.${n.part}.wanted`)} />
          {watch(`parts.${n.part}.wanted`) && (
            <>
              {n.count > 1 && (
                <Form.Control
                  aria-label={`How many of ${n.title}`}
                  inputMode="numeric"
                  {...register(`parts.${n.part}.count`)}
                />
              )}
              <Form.Control
                className="telephonenumber"
                aria-label={`Number of ${n.title}`}
                placeholder="number"
                {...register(`parts.${n.part}.number`)}
              />
              <Form.Control
                aria-label={`${n.title}, each without tax, ${currency}`}
                placeholder={`each, ${currency}`}
                inputMode="decimal"
                {...register(`parts.${n.part}.price`)}
              />
            </>
          )}
        </div>
      ))}
      <Wrong says={wrong} />
      <Button type="submit" variant="ink" className="mt-2" disabled={busy || !any}>
        Write it down
      </Button>
    </form>
  );
}
