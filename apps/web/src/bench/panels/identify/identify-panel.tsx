import { variantsLeft } from '@jubb/core/bench';
import { formatBand } from '@jubb/core/quantities';
import type { IdentifyQuestion, Sheet } from '@jubb/core/sheet';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { useForm } from 'react-hook-form';
import type { Bench } from '../../use-bench.ts';
import type { PanelProps } from '../panel.tsx';

/** A question that opening the unit can answer, on its rung. */
export function IdentifyPanel({ bench, op }: PanelProps<'identify'>): React.JSX.Element {
  const question = bench.sheet.identify.find((q) => q.id === op.question)!;
  return (
    <div className="op">
      <AnswerForm bench={bench} question={question} op={op.id} />
    </div>
  );
}

/** What the answer can be, and the answer: a press for a word or a count, typed with its unit for a measure. */
export function AnswerForm({
  bench,
  question,
  op,
}: {
  readonly bench: Bench;
  readonly question: IdentifyQuestion;
  readonly op?: string;
}): React.JSX.Element {
  const { register, handleSubmit } = useForm({ defaultValues: { answer: '' } });
  const give = (answer: string): void => {
    bench.give({ type: 'identify', question: question.id, answer, ...(op === undefined ? {} : { op }) });
  };
  const left = variantsLeft(bench.sheet, bench.state);
  if (question.by !== 'measure')
    return (
      <div className="d-flex flex-column gap-2">
        {question.choices.map((c) => (
          <Button key={c.word} variant="line" className="choice" onClick={() => give(c.word!)}>
            <span>
              <b>{c.word}</b>
              <small className="d-block">{meaning(bench.sheet, c)}</small>
            </span>
          </Button>
        ))}
        {left.length > 1 && <p className="quiet m-0">Until it is answered: {titles(bench.sheet, left)}.</p>}
      </div>
    );
  return (
    <form noValidate onSubmit={(e) => void handleSubmit(({ answer }) => give(answer))(e)}>
      <Form.Label htmlFor={`identify-${question.id}`}>
        {question.gauge ? `Read with the ${question.gauge}` : 'Measure it'}
      </Form.Label>
      <div className="d-flex gap-2">
        <Form.Control
          id={`identify-${question.id}`}
          autoComplete="off"
          placeholder="with its unit, such as 65.2 mm"
          style={{ fontSize: 22 }}
          {...register('answer')}
        />
        <Button type="submit" variant="ink">
          Take
        </Button>
      </div>
      <ul className="lines mt-3">
        {question.choices.map((c) => (
          <li key={meaning(bench.sheet, c)}>
            {c.band && formatBand(c.band)}: {meaning(bench.sheet, c)}
          </li>
        ))}
      </ul>
    </form>
  );
}

const titles = (sheet: Sheet, ids: readonly string[]): string =>
  ids.map((id) => sheet.variants.find((v) => v.id === id)?.title ?? id).join(' or ');

/** What a choice says, in words. */
export function meaning(sheet: Sheet, c: IdentifyQuestion['choices'][number]): string {
  return [c.variants.length > 0 ? titles(sheet, c.variants) : '', c.order ? `order ${c.order}` : '', c.says ?? '']
    .filter((w) => w !== '')
    .join('. ');
}
