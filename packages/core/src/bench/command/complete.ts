import { unreachable } from '../../records.ts';
import type { Command } from './commands.ts';
import type { NewEvent } from '../log/events.ts';
import { accept, refuse, type Decision } from './refusal.ts';
import type { BenchState } from '../log/state.ts';
import { computedFigure, tighteningState } from '../tightening/index.ts';
import { formatBand, formatQuantity, inCanonical, type Quantity } from '../../quantities/index.ts';
import type { Joint, Sheet } from '../../sheet/index.ts';
import { heatWindow } from '../fitting/windows.ts';
import { notHere } from '../parts/part-lines.ts';
import { goesBackNew } from '../fitting/renewal.ts';
import { placesLeft } from '../measuring/places.ts';
import { timerOf } from '../waiting/timers.ts';
import { readingsOf } from '../measuring/readings-of.ts';
import { acceptedSo } from '../bad/decide.ts';
import { openBad } from '../bad/bad-things.ts';
import { noSource, noSourceAt } from '../sources/decide.ts';
import { reach } from './reach.ts';
import { decideTakeOff } from '../strip/take-off.ts';
import { decideEndTimer } from '../waiting/decide.ts';

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
    case 'start': {
      const source = noSourceAt(sheet, state, op);
      if (source) return source;
      return accept({
        type: 'set-between',
        payload: { op: op.id, state: op.kind === 'slacken' ? 'slackened' : 'started', joint: op.joint, ...note },
      });
    }
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
    case 'seal': {
      const part = op.part ?? op.what;
      const missing = notHere(sheet, state, part);
      if (missing) return refuse('not-here', missing, 'Take it in at Parts first, or note what is fitted instead');
      const source = goesBackNew(sheet, state, part) ? noSource(sheet, state, part) : undefined;
      if (source) return source;
      if (op.kind === 'press') {
        const read = readingsOf(state, op.id).at(-1);
        if (read?.result?.verdict === 'outside' && !command.reason?.trim())
          return refuse(
            'not-complete',
            `${formatQuantity(read.value, 1)} is more than its tightest fit takes: it goes in askew, or is the wrong one`,
            'Back it out and start it square, or say why it is right',
          );
      }
      if (op.check !== undefined && !command.ticks?.includes('check'))
        return refuse('not-complete', `What tells that it is home: ${op.check}`, 'Look or listen for it, and tick it');
      // Half way in it is neither off nor on: its neighbour comes first.
      if (op.kind === 'press' && op.to === 'half')
        return accept({ type: 'set-between', payload: { op: op.id, state: 'started', part, ...note } });
      return accept(fitted(op.id, op.kind, part, sheet, state, op.check, command.reason?.trim() || undefined));
    }
    case 'inspect':
      if (op.ask !== undefined && command.answer === undefined)
        return refuse('not-complete', op.ask, 'Answer yes or no');
      if (
        op.ask !== undefined &&
        command.answer === 'yes' &&
        op.part !== undefined &&
        goesBackNew(sheet, state, op.part)
      )
        return accept({ type: 'part-binned', payload: { op: op.id, part: op.part, why: op.ask } });
      if (op.ask !== undefined && command.answer === 'yes')
        return refuse('not-complete', op.yes ?? 'Not good', 'Look at the next one, then answer no');
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, answer: command.answer, ...note } });
    case 'read':
      return readingsOf(state, op.id).length > 0
        ? accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } })
        : refuse('not-complete', 'No reading yet', 'Take a reading, or type it');
    case 'test': {
      const read = readingsOf(state, op.id).at(-1);
      if (!read) return refuse('not-complete', 'No reading yet', 'Run it, take a reading, or type it');
      const bad = openBad(sheet, state).find((b) => b.op === op.id);
      if (bad && !command.reason?.trim())
        return refuse(
          'not-complete',
          `${bad.title} is outside: ${formatQuantity(read.value)}`,
          'Go back to what could cause it, or say why it is handed over so',
        );
      if (bad) return acceptedSo(sheet, state, bad, command.reason!);
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    }
    case 'measure': {
      const measure = sheet.measures[op.measure];
      const missing = measure ? placesLeft(measure, state) : [];
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
    case 'cause':
      return refuse(
        'not-complete',
        sheet.causes[op.cause]?.ask ?? 'Why did it fail?',
        'Choose the cause, or say that it is not known',
      );
    case 'choose':
      return refuse('not-complete', sheet.methods[op.method]?.ask ?? 'A choice is due', 'Choose one');
    case 'set': {
      const { together } = sheet.settings[op.setting] ?? {};
      const events: NewEvent[] = [];
      for (const id of [op.setting, ...(together === undefined ? [] : [together])]) {
        const last = state.settings[id]?.rounds.at(-1)?.result;
        if (last?.verdict !== 'within')
          return refuse(
            'not-complete',
            `${sheet.settings[id]?.title ?? id} is not confirmed within its band`,
            'Read it, move it, and read again',
          );
        const { mean: value, uncertainty, verdict } = last;
        events.push({ type: 'setting-confirmed', payload: { op: op.id, setting: id, value, uncertainty, verdict } });
      }
      return accept(...events);
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
          `Fastener ${t.unanswered.bolt} ${t.unanswered.verdict === 'high' ? 'was pulled too high' : 'turned oddly'}`,
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
      const computed = computedFigure(joint);
      const told = state.lessons.some((l) => l.kind === 'no-figure' && l.words.startsWith(joint.title));
      return accept(
        {
          type: 'joint-tightened',
          payload: {
            op: op.id,
            joint: joint.id,
            fastener: joint.fastener,
            count: joint.count,
            ...(computed ? { computed: computed.working } : {}),
          },
        },
        ...(computed && !told ? [noFigureLesson(joint, reached.step.rung, computed.torque)] : []),
      );
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
      const tooCold = op.kind === 'heat' ? notHot(sheet, state, op.id, op.part, command) : undefined;
      if (tooCold) return tooCold;
      const reason = command.note ?? command.reason?.trim();
      return accept(...endsNow, {
        type: 'op-done',
        payload: { op: op.id, kind: op.kind, ...(reason ? { note: reason } : {}) },
      });
    }
    case 'bleed': {
      const strokes = command.strokes ?? 0;
      if (op.strokes !== undefined && strokes < op.strokes)
        return refuse(
          'not-complete',
          `${strokes} clean strokes in a row; ${op.strokes} are wanted`,
          'Go on until no bubble comes: a bubble starts the count again',
        );
      return accept({
        type: 'op-done',
        payload: { op: op.id, kind: op.kind, ...(op.strokes === undefined ? {} : { strokes }), ...note },
      });
    }
    case 'do':
    case 'helper':
    case 'clean':
    case 'lubricate':
    case 'protect':
    case 'threadlock':
    case 'fill':
    case 'confirm':
      return accept({ type: 'op-done', payload: { op: op.id, kind: op.kind, ...note } });
    default:
      return unreachable('an operation that nothing completes', op);
  }
}

function fitted(
  op: string,
  how: 'place' | 'press' | 'seal',
  part: string,
  sheet: Sheet,
  state: BenchState,
  told: string | undefined,
  reason: string | undefined,
): NewEvent {
  const renewed = goesBackNew(sheet, state, part);
  const count = sheet.parts[part]?.count ?? 1;
  return {
    type: 'part-fitted',
    payload: {
      op,
      part,
      count,
      renewed,
      how,
      ...(told === undefined ? {} : { told }),
      ...(reason === undefined ? {} : { reason }),
    },
  };
}

/** A heated part goes on when it is read hot enough and not too hot, or with a reason. */
function notHot(
  sheet: Sheet,
  state: BenchState,
  op: string,
  part: string | undefined,
  command: Complete,
): Decision | undefined {
  const fit = part === undefined ? undefined : sheet.parts[part]?.fit;
  if (!fit || command.reason?.trim()) return undefined;
  const read = readingsOf(state, op).at(-1);
  const { low, high } = heatWindow(fit);
  if (!read) return refuse('not-complete', 'How hot is it?', `Read it: ${formatBand({ low, high }, 0)}`);
  const now = inCanonical(read.value, 'temperature');
  if (now > inCanonical(high, 'temperature'))
    return refuse(
      'not-complete',
      `${formatQuantity(read.value, 0)} is past the ${formatQuantity(high, 0)} that it stands`,
      'Renew it, or say why it is still good',
    );
  if (now < inCanonical(low, 'temperature'))
    return refuse(
      'not-complete',
      `${formatQuantity(read.value, 0)}: it drops on from ${formatQuantity(low, 0)}`,
      'Wait, and read it again',
    );
  return undefined;
}

/** The sheet had no figure, and one was computed: for its next revision. */
function noFigureLesson(joint: Joint, rung: string, torque: Quantity): NewEvent {
  const words = `${joint.title}: no figure in the sheet; ${formatQuantity(torque)} was computed from ${joint.thread}${joint.propertyClass ? ` ${joint.propertyClass}` : ''}, and held`;
  return { type: 'lesson-filed', payload: { rung, words, kind: 'no-figure' } };
}
