import { clearanceOf, dropsUntil, gripOf, heatWindow, type Asked, type heatOf } from '@jubb/core/bench';
import { convert, formatQuantity, inCanonical, type Quantity } from '@jubb/core/quantities';
import type { Part } from '@jubb/core/sheet';
import { useNow } from '../../../frame/use-now.ts';
import type { Bench } from '../../use-bench.ts';
import { ReckonerLink } from '../../working-block.tsx';

/** How hot it must be, how hot it may be, and for how long it then drops on. */
export function Heat({
  asked,
  fit,
}: {
  readonly asked: Asked;
  readonly fit: NonNullable<Part['fit']>;
}): React.JSX.Element {
  const results = asked.reckoned.results as ReturnType<typeof heatOf>['reckoned']['results'];
  const { low, high } = heatWindow(fit);
  return (
    <>
      <div className="quiet fw-bold">Heat it to</div>
      <div className="big">
        {Math.ceil(inCanonical(low, 'temperature'))}
        <span>°C</span>
      </div>
      <p className="quiet m-0">
        It stands {formatQuantity(high, 0)}.
        {results.droppableFor &&
          ` Out of the oven it drops on for ${Math.floor(inCanonical(results.droppableFor, 'time'))} s.`}
        {results.chillShaftTo && ` Not enough alone: cool the shaft to ${formatQuantity(results.chillShaftTo, 0)} too.`}
      </p>
      <ReckonerLink id={asked.id} inputs={asked.inputs} />
    </>
  );
}

/** What the press may show. */
export function Force({ asked }: { readonly asked: Asked }): React.JSX.Element {
  const results = asked.reckoned.results as { readonly pressForce: Quantity };
  return (
    <>
      <div className="quiet fw-bold">It takes up to</div>
      <div className="big">
        {convert(results.pressForce, 'kN').value.toFixed(1)}
        <span>kN</span>
      </div>
      <p className="quiet m-0">More, and it goes in askew: stop, back it out, start it square.</p>
      <ReckonerLink id={asked.id} inputs={asked.inputs} />
    </>
  );
}

/** How long a heated part still drops on: counted down. */
export function Drop({ bench, part }: { readonly bench: Bench; readonly part: string }): React.JSX.Element | null {
  const now = useNow();
  const drop = dropsUntil(bench.sheet, bench.state, part);
  if (!drop) return null;
  const left = Math.round((Date.parse(drop.until) - now.getTime()) / 1000);
  return (
    <>
      <div className="quiet fw-bold">{left > 0 ? 'It still drops on for' : 'It has cooled'}</div>
      <div className="big" role="timer">
        {left > 0 ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : 'warm it again'}
      </div>
    </>
  );
}

/** What the fit is worth afterwards: whether it still grips when warm, and what clearance it leaves a bearing. */
export function AfterFit({ fit }: { readonly fit: NonNullable<Part['fit']> }): React.JSX.Element | null {
  const grip = gripOf(fit);
  const clearance = clearanceOf(fit);
  if (!grip && !clearance) return null;
  return (
    <>
      {grip && (
        <p className="m-0">
          {grip.reckoned.results.verdict === 'loose' ? (
            <b className="field-error">Warm, it lets go</b>
          ) : (
            <>Warm, it still grips</>
          )}
          : loose at{' '}
          {grip.reckoned.results.loosensAt ? formatQuantity(grip.reckoned.results.loosensAt, 0) : 'no heat it meets'},
          and it gets {formatQuantity(fit.warm!.temperature, 0)}. <ReckonerLink id={grip.id} inputs={grip.inputs} />
        </p>
      )}
      {clearance && (
        <p className="m-0">
          By the tightest fit {(inCanonical(clearance.reckoned.results.runningClearance, 'length') * 1000).toFixed(0)}{' '}
          µm of clearance are left when it runs
          {clearance.reckoned.results.runningClearance.value < 0 && (
            <b className="field-error">: it would run preloaded</b>
          )}
          . <ReckonerLink id={clearance.id} inputs={clearance.inputs} />
        </p>
      )}
    </>
  );
}
