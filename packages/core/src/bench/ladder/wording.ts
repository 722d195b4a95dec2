import { unreachable } from '../../records.ts';
import { formatBand, formatQuantity } from '../../quantities/index.ts';
import type { Op, Sheet, SideName } from '../../sheet/index.ts';
import type { HoldReason } from '../log/events.ts';

/** Words as they stand in mid-sentence: the first letter small, the others as they are, since a unit may be among them. */
export const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** The same words, begun with a capital. */
export const upperFirst = (words: string): string => words.replace(/^./, (c) => c.toUpperCase());

/** An operation in a few words, as the next move: "Tighten the cap, 6 × M8". */
export function opTitle(sheet: Sheet, op: Op): string {
  const part = (id: string): string => sheet.parts[id]?.title ?? id;
  switch (op.kind) {
    case 'caution':
      return 'Read this first';
    case 'do':
      return op.lines[0] ?? 'Do';
    case 'fit-aid':
      return `Fit the ${lowerFirst(sheet.aids[op.aid]?.title ?? op.aid)}`;
    case 'remove-aid':
      return `Take the ${lowerFirst(sheet.aids[op.aid]?.title ?? op.aid)} out`;
    case 'mark':
      return `Mark ${lowerFirst(sheet.marks[op.mark]?.title ?? op.mark)}`;
    case 'align':
      return `Line up the mark, ${lowerFirst(sheet.marks[op.mark]?.title ?? op.mark)}`;
    case 'undo': {
      const j = sheet.joints[op.joint];
      if (!j) return 'Undo';
      const left = op.leaveIn === undefined ? '' : `, leave ${op.leaveIn} in`;
      return `Undo the ${lowerFirst(j.title)}, ${countWords(j.count)} × ${j.thread}${left}`;
    }
    case 'off':
      return `${op.parts.map((p) => (p.count > 1 ? `${p.count} × ${lowerFirst(part(p.part))}` : p.count === 0 ? `All the ${lowerFirst(part(p.part))}` : part(p.part))).join(', ')} off`;
    case 'read':
      return `${sheet.settings[op.setting]?.title ?? op.setting}, as found`;
    case 'test':
      return `${sheet.tests[op.test]?.title ?? op.test}, ${op.moment === 'as-found' ? 'as found' : 'now'}`;
    case 'measure':
      return `Measure: ${lowerFirst(sheet.measures[op.measure]?.title ?? op.measure)}`;
    case 'judge':
      return op.parts.length > 3
        ? `Judge ${op.parts.length} parts`
        : `Judge ${op.parts.map((p) => lowerFirst(part(p))).join(', ')}`;
    case 'cause':
      return sheet.causes[op.cause]?.ask ?? op.cause;
    case 'choose':
      return sheet.methods[op.method]?.ask ?? op.method;
    case 'set': {
      const s = sheet.settings[op.setting];
      return s ? `Set the ${lowerFirst(s.title)}, ${formatBand(s.band)}` : 'Set';
    }
    case 'tighten': {
      const j = sheet.joints[op.joint];
      if (!j) return 'Tighten';
      const stage = op.through === undefined ? '' : `, ${lowerFirst(j.stages[op.through]?.name ?? '')} only`;
      return `Tighten the ${lowerFirst(j.title)}, ${countWords(j.count)} × ${j.thread}${stage}`;
    }
    case 'clean':
      return 'Clean';
    case 'lubricate':
      return `Lubricate the ${lowerFirst(op.part ? part(op.part) : op.what)}${op.with ? ` with ${lowerFirst(sheet.fluids[op.with]?.title ?? op.with)}` : ''}`;
    case 'place':
      return `Place the ${lowerFirst(part(op.what))}`;
    case 'press':
      return `Press the ${lowerFirst(part(op.what))}${op.to ? `, ${op.to}` : ''}`;
    case 'inspect':
      return `Look at the ${lowerFirst(part(op.what))}`;
    case 'fill': {
      const f = sheet.fluids[op.what];
      return f ? `Fill: ${formatQuantity(f.amount)} of ${lowerFirst(f.title)}` : `Fill ${op.what}`;
    }
    case 'confirm':
      return op.what;
    case 'count':
      return `Count the ${lowerFirst(part(op.part ?? op.what))}`;
    case 'helper':
      return `Get a helper: ${op.say}`;
    case 'disconnect':
      return `Part the ${lowerFirst(sheet.leads[op.lead]?.title ?? op.lead)}`;
    case 'reconnect':
      return `Reconnect the ${lowerFirst(sheet.leads[op.lead]?.title ?? op.lead)}`;
    case 'slacken':
      return `Slacken the ${lowerFirst(sheet.joints[op.joint]?.title ?? op.joint)}, do not undo it`;
    case 'start':
      return `Start the ${lowerFirst(sheet.joints[op.joint]?.title ?? op.joint)} by hand, do not tighten`;
    case 'last-out':
      return `Free it, then the last ${op.count === 1 ? 'one' : op.count} out`;
    case 'swing-aside':
      return `Swing the ${lowerFirst(part(op.part))} aside, lines on`;
    case 'hang':
      return `Hang the ${lowerFirst(part(op.part))}`;
    case 'refit':
      return `Refit the ${lowerFirst(part(op.part))} for the time being`;
    case 'scrap':
      return `Throw the ${lowerFirst(part(op.part))} away`;
    case 'stack':
      return `Record the stack as it lies: ${lowerFirst(sheet.stacks[op.stack]?.title ?? op.stack)}`;
    case 'restack':
      return `Stack in order: ${lowerFirst(sheet.stacks[op.stack]?.title ?? op.stack)}`;
    case 'look':
      return `${sheet.looks[op.look]?.title ?? op.look}${op.moment === 'bottom' ? '' : op.moment === 'as-found' ? ', as found' : ', now'}`;
    case 'identify':
      return sheet.identify.find((q) => q.id === op.question)?.ask ?? 'Which is it?';
    case 'rework':
    case 'protect':
    case 'heat':
    case 'seal':
    case 'threadlock':
    case 'bleed':
    case 'cure':
    case 'soak':
    case 'rest': {
      const verb = op.kind.charAt(0).toUpperCase() + op.kind.slice(1);
      return `${verb}: ${lowerFirst(op.part ? part(op.part) : op.what)}${op.to ? `, ${op.to}` : ''}${op.minutes === undefined ? '' : `, ${minutesWords(op.minutes)}`}`;
    }
    default:
      return unreachable('an operation without words', op);
  }
}

/** A side of the ladder as a heading. */
export function sideWords(side: SideName): string {
  return { strip: 'Strip', bottom: 'Along the bottom', build: 'Build' }[side];
}

/** What a job waits for, as it stands in a sentence. */
export function holdWords(why: HoldReason): string {
  const words: Readonly<Record<HoldReason, string>> = {
    parts: 'parts',
    yes: 'a yes',
    cure: 'a cure',
    helper: 'a helper',
    tool: 'a tool',
    decision: 'a decision',
    'day-end': 'the next working day',
  };
  return words[why];
}

/** How many there are; a question mark while nobody knows. */
function countWords(count: number): string {
  return count === 0 ? '?' : String(count);
}

/** "30 min", "2 h", "1 h 30 min". */
export function minutesWords(minutes: number): string {
  const m = Math.round(minutes);
  if (m < 60) return `${m} min`;
  return m % 60 === 0 ? `${m / 60} h` : `${Math.floor(m / 60)} h ${m % 60} min`;
}
