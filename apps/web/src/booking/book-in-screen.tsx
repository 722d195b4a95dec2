import { BookInDto, type CustomerView, type MeView, type UnitView } from '@jubb/contract';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { format } from 'date-fns';
import { useForm } from 'react-hook-form';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import { queries } from '../api/queries.ts';
import { OpenedBefore, type Opened, WhyBack } from './opened-before.tsx';
import { PromiseAsk } from './promise-ask.tsx';
import { WhichOne } from './which-one.tsx';

type Fields = InstanceType<typeof BookInDto>;

/** Books a unit in: customer and unit are found while typing; the sheet asks which one it is. */
export default function BookInScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const navigate = useNavigate();
  const client = useQueryClient();
  const sheets = useQuery(queries.sheets());
  const floor = useQuery(queries.floor());
  const [customer, setCustomer] = useState<CustomerView>();
  const [unit, setUnit] = useState<UnitView>();
  const [answers, setAnswers] = useState<Readonly<Record<number, string>>>({});
  const [answerErrors, setAnswerErrors] = useState<Readonly<Record<number, string>>>({});
  const [opened, setOpened] = useState<Opened>({ signs: [], why: '' });
  const [failed, setFailed] = useState<{ readonly field: string; readonly words: string }>();
  const [commandId] = useState(() => newId());
  const { register, handleSubmit, watch, setValue, formState } = useForm<Fields>({
    resolver: classValidatorResolver(BookInDto),
    defaultValues: { commandId, sheet: '', answers: [], complaint: '', customerName: '', serial: '' },
  });
  const typedName = watch('customerName') ?? '';
  const typedSerial = watch('serial') ?? '';
  const customers = useQuery(queries.customers(customer ? '' : typedName));
  const units = useQuery(queries.units(unit ? '' : typedSerial));
  const sheet = useQuery(queries.sheet(watch('sheet')));
  const errors = formState.errors;
  const error = (
    name: 'customerName' | 'serial' | 'complaint' | 'promise' | 'spendLimitMinor' | 'hoursPerWeek' | 'sheet',
  ): React.JSX.Element | null =>
    errors[name]?.message ? (
      <p className="field-error" role="alert">
        {errors[name].message}
      </p>
    ) : null;
  const freePlaces = (floor.data?.places ?? []).filter((p) => !floor.data?.jobs.some((j) => j.place === p));
  const kinds = [...new Set((sheets.data ?? []).map((s) => s.kind))].sort();

  const send = async (form: Fields, leaveOpen: boolean): Promise<void> => {
    setFailed(undefined);
    setAnswerErrors({});
    const body = {
      ...form,
      answers: Object.entries(answers)
        .filter(([, answer]) => answer.trim() !== '')
        .map(([question, answer]) => ({ question: Number(question), answer })),
      ...(leaveOpen ? { leaveOpen } : {}),
      ...(opened.answer
        ? { opened: { answer: opened.answer, signs: opened.signs, ...(opened.why.trim() ? { why: opened.why } : {}) } }
        : unit && unit.visits.length > 0
          ? { opened: { answer: 'yes', signs: opened.signs, ...(opened.why.trim() ? { why: opened.why } : {}) } }
          : {}),
    };
    try {
      const { id } = await api<{ id: string }>('jobs', body);
      await client.invalidateQueries({ queryKey: ['floor'] });
      void navigate(`/job/${id}`);
    } catch (e) {
      if (e instanceof ApiError && e.problem.errors) {
        const [field, words] = Object.entries(e.problem.errors)[0]!;
        const question = /^answers\.(\d+)/.exec(field)?.[1];
        if (question !== undefined) setAnswerErrors({ [Number(question)]: words[0] ?? '' });
        setFailed({ field, words: words[0] ?? e.message });
      } else
        setFailed({
          field: '',
          words:
            e instanceof Error
              ? `${e.message}. Nothing was booked; what you typed is still here.`
              : 'Nothing was booked.',
        });
    }
  };
  const submit = handleSubmit((form) => send(form, false));
  const pickUnit = (u: UnitView): void => {
    setUnit(u);
    setValue('unitId', u.id);
    setValue('serial', undefined);
    setValue('sheet', u.sheet);
    setCustomer(u.customer);
    setValue('customerId', u.customer.id);
    setValue('customerName', undefined);
    setValue('hoursPerWeek', u.hoursPerWeek ?? undefined);
  };
  return (
    <main className="page">
      <h1>Book in a unit</h1>
      <form onSubmit={(e) => void submit(e)} className="mt-1" noValidate>
        <div className="two">
          <div>
            <Form.Label htmlFor="serial">Serial on the unit</Form.Label>
            {unit ? (
              <div className="d-flex gap-2 align-items-center">
                <b style={{ fontSize: 20 }}>{unit.serial}</b> {unit.model}
                <button
                  type="button"
                  className="btn-line"
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
            <Form.Select
              id="sheet"
              {...register('sheet', { onChange: () => setAnswers({}) })}
              isInvalid={!!errors.sheet}
            >
              <option value="">Choose</option>
              {kinds.map((kind) => (
                <optgroup key={kind} label={kind}>
                  {sheets.data
                    ?.filter((s) => s.kind === kind)
                    .map((s) => (
                      <option key={s.id} value={s.id}>
                        {s.title}
                      </option>
                    ))}
                </optgroup>
              ))}
            </Form.Select>
            {error('sheet')}
          </div>
          <OpenedBefore sheet={sheet.data} unit={unit} opened={opened} change={setOpened} />
          <div className="d-flex flex-column gap-3">
            <WhyBack
              unit={unit}
              opened={opened}
              change={setOpened}
              error={failed?.field === 'opened.why' ? failed.words : undefined}
            />
            {sheet.data && (
              <WhichOne
                sheet={sheet.data}
                answers={answers}
                errors={answerErrors}
                answer={(i, text) => {
                  setAnswers((before) => ({ ...before, [i]: text }));
                  setAnswerErrors({});
                }}
              />
            )}
            {failed?.field.startsWith('answers') && (
              <button type="button" className="btn-line" onClick={() => void handleSubmit((f) => send(f, true))()}>
                Leave it open: the bench asks again
              </button>
            )}
          </div>
          <PromiseAsk
            key={watch('sheet')}
            sheet={watch('sheet')}
            take={(at) => setValue('promise', format(at, "yyyy-MM-dd'T'HH:mm"))}
          />
          <div className="wide lastrow">
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
              <Form.Label htmlFor="limit">May be spent, {me.workshop.currency}</Form.Label>
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
              <Form.Label htmlFor="runs">Runs, hours a week</Form.Label>
              <Form.Control
                id="runs"
                inputMode="decimal"
                placeholder="not known"
                isInvalid={!!errors.hoursPerWeek}
                {...register('hoursPerWeek', {
                  setValueAs: (v: string | number | undefined) => (v === '' || v === undefined ? undefined : Number(v)),
                })}
              />
              {error('hoursPerWeek')}
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
        {failed && failed.field !== 'opened.why' && !failed.field.startsWith('answers') && (
          <p className="field-error mt-3" role="alert">
            {failed.words}
          </p>
        )}
        <div className="bookin-go">
          <button type="submit" className="btn-go" disabled={formState.isSubmitting}>
            Book in <kbd>Enter</kbd>
          </button>
        </div>
      </form>
    </main>
  );
}
