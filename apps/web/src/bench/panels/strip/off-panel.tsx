import { MOST_OF_A_PART, opTitle } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import { fastenerLength } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Go, type PanelProps } from '../panel.tsx';

const TRAY_KEY = 'jubb-tray';

/** Parts come off: how many, where from, which way up, where they lie, and by which way. */
export function OffPanel({ bench, op }: PanelProps<'off'>): React.JSX.Element {
  const { sheet, state } = bench;
  const [tray, setTray] = useState(() => localStorage.getItem(TRAY_KEY) ?? 'A1');
  const [note, setNote] = useState('');
  const [counts, setCounts] = useState<Readonly<Record<string, string>>>({});
  const [reason, setReason] = useState('');
  const [recount, setRecount] = useState(false);
  const way = op.by[state.ways[op.id] ?? 0];
  const next = op.by[(state.ways[op.id] ?? 0) + 1];
  const said = (part: string): number => op.parts.find((p) => p.part === part)?.count ?? 0;
  const unknown = op.parts.filter((p) => !sheet.parts[p.part]?.countKnown).map((p) => p.part);
  const asked = recount ? op.parts.map((p) => p.part) : unknown;
  const differs = asked.some((p) => !unknown.includes(p) && counts[p] !== undefined && Number(counts[p]) !== said(p));
  const give = (later: boolean): void => {
    localStorage.setItem(TRAY_KEY, tray);
    const given = Object.fromEntries(
      asked.flatMap((p): [string, number | 'later'][] =>
        later && unknown.includes(p)
          ? [[p, 'later']]
          : counts[p] === undefined || counts[p] === ''
            ? []
            : [[p, Number(counts[p])]],
      ),
    );
    bench.give({
      type: 'complete',
      op: op.id,
      tray,
      ...(note.trim() ? { note } : {}),
      ...(Object.keys(given).length > 0 ? { counts: given } : {}),
      ...(reason.trim() ? { reason } : {}),
    });
  };
  const counted = unknown.every((p) => Number(counts[p]) > 0);
  return (
    <>
      <div className="op">
        {way && (
          <div className="way">
            <span>
              <small>How</small>
              <b>{way.title}</b>
              {way.destroys && <span className="field-error"> It does not survive this: it will be renewed.</span>}
              {way.saves && <span> Keep the {sheet.parts[way.saves]?.title.toLowerCase()}.</span>}
            </span>
            {next && (
              <Button variant="line" onClick={() => bench.give({ type: 'way-failed', op: op.id })}>
                It does not come: {next.title.toLowerCase()}
              </Button>
            )}
          </div>
        )}
        <ul className="takeoff">
          {op.parts.map(({ part, count }) => {
            const p = sheet.parts[part];
            const long = fastenerLength(sheet, part);
            return (
              <li key={part}>
                <b className="n">{p?.countKnown ? count : '?'}</b>
                <span>
                  <b>{p?.title}</b>
                  {long && `, ${formatQuantity(long)}`}
                  {p?.where && <small className="d-block">From {p.where}</small>}
                  {p?.goes && (
                    <small className="d-block">
                      Goes {p.goes}
                      {p.fits === 'several ways' ? '; fits several wrong ways, so mark it' : ''}
                    </small>
                  )}
                  {!p?.goes && p?.fits === 'one way' && <small className="d-block">Goes on one way only</small>}
                  {p?.renew === 'always' && (
                    <small className="d-block">Always renewed: keep the old one to compare</small>
                  )}
                </span>
                {asked.includes(part) && (
                  <Form.Control
                    type="number"
                    min={0}
                    max={MOST_OF_A_PART}
                    aria-label={`How many of ${p?.title}`}
                    value={counts[part] ?? ''}
                    onChange={(e) => setCounts({ ...counts, [part]: e.target.value })}
                    style={{ width: 110, fontSize: 22 }}
                  />
                )}
              </li>
            );
          })}
        </ul>
        <div className="d-flex gap-3 align-items-end mt-2 flex-wrap">
          <div>
            <Form.Label htmlFor="tray">Where does it lie?</Form.Label>
            <Form.Control
              id="tray"
              value={tray}
              maxLength={40}
              onChange={(e) => setTray(e.target.value)}
              style={{ width: 130, fontSize: 22 }}
            />
          </div>
          <div className="flex-fill">
            <Form.Label htmlFor="remember">To remember: way up, side, which hole</Form.Label>
            <Form.Control id="remember" value={note} maxLength={400} onChange={(e) => setNote(e.target.value)} />
          </div>
          {unknown.length < op.parts.length && !recount && (
            <Button variant="line" onClick={() => setRecount(true)}>
              Another count
            </Button>
          )}
        </div>
        {differs && (
          <div className="mt-2">
            <Form.Label htmlFor="why-count">Not what the sheet says: why?</Form.Label>
            <Form.Control id="why-count" value={reason} maxLength={400} onChange={(e) => setReason(e.target.value)} />
          </div>
        )}
        {unknown.length > 0 && !counted && (
          <p className="mt-2">
            <b>Nobody knows how many there are.</b> Count them as they come,{' '}
            <Button variant="line" onClick={() => give(true)} disabled={!tray.trim()}>
              or count later, from the tray
            </Button>
          </p>
        )}
      </div>
      <Go
        label={unknown.length > 0 && !counted ? 'How many came off?' : `${opTitle(sheet, op)}: in tray ${tray}`}
        act={() => give(false)}
        disabled={!tray.trim() || !counted || (differs && !reason.trim())}
      />
    </>
  );
}
