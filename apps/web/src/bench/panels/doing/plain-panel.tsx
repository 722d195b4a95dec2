import { linesOf, slotOf } from '@jubb/core/bench';
import { useState } from 'react';
import type { Fluid, Op, Sheet } from '@jubb/core/sheet';
import { BeltRoute, routesOf } from '../../../drawing/belt-route.tsx';
import { Caution } from '../../caution.tsx';
import { Whose } from '../../figure-source.tsx';
import { convert, dimensionsOfUnit, formatNumber, formatQuantity, type Dimension } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { QuantityField, readTyped } from '../../../fields/quantity-field.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { hasFigure, MovedOff } from '../strip/moved-off.tsx';
import { ByPlace } from '../strip/by-place.tsx';
import { Turning } from '../strip/turning.tsx';

/** An operation that is done or looked at and then confirmed: what to do in a few lines, and the button. */
export function PlainPanel({ bench, op }: PanelProps): React.JSX.Element {
  const { sheet } = bench;
  const [movedOff, setMovedOff] = useState('');
  const [amount, setAmount] = useState('');
  const [error, setError] = useState<string>();
  const flows = flowing(sheet, op);
  const nut = op.kind === 'place' && op.part ? slotOf(sheet, op.part) : undefined;
  const routes = routesOf(sheet.routes, 'lead' in op ? op.lead : '', bench.state.variant);
  const complete = (more: { answer?: 'yes' | 'no' } = {}): void => {
    const typed = flows && amount.trim() !== '' ? readTyped(amount, flows.dimension, flows.unit) : undefined;
    setError(typed && 'error' in typed ? typed.error : undefined);
    if (typed && 'error' in typed) return;
    bench.give({
      type: 'complete',
      op: op.id,
      ...(movedOff ? { note: movedOff } : {}),
      ...(typed ? { amount: typed.value } : {}),
      ...more,
    });
  };
  if (op.kind === 'inspect' && op.ask) {
    const part = op.part ?? op.what;
    const binned = bench.state.binned[part] ?? 0;
    const lines = Object.values(bench.state.partLines).filter((l) => l.status === 'arrived' && l.parts.includes(part));
    const left = lines.length === 0 ? 1 : lines.filter((l) => !l.missing.includes(part)).length;
    return (
      <>
        <div className="op">
          <p className="lines">{op.ask}</p>
          {binned > 0 && (
            <p className="past">
              <b>
                {binned} {binned === 1 ? 'is' : 'are'} in the bin.
              </b>{' '}
              {left > 0 ? 'Look at the next one.' : 'What came for it is used up: it is on the list to order again.'}
            </p>
          )}
          <Button variant="line" onClick={() => complete({ answer: 'yes' })}>
            Yes: {op.yes ?? 'not good'}
          </Button>
        </div>
        <Go label="No, it is good" act={() => complete({ answer: 'no' })} />
      </>
    );
  }
  const joint =
    op.kind === 'undo' || op.kind === 'slacken' || op.kind === 'last-out' ? sheet.joints[op.joint] : undefined;
  return (
    <>
      <div className="op">
        {op.kind === 'caution' ? (
          <Caution say={op.say} large />
        ) : (
          <>
            {joint && <Turning hand={joint.hand} loosen />}
            {joint && !hasFigure(joint) && <MovedOff joint={joint} note={setMovedOff} />}
            {op.kind === 'fill' && sheet.fluids[op.what] && <Amount fluid={sheet.fluids[op.what]!} bench={bench} />}
            <div className={routes.length > 0 ? 'besideroute' : undefined}>
              <ul className="lines">
                {linesOf(bench.sheet, bench.state, op).map((l) => (
                  <li key={l}>{l}</li>
                ))}
              </ul>
              {routes.map((r) => (
                <figure key={r.id} className="m-0">
                  {routes.length > 1 && <figcaption>{r.title}</figcaption>}
                  <BeltRoute route={r} />
                </figure>
              ))}
            </div>
            {nut && (
              <Button
                variant="line"
                onClick={() =>
                  bench.give({ type: 'loosen', joint: nut.id, why: 'No slot meets the hole: another washer' })
                }
              >
                No slot meets the hole
              </Button>
            )}
            {flows && (
              <QuantityField
                id="amount"
                label={op.kind === 'drain' ? 'How much came out, if measured' : 'How much went in, if measured'}
                unit={flows.unit}
                value={amount}
                set={setAmount}
                error={error}
              />
            )}
          </>
        )}
      </div>
      {joint?.takes && op.kind === 'undo' ? (
        <ByPlace
          joint={joint}
          say={(answer, note) => bench.give({ type: 'complete', op: op.id, answer, ...(note ? { note } : {}) })}
        />
      ) : (
        <Go label={WORD[op.kind] ?? 'Done'} act={() => complete()} />
      )}
    </>
  );
}

const WORD: Readonly<Partial<Record<Op['kind'], string>>> = {
  caution: 'Read, and minded',
  helper: 'The helper is here',
  'fit-aid': 'It is in',
  'remove-aid': 'It is out',
  disconnect: 'Parted',
  reconnect: 'On again, and locked',
  mark: 'The mark is made',
  align: 'In line',
  undo: 'All loose',
  'last-out': 'Out',
};

/** The unit in which what is drained or filled is measured. */
function flowing(sheet: Sheet, op: Op): { readonly unit: string; readonly dimension: Dimension } | undefined {
  if (op.kind !== 'drain' && op.kind !== 'fill') return undefined;
  const fluid = sheet.fluids[op.what] ?? sheet.fluids[sheet.spaces[op.what]?.holds ?? ''];
  return fluid && { unit: fluid.amount.unit, dimension: dimensionsOfUnit(fluid.amount.unit)[0]! };
}

/** How much goes in, legible from the unit; in the other unit that the shop thinks in, small. */
function Amount({ fluid, bench }: { readonly fluid: Fluid; readonly bench: PanelProps['bench'] }): React.JSX.Element {
  const { amount } = fluid;
  const other = dimensionsOfUnit(amount.unit).includes('mass') ? 'oz' : 'pt imp';
  return (
    <>
      <div className="big">
        {formatNumber(amount.value)}
        <span>{amount.unit}</span>
      </div>
      <p className="quiet m-0">{formatQuantity(convert(amount, other), 2)}</p>
      <Whose from={fluid.from} documents={bench.documents} />
    </>
  );
}
