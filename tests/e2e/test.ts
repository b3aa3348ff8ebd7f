import { test as base } from '@playwright/test';
import { addressOf, siteOf } from './servers';

/** Journeys run side by side, each worker with a server, a database and a course site of its own. */
export const test = base.extend<{ site: string }>({
  // A fixture names what it needs by taking it apart; this one needs nothing.
  // eslint-disable-next-line no-empty-pattern
  baseURL: async ({}, use, { parallelIndex }) => use(addressOf(parallelIndex)),
  /** The bench is open, as those who work with it leave it. */
  context: async ({ context }, use) => {
    await context.addInitScript(() => {
      if (localStorage.getItem('odd-compass-bench-open') === null)
        localStorage.setItem('odd-compass-bench-open', 'true');
    });
    await use(context);
  },
  // eslint-disable-next-line no-empty-pattern
  site: async ({}, use, { parallelIndex }) => use(siteOf(parallelIndex)),
});
export { expect, type Page } from '@playwright/test';
