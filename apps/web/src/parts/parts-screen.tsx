import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { ArrivedLines, ComingLines } from './lines.tsx';
import { DrawerList } from './drawer-list.tsx';
import { PriceList } from './price-list.tsx';
import { ScanBox } from './scan-box.tsx';
import { ToOrderList } from './to-order.tsx';
import { usePartsActions } from './use-parts.ts';

const TABS = ['coming', 'order', 'arrived', 'drawer', 'superseded', 'prices'] as const;
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
  const asked = TABS.find((t) => t === search.get('tab'));
  const tab: Tab = asked ?? (coming.length === 0 && toOrder.length > 0 ? 'order' : 'coming');
  const titles: Readonly<Record<Tab, string>> = {
    coming: `On its way ${coming.length}`,
    order: `To order ${toOrder.length}`,
    arrived: `Arrived ${arrived.length}`,
    drawer: 'Drawers',
    superseded: `Superseded ${superseded.length}`,
    prices: 'Price lists',
  };
  const { currency } = me.workshop;
  return (
    <main className="page partspage">
      <div className="parts-head">
        <h1>Parts</h1>
        <ScanBox lines={coming} arrive={(l) => actions.arrive(l, [])} open={() => setSearch({ tab: 'coming' })} />
      </div>
      <div className="answers tabs" role="group" aria-label="Which parts">
        {TABS.map((t) => (
          <button
            key={t}
            type="button"
            className="btn-line"
            aria-pressed={tab === t}
            onClick={() => setSearch({ tab: t })}
          >
            {titles[t]}
          </button>
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
      {tab === 'coming' && <ComingLines lines={coming} currency={currency} actions={actions} />}
      {tab === 'order' && <ToOrderList jobs={toOrder} />}
      {tab === 'arrived' && <ArrivedLines lines={arrived} currency={currency} actions={actions} />}
      {tab === 'drawer' && <DrawerList drawer={drawer} actions={actions} />}
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
