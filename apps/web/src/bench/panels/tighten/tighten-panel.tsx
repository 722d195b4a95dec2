import type { InstrumentView } from '@jubb/contract';
import {
  aimNm,
  computedFigure,
  runningNm,
  shareOfYield,
  tighteningState,
  windowOf,
  wrenchesFor,
  type Pull,
  instrumentFacts,
} from '@jubb/core/bench';
import { canonical, convert, formatBand, formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import { ReckonError, wrenchSetting } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import Form from 'react-bootstrap/Form';
import { createPortal } from 'react-dom';
import { queries } from '../../../api/queries.ts';
import { BoltCircle } from '../../../drawing/bolt-circle.tsx';
import { TorqueTrace } from '../../../drawing/torque-trace.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { useSpoken } from '../../../frame/speech.ts';
import { Whose } from '../../figure-source.tsx';
import { useLive } from '../../use-instrument.ts';
import { WORKING_SLOT, WorkingBlock } from '../../working-block.tsx';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { Turning } from '../turning.tsx';
import { TypedReading } from '../typed-reading.tsx';
import { ClampBand } from './clamp-band.tsx';
import { LiveTraceView, SampleQueue } from './live-trace-view.tsx';
import { NewFasteners, Running } from './before-pull.tsx';
import { Unanswered } from './unanswered.tsx';
import { UnitAsk } from './unit-ask.tsx';
import { WrenchRow } from './wrench-row.tsx';

const MOST_EXTENSION_MM = 1000;
/** How much a heavy hand overshoots: enough to leave the window. */
const HEAVY = 1.2;
/** The simulated hand takes so long from one fastener to the next. */
const BETWEEN_PULLS_MS = 250;
/** What the simulated hand can do wrong, by turns. */
const HANDS = [
  ['steady', undefined],
  ['heavy, next pull', 'heavy'],
  ['crossed thread', 'cross-thread'],
  ['on the bottom', 'bottomed'],
  ['gives', 'yield'],
  ['soft', 'soft'],
  ['line drops', 'drop-out'],
] as const;

/** Tightens a joint: which fastener, what on which wrench, each pull against its window as it is made. */
export function TightenPanel(props: PanelProps<'tighten'>): React.JSX.Element {
  const { bench, op } = props;
  const joint = bench.sheet.joints[op.joint]!;
  const asked = joint.stages.find((s) => s.unitAsked);
  if (asked) return <UnitAsk {...props} joint={joint} stage={asked} />;
  if (bench.state.joints[joint.id]?.usedUp) return <NewFasteners bench={bench} op={op.id} joint={joint} />;
  if (joint.running && !bench.state.joints[joint.id]?.running)
    return <Running bench={bench} op={op.id} joint={joint} />;
  return <Pulls {...props} joint={joint} />;
}

function Pulls({ bench, op, joint }: PanelProps<'tighten'> & { readonly joint: Joint }): React.JSX.Element {
  const { state } = bench;
  const t = tighteningState(joint, state);
  const isTight = ({ complete: all, stage: at }: typeof t): boolean =>
    all || (op.through !== undefined && at > op.through);
  const complete = isTight(t);
  const running = runningNm(joint, state);
  const stageNumber = Math.min(t.stage, joint.stages.length - 1);
  const stage = joint.stages[stageNumber]!;
  const window = windowOf(joint, stageNumber, running);
  const turn = window.unit === 'deg';
  // What is on the wrench for this joint of this job; the next joint begins without.
  const [typedExtension, setExtension] = useState(() =>
    String(state.joints[joint.id]?.pulls.at(-1)?.rig.extensionMm ?? 0),
  );
  const [typedLever, setLever] = useState('');
  const extension = millimetres(typedExtension, 0, MOST_EXTENSION_MM);
  const [picked, setPicked] = useState<string>();
  const [hand, setHand] = useState(0);
  const [pulling, setPulling] = useState(false);
  const [dropped, setDropped] = useState<string>();
  // The stage that the simulated hand is pulling through: nobody presses anything between the pulls of a real one.
  const [round, setRound] = useState<number>();
  const [queue] = useState(() => new SampleQueue());
  const rig = { extensionMm: extension ?? 0, extensionAngleDeg: 0 };

  const instruments = useQuery(queries.instruments()).data ?? [];
  const wrenches = wrenchesFor<InstrumentView>(
    joint,
    stageNumber,
    running,
    rig,
    instruments,
    new Date().toISOString().slice(0, 10),
  );
  const inRange = wrenches.filter((w) => w.verdict !== 'out of range');
  const chosen = (inRange.find((w) => w.wrench.id === picked) ?? inRange[0])?.wrench;
  const ownLever = millimetres(typedLever, 50, 5000);
  // Of a wrench on the list the list knows it, and else whoever holds it: there is no usual length.
  const lever = chosen?.wrench?.lengthMm ?? ownLever;
  const leverDue = rig.extensionMm > 0 && lever === undefined;
  const blocked = extension === undefined || leverDue;
  const factor = lever === undefined ? 1 : (lever + rig.extensionMm) / lever;

  const pull = (
    reading: Quantity,
    how: 'instrument' | 'hand',
    trace?: readonly (readonly [number, number])[],
    turnedDeg?: number,
  ): void => {
    if (t.bolt === undefined || blocked) return;
    bench.giveAndGoOn(
      {
        type: 'pull',
        op: op.id,
        bolt: t.bolt,
        reading,
        rig: { ...rig, ...(rig.extensionMm > 0 && lever !== undefined ? { wrenchLengthMm: lever } : {}) },
        how,
        ...(trace ? { trace } : {}),
        ...(turnedDeg === undefined ? {} : { turnedDeg }),
        ...(how === 'instrument' && chosen ? { instrument: instrumentFacts(chosen) } : {}),
      },
      op.id,
      (after) => isTight(tighteningState(joint, after)),
    );
  };
  const live = useLive(chosen, {
    pull: (m) => {
      setPulling(false);
      pull({ value: m.peakNm, unit: 'N·m' }, 'instrument', m.trace, m.turnedDeg);
      if (chosen?.simulated) setRound(t.stage);
    },
    sample: ([deg, nm]) => queue.put([deg, nm * factor]),
    gone: () => {
      if (!pulling || t.bolt === undefined) return;
      setPulling(false);
      const last = queue.last;
      const words = `The line to ${chosen?.name ?? 'the wrench'} dropped in the middle of fastener ${t.bolt}${last ? `, at ${last[1].toFixed(1)} N·m after ${Math.round(last[0])}°` : ''}`;
      setDropped(words);
      // What was read is kept; no pull is made of it.
      bench.give({ type: 'note', text: `${words}. Not counted as a pull.` });
    },
  });

  const asked = {
    torque: canonical(aimNm(joint, turn ? Math.max(0, stageNumber - 1) : stageNumber, running), 'torque'),
    // Without an extension the length does not matter to the figure.
    wrenchLength: { value: lever ?? 1000, unit: 'mm' },
    extension: { value: rig.extensionMm, unit: 'mm' },
    scaleUnit: chosen?.wrench?.scaleUnit ?? 'N·m',
    graduation: chosen?.wrench?.graduation ?? 0.1,
    ...(chosen?.wrench ? { wrenchMax: { value: chosen.wrench.maxNm, unit: 'N·m' } } : {}),
  };
  const setting = turn || blocked ? undefined : settingOf(asked);
  const settingNm = setting ? convert(setting.results.setting, 'N·m').value : asked.torque.value / factor;
  useSpoken(
    setting && !complete && !t.unanswered
      ? `Set to ${setting.results.setting.value} ${setting.results.setting.unit === 'N·m' ? 'newton metres' : setting.results.setting.unit}`
      : undefined,
  );
  const standing = (state.joints[joint.id]?.pulls ?? []).filter((p) => !p.void && p.bolt === t.bolt);
  // A turn goes on from the torque of the stage before: that is what the wrench showed.
  const before = standing.at(-1)?.reading ?? stage.to;
  const canPull =
    !blocked && live !== undefined && live.value !== undefined && (!turn || chosen?.wrench?.angle === true);
  const startPull = (): void => {
    if (!live || pulling || !canPull) return;
    const fault = HANDS[hand]![1];
    const share = shareOfYield(joint, asked.torque.value);
    queue.clear();
    setDropped(undefined);
    setPulling(true);
    live
      .hand({
        action: 'pull',
        stopNm: settingNm * (fault === 'heavy' ? HEAVY : 1),
        fromNm: standing.length > 0 ? inCanonical(before, 'torque') : 0,
        ...(share ? { yieldNm: settingNm / (share / 100) } : {}),
        ...(turn ? { byDeg: inCanonical(stage.to, 'angle') } : {}),
        ...(fault === undefined || fault === 'heavy' ? {} : { fault }),
      })
      .catch(() => setPulling(false));
    setHand(0);
  };
  const last: Pull | undefined = state.joints[joint.id]?.pulls.at(-1);
  // Only after a good pull that needed no word, by a steady hand.
  const good = last?.verdict === 'within' && !last.void && last.answer === undefined;
  const goesOn = round === t.stage && !pulling && !complete && !t.unanswered && good && hand === 0;
  const pullNext = useRef(startPull);
  useEffect(() => {
    pullNext.current = startPull;
  });
  useEffect(() => {
    if (!goesOn) return undefined;
    const timer = setTimeout(() => {
      setRound(undefined);
      pullNext.current();
    }, BETWEEN_PULLS_MS);
    return () => clearTimeout(timer);
  }, [goesOn]);
  useSpoken(last && `${last.bolt}: ${last.verdict === 'within' ? 'within' : `too ${last.verdict}`}`);
  const foot = document.getElementById('foot');
  const workingSlot = document.getElementById(WORKING_SLOT);
  const computed = computedFigure(joint);
  return (
    <>
      <div className="op opgrid">
        <div>
          <BoltCircle joint={joint} tightening={t} />
          {!complete && <WrenchRow wrenches={wrenches} chosen={chosen?.id} choose={setPicked} />}
          <div className="d-flex gap-2 align-items-center mt-1">
            <Form.Label htmlFor="extension" className="m-0">
              Extension, mm
            </Form.Label>
            <Form.Control
              id="extension"
              inputMode="decimal"
              value={typedExtension}
              style={{ width: 110 }}
              aria-describedby="extension-error"
              onChange={(e) => setExtension(e.target.value)}
            />
          </div>
          {rig.extensionMm > 0 && chosen?.wrench === undefined && (
            <div className="d-flex gap-2 align-items-center mt-1">
              <Form.Label htmlFor="lever" className="m-0">
                Wrench, hand to drive, mm
              </Form.Label>
              <Form.Control
                id="lever"
                inputMode="decimal"
                value={typedLever}
                style={{ width: 110 }}
                aria-describedby="extension-error"
                onChange={(e) => setLever(e.target.value)}
              />
            </div>
          )}
          <p id="extension-error" className="field-error m-0" role="alert">
            {extension === undefined
              ? `Millimetres, 0 to ${MOST_EXTENSION_MM}`
              : leverDue
                ? 'How long is the wrench? From the hand to the middle of its drive.'
                : ''}
          </p>
        </div>
        <div>
          {t.unanswered ? (
            <Unanswered bench={bench} op={op.id} joint={joint} pull={t.unanswered} />
          ) : (
            <>
              <Turning hand={joint.hand} />
              <div className="quiet fw-bold">{turn ? 'Turn it on by' : 'Set the wrench to'}</div>
              <div className="big">
                {turn ? formatQuantity(stage.to) : (setting?.results.setting.value.toFixed(1) ?? '–')}
                {!turn && <span>{setting?.results.setting.unit}</span>}
              </div>
              <div className="quiet">
                {turn
                  ? `${formatBand(stage.window)}, from where the stage before ended`
                  : `${formatBand(stage.window)} at the fastener (${formatQuantity(convert(stage.to, 'ft·lbf'), 1)})${running > 0 ? `, and ${running.toFixed(1)} N·m to turn the nut` : ''}`}
                {stage.windowAssumed ? ', a tenth either way assumed' : ''}
              </div>
              <Whose from={joint.from} documents={bench.documents} />
              {joint.hold && <div className="held">Hold {joint.hold}</div>}
              {joint.threadlocker && (
                <div>
                  Threadlocker: {joint.threadlocker}
                  {joint.keepClear && <b className="field-error"> Keep it off {joint.keepClear}</b>}
                </div>
              )}
              {setting?.warnings.map((w) => (
                <div key={w} className="field-error">
                  {w}
                </div>
              ))}
            </>
          )}
          <div className="stages">
            {joint.stages.map((s, i) => (
              <div key={s.name} className={i < t.stage ? 'd' : i === t.stage ? 'n' : ''}>
                {s.name}, {formatQuantity(s.to)}
                <b>
                  {t.within[i]!.size} of {joint.count}
                </b>
              </div>
            ))}
          </div>
          {!t.unanswered && (
            <div style={{ minHeight: 24 }}>
              {last && !last.void && (
                <div className="d-flex gap-2 align-items-center">
                  <span>
                    Fastener {last.bolt}: <b>{formatQuantity(last.torque, 1)}</b>
                  </span>
                  <VerdictMark verdict={last.verdict} />
                </div>
              )}
              <ClampBand joint={joint} last={last?.void ? undefined : last} />
            </div>
          )}
          {dropped && <p className="field-error m-0">{dropped}. Pull it again.</p>}
          {pulling ? (
            <LiveTraceView
              queue={queue}
              lowNm={turn ? 0 : window.low}
              highNm={turn ? settingNm * factor * 2 : window.high}
            />
          ) : (
            !turn &&
            !t.unanswered && (
              <TorqueTrace trace={last?.trace ?? []} lowNm={window.low} highNm={window.high} factor={factor} />
            )
          )}
          {turn && !canPull && !complete && !t.unanswered && (
            <TypedReading
              dimension="angle"
              unit="70 deg"
              label={`Fastener ${t.bolt}: how far it was turned`}
              take={(q) => pull(before, 'hand', undefined, inCanonical(q, 'angle'))}
            />
          )}
          {!turn && live?.value === undefined && !blocked && !complete && !t.unanswered && (
            <TypedReading
              dimension="torque"
              unit="21.8 N·m"
              label={`Fastener ${t.bolt}: what the wrench showed`}
              take={(q) => pull(q, 'hand')}
            />
          )}
        </div>
      </div>
      {complete ? (
        <Go
          label={
            t.complete
              ? `${joint.title} is tight`
              : `${joint.title}: ${joint.stages[op.through ?? 0]!.name.toLowerCase()} is done`
          }
          act={() => bench.give({ type: 'complete', op: op.id })}
        />
      ) : (
        <Go
          label={
            pulling
              ? 'Pulling …'
              : t.unanswered
                ? 'Say what was done first'
                : turn
                  ? canPull
                    ? `Turn fastener ${t.bolt}`
                    : `Turn fastener ${t.bolt}, and type how far`
                  : joint.count > 1
                    ? `Pull fastener ${t.bolt}`
                    : `Pull the ${joint.title.toLowerCase()}`
          }
          keyName="space"
          act={startPull}
          disabled={pulling || t.unanswered !== undefined || !canPull}
        />
      )}
      {workingSlot &&
        (setting ?? computed) &&
        createPortal(
          <WorkingBlock
            lines={[...(computed?.working ?? []), ...(setting?.working ?? [])]}
            {...(setting ? { asked: { id: wrenchSetting.id, inputs: asked } } : {})}
          />,
          workingSlot,
        )}
      {foot &&
        createPortal(
          <Foot instrument={live}>
            {live?.view.simulated && (
              <button type="button" aria-pressed={hand > 0} onClick={() => setHand((hand + 1) % HANDS.length)}>
                Hand: {HANDS[hand]![0]}
              </button>
            )}
          </Foot>,
          foot,
        )}
    </>
  );
}

/** A length typed in millimetres; undefined when it cannot be read or is out of range. */
function millimetres(text: string, least: number, most: number): number | undefined {
  const plain = text.trim().replace(',', '.');
  const value = Number(plain);
  return /^\d+(\.\d+)?$/.test(plain) && value >= least && value <= most ? value : undefined;
}

function settingOf(asked: object): ReturnType<typeof wrenchSetting.reckon> | undefined {
  try {
    return wrenchSetting.reckon(asked);
  } catch (e) {
    if (!(e instanceof ReckonError)) throw e;
    return undefined;
  }
}
