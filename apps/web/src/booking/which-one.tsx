import type { Sheet } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { meaning } from '../bench/panels/identify/identify-panel.tsx';

/** The questions that need no dismantling: measured with its unit, or one of the words. Each may be left open. */
export function WhichOne({
  sheet,
  answers,
  errors,
  answer,
}: {
  readonly sheet: Sheet;
  readonly answers: Readonly<Record<number, string>>;
  readonly errors: Readonly<Record<number, string>>;
  readonly answer: (question: number, text: string) => void;
}): React.JSX.Element {
  const atCounter = sheet.identify.filter((q) => q.needs === 'nothing');
  const later = sheet.identify.filter((q) => q.needs !== 'nothing');
  return (
    <>
      <div className="which-one">
        {atCounter.map((q, i) => (
          <div key={q.id}>
            <Form.Label htmlFor={`ask-${i}`}>
              {i === 0 ? 'Which one is it? ' : ''}
              {q.ask}
            </Form.Label>
            {q.by === 'measure' ? (
              <>
                <Form.Control
                  id={`ask-${i}`}
                  autoComplete="off"
                  placeholder="with its unit, such as 65.2 mm"
                  value={answers[i] ?? ''}
                  isInvalid={errors[i] !== undefined}
                  onChange={(e) => answer(i, e.target.value)}
                />
                <small>
                  {q.gauge ? `Read with the ${q.gauge}. ` : ''}
                  {q.choices.map((c) => meaning(sheet, c)).join(' or ')}
                </small>
              </>
            ) : (
              <div className="picks" id={`ask-${i}`} role="group" aria-label={q.ask}>
                {q.choices.map((c) => (
                  <Button
                    key={c.word}
                    variant="line"
                    aria-pressed={answers[i] === c.word}
                    title={meaning(sheet, c)}
                    onClick={() => answer(i, answers[i] === c.word ? '' : c.word!)}
                  >
                    {c.word}
                  </Button>
                ))}
                {answers[i] && (
                  <small className="align-self-center">
                    {q.choices.filter((c) => c.word === answers[i]).map((c) => meaning(sheet, c))}
                  </small>
                )}
              </div>
            )}
            {errors[i] && (
              <p className="field-error" role="alert">
                {errors[i]}
              </p>
            )}
          </div>
        ))}
      </div>
      {later.length > 0 && (
        <p className="past m-0">
          Told later, once it is {later[0]!.needs === 'cover' ? 'open' : 'stripped'}:{' '}
          {later.map((q) => q.ask).join('; ')}
        </p>
      )}
    </>
  );
}
