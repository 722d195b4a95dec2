import type { LadderStep } from '@jubb/core/sheet';
import type { Bench } from './use-bench.ts';

/** Pictures taken on the other side of the rung: how it looked when it came apart, beside putting it together. */
export function OppositePictures({
  bench,
  step,
}: {
  readonly bench: Bench;
  readonly step: LadderStep;
}): React.JSX.Element | null {
  const rungOf = (id: string | null): string | undefined => bench.sheet.steps.find((s) => s.id === id)?.rung;
  const there = bench.state.photos.filter((p) => p.step !== step.id && rungOf(p.step) === step.rung);
  if (step.side !== 'build' || there.length === 0) return null;
  return (
    <div className="photos opposite" aria-label="How it came apart">
      {there.map((p) => (
        <figure key={p.photo} className="m-0">
          <a href={`/api/photos/${p.photo}`} target="_blank" rel="noreferrer">
            <img src={`/api/photos/${p.photo}`} alt={p.caption || 'As it came apart'} loading="lazy" />
          </a>
          <figcaption>{p.caption || 'As it came apart'}</figcaption>
        </figure>
      ))}
    </div>
  );
}
