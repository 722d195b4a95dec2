import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Link, Route, Routes } from 'react-router';
import { ApiError } from './api/client.ts';
import { queries } from './api/queries.ts';
import { Broken } from './frame/broken.tsx';
import { Frame } from './frame/frame.tsx';
import { outbox } from './outbox/use-outbox.ts';
import { askWhoIsHere } from './outbox/who-is-here.ts';

const SignIn = lazy(() => import('./signin/sign-in-screen.tsx'));
const Floor = lazy(() => import('./floor/floor-screen.tsx'));
const BookIn = lazy(() => import('./booking/book-in-screen.tsx'));
const Bench = lazy(() => import('./bench/bench-screen.tsx'));
const Record = lazy(() => import('./record/record-screen.tsx'));
const Findings = lazy(() => import('./findings/findings-screen.tsx'));
const Plan = lazy(() => import('./plan/plan-screen.tsx'));
const Hours = lazy(() => import('./plan/hours-screen.tsx'));
const Parts = lazy(() => import('./parts/parts-screen.tsx'));
const Return = lazy(() => import('./bench/return/return-screen.tsx'));
const Sheets = lazy(() => import('./sheets/sheets-screen.tsx'));
const SheetPage = lazy(() => import('./sheets/sheet-screen.tsx'));
const Unit = lazy(() => import('./units/unit-screen.tsx'));
const Reckoner = lazy(() => import('./reckoner/reckoner-screen.tsx'));
const Shop = lazy(() => import('./shop/shop-screen.tsx'));
const Stands = lazy(() => import('./stands/stands-screen.tsx'));
const Verify = lazy(() => import('./record/verify-screen.tsx'));

/** Who it is decides between the sign-in and the workshop; without a network the last one known stays. */
export function App(): React.JSX.Element {
  const me = useQuery(queries.me());
  const stranger = me.error instanceof ApiError && me.error.status === 401;
  const person = stranger ? undefined : me.data?.person;
  const client = useQueryClient();
  useEffect(() => {
    outbox.signedIn(person);
    outbox.onSignedOut = () => void askWhoIsHere(client, outbox);
  }, [person, client]);
  if (me.isPending) return <main className="empty">Opening …</main>;
  return (
    <BrowserRouter>
      <ErrorBoundary FallbackComponent={Broken}>
        <Suspense fallback={<main className="empty">Opening …</main>}>
          {stranger || !me.data ? (
            <SignIn />
          ) : (
            <Routes>
              <Route element={<Frame me={me.data} />}>
                <Route index element={<Floor />} />
                <Route path="book" element={<BookIn me={me.data} />} />
                <Route path="job/:id" element={<Bench me={me.data} />} />
                <Route path="job/:id/findings" element={<Findings me={me.data} />} />
                <Route path="plan" element={<Plan me={me.data} />} />
                <Route path="plan/hours" element={<Hours me={me.data} />} />
                <Route path="parts" element={<Parts me={me.data} />} />
                <Route path="job/:id/return" element={<Return me={me.data} />} />
                <Route path="sheets" element={<Sheets me={me.data} />} />
                <Route path="sheets/:id" element={<SheetPage me={me.data} />} />
                <Route path="unit/:id" element={<Unit />} />
                <Route path="job/:id/record" element={<Record />} />
                <Route path="reckoner/:id?" element={<Reckoner />} />
                <Route path="shop" element={<Shop />} />
                <Route path="stands" element={<Stands />} />
                <Route path="verify" element={<Verify />} />
                <Route
                  path="*"
                  element={
                    <main className="empty">
                      <h2>Nothing is here</h2>
                      <p>
                        <Link to="/">Back to the Floor</Link>
                      </p>
                    </main>
                  }
                />
              </Route>
            </Routes>
          )}
        </Suspense>
      </ErrorBoundary>
    </BrowserRouter>
  );
}
