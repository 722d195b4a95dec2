import type { ShopDrawerView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useFieldArray, useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { typedNumber } from '../fields/typed-number.ts';
import { Wrong } from '../fields/wrong.tsx';

/** Shims and plates by drawer: what lies in each as it was counted, and what draws on it. */
export function Drawers(): React.JSX.Element {
  const drawers = useQuery(queries.shopDrawers());
  const [open, setOpen] = useState<string>();
  if (!drawers.data)
    return <p className="empty">{drawers.isError ? drawers.error.message : 'Looking into the drawers …'}</p>;
  return (
    <ul className="shoplist mt-3" aria-label="Drawers">
      {drawers.data.map((d) => (
        <li key={d.drawer}>
          <div className="shopline">
            <span>
              <b>{d.drawer.replaceAll('-', ' ')}</b>
              <small className="d-block">For {d.sheets.join('; ') || 'no sheet of the library'}</small>
            </span>
            <span className="sizes">
              {d.sizes.filter((s) => s.count > 0).length === 0
                ? 'empty'
                : `${d.sizes.reduce((n, s) => n + s.count, 0)} pieces, ${d.sizes.at(-1)!.mm} to ${d.sizes[0]!.mm} mm`}
            </span>
            <Button
              variant="line"
              className="ms-auto"
              aria-expanded={open === d.drawer}
              onClick={() => setOpen(open === d.drawer ? undefined : d.drawer)}
            >
              {open === d.drawer ? 'Close' : 'Count'}
            </Button>
          </div>
          {open === d.drawer && <CountForm drawer={d} done={() => setOpen(undefined)} />}
        </li>
      ))}
    </ul>
  );
}

interface Row {
  readonly mm: string;
  readonly count: string;
}

const NO_SIZE: Row = { mm: '', count: '' };

/** A drawer as it is counted: a size a row. */
function CountForm({
  drawer,
  done,
}: {
  readonly drawer: ShopDrawerView;
  readonly done: () => void;
}): React.JSX.Element {
  const { control, register, handleSubmit, getValues } = useForm<{ sizes: Row[] }>({
    defaultValues: {
      sizes: [...drawer.sizes.map((s) => ({ mm: String(s.mm), count: String(s.count) })), NO_SIZE],
    },
  });
  const { fields, append } = useFieldArray({ control, name: 'sizes' });
  const { written, wrong, busy } = useWrite(
    (rows: readonly Row[]) =>
      api(
        `shop/drawers/${encodeURIComponent(drawer.drawer)}`,
        {
          sizes: rows
            .filter((r) => r.mm.trim() !== '')
            .map((r) => ({ mm: typedNumber(r.mm), count: typedNumber(r.count) })),
        },
        'PUT',
      ),
    { stale: [['shop'], ['job'], ['parts']] },
  );
  const keep = handleSubmit(async ({ sizes }) => {
    if (await written(sizes)) done();
  });
  // There is always one more row to fill in.
  const another = (): void => {
    if (getValues('sizes').at(-1)!.mm.trim() !== '') append(NO_SIZE, { shouldFocus: false });
  };
  return (
    <form className="countform" noValidate aria-label={`Count ${drawer.drawer}`} onSubmit={(e) => void keep(e)}>
      <b>Thickness, mm</b>
      <b>Pieces</b>
      {fields.map((row, i) => (
        <div key={row.id} className="d-contents">
          <Form.Control
            aria-label={`Size ${i + 1}, mm`}
            inputMode="decimal"
            {...register(`sizes.${i}.mm`, { onChange: another })}
          />
          <Form.Control aria-label={`Pieces of size ${i + 1}`} inputMode="numeric" {...register(`sizes.${i}.count`)} />
        </div>
      ))}
      <Button type="submit" variant="ink" disabled={busy}>
        Keep the count
      </Button>
      <Wrong says={wrong} />
    </form>
  );
}
