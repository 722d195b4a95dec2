import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { RouterProvider } from 'react-router';
import { ApiError } from './api/client.ts';
import { queries } from './api/queries.ts';
import { Broken } from './frame/broken.tsx';
import { outbox } from './outbox/use-outbox.ts';
import { askWhoIsHere } from './outbox/who-is-here.ts';
import { makeRouter } from './routes.tsx';

const SignIn = lazy(() => import('./signin/sign-in-screen.tsx'));

/** Who it is decides between the sign-in and the workshop; without a network the last one known stays. */
export function App(): React.JSX.Element {
  const me = useQuery(queries.me());
  const stranger = me.error instanceof ApiError && me.error.status === 401;
  const person = stranger ? undefined : me.data?.person;
  const client = useQueryClient();
  const [router] = useState(makeRouter);
  useEffect(() => {
    outbox.signedIn(person);
    outbox.onSignedOut = () => void askWhoIsHere(client, outbox);
  }, [person, client]);
  if (me.isPending) return <main className="empty">Opening …</main>;
  return (
    <ErrorBoundary FallbackComponent={Broken}>
      <Suspense fallback={<main className="empty">Opening …</main>}>
        {stranger || !me.data ? <SignIn /> : <RouterProvider router={router} />}
      </Suspense>
    </ErrorBoundary>
  );
}
