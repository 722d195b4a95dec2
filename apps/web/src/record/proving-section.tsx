import type { ProveRecord } from '@jubb/core/bench';
import { formatReading } from '@jubb/core/quantities';
import { format } from 'date-fns';
import { VerdictMark, type Shown } from '../drawing/verdict-mark.tsx';

/** What the stands said, where a failed test led back, and what to do next. */
export function ProvingSection({ proving: p }: { readonly proving: ProveRecord }): React.JSX.Element | null {
  const told = p.tests.filter((t) => t.checks.length > 0 || t.says.length > 0 || t.change || t.keptSo);
  if (told.length + p.ledBack.length + p.runIn.length + p.lookAgain.length === 0 && !p.checked) return null;
  return (
    <>
      <h2>Proved</h2>
      {told.map((t) => (
        <div key={`${t.title} ${t.moment}`} className="mb-2">
          <b>
            {t.title}, {t.moment === 'now' ? 'now' : 'as found'}
          </b>{' '}
          <VerdictMark verdict={t.verdict as Shown} />
          {t.change && <span className="d-block">{t.change}</span>}
          {t.checks.map((c) => (
            <small key={c.name} className="d-block">
              {c.name}
              {c.value ? ` ${formatReading(c.value)}` : ''}: {c.verdict}
              {c.says ? `. ${c.says}` : ''}
            </small>
          ))}
          {t.says.map((s) => (
            <small key={s} className="d-block">
              {s}
            </small>
          ))}
          {t.keptSo && <span className="d-block">Handed over so: {t.keptSo}</span>}
        </div>
      ))}
      {p.ledBack.map((l) => (
        <p key={l.seq} className="m-0">
          {format(new Date(l.at), 'd MMM, HH:mm')}: {l.test} failed, back to the {l.suspect.toLowerCase()}.{' '}
          {l.why.join('. ')}.
        </p>
      ))}
      {p.checked && (
        <p className="m-0">
          Looked over by {p.checked.by.name}, {format(new Date(p.checked.at), 'd MMM yyyy, HH:mm')}.
        </p>
      )}
      {p.runIn.length > 0 && <p className="m-0">Running in: {p.runIn.join('. ')}.</p>}
      {p.lookAgain.length > 0 && <p className="m-0">Look again: {p.lookAgain.join('. ')}.</p>}
    </>
  );
}
