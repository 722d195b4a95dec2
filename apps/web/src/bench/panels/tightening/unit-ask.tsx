import { convert, formatQuantity } from '@jubb/core/quantities';
import { torqueSanity, ReckonError } from '@jubb/core/reckoners';
import type { Joint, Stage } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { PanelProps } from '../panel.tsx';

/** A figure without a unit is not a figure until someone says which: each it could be, with what it would do. */
export function UnitAsk({
  bench,
  op,
  joint,
  stage,
}: PanelProps<'tighten'> & { readonly joint: Joint; readonly stage: Stage }): React.JSX.Element {
  const [reason, setReason] = useState('');
  return (
    <div className="op d-flex flex-column gap-3">
      <p className="lines p-0 m-0">
        The sheet says <b>{stage.to.value}</b>, and not of what. Which is meant?
      </p>
      <div>
        <Form.Label htmlFor="unit-why">How do you know?</Form.Label>
        <Form.Control
          id="unit-why"
          value={reason}
          maxLength={400}
          placeholder="the maker's page, the wrench that it was read on"
          onChange={(e) => setReason(e.target.value)}
        />
      </div>
      {(stage.unitAsked ?? []).map((unit) => (
        <Button
          key={unit}
          variant="line"
          className="choice"
          disabled={!reason.trim()}
          onClick={() => bench.give({ type: 'say-unit', op: op.id, unit, reason })}
        >
          <span>
            <b>
              {stage.to.value} {unit}
            </b>
            <small className="d-block">
              {unit === 'N·m' ? '' : `${formatQuantity(convert({ value: stage.to.value, unit }, 'N·m'), 1)}, `}
              {sanity(joint, stage.to.value, unit)}
            </small>
          </span>
        </Button>
      ))}
    </div>
  );
}

function sanity(joint: Joint, value: number, unit: string): string {
  try {
    const { percentOfYield, verdict } = torqueSanity.reckon({
      thread: joint.thread,
      torque: { value, unit },
      propertyClass: joint.propertyClass,
    }).results;
    return `${Math.round(percentOfYield.value)} % of yield for ${joint.thread}: ${verdict}`;
  } catch (e) {
    if (e instanceof ReckonError) return 'cannot be judged for this thread';
    throw e;
  }
}
