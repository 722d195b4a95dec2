import type { MeView, SheetLine } from '@jubb/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { Wrong } from '../fields/wrong.tsx';
import { TakeIn } from './take-in.tsx';

/** The library: every build sheet by its kind, filtered by typing. */
export default function SheetsScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const sheets = useQuery(queries.sheets());
  const [typed, setTyped] = useState('');
  const [choosing, setChoosing] = useState(false);
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
        {me.person.role === 'owner' && (
          <Button variant="line" className="ms-auto" aria-pressed={choosing} onClick={() => setChoosing(!choosing)}>
            {choosing ? 'That is all' : 'What we take in …'}
          </Button>
        )}
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
              .map((s) =>
                choosing ? (
                  <Chosen key={s.id} sheet={s} />
                ) : (
                  <Link key={s.id} to={`/sheets/${s.id}`} className={`sheetline ${s.notDone ? 'notdone' : ''}`}>
                    <b>{s.title}</b>
                    <small>
                      {s.maker} {s.models.join(', ')}, revision {s.revision}
                      {s.notDone && '; not taken in here'}
                    </small>
                  </Link>
                ),
              )}
          </section>
        ))}
      </div>
      {me.person.role === 'owner' && <TakeIn />}
    </main>
  );
}

/** Whether the shop takes such units in: what it does not is not offered when one is booked. */
function Chosen({ sheet }: { readonly sheet: SheetLine }): React.JSX.Element {
  const { write, busy, wrong } = useWrite((done: boolean) => api(`shop/sheets/${sheet.id}`, { done }, 'PUT'), {
    stale: [['sheets'], ['shop']],
  });
  return (
    <>
      <Form.Check
        id={`done-${sheet.id}`}
        label={sheet.title}
        checked={sheet.notDone !== true}
        disabled={busy}
        onChange={(e) => write(e.target.checked)}
      />
      <Wrong says={wrong} />
    </>
  );
}
