import type { PastVisit } from '@jubb/contract';
import { changeWords } from '@jubb/core/bench';
import { dimensionsOfUnit, formatQuantity } from '@jubb/core/quantities';
import Table from 'react-bootstrap/Table';

/** A unit that came back: what it left with last time beside what is found now. */
export function ThenNow({
  now,
  then,
}: {
  readonly now: PastVisit;
  readonly then: PastVisit;
}): React.JSX.Element | null {
  const rows = now.figures
    .filter((f) => f.moment === 'as-found')
    .flatMap((f) => {
      const left =
        then.figures.findLast((t) => t.id === f.id && t.moment === 'now') ?? then.figures.find((t) => t.id === f.id);
      const dimension = dimensionsOfUnit(f.value.unit)[0];
      return left && dimension ? [{ found: f, left, dimension }] : [];
    });
  if (rows.length === 0) return null;
  return (
    <section aria-label="Then and now">
      <h2>Then and now</h2>
      <Table className="thennow">
        <thead>
          <tr>
            <th>What</th>
            <th>Left with, job {then.number}</th>
            <th>Found now, job {now.number}</th>
            <th>Change</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ found, left, dimension }) => (
            <tr key={found.id}>
              <td>{found.title}</td>
              <td>{formatQuantity(left.value)}</td>
              <td>
                <b>{formatQuantity(found.value)}</b>
              </td>
              <td>
                {found.low && found.high
                  ? changeWords(dimension, { low: found.low, high: found.high }, left.value, found.value)
                      .split(': ')
                      .slice(1)
                      .join(': ')
                  : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  );
}
