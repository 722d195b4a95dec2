import type { MeView } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { queries } from '../api/queries.ts';
import { TakeIn } from './take-in.tsx';

/** The library: every build sheet by its kind, filtered by typing. */
export default function SheetsScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const sheets = useQuery(queries.sheets());
  const [typed, setTyped] = useState('');
  if (!sheets.data)
    return <main className="empty">{sheets.isError ? 'The server does not answer.' : 'Fetching the library …'}</main>;
  const shown = sheets.data.filter((s) =>
    `${s.title} ${s.maker} ${s.models.join(' ')} ${s.kind}`.toLowerCase().includes(typed.trim().toLowerCase()),
  );
  const kinds = [...new Set(shown.map((s) => s.kind))].sort();
  return (
    <main className="page">
      <div className="d-flex justify-content-between align-items-center gap-3 mb-3">
        <h1>Build sheets</h1>
        <input
          className="form-control filter"
          value={typed}
          placeholder="Filter by typing"
          aria-label="Filter the sheets"
          onChange={(e) => setTyped(e.target.value)}
        />
      </div>
      {shown.length === 0 && <p>No sheet holds that.</p>}
      <div className="library">
        {kinds.map((kind) => (
          <section key={kind}>
            <h2>{kind.replace(/^./, (c) => c.toUpperCase())}</h2>
            {shown
              .filter((s) => s.kind === kind)
              .map((s) => (
                <Link key={s.id} to={`/sheets/${s.id}`} className="sheetline">
                  <b>{s.title}</b>
                  <small>
                    {s.maker} {s.models.join(', ')}, revision {s.revision}
                  </small>
                </Link>
              ))}
          </section>
        ))}
      </div>
      {me.person.role === 'owner' && <TakeIn />}
    </main>
  );
}
