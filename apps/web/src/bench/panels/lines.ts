import { goesBackNew, opTitle } from '@jubb/core/bench';
import { formatQuantity } from '@jubb/core/quantities';
import type { Op } from '@jubb/core/sheet';
import type { Bench } from '../use-bench.ts';

/** What there is to do, line by line. */
export function linesOf(bench: Pick<Bench, 'sheet' | 'state'>, op: Op): readonly string[] {
  const { sheet, state } = bench;
  const title = (part: string): string => sheet.parts[part]?.title ?? part;
  const lines: string[] = [];
  switch (op.kind) {
    case 'do':
      lines.push(...op.lines);
      break;
    case 'helper':
      lines.push('Do not go on alone');
      break;
    case 'undo': {
      const j = sheet.joints[op.joint];
      if (!j) break;
      lines.push(`${j.count > 0 ? `${j.count} × ` : ''}${j.thread}, ${title(j.fastener).toLowerCase()}`);
      if (j.hold) lines.push(`Hold ${j.hold}`);
      lines.push(j.count > 2 ? 'Slacken each a little in turn, crosswise, then out' : 'Slacken it, then out');
      if (op.leaveIn) lines.push(`Leave ${op.leaveIn} in by a few turns until it is free`);
      if (j.fasteners === 'new') lines.push('Used once: new ones go in');
      break;
    }
    case 'last-out':
      lines.push('See that it is free and held', `Then the last ${op.count === 1 ? 'one' : op.count} out`);
      break;
    case 'slacken':
      lines.push('A turn or two, no more: it stays on');
      break;
    case 'start':
      lines.push('By hand, all of them, a few turns', 'They are counted as loose until they are tightened');
      break;
    case 'swing-aside':
      lines.push('Its lines stay on: nothing pulls on them', 'Tie it where it cannot fall');
      break;
    case 'hang':
      lines.push('Hung by a wire or a hook, never by its lines');
      break;
    case 'refit':
      lines.push('Only for now: it comes off again');
      break;
    case 'scrap':
      lines.push('Thrown away on purpose: it does not go back');
      break;
    case 'mark':
    case 'align': {
      const m = sheet.marks[op.mark];
      if (!m) break;
      lines.push(
        `${m.between.map(title).join(' and ')}: ${op.kind === 'mark' ? `${m.with} across both` : 'marks in one line'}, ${m.where}`,
      );
      break;
    }
    case 'fit-aid':
    case 'remove-aid': {
      const a = sheet.aids[op.aid];
      if (a)
        lines.push(
          `${a.title}, ${a.where}`,
          op.kind === 'fit-aid' ? 'It is counted until it is out again' : 'Look that it is really out',
        );
      break;
    }
    case 'disconnect':
    case 'reconnect': {
      const l = sheet.leads[op.lead];
      if (l)
        lines.push(l.where, op.kind === 'disconnect' ? 'It is counted until it is on again' : 'Pull on it: it holds');
      break;
    }
    case 'lubricate':
      if (op.with) lines.push(`${sheet.fluids[op.with]?.title}: ${sheet.fluids[op.with]?.grade}`);
      break;
    case 'fill': {
      const f = sheet.fluids[op.what];
      if (f) lines.push(`${f.grade}, ${formatQuantity(f.amount)}`);
      break;
    }
    case 'clean':
      lines.push(op.what, ...(op.except ? [`Leave alone: ${op.except.map(title).join(', ')}`] : []));
      break;
    case 'seal':
    case 'threadlock':
    case 'protect':
      lines.push(
        op.part ? title(op.part) : op.what,
        ...(op.with ? [`With ${op.with}`] : []),
        ...(op.to ? [op.to] : []),
      );
      break;
    default:
      break;
  }
  if ((op.kind === 'place' || op.kind === 'press') && op.part) {
    const part = sheet.parts[op.part];
    const lying = state.off[op.part];
    if (part) {
      const isNew = goesBackNew(sheet, state, part.id);
      lines.push(
        `${part.count > 1 ? `${part.count} × ` : ''}${part.title}${isNew ? `: a new one${part.order ? `, ${part.order}` : ''}` : lying ? `, from tray ${lying.tray}` : ''}`,
      );
      if (op.to) lines.push(op.to === 'half' ? 'Half way, no further for now' : op.to);
      if (op.with) lines.push(`With ${op.with}`);
      if (op.on) lines.push(`Stands on ${op.on}`);
      if (part.goes) lines.push(`Goes ${part.goes}`);
      if (part.fits === 'several ways') lines.push('It fits several wrong ways: look twice');
      if (part.fits === 'one way') lines.push('It goes on one way only');
      if (part.where) lines.push(`To ${part.where}`);
      if (part.lip) lines.push(`Lip faces the ${part.lip.faces}`);
      if (part.mayNotTouch) lines.push(`Nothing touches ${part.mayNotTouch}`);
      if (lying?.note) lines.push(`Noted as it came off: ${lying.note}`);
    }
  }
  if (op.note) lines.push(op.note);
  return lines.length > 0 ? lines : [opTitle(sheet, op)];
}
