import { BookInDto, type CustomerView, type UnitView } from '@jubb/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../api/client.ts';
import { queries } from '../api/queries.ts';

type Fields = InstanceType<typeof BookInDto>;

/** Books a unit in: customer and unit are found while typing. */
export default function BookInScreen(): React.JSX.Element {
  const navigate = useNavigate();
  const client = useQueryClient();
  const sheets = useQuery(queries.sheets());
  const floor = useQuery(queries.floor());
  const [customer, setCustomer] = useState<CustomerView>();
  const [unit, setUnit] = useState<UnitView>();
  const [failed, setFailed] = useState<string>();
  const [commandId] = useState(() => crypto.randomUUID());
  const { register, handleSubmit, watch, setValue, setError, formState } = useForm<Fields>({
    resolver: classValidatorResolver(BookInDto),
    defaultValues: { commandId, sheet: 'hub-dolly', answers: [], complaint: '', customerName: '', serial: '' },
  });
  const typedName = watch('customerName') ?? '';
  const typedSerial = watch('serial') ?? '';
  const customers = useQuery(queries.customers(customer ? '' : typedName));
  const units = useQuery(queries.units(unit ? '' : typedSerial));
  const sheet = useQuery(queries.sheet(watch('sheet')));
  const errors = formState.errors;
  const error = (
    name: 'customerName' | 'serial' | 'complaint' | 'promise' | 'spendLimitMinor' | 'sheet',
  ): React.JSX.Element | null =>
    errors[name]?.message ? (
      <p className="field-error" role="alert">
        {errors[name].message}
      </p>
    ) : null;
  const freePlaces = (floor.data?.places ?? []).filter((p) => !floor.data?.jobs.some((j) => j.place === p));

  const submit = handleSubmit(async (form) => {
    setFailed(undefined);
    try {
      const { id } = await api<{ id: string }>('jobs', form);
      await client.invalidateQueries({ queryKey: ['floor'] });
      void navigate(`/job/${id}`);
    } catch (e) {
      if (e instanceof ApiError && e.problem.errors) {
        const [field, words] = Object.entries(e.problem.errors)[0]!;
        if (field.startsWith('answers')) setError('answers.0.answer', { message: words[0] ?? '' });
        setFailed(words[0]);
      } else
        setFailed(
          e instanceof Error
            ? `${e.message}. Nothing was booked; what you typed is still here.`
            : 'Nothing was booked.',
        );
    }
  });
  const pickUnit = (u: UnitView): void => {
    setUnit(u);
    setValue('unitId', u.id);
    setValue('serial', undefined);
    setCustomer(u.customer);
    setValue('customerId', u.customer.id);
    setValue('customerName', undefined);
  };
  return (
    <main className="page">
      <h1>Book in a unit</h1>
      <form onSubmit={(e) => void submit(e)} className="mt-3" noValidate>
        <div className="two">
          <div>
            <Form.Label htmlFor="serial">Serial on the unit</Form.Label>
            {unit ? (
              <div className="past">
                <b>{unit.serial}</b>, {unit.model}, {unit.customer.name}
                {unit.visits.length > 0 && (
                  <div className="fw-bold mt-1">
                    Here before: {unit.visits.length === 1 ? 'once' : `${unit.visits.length} times`}. Why is it back?
                  </div>
                )}
                {unit.visits.slice(0, 2).map((v) => (
                  <div key={v.jobId}>
                    Job {v.number}, {format(new Date(v.booked), 'd MMM yyyy')}: {v.complaint}
                    <small className="d-block">{v.outcome.join(' · ')}</small>
                  </div>
                ))}
                <button
                  type="button"
                  className="btn-line mt-2"
                  onClick={() => {
                    setUnit(undefined);
                    setValue('unitId', undefined);
                    setValue('serial', '');
                  }}
                >
                  Another unit
                </button>
              </div>
            ) : (
              <>
                <Form.Control id="serial" autoComplete="off" {...register('serial')} isInvalid={!!errors.serial} />
                <div className="picks">
                  {units.data?.map((u) => (
                    <button type="button" key={u.id} className="btn-line" onClick={() => pickUnit(u)}>
                      {u.serial}, {u.customer.name}
                      {u.visits.length ? ', here before' : ''}
                    </button>
                  ))}
                </div>
                {error('serial')}
              </>
            )}
          </div>
          <div>
            <Form.Label htmlFor="customer">Customer</Form.Label>
            {customer ? (
              <div className="d-flex gap-2 align-items-center">
                <b style={{ fontSize: 20 }}>{customer.name}</b>
                <button
                  type="button"
                  className="btn-line"
                  onClick={() => {
                    setCustomer(undefined);
                    setValue('customerId', undefined);
                    setValue('customerName', '');
                  }}
                >
                  Another
                </button>
              </div>
            ) : (
              <>
                <Form.Control
                  id="customer"
                  autoComplete="off"
                  {...register('customerName')}
                  isInvalid={!!errors.customerName}
                />
                <div className="picks">
                  {customers.data?.map((c) => (
                    <button
                      type="button"
                      key={c.id}
                      className="btn-line"
                      onClick={() => {
                        setCustomer(c);
                        setValue('customerId', c.id);
                        setValue('customerName', undefined);
                      }}
                    >
                      {c.name}
                    </button>
                  ))}
                </div>
                {error('customerName')}
              </>
            )}
          </div>
          <div>
            <Form.Label htmlFor="complaint">What is wrong with it</Form.Label>
            <Form.Control
              id="complaint"
              as="textarea"
              rows={2}
              {...register('complaint')}
              isInvalid={!!errors.complaint}
            />
            {error('complaint')}
          </div>
          <div>
            <Form.Label htmlFor="sheet">Build sheet</Form.Label>
            <Form.Select id="sheet" {...register('sheet')}>
              {sheets.data?.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.title}
                </option>
              ))}
            </Form.Select>
            {error('sheet')}
          </div>
          {sheet.data?.identify.map((q, i) => (
            <div key={q.ask}>
              <Form.Label htmlFor={`ask-${i}`}>Which one is it? {q.ask}</Form.Label>
              <Form.Control
                id={`ask-${i}`}
                autoComplete="off"
                placeholder={q.dimension ? 'such as 65.2 mm' : ''}
                {...register(`answers.${i}.answer`, { onChange: () => setValue(`answers.${i}.question`, i) })}
                isInvalid={!!errors.answers?.[i]}
              />
              <small>
                {q.gauge ? `Read with the ${q.gauge}. ` : ''}
                {q.choices.map((c) => sheet.data.variants.find((v) => v.id === c.variant)?.title).join(' or ')}
              </small>
              {errors.answers?.[i]?.answer?.message && (
                <p className="field-error" role="alert">
                  {errors.answers[i].answer.message}
                </p>
              )}
            </div>
          ))}
          <div className="d-flex gap-3">
            <div className="flex-fill">
              <Form.Label htmlFor="promise">Wanted by</Form.Label>
              <Form.Control
                id="promise"
                type="datetime-local"
                {...register('promise', { setValueAs: (v: string) => (v ? new Date(v).toISOString() : undefined) })}
              />
              {error('promise')}
            </div>
            <div className="flex-fill">
              <Form.Label htmlFor="limit">May be spent, £</Form.Label>
              <Form.Control
                id="limit"
                type="number"
                min={0}
                {...register('spendLimitMinor', {
                  setValueAs: (v: string) =>
                    v === '' || v === undefined || v === null ? undefined : Math.round(Number(v) * 100),
                })}
              />
              {error('spendLimitMinor')}
            </div>
            <div className="flex-fill">
              <Form.Label htmlFor="place">Bench</Form.Label>
              <Form.Select id="place" {...register('place', { setValueAs: (v: string) => v || undefined })}>
                <option value="">none yet</option>
                {freePlaces.map((p) => (
                  <option key={p}>{p}</option>
                ))}
              </Form.Select>
            </div>
          </div>
        </div>
        {failed && (
          <p className="field-error mt-3" role="alert">
            {failed}
          </p>
        )}
        <button type="submit" className="btn-go mt-3" style={{ maxWidth: 1100 }} disabled={formState.isSubmitting}>
          Book in <kbd>Enter</kbd>
        </button>
      </form>
    </main>
  );
}
