import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';

const axe = readFileSync('node_modules/axe-core/axe.min.js', 'utf8');

/** Notes come half a second after the typing pauses; the checker wants a page that stands still. */
const QUIET = 1000;

/** What an accessibility checker finds on the page. */
export async function accessibility(page: Page): Promise<string[]> {
  for (let tries = 1; ; tries++) {
    await page.waitForTimeout(QUIET);
    try {
      return await check(page);
    } catch (error) {
      // What it was looking at was taken off the page meanwhile.
      if (tries === 4) throw error;
    }
  }
}

const check = (page: Page): Promise<string[]> =>
  page.evaluate(async (source) => {
    // The page allows no scripts from elsewhere; this one comes from the test.
    (0, eval)(source);
    const { violations } = await (
      globalThis as unknown as {
        axe: { run: () => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> };
      }
    ).axe.run();
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
  }, axe);
