import { formatQuantity, parseInUnit, QuantityError } from '@jubb/core/quantities';
import { loosened, ReckonError } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { ReckonerLink } from '../../working-block.tsx';

/** Figures that nobody stands for: what is heard said, or guessed. */
const UNSURE: readonly string[] = ['hearsay', 'guess'];

/** Does anybody say what this joint is tightened to? What is only heard said, or guessed, does not count. */
export function hasFigure(joint: Joint): boolean {
  return joint.stages.length > 0 && !UNSURE.includes(joint.from?.kind ?? '');
}

/** Where no figure is known: at what torque they moved off, and what they were tightened to by that. Kept as a note. */
export function MovedOff({
  joint,
  note,
}: {
  readonly joint: Joint;
  readonly note: (text: string) => void;
}): React.JSX.Element {
  const [typed, setTyped] = useState('');
  const said = reckonFrom(typed, joint.thread);
  return (
    <div className="mt-2">
      <Form.Label htmlFor="moved-off">No figure is known: at what torque did they move off?</Form.Label>
      <Form.Control
        id="moved-off"
        value={typed}
        inputMode="decimal"
        placeholder="20, 21, 19 N·m"
        aria-describedby="moved-off-said"
        onChange={(e) => {
          setTyped(e.target.value);
          const next = reckonFrom(e.target.value, joint.thread);
          note('words' in next ? `Moved off at ${e.target.value.trim()}: ${next.words}` : '');
        }}
      />
      <p id="moved-off-said" className={'wrong' in said ? 'field-error' : 'quiet'} role="status">
        {'words' in said ? said.words : 'wrong' in said ? said.wrong : ''}
      </p>
      {'words' in said && <ReckonerLink id={loosened.id} inputs={said.inputs} />}
    </div>
  );
}

type Said =
  | { readonly words: string; readonly inputs: Readonly<Record<string, unknown>> }
  | { readonly wrong: string }
  | { readonly nothing: true };

function reckonFrom(typed: string, thread: string): Said {
  if (typed.trim() === '') return { nothing: true };
  try {
    const readings = typed
      .split(/[;]|,\s+/)
      .filter((t) => t.trim() !== '')
      .map((t) => parseInUnit(t, 'torque', 'N·m'));
    const inputs = { thread, readings };
    const { tightenedTo, low, high } = loosened.reckon(inputs).results;
    return {
      words: `it was tightened to about ${formatQuantity(tightenedTo, 0)} (${formatQuantity(low, 0)} to ${formatQuantity(high, 0)}): what was done, not what is right`,
      inputs,
    };
  } catch (e) {
    if (e instanceof QuantityError || e instanceof ReckonError) return { wrong: e.message };
    throw e;
  }
}
