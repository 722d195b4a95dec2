import { OwnInstrumentDto, type InstrumentView } from '@jubb/contract';
import { ownInstrumentKinds, ranOut, rangeOf, usualUnits, type OwnInstrumentKind } from '@jubb/core/bench';
import { standsFor } from '@jubb/core/sheet';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { api } from '../api/client.ts';
import { queries } from '../api/queries.ts';
import { useWrite } from '../api/use-write.ts';
import { typedNumber } from '../fields/typed-number.ts';
import { READ_BY, today } from '../instruments/said.ts';
import { Certificates } from './certificates.tsx';
import { Choice, Field } from '../fields/form-field.tsx';
import { Wrong } from '../fields/wrong.tsx';

const STALE = [['instruments'], ['shop'], ['week']];
const titleOf = (kind: string): string => kind[0]!.toUpperCase() + kind.slice(1).replaceAll('-', ' ');
const KINDS = ownInstrumentKinds.map((k) => [k, titleOf(k)] as const);
const WAYS = [
  ['typed', READ_BY.typed],
  ['keyboard', READ_BY.keyboard],
  ['port', READ_BY.port],
] as const;
/** What a torque wrench has beside the rest. */
const OF_A_WRENCH = [
  ['minNm', 'From, N·m'],
  ['maxNm', 'To, N·m'],
  ['lengthMm', 'Square to grip, mm'],
  ['graduation', 'One step of its scale'],
] as const;
/** Wrenches, gauges and meters of the shop, with range, uncertainty and calibration. */
export function Instruments(): React.JSX.Element {
  // Somebody else may have changed it since this device looked.
  const list = useQuery({ ...queries.instruments(), refetchOnMount: 'always' });
  const certificates = useQuery(queries.certificates());
  const [open, setOpen] = useState<string>();
  if (!list.data) return <p className="empty">{list.isError ? list.error.message : 'Looking for the instruments …'}</p>;
  const day = today();
  return (
    <>
      {open === 'new' ? (
        <InstrumentForm done={() => setOpen(undefined)} />
      ) : (
        <Button variant="line" className="mt-3" onClick={() => setOpen('new')}>
          Add an instrument
        </Button>
      )}
      <ul className="shoplist" aria-label="Instruments">
        {list.data.map((i) => (
          <li key={i.id}>
            <div className="shopline">
              <span>
                <b>{i.name}</b>
                <small className="d-block">{factsOf(i)}</small>
              </span>
              <span className={ranOut(i.calibratedTo, day) ? 'field-error' : 'quiet'}>{dateWords(i, day)}</span>
              <Off instrument={i} change={i.simulated ? undefined : () => setOpen(open === i.id ? undefined : i.id)} />
            </div>
            {!i.simulated && (
              <Certificates
                instrument={i}
                all={certificates.data?.filter((c) => c.instrument === i.id) ?? []}
                change={open === i.id}
              />
            )}
            {open === i.id && <InstrumentForm instrument={i} done={() => setOpen(undefined)} />}
          </li>
        ))}
      </ul>
    </>
  );
}

function dateWords(i: InstrumentView, day: string): string {
  if (i.calibratedTo === null) return 'never calibrated';
  return `${ranOut(i.calibratedTo, day) ? 'out of date since' : 'calibrated to'} ${format(new Date(i.calibratedTo), 'd MMM yyyy')}`;
}

function factsOf(i: InstrumentView): string {
  const range = i.wrench ? `${rangeOf(i.wrench).min} to ${rangeOf(i.wrench).max} N·m` : titleOf(i.kind);
  return [
    range,
    i.number ? `no. ${i.number}` : '',
    `± ${i.uncertainty?.value ?? '?'} ${i.unit}`,
    i.simulated ? 'simulated' : READ_BY[i.readBy],
  ]
    .filter((w) => w !== '')
    .join(', ');
}

/** Off the list: asked twice. What was read with it stays in the records. */
function Off({
  instrument,
  change,
}: {
  readonly instrument: InstrumentView;
  readonly change: (() => void) | undefined;
}): React.JSX.Element {
  const [asked, setAsked] = useState(false);
  const { write, wrong, busy } = useWrite(() => api(`shop/instruments/${instrument.id}`, undefined, 'DELETE'), {
    stale: STALE,
  });
  return (
    <span className="answers ms-auto">
      {change && (
        <Button variant="line" onClick={change}>
          Change
        </Button>
      )}
      <Button
        variant="line"
        className={asked ? 'danger' : undefined}
        disabled={busy}
        onClick={() => (asked ? write() : setAsked(true))}
      >
        {asked ? 'Yes, off the list' : 'Not here any more …'}
      </Button>
      <Wrong says={wrong} />
    </span>
  );
}

type Fields = InstanceType<typeof OwnInstrumentDto>;
const asNumber = { setValueAs: (v: string | number) => (v === '' ? undefined : typedNumber(String(v))) };
const asText = { setValueAs: (v: string) => (v === '' ? undefined : v) };

function fieldsOf(i: InstrumentView | undefined): Partial<Fields> {
  if (!i) return { kind: 'torque-wrench', unit: usualUnits['torque-wrench'], readBy: 'typed' };
  const { name, kind, unit, resolution, wrench } = i;
  return {
    name,
    kind: kind,
    unit,
    resolution,
    uncertainty: i.uncertainty?.value ?? 0,
    readBy: i.readBy,
    ...(i.line ? { line: i.line } : {}),
    ...(i.number === null ? {} : { number: i.number }),
    ...(i.calibratedTo === null ? {} : { calibratedTo: i.calibratedTo }),
    ...(wrench ? { wrench: { ...wrench, minNm: rangeOf(wrench).min } } : {}),
  };
}

/** A new instrument of the shop's own, or one that is put right. */
function InstrumentForm({
  instrument,
  done,
}: {
  readonly instrument?: InstrumentView;
  readonly done: () => void;
}): React.JSX.Element {
  const { register, handleSubmit, formState, watch, setValue } = useForm<Fields>({
    resolver: classValidatorResolver(OwnInstrumentDto),
    defaultValues: fieldsOf(instrument),
    shouldUnregister: true,
  });
  const { written, wrong, busy } = useWrite(
    (fields: Fields) =>
      instrument ? api(`shop/instruments/${instrument.id}`, fields, 'PUT') : api('shop/instruments', fields),
    { stale: STALE },
  );
  const save = handleSubmit(async (fields) => {
    if (await written(fields)) done();
  });
  const { errors } = formState;
  const kind = watch('kind');
  return (
    <form
      className="shopform"
      noValidate
      aria-label={instrument ? instrument.name : 'A new instrument'}
      onSubmit={(e) => void save(e)}
    >
      <Field label="Name" input={register('name')} wrong={errors.name?.message} />
      <Choice
        label="Kind"
        input={register('kind', {
          onChange: ({ target: { value } }: { target: { value: OwnInstrumentKind } }) => {
            setValue('unit', usualUnits[value]);
            // Its curves come over a line: nobody types them.
            if (Object.hasOwn(standsFor, value)) setValue('readBy', 'port');
          },
        })}
        options={KINDS}
      />
      <Field label="Its number" input={register('number', asText)} wrong={errors.number?.message} />
      <Field label="Unit" input={register('unit')} wrong={errors.unit?.message} />
      <Field
        label="Smallest step"
        input={register('resolution', asNumber)}
        wrong={errors.resolution?.message}
        inputMode="decimal"
      />
      <Field
        label="Uncertainty, ±"
        input={register('uncertainty', asNumber)}
        wrong={errors.uncertainty?.message}
        inputMode="decimal"
      />
      {kind === 'torque-wrench' &&
        OF_A_WRENCH.map(([field, label]) => (
          <Field
            key={field}
            label={label}
            input={register(`wrench.${field}`, asNumber)}
            wrong={errors.wrench?.[field]?.message}
            inputMode="decimal"
          />
        ))}
      <Field
        label="Calibration holds until"
        type="date"
        input={register('calibratedTo', asText)}
        wrong={errors.calibratedTo?.message}
      />
      <Choice label="How it is read" input={register('readBy')} options={WAYS} />
      {watch('readBy') === 'port' && (
        <Field
          label="Its line: host and port"
          placeholder="192.168.7.30:7900"
          input={register('line')}
          wrong={errors.line?.message}
        />
      )}
      <div className="answers">
        <Button type="submit" variant="ink" disabled={busy}>
          {instrument ? 'Keep' : 'Add'}
        </Button>
        <Button variant="line" onClick={done}>
          Close
        </Button>
      </div>
      <Wrong says={wrong} />
    </form>
  );
}
