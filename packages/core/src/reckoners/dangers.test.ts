import { describe, expect, test } from '@jest/globals';
import { reckoners, type Danger, type Reckoner } from './index.ts';

/** The first check's inputs with some laid over; null takes one out. */
function withThese(r: Reckoner, changes: Danger['fires']): Record<string, unknown> {
  return Object.fromEntries(Object.entries({ ...r.checks[0].inputs, ...changes }).filter(([, v]) => v !== null));
}

describe('what could hurt someone if an answer were believed wrongly', () => {
  test('every reckoner says at least one such thing, each in a sentence of its own', () => {
    for (const r of reckoners) {
      const harms = Object.values(r.dangers).map((d) => d.harm);
      expect({ id: r.id, dangers: harms.length > 0 }).toEqual({ id: r.id, dangers: true });
      for (const harm of harms) expect(harm).toMatch(/^[A-Z].{20,}[.]$/);
      expect(new Set(harms).size).toBe(harms.length);
    }
  });
  const all = reckoners.flatMap((r) => Object.entries(r.dangers).map(([id, danger]) => [r.id, id, r, danger] as const));
  test.each(all)('%s warns of %s at its threshold, and not just below', (_, id, r, danger) => {
    const at = withThese(r, danger.fires);
    expect(r.warnsOf(at)).toContain(id);
    expect(r.reckon(at).warnings.length).toBeGreaterThan(0);
    if (danger.silent) expect(r.warnsOf(withThese(r, danger.silent))).not.toContain(id);
  });
  test('a warning with no threshold stands with every answer of its reckoner', () => {
    for (const r of reckoners)
      for (const [id, danger] of Object.entries(r.dangers))
        if (!danger.silent)
          for (const c of r.checks)
            expect({ id: r.id, warnsOf: r.warnsOf(c.inputs) }).toEqual({
              id: r.id,
              warnsOf: expect.arrayContaining([id]),
            });
  });
});
