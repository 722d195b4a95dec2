import type { StripRecord } from '@jubb/core/bench';
import { format } from 'date-fns';
import Table from 'react-bootstrap/Table';

const when = (at: string): string => format(new Date(at), 'd MMM, HH:mm');

/** What the strip side, the shelf and the waits left in the log. */
export function StripSection({ strip }: { readonly strip: StripRecord }): React.JSX.Element {
  return (
    <>
      {strip.opened && (
        <p>
          Opened before: {strip.opened.answer}
          {strip.opened.signs.length > 0 && `, by ${strip.opened.signs.join(', ').toLowerCase()}`}
          {strip.opened.why && `. Back because: ${strip.opened.why}`}
        </p>
      )}
      <Rows
        title="Looked at, listened to, felt"
        rows={strip.looks.map((l) => [
          `${l.title}${l.moment === 'as-found' ? ', as found' : l.moment === 'now' ? ', now' : ''}`,
          l.found,
          l.verdict,
        ])}
      />
      <Rows
        title="Order of plates, shims and washers"
        rows={strip.stacks.map((s) => [
          `${s.title}, from ${s.from}`,
          (s.built ?? s.asFound ?? []).join(', '),
          s.asSheet ? 'as the sheet' : `not as the sheet${s.reason ? `: ${s.reason}` : ''}`,
        ])}
      />
      <Rows
        title="Counted"
        rows={strip.counted.map((c) => [
          c.title,
          `${c.count}${c.expected === null ? '' : ` of ${c.expected}`}`,
          c.reason ?? '',
        ])}
      />
      <Rows
        title="Parted and reconnected"
        rows={strip.leads.map((l) => [
          l.title,
          l.where,
          l.reconnected ? `on again ${when(l.reconnected.at)}` : 'STILL PARTED',
        ])}
      />
      <Rows
        title="Waits"
        rows={strip.waits.map((w) => [
          w.title,
          `${w.minutes} min from ${when(w.from.at)}`,
          w.early === null ? (w.until ? 'waited' : 'runs') : `cut short: ${w.early}`,
        ])}
      />
      <Rows
        title="Figures that are nobody’s page"
        rows={strip.weakFigures.map((f) => [f.what, f.figure.replaceAll(' N·m', '\u202fN·m'), f.whose])}
      />
      <Rows title="Noted" rows={strip.notes.map((n) => [n.text, n.by.name, when(n.at)])} />
      <Rows
        title="On the shelf"
        rows={strip.parked.map((p) => [
          `Back at ${p.to}, ${when(p.at)}`,
          p.by.name,
          p.differences.length > 0
            ? `${p.differences.join(', ')}${p.reason ? `: ${p.reason}` : ''}`
            : 'all trays agreed',
        ])}
      />
      {strip.photos.length > 0 && (
        <>
          <h2>Pictures</h2>
          <div className="photos">
            {strip.photos.map((p) => (
              <a key={p.photo} href={`/api/photos/${p.photo}`} target="_blank" rel="noreferrer">
                <img src={`/api/photos/${p.photo}`} alt={p.caption || 'Picture of the unit'} loading="lazy" />
              </a>
            ))}
          </div>
        </>
      )}
    </>
  );
}

export function Rows({
  title,
  rows,
}: {
  readonly title: string;
  readonly rows: readonly (readonly string[])[];
}): React.JSX.Element | null {
  if (rows.length === 0) return null;
  return (
    <>
      <h2>{title}</h2>
      <Table>
        <tbody>
          {rows.map((r, i) => (
            <tr key={i}>
              {r.map((c, j) => (
                <td key={j}>{c}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </>
  );
}
