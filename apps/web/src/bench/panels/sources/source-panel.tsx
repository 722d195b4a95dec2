import { lowerFirst, newAt, unsourced, type SourceKind } from '@jubb/core/bench';
import type { Op } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import type { Bench } from '../../use-bench.ts';
import { Go } from '../panel.tsx';

/** The part of an operation that goes in new, and of which nobody has said where it comes from. */
export function asksSource(bench: Bench, op: Op): string | undefined {
  const part = newAt(bench.sheet, bench.state, op);
  return part !== undefined && unsourced(bench.sheet, bench.state).includes(part) ? part : undefined;
}

const WAYS: readonly (readonly [SourceKind, string, string])[] = [
  ['stock', 'Out of the shop’s own stock', 'Which drawer or shelf, if it matters'],
  ['customer', 'The customer’s own', 'How it came, if it matters'],
  ['said', 'From somewhere else', 'Where from: your name stands beside it'],
];

/** Asks where a new part comes from before it goes in; the others that are due may come from the same place. */
export function SourcePanel({ bench, part }: { readonly bench: Bench; readonly part: string }): React.JSX.Element {
  const [from, setFrom] = useState<SourceKind>('stock');
  const [all, setAll] = useState(true);
  const [words, setWords] = useState('');
  const due = unsourced(bench.sheet, bench.state);
  const title = (id: string): string => bench.sheet.parts[id]?.title ?? id;
  const others = due.filter((p) => p !== part);
  const parts = all ? due : [part];
  const say = (): void => {
    bench.give({ type: 'say-source', parts, from, words });
  };
  return (
    <>
      <div className="op d-flex flex-column gap-2">
        <p className="lines p-0">Where does the new {lowerFirst(title(part))} come from?</p>
        {WAYS.map(([kind, says]) => (
          <Button
            key={kind}
            variant="line"
            className="choice"
            aria-pressed={from === kind}
            onClick={() => setFrom(kind)}
          >
            <b>{says}</b>
          </Button>
        ))}
        <Form.Label htmlFor="source-words" className="m-0">
          {WAYS.find(([k]) => k === from)![2]}
        </Form.Label>
        <Form.Control id="source-words" value={words} maxLength={200} onChange={(e) => setWords(e.target.value)} />
        {others.length > 0 && (
          <Form.Check
            type="checkbox"
            id="source-all"
            checked={all}
            onChange={(e) => setAll(e.target.checked)}
            label={`So do the others that go in new: ${others.map((p) => lowerFirst(title(p))).join(', ')}`}
          />
        )}
        <Link to={`/job/${bench.job}/findings`} className="btn-line align-self-start">
          It must be ordered
        </Link>
      </div>
      <Go
        label={parts.length === 1 ? `Take it from there` : `Take all ${parts.length} from there`}
        act={say}
        disabled={from === 'said' && words.trim() === ''}
      />
    </>
  );
}
