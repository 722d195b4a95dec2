import { formatQuantity, inCanonical, whyNotOf, type Dimension, type Quantity } from '../../quantities/index.ts';
import { verdict } from '../../reckoners/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../commands.ts';
import type { EventPayloads, NewEvent, ReadingResult } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import { meanOfReadings } from '../repeats.ts';
import type { BenchState, Reading } from '../state.ts';
import { reach } from './reach.ts';

type TakeReading = Extract<Command, { type: 'take-reading' }>;

/** Takes a reading for a measure, a setting or a test, and judges it once there are enough. */
export function decideTakeReading(state: BenchState, sheet: Sheet, command: TakeReading): Decision {
  const reached = reach(sheet, state, command.op, ['measure', 'read', 'test', 'set']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const base = { op: op.id, value: command.value, how: command.how, instrument: command.instrument ?? null };
  const taken = (
    more: Pick<EventPayloads['reading-taken'], 'subject' | 'id' | 'moment' | 'where' | 'result'>,
  ): NewEvent => ({ type: 'reading-taken', payload: { ...base, ...more } });

  switch (op.kind) {
    case 'measure': {
      const measure = sheet.measures[op.measure]!;
      const wrong = wrongDimension(command.value, measure.dimension);
      if (wrong) return wrong;
      const where =
        command.where ??
        measure.at.find((a) => !state.readings.some((r) => r.op === op.id && r.where === a)) ??
        measure.at[0]!;
      if (!measure.at.includes(where))
        return refuse('wrong-value', `"${where}" is not a place to measure`, `One of: ${measure.at.join(', ')}`);
      const result = judged(command, [command.value], measure.dimension, measure.min, measure.max);
      return accept(taken({ subject: 'measure', id: measure.id, moment: 'measure', where, result }));
    }
    case 'test': {
      const test = sheet.tests[op.test]!;
      const wrong = wrongDimension(command.value, test.dimension);
      if (wrong) return wrong;
      const result = judged(command, [command.value], test.dimension, test.accept.low, test.accept.high);
      return accept(taken({ subject: 'test', id: test.id, moment: op.moment, where: null, result }));
    }
    case 'read':
    case 'set': {
      const setting = sheet.settings[op.setting]!;
      const wrong = wrongDimension(command.value, setting.dimension);
      if (wrong) return wrong;
      if (op.kind === 'read') {
        const result = judged(command, [command.value], setting.dimension, setting.band.low, setting.band.high);
        return accept(taken({ subject: 'setting', id: setting.id, moment: 'as-found', where: null, result }));
      }
      const rounds = state.settings[setting.id]?.rounds ?? [];
      const round = rounds.at(-1);
      const earlier = round?.readings ?? [];
      const values = [...earlier.map((r: Reading) => r.value), command.value];
      const enough = values.length >= setting.repeats;
      const result = enough ? judged(command, values, setting.dimension, setting.band.low, setting.band.high) : null;
      return accept(
        taken({
          subject: 'setting',
          id: setting.id,
          moment: rounds.length > 1 ? 'confirm' : 'trial',
          where: null,
          result,
        }),
      );
    }
    default:
      return unreachable(op);
  }
}

function unreachable(op: never): never {
  throw new Error(`an operation that takes no reading: ${JSON.stringify(op)}`);
}

function wrongDimension(value: Quantity, dimension: Dimension): Decision | undefined {
  const problem = whyNotOf(value, dimension);
  return problem === undefined
    ? undefined
    : refuse(
        'wrong-value',
        problem,
        `Give it as ${formatQuantity({ value: value.value, unit: '…' })} in a unit of ${dimension}`,
      );
}

/** Mean of the readings in the unit of the last one, held against the limits with the guard of the gauge. */
function judged(
  command: TakeReading,
  values: readonly Quantity[],
  dimension: Dimension,
  lower: Quantity | undefined,
  upper: Quantity | undefined,
): ReadingResult {
  const unit = command.value.unit;
  const own = (q: Quantity): number =>
    q.unit === unit ? q.value : inCanonical(q, dimension) / inCanonical({ value: 1, unit }, dimension);
  const gaugeU = command.instrument?.uncertainty ? own(command.instrument.uncertainty) : 0;
  const { mean, uncertainty } = meanOfReadings(values.map(own), gaugeU);
  const reckoned = verdict.reckon({
    reading: { value: mean, unit },
    uncertainty: { value: uncertainty, unit },
    lower,
    upper,
  });
  const working =
    values.length > 1
      ? [
          {
            name: `Mean of ${values.length}`,
            formula: 'Σ x / n',
            figures: values.map((v) => formatQuantity(v)).join(' + '),
            value: { value: mean, unit },
          },
          ...reckoned.working,
        ]
      : reckoned.working;
  return {
    mean: { value: mean, unit },
    uncertainty: { value: uncertainty, unit },
    verdict: reckoned.results.verdict,
    working,
  };
}

/** Answers the yes-or-no question of a measure by sense: does a fingernail catch? */
export function decideAnswer(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'answer' }>): Decision {
  const reached = reach(sheet, state, command.op, ['measure']);
  if ('refused' in reached) return reached.refused;
  const groove = sheet.measures[reached.op.measure]?.groove;
  if (!groove) return refuse('wrong-kind', 'This measure asks no question', 'Take a reading');
  return accept({ type: 'sense-answered', payload: { op: reached.op.id, ask: groove.ask, answer: command.answer } });
}
