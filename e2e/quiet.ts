import { expect, test as plain } from '@playwright/test';
import { EMPTY } from '../playwright.config.ts';

export { chromium, expect } from '@playwright/test';
export type { BrowserContext, Locator, Page } from '@playwright/test';

/** The browser that drives the journeys says this of itself. */
const OF_THE_DRIVER = /Service Worker registration blocked by Playwright/;

/** A journey that begins with the demo workshop in place, and in which the page says nothing in its console: no warning, no error. `mayWarn` names what a journey provokes. */
export const test = plain.extend<{ mayWarn: readonly RegExp[]; quiet: undefined }>({
  mayWarn: [[], { option: true }],
  quiet: [
    async ({ context, mayWarn }, use) => {
      const heard: string[] = [];
      context.on('console', (m) => {
        if (['warning', 'error'].includes(m.type())) heard.push(m.text());
      });
      context.on('weberror', (e) => heard.push(String(e.error())));
      await use(undefined);
      const unasked = heard.filter((text) => ![OF_THE_DRIVER, ...mayWarn].some((known) => known.test(text)));
      expect(unasked, 'said in the console').toEqual([]);
    },
    { auto: true },
  ],
});

/** The same from a browser that has nothing yet. */
export const emptyTest = test.extend({ storageState: EMPTY });
