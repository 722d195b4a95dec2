import { SetButton } from './set-button.tsx';
import { Advice, DueWords, Standing, Tries } from './setting-words.tsx';
import { settingGauge, dueReading, openBad, nextTry, packIn, settingMethodOf, instrumentFacts } from '@jubb/core/bench';
import { depthsOf } from '@jubb/core/sheet';
import { formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { createPortal } from 'react-dom';
import { SettingDrawing } from '../../../drawing/setting-drawing.tsx';
import { useInstrument } from '../../use-instrument.ts';
import { ReckonerLink } from '../../working-block.tsx';
import { Foot } from '../foot.tsx';
import { type PanelProps } from '../panel.tsx';
import { WayOn } from '../proving/way-on.tsx';
import { TypedReading } from '../reading/typed-reading.tsx';
import { DrawerTable } from './drawer-table.tsx';
import { useSettingRig } from '../../simulation/use-setting-rig.ts';
import { ColumnPlace } from '../../unit/column-place.tsx';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** Makes a setting by the method that was chosen: feel, read, the next move in the hand's own terms, read again. */
export function SetPanel({ bench, op }: PanelProps<'set'>): React.JSX.Element {
  const { sheet, state, context } = bench;
  const setting = sheet.settings[op.setting]!;
  const method = settingMethodOf(setting, state);
  const other = setting.together === undefined ? undefined : sheet.settings[setting.together];
  const measured = depthsOf(method);
  const due = dueReading(sheet, state, setting);
  const feel = setting.feel && state.answers[op.id]?.answer !== 'no' ? setting.feel : undefined;
  const felt = state.answers[op.id]?.answer === 'yes';
  const kind = settingGauge(due?.depth?.gauge ?? due?.setting.gauge ?? setting.gauge);
  const instrument = useInstrument(kind);
  const depths =
    due?.depth && due.depth.gauge !== 'by eye'
      ? { depths: measured.map((d) => (d.sign === 'plus' ? '+' : '-')).join(''), depthAt: due.depth.at }
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
  const pack = packIn(setting, state.settings[setting.id], measured.length > 0);
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
            method={method}
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
                  <Button key={a} variant="line" onClick={() => bench.give({ type: 'answer', op: op.id, answer: a })}>
                    {a === 'no' ? feel.good : feel.bad}
                  </Button>
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
          <ColumnPlace bench={bench} op={op} width={262} />
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
