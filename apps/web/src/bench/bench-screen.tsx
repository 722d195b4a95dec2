import type { MeView } from '@jubb/contract';
import { findOp, holdReasons, minutesLeft, nextMove, opTitle, type HoldReason } from '@jubb/core/bench';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { LadderDrawing } from '../drawing/ladder-drawing.tsx';
import { handsWords, promiseWords } from '../floor/time-words.ts';
import { useKeys } from '../frame/keys.ts';
import { ChoosePanel } from './panels/choose-panel.tsx';
import { ClosePanel } from './panels/close-panel.tsx';
import { JudgePanel } from './panels/judge-panel.tsx';
import type { PanelProps } from './panels/panel.tsx';
import { CautionShape, PlainPanel } from './panels/plain-panel.tsx';
import { ReadingPanel } from './panels/reading-panel.tsx';
import { SetPanel } from './panels/set-panel.tsx';
import { TightenPanel } from './panels/tighten-panel.tsx';
import { TruthColumn } from './truth-column.tsx';
import { useBench, type Bench } from './use-bench.ts';

const SIDES = { strip: 'Strip', bottom: 'Along the bottom', build: 'Build' } as const;

/** A job at its bench: the ladder, the move, and what is true now. */
export default function BenchScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const { bench, error, visits } = useBench(id, me);
  const [working, setWorking] = useState(true);
  const [holding, setHolding] = useState(false);
  const [looking, setLooking] = useState<string>();
  // Portals need the foot to be in the page before the panels draw.
  const [, footIsThere] = useState(false);
  const drawn = bench !== undefined;
  useEffect(() => footIsThere(drawn), [drawn]);
  useKeys({ w: () => setWorking(!working), h: () => setHolding(!holding), u: () => takeBack(bench) });
  if (!bench)
    return (
      <main className="empty">
        {error ? (
          <>
            <h2>This bench cannot be shown</h2>
            <p>{error.message}</p>
            <Link to="/">Back to the Floor</Link>
          </>
        ) : (
          'Fetching the bench …'
        )}
      </main>
    );
  const { sheet, state } = bench;
  const move = nextMove(sheet, state);
  const caution = move.kind === 'op' ? move.step.ops.find((o) => o.kind === 'caution') : undefined;
  const booked = state.booked;
  const holds = state.holds.filter((h) => !h.cleared);
  return (
    <main className="bench">
      <div className="jobhead">
        <div>
          <h1>
            {sheet.title.split(',')[0]}, serial {booked?.unit.serial}
          </h1>
          <small>
            Job {booked?.number}
            {visits.length > 0 ? `, here before: ${visits.length}` : ''} · {booked?.customer.name} ·{' '}
            {booked?.complaint.toLowerCase()}
          </small>
        </div>
        {booked?.promise && (
          <div className="fact">
            <small>Promised</small>
            <b>{promiseWords(booked.promise, new Date())}</b>
          </div>
        )}
        <div className="fact">
          <small>Hands still needed</small>
          <b>{handsWords(Math.round(minutesLeft(sheet, state)))}</b>
        </div>
        {booked?.spendLimitMinor != null && (
          <div className="fact">
            <small>Agreed up to</small>
            <b>
              {me.workshop.currency}
              {(booked.spendLimitMinor / 100).toFixed(0)}
            </b>
          </div>
        )}
        <div className="acts">
          {bench.last && !state.signed && (
            <button type="button" className="btn-line" onClick={() => takeBack(bench)}>
              Take back <kbd>u</kbd>
            </button>
          )}
          {!state.signed && (
            <button type="button" className="btn-line" onClick={() => bench.give({ type: 'sign-off' })}>
              Sign off
            </button>
          )}
          {!state.signed && (
            <button type="button" className="btn-line" aria-pressed={holding} onClick={() => setHolding(!holding)}>
              Hold <kbd>h</kbd>
            </button>
          )}
        </div>
      </div>
      <div className="benchmain">
        <section className="lad" aria-label="Ladder" tabIndex={0}>
          <LadderDrawing sheet={sheet} state={state} />
        </section>
        <section className="mid" aria-label="The move">
          {holding && <HoldForm bench={bench} done={() => setHolding(false)} />}
          {holds.map((h) => (
            <div key={h.id} className="past d-flex justify-content-between align-items-center">
              <span>
                <b>On hold for {h.why === 'yes' ? 'a yes' : h.why}</b> {h.note}
              </span>
              <button type="button" className="btn-line" onClick={() => bench.give({ type: 'clear-hold', hold: h.id })}>
                Clear
              </button>
            </div>
          ))}
          {bench.refusal && (
            <div className="refused" role="alert">
              <div className="d-flex justify-content-between align-items-center gap-2">
                <span>
                  <b>{bench.refusal.says}.</b> {bench.refusal.blockers ? '' : bench.refusal.clears}
                </span>
                <button type="button" className="btn-line" onClick={bench.clearRefusal}>
                  Close
                </button>
              </div>
              {bench.refusal.blockers && (
                <ul>
                  {bench.refusal.blockers.map((b) => (
                    <li key={b.code + b.says}>
                      <span>{b.says}</span>
                      <button
                        type="button"
                        className="btn-line"
                        onClick={() => {
                          bench.clearRefusal();
                          setLooking(b.op);
                        }}
                      >
                        {b.clears}
                      </button>
                    </li>
                  ))}
                </ul>
              )}
            </div>
          )}
          {move.kind === 'op' && looking !== undefined && looking !== move.op.id && (
            <LookedAt bench={bench} op={looking} first={opTitle(sheet, move.op)} back={() => setLooking(undefined)} />
          )}
          {move.kind === 'op' ? (
            <>
              <div>
                <div className="quiet fw-bold">
                  {SIDES[move.step.side]}, {move.place} of {move.of}: {move.step.title.toLowerCase()}
                </div>
                <h2>{opTitle(sheet, move.op)}</h2>
              </div>
              {caution && caution.id !== move.op.id && (
                <div className="caut">
                  <CautionShape />
                  <b>{caution.say}</b>
                </div>
              )}
              <MovePanel key={move.op.id} bench={bench} step={move.step} op={move.op} me={me} />
            </>
          ) : (
            <ClosePanel bench={bench} jobId={id} kind={move.kind} />
          )}
        </section>
        <TruthColumn bench={bench} open={working} ownWorking={move.kind === 'op' && move.op.kind === 'tighten'} />
      </div>
      <div id="foot" style={{ display: 'grid', background: 'var(--ink)' }} />
    </main>
  );
}

/** An operation that a blocker led to, before its turn: where it stands and what comes first. */
function LookedAt({
  bench,
  op,
  first,
  back,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly first: string;
  readonly back: () => void;
}): React.JSX.Element | null {
  const found = findOp(bench.sheet, bench.state, op);
  if (!found || bench.state.done[op]) return null;
  return (
    <div className="past d-flex justify-content-between align-items-center" data-looked-at={op}>
      <span>
        <b>
          {SIDES[found.step.side]}, {found.step.title.toLowerCase()}: {opTitle(bench.sheet, found.op)}
        </b>
        <small className="d-block">Its turn comes after: {first}</small>
      </span>
      <button type="button" className="btn-line" onClick={back}>
        Close
      </button>
    </div>
  );
}

function takeBack(bench: Bench | undefined): void {
  if (bench?.last) bench.give({ type: 'take-back', command: bench.last.command, reason: 'pressed by mistake' });
}

function MovePanel(props: PanelProps): React.JSX.Element {
  switch (props.op.kind) {
    case 'tighten':
      return <TightenPanel {...(props as PanelProps<'tighten'>)} />;
    case 'set':
      return <SetPanel {...(props as PanelProps<'set'>)} />;
    case 'judge':
      return <JudgePanel {...(props as PanelProps<'judge'>)} />;
    case 'choose':
      return <ChoosePanel {...(props as PanelProps<'choose'>)} />;
    case 'read':
    case 'test':
    case 'measure':
      return <ReadingPanel {...(props as PanelProps<'read' | 'test' | 'measure'>)} />;
    default:
      return <PlainPanel {...props} />;
  }
}

function HoldForm({ bench, done }: { readonly bench: Bench; readonly done: () => void }): React.JSX.Element {
  const [note, setNote] = useState('');
  const give = (why: HoldReason): void => {
    if (bench.give({ type: 'hold', why, note })) done();
  };
  return (
    <div className="past">
      <label htmlFor="hold-note" className="fw-bold">
        What does it wait for?
      </label>
      <input id="hold-note" className="form-control my-2" value={note} onChange={(e) => setNote(e.target.value)} />
      <div className="answers">
        {holdReasons.map((w) => (
          <button key={w} type="button" className="btn-line" onClick={() => give(w)}>
            {w === 'yes' ? 'A yes' : w.charAt(0).toUpperCase() + w.slice(1)}
          </button>
        ))}
      </div>
    </div>
  );
}
