import { torqueSanity, ReckonError, type ThreadMaterial } from '../../reckoners/index.ts';
import { findings, type Joint, type Sheet } from '../types.ts';
import type { Path } from '../compile/reader.ts';
import { orderSteps, CycleError } from '../ladder/order.ts';
import { settlesItsNut } from '../setting.ts';
import { opsOf, type LintProblem, type Report, type Rule } from './rule.ts';
import { fitRules } from './fits.ts';
import { restoreRules } from './restore.ts';
import { saidRules } from './said.ts';
import { settingRules } from './settings.ts';
import { faultRules } from './faults.ts';
import { routesRun } from './routes.ts';
import { workedRules } from './worked.ts';
import { ofVariant } from '../variants.ts';

/** Every rule that a shipped sheet must pass; each finds what would hurt at the bench. */
const rules: readonly Rule[] = [
  everyAidComesOut,
  everyPartGoesBack,
  undoneIsTightened,
  oneTimeFastenersHaveAnOrder,
  torquesAreSane,
  standingCautionsEnd,
  marksAreAlignedAgain,
  methodsHaveReasons,
  judgedBeforeDecided,
  noCycles,
  ...settingRules,
  ...fitRules,
  ...restoreRules,
  ...saidRules,
];

export function lintSheet(sheet: Sheet): readonly LintProblem[] {
  const problems = new Map<string, LintProblem>();
  const report: Report = (at, code, message, severity = 'error') => {
    const key = `${at.join('/')} ${code} ${message}`;
    if (!problems.has(key)) problems.set(key, { at, code, message, severity });
  };
  // Every figure that some variant has is held to the same rules.
  for (const one of [sheet, ...Object.keys(sheet.byVariant ?? {}).map((v) => ofVariant(sheet, v))])
    for (const rule of rules) rule(one, report);
  // A ladder that waits for itself cannot be worked through: that is said by itself.
  const ordered = ![...problems.values()].some((p) => p.code === 'cycle');
  if (sheet.form === 2 && ordered) for (const rule of [...workedRules, ...faultRules, routesRun]) rule(sheet, report);
  return [...problems.values()];
}

function everyAidComesOut(sheet: Sheet, report: Report): void {
  for (const aid of Object.values(sheet.aids)) {
    const fitted = opsOf(sheet, 'fit-aid').filter(({ op }) => op.aid === aid.id);
    const removed = opsOf(sheet, 'remove-aid').filter(({ op }) => op.aid === aid.id);
    if (fitted.length === 0)
      report(['aids', aid.id], 'aid-never-fitted', `"${aid.title}" is listed but no step fits it`, 'warning');
    if (fitted.length > 0 && removed.length === 0 && aid.leaves !== true)
      report(['aids', aid.id], 'aid-left-in', `"${aid.title}" is fitted at ${fitted[0]!.step.id} and never comes out`);
    if (removed.length > 0 && fitted.length === 0)
      report(
        ['aids', aid.id],
        'aid-never-fitted',
        `"${aid.title}" comes out at ${removed[0]!.step.id} but is never fitted`,
      );
  }
}

/** Parts back on by a step that stands whenever they came off: placed, pressed, sealed in, or as a joint's fasteners. */
function everyPartGoesBack(sheet: Sheet, report: Report): void {
  const back = new Set<string>();
  for (const { op } of opsOf(sheet, 'place', 'press', 'seal')) if (op.part) back.add(op.part);
  // A fastener that stays on the unit is slackened and pulled, and never off: a drain cock.
  for (const { op } of opsOf(sheet, 'tighten', 'start')) {
    const fastener = sheet.joints[op.joint]?.fastener ?? '';
    if (sheet.parts[fastener]?.stays !== true) back.add(fastener);
  }
  for (const { op } of opsOf(sheet, 'scrap')) back.add(op.part);
  // What swings aside or hangs is put back like what came off; a saved piece and a new-style part come from elsewhere.
  const off = new Set<string>(opsOf(sheet, 'swing-aside', 'hang').map(({ op }) => op.part));
  for (const part of off)
    if (!back.has(part))
      report(
        ['parts', part],
        'part-not-refitted',
        `"${sheet.parts[part]?.title}" is moved aside and no step puts it back`,
      );
  for (const { op } of opsOf(sheet, 'off')) for (const w of op.by) if (w.saves !== undefined) off.add(w.saves);
  for (const { op, step } of opsOf(sheet, 'off')) {
    for (const { part, count } of op.parts) {
      off.add(part);
      const p = sheet.parts[part];
      if (!p) continue;
      if (p.stays)
        report(['parts', part], 'part-stays', `"${p.title}" is said to stay on the unit but comes off at ${step.id}`);
      if (!back.has(part))
        report(['parts', part], 'part-not-refitted', `"${p.title}" comes off at ${step.id} and no step puts it back`);
      if (p.countKnown && count !== p.count && countOffOf(sheet, part) !== p.count)
        report(
          ['parts', part],
          'count-disagrees',
          `${count} of "${p.title}" come off at ${step.id}; the part's count is ${p.count}`,
        );
    }
  }
  for (const part of back) {
    const p = sheet.parts[part];
    if (p && !off.has(part) && p.replaces === undefined)
      report(['parts', part], 'part-never-off', `"${p.title}" is fitted but never came off`);
  }
}

/** A part may come off in more than one step: all of them together are its count. */
function countOffOf(sheet: Sheet, part: string): number {
  return opsOf(sheet, 'off').reduce((n, { op }) => n + (op.parts.find((p) => p.part === part)?.count ?? 0), 0);
}

function undoneIsTightened(sheet: Sheet, report: Report): void {
  const tightened = new Set(opsOf(sheet, 'tighten').map(({ op }) => op.joint));
  // A nut that is turned until the drag is right stays there: the setting is its tightening.
  for (const { op } of opsOf(sheet, 'set')) {
    const setting = sheet.settings[op.setting];
    if (setting?.seat && settlesItsNut(setting)) tightened.add(setting.seat.joint);
  }
  for (const { op, step } of opsOf(sheet, 'undo', 'slacken', 'start')) {
    if (!tightened.has(op.joint))
      report(
        ['joints', op.joint],
        'joint-left-loose',
        `the joint "${op.joint}" is undone at ${step.id} and never tightened`,
      );
  }
}

function oneTimeFastenersHaveAnOrder(sheet: Sheet, report: Report): void {
  for (const joint of Object.values(sheet.joints)) {
    const part = sheet.parts[joint.fastener];
    if (joint.fasteners === 'new' && !part?.order)
      report(
        ['joints', joint.id, 'fasteners'],
        'no-part-line',
        `"${joint.title}" takes new fasteners each time, but "${joint.fastener}" has no order number`,
      );
  }
  for (const part of Object.values(sheet.parts)) {
    if (part.renew === 'always' && !part.order)
      report(['parts', part.id], 'no-part-line', `"${part.title}" is always renewed, but has no order number`);
  }
}

/** Millimetres of thread up to which ISO 898 defines property classes. */
const LARGEST_CLASSED = 39;

function torquesAreSane(sheet: Sheet, report: Report): void {
  for (const joint of Object.values(sheet.joints)) {
    const final = joint.stages.findLast((s) => s.kind === 'torque');
    if (!final || final.to.unit === 'unreadable' || final.unitAsked) continue;
    // A ring nut of a spindle is larger than any property class is defined for (ISO 898-2: to M39): nothing to judge it by.
    if (joint.propertyClass === undefined && Number(/^M([\d.]+)/.exec(joint.thread)?.[1] ?? 0) > LARGEST_CLASSED)
      continue;
    const at: Path = ['joints', joint.id, 'tighten'];
    try {
      const { results } = torqueSanity.reckon(sanityInputs(joint, final.to));
      const worst = torqueSanity.reckon(sanityInputs(joint, final.window.high)).results;
      if (results.verdict === 'plausible' && worst.verdict === 'past-yield') {
        report(
          at,
          'insane-torque',
          `${joint.title}, ${joint.thread}: the top of the window is past yield (${Math.round(worst.percentOfYield.value)} %)`,
        );
      }
      if (results.verdict === 'plausible') continue;
      if (results.verdict === 'low' && joint.lowBecause !== undefined) continue;
      const mistake = results.likelyMistake === undefined ? '' : `; perhaps ${results.likelyMistake}`;
      report(
        at,
        'insane-torque',
        `${joint.title}, ${joint.thread}: ${results.verdict}, ${Math.round(results.percentOfYield.value)} % of yield${mistake}`,
        results.verdict === 'low' ? 'warning' : 'error',
      );
    } catch (e) {
      if (!(e instanceof ReckonError)) throw e;
      report(at, e.code, e.message);
    }
  }
}

/** What `torque-sanity` wants to know of a joint. */
export function sanityInputs(
  joint: Joint,
  torque: { readonly value: number; readonly unit: string },
): Readonly<Record<string, unknown>> {
  return {
    thread: joint.thread,
    torque,
    propertyClass: joint.propertyClass,
    softThread: joint.into && { material: joint.into.material as ThreadMaterial, engagement: joint.into.engagement },
  };
}

function standingCautionsEnd(sheet: Sheet, report: Report): void {
  const place = (id: string): number => {
    const i = sheet.steps.findIndex((s) => s.id === id);
    const step = sheet.steps[i];
    if (!step) return -1;
    // Strip counts down from the top, the bottom follows, build counts up again.
    return step.side === 'strip' ? i : step.side === 'bottom' ? sheet.steps.length + i : 3 * sheet.steps.length - i;
  };
  for (const s of sheet.standing) {
    if (place(s.from) < 0 || place(s.until) < 0) continue;
    if (place(s.from) >= place(s.until))
      report(['standing', s.id], 'standing-never-ends', `"${s.say}" ends at ${s.until}, which is not after ${s.from}`);
  }
}

function marksAreAlignedAgain(sheet: Sheet, report: Report): void {
  const aligned = new Set(opsOf(sheet, 'align').map(({ op }) => op.mark));
  const made = new Set(opsOf(sheet, 'mark').map(({ op }) => op.mark));
  for (const mark of Object.values(sheet.marks)) {
    if (made.has(mark.id) && !aligned.has(mark.id))
      report(['marks', mark.id], 'mark-not-used', `"${mark.title}" is made and never lined up again`);
    if (!made.has(mark.id) && aligned.has(mark.id))
      report(['marks', mark.id], 'mark-not-made', `"${mark.title}" is to be lined up but was never made`);
  }
}

function methodsHaveReasons(sheet: Sheet, report: Report): void {
  for (const method of Object.values(sheet.methods)) {
    for (const c of method.choices)
      if (!c.why)
        report(['methods', method.id, 'choices', c.id], 'no-reason', `the choice "${c.title}" says no reason`);
    if (method.choices.length < 2)
      report(['methods', method.id], 'no-choice', `"${method.ask}" offers ${method.choices.length} choice`);
    if (!opsOf(sheet, 'choose').some(({ op }) => op.method === method.id))
      report(['methods', method.id], 'never-asked', `"${method.ask}" is never asked`, 'warning');
  }
}

/** A condition on a finding is worth nothing when no step judges that part, or when the finding is no finding. */
function judgedBeforeDecided(sheet: Sheet, report: Report): void {
  const judged = new Set(opsOf(sheet, 'judge').flatMap(({ op }) => op.parts));
  const conditions = sheet.steps.flatMap((s) => [...s.when, ...s.ops.flatMap((o) => o.when)]);
  for (const c of conditions) {
    if (c.on !== 'finding') continue;
    if (!judged.has(c.subject))
      report(
        ['parts', c.subject],
        'never-judged',
        `a step hangs on the finding of "${c.subject}", which no step judges`,
      );
    if (!findings.some((f) => f === c.is))
      report(['parts', c.subject], 'unknown-finding', `"${c.is}" is not a finding`);
  }
  for (const part of Object.values(sheet.parts)) {
    if (part.renew === 'judge' && !judged.has(part.id))
      report(['parts', part.id], 'never-judged', `"${part.title}" is to be judged, but no step does`);
  }
}

function noCycles(sheet: Sheet, report: Report): void {
  for (const side of ['strip', 'build'] as const) {
    try {
      orderSteps(sheet.steps.filter((s) => s.side === side));
    } catch (e) {
      if (!(e instanceof CycleError)) throw e;
      const rung = sheet.steps.find((s) => s.id === e.cycle[0])?.rung;
      report(['rungs', rung ?? 0], 'cycle', e.message);
    }
  }
}
