import { formatQuantity } from '@jubb/core/quantities';
import { reckoners, ReckonError, type Reckoner, type Reckoning } from '@jubb/core/reckoners';
import { useMemo, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Table from 'react-bootstrap/Table';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useKeys } from '../frame/keys.ts';
import { Answer, asText, plain } from './answer.tsx';
import { ReckonDrawing } from './drawings/reckon-drawing.tsx';
import { FieldEditors } from './field-editor.tsx';
import { findReckoners } from './find.ts';
import { friendly } from './friendly.ts';
import { OFTEN } from './often.ts';
import { addressOf, fromAddress, withValue, type Inputs } from './inputs.ts';

/** Every calculation on its own: found by what is wanted, drawn, with its working and source. */
export default function ReckonerScreen(): React.JSX.Element {
  const { id } = useParams();
  const [typed, setTyped] = useState('');
  const navigate = useNavigate();
  const box = useRef<HTMLInputElement>(null);
  const found = findReckoners(typed);
  const chosen = reckoners.find((r) => r.id === id);
  useKeys({ find: () => box.current?.focus() });
  const subjects = typed === '' ? [...new Set(reckoners.map((r) => r.subject))] : undefined;
  const entry = (r: Reckoner): React.JSX.Element => (
    <Link key={r.id} to={`/reckoner/${r.id}`} className="entry" aria-current={r.id === id ? 'page' : undefined}>
      {r.title}
    </Link>
  );
  return (
    <main className="reckoner">
      <nav className="catalogue" aria-label="Calculations">
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (found[0]) void navigate(`/reckoner/${found[0].id}`);
          }}
        >
          <label htmlFor="want">What do you want to know?</label>
          <input
            ref={box}
            id="want"
            className="form-control"
            value={typed}
            placeholder="how hot, crowfoot …"
            onChange={(e) => setTyped(e.target.value)}
          />
        </form>
        {subjects?.map((s) => (
          <section key={s}>
            <h3>{s}</h3>
            {reckoners.filter((r) => r.subject === s).map(entry)}
          </section>
        ))}
        {!subjects && found.map(entry)}
        {found.length === 0 && <p className="quiet">Nothing answers that. Try a part, a tool or what you measured.</p>}
      </nav>
      {chosen ? (
        <Calculation key={chosen.id} reckoner={chosen} />
      ) : (
        <section className="often">
          <h1>{id ? 'There is no such calculation' : 'Often asked at the bench'}</h1>
          <p className="quiet">
            Or type what you want to know, and press Enter. Each calculation shows its working and where it comes from.
          </p>
          <div className="tiles">
            {OFTEN.map(([to, asks]) => (
              <Link key={to} to={`/reckoner/${to}`} className="tile">
                {asks}
                <b>{reckoners.find((r) => r.id === to)?.title}</b>
              </Link>
            ))}
          </div>
        </section>
      )}
    </main>
  );
}

type Outcome = { readonly reckoning: Reckoning } | { readonly wrong: { readonly at: string; readonly says: string } };

function reckonNow(reckoner: Reckoner, inputs: Inputs): Outcome {
  try {
    return { reckoning: reckoner.reckon(inputs) };
  } catch (e) {
    if (e instanceof ReckonError) return { wrong: { at: e.field ?? '', says: wordsOf(e) } };
    throw e;
  }
}
const wordsOf = (e: ReckonError): string =>
  e.code === 'missing-field'
    ? `Still needed: ${e.accepted ?? 'a value'}`
    : e.message.replace(/^[\w.[\]]+: /, '').replace(/^./, (c) => c.toUpperCase());

function Calculation({ reckoner }: { readonly reckoner: Reckoner }): React.JSX.Element {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const [inputs, setInputs] = useState<Inputs>(() => fromAddress(search) ?? reckoner.checks[0].inputs);
  const [last, setLast] = useState<Reckoning>();
  const [told, setTold] = useState('');
  const outcome = useMemo(() => reckonNow(reckoner, inputs), [reckoner, inputs]);
  if ('reckoning' in outcome && outcome.reckoning !== last) setLast(outcome.reckoning);
  const reckoning = 'reckoning' in outcome ? outcome.reckoning : undefined;
  const wrong = 'wrong' in outcome ? outcome.wrong : undefined;
  const atField = wrong && Object.keys(reckoner.inputs).includes(wrong.at.split(/[.[]/)[0]!);
  const change = (path: readonly (string | number)[], value: unknown): void => {
    const next = withValue(inputs, path, value);
    setInputs(next);
    setTold('');
    void navigate(addressOf(reckoner.id, next), { replace: true });
  };
  const copy = async (text: string, what: string): Promise<void> => {
    try {
      await navigator.clipboard.writeText(text);
      setTold(`Copied as ${what}.`);
    } catch {
      setTold('This browser does not let Jubb copy: print it, or keep the address.');
    }
  };
  return (
    <section className="calc" aria-label={reckoner.title}>
      <div className="ask">
        <h1>{reckoner.title}</h1>
        <div className="fields">
          <FieldEditors fields={reckoner.inputs} path={[]} values={inputs} change={change} wrong={wrong} />
        </div>
        {wrong && !atField && (
          <p className="wrong" role="alert">
            {wrong.says}
          </p>
        )}
      </div>
      <div className={`told ${reckoning ? '' : 'stale'}`}>
        {last && (
          <>
            <ReckonDrawing id={reckoner.id} inputs={inputs} reckoning={last} />
            {!reckoning && <p className="wrong">This is the answer to what stood here before.</p>}
            <Answer reckoner={reckoner} reckoning={last} />
            {last.warnings.map((w) => (
              <p key={w} className="warn">
                {w}
              </p>
            ))}
            <div className="acts">
              <Button variant="line" onClick={() => void copy(asText(reckoner, inputs, last), 'text')}>
                Copy as text
              </Button>
              <Button
                variant="line"
                onClick={() => void copy(JSON.stringify({ id: reckoner.id, inputs, ...last }, null, 2), 'JSON')}
              >
                Copy as JSON
              </Button>
              <Button variant="line" onClick={() => window.print()}>
                Print
              </Button>
              <span role="status">{told}</span>
            </div>
            <details open>
              <summary>Working</summary>
              <Table className="working">
                <tbody>
                  {last.working.map((l, i) => (
                    <tr key={`${i}-${l.name}`}>
                      <th scope="row">{l.name}</th>
                      <td>
                        {l.formula}
                        {l.figures && <small>{l.figures}</small>}
                      </td>
                      <td>{typeof l.value === 'string' ? l.value : formatQuantity(friendly(l.value))}</td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </details>
            <details open>
              <summary>Source</summary>
              <p className="formula">{reckoner.formula}</p>
              <ul>
                {last.sources.map((s) => (
                  <li key={s}>{s}</li>
                ))}
              </ul>
              <p>
                Checked:{' '}
                {reckoner.checks
                  .filter((c) => Object.keys(c.gives).length > 0)
                  .map(
                    (c) =>
                      `${Object.entries(c.gives)
                        .map(([k, v]) => `${reckoner.outputs[k.split('.')[0]!]?.label.toLowerCase() ?? k} ${v}`)
                        .join(', ')} (${c.source})`,
                  )
                  .join('; ') || plain(reckoner.checks[0].source)}
              </p>
            </details>
          </>
        )}
      </div>
    </section>
  );
}
