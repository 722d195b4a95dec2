import { standsAt, type PlaceRead } from '@jubb/core/bench';
import { decimalsOfAll, formatQuantity, inCanonical, formatReading } from '@jubb/core/quantities';
import type { Measure } from '@jubb/core/sheet';
import { BoreSection } from '../../../drawing/bore-section.tsx';
import { VerdictMark } from '../../../drawing/verdict-mark.tsx';

/** The mean of several readings with one decimal more than they have; a single one with as many as the finest of its neighbours. */
function meanWords(place: PlaceRead, read: readonly PlaceRead[]): string {
  const { mean } = standsAt(place);
  if (place.pooled.length > 1) return formatReading(mean);
  // A winding that was read warm is reckoned back to 20 °C: that figure was never read.
  if (place.newest.temperature) return formatReading(mean);
  const alike = read.filter((p) => p.pooled.length === 1 && p.newest.value.unit === mean.unit);
  return formatQuantity(mean, decimalsOfAll(alike.map((p) => p.newest.value.value)));
}

/** The places of a measure as they lie on the part: a bore as a section with its depths, others in a row. Press one to read it (again). */
export function Places({
  measure,
  read,
  at,
  choose,
}: {
  readonly measure: Measure;
  readonly read: readonly PlaceRead[];
  /** The place that is read next. */
  readonly at: string | undefined;
  readonly choose: (where: string) => void;
}): React.JSX.Element {
  const columns = measure.shape === 'bore' ? 2 : Math.min(3, measure.at.length);
  const spots = (
    <div className="spots" style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
      {measure.at.map((where) => {
        const place = read.find((p) => p.where === where);
        const result = place?.newest.result;
        return (
          <button key={where} type="button" className="spot" aria-pressed={at === where} onClick={() => choose(where)}>
            <small>{measure.at.length === 1 ? 'Reading' : where}</small>
            <b>{place ? meanWords(place, read) : '–'}</b>
            {place && (
              <small>
                {result && <VerdictMark verdict={result.verdict} />}
                {place.pooled.length > 1 && ` mean of ${place.pooled.length}`}
                {place.newest.temperature &&
                  ` read ${formatQuantity(place.newest.value)} at ${formatQuantity(place.newest.temperature)}`}
              </small>
            )}
          </button>
        );
      })}
    </div>
  );
  if (measure.shape !== 'bore') return spots;
  const mm = (where: string | undefined): number | undefined => {
    const place = read.find((p) => p.where === where);
    return place && inCanonical(standsAt(place).mean, 'length');
  };
  return (
    <div className="borerow">
      <BoreSection
        depths={Array.from({ length: measure.at.length / 2 }, (_, i) => ({
          // The compiler lays them out so: along first, then across.
          along: mm(measure.at[2 * i]),
          across: mm(measure.at[2 * i + 1]),
          now: measure.at.indexOf(at ?? '') >> 1 === i && at !== undefined,
        }))}
        limit={measure.max && inCanonical(measure.max, 'length')}
        fresh={measure.newSize && inCanonical(measure.newSize, 'length')}
      />
      {spots}
    </div>
  );
}
