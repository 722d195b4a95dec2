import { lipOf, opTitle } from '@jubb/core/bench';
import { formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Part } from '@jubb/core/sheet';
import { LipSection } from '../../../drawing/lip-section.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';
import type { Bench } from '../../use-bench.ts';
import { ReckonerLink } from '../../working-block.tsx';
import type { PanelProps } from '../panel.tsx';

const mm = (q: Quantity): number => inCanonical(q, 'length');

/** What a lip wants before it goes in, and whether it was done: the edge covered, the lip wetted. */
export function Ready({
  bench,
  step,
  part,
}: {
  readonly bench: Bench;
  readonly step: PanelProps['step'];
  readonly part: string;
}): React.JSX.Element | null {
  const ops = step.ops.filter((o) => o.kind === 'protect' || (o.kind === 'lubricate' && o.part === part));
  if (ops.length === 0) return null;
  return (
    <div className="ready">
      {ops.map((o) => (
        <div key={o.id}>
          <VerdictMark
            verdict={bench.state.done[o.id] ? 'within' : 'undecided'}
            says={`${opTitle(bench.sheet, o)}${bench.state.done[o.id] ? '' : ': not yet'}`}
          />
        </div>
      ))}
    </div>
  );
}

/** "2 mm deeper", "1.5 mm below the face" as a depth; flush and anything else is none. */
function depthOf(to: string | undefined): number {
  const said = /([\d.]+)\s*mm/.exec(to ?? '');
  return said ? Number(said[1]) : 0;
}

/** Was a groove felt where a lip ran? On one side of the unit, what was felt on the other says nothing. */
function feltGroove({ sheet, state }: Bench, side: string | undefined): boolean {
  return sheet.steps.some((s) =>
    s.ops.some((o) => {
      const measure = o.kind === 'measure' ? sheet.measures[o.measure] : undefined;
      const elsewhere = side !== undefined && measure?.id.includes('@') && !measure.id.endsWith(`@${side}`);
      return measure?.groove !== undefined && !elsewhere && state.answers[o.id]?.answer === 'yes';
    }),
  );
}

/** The seal in section: which way round, how deep, clear of the old groove. */
export function Lip({
  bench,
  to,
  part,
}: {
  readonly bench: Bench;
  /** What the sheet says of its depth. */
  readonly to: string | undefined;
  readonly part: Part;
}): React.JSX.Element {
  const lip = part.lip!;
  const grooved = feltGroove(bench, part.side);
  const asked = lipOf(lip, grooved);
  const results = asked?.reckoned.results;
  return (
    <>
      <LipSection
        shaft={mm(lip.shaft)}
        bore={mm(lip.bore)}
        width={mm(lip.width)}
        faces={lip.faces}
        depth={depthOf(to)}
        boreDepth={lip.boreDepth && mm(lip.boreDepth)}
        lipAt={lip.lipAt && mm(lip.lipAt)}
        grooveAt={grooved && lip.grooveAt ? mm(lip.grooveAt) : undefined}
      />
      {results && asked && (
        <p className="quiet m-0">
          Lip at {formatQuantity(results.surfaceSpeed, 1)}, {lip.material} stands{' '}
          {formatQuantity(results.speedLimit, 0)}
          {'fitAt' in results &&
            results.fitAt &&
            `. Lip clear of the groove from ${formatQuantity(results.fitAt, 1)} deep`}
          <ReckonerLink id={asked.id} inputs={asked.inputs} />
        </p>
      )}
    </>
  );
}
