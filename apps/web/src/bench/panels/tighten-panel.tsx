import { shareOfYield, tighteningState, windowOf, type Pull } from '@jubb/core/bench';
import { convert, formatBand, formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import { boltTorque, ReckonError, wrenchSetting } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { createPortal } from 'react-dom';
import { Whose } from '../figure-source.tsx';
import { BoltCircle } from '../../drawing/bolt-circle.tsx';
import { TorqueTrace } from '../../drawing/torque-trace.tsx';
import { VerdictMark } from '../../drawing/verdict-mark.tsx';
import { WORKING_SLOT, WorkingBlock } from '../working-block.tsx';
import { factsOf } from '../instrument-facts.ts';
import { useInstrument } from '../use-instrument.ts';
import { Foot } from './foot.tsx';
import { Go, type PanelProps } from './panel.tsx';
import { Turning } from './turning.tsx';
import { TypedReading } from './typed-reading.tsx';
import { UnitAsk } from './unit-ask.tsx';

const EXTENSION_KEY = 'jubb-extension-mm';
/** How much a heavy hand overshoots: enough to leave the window. */
const HEAVY = 1.2;

/** Tightens a joint: which fastener, what on the wrench, each pull against its window. */
export function TightenPanel(props: PanelProps<'tighten'>): React.JSX.Element {
  const joint = props.bench.sheet.joints[props.op.joint]!;
  const asked = joint.stages.find((s) => s.unitAsked);
  return asked ? <UnitAsk {...props} joint={joint} stage={asked} /> : <Pulls {...props} />;
}

function Pulls({ bench, op }: PanelProps<'tighten'>): React.JSX.Element {
  const { sheet, state } = bench;
  const joint = sheet.joints[op.joint]!;
  const t = tighteningState(joint, state);
  const complete = t.complete || (op.through !== undefined && t.stage > op.through);
  const [extension, setExtension] = useState(() => Number(localStorage.getItem(EXTENSION_KEY) ?? 0));
  const [heavy, setHeavy] = useState(false);
  const [pulling, setPulling] = useState(false);
  const rig = { extensionMm: extension, extensionAngleDeg: 0 };
  const wrench = useInstrument('torque-wrench', (m) => {
    setPulling(false);
    if (t.bolt !== undefined) pull({ value: m.peakNm, unit: 'N·m' }, 'instrument', m.trace, m.turnedDeg);
  });
  const lengthMm = wrench?.view.wrench?.lengthMm ?? 400;
  const stage = joint.stages[Math.min(t.stage, joint.stages.length - 1)]!;
  const stageNumber = Math.min(t.stage, joint.stages.length - 1);
  const window = windowOf(joint, stageNumber);
  const turn = window.unit === 'deg';
  const factor = (lengthMm + extension) / lengthMm;
  const asked = {
    torque: stage.to,
    wrenchLength: { value: lengthMm, unit: 'mm' },
    extension: { value: extension, unit: 'mm' },
    scaleUnit: wrench?.view.wrench?.scaleUnit ?? 'N·m',
    graduation: wrench?.view.wrench?.graduation ?? 0.1,
    ...(wrench?.view.wrench ? { wrenchMax: { value: wrench.view.wrench.maxNm, unit: 'N·m' } } : {}),
  };
  let setting: ReturnType<typeof wrenchSetting.reckon> | undefined;
  if (!turn)
    try {
      setting = wrenchSetting.reckon(asked);
    } catch (e) {
      if (!(e instanceof ReckonError)) throw e;
    }
  const pull = (
    reading: Quantity,
    how: 'instrument' | 'hand',
    trace?: readonly (readonly [number, number])[],
    turnedDeg?: number,
  ): void => {
    if (t.bolt === undefined) return;
    bench.give({
      type: 'pull',
      op: op.id,
      bolt: t.bolt,
      reading,
      rig: { ...rig, wrenchLengthMm: lengthMm },
      how,
      ...(trace ? { trace } : {}),
      ...(turnedDeg === undefined ? {} : { turnedDeg }),
      ...(how === 'instrument' && wrench ? { instrument: factsOf(wrench.view) } : {}),
    });
  };
  const settingNm = setting
    ? convert(setting.results.setting, 'N·m').value
    : turn
      ? 0
      : inCanonical(stage.to, 'torque');
  // A turn goes on from the torque of the stage before: that is what the wrench showed.
  const before = state.joints[joint.id]?.pulls.findLast((p) => p.bolt === t.bolt && !p.void)?.reading ?? stage.to;
  const earlier = stageNumber > 0 && !turn ? windowOf(joint, stageNumber - 1) : undefined;
  const startPull = (): void => {
    if (!wrench || pulling) return;
    const share = shareOfYield(joint, inCanonical(stage.to, 'torque'));
    const yieldNm = share ? settingNm / (share / 100) : undefined;
    setPulling(true);
    wrench
      .hand({
        action: 'pull',
        stopNm: settingNm * (heavy ? HEAVY : 1),
        fromNm: earlier ? (earlier.low + earlier.high) / 2 / factor : 0,
        ...(yieldNm ? { yieldNm } : {}),
      })
      .catch(() => setPulling(false));
    setHeavy(false);
  };
  const pulls = state.joints[joint.id]?.pulls ?? [];
  const last: Pull | undefined = pulls.at(-1);
  const foot = document.getElementById('foot');
  const workingSlot = document.getElementById(WORKING_SLOT);
  const connected = wrench?.value !== undefined;
  return (
    <>
      <div className="op opgrid">
        <div>
          <BoltCircle joint={joint} tightening={t} />
          <div className="d-flex gap-2 align-items-center">
            <Form.Label htmlFor="extension" className="m-0">
              Extension, mm
            </Form.Label>
            <Form.Control
              id="extension"
              type="number"
              min={0}
              max={1000}
              value={extension}
              style={{ width: 110 }}
              onChange={(e) => {
                const v = Math.max(0, Number(e.target.value) || 0);
                setExtension(v);
                localStorage.setItem(EXTENSION_KEY, String(v));
              }}
            />
          </div>
        </div>
        <div>
          {t.unanswered ? (
            <div className="refused" role="alert">
              <b style={{ fontSize: 20 }}>
                Fastener {t.unanswered.bolt}: {formatQuantity(t.unanswered.torque, 1)}, too high
              </b>
              <p className="m-0">
                The window is {window.low.toFixed(1)} to {window.high.toFixed(1)} {turn ? '°' : 'N·m'}.
                {t.unanswered.percentOfYield !== null &&
                  ` It saw ${Math.round(t.unanswered.percentOfYield)} % of yield.`}
              </p>
              <p className="m-0">
                {t.unanswered.advice === 'renew'
                  ? 'It may have stretched. Take it out, fit a new one, look at the thread it went into, and pull the new one.'
                  : 'Slacken it fully, look at its thread and seat, and pull it again to this stage.'}
              </p>
              <div className="answers mt-2">
                {t.unanswered.advice !== 'renew' && (
                  <button
                    type="button"
                    className="btn-ink"
                    onClick={() =>
                      bench.give({ type: 'answer-pull', op: op.id, bolt: t.unanswered!.bolt, answer: 'slackened' })
                    }
                  >
                    Slackened and looked at
                  </button>
                )}
                <button
                  type="button"
                  className="btn-line"
                  onClick={() =>
                    bench.give({ type: 'answer-pull', op: op.id, bolt: t.unanswered!.bolt, answer: 'renewed' })
                  }
                >
                  New fastener in
                </button>
              </div>
            </div>
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
                  : `${formatBand(stage.window)} at the fastener (${formatQuantity(convert(stage.to, 'ft·lbf'), 1)})`}
                {stage.windowAssumed ? ', a tenth either way assumed' : ''}
              </div>
              <Whose from={joint.from} documents={bench.documents} />
              {joint.hold && <div>Hold {joint.hold}</div>}
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
          <div className="d-flex gap-3 align-items-center" style={{ minHeight: 24 }}>
            {last && (
              <>
                <span>
                  Fastener {last.bolt}: <b>{formatQuantity(last.torque, 1)}</b>
                </span>
                <VerdictMark verdict={last.verdict} />
              </>
            )}
            <ClampBand joint={joint} last={last} />
          </div>
          {!turn && <TorqueTrace trace={last?.trace ?? []} lowNm={window.low} highNm={window.high} factor={factor} />}
          {turn && !complete && !t.unanswered && (
            <TypedReading
              dimension="angle"
              unit="70 deg"
              label={`Fastener ${t.bolt}: how far it was turned`}
              take={(q) => pull(before, 'hand', undefined, inCanonical(q, 'angle'))}
            />
          )}
          {!turn && !connected && !complete && !t.unanswered && (
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
                  ? `Turn fastener ${t.bolt}, and type how far`
                  : joint.count > 1
                    ? `Pull fastener ${t.bolt}`
                    : `Pull the ${joint.title.toLowerCase()}`
          }
          keyName="space"
          act={startPull}
          disabled={pulling || turn || t.unanswered !== undefined || !connected}
        />
      )}
      {workingSlot &&
        setting &&
        createPortal(
          <WorkingBlock lines={setting.working} asked={{ id: wrenchSetting.id, inputs: asked }} />,
          workingSlot,
        )}
      {foot &&
        createPortal(
          <Foot instrument={wrench}>
            {wrench?.view.simulated && (
              <button type="button" aria-pressed={heavy} onClick={() => setHeavy(!heavy)}>
                Simulated hand: {heavy ? 'heavy, next pull' : 'steady'}
              </button>
            )}
          </Foot>,
          foot,
        )}
    </>
  );
}

/** The clamp force that the last pull stands for, by the friction that is usual. */
function ClampBand({
  joint,
  last,
}: {
  readonly joint: Joint;
  readonly last: Pull | undefined;
}): React.JSX.Element | null {
  if (!last || joint.propertyClass === undefined) return null;
  try {
    const r = boltTorque.reckon({
      thread: joint.thread,
      propertyClass: joint.propertyClass,
      method: 'torque-wrench-measured-friction',
    }).results;
    const share = last.torque.value / r.torque.value;
    return (
      <span className="quiet">
        clamp {((r.clampLow.value * share) / 1000).toFixed(1)} to {((r.clampHigh.value * share) / 1000).toFixed(1)} kN
      </span>
    );
  } catch (e) {
    if (e instanceof ReckonError) return null;
    throw e;
  }
}
