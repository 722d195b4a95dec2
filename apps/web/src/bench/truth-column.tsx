import {
  aidsIn,
  betweenNow,
  fluidLedger,
  lastReading,
  leadsOff,
  MOST_OF_A_PART,
  nextMove,
  standingNow,
  timersRunning,
} from '@jubb/core/bench';
import type { WorkingLine } from '@jubb/core/reckoners';
import { formatQuantity, formatReading } from '@jubb/core/quantities';
import Button from 'react-bootstrap/Button';
import { useForm } from 'react-hook-form';
import { VerdictMark } from '../drawing/verdict-mark.tsx';
import { clockLeft, useNow } from '../frame/use-now.ts';
import type { Bench } from './use-bench.ts';
import { WORKING_SLOT, WorkingBlock } from './working-block.tsx';

/** What is true now: standing cautions, aids, what to restore, what is in between, waits, marks, trays, pictures. */
export function TruthColumn({
  bench,
  open,
  ownWorking,
}: {
  readonly bench: Bench;
  readonly open: boolean;
  readonly ownWorking: boolean;
}): React.JSX.Element {
  const { sheet, state } = bench;
  const standing = standingNow(sheet, state);
  const aids = aidsIn(sheet, state);
  const leads = leadsOff(sheet, state);
  const between = betweenNow(sheet, state);
  const drained = fluidLedger(sheet, state).filter((f) => f.out);
  const marks = Object.entries(state.marks);
  const off = Object.entries(state.off);
  const working = lastWorking(bench);
  return (
    <aside className="right" aria-label="What is true now" tabIndex={0}>
      <div className={`blk ${standing.length ? 'stand' : ''}`}>
        <h2>
          {standing.length ? 'Do not' : 'Standing cautions'}
          <span>{standing.length || 'none now'}</span>
        </h2>
        {standing.map((s) => (
          <div key={s.id} className="row1">
            {s.say.replace(/^Do not /, '').replace(/^./, (c) => c.toUpperCase())}
          </div>
        ))}
      </div>
      <div className={`blk ${aids.length ? 'aid' : ''}`}>
        <h2>
          Aids fitted<span>{aids.length}</span>
        </h2>
        {aids.map((a) => (
          <div key={a.id} className="row1">
            {a.title}
            <i>{a.where}</i>
          </div>
        ))}
      </div>
      <Waits bench={bench} />
      {leads.length > 0 && (
        <div className="blk aid">
          <h2>
            To restore<span>{leads.length}</span>
          </h2>
          {leads.map((l) => (
            <div key={l.id} className="row1">
              {l.title}
              <i>{l.where}</i>
            </div>
          ))}
        </div>
      )}
      {drained.length > 0 && (
        <div className="blk aid">
          <h2>
            Drained<span>{drained.length}</span>
          </h2>
          {drained.map((f) => (
            <div key={f.fluid} className="row1">
              {f.title}
              <i>{formatQuantity(f.amount)}</i>
            </div>
          ))}
        </div>
      )}
      {between.length > 0 && (
        <div className="blk">
          <h2>
            In between<span>{between.length}</span>
          </h2>
          {between.map((b) => (
            <div key={b.key} className="row1">
              {b.title}
              <i>{b.state}</i>
            </div>
          ))}
        </div>
      )}
      {marks.length > 0 && (
        <div className="blk">
          <h2>
            Marks
            <span>
              {marks.filter(([, m]) => m.aligned).length} of {marks.length} in line
            </span>
          </h2>
          {marks.map(([id]) => (
            <div key={id} className="row1">
              {sheet.marks[id]?.title}
              <i>{sheet.marks[id]?.where}</i>
            </div>
          ))}
        </div>
      )}
      <LastSaid bench={bench} />
      {open && <div id={WORKING_SLOT}>{!ownWorking && <WorkingBlock lines={working} />}</div>}
      {off.length > 0 && (
        <div className="blk">
          <h2>
            Still off the unit<span>{off.length}</span>
          </h2>
          {off.map(([id, o]) => (
            <div key={id} className="row1">
              {sheet.parts[id]?.title}
              {!state.uncounted[id] && o.count > 1 ? ` × ${o.count}` : ''}
              {state.uncounted[id] ? <TrayCount bench={bench} part={id} tray={o.tray} /> : <i>tray {o.tray}</i>}
            </div>
          ))}
        </div>
      )}
      {state.photos.length > 0 && (
        <div className="blk">
          <h2>
            Pictures<span>{state.photos.length}</span>
          </h2>
          <div className="photos">
            {state.photos.map((p) => (
              <a key={p.photo} href={`/api/photos/${p.photo}`} target="_blank" rel="noreferrer">
                <img src={`/api/photos/${p.photo}`} alt={p.caption || 'Picture of the unit'} loading="lazy" />
              </a>
            ))}
          </div>
        </div>
      )}
    </aside>
  );
}

/** What was read last, since a good reading goes on by itself: seen once more, and put right from the foot. */
function LastSaid({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const last = lastReading(bench.sheet, bench.state);
  if (!last) return null;
  return (
    <div className="blk" role="status" aria-label="Read last">
      <h2>Read last</h2>
      <div className="row1">
        {last.title}
        <b className="num">{formatReading(last.value)}</b>
      </div>
      {last.verdict && <VerdictMark verdict={last.verdict} />}
    </div>
  );
}

/** Counts what was laid in a tray uncounted. */
function TrayCount({
  bench,
  part,
  tray,
}: {
  readonly bench: Bench;
  readonly part: string;
  readonly tray: string;
}): React.JSX.Element {
  const { register, handleSubmit, watch } = useForm({ defaultValues: { count: '' } });
  return (
    <form
      className="d-flex gap-1"
      noValidate
      onSubmit={(e) =>
        void handleSubmit(({ count }) => void bench.give({ type: 'count-tray', part, count: Number(count) }))(e)
      }
    >
      <input
        type="number"
        min={1}
        max={MOST_OF_A_PART}
        className="form-control"
        style={{ width: 84 }}
        aria-label={`${bench.sheet.parts[part]?.title ?? part} in tray ${tray}: how many`}
        placeholder={tray}
        {...register('count')}
      />
      <Button type="submit" variant="line" disabled={!(Number(watch('count')) > 0)}>
        Count
      </Button>
    </form>
  );
}

/** Waits that run; one that has run is ended with a press. */
function Waits({ bench }: { readonly bench: Bench }): React.JSX.Element | null {
  const timers = timersRunning(bench.state);
  const now = useNow();
  if (timers.length === 0) return null;
  return (
    <div className="blk">
      <h2>
        Running<span>{timers.length}</span>
      </h2>
      {timers.map((t) => {
        const left = clockLeft(t.due, now);
        return (
          <div key={t.id} className="row1 align-items-center">
            {t.title}
            {left === 'done' && t.op === null ? (
              <Button variant="line" onClick={() => bench.give({ type: 'end-timer', timer: t.id })}>
                Done
              </Button>
            ) : (
              <b className="num">{left}</b>
            )}
          </div>
        );
      })}
    </div>
  );
}

/** The working of the last figure of the step at hand; that of an earlier step stands where that step is looked at. */
function lastWorking({ sheet, state }: Bench): readonly WorkingLine[] {
  const move = nextMove(sheet, state);
  if (move.kind !== 'op') return [];
  const here = new Set(move.step.ops.map((o) => o.id));
  const set = move.step.ops.flatMap((o) => (o.kind === 'set' ? (state.settings[o.setting]?.rounds ?? []) : []));
  return (
    set.findLast((r) => r.fitted)?.fitted?.working ??
    set.findLast((r) => r.result)?.result?.working ??
    state.readings.findLast((r) => r.result && here.has(r.op))?.result?.working ??
    []
  );
}
