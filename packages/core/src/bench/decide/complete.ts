import type { Command } from '../commands.ts';
import type { NewEvent } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { tighteningState } from '../tightening.ts';
import type { Sheet } from '../../sheet/index.ts';
import { reach } from './reach.ts';

type Complete = Extract<Command, { type: 'complete' }>;

/** Completes one operation with the event that says what was done. */
export function decideComplete(state: BenchState, sheet: Sheet, command: Complete): Decision {
  const reached = reach(sheet, state, command.op);
  if ('refused' in reached) return reached.refused;
  const { op } = reached;
  const note = command.note === undefined ? {} : { note: command.note };
  switch (op.kind) {
    case 'caution':
      return accept({ type: 'caution-acknowledged', payload: { op: op.id, say: op.say } });
    case 'fit-aid':
      return accept({ type: 'aid-fitted', payload: { op: op.id, aid: op.aid } });
    case 'remove-aid':
      return accept({ type: 'aid-removed', payload: { op: op.id, aid: op.aid } });
    case 'mark':
      return accept({ type: 'mark-made', payload: { op: op.id, mark: op.mark } });
    case 'align':
      return accept({ type: 'mark-aligned', payload: { op: op.id, mark: op.mark } });
    case 'undo':
      return accept({
        type: 'joint-undone',
        payload: { op: op.id, joint: op.joint, count: sheet.joints[op.joint]?.count ?? 1 },
      });
    case 'off': {
      const tray = command.tray?.trim();
      if (!tray) return refuse('not-complete', 'Where does it lie?', 'Name the tray');
      return accept({ type: 'parts-off', payload: { op: op.id, parts: op.parts, tray } });
    }
    case 'place':
    case 'press':
    case 'seal':
    case 'reconnect':
      return accept(fitted(op.id, op.kind, op.part ?? op.what, sheet, state));
    case 'inspect':
      if (op.ask !== undefined && command.answer === undefined)
        return refuse('not-complete', op.ask, 'Answer yes or no');
      if (op.ask !== undefined && command.answer === 'yes')
        return refuse('not-complete', op.yes ?? 'Not good', 'Look at the next one, then answer no');
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, answer: command.answer, ...note } });
    case 'read':
    case 'test':
      return state.readings.some((r) => r.op === op.id)
        ? accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } })
        : refuse('not-complete', 'No reading yet', 'Take a reading, or type it');
    case 'measure': {
      const measure = sheet.measures[op.measure];
      const missing = (measure?.at ?? []).filter((at) => !state.readings.some((r) => r.op === op.id && r.where === at));
      if (missing.length > 0) return refuse('not-complete', `Not read yet: ${missing.join(', ')}`, 'Take the readings');
      if (measure?.groove && !state.answers[op.id])
        return refuse('not-complete', measure.groove.ask, 'Answer yes or no');
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    }
    case 'judge': {
      const due = op.parts.filter((p) => state.findings[p] === undefined);
      if (due.length > 0)
        return refuse(
          'not-complete',
          `Not judged yet: ${due.map((p) => sheet.parts[p]?.title ?? p).join(', ')}`,
          'Judge each',
        );
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    }
    case 'choose':
      return refuse('not-complete', sheet.methods[op.method]?.ask ?? 'A choice is due', 'Choose one');
    case 'set': {
      const last = state.settings[op.setting]?.rounds.at(-1);
      if (last?.result?.verdict !== 'within')
        return refuse('not-complete', 'The setting is not within its band', 'Read it, change the pack, and read again');
      return accept({
        type: 'setting-confirmed',
        payload: {
          op: op.id,
          setting: op.setting,
          value: last.result.mean,
          uncertainty: last.result.uncertainty,
          verdict: last.result.verdict,
        },
      });
    }
    case 'tighten': {
      const joint = sheet.joints[op.joint];
      if (!joint) return refuse('unknown-op', `there is no joint "${op.joint}"`, 'Reload the bench');
      const t = tighteningState(joint, state);
      if (t.unanswered)
        return refuse(
          'unanswered-pull',
          `Fastener ${t.unanswered.bolt} was pulled too high`,
          'Say what was done about it',
        );
      if (!t.complete) return refuse('not-complete', `Fastener ${t.bolt} is not pulled`, 'Pull in order');
      return accept({
        type: 'joint-tightened',
        payload: { op: op.id, joint: joint.id, fastener: joint.fastener, count: joint.count },
      });
    }
    case 'do':
    case 'clean':
    case 'rework':
    case 'lubricate':
    case 'protect':
    case 'heat':
    case 'threadlock':
    case 'count':
    case 'fill':
    case 'bleed':
    case 'cure':
    case 'confirm':
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    default:
      return unreachable(op);
  }
}

function fitted(
  op: string,
  how: 'place' | 'press' | 'seal' | 'reconnect',
  part: string,
  sheet: Sheet,
  state: BenchState,
): NewEvent {
  const p = sheet.parts[part];
  const renewed = p?.renew === 'always' || state.findings[part] === 'renew' || state.findings[part] === 'scrap';
  return { type: 'part-fitted', payload: { op, part, count: p?.count ?? 1, renewed, how } };
}

function unreachable(op: never): never {
  throw new Error(`an operation that nothing completes: ${JSON.stringify(op)}`);
}
