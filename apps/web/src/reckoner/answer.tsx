import {
  convert,
  dimensionInWords,
  formatQuantity,
  isQuantity,
  unitsOf,
  type Dimension,
  type Quantity,
} from '@jubb/core/quantities';
import type { Reckoner, Reckoning, ResultValue } from '@jubb/core/reckoners';
import { useState } from 'react';
import Table from 'react-bootstrap/Table';
import { friendly, friendlyUnit } from './friendly.ts';
import { VerdictMark, type Shown } from '../drawing/verdict-mark.tsx';

const BY_SHAPE: readonly string[] = ['within', 'outside', 'undecided'] satisfies Shown[];

/** The results as figures, words and tables. */
export function Answer({
  reckoner,
  reckoning,
}: {
  readonly reckoner: Reckoner;
  readonly reckoning: Reckoning;
}): React.JSX.Element {
  return (
    <dl className="figures" aria-live="polite">
      {Object.entries(reckoner.outputs).map(([name, spec]) => {
        const value = reckoning.results[name];
        if (value === undefined) return null;
        return (
          <div
            key={name}
            className={isQuantity(value) || (typeof value === 'string' && value.length < 28) ? '' : 'wide'}
          >
            <dt>{spec.label}</dt>
            <dd>
              {isQuantity(value) ? (
                <Figure value={value} dimension={spec.is} label={spec.label} shownIn={spec.shownIn} />
              ) : (
                <Shape value={value} />
              )}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

/** A figure with its unit, which can be switched. */
function Figure({
  value,
  dimension,
  label,
  shownIn,
}: {
  readonly value: Quantity;
  readonly dimension: string;
  readonly label: string;
  readonly shownIn: string | undefined;
}): React.JSX.Element {
  const [unit, setUnit] = useState<string>();
  const own = ['own unit', 'word', 'list', 'table', 'ratio', 'percent'].includes(dimension);
  const units = own ? [] : unitsOf(dimension as Dimension).map((u) => u.symbol);
  const best = own ? value.unit : (shownIn ?? friendlyUnit(value));
  const shown = own ? value : convert(value, unit ?? best, dimension as Dimension);
  const [number, ...rest] = formatQuantity(shown).split('\u202f');
  return (
    <span className="figure">
      <b>{number}</b>
      {units.length > 1 ? (
        <select
          className="form-select"
          aria-label={`Unit of ${label.toLowerCase()}, ${dimensionInWords(dimension as Dimension)}`}
          value={unit ?? best}
          onChange={(e) => setUnit(e.target.value)}
        >
          {units.map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      ) : (
        <i>{rest.join(' ')}</i>
      )}
    </span>
  );
}

function Shape({ value }: { readonly value: ResultValue }): React.JSX.Element {
  if (typeof value === 'string')
    return BY_SHAPE.includes(value) ? (
      <VerdictMark verdict={value as Shown} />
    ) : (
      <b className="word">{value.replace(/(\w)-(?=\w)/g, '$1 ')}</b>
    );
  if (typeof value === 'number') return <b className="word">{value}</b>;
  if (isQuantity(value)) return <b>{formatQuantity(friendly(value))}</b>;
  if (Array.isArray(value)) {
    const rows = value as readonly ResultValue[];
    if (rows.length === 0) return <span className="quiet">none</span>;
    if (rows.every((r) => typeof r === 'object' && !Array.isArray(r) && !isQuantity(r)))
      return <Rows rows={rows as readonly Record<string, ResultValue>[]} />;
    if (rows.every((r) => typeof r === 'string' && r.length > 12))
      return (
        <ul>
          {rows.map((r, i) => (
            <li key={i}>{plain(r)}</li>
          ))}
        </ul>
      );
    return <b className="word">{rows.map(plain).join(' · ')}</b>;
  }
  return (
    <ul className="pairs">
      {Object.entries(value)
        .filter(([, v]) => v !== undefined)
        .map(([k, v]) => (
          <li key={k}>
            {words(k)}: <Shape value={v as ResultValue} />
          </li>
        ))}
    </ul>
  );
}

const words = (name: string): string => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** Any result in one line of text. */
export function plain(value: ResultValue | undefined): string {
  if (value === undefined) return '';
  if (typeof value === 'string') return value;
  if (typeof value === 'number') return String(Math.round(value * 1e4) / 1e4);
  if (isQuantity(value)) return formatQuantity(friendly(value));
  if (Array.isArray(value)) {
    const rows = value as readonly ResultValue[];
    return rows.map(plain).join(rows.every(isQuantity) ? ' + ' : ' ');
  }
  return Object.entries(value)
    .map(([k, v]) => `${words(k)} ${plain(v)}`)
    .join(', ');
}

function Rows({ rows }: { readonly rows: readonly Record<string, ResultValue>[] }): React.JSX.Element {
  const columns = [...new Set(rows.flatMap((r) => Object.keys(r)))];
  return (
    <Table className="rows">
      <thead>
        <tr>
          {columns.map((c) => (
            <th key={c} scope="col">
              {words(c)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.slice(0, 8).map((r, i) => (
          <tr key={i}>
            {columns.map((c) => (
              <td key={c}>{plain(r[c])}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** The reckoning as text, to be pasted into a message or onto paper. */
export function asText(reckoner: Reckoner, inputs: Readonly<Record<string, unknown>>, reckoning: Reckoning): string {
  const given = Object.entries(inputs).map(
    ([k, v]) =>
      `${reckoner.inputs[k]?.label ?? k}: ${typeof v === 'string' || typeof v === 'number' ? v : JSON.stringify(v)}`,
  );
  const got = Object.entries(reckoning.results).map(([k, v]) => `${reckoner.outputs[k]?.label ?? k}: ${plain(v)}`);
  const working = reckoning.working.map(
    (l) =>
      `  ${l.name}${l.formula ? ` = ${l.formula}` : ''}${l.figures ? ` = ${l.figures}` : ''} = ${typeof l.value === 'string' ? l.value : formatQuantity(friendly(l.value))}`,
  );
  return [
    reckoner.title,
    '',
    ...given,
    '',
    ...got,
    '',
    'Working',
    ...working,
    ...reckoning.warnings.map((w) => `! ${w}`),
    `Source: ${reckoning.sources.join('; ')}`,
  ].join('\n');
}
