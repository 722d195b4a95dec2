import type { FloorView } from '@jubb/contract';
import { MOST_OF_A_PART, returnSheet } from '@jubb/core/bench';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Link } from 'react-router';
import { Go } from '../panels/panel.tsx';
import type { Bench } from '../use-bench.ts';
import { ReturnView } from './return-view.tsx';

/** A parked unit: where it stands, then the trays counted again, then back to a bench. */
export function ResumePanel({
  bench,
  floor,
}: {
  readonly bench: Bench;
  readonly floor: FloorView | undefined;
}): React.JSX.Element {
  const sheet = returnSheet(bench.sheet, bench.state);
  const free = (floor?.places ?? []).filter((p) => !floor?.jobs.some((j) => j.place === p));
  const [to, setTo] = useState('');
  const [found, setFound] = useState<Readonly<Record<string, number>>>({});
  const [reason, setReason] = useState('');
  const place = to || free[0] || '';
  const parts = sheet.trays.flatMap((t) => t.parts);
  const counted = parts.every((p) => p.uncounted || found[p.id] !== undefined);
  const differs = parts.some((p) => !p.uncounted && found[p.id] !== undefined && found[p.id] !== p.count);
  const [counting, setCounting] = useState(parts.length === 0);
  const allTrays = (): void =>
    setFound({
      ...Object.fromEntries(parts.filter((p) => !p.uncounted).map((p) => [p.id, p.count])),
      ...found,
    });
  return (
    <>
      <div>
        <div className="quiet fw-bold">Parked at {bench.state.parked?.to}</div>
        <h2>{counting && parts.length > 0 ? 'Count what lies in the trays' : 'Where it stands'}</h2>
      </div>
      <div className="op" tabIndex={0} role="region" aria-label="Where it stands">
        {!counting || parts.length === 0 ? (
          <ReturnView sheet={sheet} bench={bench} />
        ) : (
          <>
            {sheet.trays.map((t) => (
              <div key={t.tray} className="traycount">
                <h3>Tray {t.tray}</h3>
                {t.parts.map((p) => (
                  <div key={p.id} className="row1">
                    <span>
                      {p.title}
                      {p.uncounted && <small> never counted</small>}
                      {p.note && <small className="d-block">{p.note}</small>}
                    </span>
                    <span className="d-flex gap-2 align-items-center">
                      <Form.Control
                        type="number"
                        min={0}
                        max={MOST_OF_A_PART}
                        aria-label={`${p.title}: how many`}
                        value={found[p.id] ?? ''}
                        placeholder={p.uncounted ? '?' : String(p.count)}
                        onChange={(e) =>
                          setFound({ ...found, [p.id]: Math.max(0, Math.round(Number(e.target.value))) })
                        }
                        style={{ width: 92 }}
                      />
                      {!p.uncounted && (
                        <Button
                          variant="line"
                          aria-pressed={found[p.id] === p.count}
                          onClick={() => setFound({ ...found, [p.id]: p.count })}
                        >
                          All {p.count}
                        </Button>
                      )}
                    </span>
                  </div>
                ))}
              </div>
            ))}
            {differs && (
              <>
                <Form.Label htmlFor="why-differs">A count differs: what became of it?</Form.Label>
                <Form.Control
                  id="why-differs"
                  value={reason}
                  maxLength={400}
                  onChange={(e) => setReason(e.target.value)}
                />
              </>
            )}
          </>
        )}
      </div>
      <div className="d-flex gap-2 align-items-center flex-wrap">
        <Link to={`/job/${bench.job}/return`} className="btn-line">
          Return sheet
        </Link>
        <a className="btn-line" href={`/api/jobs/${bench.job}/labels.pdf`} target="_blank" rel="noreferrer">
          Labels
        </a>
        {counting && parts.length > 0 && (
          <Button variant="line" onClick={allTrays}>
            All trays agree
          </Button>
        )}
        <span className="ms-auto d-flex gap-2 align-items-center">
          <Form.Label htmlFor="resume-to" className="m-0">
            To bench
          </Form.Label>
          <Form.Select id="resume-to" value={place} style={{ width: 90 }} onChange={(e) => setTo(e.target.value)}>
            {free.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </Form.Select>
        </span>
      </div>
      {counting ? (
        <Go
          label={place ? `Resume at ${place}` : 'No bench is free'}
          act={() => bench.give({ type: 'resume', to: place, counts: found, ...(reason.trim() ? { reason } : {}) })}
          disabled={!place || !counted || (differs && !reason.trim())}
        />
      ) : (
        <Go label="Read; count the trays" act={() => setCounting(true)} />
      )}
    </>
  );
}
