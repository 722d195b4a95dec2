import { answerHows, quoteAnswers, type QuoteState } from '@jubb/core/bench';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import { moneyWords } from '../money.ts';
import { Go } from '../bench/panels/panel.tsx';
import { typedNumber } from '../fields/typed-number.ts';

export interface QuoteAnswer {
  readonly answer: (typeof quoteAnswers)[number];
  readonly option?: string;
  readonly agreedMinor: number;
  readonly who: string;
  readonly how: (typeof answerHows)[number];
  readonly note: string;
}

type Fields = Required<Omit<QuoteAnswer, 'agreedMinor'>> & { readonly most: string };
const LABEL = { yes: 'Yes', no: 'No', 'only this much': 'Only this much' } as const;

/** The customer's word on a quote: to what, who said it, and how. */
export function AnswerForm({
  quote,
  send,
  busy,
}: {
  readonly quote: QuoteState;
  readonly send: (answer: QuoteAnswer) => void;
  readonly busy: boolean;
}): React.JSX.Element {
  const { register, handleSubmit, watch, setValue } = useForm<Fields>({
    defaultValues: { answer: 'yes', option: quote.advised, who: '', how: 'by telephone', most: '', note: '' },
  });
  const [answer, who, most] = watch(['answer', 'who', 'most']);
  const mostMinor = Math.round(typedNumber(most) * 100);
  const limited = answer === 'only this much';
  const ready = who.trim() !== '' && (!limited || (Number.isSafeInteger(mostMinor) && mostMinor >= 0));
  const submit = handleSubmit(({ option, most: _typed, ...said }) => {
    if (ready) send({ ...said, ...(said.answer === 'no' ? {} : { option }), agreedMinor: limited ? mostMinor : 0 });
  });
  return (
    <form className="answer-form" noValidate onSubmit={(e) => void submit(e)}>
      <div className="answers" role="group" aria-label="Answer">
        {quoteAnswers.map((a) => (
          <Button key={a} variant="line" aria-pressed={answer === a} onClick={() => setValue('answer', a)}>
            {LABEL[a]}
          </Button>
        ))}
      </div>
      <div className="answer-fields">
        {answer !== 'no' && (
          <Form.Select className="wide" aria-label="Which way out" {...register('option')}>
            {quote.options.map((o) => (
              <option key={o.id} value={o.id}>
                {o.title}, {moneyWords(o.totalMinor, quote.currency)}
              </option>
            ))}
          </Form.Select>
        )}
        {limited && (
          <Form.Control
            id="most"
            aria-label={`Up to how much, ${quote.currency}, with tax`}
            placeholder={`Up to, ${quote.currency}, with tax`}
            inputMode="decimal"
            {...register('most')}
          />
        )}
        <Form.Control
          id="who"
          aria-label="Who said it"
          placeholder="Who said it"
          maxLength={120}
          {...register('who')}
        />
        <Form.Select aria-label="How" {...register('how')}>
          {answerHows.map((h) => (
            <option key={h}>{h}</option>
          ))}
        </Form.Select>
        <Form.Control className="wide" aria-label="Note" placeholder="Note" maxLength={400} {...register('note')} />
      </div>
      <Go label={`Record the ${answer === 'no' ? 'no' : 'yes'}`} act={() => void submit()} disabled={!ready || busy} />
    </form>
  );
}
