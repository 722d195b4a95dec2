import { adviseFinding, ladderOf, measureOutcome, type BenchState } from '@jubb/core/bench';
import type { PartNeed } from '@jubb/core/parts';
import type { Sheet } from '@jubb/core/sheet';
import { FindingMark } from '../drawing/finding-mark.tsx';
import { VerdictMark } from '../drawing/verdict-mark.tsx';
import { WearRule } from './wear-rule.tsx';

/** Parts that this job judges, in the order of its ladder. */
export function judgedParts(sheet: Sheet, state: BenchState): readonly string[] {
  return [
    ...new Set(
      ladderOf(sheet, state).all.flatMap((s) =>
        [...s.ops, ...s.open].flatMap((o) => (o.kind === 'judge' ? o.parts : [])),
      ),
    ),
  ];
}

/** The parts with their readings and judgements, and what is always new. */
export function FindingRows({
  sheet,
  state,
  needs,
}: {
  readonly sheet: Sheet;
  readonly state: BenchState;
  readonly needs: readonly PartNeed[];
}): React.JSX.Element {
  const judged = judgedParts(sheet, state);
  const others = Object.keys(state.findings).filter((p) => !judged.includes(p));
  const always = needs.filter((n) => n.why === 'always-new' && state.findings[n.part] === undefined);
  return (
    <>
      {[...judged, ...others].map((part) => (
        <FindingRow key={part} sheet={sheet} state={state} part={part} />
      ))}
      {always.length > 0 && (
        <div className="frow">
          <div>
            <b>Always new</b>
            <small>by the sheet</small>
          </div>
          <p className="m-0 quiet">
            {always.map((n) => (n.count > 1 ? `${n.count} × ${n.title}` : n.title)).join(', ')}
          </p>
          <div>
            <FindingMark finding="renew" />
            <small>{always.length} kinds of part</small>
          </div>
        </div>
      )}
    </>
  );
}

function FindingRow({
  sheet,
  state,
  part,
}: {
  readonly sheet: Sheet;
  readonly state: BenchState;
  readonly part: string;
}): React.JSX.Element {
  const advice = adviseFinding(sheet, state, part);
  const note = state.findingNotes[part];
  const measures = Object.values(sheet.measures).filter((m) => m.part === part);
  const measure =
    measures.find((m) => measureOutcome(sheet, state, m.id)?.verdict === 'outside') ??
    measures.find((m) => advice.undecided.includes(m.id)) ??
    measures.find((m) => measureOutcome(sheet, state, m.id));
  const differs = note?.advised !== undefined && note.advised !== null && note.advised !== note.finding;
  return (
    <div className="frow">
      <div>
        <b>{sheet.parts[part]?.title ?? part}</b>
        <small>{measure?.title ?? sheet.parts[part]?.where ?? ''}</small>
      </div>
      {measure ? (
        <WearRule measure={measure} state={state} />
      ) : (
        <p className="m-0 quiet">{advice.says[0] ?? 'No reading'}</p>
      )}
      <div>
        {note ? (
          <>
            <FindingMark finding={note.finding} />
            <small>
              {measure && note.reason === advice.says[0] ? 'as measured' : note.reason}
              {differs && `; ${note.advised} was advised`}
            </small>
          </>
        ) : advice.undecided.length > 0 ? (
          <>
            <VerdictMark verdict="undecided" />
            <small>too near the limit for the gauge</small>
          </>
        ) : (
          <small>not judged yet</small>
        )}
      </div>
    </div>
  );
}
