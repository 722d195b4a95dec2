import type { OrderLineView } from '@jubb/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { moneyWords } from '../money.ts';
import type { PartsActions } from './use-parts.ts';

interface Props {
  readonly lines: readonly OrderLineView[];
  readonly currency: string;
  readonly actions: PartsActions;
}

/** When a line is due, or why nobody knows. */
function whenWords(l: OrderLineView): string {
  if (l.state === 'sending')
    return l.trouble
      ? `${l.trouble.says}: kept, asked again at ${format(new Date(l.trouble.again), 'HH:mm:ss')}`
      : 'being ordered';
  if (l.state === 'out-of-stock') return 'out of stock at the supplier';
  return l.expected ? `expected ${format(new Date(l.expected), 'EEE d MMM')}` : 'on its way';
}

/** Lines on order: when they are due, and taking them in. */
export function ComingLines({ lines, currency, actions }: Props): React.JSX.Element {
  const [at, setAt] = useState<string>();
  return (
    <ul className="plain">
      {lines.map((l) => (
        <li key={l.line} className={`oline ${l.state}`}>
          <LineHead line={l} currency={currency} when={whenWords(l)} />
          <span className="d-flex gap-2">
            <Button
              variant="ink"
              onClick={() => (l.kit ? setAt(at === l.line ? undefined : l.line) : void actions.arrive(l, []))}
            >
              It is here
            </Button>
            <Button variant="line" onClick={() => setAt(at === `x${l.line}` ? undefined : `x${l.line}`)}>
              Cancel
            </Button>
          </span>
          {at === l.line && (
            <KitCheck line={l} done={(missing) => void actions.arrive(l, missing).then(() => setAt(undefined))} />
          )}
          {at === `x${l.line}` && (
            <WhyForm
              label="Why is it not wanted?"
              act="Cancel it"
              done={(why) => void actions.cancel(l, why).then(() => setAt(undefined))}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

/** Lines that came: whose unit they unblock; the wrong one goes back. */
export function ArrivedLines({ lines, currency, actions }: Props): React.JSX.Element {
  const [at, setAt] = useState<string>();
  return (
    <ul className="plain">
      {lines.map((l) => (
        <li key={l.line} className="oline arrived">
          <LineHead
            line={l}
            currency={currency}
            when={l.arrivedAt ? `came ${format(new Date(l.arrivedAt), 'EEE d MMM HH:mm')}` : 'from the drawer'}
          />
          <span>
            {l.supplier !== 'drawer' && (
              <Button variant="line" onClick={() => setAt(at === l.line ? undefined : l.line)}>
                Wrong part
              </Button>
            )}
          </span>
          {l.missing.length > 0 && (
            <small>Missing from it: {l.missing.map((p) => l.contents[p] ?? p).join(', ')}</small>
          )}
          {at === l.line && (
            <WhyForm
              label="What is wrong with it?"
              act="Send it back"
              done={(why) => void actions.sendBack(l, why).then(() => setAt(undefined))}
            />
          )}
        </li>
      ))}
    </ul>
  );
}

function LineHead({
  line: l,
  currency,
  when,
}: {
  readonly line: OrderLineView;
  readonly currency: string;
  readonly when: string;
}): React.JSX.Element {
  return (
    <>
      <span>
        <b>
          {l.count} × {l.title}
        </b>
        <small className="d-block">
          {l.number} · {l.supplier}
          {(l.askedMinor ?? l.priceMinor) !== null &&
            ` · ${moneyWords((l.askedMinor ?? l.priceMinor ?? 0) * l.count, currency)}`}
          {l.askedMinor !== null && l.priceMinor !== null && l.askedMinor !== l.priceMinor && (
            <span className="fw-bold">
              {' '}
              {l.askedMinor > l.priceMinor ? 'dearer' : 'cheaper'} than the list’s{' '}
              {moneyWords(l.priceMinor * l.count, currency)}
            </span>
          )}
        </small>
      </span>
      <span>
        <Link to={`/job/${l.job}`}>Job {l.jobNumber}</Link>
        <small className="d-block">
          {l.unit}
          {l.place && `, ${l.place}`}
        </small>
      </span>
      <span className={`when ${l.state}`}>{when}</span>
    </>
  );
}

/** What a kit is to hold, ticked before anything hangs on it. */
function KitCheck({
  line,
  done,
}: {
  readonly line: OrderLineView;
  readonly done: (missing: readonly string[]) => void;
}): React.JSX.Element {
  const [there, setThere] = useState<readonly string[]>([]);
  const parts = Object.entries(line.contents);
  const missing = parts.map(([p]) => p).filter((p) => !there.includes(p));
  return (
    <fieldset className="kitcheck">
      <legend>What is in it?</legend>
      {parts.map(([part, title]) => (
        <Button
          key={part}
          variant="line"
          aria-pressed={there.includes(part)}
          onClick={() => setThere(there.includes(part) ? there.filter((p) => p !== part) : [...there, part])}
        >
          {there.includes(part) ? '✓ ' : ''}
          {title}
        </Button>
      ))}
      <Button variant="ink" onClick={() => done(missing)}>
        {missing.length === 0 ? 'All in it' : `Take it in, ${missing.length} missing`}
      </Button>
    </fieldset>
  );
}

function WhyForm({
  label,
  act,
  done,
}: {
  readonly label: string;
  readonly act: string;
  readonly done: (why: string) => void;
}): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { why: '' } });
  const send = handleSubmit(({ why }) => {
    if (why.trim()) done(why);
  });
  return (
    <form className="kitcheck" noValidate onSubmit={(e) => void send(e)}>
      <Form.Control aria-label={label} placeholder={label} maxLength={400} autoFocus {...register('why')} />
      <Button type="submit" variant="ink" disabled={!watch('why').trim()}>
        {act}
      </Button>
    </form>
  );
}
