import { expect } from '@jest/globals';
import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/**
 * What axe finds wrong on the page as it stands, a line each.
 * @param rules only these; a theme changes nothing but contrast
 */
export async function axeViolations(page: Page, rules?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async (only: readonly string[] | undefined) => {
    const result = await (
      window as unknown as {
        axe: { run(options: object): Promise<{ violations: { id: string; nodes: { target: unknown }[] }[] }> };
      }
    ).axe.run(only ? { runOnly: [...only] } : {});
    return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => String(n.target)).join(', ')}`);
  }, rules);
}

/** Nothing that axe finds wrong on the page as it stands. */
export async function axeClean(page: Page): Promise<void> {
  expect(await axeViolations(page)).toEqual([]);
}
