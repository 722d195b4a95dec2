import { describe, expect, test } from '@jest/globals';
import { convert, formatQuantity } from '@jubb/core/quantities';
import { libraryNames, librarySheet } from '@jubb/core/sheet/fixtures';
import { renderToStaticMarkup } from 'react-dom/server';
import { ManualLadder } from './manual-ladder.tsx';
import { ManualTables } from './manual-tables.tsx';

const sheets = libraryNames.map(librarySheet);
const textOf = (html: string): string =>
  html
    .replace(/<[^>]*>/g, ' ')
    .replaceAll('&#x27;', "'")
    .replaceAll('&quot;', '"')
    .replace(/\s+/g, ' ');

describe.each(sheets.map((s) => [s.id, s] as const))('%s as a manual page', (_, sheet) => {
  const variant = sheet.variants[0]!.id;
  const tables = textOf(renderToStaticMarkup(<ManualTables sheet={sheet} variant={variant} documents={[]} />));

  test('every joint stands with its figure in both units, its sanity and its source', () => {
    for (const joint of Object.values(sheet.joints)) {
      expect(tables).toContain(joint.title);
      const stage = joint.stages.find((s) => s.kind === 'torque' && !s.unitAsked && s.to.unit === 'N·m');
      if (stage)
        expect(tables).toContain(formatQuantity(convert(stage.to, 'ft·lbf'), 1).replace('\u202f', ' ').split(' ')[0]!);
    }
    expect(tables.match(/% of yield, (plausible|low)|not to be judged|not in the tables/g)!.length).toBe(
      Object.keys(sheet.joints).length,
    );
    expect(tables).not.toMatch(/undefined|NaN|\[object|@/);
  });
  test('cautions that stand, methods with their reasons, tests and looks are all there', () => {
    for (const s of sheet.standing) expect(tables).toContain(s.say);
    for (const m of Object.values(sheet.methods)) for (const c of m.choices) expect(tables).toContain(c.why);
    for (const t of Object.values(sheet.tests)) expect(tables).toContain(t.title);
    for (const l of Object.values(sheet.looks)) expect(tables).toContain(l.ask);
  });
  test('its ladder names every step of this variant and none of another', () => {
    const ladder = textOf(renderToStaticMarkup(<ManualLadder sheet={sheet} variant={variant} />));
    for (const s of sheet.steps) {
      const others = s.when.some((c) => c.on === 'variant' && (c.is === variant) === c.negate);
      const shared = sheet.steps.some((o) => o !== s && o.title === s.title);
      if (!shared && s.when.every((c) => c.on === 'variant'))
        expect([s.id, ladder.includes(s.title)]).toEqual([s.id, !others]);
    }
  });
});
