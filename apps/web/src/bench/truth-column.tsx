import { aidsIn, standingNow } from '@jubb/core/bench';
import type { WorkingLine } from '@jubb/core/reckoners';
import type { Bench } from './use-bench.ts';
import { WORKING_SLOT, WorkingBlock } from './working-block.tsx';

/** What is true now: standing cautions, aids, marks, what is off, and the working of the last figure. */
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
  const marks = Object.entries(state.marks);
  const off = Object.entries(state.off);
  const working = lastWorking(bench);
  return (
    <aside className="right" aria-label="What is true now">
      <div className={`blk ${standing.length ? 'stand' : ''}`}>
        <h3>
          {standing.length ? 'Do not' : 'Standing cautions'}
          <span>{standing.length || 'none now'}</span>
        </h3>
        {standing.map((s) => (
          <div key={s.id} className="row1">
            {s.say.replace(/^Do not /, '').replace(/^./, (c) => c.toUpperCase())}
          </div>
        ))}
      </div>
      <div className={`blk ${aids.length ? 'aid' : ''}`}>
        <h3>
          Aids fitted<span>{aids.length}</span>
        </h3>
        {aids.map((a) => (
          <div key={a.id} className="row1">
            {a.title}
            <i>{a.where}</i>
          </div>
        ))}
      </div>
      {marks.length > 0 && (
        <div className="blk">
          <h3>
            Marks
            <span>
              {marks.filter(([, m]) => m.aligned).length} of {marks.length} in line
            </span>
          </h3>
          {marks.map(([id]) => (
            <div key={id} className="row1">
              {sheet.marks[id]?.title}
              <i>{sheet.marks[id]?.where}</i>
            </div>
          ))}
        </div>
      )}
      {off.length > 0 && (
        <div className="blk">
          <h3>
            Still off the unit<span>{off.length}</span>
          </h3>
          {off.map(([id, o]) => (
            <div key={id} className="row1">
              {sheet.parts[id]?.title}
              {o.count > 1 ? ` × ${o.count}` : ''}
              <i>tray {o.tray}</i>
            </div>
          ))}
        </div>
      )}
      {open && <div id={WORKING_SLOT}>{!ownWorking && <WorkingBlock lines={working} />}</div>}
    </aside>
  );
}

function lastWorking(bench: Bench): readonly WorkingLine[] {
  const rounds = Object.values(bench.state.settings).flatMap((s) => s.rounds);
  return (
    rounds.findLast((r) => r.fitted)?.fitted?.working ??
    rounds.findLast((r) => r.result)?.result?.working ??
    bench.state.readings.findLast((r) => r.result)?.result?.working ??
    []
  );
}
