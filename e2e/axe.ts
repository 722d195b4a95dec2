import { expect } from '@jest/globals';
import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** Nothing that axe finds wrong on the page as it stands. */
export async function axeClean(page: Page): Promise<void> {
  await page.evaluate(axe.source);
  const violations = await page.evaluate(async () => {
    const result = await (
      window as unknown as { axe: { run(): Promise<{ violations: { id: string; nodes: { target: unknown }[] }[] }> } }
    ).axe.run();
    return result.violations.map((v) => `${v.id}: ${v.nodes.map((n) => String(n.target)).join(', ')}`);
  });
  expect(violations).toEqual([]);
}
