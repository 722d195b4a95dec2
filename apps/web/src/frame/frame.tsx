import type { MeView } from '@jubb/contract';
import { lazy, Suspense, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { LineBar } from '../line/line-bar.tsx';
import { RailTimers } from './rail-timers.tsx';
import { useKeys } from './keys.ts';
import { useTheme } from './theme.ts';
import { useLiveChanges } from './use-live-changes.ts';

// Not for the first paint: they come once it is there, so that a key opens them at once.
const boxes = {
  hands: () => import('../signin/hands-dialog.tsx'),
  keys: () => import('./keys-dialog.tsx'),
  search: () => import('./search-dialog.tsx'),
};
const HandsDialog = lazy(async () => ({ default: (await boxes.hands()).HandsDialog }));
const KeysDialog = lazy(async () => ({ default: (await boxes.keys()).KeysDialog }));
const SearchDialog = lazy(async () => ({ default: (await boxes.search()).SearchDialog }));

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
    // Without a line this is for nothing: whoever opens one asks for it again, and is told.
    for (const load of Object.values(boxes)) load().catch(() => undefined);
  }, []);
  useLiveChanges();

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
