import { saidBy, type JobEvent, type Righted } from '@jubb/core/bench';
import { findings } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { newId } from '../../api/ids.ts';
import { QuantityField, readTyped } from '../../fields/quantity-field.tsx';
import { ReasonField, SAID_WRONG } from '../../fields/reason-field.tsx';
import { Dialog } from '../../frame/dialog.tsx';
import { minorOf } from '../../money.ts';
import type { Bench } from '../use-bench.ts';
import { dimensionOfReading } from './dimension-of-reading.ts';

/** Puts right what one event said: what it should have been, and why. The earlier one stays in the log. */
export function CorrectDialog({
  bench,
  event,
  close,
}: {
  readonly bench: Bench;
  readonly event: JobEvent;
  readonly close: () => void;
}): React.JSX.Element {
  const said = saidBy(bench.sheet, event);
  const { handleSubmit, watch, setValue } = useForm({ defaultValues: { why: '' } });
  const [to, setTo] = useState<Righted | { readonly error: string }>({});
  const why = watch('why');
  const right = (what: Righted): void => {
    // What was refused is said by the bench; the dialog goes either way, so that it can be read.
    bench.give({ type: 'correct', seq: event.seq, to: what, reason: why });
    close();
  };
  const submit = handleSubmit(() => {
    if (!('error' in to)) right(to);
  });
  const ready = why.trim() !== '' && !('error' in to) && Object.keys(to).length > 0;
  return (
    <Dialog name="correct" label="Put it right" width={620} typed close={close}>
      <form noValidate onSubmit={(e) => void submit(e)}>
        <h2>Put it right</h2>
        <p className="m-0">
          {said?.title}: <b>{said?.words}</b>
        </p>
        <p className="quiet">Said by {event.who.name}. It stays in the log; from here on the right one counts.</p>
        <RightForm bench={bench} event={event} set={setTo} />
        <ReasonField
          id="why-wrong"
          label="What was wrong with it"
          value={why}
          set={(text) => setValue('why', text)}
          ready={SAID_WRONG}
        />
        <div className="d-flex gap-2 flex-wrap mt-3">
          <Button type="submit" variant="ink" disabled={!ready}>
            Put it right
          </Button>
          {(event.type === 'reading-taken' || event.type === 'noted') && (
            <Button variant="line" disabled={!why.trim()} onClick={() => right({ gone: true })}>
              It was never so: take it out
            </Button>
          )}
          <Button variant="line" onClick={close}>
            Leave it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

type Set = (to: Righted | { readonly error: string }) => void;

/** The fields of what should have been said, by what was. */
function RightForm({
  bench,
  event,
  set,
}: {
  readonly bench: Bench;
  readonly event: JobEvent;
  readonly set: Set;
}): React.JSX.Element | null {
  const { sheet } = bench;
  switch (event.type) {
    case 'reading-taken':
      return <RightReading bench={bench} event={event} set={set} />;
    case 'looked':
      return (
        <Choices
          legend="What it should be"
          options={(sheet.looks[event.payload.look]?.choices ?? []).map((c) => [c.id, c.title] as const)}
          now={event.payload.choice}
          set={(choice) => set({ choice })}
        />
      );
    case 'sense-answered':
      return (
        <Choices
          legend={event.payload.ask}
          options={[
            ['yes', 'Yes'],
            ['no', 'No'],
          ]}
          now={event.payload.answer}
          set={(answer) => set({ answer })}
        />
      );
    case 'identified':
      return (
        <RightText id="right-answer" label="The answer" now={event.payload.answer} set={(answer) => set({ answer })} />
      );
    case 'counted':
      return <RightCount label="How many" now={event.payload.count} set={(count) => set({ count })} />;
    case 'parts-off':
      return (
        <>
          {event.payload.parts.map((p) => (
            <RightCount
              key={p.part}
              label={sheet.parts[p.part]?.title ?? p.part}
              now={p.count}
              set={(count) => set({ part: p.part, count })}
            />
          ))}
        </>
      );
    case 'finding-made':
      return (
        <Choices
          legend="The finding"
          options={findings.map((f) => [f, f] as const)}
          now={event.payload.finding}
          set={(f) => set({ finding: f as (typeof findings)[number] })}
        />
      );
    case 'noted':
      return <RightText id="right-note" label="The note" now={event.payload.text} set={(text) => set({ text })} />;
    case 'job-booked':
      return <RightBooking bench={bench} event={event} set={set} />;
    default:
      return null;
  }
}

function RightReading({
  bench,
  event,
  set,
}: {
  readonly bench: Bench;
  readonly event: Extract<JobEvent, { type: 'reading-taken' }>;
  readonly set: Set;
}): React.JSX.Element {
  const [text, setText] = useState('');
  const [error, setError] = useState<string>();
  const { unit } = event.payload.value;
  const type = (typed: string): void => {
    setText(typed);
    const read = readTyped(typed, dimensionOfReading(bench.sheet, event.payload), unit);
    setError('error' in read && typed.trim() !== '' ? read.error : undefined);
    set(read);
  };
  return <QuantityField id="right-reading" label="It should be" unit={unit} value={text} set={type} error={error} />;
}

function Choices({
  legend,
  options,
  now,
  set,
}: {
  readonly legend: string;
  readonly options: readonly (readonly [string, string])[];
  readonly now: string;
  readonly set: (id: string) => void;
}): React.JSX.Element {
  const [chosen, choose] = useState(now);
  return (
    <fieldset>
      <legend className="fs-6 fw-bold">{legend}</legend>
      {options.map(([id, title]) => (
        <Form.Check
          key={id}
          type="radio"
          id={`right-${id}`}
          name="right"
          label={title}
          checked={chosen === id}
          onChange={() => {
            choose(id);
            set(id);
          }}
        />
      ))}
    </fieldset>
  );
}

function RightCount({
  label,
  now,
  set,
}: {
  readonly label: string;
  readonly now: number;
  readonly set: (count: number) => void;
}): React.JSX.Element {
  return (
    <Form.Label className="d-flex gap-2 align-items-center">
      {label}
      <Form.Control
        type="number"
        min={0}
        defaultValue={now}
        style={{ width: 110, fontSize: 20 }}
        onChange={(e) => set(Math.trunc(Number(e.target.value)))}
      />
    </Form.Label>
  );
}

function RightText({
  id,
  label,
  now,
  set,
}: {
  readonly id: string;
  readonly label: string;
  readonly now: string;
  readonly set: (text: string) => void;
}): React.JSX.Element {
  return (
    <>
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control id={id} defaultValue={now} onChange={(e) => set(e.target.value)} />
    </>
  );
}

/** Serial, customer, complaint, spend limit and what was answered at the counter; only what was touched is sent. */
function RightBooking({
  bench,
  event,
  set,
}: {
  readonly bench: Bench;
  readonly event: Extract<JobEvent, { type: 'job-booked' }>;
  readonly set: Set;
}): React.JSX.Element {
  const { unit, customer, complaint, spendLimitMinor } = event.payload;
  const [changed, change] = useState<Righted>({});
  const righted = (more: Righted): void => {
    const next = { ...changed, ...more };
    change(next);
    set(next);
  };
  const limit = (text: string): void => {
    const minor = text.trim() === '' ? null : minorOf(text);
    if (minor === undefined) set({ error: `"${text}" is no sum` });
    else righted({ limitMinor: minor });
  };
  return (
    <>
      <RightText id="right-serial" label="Serial" now={unit.serial} set={(serial) => righted({ serial })} />
      <RightText
        id="right-customer"
        label="Customer"
        now={customer.name}
        // The server knows the customer of that name, or makes one.
        set={(name) => righted({ customer: { id: newId(), name } })}
      />
      <RightText id="right-complaint" label="Complaint" now={complaint} set={(c) => righted({ complaint: c })} />
      <RightText
        id="right-limit"
        label="Spend limit, empty for none"
        now={spendLimitMinor === null ? '' : (spendLimitMinor / 100).toFixed(2)}
        set={limit}
      />
      <RightAnswer bench={bench} event={event} set={(question, answer) => righted({ question, answer })} />
    </>
  );
}

/** One of the questions of which unit it is: the ladder follows the right answer. */
function RightAnswer({
  bench,
  event,
  set,
}: {
  readonly bench: Bench;
  readonly event: Extract<JobEvent, { type: 'job-booked' }>;
  readonly set: (question: string, answer: string) => void;
}): React.JSX.Element | null {
  const [question, choose] = useState('');
  const asked = bench.sheet.identify;
  if (asked.length === 0) return null;
  const told = event.payload.identified.find((i) => i.question === question)?.answer ?? '';
  return (
    <>
      <Form.Label htmlFor="right-question">An answer at the counter</Form.Label>
      <Form.Select id="right-question" value={question} onChange={(e) => choose(e.target.value)}>
        <option value="">stays as it is</option>
        {asked.map((q) => (
          <option key={q.id} value={q.id}>
            {q.ask}
          </option>
        ))}
      </Form.Select>
      {question !== '' && (
        <RightText key={question} id="right-told" label="It should be" now={told} set={(a) => set(question, a)} />
      )}
    </>
  );
}
