import { findReckoner, ReckonError, type Fields, type Reckoning } from '@jubb/core/reckoners';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { withValue, type Inputs } from './inputs.ts';

/** The editors of a reckoner's fields: handed in, since one of those fields holds this finder. */
type Editors = React.ComponentType<{
  readonly fields: Fields;
  readonly path: readonly (string | number)[];
  readonly values: Inputs;
  readonly change: (path: readonly (string | number)[], value: unknown) => void;
  readonly wrong: { readonly at: string; readonly says: string } | undefined;
}>;

const ASKS = { 'thread-find': 'Which thread is this?', 'bearing-find': 'Which bearing is this?' } as const;

/** Beside a field that asks for a thread or a bearing: found by what a caliper says, and taken over. */
export function Finder({
  id,
  editors,
  take,
}: {
  readonly id: keyof typeof ASKS;
  readonly editors: Editors;
  readonly take: (found: string) => void;
}): React.JSX.Element {
  const [open, setOpen] = useState(false);
  return (
    <div className="finder">
      <Button variant="line" className="small" aria-expanded={open} onClick={() => setOpen(!open)}>
        {ASKS[id]}
      </Button>
      {open && (
        <Search
          id={id}
          editors={editors}
          take={(found) => {
            take(found);
            setOpen(false);
          }}
        />
      )}
    </div>
  );
}

type Found = { readonly found: Reckoning } | { readonly wrong: { readonly at: string; readonly says: string } };

function Search({
  id,
  editors,
  take,
}: {
  readonly id: keyof typeof ASKS;
  readonly editors: Editors;
  readonly take: (found: string) => void;
}): React.JSX.Element {
  const FieldEditors = editors;
  const reckoner = findReckoner(id);
  const [inputs, setInputs] = useState<Inputs>({});
  const answer = search();
  const candidates =
    'found' in answer
      ? (answer.found.results['candidates'] as readonly { readonly designation: string }[]).map((c) => c.designation)
      : [];
  return (
    <fieldset className="group">
      <legend>{ASKS[id]}</legend>
      <div className="fields">
        <FieldEditors
          fields={reckoner.inputs}
          path={[]}
          values={inputs}
          change={(path, value) => setInputs(withValue(inputs, path, value))}
          wrong={'wrong' in answer && Object.keys(inputs).length > 0 ? answer.wrong : undefined}
        />
      </div>
      <div className="acts">
        {candidates.slice(0, 4).map((c, i) => (
          <Button key={c} variant={i === 0 ? 'ink' : 'line'} onClick={() => take(c)}>
            {c}
          </Button>
        ))}
      </div>
      {'found' in answer &&
        answer.found.warnings.map((w) => (
          <p key={w} className="warn">
            {w}
          </p>
        ))}
    </fieldset>
  );

  function search(): Found {
    try {
      return { found: reckoner.reckon(inputs) };
    } catch (e) {
      if (!(e instanceof ReckonError)) throw e;
      return {
        wrong: { at: e.field ?? '', says: e.code === 'missing-field' ? 'Still needed' : e.message },
      };
    }
  }
}
