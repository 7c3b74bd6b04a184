import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What of a page somebody with a screen reader, or poor sight, would stumble over.
 * @param only one rule of the checker; left out, all of them
 */
export async function violations(page: Page, only?: string): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE);
  return page.evaluate(async (rule: string | undefined) => {
    const { axe } = globalThis as unknown as {
      axe: {
        run(
          options: object,
        ): Promise<{ violations: { id: string; nodes: { html: string; failureSummary?: string }[] }[] }>;
      };
    };
    const result = await axe.run({
      resultTypes: ['violations'],
      ...(rule === undefined ? {} : { runOnly: [rule] }),
    });
    return result.violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .slice(0, 3)
          .map((n) => `${n.html.slice(0, 160)} ${n.failureSummary ?? ''}`)
          .join(' | ')}`,
    );
  }, only);
}
