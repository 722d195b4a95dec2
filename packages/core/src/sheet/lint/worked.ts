import { sealMaterial } from '../../reckoners/index.ts';
import type { Condition, Sheet } from '../types.ts';
import { simulate } from '../unit-state/index.ts';
import { ofVariant } from '../variants.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** What a sheet of the second form is held to: that it can be worked as it is written, and that what it says has an effect. */
export const workedRules: readonly Rule[] = [
  ladderCanBeWorked,
  choicesHaveAnEffect,
  variantsHaveAnEffect,
  fluidsAreFilled,
  remediesHaveOperations,
  ringsBearTheirFluids,
];

/** Works every ladder through, and names the operation that cannot be done with what is in its way. */
function ladderCanBeWorked(sheet: Sheet, report: Report): void {
  for (const f of simulate(sheet)) report(['op', f.op.id], f.code, f.says);
}

const conditionsOf = (sheet: Sheet): readonly Condition[] =>
  sheet.steps.flatMap((s) => [...s.when, ...s.ops.flatMap((o) => o.when)]);

function choicesHaveAnEffect(sheet: Sheet, report: Report): void {
  const hung = new Set(conditionsOf(sheet).flatMap((c) => (c.on === 'method' ? [c.subject] : [])));
  const settle = new Set(Object.values(sheet.settings).flatMap((s) => (s.by === undefined ? [] : [s.by])));
  for (const { op } of opsOf(sheet, 'choose'))
    if (!hung.has(op.method) && !settle.has(op.method))
      report(
        ['op', op.id],
        'choice-without-effect',
        `nothing hangs on "${sheet.methods[op.method]?.ask}": whatever is answered, the work is the same`,
      );
}

function variantsHaveAnEffect(sheet: Sheet, report: Report): void {
  if (sheet.variants.length < 2) return;
  const hung = new Set(conditionsOf(sheet).flatMap((c) => (c.on === 'variant' ? [c.is] : [])));
  if (hung.size === 0 && sheet.byVariant === undefined)
    report(
      ['variants'],
      'variant-without-effect',
      'the unit comes in variants, and nothing in the sheet differs between them',
    );
}

function fluidsAreFilled(sheet: Sheet, report: Report): void {
  const used = new Set([
    ...opsOf(sheet, 'fill').map(({ op }) => op.what),
    ...opsOf(sheet, 'lubricate', 'seal', 'threadlock', 'clean', 'press').flatMap(({ op }) =>
      [op.what, op.with].filter((w) => w !== undefined),
    ),
    ...opsOf(sheet, 'bleed').map(({ op }) => op.what),
  ]);
  for (const fluid of Object.values(sheet.fluids))
    if (!used.has(fluid.id))
      report(
        ['fluids', fluid.id],
        'fluid-never-filled',
        `"${fluid.title}" is named and never filled: the unit leaves dry`,
      );
}

/** Remedies that a measure offers, and what must be there for each. */
function remediesHaveOperations(sheet: Sheet, report: Report): void {
  const words = (what: RegExp): boolean =>
    Object.values(sheet.parts).some((p) => what.test(p.id)) ||
    sheet.steps.some((s) => what.test(s.rung)) ||
    Object.values(sheet.methods).some((m) => m.choices.some((c) => what.test(c.id)));
  const has: Readonly<Record<string, (of: string) => boolean>> = {
    // Another sleeve of the unit is none: it must go on the worn part.
    sleeve: (of) => Object.values(sheet.parts).some((p) => p.replaces === of),
    dress: () => opsOf(sheet, 'rework').length > 0 || words(/dress/),
    deeper: () => words(/deeper|depth/),
  };
  for (const measure of Object.values(sheet.measures))
    for (const offer of measure.outsideOffers)
      if (has[offer] && !has[offer](measure.part))
        report(
          ['measures', measure.id, 'outside'],
          'remedy-without-operation',
          `"${measure.title}" offers "${offer}", and no part, rung or method does it`,
        );
}

/** A ring or lip in a space against what the space holds, where the fluid says what it is. */
function ringsBearTheirFluids(whole: Sheet, report: Report): void {
  for (const v of [undefined, ...whole.variants.map((w) => w.id)]) ringsIn(ofVariant(whole, v), report);
}
function ringsIn(sheet: Sheet, report: Report): void {
  for (const part of Object.values(sheet.parts)) {
    const material = part.ring?.material ?? part.lip?.material;
    const space = part.sits?.in === undefined ? undefined : sheet.spaces[part.sits.in];
    const kind = space?.holds === undefined ? undefined : sheet.fluids[space.holds]?.kind;
    if (material === undefined || kind === undefined) continue;
    const { unsuited } = sealMaterial.reckon({
      fluid: kind,
      temperatureMin: '0 °C',
      temperatureMax: '60 °C',
      motion: 'static',
    }).results;
    const why = unsuited.find((u) => u.material === material);
    if (why)
      report(
        ['parts', part.id],
        'ring-against-its-fluid',
        `"${part.title}" is of ${material}: ${why.reason} (${kind.replace(/-/g, ' ')})`,
      );
  }
}
