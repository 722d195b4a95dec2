import { absentParts, holdWords, jobSheet, minutesWords, unitNow, type ReturnSheet } from '@jubb/core/bench';
import { axesOf, axesWith } from '@jubb/core/shape';
import { format } from 'date-fns';
import { UnitFigures } from '../../drawing/unit/unit-figures.tsx';
import { Caution } from '../caution.tsx';
import type { Bench } from '../use-bench.ts';

const day = (at: string): string => format(new Date(at), 'EEE d MMM, HH:mm');

/** Where a unit stands, for the hands that pick it up again: the dangerous first. */
export function ReturnView({
  sheet,
  bench,
}: {
  readonly sheet: ReturnSheet;
  readonly bench: Bench;
}): React.JSX.Element {
  const whole = jobSheet(bench.sheet, bench.state);
  const now = unitNow(bench.sheet, bench.state);
  const off = new Set([...now.parts].filter(([p, s]) => s === 'off' && bench.state.off[p]).map(([p]) => p));
  const axes = axesWith(axesOf(whole, absentParts(bench.sheet, bench.state)), off);
  return (
    <div className="returnsheet">
      {sheet.standing.map((s) => (
        <Caution key={s} say={s} />
      ))}
      <dl>
        <div>
          <dt>Stands at</dt>
          <dd>
            <b>{sheet.at}</b>
            <small className="d-block">
              {sheet.doneSteps} of {sheet.allSteps} steps done. Next: {sheet.next}
            </small>
          </dd>
        </div>
        <div>
          <dt>Waits for</dt>
          <dd>
            {sheet.waits.length === 0
              ? 'Nothing: it can go on'
              : sheet.waits.map((h) => (
                  <span key={h.id} className="d-block">
                    <b>{holdWords(h.why).replace(/^./, (c) => c.toUpperCase())}</b>
                    {h.note ? `: ${h.note}` : ''} <small>since {day(h.at)}</small>
                  </span>
                ))}
            {sheet.timers.map((t) => (
              <span key={t.id} className="d-block">
                {t.title}, {minutesWords(t.minutes)}, due {day(t.due)}
              </span>
            ))}
          </dd>
        </div>
        <List title={`Aids in, ${sheet.aids.length}`} rows={sheet.aids.map((a) => [a.title, a.where])} />
        <List title={`To restore, ${sheet.leads.length}`} rows={sheet.leads.map((l) => [l.title, l.where])} />
        <List title="In between" rows={sheet.between.map((b) => [b.title, b.state])} />
        <List
          title="Marks"
          rows={sheet.marks.map((m) => [m.title, `${m.where}, ${m.with}${m.aligned ? ', in line' : ''}`])}
        />
        {sheet.notes.length > 0 && (
          <div>
            <dt>Noted</dt>
            <dd>
              {sheet.notes.map((n) => (
                <span key={n.at + n.text} className="d-block">
                  {n.text} <small>{`${n.by}, ${day(n.at)}`}</small>
                </span>
              ))}
            </dd>
          </div>
        )}
        {sheet.photos.length > 0 && (
          <div>
            <dt>Pictures</dt>
            <dd className="photos">
              {sheet.photos.map((p) => (
                <a key={p.photo} href={`/api/photos/${p.photo}`} target="_blank" rel="noreferrer">
                  <img src={`/api/photos/${p.photo}`} alt={p.caption || 'Picture of the unit'} loading="lazy" />
                </a>
              ))}
            </dd>
          </div>
        )}
      </dl>
      {axes.length > 0 && <UnitFigures sheet={whole} axes={axes} off={off} />}
    </div>
  );
}

function List({
  title,
  rows,
}: {
  readonly title: string;
  readonly rows: readonly (readonly [string, string])[];
}): React.JSX.Element | null {
  if (rows.length === 0) return null;
  return (
    <div>
      <dt>{title}</dt>
      <dd>
        {rows.map(([a, b]) => (
          <span key={a + b} className="d-block">
            {a} <small>{b}</small>
          </span>
        ))}
      </dd>
    </div>
  );
}
