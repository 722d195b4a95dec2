import type { Command } from '../commands.ts';
import type { NewEvent } from '../events.ts';
import { accept, refuse, type Decision } from '../refusal.ts';
import type { BenchState } from '../state.ts';
import { tighteningState } from '../tightening.ts';
import { renewing, type Sheet } from '../../sheet/index.ts';
import { timerOf } from '../timers.ts';
import { reach } from './reach.ts';
import { decideTakeOff } from './take-off.ts';
import { decideEndTimer } from './waits.ts';

const BETWEEN = { 'swing-aside': 'swung-aside', hang: 'hung', refit: 'refitted' } as const;

type Complete = Extract<Command, { type: 'complete' }>;

/** Completes one operation with the event that says what was done. */
export function decideComplete(state: BenchState, sheet: Sheet, command: Complete, at: string): Decision {
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
    case 'undo': {
      const count = sheet.joints[op.joint]?.count ?? 1;
      const left = op.leaveIn === undefined ? {} : { left: Math.min(op.leaveIn, count) };
      return accept({ type: 'joint-undone', payload: { op: op.id, joint: op.joint, count, ...left } });
    }
    case 'last-out':
      return accept({ type: 'last-out', payload: { op: op.id, joint: op.joint, count: op.count } });
    case 'off':
      return decideTakeOff(state, sheet, op, command);
    case 'disconnect':
      return accept({ type: 'lead-parted', payload: { op: op.id, lead: op.lead } });
    case 'reconnect':
      return accept({ type: 'lead-reconnected', payload: { op: op.id, lead: op.lead } });
    case 'slacken':
    case 'start':
      return accept({
        type: 'set-between',
        payload: { op: op.id, state: op.kind === 'slacken' ? 'slackened' : 'started', joint: op.joint, ...note },
      });
    case 'swing-aside':
    case 'hang':
    case 'refit':
      return accept({ type: 'set-between', payload: { op: op.id, state: BETWEEN[op.kind], part: op.part, ...note } });
    case 'scrap':
      return accept({
        type: 'part-scrapped',
        payload: { op: op.id, part: op.part, count: state.off[op.part]?.count ?? 0 },
      });
    case 'place':
    case 'press':
    case 'seal':
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
      if (joint.stages.some((stage) => stage.unitAsked))
        return refuse('not-complete', 'The sheet gives a figure without a unit', 'Say which unit is meant');
      const t = tighteningState(joint, state);
      if (t.unanswered)
        return refuse(
          'unanswered-pull',
          `Fastener ${t.unanswered.bolt} was pulled too high`,
          'Say what was done about it',
        );
      if (op.through !== undefined && t.stage > op.through)
        return accept(
          { type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } },
          ...(t.complete
            ? []
            : [{ type: 'set-between', payload: { op: op.id, state: 'started', joint: joint.id } } satisfies NewEvent]),
        );
      if (!t.complete) return refuse('not-complete', `Fastener ${t.bolt} is not pulled`, 'Pull in order');
      return accept({
        type: 'joint-tightened',
        payload: { op: op.id, joint: joint.id, fastener: joint.fastener, count: joint.count },
      });
    }
    case 'count':
      return refuse(
        'not-complete',
        `How many of ${(sheet.parts[op.what]?.title ?? op.what).toLowerCase()} are there?`,
        'Count them',
      );
    case 'look':
      return refuse('not-complete', sheet.looks[op.look]?.ask ?? 'A look is due', 'Choose what it is');
    case 'identify':
      return refuse(
        'not-complete',
        sheet.identify.find((q) => q.id === op.question)?.ask ?? 'Which is it?',
        'Answer it',
      );
    case 'stack':
    case 'restack':
      return refuse('not-complete', 'The order of the stack is not recorded', 'Put the layers as they lie');
    case 'rework': {
      const wanted = [...(op.check === undefined ? [] : ['check']), ...(op.clear === undefined ? [] : ['clear'])];
      const ticks = command.ticks ?? [];
      const missing = wanted.find((t) => !ticks.includes(t));
      if (missing !== undefined)
        return missing === 'check'
          ? refuse('not-complete', `Not looked at yet: ${op.check}`, 'Look, and tick it')
          : refuse('not-complete', `Not cleared yet: ${op.clear}`, 'Clear it, and tick it');
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ticks: wanted, ...note } });
    }
    case 'cure':
    case 'soak':
    case 'rest':
    case 'heat': {
      const timer = timerOf(state, op.id);
      const endsNow: NewEvent[] = [];
      if (op.minutes !== undefined) {
        if (!timer) return refuse('not-complete', `It takes ${op.minutes} min`, 'Start the timer');
        if (!timer.ended) {
          const ended = decideEndTimer(state, { type: 'end-timer', timer: timer.id, reason: command.reason }, at);
          if (!ended.ok) return ended;
          endsNow.push(...ended.events);
        }
      }
      return accept(...endsNow, { type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    }
    case 'do':
    case 'helper':
    case 'clean':
    case 'lubricate':
    case 'protect':
    case 'threadlock':
    case 'fill':
    case 'bleed':
    case 'confirm':
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    default:
      return unreachable(op);
  }
}

function fitted(op: string, how: 'place' | 'press' | 'seal', part: string, sheet: Sheet, state: BenchState): NewEvent {
  const p = sheet.parts[part];
  const finding = state.findings[part];
  const renewed = p?.renew === 'always' || (finding !== undefined && renewing.has(finding));
  return { type: 'part-fitted', payload: { op, part, count: p?.count ?? 1, renewed, how } };
}

function unreachable(op: never): never {
  throw new Error(`an operation that nothing completes: ${JSON.stringify(op)}`);
}
