import { formatBand, formatQuantity } from '../quantities/index.ts';
import type { Op, Sheet } from '../sheet/index.ts';

/** An operation in a few words, as the next move: "Tighten the cap, 6 × M8". */
export function opTitle(sheet: Sheet, op: Op): string {
  const part = (id: string): string => sheet.parts[id]?.title ?? id;
  const low = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
  switch (op.kind) {
    case 'caution':
      return 'Read this first';
    case 'do':
      return op.lines[0] ?? 'Do';
    case 'fit-aid':
      return `Fit the ${low(sheet.aids[op.aid]?.title ?? op.aid)}`;
    case 'remove-aid':
      return `Take the ${low(sheet.aids[op.aid]?.title ?? op.aid)} out`;
    case 'mark':
      return `Mark ${low(sheet.marks[op.mark]?.title ?? op.mark)}`;
    case 'align':
      return `Line up the mark, ${low(sheet.marks[op.mark]?.title ?? op.mark)}`;
    case 'undo': {
      const j = sheet.joints[op.joint];
      return j ? `Undo the ${low(j.title)}, ${j.count} × ${j.thread}` : 'Undo';
    }
    case 'off':
      return `${op.parts.map((p) => (p.count > 1 ? `${p.count} × ${low(part(p.part))}` : part(p.part))).join(', ')} off`;
    case 'read':
      return `${sheet.settings[op.setting]?.title ?? op.setting}, as found`;
    case 'test':
      return `${sheet.tests[op.test]?.title ?? op.test}, ${op.moment === 'as-found' ? 'as found' : 'now'}`;
    case 'measure':
      return `Measure: ${low(sheet.measures[op.measure]?.title ?? op.measure)}`;
    case 'judge':
      return `Judge ${op.parts.map((p) => low(part(p))).join(', ')}`;
    case 'choose':
      return sheet.methods[op.method]?.ask ?? op.method;
    case 'set': {
      const s = sheet.settings[op.setting];
      return s ? `Set the ${low(s.title)}, ${formatBand(s.band)}` : 'Set';
    }
    case 'tighten': {
      const j = sheet.joints[op.joint];
      return j ? `Tighten the ${low(j.title)}, ${j.count} × ${j.thread}` : 'Tighten';
    }
    case 'clean':
      return 'Clean';
    case 'lubricate':
      return `Lubricate the ${low(op.part ? part(op.part) : op.what)}${op.with ? ` with ${low(sheet.fluids[op.with]?.title ?? op.with)}` : ''}`;
    case 'place':
      return `Place the ${low(part(op.what))}`;
    case 'press':
      return `Press the ${low(part(op.what))}${op.to ? `, ${op.to}` : ''}`;
    case 'inspect':
      return `Look at the ${low(part(op.what))}`;
    case 'fill': {
      const f = sheet.fluids[op.what];
      return f ? `Fill: ${formatQuantity(f.amount)} of ${low(f.title)}` : `Fill ${op.what}`;
    }
    case 'confirm':
      return op.what;
    case 'rework':
    case 'protect':
    case 'heat':
    case 'seal':
    case 'threadlock':
    case 'count':
    case 'bleed':
    case 'cure':
    case 'reconnect': {
      const verb = op.kind.charAt(0).toUpperCase() + op.kind.slice(1);
      return `${verb}: ${low(op.part ? part(op.part) : op.what)}${op.to ? `, ${op.to}` : ''}`;
    }
    default:
      return unreachable(op);
  }
}

function unreachable(op: never): never {
  throw new Error(`an operation without words: ${JSON.stringify(op)}`);
}
