import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { ArrivedLines, ComingLines } from './lines.tsx';
import { DrawerList } from './drawer-list.tsx';
import { KeepIn } from './keep-in.tsx';
import { PriceList } from './price-list.tsx';
import { ScanBox } from './scan-box.tsx';
import { Suppliers } from './suppliers.tsx';
import { ToOrderList } from './to-order.tsx';
import { usePartsActions } from './use-parts.ts';

const TABS = ['orders', 'drawer', 'keep', 'suppliers', 'superseded', 'prices'] as const;
type Tab = (typeof TABS)[number];

/** What to order, what is on its way, what has come and whose shelf it unblocks; the drawers; supersessions; price lists. */
export default function PartsScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const parts = useQuery(queries.parts());
  const [search, setSearch] = useSearchParams();
  const actions = usePartsActions();
  if (!parts.data)
    return <main className="empty">{parts.isError ? 'The parts cannot be shown.' : 'Fetching the parts …'}</main>;
  const { toOrder, lines, drawer, superseded, catalogue } = parts.data;
  const coming = lines.filter((l) => l.state !== 'arrived');
  const arrived = lines.filter((l) => l.state === 'arrived');
  const tab: Tab = TABS.find((t) => t === search.get('tab')) ?? 'orders';
  const titles: Readonly<Record<Tab, string>> = {
    orders: 'Orders',
    drawer: 'Drawers',
    keep: 'To keep in',
    suppliers: 'Suppliers',
    superseded: `Superseded ${superseded.length}`,
    prices: 'Price lists',
  };
  const { currency } = me.workshop;
  return (
    <main className="page partspage">
      <div className="parts-head">
        <h1>Parts</h1>
        <ScanBox lines={coming} arrive={(l) => actions.arrive(l, [])} open={() => setSearch({ tab: 'orders' })} />
      </div>
      <div className="answers tabs" role="group" aria-label="Which parts">
        {TABS.map((t) => (
          <Button key={t} variant="line" aria-pressed={tab === t} onClick={() => setSearch({ tab: t })}>
            {titles[t]}
          </Button>
        ))}
      </div>
      {actions.wrong && (
        <p className="field-error" role="alert">
          {actions.wrong}
        </p>
      )}
      {actions.said && (
        <p className="parts-said" role="status">
          {actions.said}
        </p>
      )}
      {tab === 'orders' && (
        <>
          <Orders title="To order" count={toOrder.length} none="Every job that was judged has its parts ordered.">
            <ToOrderList jobs={toOrder} />
          </Orders>
          <Orders title="On its way" count={coming.length} none="Nothing is on its way.">
            <ComingLines lines={coming} currency={currency} actions={actions} />
          </Orders>
          <Orders title="Arrived" count={arrived.length} none="Nothing has come in the last two weeks.">
            <ArrivedLines lines={arrived} currency={currency} actions={actions} />
          </Orders>
        </>
      )}
      {tab === 'drawer' && <DrawerList drawer={drawer} actions={actions} />}
      {tab === 'keep' && <KeepIn me={me} />}
      {tab === 'suppliers' && <Suppliers me={me} />}
      {tab === 'superseded' &&
        (superseded.length === 0 ? (
          <p>No number is superseded.</p>
        ) : (
          superseded.map((s) => (
            <div key={s.old} className="row1">
              <span>
                {s.old} → <b>{s.now}</b>
              </span>
              <small>{s.title}</small>
            </div>
          ))
        ))}
      {tab === 'prices' && <PriceList known={catalogue} me={me} />}
    </main>
  );
}

/** Lines that are as far as each other, under how many they are. */
function Orders({
  title,
  count,
  none,
  children,
}: {
  readonly title: string;
  readonly count: number;
  readonly none: string;
  readonly children: React.ReactNode;
}): React.JSX.Element {
  return (
    <section className="orders">
      <h2>
        {title} <span className="many">{count}</span>
      </h2>
      {count === 0 ? <p>{none}</p> : children}
    </section>
  );
}
