import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, type ComponentType } from 'react';
import { createBrowserRouter, Link, type RouteObject } from 'react-router';
import { queries } from './api/queries.ts';
import { BrokenRoute } from './frame/broken.tsx';
import { Frame } from './frame/frame.tsx';

type Screen = ComponentType<{ readonly me: MeView }>;
type Loads = () => Promise<{ readonly default: Screen }>;

const opening = <main className="empty">Opening …</main>;

/** A screen for whoever is here. It is loaded when it is first asked for. */
function screen(loads: Loads): React.JSX.Element {
  const Lazy = lazy(loads);
  return (
    <Suspense fallback={opening}>
      <ForMe of={Lazy} />
    </Suspense>
  );
}

function ForMe({ of: Of }: { readonly of: Screen }): React.JSX.Element {
  const { data } = useQuery(queries.me());
  return data ? <Of me={data} /> : opening;
}

function NothingHere(): React.JSX.Element {
  return (
    <main className="empty">
      <h2>Nothing is here</h2>
      <p>
        <Link to="/">Back to the Floor</Link>
      </p>
    </main>
  );
}

const screens: Readonly<Record<string, Loads>> = {
  book: () => import('./booking/book-in-screen.tsx'),
  'job/:id': () => import('./bench/bench-screen.tsx'),
  'job/:id/findings': () => import('./findings/findings-screen.tsx'),
  'job/:id/return': () => import('./bench/return/return-screen.tsx'),
  'job/:id/record': () => import('./record/record-screen.tsx'),
  invoices: () => import('./invoices/invoices-screen.tsx'),
  'invoices/:id': () => import('./invoices/invoice-screen.tsx'),
  'invoices/job/:job': () => import('./invoices/draft-screen.tsx'),
  customers: () => import('./customers/customers-screen.tsx'),
  'customers/:id': () => import('./customers/customer-screen.tsx'),
  plan: () => import('./plan/plan-screen.tsx'),
  'plan/hours': () => import('./plan/hours-screen.tsx'),
  parts: () => import('./parts/parts-screen.tsx'),
  sheets: () => import('./sheets/sheets-screen.tsx'),
  'sheets/:id': () => import('./sheets/sheet-screen.tsx'),
  'unit/:id': () => import('./units/unit-screen.tsx'),
  'reckoner/:id?': () => import('./reckoner/reckoner-screen.tsx'),
  'shop/:part?': () => import('./shop/shop-screen.tsx'),
  stands: () => import('./stands/stands-screen.tsx'),
  verify: () => import('./record/verify-screen.tsx'),
};

/** Every screen under the frame; one that breaks leaves the frame, and the way to the others, standing. */
export const routes: readonly RouteObject[] = [
  {
    element: <ForMe of={Frame} />,
    errorElement: <BrokenRoute />,
    children: [
      { index: true, element: screen(() => import('./floor/floor-screen.tsx')), errorElement: <BrokenRoute /> },
      ...Object.entries(screens).map(([path, loads]) => ({
        path,
        element: screen(loads),
        errorElement: <BrokenRoute />,
      })),
      { path: '*', element: <NothingHere />, errorElement: <BrokenRoute /> },
    ],
  },
];

export const makeRouter = (): ReturnType<typeof createBrowserRouter> => createBrowserRouter([...routes]);
