import type { InstrumentView } from '@jubb/contract';
import {
  gaugesFor,
  measureOutcome,
  placesLeft,
  placesRead,
  standsAt,
  wouldDecide,
  type BenchState,
  type Command,
  type PlaceRead,
  instrumentFacts,
} from '@jubb/core/bench';
import {
  canonical,
  canonicalUnit,
  convert,
  formatQuantity,
  inCanonical,
  parseQuantity,
  QuantityError,
  type Quantity,
} from '@jubb/core/quantities';
import type { Measure } from '@jubb/core/sheet';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { createPortal } from 'react-dom';
import Form from 'react-bootstrap/Form';
import { queries } from '../../../api/queries.ts';
import { Rule } from '../../../drawing/rule.tsx';
import { Whose } from '../../figure-source.tsx';
import { useLive } from '../../use-instrument.ts';
import { pieceFor } from '../../simulation/piece.ts';
import { simulatedUnit } from '../../simulation/simulated-unit.ts';
import { Foot } from '../foot.tsx';
import { Go, type PanelProps } from '../panel.tsx';
import type { HowRead } from '../reading/reading-types.ts';
import { TypedReading } from '../reading/typed-reading.tsx';
import { Figures, limitWords } from './figures.tsx';
import { GaugeRow } from './gauge-row.tsx';
import { Places } from './places.tsx';

type TakeReading = Extract<Command, { type: 'take-reading' }>;

/** A measurement: which gauge, each place on the part, the rule with its guard, and what all of it together says. */
export function MeasurePanel({ bench, op }: PanelProps<'measure'>): React.JSX.Element {
  const { sheet, state } = bench;
  const measure = sheet.measures[op.measure]!;
  const { dimension } = measure;
  const instruments = useQuery(queries.instruments()).data ?? [];
  const gauges = gaugesFor<InstrumentView>(measure, instruments);
  // undefined: nothing chosen yet, so the best; null: typed from something that is not on the list.
  const [picked, setPicked] = useState<string | null>();
  const gauge = picked === null ? undefined : gauges.find((g) => g.gauge.id === (picked ?? gauges[0]?.gauge.id))?.gauge;
  const [again, setAgain] = useState<string>();
  const read = placesRead(measure, state);
  const left = placesLeft(measure, state);
  const at = again ?? left[0];
  const live = useLive(gauge);
  const hand = live?.view.simulated ? live.hand : undefined;
  const on = simulatedUnit(state);
  useEffect(() => {
    if (hand && gauge && at !== undefined) void hand(pieceFor(measure, gauge.unit, on, at));
  }, [hand, gauge, measure, on, at]);
  const [warm, setWarm] = useState('');
  const [warmError, setWarmError] = useState<string>();
  const [odd, setOdd] = useState<TakeReading>();

  /** Read everywhere, felt, and surely good: nothing is left to look at here. */
  const settled = (after: BenchState): boolean =>
    placesLeft(measure, after).length === 0 &&
    (!measure.groove || after.answers[op.id] !== undefined) &&
    measureOutcome(sheet, after, measure.id)?.verdict === 'within';
  const give = (command: TakeReading): boolean => {
    const taken = bench.giveAndGoOn(command, op.id, settled);
    setOdd(taken ? undefined : command);
    if (taken) setAgain(undefined);
    return taken;
  };
  const take = (value: Quantity, how: HowRead): boolean => {
    let temperature: Quantity | undefined;
    if (measure.shape === 'winding') {
      try {
        temperature = parseQuantity(warm, 'temperature');
        setWarmError(undefined);
      } catch (e) {
        if (!(e instanceof QuantityError)) throw e;
        setWarmError(e.message);
        return false;
      }
    }
    return give({
      type: 'take-reading',
      op: op.id,
      value,
      how,
      ...(at === undefined ? {} : { where: at }),
      ...(gauge ? { instrument: instrumentFacts(gauge) } : {}),
      ...(temperature ? { temperature } : {}),
    });
  };
  const unit = gauge?.unit ?? measure.newSize?.unit ?? measure.min?.unit ?? canonicalUnit(dimension);
  const own = (q: Quantity | undefined): number | undefined => (q ? inCanonical(q, dimension) : undefined);
  const outcome = measureOutcome(sheet, state, measure.id);
  const undecided = read.find((p) => p.newest.result?.verdict === 'undecided');
  const felt = state.answers[op.id];
  const ready = left.length === 0 && (!measure.groove || felt);
  const foot = document.getElementById('foot');
  const isOdd = bench.refusal?.code === 'absurd' && odd !== undefined;
  const shown = measure.newSize ?? measure.min ?? measure.max;
  return (
    <>
      <div className="op measure">
        <div className="d-flex flex-wrap align-items-baseline column-gap-3">
          <p className="m-0">
            {measure.newSize && `New ${formatQuantity(measure.newSize)}, `}
            {limitWords(measure.min, measure.max) || 'judged together'}. By {measure.gauge}.
          </p>
          <Whose from={measure.from} documents={bench.documents} />
        </div>
        <GaugeRow gauges={gauges} chosen={gauge?.id} choose={(id) => setPicked(id ?? null)} />
        {(measure.min ?? measure.max) && (
          <Rule
            low={own(measure.min)}
            high={own(measure.max)}
            fresh={own(measure.newSize)}
            guard={own(gauge?.uncertainty ?? undefined) ?? 0}
            readings={read.map((p) => own(standsAt(p).mean)!)}
            unit={canonicalUnit(dimension)}
            title={measure.title}
            width={620}
          />
        )}
        {/* The one place that nothing was read at yet is the field below. */}
        {(measure.at.length > 1 || read.length > 0) && (
          <Places measure={measure} read={read} at={at} choose={setAgain} />
        )}
        {undecided && at === undefined && (
          <Decide
            measure={measure}
            place={undecided}
            gauges={instruments}
            act={(id) => {
              if (id !== undefined) setPicked(id);
              setAgain(undecided.where);
            }}
          />
        )}
        {outcome && <Figures figures={outcome.figures} />}
        {at !== undefined && measure.shape === 'winding' && (
          <div>
            <Form.Label htmlFor="warm">Temperature of the winding</Form.Label>
            <Form.Control
              id="warm"
              value={warm}
              autoComplete="off"
              placeholder="such as 18 °C"
              aria-describedby="warm-error"
              onChange={(e) => setWarm(e.target.value)}
            />
            <p id="warm-error" className="field-error" role="alert">
              {warmError}
            </p>
          </div>
        )}
        {at !== undefined && (
          <TypedReading
            dimension={dimension}
            unit={shown ? formatQuantity(convert(shown, unit)) : `1 ${unit}`}
            label={measure.at.length > 1 ? `Reading at ${at}` : 'Reading'}
            take={(q) => take(q, 'hand')}
          />
        )}
        {isOdd && (
          <Button variant="line" className="mt-2" onClick={() => give({ ...odd, sure: true })}>
            It is right: keep {formatQuantity(odd.value)}
          </Button>
        )}
        {left.length === 0 && measure.groove && (
          <div className="mt-2">
            <b>{measure.groove.ask}</b>
            <div className="answers mt-1">
              {(['no', 'yes'] as const).map((a) => (
                <Button
                  key={a}
                  variant="line"
                  aria-pressed={felt?.answer === a}
                  onClick={() => bench.giveAndGoOn({ type: 'answer', op: op.id, answer: a }, op.id, settled)}
                >
                  {measure.groove![a]}
                </Button>
              ))}
            </div>
          </div>
        )}
      </div>
      {at !== undefined && live?.value !== undefined ? (
        <Go
          label={measure.at.length > 1 ? `Take it: ${at}` : 'Take the reading'}
          keyName="space"
          act={() => take({ value: live.value!, unit: live.view.unit }, 'instrument')}
        />
      ) : (
        <Go label="Done" act={() => bench.give({ type: 'complete', op: op.id })} disabled={!ready} />
      )}
      {foot && createPortal(<Foot instrument={live} />, foot)}
    </>
  );
}

/** What would turn an undecided reading into an answer, one press each. */
function Decide({
  measure,
  place,
  gauges,
  act,
}: {
  readonly measure: Measure;
  readonly place: PlaceRead;
  readonly gauges: readonly InstrumentView[];
  readonly act: (gauge: string | undefined) => void;
}): React.JSX.Element {
  const ways = wouldDecide(measure, place.newest.result!, place.pooled.length, place.newest.instrument?.id, gauges);
  const guard = standsAt(place).uncertainty;
  return (
    <div className="decide">
      <p className="m-0">
        <b>Undecided{measure.at.length > 1 ? ` at ${place.where}` : ''}:</b> nearer to the limit than ±{' '}
        {formatQuantity(canonical(inCanonical(guard, measure.dimension), measure.dimension))}.
      </p>
      {ways.map((w) =>
        w.how === 'gauge' ? (
          <Button key={w.gauge.id} variant="line" onClick={() => act(w.gauge.id)}>
            {w.gauge.name} would decide
          </Button>
        ) : w.how === 'repeats' ? (
          <Button key="repeats" variant="line" onClick={() => act(undefined)}>
            {w.more} more readings would decide
          </Button>
        ) : (
          <p key="nothing" className="m-0">
            It lies nearer to the limit than any gauge here can tell: judge it as worn, or leave it to be watched.
          </p>
        ),
      )}
    </div>
  );
}
