import { computedFigure, runningNm, tighteningState, windowOf } from '@jubb/core/bench';
import { inCanonical } from '@jubb/core/quantities';
import { wrenchSetting } from '@jubb/core/reckoners';
import type { Joint } from '@jubb/core/sheet';
import { useState } from 'react';
import { createPortal } from 'react-dom';
import { BoltCircle } from '../../../drawing/bolt-circle.tsx';
import { TorqueTrace } from '../../../drawing/torque-trace.tsx';
import { useSpoken } from '../../../frame/speech.ts';
import { HANDS, pullMove } from '../../simulation/pull-hand.ts';
import { usePullThrough } from '../../simulation/use-pull-through.ts';
import { MovePlace } from '../../unit/move-place.tsx';
import { WORKING_SLOT, WorkingBlock } from '../../working-block.tsx';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';
import { NewFasteners, Running } from './before-pull.tsx';
import { LiveTraceView } from './live-trace-view.tsx';
import { RigFields } from './rig-fields.tsx';
import { LastPull, StageList } from './stage-list.tsx';
import { Unanswered } from './unanswered.tsx';
import { UnitAsk } from './unit-ask.tsx';
import { isTight, usePulls } from './use-pulls.ts';
import { useRig } from './use-rig.ts';
import { WhatToSet } from './what-to-set.tsx';
import { WrenchRow } from './wrench-row.tsx';
import { wrenchSettingFor } from './wrench-setting.ts';

type PullsProps = PanelProps<'tighten'> & { readonly joint: Joint };

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

/** All that is at hand while a joint is pulled: its state, the stage, the rig, the figure, and the pulls themselves. */
function useTightening({ bench, op, joint }: PullsProps) {
  const { state } = bench;
  const t = tighteningState(joint, state);
  const complete = isTight(op, t);
  const running = runningNm(joint, state);
  const number = Math.min(t.stage, joint.stages.length - 1);
  const stage = joint.stages[number]!;
  const window = windowOf(joint, number, running);
  const turn = window.unit === 'deg';
  const all = state.joints[joint.id]?.pulls ?? [];
  const rig = useRig(joint, number, running, all.at(-1)?.rig.extensionMm ?? 0);
  const setting = wrenchSettingFor(joint, { stage: number }, running, rig, turn);
  const onThis = all.filter((p) => !p.void && p.bolt === t.bolt);
  // A turn goes on from the torque of the stage before: that is what the wrench showed.
  const before = onThis.at(-1)?.reading;
  const [hand, setHand] = useState(0);
  const last = all.at(-1);
  // Only after a good pull that needed no word, by a steady hand.
  const good = last?.verdict === 'within' && !last.void && last.answer === undefined;
  const waits = !complete && !t.unanswered;
  const pulls = usePulls(bench, op, joint, t, rig, () => {
    if (rig.chosen?.simulated) pulled();
  });
  const { live, pulling } = pulls;
  const canPull =
    rig.blocked === undefined && live?.value !== undefined && (!turn || rig.chosen?.wrench?.angle === true);
  const start = (): void => {
    if (!live || pulling || !canPull) return;
    pulls.begin();
    const { onWrenchNm: settingNm, wantedNm } = setting;
    live
      .hand(pullMove(joint, stage, { settingNm, wantedNm, before, turn, fault: HANDS[hand]![1] }))
      .catch(() => pulls.setPulling(false));
    setHand(0);
  };
  const pulled = usePullThrough(t.stage, waits && !pulling && good && hand === 0, start);
  const { reckoned } = setting;
  const spokenUnit = reckoned?.results.setting.unit === 'N·m' ? 'newton metres' : reckoned?.results.setting.unit;
  useSpoken(reckoned && waits ? `Set to ${reckoned.results.setting.value} ${spokenUnit}` : undefined);
  useSpoken(last && `${last.bolt}: ${last.verdict === 'within' ? 'within' : `too ${last.verdict}`}`);
  return { t, complete, waits, running, stage, window, turn, rig, setting, before, last, pulls, canPull, start, hand, setHand }; // prettier-ignore
}
type Tightening = ReturnType<typeof useTightening>;

function Pulls(props: PullsProps): React.JSX.Element {
  const { bench, op, joint } = props;
  const at = useTightening(props);
  const { t, complete, rig, turn, pulls } = at;
  const foot = document.getElementById('foot');
  const circle = <BoltCircle joint={joint} tightening={t} />;
  return (
    <>
      <div className="op opgrid">
        <div>
          {/* A circle with a single bolt in it tells less than its place. */}
          {joint.count === 1 ? <MovePlace bench={bench} op={op} width={300} height={230} otherwise={circle} /> : circle}
          {!complete && <WrenchRow wrenches={rig.wrenches} chosen={rig.chosen?.id} choose={rig.choose} />}
          <RigFields rig={rig} />
        </div>
        <div>
          {t.unanswered ? (
            <Unanswered bench={bench} op={op.id} joint={joint} pull={t.unanswered} />
          ) : (
            <WhatToSet
              joint={joint}
              stage={at.stage}
              turn={turn}
              runningNm={at.running}
              setting={at.setting.reckoned}
              documents={bench.documents}
            />
          )}
          <StageList joint={joint} t={t} />
          {!t.unanswered && <LastPull joint={joint} last={at.last} />}
          {pulls.dropped && <p className="field-error m-0">{pulls.dropped}. Pull it again.</p>}
          <Trace at={at} />
          <Typed at={at} />
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
          label={pullLabel(joint, at)}
          keyName="space"
          act={at.start}
          disabled={pulls.pulling || t.unanswered !== undefined || !at.canPull}
        />
      )}
      <Working joint={joint} setting={at.setting} />
      {foot &&
        createPortal(
          <Foot instrument={pulls.live}>
            {pulls.live?.view.simulated && (
              <button type="button" aria-pressed={at.hand > 0} onClick={() => at.setHand((at.hand + 1) % HANDS.length)}>
                Hand: {HANDS[at.hand]![0]}
              </button>
            )}
          </Foot>,
          foot,
        )}
    </>
  );
}

/** The pull that is under way, or the last one, against its window. */
function Trace({ at }: { readonly at: Tightening }): React.JSX.Element | null {
  const { pulls, turn, window, rig, setting, t } = at;
  if (pulls.pulling)
    return (
      <LiveTraceView
        queue={pulls.queue}
        lowNm={turn ? 0 : window.low}
        highNm={turn ? setting.onWrenchNm * rig.factor * 2 : window.high}
      />
    );
  if (turn || t.unanswered) return null;
  return <TorqueTrace trace={at.last?.trace ?? []} lowNm={window.low} highNm={window.high} factor={rig.factor} />;
}

/** Where no wrench speaks for itself: what it showed, or how far it was turned. */
function Typed({ at }: { readonly at: Tightening }): React.JSX.Element | null {
  const { t, turn, pulls, stage } = at;
  if (!at.waits) return null;
  if (turn)
    return at.canPull ? null : (
      <TypedReading
        dimension="angle"
        unit="70 deg"
        label={`Fastener ${t.bolt}: how far it was turned`}
        take={(q) => pulls.take(at.before ?? stage.to, 'hand', { turnedDeg: inCanonical(q, 'angle') })}
      />
    );
  if (pulls.live?.value !== undefined || at.rig.blocked !== undefined) return null;
  return (
    <TypedReading
      dimension="torque"
      unit="21.8 N·m"
      label={`Fastener ${t.bolt}: what the wrench showed`}
      take={(q) => pulls.take(q, 'hand')}
    />
  );
}

function pullLabel(joint: Joint, { pulls, t, turn, canPull }: Tightening): string {
  if (pulls.pulling) return 'Pulling …';
  if (t.unanswered) return 'Say what was done first';
  if (turn) return canPull ? `Turn fastener ${t.bolt}` : `Turn fastener ${t.bolt}, and type how far`;
  return joint.count > 1 ? `Pull fastener ${t.bolt}` : `Pull the ${joint.title.toLowerCase()}`;
}

/** How the figure came about, in the column at the right. */
function Working({
  joint,
  setting,
}: {
  readonly joint: Joint;
  readonly setting: Tightening['setting'];
}): React.ReactPortal | null {
  const slot = document.getElementById(WORKING_SLOT);
  const computed = computedFigure(joint);
  const { reckoned, asked } = setting;
  if (!slot || !(reckoned ?? computed)) return null;
  return createPortal(
    <WorkingBlock
      lines={[...(computed?.working ?? []), ...(reckoned?.working ?? [])]}
      {...(reckoned ? { asked: { id: wrenchSetting.id, inputs: asked } } : {})}
    />,
    slot,
  );
}
