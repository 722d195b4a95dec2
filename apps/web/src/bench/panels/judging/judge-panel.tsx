import { adviseFinding, upperFirst, type BenchState } from '@jubb/core/bench';
import { findings, type Finding } from '@jubb/core/sheet';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { ReasonField, SEEN } from '../../../fields/reason-field.tsx';
import { FindingMark, findingWords } from '../../../drawing/finding-mark.tsx';
import { Go, type PanelProps } from '../panel.tsx';

/** Each part gets its finding: what the sheet and the readings advise, one press; another one with its reason. */
export function JudgePanel({ bench, op }: PanelProps<'judge'>): React.JSX.Element {
  const { sheet, state } = bench;
  const [picked, setPicked] = useState<string>();
  const due = picked ?? op.parts.find((p) => state.findings[p] === undefined);
  const [reason, setReason] = useState('');
  const advice = due === undefined ? undefined : adviseFinding(sheet, state, due);
  const part = due === undefined ? undefined : sheet.parts[due];
  const judge = (finding: Finding): void => {
    const judged = { type: 'judge' as const, op: op.id, part: due!, finding, ...(reason.trim() ? { reason } : {}) };
    // With the last of them the move is done, unless it was looked at once more.
    const last = (after: BenchState): boolean => !picked && op.parts.every((p) => after.findings[p] !== undefined);
    if (!bench.giveAndGoOn(judged, op.id, last)) return;
    setReason('');
    setPicked(undefined);
  };
  const measures = Object.values(sheet.measures).filter((m) => m.part === due);
  const measureOp = (id: string): string | undefined =>
    state.readings.find((r) => r.subject === 'measure' && r.id === id)?.op;
  return (
    <>
      <div className="op">
        <div className="judged">
          {op.parts
            .filter((p) => state.findings[p] && p !== due)
            .map((p) => (
              <button key={p} type="button" className="judged-row" onClick={() => setPicked(p)}>
                <b>{sheet.parts[p]?.title}</b>
                <FindingMark finding={state.findings[p]!} />
                <small>{state.findingNotes[p]?.reason}</small>
              </button>
            ))}
        </div>
        {part && advice && (
          <div className="judge-now">
            <h3>{part.title}</h3>
            {advice.says.map((s) => (
              <p key={s} className="m-0">
                {s}
              </p>
            ))}
            {part.reuseIf && <p className="m-0">Used again if: {part.reuseIf}</p>}
            {advice.undecided.map((id) => (
              <div key={id} className="decide">
                <p className="m-0">
                  <b>{sheet.measures[id]!.title}: undecided.</b> Too near the limit for the gauge.
                </p>
                {measureOp(id) !== undefined && (
                  <Button variant="line" onClick={() => bench.give({ type: 'measure-again', op: measureOp(id)! })}>
                    Measure again
                  </Button>
                )}
              </div>
            ))}
            {advice.says.length === 0 && advice.undecided.length === 0 && (
              <p className="m-0 quiet">
                {measures.length > 0 ? 'Not measured yet.' : 'No reading speaks of it.'} Say what was seen.
              </p>
            )}
            <ReasonField
              id="reason"
              label={
                advice.finding === undefined
                  ? 'What was seen or measured'
                  : `What was seen, if it is not to be ${findingWords(advice.finding).past}`
              }
              value={reason}
              set={setReason}
              ready={[...(part.reuseIf ? [upperFirst(part.reuseIf)] : []), ...SEEN]}
            />
            <div className="answers mt-2">
              {findings.map((f) => (
                <Button
                  key={f}
                  variant="line"
                  className={f === advice.finding ? 'advised' : undefined}
                  onClick={() => judge(f)}
                >
                  <FindingMark finding={f} />
                  {f === advice.finding && <small className="d-block">advised</small>}
                </Button>
              ))}
            </div>
          </div>
        )}
      </div>
      {due === undefined || advice?.finding === undefined ? (
        <Go label="All judged" act={() => bench.give({ type: 'complete', op: op.id })} disabled={due !== undefined} />
      ) : (
        <Go
          label={`${part!.title}: ${findingWords(advice.finding).now.toLowerCase()}, as advised`}
          act={() => judge(advice.finding!)}
        />
      )}
    </>
  );
}
