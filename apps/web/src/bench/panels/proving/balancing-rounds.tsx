import type { InstrumentView, StandRunDto } from '@jubb/contract';
import {
  anotherRun,
  judgeRun,
  nextCorrection,
  permissibleGmm,
  resultOfRun,
  unbalanceLeft,
  type BalancingRun,
  type BothBearings,
  type Run,
  type Weight,
} from '@jubb/core/bench';
import { inCanonical } from '@jubb/core/quantities';
import { singlePlaneBalance } from '@jubb/core/reckoners';
import type { Stand, Test } from '@jubb/core/sheet';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { createPortal } from 'react-dom';
import { PolarPlot } from '../../../drawing/stands/polar-plot.tsx';
import { useStandRun } from '../../../stands/use-stand-run.ts';
import type { Inputs } from '../../../reckoner/inputs.ts';
import { ReckonerLink } from '../../working-block.tsx';
import { Go } from '../panel.tsx';
import { StandFoot } from './stand-foot.tsx';

interface Course {
  /** What each finished run was: as it is, a trial in a plane, a correction. */
  readonly initial?: BothBearings;
  readonly trials: BalancingRun['trials'];
  readonly rounds: BalancingRun['rounds'];
}
const START: Course = { trials: [], rounds: [] };

/** What is so far of a course kept where a reload finds it again. */
function useKept(place: string): readonly [Course, (c: Course) => void] {
  const key = `balancing/${place}`;
  const [course, setCourse] = useState<Course>(() => {
    const kept = typeof sessionStorage === 'undefined' ? null : sessionStorage.getItem(key);
    return kept ? (JSON.parse(kept) as Course) : START;
  });
  return [
    course,
    (c) => {
      sessionStorage.setItem(key, JSON.stringify(c));
      setCourse(c);
    },
  ];
}

/** The same two runs as a balancing in one plane, by the bearing that shakes more. */
function OnePlane({ course, grams }: { readonly course: Course; readonly grams: number }): React.JSX.Element | null {
  const [initial, trial] = [course.initial, course.trials[0]];
  if (!initial || !trial) return null;
  const worse = initial[1].mmS > initial[0].mmS ? 1 : 0;
  const shake = (v: BothBearings[number]): Inputs => ({ amplitude: v.mmS, phase: `${v.phaseDeg} deg` });
  return (
    <ReckonerLink
      id={singlePlaneBalance.id}
      inputs={{
        initial: shake(initial[worse]),
        trial: { mass: `${grams} g`, angle: `${trial.angleDeg} deg` },
        withTrial: shake(trial.readings[worse]),
      }}
    />
  );
}

/** The next run of a course, in the hand's terms, with the weights that are on the rotor for it. */
function nextRun(
  course: Course,
  stand: Stand,
): {
  readonly say: string;
  readonly trial?: Weight;
  readonly add?: readonly Weight[];
  readonly places?: readonly string[];
  readonly wrong?: string;
} {
  const grams = inCanonical(stand.figures['trial']!, 'mass') * 1000;
  if (!course.initial) return { say: 'As it is, nothing added' };
  const plane = ([1, 2] as const).find((p) => !course.trials.some((t) => t.plane === p));
  if (plane)
    return {
      say: `Trial weight in plane ${plane}: ${grams} g at the mark, 0°`,
      trial: { plane, massG: grams, angleDeg: 0 },
    };
  try {
    const { add, split } = nextCorrection({ kind: 'balancing', ...course, initial: course.initial }, stand);
    return {
      add,
      say: add.map((w) => `Plane ${w.plane}: add ${w.massG.toFixed(2)} g at ${w.angleDeg.toFixed(0)}°`).join('; '),
      places: add.map(
        (w, i) =>
          `Plane ${w.plane}: or grind it off at ${((w.angleDeg + 180) % 360).toFixed(0)}°${split[i] ? `; over the places ${split[i].map((p) => `${p.angleDeg.toFixed(0)}°, ${p.massG.toFixed(2)} g`).join(' and ')}` : ''}`,
      ),
    };
  } catch (e) {
    return { say: 'It cannot be reckoned', wrong: e instanceof Error ? e.message : String(e) };
  }
}

/** Two-plane balancing run by run: as it is, a trial in each plane, then corrections until it is within its grade. */
export function BalancingRounds({
  test,
  view,
  setup,
  keep,
  place,
  hold = false,
  children,
}: {
  readonly test: Test;
  readonly view: InstrumentView | undefined;
  readonly setup: StandRunDto;
  readonly keep: (run: Run) => boolean;
  readonly place: string;
  /** Nothing may be run yet. */
  readonly hold?: boolean;
  /** What stands below: a figure typed instead. */
  readonly children?: React.ReactNode;
}): React.JSX.Element {
  const stand = test.stand!;
  const [course, setCourse] = useKept(place);
  const next = useMemo(() => nextRun(course, stand), [course, stand]);
  const radius = inCanonical(stand.figures['radius']!, 'length');
  const on = course.rounds.flatMap((r) => r.added);
  const weights = [...on, ...(next.trial ? [next.trial] : []), ...(next.add ?? [])];
  const line = useStandRun(view, (said) => {
    const readings = said['readings'] as BothBearings | undefined;
    if (!readings) return;
    if (!course.initial) setCourse({ ...course, initial: readings });
    else if (next.trial) setCourse({ ...course, trials: [...course.trials, { ...next.trial, readings }] });
    else setCourse({ ...course, rounds: [...course.rounds, { added: next.add ?? [], readings }] });
  });
  const foot = document.getElementById('foot');
  const full: BalancingRun | undefined =
    course.initial && course.trials.length === 2
      ? { kind: 'balancing', ...course, initial: course.initial }
      : undefined;
  const left = full && !next.wrong ? unbalanceLeft(full, radius).map((u) => Math.hypot(u.re, u.im)) : undefined;
  const permissible = permissibleGmm(stand);
  // Within for sure: with what the stand repeats to, as the kept course will be judged.
  const within =
    full !== undefined && !next.wrong && resultOfRun(test, judgeRun(test, full), undefined).verdict === 'within';
  const further = full && !next.wrong && course.rounds.length > 0 ? anotherRun(full, radius) : undefined;
  const runs = [
    ...(course.initial ? [{ name: 'as it is', readings: course.initial }] : []),
    ...course.rounds.map((r, i) => ({ name: `corrected ${i + 1}`, readings: r.readings })),
  ];
  const enough = within || further?.helps === false;
  return (
    <>
      <div className="op">
        <div>
          {left && (
            <p className="mb-2">
              Left: <b>{left.map((u) => u.toFixed(2)).join(' and ')} g·mm</b>; permissible {permissible.toFixed(2)}{' '}
              each, G {stand.figures['grade']!.value} at {(stand.figures['service']!.value / 1000).toFixed(0)} 000 rpm
            </p>
          )}
          <div className="quiet fw-bold">
            {enough ? (within ? 'Within its grade' : 'Another run would not help') : 'Next'}
          </div>
          {course.initial && !within && (
            <Button variant="line" className="startover" onClick={() => setCourse(START)}>
              Start over
            </Button>
          )}
          <p className="say">
            {enough && !within
              ? further!.why
              : within
                ? 'Keep it'
                : next.say.split('; ').map((l) => (
                    <span key={l} className="d-block">
                      {l}
                    </span>
                  ))}
          </p>
          {!enough &&
            next.places?.map((p) => (
              <p key={p} className="quiet m-0">
                {p}
              </p>
            ))}
          {next.trial && course.trials.length === 1 && (
            <p className="quiet m-0">The first trial weight comes out first.</p>
          )}
          {(next.wrong ?? line.wrong) && (
            <p className="field-error" role="alert">
              {next.wrong ?? line.wrong}
            </p>
          )}
        </div>
        <div className="polars">
          {([0, 1] as const).map((b) => (
            <PolarPlot
              key={b}
              bearing={b}
              runs={runs}
              {...(!within && next.add?.[b] ? { add: next.add[b] } : {})}
              places={stand.figures['places']?.value ?? 0}
            />
          ))}
        </div>
        {course.initial && course.trials.length === 1 && (
          <p className="quiet m-0">
            A narrow rotor wants one plane only: <OnePlane course={course} grams={course.trials[0]!.massG} />
          </p>
        )}
        {!course.initial && children}
      </div>
      {line.phase === 'running' ? (
        <Go label="It runs up" act={() => undefined} disabled />
      ) : enough && full ? (
        <Go label="Keep this course" act={() => keep(full)} />
      ) : (
        <Go
          label={
            !course.initial
              ? 'Run it as it is'
              : next.trial
                ? 'The trial weight is in: run it'
                : 'The weights are on: run it'
          }
          keyName="space"
          act={() => void line.start({ ...setup, weights: weights.map((w) => ({ ...w })) })}
          disabled={next.wrong !== undefined || !line.ready || hold}
        />
      )}
      {foot && createPortal(<StandFoot stand={view} line={line} />, foot)}
    </>
  );
}
