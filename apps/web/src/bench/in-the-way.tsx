import { dangersOf, inTheWayOf } from '@jubb/core/bench';
import type { Op } from '@jubb/core/sheet';
import Form from 'react-bootstrap/Form';
import type { Bench } from './use-bench.ts';

/**
 * What is in the way of a move as the unit stands. What could hurt somebody is refused until it is said why it is safe: the
 * reason goes with the move.
 */
export function InTheWay({
  bench,
  op,
  reason,
  setReason,
}: {
  readonly bench: Bench;
  readonly op: Op;
  readonly reason: string;
  readonly setReason: (reason: string) => void;
}): React.JSX.Element | null {
  const { sheet, state } = bench;
  const faults = inTheWayOf(sheet, state, op);
  if (faults.length === 0) return null;
  return (
    <div className="intheway" role="alert">
      <b>In the way</b>
      <ul className="m-0">
        {faults.map((f) => (
          <li key={f.says}>{f.says}</li>
        ))}
      </ul>
      {dangersOf(sheet, state, op).length > 0 && (
        <>
          <Form.Label htmlFor="why-safe">See to it first, or say why it is safe as it is</Form.Label>
          <Form.Control id="why-safe" value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
        </>
      )}
    </div>
  );
}

/** A move with the reason why it is safe, where one was given. */
export const saidSafe = (command: Parameters<Bench['give']>[0], op: string, reason: string): typeof command =>
  command.type === 'complete' && command.op === op && reason.trim() !== ''
    ? { ...command, reason: command.reason ?? reason }
    : command;
