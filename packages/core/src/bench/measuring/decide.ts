import type { Deciders } from '../registry/shapes.ts';
import type { MeasureCommand } from './commands.ts';
import { formatQuantity, limitsOf, type Quantity } from '../../quantities/index.ts';
import { windingResistance } from '../../reckoners/index.ts';
import type { Sheet } from '../../sheet/index.ts';
import type { Command } from '../command/commands.ts';
import type { EventPayloads, NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from '../command/refusal.ts';
import type { BenchState } from '../log/state.ts';
import { absurd } from './absurd.ts';
import { measureOutcome } from './figures.ts';
import { couldGive } from './gauges.ts';
import { heatWindow, pressWindow } from '../fitting/windows.ts';
import { placesLeft, repeatsOf } from './places.ts';
import { findOp, ladderOf } from '../ladder/moves.ts';
import { reach } from '../command/reach.ts';
import { judged, wrongDimension } from './judged.ts';
import { decideSettingReading } from '../setting/take-reading.ts';

type TakeReading = Extract<Command, { type: 'take-reading' }>;

/** Takes a reading for a measure, a setting or a test, and judges it once there are enough. */
export function decideTakeReading(state: BenchState, sheet: Sheet, command: TakeReading): Decision {
  const reached = reach(sheet, state, command.op, ['measure', 'read', 'test', 'set', 'heat', 'press']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  if (command.instrument && !couldGive(command.instrument.kind, command.value))
    return refuse(
      'wrong-instrument',
      `${command.instrument.name} does not read ${formatQuantity(command.value)}`,
      'Take the instrument that the sheet asks for',
    );
  const base = { op: op.id, value: command.value, how: command.how, instrument: command.instrument ?? null };
  const taken = (
    more: Pick<EventPayloads['reading-taken'], 'subject' | 'id' | 'moment' | 'where' | 'result'>,
  ): NewEvent => ({ type: 'reading-taken', payload: { ...base, ...more } });

  switch (op.kind) {
    case 'measure': {
      const measure = sheet.measures[op.measure]!;
      const wrong = wrongDimension(command.value, measure.dimension);
      if (wrong) return wrong;
      const where = command.where ?? placesLeft(measure, state)[0] ?? measure.at[0]!;
      if (!measure.at.includes(where))
        return refuse('wrong-value', `"${where}" is not a place to measure`, `One of: ${measure.at.join(', ')}`);
      const odd = command.sure ? undefined : absurd(measure, command.value);
      if (odd !== undefined) return refuse('absurd', odd, 'Read it again, or say that it is right');
      const value = measure.shape === 'winding' ? atReference(command) : command.value;
      if (value === undefined)
        return refuse(
          'not-complete',
          'How warm is the winding?',
          'Give its temperature: copper changes by 0.4 % a kelvin',
        );
      const earlier = state.readings.filter((r) => r.id === measure.id && r.where === where);
      const pooled = earlier.length === 0 ? [] : repeatsOf(earlier, command.instrument?.id);
      const repeats = command.instrument ? pooled.filter((r) => r.instrument?.id === command.instrument!.id) : [];
      const values = [...repeats.map((r) => (r.temperature ? atReference(r)! : r.value)), value];
      const limited = measure.min !== undefined || measure.max !== undefined;
      // One of three phases says nothing alone: they are judged together.
      const result = !limited
        ? null
        : judged(values, command.instrument?.uncertainty, measure.dimension, measure.min, measure.max);
      const reading = {
        ...taken({ subject: 'measure', id: measure.id, moment: 'measure', where, result }).payload,
        ...(command.temperature ? { temperature: command.temperature } : {}),
      } as EventPayloads['reading-taken'];
      const outcome = measureOutcome(sheet, withReading(state, reading), measure.id);
      return accept({ type: 'reading-taken', payload: { ...reading, ...(outcome ? { outcome } : {}) } });
    }
    case 'test': {
      const test = sheet.tests[op.test]!;
      const wrong = wrongDimension(command.value, test.dimension);
      if (wrong) return wrong;
      const { lower, upper } = limitsOf(test.accept);
      const result = judged([command.value], command.instrument?.uncertainty, test.dimension, lower, upper);
      return accept(taken({ subject: 'test', id: test.id, moment: op.moment, where: null, result }));
    }
    case 'heat':
    case 'press': {
      const fit = op.part === undefined ? undefined : sheet.parts[op.part]?.fit;
      if (!fit) return refuse('wrong-kind', 'The sheet says nothing of its fit', 'Do it, and confirm it');
      const dimension = op.kind === 'heat' ? 'temperature' : 'force';
      const wrong = wrongDimension(command.value, dimension);
      if (wrong) return wrong;
      const window = op.kind === 'heat' ? heatWindow(fit) : { low: undefined, ...pressWindow(fit) };
      const { low, high } = window as { low?: Quantity; high?: Quantity };
      const result = high ? judged([command.value], command.instrument?.uncertainty, dimension, low, high) : null;
      return accept(taken({ subject: 'process', id: op.part!, moment: 'now', where: null, result }));
    }
    case 'read':
    case 'set':
      return decideSettingReading(state, sheet, command, op);
    default:
      return refuse('wrong-kind', 'Nothing is read here', 'Do it, and confirm it');
  }
}

/** Copper read warm, as it would be at 20 °C (IEC 60034-1); undefined when nobody says how warm it was. */
function atReference(reading: { readonly value: Quantity; readonly temperature?: Quantity }): Quantity | undefined {
  if (!reading.temperature) return undefined;
  const { value, temperature } = reading;
  return windingResistance.reckon({ reading: value, temperature }).results.corrected;
}

/** The state as it would be with one more reading: to say at once what the whole measure comes to. */
function withReading(state: BenchState, reading: EventPayloads['reading-taken']): BenchState {
  const stamp = { seq: state.seq + 1, at: '', by: { id: '', name: '', initials: '' } };
  return { ...state, readings: [...state.readings, { ...reading, ...stamp }] };
}

/** Takes a measure up again that is done, while what hangs on it is not decided for good. */
export function decideMeasureAgain(
  state: BenchState,
  sheet: Sheet,
  command: Extract<Command, { type: 'measure-again' }>,
): Decision {
  const found = findOp(sheet, state, command.op);
  if (!found || found.op.kind !== 'measure')
    return refuse('unknown-op', 'There is no such measurement', 'Reload the bench');
  if (!state.done[command.op]) return refuse('already-done', 'It is open already', 'Read it');
  if (ladderOf(sheet, state).build.some((s) => s.ops.some((o) => state.done[o.id])))
    return refuse('closed', 'The unit is being built up already', 'Note what was read, or take back what was fitted');
  return accept({ type: 'measure-reopened', payload: { op: command.op, measure: found.op.measure } });
}

/** Answers the yes-or-no question by sense: does a fingernail catch, is play felt? */
export function decideAnswer(state: BenchState, sheet: Sheet, command: Extract<Command, { type: 'answer' }>): Decision {
  const reached = reach(sheet, state, command.op, ['measure', 'set']);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const ask = op.kind === 'set' ? sheet.settings[op.setting]?.feel?.ask : sheet.measures[op.measure]?.groove?.ask;
  if (ask === undefined) return refuse('wrong-kind', 'No question is asked here', 'Take a reading');
  return accept({ type: 'sense-answered', payload: { op: op.id, ask, answer: command.answer } });
}

/** How each of these commands is decided. */
export const measuringDeciders: Deciders<MeasureCommand['type']> = {
  'take-reading': decideTakeReading,
  'measure-again': decideMeasureAgain,
  answer: decideAnswer,
};
