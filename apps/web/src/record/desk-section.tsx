import type { DeskRecord } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import Table from 'react-bootstrap/Table';
import { VerdictMark } from '../drawing/verdict-mark.tsx';
import { limitWords } from '../bench/panels/measuring/figures.tsx';
import { moneyWords } from '../money.ts';
import { Rows } from './strip-section.tsx';

/** Derived figures, causes, what is left for next time, parts and what was agreed. */
export function DeskSection({ desk }: { readonly desk: DeskRecord }): React.JSX.Element {
  return (
    <>
      {desk.figures.length > 0 && (
        <>
          <h2>Derived from the readings</h2>
          <Table>
            <tbody>
              {desk.figures.flatMap((m) =>
                m.figures.map((f) => (
                  <tr key={`${m.measure}-${f.name}`}>
                    <td>
                      {m.measure}: {f.name.toLowerCase()}
                    </td>
                    <td>
                      <b>{formatQuantity(f.value)}</b> {f.verdict && <VerdictMark verdict={f.verdict} />}
                    </td>
                    <td>{limitWords(f.low, f.high)}</td>
                  </tr>
                )),
              )}
            </tbody>
          </Table>
        </>
      )}
      <Rows
        title="Why it failed"
        rows={desk.causes.map((c) => [c.ask, c.title, [...c.evidence, c.note ?? ''].filter(Boolean).join('; ')])}
      />
      <Rows
        title="Judged otherwise than advised"
        rows={desk.differs.map((d) => [d.title, `${d.finding}, ${d.advised} was advised`, d.reason])}
      />
      <Rows title="Left for next time" rows={desk.deferrals.map((d) => [d.title, d.words, d.again ?? 'next visit'])} />
      <Rows
        title="Parts ordered"
        rows={desk.parts.map((p) => [
          `${p.count} × ${p.title}`,
          `${p.number}, ${p.supplier}`,
          p.sentBack.length > 0 ? `${p.status}; sent back: ${p.sentBack.join(', ')}` : p.status,
        ])}
      />
      <Rows
        title="What was agreed"
        rows={desk.quotes.map((q) => [
          `Quote ${q.version}: ${q.advised.toLowerCase()} advised`,
          q.answer ? `${q.answer.says}, ${q.answer.who} ${q.answer.how}` : 'not answered',
          q.answer && q.answer.says !== 'no' ? `up to ${moneyWords(q.answer.agreedMinor, q.currency)}` : '',
        ])}
      />
    </>
  );
}
