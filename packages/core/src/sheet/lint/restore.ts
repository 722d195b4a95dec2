import type { Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** What is parted, moved aside, slackened or taken apart in an order is put right again by a later step. */
export const restoreRules: readonly Rule[] = [
  leadsAreReconnected,
  betweenIsSettled,
  stacksGoBack,
  savedPartsComeFromSomewhere,
];

function leadsAreReconnected(sheet: Sheet, report: Report): void {
  for (const lead of Object.values(sheet.leads)) {
    const parted = opsOf(sheet, 'disconnect').find(({ op }) => op.lead === lead.id);
    const back = opsOf(sheet, 'reconnect').find(({ op }) => op.lead === lead.id);
    if (parted && !back)
      report(
        ['leads', lead.id],
        'lead-not-reconnected',
        `"${lead.title}" is parted at ${parted.step.id} and never reconnected`,
      );
    if (!parted)
      report(
        ['leads', lead.id],
        'lead-never-parted',
        `"${lead.title}" is ${back ? `reconnected at ${back.step.id} but never parted` : 'listed but no step parts it'}`,
        back ? 'error' : 'warning',
      );
  }
}

/** Slackened or started: undone or tightened later. Swung aside, hung or refitted: placed or taken off later. */
function betweenIsSettled(sheet: Sheet, report: Report): void {
  const place = new Map(workOrder(sheet).map((id, i) => [id, i]));
  const later = (from: string, to: string): boolean => place.get(to)! >= place.get(from)!;
  for (const { op, step } of opsOf(sheet, 'slacken', 'start')) {
    const settled = opsOf(sheet, 'undo', 'tighten').some((o) => o.op.joint === op.joint && later(step.id, o.step.id));
    if (!settled)
      report(
        ['joints', op.joint],
        'in-between-forever',
        `"${op.joint}" is ${op.kind === 'slacken' ? 'slackened' : 'started'} at ${step.id} and nothing settles it`,
      );
  }
  for (const { op, step } of opsOf(sheet, 'swing-aside', 'hang', 'refit')) {
    const settled =
      opsOf(sheet, 'place', 'press', 'seal').some((o) => o.op.part === op.part && later(step.id, o.step.id)) ||
      opsOf(sheet, 'off').some((o) => o.op.parts.some((p) => p.part === op.part) && later(step.id, o.step.id));
    if (!settled)
      report(
        ['parts', op.part],
        'in-between-forever',
        `"${op.part}" is ${op.kind} at ${step.id} and nothing settles it`,
      );
  }
}

/** Step ids in the order of work, near enough for what comes before what. */
function workOrder(sheet: Sheet): string[] {
  const of = (side: string): string[] => sheet.steps.filter((s) => s.side === side).map((s) => s.id);
  return [...of('strip'), ...of('bottom'), ...of('build').reverse()];
}

function stacksGoBack(sheet: Sheet, report: Report): void {
  const recorded = new Set(opsOf(sheet, 'stack').map(({ op }) => op.stack));
  const restacked = new Set(opsOf(sheet, 'restack').map(({ op }) => op.stack));
  for (const stack of Object.values(sheet.stacks)) {
    if (!recorded.has(stack.id))
      report(['stacks', stack.id], 'stack-not-recorded', `no step records "${stack.title}" as it comes off`);
    if (!restacked.has(stack.id))
      report(
        ['stacks', stack.id],
        'stack-not-restacked',
        `no step holds "${stack.title}" against its order at build-up`,
      );
  }
}

function savedPartsComeFromSomewhere(sheet: Sheet, report: Report): void {
  const saved = new Set(opsOf(sheet, 'off').flatMap(({ op }) => op.by.flatMap((w) => (w.saves ? [w.saves] : []))));
  for (const part of Object.values(sheet.parts))
    if (part.savedFrom !== undefined && !saved.has(part.id))
      report(
        ['parts', part.id],
        'never-saved',
        `"${part.title}" is saved from "${part.savedFrom}", but no way of taking that off saves it`,
      );
}
