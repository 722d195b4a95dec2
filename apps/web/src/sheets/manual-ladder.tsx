import { emptyBench, opTitle, sideWords, type BenchState } from '@jubb/core/bench';
import { ladder, type LadderStep, type Sheet } from '@jubb/core/sheet';
import { LadderDrawing } from '../drawing/ladder-drawing.tsx';

/** The ladder drawn, and beside it each rung with what is done on its way down and up. */
export function ManualLadder({
  sheet,
  variant,
}: {
  readonly sheet: Sheet;
  readonly variant: string | undefined;
}): React.JSX.Element {
  const choices = { ...(variant === undefined ? {} : { variant }), methods: {}, findings: {} };
  const { strip, bottom, build } = ladder(sheet, choices);
  const state: BenchState = { ...emptyBench(sheet.id), ...(variant === undefined ? {} : { variant }) };
  return (
    <div className="manualladder">
      <div className="drawn">
        <LadderDrawing sheet={sheet} state={state} />
      </div>
      <div>
        <Side title={sideWords('strip')} steps={strip} sheet={sheet} />
        <Side title={sideWords('bottom')} steps={bottom} sheet={sheet} />
        <Side title={sideWords('build')} steps={build} sheet={sheet} />
      </div>
    </div>
  );
}

function Side({
  title,
  steps,
  sheet,
}: {
  readonly title: string;
  readonly steps: readonly LadderStep[];
  readonly sheet: Sheet;
}): React.JSX.Element {
  return (
    <section>
      <h2>{title}</h2>
      <ol>
        {steps.map((s) => (
          <li key={s.id}>
            <b>{s.title}</b> <small>{s.minutes} min</small>
            {s.tools.length > 0 && (
              <small className="d-block">
                Tool: {s.tools.map((t) => (t.instead ? `${t.title}, or ${t.instead}` : t.title)).join('; ')}
              </small>
            )}
            <ul>
              {[...s.ops, ...s.open].map((o) => (
                <li key={o.id} className={o.kind === 'caution' ? 'caution' : ''}>
                  {o.kind === 'caution' ? o.say : o.kind === 'do' ? o.lines.join('. ') : opTitle(sheet, o)}
                  {s.open.includes(o) && <small> if it comes to that</small>}
                  {o.note && <small className="d-block">{o.note}</small>}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </section>
  );
}
