import type { MeView } from '@jubb/contract';
import { NavLink, useParams } from 'react-router';
import { SettingsForm } from './settings-form.tsx';
import { Backups } from './backups.tsx';
import { Changes } from './changes.tsx';
import { Drawers } from './drawers.tsx';
import { Instruments } from './instruments.tsx';
import { LooksBack } from './looks-back.tsx';
import { OnInvoices } from './on-invoices.tsx';
import { People } from './people.tsx';
import { Places } from './places.tsx';
import { Suppliers } from '../parts/suppliers.tsx';
import { StepBar } from './step-bar.tsx';
import { Tablets } from './tablets.tsx';
import './shop.scss';

const PARTS = [
  { id: undefined, title: 'Looks back' },
  { id: 'people', title: 'People' },
  { id: 'money', title: 'Money' },
  { id: 'places', title: 'Hours and places' },
  { id: 'instruments', title: 'Instruments' },
  { id: 'drawers', title: 'Drawers' },
  { id: 'suppliers', title: 'Suppliers' },
  { id: 'tablets', title: 'Tablets' },
  { id: 'backup', title: 'Backup' },
  { id: 'log', title: 'Log' },
] as const;

/** The shop, for its owner: what its jobs say, and all that makes it one's own. */
export default function ShopScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { part } = useParams();
  if (me.person.role !== 'owner') return <main className="empty">Only the owner looks at this.</main>;
  return (
    <main className="page shoppage">
      <h1>The shop</h1>
      <nav className="shopparts" aria-label="The shop">
        {PARTS.map(({ id, title }) => (
          <NavLink key={title} to={id === undefined ? '/shop' : `/shop/${id}`} end className="btn-line">
            {title}
          </NavLink>
        ))}
      </nav>
      <StepBar path={part === undefined ? '/shop' : `/shop/${part}`} />
      <Part id={part} me={me} />
    </main>
  );
}

function Part({ id, me }: { readonly id: string | undefined; readonly me: MeView }): React.JSX.Element {
  switch (id) {
    case undefined:
      return <LooksBack />;
    case 'people':
      return <People me={me} />;
    case 'money':
      return (
        <>
          <SettingsForm workshop={me.workshop} />
          <OnInvoices />
        </>
      );
    case 'places':
      return <Places />;
    case 'instruments':
      return <Instruments />;
    case 'drawers':
      return <Drawers />;
    case 'suppliers':
      return <Suppliers me={me} />;
    case 'tablets':
      return <Tablets />;
    case 'backup':
      return <Backups />;
    case 'log':
      return <Changes />;
    default:
      return <p className="empty">The shop has no such part.</p>;
  }
}
