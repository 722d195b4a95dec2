import type { FigureSource, Sheet } from '../types.ts';
import { opsOf, type Report, type Rule } from './rule.ts';

/** What a sheet must say so that nobody has to guess. */
export const saidRules: readonly Rule[] = [
  figuresSayWhose,
  waitsHaveATime,
  reworkIsChecked,
  variantIsKnownInTime,
  questionsAreAsked,
  looksAreMade,
  unknownCountsAreCounted,
];

function figuresSayWhose(sheet: Sheet, report: Report): void {
  const of = (map: 'joints' | 'settings' | 'measures' | 'tests' | 'fluids'): void => {
    for (const [id, entry] of Object.entries<{ readonly from?: FigureSource }>(sheet[map]))
      if (entry.from === undefined)
        report(
          [map, id],
          'whose-figure',
          `"${id}" has figures and nothing says whose they are: give it, or the sheet, a "from"`,
          'warning',
        );
  };
  (['joints', 'settings', 'measures', 'tests', 'fluids'] as const).forEach(of);
}

function waitsHaveATime(sheet: Sheet, report: Report): void {
  for (const { op, step } of opsOf(sheet, 'cure', 'soak', 'rest'))
    if (op.minutes === undefined)
      report(
        ['rungs', step.rung],
        'no-time',
        `${op.kind} of "${op.what}" at ${step.id} says no time: give it "for: 30 min"`,
      );
}

function reworkIsChecked(sheet: Sheet, report: Report): void {
  for (const { op, step } of opsOf(sheet, 'rework'))
    for (const key of ['by', 'until', 'check', 'clear'] as const)
      if (op[key] === undefined)
        report(
          ['rungs', step.rung],
          'rework-unsaid',
          `rework of "${op.what}" at ${step.id} does not say ${{ by: 'with what', until: 'how far', check: 'what is looked at after it', clear: 'what is cleared away' }[key]} ("${key}")`,
        );
}

/** A step that hangs on the variant stands after the rung that can tell it, unless a question before tells it. */
function variantIsKnownInTime(sheet: Sheet, report: Report): void {
  const variantQuestions = sheet.identify.filter((q) => q.choices.some((c) => c.variants.length > 0));
  if (variantQuestions.length === 0) {
    if (sheet.variants.length > 1)
      report(['variants'], 'variant-never-asked', 'there are variants, and no question tells which');
    return;
  }
  if (variantQuestions.some((q) => q.needs === 'nothing')) return;
  const strip = sheet.steps.filter((s) => s.side === 'strip');
  const told = strip.findIndex((s) => s.ops.some((o) => o.kind === 'identify'));
  strip.forEach((s, i) => {
    if (i <= told || told < 0)
      if (s.when.some((c) => c.on === 'variant'))
        report(
          ['rungs', s.rung],
          'variant-too-late',
          `${s.id} hangs on the variant, which is not known before ${strip[told]?.id ?? 'any step'}`,
        );
  });
}

function questionsAreAsked(sheet: Sheet, report: Report): void {
  const asked = new Set(opsOf(sheet, 'identify').map(({ op }) => op.question));
  for (const q of sheet.identify)
    if (q.needs !== 'nothing' && !asked.has(q.id))
      report(
        ['identify'],
        'never-asked',
        `"${q.ask}" needs ${q.needs === 'cover' ? 'a cover off' : 'the unit stripped'}, and no rung asks it`,
      );
}

function looksAreMade(sheet: Sheet, report: Report): void {
  const made = new Set(opsOf(sheet, 'look').map(({ op }) => op.look));
  for (const look of Object.values(sheet.looks))
    if (!made.has(look.id)) report(['looks', look.id], 'never-looked', `"${look.title}" is never looked at`, 'warning');
}

/** A part whose count nobody knows is counted again before it goes back. */
function unknownCountsAreCounted(sheet: Sheet, report: Report): void {
  const counted = new Set(opsOf(sheet, 'count').map(({ op }) => op.part));
  for (const part of Object.values(sheet.parts))
    if (!part.countKnown && !counted.has(part.id))
      report(
        ['parts', part.id],
        'never-counted',
        `nobody knows how many "${part.title}" there are: a build step must count them`,
      );
}
