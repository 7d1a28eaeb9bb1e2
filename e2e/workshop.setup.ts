import { expect, test } from './quiet.ts';
import { WORKSHOP } from '../playwright.config.ts';
import { openDemo } from './bench.ts';

test('the demo workshop is opened once, and kept for the journeys that begin in it', async ({
  page,
  context,
}) => {
  await openDemo(page);
  await expect(page.locator('.title')).toContainText('saved');
  await context.storageState({ path: WORKSHOP, indexedDB: true });
});
