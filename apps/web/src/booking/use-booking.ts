import { BookInDto, type CustomerView, type UnitView } from '@jubb/contract';
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../api/client.ts';
import { newId } from '../api/ids.ts';
import type { Opened } from './opened-before.tsx';

export type Fields = InstanceType<typeof BookInDto>;
/** What the server said no to: the field that it names, and why. */
interface Failed {
  readonly field: string;
  readonly words: string;
}
export interface Booking {
  readonly form: UseFormReturn<Fields>;
  readonly unit: UnitView | undefined;
  readonly customer: CustomerView | undefined;
  /** A unit that is known brings its customer, its sheet and its hours; undefined: another one. */
  readonly pickUnit: (unit: UnitView | undefined) => void;
  readonly pickCustomer: (customer: CustomerView | undefined) => void;
  /** Answers to the sheet's questions, by their place. */
  readonly answers: Readonly<Record<number, string>>;
  readonly answerErrors: Readonly<Record<number, string>>;
  readonly answer: (question: number, text: string) => void;
  readonly forgetAnswers: () => void;
  readonly opened: Opened;
  readonly setOpened: (opened: Opened) => void;
  readonly failed: Failed | undefined;
  /** Books it in. `leaveOpen`: an answer that decides nothing is asked again at the bench. */
  readonly send: (leaveOpen?: boolean) => Promise<void>;
}

/** Booking a unit in, from the first letter until the bench opens. Sent twice it is booked once: the command keeps its id. */
export function useBooking(): Booking {
  const navigate = useNavigate();
  const client = useQueryClient();
  const [unit, setUnit] = useState<UnitView>();
  const [customer, setCustomer] = useState<CustomerView>();
  const [answers, setAnswers] = useState<Readonly<Record<number, string>>>({});
  const [answerErrors, setAnswerErrors] = useState<Readonly<Record<number, string>>>({});
  const [opened, setOpened] = useState<Opened>({ signs: [], why: '' });
  const [failed, setFailed] = useState<Failed>();
  const [commandId] = useState(() => newId());
  const form = useForm<Fields>({
    resolver: classValidatorResolver(BookInDto),
    defaultValues: { commandId, sheet: '', answers: [], complaint: '', customerName: '', serial: '' },
  });
  const { setValue } = form;
  const pickCustomer = (picked: CustomerView | undefined): void => {
    setCustomer(picked);
    setValue('customerId', picked?.id);
    setValue('customerName', picked ? undefined : '');
  };
  const pickUnit = (picked: UnitView | undefined): void => {
    setUnit(picked);
    setValue('unitId', picked?.id);
    setValue('serial', picked ? undefined : '');
    if (!picked) return;
    setValue('sheet', picked.sheet);
    setValue('scope', undefined);
    setValue('hoursPerWeek', picked.hoursPerWeek ?? undefined);
    pickCustomer(picked.customer);
  };
  const refused = (e: unknown): void => {
    if (e instanceof ApiError && e.problem.errors) {
      const [field, words] = Object.entries(e.problem.errors)[0]!;
      const question = /^answers\.(\d+)/.exec(field)?.[1];
      if (question !== undefined) setAnswerErrors({ [Number(question)]: words[0] ?? '' });
      setFailed({ field, words: words[0] ?? e.message });
      return;
    }
    const says =
      e instanceof Error ? `${e.message}. Nothing was booked; what you typed is still here.` : 'Nothing was booked.';
    setFailed({ field: '', words: says });
  };
  const book = async (fields: Fields, leaveOpen: boolean): Promise<void> => {
    setFailed(undefined);
    setAnswerErrors({});
    try {
      const { id } = await api<{ id: string }>('jobs', {
        ...fields,
        answers: given(answers),
        ...(leaveOpen ? { leaveOpen } : {}),
        ...openedBefore(opened, unit),
      });
      await client.invalidateQueries({ queryKey: ['floor'] });
      void navigate(`/job/${id}`);
    } catch (e) {
      refused(e);
    }
  };
  return {
    form,
    unit,
    customer,
    pickUnit,
    pickCustomer,
    answers,
    answerErrors,
    answer: (i, text) => {
      setAnswers((before) => ({ ...before, [i]: text }));
      setAnswerErrors({});
    },
    forgetAnswers: () => setAnswers({}),
    opened,
    setOpened,
    failed,
    send: (leaveOpen = false) => form.handleSubmit((fields) => book(fields, leaveOpen))(),
  };
}

const given = (answers: Booking['answers']): { readonly question: number; readonly answer: string }[] =>
  Object.entries(answers)
    .filter(([, answer]) => answer.trim() !== '')
    .map(([question, answer]) => ({ question: Number(question), answer }));

/** Was it opened before, as far as anybody says so; one that was here was. */
function openedBefore({ answer, signs, why }: Opened, unit: UnitView | undefined): { readonly opened?: object } {
  const said = answer ?? (unit && unit.visits.length > 0 ? 'yes' : undefined);
  return said ? { opened: { answer: said, signs, ...(why.trim() ? { why } : {}) } } : {};
}
