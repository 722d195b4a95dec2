import type { UnitView } from '@jubb/contract';
import type { Sheet } from '@jubb/core/sheet';
import { format } from 'date-fns';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';

export interface Opened {
  readonly answer?: 'yes' | 'no' | 'unknown';
  readonly signs: readonly string[];
  readonly why: string;
}

/** Was it opened before? Its tell-tales, and its history here. */
export function OpenedBefore({
  sheet,
  unit,
  opened,
  change,
}: {
  readonly sheet: Sheet | undefined;
  readonly unit: UnitView | undefined;
  readonly opened: Opened;
  readonly change: (o: Opened) => void;
}): React.JSX.Element {
  const here = unit?.visits ?? [];
  return (
    <div>
      <div className="form-label">Opened before?</div>
      <div className="picks mt-0">
        {(['yes', 'no', 'unknown'] as const).map((a) => (
          <Button
            key={a}
            variant="line"
            aria-pressed={opened.answer === a}
            onClick={() => change({ ...opened, answer: a })}
          >
            {a === 'unknown' ? 'Cannot tell' : a === 'yes' ? 'Yes' : 'No'}
          </Button>
        ))}
      </div>
      {sheet && sheet.opened.length > 0 && (opened.answer === 'yes' || opened.answer === 'unknown') && (
        <div className="mt-2">
          <small className="d-block">Signs of it: press what you see</small>
          <div className="picks mt-1">
            {sheet.opened.map((sign) => (
              <Button
                key={sign}
                variant="line"
                aria-pressed={opened.signs.includes(sign)}
                onClick={() =>
                  change({
                    ...opened,
                    answer: opened.signs.includes(sign) ? opened.answer : 'yes',
                    signs: opened.signs.includes(sign)
                      ? opened.signs.filter((s) => s !== sign)
                      : [...opened.signs, sign],
                  })
                }
              >
                {sign}
              </Button>
            ))}
          </div>
        </div>
      )}
      {here.length > 0 && (
        <div className="past mt-2">
          <b>Here before: {here.length === 1 ? 'once' : `${here.length} times`}.</b>{' '}
          <Link to={`/unit/${unit!.id}`}>Its history</Link>
          {here.slice(0, 2).map((v) => (
            <div key={v.jobId}>
              Job {v.number}, {format(new Date(v.booked), 'd MMM yyyy')}: {v.complaint}
              <small className="d-block">{v.outcome.join(' · ')}</small>
            </div>
          ))}
        </div>
      )}
    </div>
  );
}

/** Why a unit that somebody had open comes back. */
export function WhyBack({
  unit,
  opened,
  change,
  error,
}: {
  readonly unit: UnitView | undefined;
  readonly opened: Opened;
  readonly change: (o: Opened) => void;
  readonly error: string | undefined;
}): React.JSX.Element | null {
  if (opened.answer !== 'yes' && (unit?.visits ?? []).length === 0) return null;
  return (
    <div>
      <Form.Label htmlFor="why-back">Why is it back?</Form.Label>
      <Form.Control
        id="why-back"
        value={opened.why}
        maxLength={400}
        isInvalid={error !== undefined}
        onChange={(e) => change({ ...opened, why: e.target.value })}
      />
      {error && (
        <p className="field-error" role="alert">
          {error}
        </p>
      )}
    </div>
  );
}
