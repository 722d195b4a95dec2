import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { queries } from '../api/queries.ts';
import { Dialog } from './dialog.tsx';

const KIND = { job: 'Job', unit: 'Unit', customer: 'Customer', sheet: 'Sheet', part: 'Part' } as const;

/** Finds a customer, unit, serial, job, part or sheet by what is typed; arrows choose, Enter goes. */
export function SearchDialog({ close }: { readonly close: () => void }): React.JSX.Element {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const found = useQuery(queries.search(text));
  const rows = text.trim() === '' ? [] : (found.data ?? []);
  const go = (path: string | undefined): void => {
    if (!path) return;
    close();
    void navigate(path);
  };
  return (
    <Dialog name="search" label="Find" width={620} close={close}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          go(rows[at]?.path);
        }}
      >
        <label htmlFor="find" className="fw-bold">
          Find a customer, unit, serial, job, part or sheet
        </label>
        <input
          id="find"
          className="form-control"
          value={text}
          autoComplete="off"
          role="combobox"
          aria-expanded={rows.length > 0}
          aria-controls="found"
          aria-activedescendant={rows[at] ? `found-${at}` : undefined}
          onChange={(e) => {
            setText(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
            if (by === 0) return;
            e.preventDefault();
            setAt(Math.max(0, Math.min(rows.length - 1, at + by)));
          }}
        />
        <ul id="found" role="listbox" aria-label="Found" className="found">
          {rows.map((r, i) => (
            <li key={`${r.kind}${r.path}${r.title}`} role="none">
              {/* The field above has the keys: arrows go up and down, Enter goes there. */}
              <Link id={`found-${i}`} role="option" aria-selected={i === at} tabIndex={-1} to={r.path} onClick={close}>
                <small>{KIND[r.kind]}</small>
                <span>
                  <b>{r.title}</b>
                  <small className="d-block">{r.says}</small>
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {text.trim() !== '' && !found.isFetching && rows.length === 0 && (
          <p className="quiet">
            {found.isError ? 'The server does not answer.' : 'Nothing holds that. Try fewer letters, or a number.'}
          </p>
        )}
      </form>
    </Dialog>
  );
}
