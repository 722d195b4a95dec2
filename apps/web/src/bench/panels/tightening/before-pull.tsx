import { formatQuantity } from '@jubb/core/quantities';
import type { Joint } from '@jubb/core/sheet';
import type { Bench } from '../../use-bench.ts';
import { Go } from '../panel.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';

interface Props {
  readonly bench: Bench;
  readonly op: string;
  readonly joint: Joint;
}

/** A self-locking nut: what it takes to turn before it seats is measured first, and comes on top of the figure. */
export function Running({ bench, op, joint }: Props): React.JSX.Element {
  return (
    <>
      <div className="op">
        <p className="lines p-0">Self-locking nut. Run it on until it almost seats, and read what it takes to turn.</p>
        <p className="quiet">
          That much comes on top of {formatQuantity(joint.stages.at(-1)!.to)}. A nut that turns by hand does not lock:
          fit a new one.
        </p>
        <TypedReading
          dimension="torque"
          unit="3 N·m"
          label="To turn it before it seats"
          take={(torque) => bench.give({ type: 'say-running', op, torque, how: 'hand' })}
        />
      </div>
      <Go label="Type what it takes to turn" act={() => undefined} disabled />
    </>
  );
}

/** One-time fasteners that were pulled and loosened: new ones first. */
export function NewFasteners({ bench, op, joint }: Props): React.JSX.Element {
  const part = bench.sheet.parts[joint.fastener];
  return (
    <>
      <div className="op">
        <p className="lines p-0">
          {joint.count} × {part?.title}: pulled once, and loosened. They are one-time fasteners.
        </p>
        <p className="quiet">
          New ones{part?.order ? `, ${part.order}` : ''}. Throw the old ones away, so that nobody takes them for new.
        </p>
      </div>
      <Go label="New ones are in" act={() => bench.give({ type: 'renew-fasteners', op })} />
    </>
  );
}
