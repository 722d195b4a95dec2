import { answerHows, quoteAnswers, type QuoteState } from '@jubb/core/bench';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { moneyWords } from '../money.ts';
import { Go } from '../bench/panels/panel.tsx';

export interface QuoteAnswer {
  readonly answer: (typeof quoteAnswers)[number];
  readonly option?: string;
  readonly agreedMinor: number;
  readonly who: string;
  readonly how: (typeof answerHows)[number];
  readonly note: string;
}

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
  const [answer, setAnswer] = useState<QuoteAnswer['answer']>('yes');
  const [option, setOption] = useState<string>(quote.advised);
  const [who, setWho] = useState('');
  const [how, setHow] = useState<QuoteAnswer['how']>('by telephone');
  const [most, setMost] = useState('');
  const [note, setNote] = useState('');
  const mostMinor = Math.round(Number(most.replace(',', '.')) * 100);
  const sum = answer === 'only this much' ? mostMinor : 0;
  const ready =
    who.trim() !== '' &&
    (answer !== 'only this much' || (most !== '' && Number.isSafeInteger(mostMinor) && mostMinor >= 0));
  const submit = (): void =>
    send({
      answer,
      ...(answer === 'no' ? {} : { option }),
      agreedMinor: Number.isFinite(sum) ? sum : 0,
      who,
      how,
      note,
    });
  return (
    <form
      className="answer-form"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) submit();
      }}
    >
      <div className="answers" role="group" aria-label="Answer">
        {quoteAnswers.map((a) => (
          <button key={a} type="button" className="btn-line" aria-pressed={answer === a} onClick={() => setAnswer(a)}>
            {LABEL[a]}
          </button>
        ))}
      </div>
      <div className="answer-fields">
        {answer !== 'no' && (
          <Form.Select
            className="wide"
            aria-label="Which way out"
            value={option}
            onChange={(e) => setOption(e.target.value)}
          >
            {quote.options.map((o) => (
              <option key={o.id} value={o.id}>
                {o.title}, {moneyWords(o.totalMinor, quote.currency)}
              </option>
            ))}
          </Form.Select>
        )}
        {answer === 'only this much' && (
          <Form.Control
            id="most"
            aria-label={`Up to how much, ${quote.currency}, with tax`}
            placeholder={`Up to, ${quote.currency}, with tax`}
            inputMode="decimal"
            value={most}
            onChange={(e) => setMost(e.target.value)}
          />
        )}
        <Form.Control
          id="who"
          aria-label="Who said it"
          placeholder="Who said it"
          value={who}
          maxLength={120}
          onChange={(e) => setWho(e.target.value)}
        />
        <Form.Select aria-label="How" value={how} onChange={(e) => setHow(e.target.value as QuoteAnswer['how'])}>
          {answerHows.map((h) => (
            <option key={h}>{h}</option>
          ))}
        </Form.Select>
        <Form.Control
          className="wide"
          aria-label="Note"
          placeholder="Note"
          value={note}
          maxLength={400}
          onChange={(e) => setNote(e.target.value)}
        />
      </div>
      <Go label={`Record the ${answer === 'no' ? 'no' : 'yes'}`} act={submit} disabled={!ready || busy} />
    </form>
  );
}
