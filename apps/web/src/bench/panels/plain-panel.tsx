import { opTitle } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { Go, type PanelProps } from './panel.tsx';

const TRAY_KEY = 'jubb-tray';

/** Operations that are done, looked at and completed: their words, what goes where, and one button. */
export function PlainPanel({ bench, op }: PanelProps): React.JSX.Element {
  const { sheet } = bench;
  const [tray, setTray] = useState(() => localStorage.getItem(TRAY_KEY) ?? bench.state.place ?? 'A1');
  const complete = (more: object = {}): void => void bench.give({ type: 'complete', op: op.id, ...more });
  if (op.kind === 'off') {
    return (
      <>
        <div className="op">
          <ul className="lines">
            {op.parts.map(({ part, count }) => (
              <li key={part}>
                <b>{count}</b> × {sheet.parts[part]?.title}
                {sheet.parts[part]?.goes && <small className="d-block">goes back {sheet.parts[part].goes}</small>}
                {sheet.parts[part]?.renew === 'always' && (
                  <small className="d-block">always renewed: keep the old one to compare</small>
                )}
              </li>
            ))}
          </ul>
          {op.leaveIn && <p className="mt-2">Leave {op.leaveIn} in by a few turns until the cover is free.</p>}
          <Form.Label htmlFor="tray" className="mt-3">
            Where does it lie?
          </Form.Label>
          <Form.Control
            id="tray"
            value={tray}
            onChange={(e) => setTray(e.target.value)}
            style={{ maxWidth: 200, fontSize: 22 }}
          />
        </div>
        <Go
          label={`${opTitle(sheet, op)}: in tray ${tray}`}
          act={() => {
            localStorage.setItem(TRAY_KEY, tray);
            complete({ tray });
          }}
          disabled={!tray.trim()}
        />
      </>
    );
  }
  if (op.kind === 'inspect' && op.ask) {
    return (
      <>
        <div className="op">
          <p className="lines">{op.ask}</p>
          <button type="button" className="btn-line" onClick={() => complete({ answer: 'yes' })}>
            Yes: {op.yes ?? 'not good'}
          </button>
        </div>
        <Go label="No, it is good" act={() => complete({ answer: 'no' })} />
      </>
    );
  }
  const lines: string[] = [];
  if (op.kind === 'do') lines.push(...op.lines);
  if (op.kind === 'undo') {
    const j = sheet.joints[op.joint];
    if (j)
      lines.push(
        `${j.count} × ${j.thread}${j.hand === 'left' ? ', left-hand thread: turn it clockwise' : ''}`,
        j.count > 2 ? 'Slacken each a little in turn, crosswise, then out' : 'Slacken it',
      );
  }
  if (op.kind === 'mark' || op.kind === 'align') {
    const m = sheet.marks[op.mark];
    if (m)
      lines.push(
        `${m.between.map((p) => sheet.parts[p]?.title ?? p).join(' and ')}: ${op.kind === 'mark' ? `${m.with} across both` : 'marks in one line'}, ${m.where}`,
      );
  }
  if (op.kind === 'fit-aid' || op.kind === 'remove-aid') {
    const a = sheet.aids[op.aid];
    if (a)
      lines.push(
        `${a.title}, ${a.where}`,
        op.kind === 'fit-aid' ? 'It is counted until it is out again' : 'Look that it is really out',
      );
  }
  if (op.kind === 'lubricate' && op.with)
    lines.push(`${sheet.fluids[op.with]?.title}: ${sheet.fluids[op.with]?.grade}`);
  if (op.kind === 'fill')
    lines.push(
      `${sheet.fluids[op.what]?.grade}, ${sheet.fluids[op.what] ? formatQuantity(sheet.fluids[op.what]!.amount) : ''}`,
    );
  if (op.kind === 'clean')
    lines.push(
      op.what,
      ...(op.except ? [`Leave alone: ${op.except.map((p) => sheet.parts[p]?.title ?? p).join(', ')}`] : []),
    );
  if (op.kind === 'caution') lines.push(op.say);
  const part = 'part' in op && op.part ? sheet.parts[op.part] : undefined;
  if (part && (op.kind === 'place' || op.kind === 'press')) {
    const isNew = part.renew === 'always' || bench.state.findings[part.id] === 'renew';
    lines.push(
      `${part.count > 1 ? `${part.count} × ` : ''}${part.title}${isNew ? `: a new one${part.order ? `, ${part.order}` : ''}` : bench.state.off[part.id] ? `, from tray ${bench.state.off[part.id]!.tray}` : ''}`,
    );
    if (part.goes) lines.push(`Goes ${part.goes}`);
    if (part.lip) lines.push(`Lip faces the ${part.lip.faces}`);
  }
  if (op.note) lines.push(op.note);
  return (
    <>
      <div className="op">
        {op.kind === 'caution' ? (
          <div className="caut" style={{ fontSize: 22, padding: 20 }}>
            <CautionShape />
            <b>{op.say}</b>
          </div>
        ) : (
          <ul className="lines">
            {lines.map((l) => (
              <li key={l}>{l}</li>
            ))}
          </ul>
        )}
      </div>
      <Go
        label={
          op.kind === 'caution'
            ? 'Read, and minded'
            : op.kind === 'fit-aid'
              ? 'It is in'
              : op.kind === 'remove-aid'
                ? 'It is out'
                : 'Done'
        }
        act={() => complete()}
      />
    </>
  );
}

export function CautionShape(): React.JSX.Element {
  return (
    <svg width="30" height="30" viewBox="0 0 30 30" aria-hidden="true" style={{ flex: 'none' }}>
      <path d="M15 2 28 27H2Z" fill="none" stroke="#a63a1e" strokeWidth="3" />
      <path d="M15 11v8M15 22v2" stroke="#a63a1e" strokeWidth="3" />
    </svg>
  );
}
