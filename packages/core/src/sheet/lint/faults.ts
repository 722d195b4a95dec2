import { limitsOf } from '../../quantities/index.ts';
import type { SheetFault } from '../faults.ts';
import type { Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** What the faults of a sheet are held to: what they show could be seen, what cures them can be done, and they can be told apart. */
export const faultRules: readonly Rule[] = [showsWhatIsBad, cureHasAnOperation, canBeToldApart, allBadIsExplained];

const faultsOf = (sheet: Sheet): readonly SheetFault[] => Object.values(sheet.faults ?? {});

/** Sides of a test on which it can fail. */
function badSidesOf(sheet: Sheet, test: string): readonly string[] {
  const { lower, upper } = limitsOf(sheet.tests[test]!.accept);
  return [...(lower ? ['low'] : []), ...(upper ? ['high'] : [])];
}

/** A fault that shows what is good, or what cannot be read, would never be found by it. */
function showsWhatIsBad(sheet: Sheet, report: Report): void {
  for (const fault of faultsOf(sheet))
    for (const [name, says] of Object.entries(fault.shows)) {
      const choice = sheet.looks[name]?.choices.find((c) => c.id === says);
      const measure = sheet.measures[name];
      const good =
        choice?.verdict === 'good' ||
        (sheet.tests[name] !== undefined && !badSidesOf(sheet, name).includes(says)) ||
        (measure !== undefined && measure.shape === 'size' && (says === 'low' ? !measure.min : !measure.max));
      if (good)
        report(
          ['faults', fault.id, 'shows', name.split('@')[0]!],
          'fault-shows-what-is-good',
          `"${fault.title}" shows "${says}" at "${titleOf(sheet, name)}", which is good there or has no such limit`,
        );
    }
}

const titleOf = (sheet: Sheet, name: string): string =>
  (sheet.tests[name] ?? sheet.looks[name] ?? sheet.settings[name] ?? sheet.measures[name])?.title ?? name;

/** What is to be renewed has a number to order, what is to be set is set, what is to be tightened is tightened. */
function cureHasAnOperation(sheet: Sheet, report: Report): void {
  const set = new Set(opsOf(sheet, 'set').map(({ op }) => op.setting));
  // Two settings that are read in each try are set together.
  for (const s of Object.values(sheet.settings)) if (set.has(s.id) && s.together !== undefined) set.add(s.together);
  const tightened = new Set(opsOf(sheet, 'tighten').map(({ op }) => op.joint));
  const can: Readonly<Record<string, (name: string) => boolean>> = {
    renew: (p) => sheet.parts[p]?.order !== undefined,
    dress: (p) => sheet.parts[p] !== undefined,
    clean: (p) => sheet.parts[p] !== undefined,
    look: (p) => sheet.parts[p] !== undefined,
    set: (s) => set.has(s),
    tighten: (j) => tightened.has(j),
    fill: (f) => sheet.fluids[f] !== undefined,
  };
  for (const fault of faultsOf(sheet))
    for (const [name, verb] of Object.entries(fault.cure))
      if (!can[verb]!(name))
        report(
          ['faults', fault.id, 'cure', name.split('@')[0]!],
          'cure-without-operation',
          verb === 'renew'
            ? `"${fault.title}" is cured by a new "${name}", which has no order number`
            : `"${fault.title}" is cured by: ${verb} "${name}", and nothing in the sheet does that`,
        );
}

/** Two faults that show the same everywhere are one, or a reading that tells them apart is missing. */
function canBeToldApart(sheet: Sheet, report: Report): void {
  const seen = new Map<string, SheetFault>();
  for (const fault of faultsOf(sheet)) {
    const key = JSON.stringify(Object.entries(fault.shows).sort());
    const before = seen.get(key);
    if (before)
      report(
        ['faults', fault.id],
        'faults-alike',
        `"${fault.title}" shows just what "${before.title}" shows: nothing tells them apart`,
      );
    else seen.set(key, fault);
  }
}

/** A test that may fail, or a look that may be bad, and no fault of the sheet shows it. */
function allBadIsExplained(sheet: Sheet, report: Report): void {
  const all = faultsOf(sheet);
  if (all.length === 0) return;
  const shown = new Set(all.flatMap((f) => Object.entries(f.shows).map(([name, says]) => `${name} ${says}`)));
  for (const test of Object.values(sheet.tests))
    for (const side of badSidesOf(sheet, test.id))
      if (!shown.has(`${test.id} ${side}`))
        report(['faults'], 'not-explained', `no fault shows "${test.title}" too ${side}`, 'warning');
  for (const look of Object.values(sheet.looks))
    for (const c of look.pattern === undefined ? look.choices : [])
      if (c.verdict === 'bad' && !shown.has(`${look.id} ${c.id}`))
        report(['faults'], 'not-explained', `no fault shows "${look.title}: ${c.title}"`, 'warning');
}
