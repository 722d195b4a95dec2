import Form from 'react-bootstrap/Form';
import { adjustmentOf, type DueReading, type NextTry, turnSaid } from '@jubb/core/bench';
import { inCanonical, type Quantity, formatReading } from '@jubb/core/quantities';
import type { Setting } from '@jubb/core/sheet';
import { useState } from 'react';
import type { Bench } from '../../use-bench.ts';
import { Go } from '../panel.tsx';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** The one button: read, move, or confirm. */
export function SetButton({
  bench,
  op,
  setting,
  due,
  next,
  blocked,
  felt,
  done,
  connected,
  read,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly setting: Setting;
  readonly due: DueReading | undefined;
  readonly next: NextTry | undefined;
  readonly blocked: boolean;
  readonly felt: boolean;
  readonly done: boolean;
  readonly connected: boolean;
  readonly read: () => void;
}): React.JSX.Element {
  const mean = bench.state.settings[setting.id]?.rounds.at(-1)?.result?.mean;
  if (blocked) return <Go label="Feel it first" act={() => undefined} disabled />;
  if (felt)
    return (
      <Go
        label="It is moved: feel again"
        act={() => bench.give({ type: 'adjust', op, note: setting.feel?.bad ?? 'moved' })}
      />
    );
  if (done && mean)
    return (
      <Go
        label={`${setting.title} is set at ${formatReading(mean)}`}
        act={() => bench.give({ type: 'complete', op })}
      />
    );
  if (due)
    return (
      <Go
        label={
          connected ? `Take ${due.depth ? 'the depth' : `reading ${due.number} of ${due.of}`}` : 'Type what you read'
        }
        keyName="space"
        act={read}
        disabled={!connected}
      />
    );
  const move = next?.move;
  if (move?.kind === 'pack')
    return (
      <Go
        label={`The pack of ${mm(move.total).toFixed(2)} is in: read again`}
        act={() => bench.give({ type: 'fit-pack', op, pieces: move.pieces })}
      />
    );
  if (next?.needed) return <MadePiece bench={bench} op={op} needed={next.needed} />;
  return <MoveButton bench={bench} op={op} next={next} />;
}

/** What no drawer has is bought or ground, and somebody says which. */
function MadePiece({
  bench,
  op,
  needed,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly needed: Quantity;
}): React.JSX.Element {
  const [made, setMade] = useState('');
  return (
    <>
      <div className="d-flex gap-2 align-items-center">
        <Form.Label htmlFor="made" className="m-0">
          Bought as, or ground from
        </Form.Label>
        <Form.Control id="made" value={made} maxLength={200} onChange={(e) => setMade(e.target.value)} />
      </div>
      <Go
        label={`One of ${mm(needed).toFixed(2)} is in: read again`}
        act={() => {
          const pieces = [{ value: Number(mm(needed).toFixed(2)), unit: 'mm' }];
          if (bench.give({ type: 'fit-pack', op, pieces, made })) setMade('');
        }}
        disabled={!made.trim()}
      />
    </>
  );
}

/** It was moved as is advised, or otherwise, as somebody says. */
function MoveButton({
  bench,
  op,
  next,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly next: NextTry | undefined;
}): React.JSX.Element {
  const [turned, setTurned] = useState('');
  const [wrong, setWrong] = useState<string>();
  const move = next?.move;
  const act = (): void => {
    const how = adjustmentOf(move);
    const said = turned.trim() !== '' && move?.kind === 'turn' ? turnSaid(turned, move.turned) : undefined;
    if (said && 'problem' in said) return setWrong(said.problem);
    setWrong(undefined);
    bench.give({
      type: 'adjust',
      op,
      note: said ? `${next?.say ?? ''} Turned ${turned.trim()}` : (next?.say ?? 'moved'),
      ...how,
      ...said,
    });
    setTurned('');
  };
  return (
    <>
      {move?.kind === 'turn' && (
        <div className="d-flex gap-2 align-items-center">
          <Form.Label htmlFor="turned" className="m-0">
            Turned otherwise, degrees
          </Form.Label>
          <Form.Control
            id="turned"
            value={turned}
            inputMode="decimal"
            style={{ width: 110 }}
            aria-describedby="turned-error"
            onChange={(e) => setTurned(e.target.value)}
          />
          <span id="turned-error" className="field-error" role="alert">
            {wrong}
          </span>
        </div>
      )}
      <Go
        label={
          move?.kind === 'renew'
            ? 'The new one is in: read again'
            : next?.cannot
              ? 'It is changed: read again'
              : 'It is moved: read again'
        }
        act={act}
        disabled={!next}
      />
    </>
  );
}
