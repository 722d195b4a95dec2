import { expect } from '@jest/globals';
import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** What axe finds wrong on the page as it stands, a line each. */
export async function axeViolations(page: Page): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async () => {
    const result = await (
      window as unknown as { axe: { run(): Promise<{ violations: { id: string; nodes: { target: unknown }[] }[] }> } }
    ).axe.run();
    return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => String(n.target)).join(', ')}`);
  });
}

/** Nothing that axe finds wrong on the page as it stands. */
export async function axeClean(page: Page): Promise<void> {
  expect(await axeViolations(page)).toEqual([]);
}
