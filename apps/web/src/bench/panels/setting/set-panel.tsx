import {
  settingGauge,
  dueReading,
  hotValue,
  isPull,
  openBad,
  nextTry,
  packIn,
  schoolOf,
  settingBand,
  type DueReading,
  type NextTry,
  instrumentFacts,
  turnSaid,
} from '@jubb/core/bench';
import {
  canonicalUnit,
  decimalsOfAll,
  formatBand,
  formatNumber,
  formatQuantity,
  inCanonical,
  type Quantity,
  formatReading,
} from '@jubb/core/quantities';
import type { Setting } from '@jubb/core/sheet';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { createPortal } from 'react-dom';
import { Rule } from '../../../drawing/rule.tsx';
import { SettingDrawing } from '../../../drawing/setting-drawing.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import { Whose } from '../../figure-source.tsx';
import { useInstrument } from '../../use-instrument.ts';
import type { Bench } from '../../use-bench.ts';
import { ReckonerLink } from '../../working-block.tsx';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import { WayOn } from '../proving/way-on.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';
import { DrawerTable } from './drawer-table.tsx';
import { useSettingRig } from '../../simulation/use-setting-rig.ts';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** Makes a setting by the school that was chosen: feel, read, the next move in the hand's own terms, read again. */
export function SetPanel({ bench, op }: PanelProps<'set'>): React.JSX.Element {
  const { sheet, state, context } = bench;
  const setting = sheet.settings[op.setting]!;
  const school = schoolOf(setting, state);
  const other = setting.together === undefined ? undefined : sheet.settings[setting.together];
  const due = dueReading(sheet, state, setting);
  const feel = setting.feel && state.answers[op.id]?.answer !== 'no' ? setting.feel : undefined;
  const felt = state.answers[op.id]?.answer === 'yes';
  const kind = settingGauge(due?.depth?.gauge ?? due?.setting.gauge ?? setting.gauge);
  const instrument = useInstrument(kind);
  const depths =
    school?.kind === 'depths' && due?.depth
      ? { depths: school.depths.map((d) => (d.sign === 'plus' ? '+' : '-')).join(''), depthAt: due.depth.at }
      : undefined;
  // The simulated unit follows what is set on it, and nothing else.
  useSettingRig(instrument, due?.setting, state, { by: setting, depths });
  const next = nextTry(sheet, state, setting, context.drawers);
  const done = !next && !due && state.settings[setting.id]?.rounds.at(-1)?.result?.verdict === 'within';
  const tries = state.settings[setting.id]?.rounds.filter((r) => r.result).length ?? 0;
  // Two misses point at a part, and so does what no move can bring in: there is another way than moving it once more.
  const stuck =
    tries >= 2 || next?.cannot !== undefined
      ? openBad(sheet, state).find((b) => b.key === `setting:${setting.id}`)
      : undefined;
  const take = (value: Quantity, how: 'instrument' | 'hand'): void => {
    if (!due) return;
    bench.giveAndGoOn(
      {
        type: 'take-reading',
        op: op.id,
        value,
        how,
        ...(due.depth ? { where: due.depth.id } : {}),
        ...(due.setting.id === setting.id ? {} : { setting: due.setting.id }),
        ...(how === 'instrument' && instrument ? { instrument: instrumentFacts(instrument.view) } : {}),
      },
      op.id,
      (after) =>
        !dueReading(sheet, after, setting) &&
        !nextTry(sheet, after, setting, context.drawers) &&
        after.settings[setting.id]?.rounds.at(-1)?.result?.verdict === 'within',
    );
  };
  const pack = packIn(setting, state.settings[setting.id], school?.kind === 'depths');
  const pieces =
    next?.move?.kind === 'pack'
      ? next.move.pieces
      : (state.settings[setting.id]?.rounds.findLast((r) => r.fitted)?.fitted?.pieces ?? (pack ? [pack] : []));
  const total = pieces.reduce((sum, p) => sum + mm(p), 0);
  const foot = document.getElementById('foot');
  const drawer = setting.shims ? context.drawers[setting.shims.drawer] : undefined;
  const connected = instrument?.value !== undefined;
  return (
    <>
      <div className="op setgrid">
        <div>
          <SettingDrawing
            school={school}
            pieces={pieces.map(mm)}
            pack={total > 0 ? total.toFixed(2) : 'none yet'}
            turn={next?.move?.kind === 'turn' ? inCanonical(next.move.turned, 'angle') : 0}
            {...(next?.move?.kind === 'sides' ? { left: mm(next.move.left), right: mm(next.move.right) } : {})}
            {...(next?.move?.kind === 'slide' ? { slide: mm(next.move.slid) } : {})}
            wanted={setting.dimension === 'length' ? mm(setting.target) : 0}
          />
          <Standing bench={bench} setting={setting} />
          {other && <Standing bench={bench} setting={other} />}
        </div>
        <div>
          {feel && !felt ? (
            <>
              <p className="lines p-0">{feel.ask}</p>
              <div className="answers">
                {(['no', 'yes'] as const).map((a) => (
                  <button
                    key={a}
                    type="button"
                    className="btn-line"
                    onClick={() => bench.give({ type: 'answer', op: op.id, answer: a })}
                  >
                    {a === 'no' ? feel.good : feel.bad}
                  </button>
                ))}
              </div>
            </>
          ) : next && (!due || next.cannot) && !done ? (
            <Advice next={next} setting={setting} />
          ) : due ? (
            <DueWords due={due} setting={setting} first={next} />
          ) : felt && feel ? (
            <p className="lines p-0">
              {feel.bad}: move it, then feel again. {setting.outside}
            </p>
          ) : (
            <p className="lines p-0">{setting.title} is within its band.</p>
          )}
          <Tries bench={bench} setting={setting} />
          {other && <Tries bench={bench} setting={other} named />}
          {next?.asked && !done && (!due || next.cannot) && (
            <div className="mt-1">
              <ReckonerLink id={next.asked.id} inputs={next.asked.inputs} />
            </div>
          )}
          {drawer && !stuck && (
            <DrawerTable drawer={drawer} chosen={next?.move?.kind === 'pack' ? next.move.pieces : []} />
          )}
          {due && !feel && !connected && (
            <TypedReading
              dimension={due.depth ? 'length' : due.setting.pull ? 'force' : due.setting.dimension}
              unit={due.depth ? '24.12 mm' : due.setting.pull ? '24 N' : formatQuantity(due.setting.target)}
              label={`Reading ${due.number} of ${due.of}`}
              take={(q) => take(q, 'hand')}
            />
          )}
        </div>
        {stuck && (
          <div className="wholerow">
            <WayOn bench={bench} failed={{ id: setting.id, failedBy: [] }} bad={stuck} />
          </div>
        )}
      </div>
      <SetButton
        bench={bench}
        op={op.id}
        setting={setting}
        due={due}
        next={next}
        blocked={feel !== undefined && !felt}
        felt={felt}
        done={done}
        connected={connected}
        read={() => take({ value: instrument!.value!, unit: instrument!.view.unit }, 'instrument')}
      />
      {foot && createPortal(<Foot instrument={instrument} />, foot)}
    </>
  );
}

/** The setting on its rule, as it stands now. */
function Standing({ bench, setting }: { readonly bench: Bench; readonly setting: Setting }): React.JSX.Element {
  const { band, target, used } = settingBand(setting, bench.state);
  const round = bench.state.settings[setting.id]?.rounds.at(-1);
  const own = (q: Quantity): number => inCanonical(q, setting.dimension);
  const read = round?.readings.filter((r) => !isPull(setting, r.value)).map((r) => own(r.value)) ?? [];
  return (
    <>
      <Rule
        low={own(band.low)}
        high={own(band.high)}
        guard={round?.result ? own(round.result.uncertainty) : 0}
        readings={round?.result ? [own(round.result.mean)] : read}
        wanted={own(target)}
        unit={canonicalUnit(setting.dimension)}
        title={setting.title.toLowerCase()}
      />
      {used && (
        <small className="d-block">
          Used bearings: half the band, {formatBand(band)}. New ones: {formatBand(setting.band)}
        </small>
      )}
    </>
  );
}

function DueWords({
  due,
  setting,
  first,
}: {
  readonly due: DueReading;
  readonly setting: Setting;
  readonly first: NextTry | undefined;
}): React.JSX.Element {
  const { depth } = due;
  return (
    <>
      {first && due.number === 1 && <p className="lines p-0">{first.say}</p>}
      <div className="quiet fw-bold">
        {depth
          ? `Depth ${due.number} of ${due.of}`
          : `Read the ${due.setting.title.toLowerCase()}, ${due.number} of ${due.of}`}
      </div>
      <p className="lines p-0">{depth ? depth.title : due.setting.how}</p>
      {!depth && setting.seat && (
        <p className="quiet">
          Nut at {formatQuantity(setting.seat.to)}
          {setting.seat.turning ? `, ${setting.seat.turning}` : ''}
        </p>
      )}
      {first?.warnings.map((w) => (
        <p key={w} className="quiet m-0">
          {w}
        </p>
      ))}
    </>
  );
}

/** The next move, large, with what it should come to. */
function Advice({ next, setting }: { readonly next: NextTry; readonly setting: Setting }): React.JSX.Element {
  const digits = next.predicted && next.uncertainty ? Math.max(2, decimalsOfAll([setting.band.low.value])) : 2;
  return (
    <div className={next.cannot ? 'refused' : ''} role={next.cannot ? 'alert' : undefined}>
      <div className="quiet fw-bold">{next.cannot ? 'It cannot be reached so' : 'Next'}</div>
      <p className="say">{next.say}</p>
      {next.predicted && !next.cannot && (
        <p className="quiet">
          It should give {formatQuantity(next.predicted, digits)}
          {next.uncertainty && ` ± ${formatNumber(inCanonical(next.uncertainty, setting.dimension), digits)}`}
        </p>
      )}
      {next.warnings.map((w) => (
        <p key={w} className="quiet m-0">
          {w}
        </p>
      ))}
    </div>
  );
}

/** Every try with what was moved before it: kept, never averaged across a move. */
function Tries({
  bench,
  setting,
  named,
}: {
  readonly bench: Bench;
  readonly setting: Setting;
  /** The second of two that are read together: its name instead of the number. */
  readonly named?: boolean;
}): React.JSX.Element {
  const rounds = bench.state.settings[setting.id]?.rounds ?? [];
  const last = rounds.at(-1);
  const hot = last?.result && hotValue(setting, last.result.mean);
  return (
    <>
      {rounds.map(
        (r, i) =>
          r.result && (
            <div key={i} className="d-flex gap-2 align-items-center try">
              <span>{named ? setting.title : `Try ${i + 1}`}</span>
              <b>{formatReading(r.result.mean)}</b>
              <VerdictMark verdict={r.result.verdict} />
            </div>
          ),
      )}
      {last && !last.result && last.readings.length > 0 && (
        <div className="quiet">Read: {last.readings.map((r) => formatQuantity(r.value)).join(', ')}</div>
      )}
      {hot && (
        <small className="d-block">
          Warm, {formatQuantity(setting.hot!.rise)} up: {formatQuantity(hot.value)} ({setting.hot!.caseMaterial} case)
        </small>
      )}
      {!named && <Whose from={setting.from} documents={bench.documents} />}
    </>
  );
}

/** The one button: read, move, or confirm. */
function SetButton({
  bench,
  op,
  setting,
  due,
  next,
  blocked,
  felt,
  done,
  connected,
  read,
}: {
  readonly bench: Bench;
  readonly op: string;
  readonly setting: Setting;
  readonly due: DueReading | undefined;
  readonly next: NextTry | undefined;
  readonly blocked: boolean;
  readonly felt: boolean;
  readonly done: boolean;
  readonly connected: boolean;
  readonly read: () => void;
}): React.JSX.Element {
  const [turned, setTurned] = useState('');
  const [made, setMade] = useState('');
  const [wrong, setWrong] = useState<string>();
  const mean = bench.state.settings[setting.id]?.rounds.at(-1)?.result?.mean;
  if (blocked) return <Go label="Feel it first" act={() => undefined} disabled />;
  if (felt)
    return (
      <Go
        label="It is moved: feel again"
        act={() => bench.give({ type: 'adjust', op, note: setting.feel?.bad ?? 'moved' })}
      />
    );
  if (done && mean)
    return (
      <Go
        label={`${setting.title} is set at ${formatReading(mean)}`}
        act={() => bench.give({ type: 'complete', op })}
      />
    );
  if (due)
    return (
      <Go
        label={
          connected ? `Take ${due.depth ? 'the depth' : `reading ${due.number} of ${due.of}`}` : 'Type what you read'
        }
        keyName="space"
        act={read}
        disabled={!connected}
      />
    );
  const move = next?.move;
  if (move?.kind === 'pack')
    return (
      <Go
        label={`The pack of ${mm(move.total).toFixed(2)} is in: read again`}
        act={() => bench.give({ type: 'fit-pack', op, pieces: move.pieces })}
      />
    );
  const needed = next?.needed;
  if (needed)
    return (
      <>
        <div className="d-flex gap-2 align-items-center">
          <Form.Label htmlFor="made" className="m-0">
            Bought as, or ground from
          </Form.Label>
          <Form.Control id="made" value={made} maxLength={200} onChange={(e) => setMade(e.target.value)} />
        </div>
        <Go
          label={`One of ${mm(needed).toFixed(2)} is in: read again`}
          act={() => {
            const pieces = [{ value: Number(mm(needed).toFixed(2)), unit: 'mm' }];
            if (bench.give({ type: 'fit-pack', op, pieces, made })) setMade('');
          }}
          disabled={!made.trim()}
        />
      </>
    );
  const act = (): void => {
    const { kind: _kind, ...how } = move ?? { kind: 'turn' as const };
    const said = turned.trim() !== '' && move?.kind === 'turn' ? turnSaid(turned, move.turned) : undefined;
    if (said && 'problem' in said) return setWrong(said.problem);
    setWrong(undefined);
    bench.give({
      type: 'adjust',
      op,
      note: said ? `${next?.say ?? ''} Turned ${turned.trim()}` : (next?.say ?? 'moved'),
      ...how,
      ...said,
    });
    setTurned('');
  };
  return (
    <>
      {move?.kind === 'turn' && (
        <div className="d-flex gap-2 align-items-center">
          <Form.Label htmlFor="turned" className="m-0">
            Turned otherwise, degrees
          </Form.Label>
          <Form.Control
            id="turned"
            value={turned}
            inputMode="decimal"
            style={{ width: 110 }}
            aria-describedby="turned-error"
            onChange={(e) => setTurned(e.target.value)}
          />
          <span id="turned-error" className="field-error" role="alert">
            {wrong}
          </span>
        </div>
      )}
      <Go label={next?.cannot ? 'It is changed: read again' : 'It is moved: read again'} act={act} disabled={!next} />
    </>
  );
}
