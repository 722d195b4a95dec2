import type { MeView } from '@jubb/contract';
import { END_TITLES, holdWords, ladderOf, lowerFirst, nextMove, standingNow, returnToStepOf } from '@jubb/core/bench';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Link, useParams, useSearchParams } from 'react-router';
import { queries } from '../api/queries.ts';
import { LadderDrawing } from '../drawing/ladder-drawing.tsx';
import { useBusyHands, useWakeLock } from '../frame/hands-busy.ts';
import { useKeys } from '../frame/keys.ts';
import { usePhone } from '../frame/narrow.ts';
import { useSpeechOn } from '../frame/speech.ts';
import { Extras, type Extra } from './extras/extras.tsx';
import { JobHead } from './job-head.tsx';
import { ClosePanel } from './panels/closing/close-panel.tsx';
import { RefusalBox } from './refusal-box.tsx';
import { ResumePanel } from './return/resume-panel.tsx';
import { StepPeek } from './step-peek.tsx';
import { TheMove } from './the-move.tsx';
import { TruthColumn } from './truth-column.tsx';
import { takeBack, useBench } from './use-bench.ts';
import { WhichBar } from './which-bar.tsx';

/** What can be put on record at any time. */
const FOOT: readonly (readonly [Extra, string, string])[] = [
  ['surprise', 'Surprise', 's'],
  ['note', 'Note', 'n'],
  ['add', 'Mark', 'm'],
  ['photo', 'Photo', 'c'],
  ['correct', 'Correct', 'a'],
];

type Face = 'ladder' | 'move' | 'now';
const FACES: readonly (readonly [Face, string])[] = [
  ['ladder', 'Ladder'],
  ['move', 'Move'],
  ['now', 'True now'],
];

/** A job at its bench: the ladder, the move, and what is true now. */
export default function BenchScreen({ me }: { readonly me: MeView }): React.JSX.Element {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const { bench, error, visits } = useBench(id, me);
  const floor = useQuery(queries.floor());
  const [working, setWorking] = useState(true);
  const [extra, setExtra] = useState<Extra>();
  // A label's code opens the job at its rung; arrows move along the ladder from there.
  const [peek, setPeek] = useState<string | undefined>(() => search.get('at') ?? undefined);
  // Portals need the foot to be in the page before the panels draw.
  const [, footIsThere] = useState(false);
  const drawn = bench !== undefined;
  useEffect(() => footIsThere(drawn), [drawn]);
  const [speaks, setSpeaks] = useSpeechOn();
  const [face, setFace] = useState<Face>('move');
  const phone = usePhone();
  useBusyHands();
  useWakeLock();
  const toggle = (e: Extra): void => {
    setExtra(extra === e ? undefined : e);
    setFace('move');
  };
  useKeys({
    working: () => setWorking(!working),
    wait: () => toggle('wait'),
    takeBack: () => takeBack(bench),
    surprise: () => toggle('surprise'),
    note: () => toggle('note'),
    mark: () => toggle('add'),
    photo: () => toggle('photo'),
    end: () => toggle('end'),
    correct: () => toggle('correct'),
    voice: () => setSpeaks(!speaks),
    close:
      extra || peek !== undefined
        ? () => {
            setExtra(undefined);
            setPeek(undefined);
          }
        : undefined,
  });
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
  const parked = state.parked !== undefined;
  const back = returnToStepOf(sheet, state);
  const never = standingNow(sheet, state).length;
  // What is picked on the ladder, or put on record, shows where the move stands.
  const look = (step: string | undefined): void => {
    setPeek(step);
    setFace('move');
  };
  const shownStep =
    ladderOf(sheet, state).all.find((x) => x.id === peek) ?? (move.kind === 'op' ? move.step : undefined);
  // On a phone they stand in what opens over the move, and close it.
  const closes = phone ? ({ popoverTarget: 'put-on-record', popoverTargetAction: 'hide' } as const) : {};
  const onRecord = (
    <>
      {FOOT.map(([kind, title, key]) => (
        <button key={kind} type="button" {...closes} aria-pressed={extra === kind} onClick={() => toggle(kind)}>
          {title} <kbd>{key}</kbd>
        </button>
      ))}
      <button type="button" {...closes} aria-pressed={speaks} onClick={() => setSpeaks(!speaks)}>
        Voice <kbd>v</kbd>
      </button>
    </>
  );
  return (
    <main className="bench" aria-busy={!bench.fresh}>
      <JobHead bench={bench} me={me} visits={visits.length} toggle={toggle} extra={extra} />
      {/* A phone shows one of the three at a time; wider screens show them side by side, and not these. */}
      <div className="faces" role="group" aria-label="What to show">
        {FACES.map(([is, title]) => (
          <button key={is} type="button" aria-pressed={face === is} onClick={() => setFace(is)}>
            {title}
            {is === 'now' && never > 0 && <span className="never">Do not: {never}</span>}
          </button>
        ))}
      </div>
      <div className="benchmain" data-face={face}>
        <section className="lad" aria-label="Ladder" tabIndex={0}>
          <LadderDrawing sheet={sheet} state={state} peeked={peek} peek={look} />
        </section>
        <section className="mid" aria-label="The move">
          {extra && (
            <Extras
              kind={extra}
              bench={bench}
              floor={floor.data}
              step={shownStep}
              go={setExtra}
              close={() => setExtra(undefined)}
            />
          )}
          {!parked &&
            state.holds
              .filter((h) => !h.cleared)
              .map((h) => (
                <div key={h.id} className="past d-flex justify-content-between align-items-center">
                  <span>
                    <b>On hold for {holdWords(h.why)}</b> {h.note}
                  </span>
                  <Button variant="line" onClick={() => bench.give({ type: 'clear-hold', hold: h.id })}>
                    Clear
                  </Button>
                </div>
              ))}
          {state.end && (
            <div className="past" role="note">
              <b>{END_TITLES[state.end.how]}.</b> {state.end.reason}
              {state.end.agreedBy && `, ${state.end.agreedBy}`}
            </div>
          )}
          {back && (
            <div className="past" role="note">
              <b>Back for: {lowerFirst(back.suspect)}</b> {back.test}, {back.says}
            </div>
          )}
          <RefusalBox bench={bench} look={look} />
          {peek !== undefined && (move.kind !== 'op' || peek !== move.step.id) && (
            <StepPeek bench={bench} step={peek} close={() => setPeek(undefined)} />
          )}
          {/* While something else is put on record the move waits, so that a key cannot complete it by mistake. */}
          {extra ? null : parked ? (
            <ResumePanel bench={bench} floor={floor.data} />
          ) : move.kind === 'op' ? (
            <TheMove bench={bench} move={move} me={me} />
          ) : move.kind === 'which' ? (
            <WhichBar bench={bench} />
          ) : (
            <ClosePanel bench={bench} jobId={id} kind={move.kind} />
          )}
        </section>
        <TruthColumn bench={bench} open={working} ownWorking={move.kind === 'op' && move.op.kind === 'tighten'} />
      </div>
      <div className="benchfoot">
        <div id="foot" />
        {!state.signed &&
          (phone ? (
            <div className="foot">
              <button type="button" popoverTarget="put-on-record">
                Put on record
              </button>
              <div id="put-on-record" popover="auto">
                {onRecord}
              </div>
            </div>
          ) : (
            <div className="foot">{onRecord}</div>
          ))}
      </div>
    </main>
  );
}
