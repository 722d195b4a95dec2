import type { MeView } from '@jubb/contract';
import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { openStream } from '../api/stream.ts';
import { LineBar } from '../line/line-bar.tsx';
import { outbox } from '../outbox/use-outbox.ts';
import { RailTimers } from './rail-timers.tsx';
import { useKeys } from './keys.ts';
import { useTheme } from './theme.ts';

// Not for the first paint: they come once it is there, so that a key opens them at once.
const boxes = {
  hands: () => import('../signin/hands-dialog.tsx'),
  keys: () => import('./keys-dialog.tsx'),
  search: () => import('./search-dialog.tsx'),
};
const HandsDialog = lazy(async () => ({ default: (await boxes.hands()).HandsDialog }));
const KeysDialog = lazy(async () => ({ default: (await boxes.keys()).KeysDialog }));
const SearchDialog = lazy(async () => ({ default: (await boxes.search()).SearchDialog }));

/** The week is asked for so long after the last of several changes to it, or of a job. */
const WEEK_MS = 150;
const JOB_MS = 5000;

interface Place {
  readonly to: string;
  readonly title: string;
  /** Stands on the rail of a tablet held upright too; the others are under More there. */
  readonly near?: true;
}

const PLACES: readonly Place[] = [
  { to: '/', title: 'Floor', near: true },
  { to: '/plan', title: 'Plan', near: true },
  { to: '/sheets', title: 'Sheets' },
  { to: '/parts', title: 'Parts', near: true },
  { to: '/customers', title: 'Customers' },
  { to: '/reckoner', title: 'Reckoner' },
  { to: '/stands', title: 'Stands' },
  { to: '/verify', title: 'Verify' },
];
const OWNERS: readonly Place[] = [...PLACES, { to: '/shop', title: 'Shop' }];

/** The rail, the state of the line to the server, and the screen below. */
export function Frame({ me }: { readonly me: MeView }): React.JSX.Element {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [keys, showKeys] = useState(false);
  const [hands, setHands] = useState(false);
  const [theme, turnTheme] = useTheme();
  const [finding, setFinding] = useState(false);
  const { pathname } = useLocation();
  const places = me.person.role === 'owner' ? OWNERS : PLACES;
  // The Reckoner finds its own with the same key.
  const find = pathname.startsWith('/reckoner') ? undefined : () => setFinding(true);
  useKeys({ keys: () => showKeys(true), theme: turnTheme, reckoner: () => void navigate('/reckoner'), find });

  useEffect(() => {
    for (const load of Object.values(boxes)) void load();
  }, []);
  useEffect(() => {
    // The week is planned anew when what it is planned from is another; while a job goes on, not at every step of it.
    let later: ReturnType<typeof setTimeout> | undefined;
    let due = Infinity;
    const week = (after: number): void => {
      if (Date.now() + after >= due) return;
      clearTimeout(later);
      due = Date.now() + after;
      later = setTimeout(() => {
        due = Infinity;
        for (const queryKey of [['week'], ['plan-moves']]) void client.invalidateQueries({ queryKey });
      }, after);
    };
    const close = openStream<{ readonly job: string; readonly week?: boolean; readonly again?: boolean }>(
      '/api/live',
      (said) => {
        week(said.week ? WEEK_MS : JOB_MS);
        // The server had lost the database for a while: whatever is shown may be old.
        if (said.again)
          for (const queryKey of [['job'], ['floor'], ['parts'], ['offer'], ['plan']])
            void client.invalidateQueries({ queryKey });
        if (said.week) return;
        const { job } = said;
        for (const queryKey of [['job', job], ['offer', job], ['plan', job], ['parts'], ['floor']])
          void client.invalidateQueries({ queryKey });
      },
      {
        back: () => {
          void client.invalidateQueries({ queryKey: ['job'] });
          void client.invalidateQueries({ queryKey: ['floor'] });
          week(0);
        },
      },
    );
    const wake = (): void => void outbox.drain();
    window.addEventListener('online', wake);
    return () => {
      close();
      clearTimeout(later);
      window.removeEventListener('online', wake);
    };
  }, [client]);

  return (
    <div className="app">
      <header className="rail">
        <NavLink to="/" className="word">
          Jubb
        </NavLink>
        <nav className="d-flex" aria-label="Main">
          {places.map(({ to, title, near }) => (
            <NavLink key={to} to={to} end={to === '/'} className={near ? 'place' : 'place far'}>
              {title}
            </NavLink>
          ))}
        </nav>
        <span className="gap" />
        <RailTimers />
        <button type="button" onClick={() => setFinding(true)} aria-label="Find">
          Find <kbd>/</kbd>
        </button>
        <button
          type="button"
          className="far"
          onClick={turnTheme}
          aria-label={theme === 'day' ? 'Night bench' : 'Day bench'}
        >
          {theme === 'day' ? 'Night' : 'Day'}
        </button>
        <button type="button" className="far" onClick={() => showKeys(true)} aria-label="Keys">
          ?
        </button>
        <button type="button" className="more" popoverTarget="more-places">
          More
        </button>
        <button
          type="button"
          onClick={() => setHands(true)}
          aria-label={`${me.person.initials}, ${me.person.name}: change whose hands`}
        >
          {me.person.initials}
        </button>
      </header>
      <div id="more-places" popover="auto">
        <nav aria-label="More">
          {places.map(({ to, title }) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              onClick={() => document.getElementById('more-places')?.hidePopover()}
            >
              {title}
            </NavLink>
          ))}
          <button type="button" popoverTarget="more-places" popoverTargetAction="hide" onClick={turnTheme}>
            {theme === 'day' ? 'Night bench' : 'Day bench'}
          </button>
          <button type="button" popoverTarget="more-places" popoverTargetAction="hide" onClick={() => showKeys(true)}>
            Keys
          </button>
        </nav>
      </div>
      <div
        style={{
          display: 'grid',
          gridTemplateRows: 'auto minmax(0, 1fr)',
          gridTemplateColumns: 'minmax(0, 1fr)',
          minHeight: 0,
        }}
      >
        <LineBar person={me.person} />
        <Outlet />
        <Suspense fallback={null}>
          {hands && <HandsDialog me={me} close={() => setHands(false)} />}
          {finding && <SearchDialog close={() => setFinding(false)} />}
          {keys && <KeysDialog close={() => showKeys(false)} />}
        </Suspense>
      </div>
    </div>
  );
}
