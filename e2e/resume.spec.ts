import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type BrowserContext, chromium, expect, test } from './quiet.ts';
import { CHROMIUM } from '../playwright.config.ts';
import { beginAt, field, go, openDemo, openDrive, typeInto } from './bench.ts';

const launch = (profile: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 1280, height: 800 },
    baseURL: 'http://127.0.0.1:4180',
    serviceWorkers: 'block',
  });

test('killed at gap 31 of 95 and reopened, it stands at gap 31', async () => {
  const profile = mkdtempSync(path.join(tmpdir(), 'pendrix-profile-'));
  const first = await launch(profile);
  const page = first.pages()[0] ?? (await first.newPage());
  await first.addInitScript(() => localStorage.setItem('pendrix.begun', 'yes'));
  await openDemo(page);
  await openDrive(page, 'Orrery wheel cutter', 'Run');
  await page.getByRole('button', { name: '95', exact: true }).click();
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of 95');
  for (let i = 2; i <= 31; i++) {
    await page.keyboard.press('Space');
    await expect(page.locator('.what')).toContainText(`Gap ${i} of 95`);
  }
  // The gap is shown, so it is on the disk: the power goes at this very moment.
  const address = page.url();
  const session = await first.newCDPSession(page);
  await session.send('Browser.crash' as never).catch(() => undefined);
  await first.close().catch(() => undefined);

  const second = await launch(profile);
  const again = second.pages()[0] ?? (await second.newPage());
  await again.goto(address);
  await expect(again.locator('.what')).toContainText('Gap 31 of 95');
  await expect(again.locator('.what')).toContainText('go to 345600');
  await expect(again.getByText('check the mark before you go on')).toBeVisible();
  await second.close();
});

test('a run keeps its own numbers when the train is changed, and can be ended and taken up again', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Run');
  await page.getByRole('button', { name: '73', exact: true }).click();
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await page.getByRole('button', { name: 'Cut, go on' }).click();
  await expect(page.locator('.what')).toContainText('go to 14992');
  await go(page, 'Train');
  await typeInto(field(page, 'Wheel'), '100');
  await go(page, 'Run');
  await expect(page.getByText('the run keeps the numbers it began with')).toBeVisible();
  await expect(page.locator('.what')).toContainText('go to 14992');
  await page.getByRole('button', { name: 'Sheet' }).click();
  await expect(page.getByRole('table', { name: 'Sheet of targets' })).toContainText('29984');
  await page.getByRole('button', { name: 'Back to gap 2' }).click();
  await page.getByRole('button', { name: 'End run' }).click();
  await expect(page.getByRole('button', { name: 'Start at gap 1' })).toBeVisible();
  // it stays in the list with its place, over a reload too
  await page.reload();
  await page.getByRole('button', { name: /^Take up: 73 divisions/ }).click();
  await expect(page.locator('.what')).toContainText('Gap 2 of 73');
});

test('a held or doubled key cuts one gap at a time, and a wheel ends after its last gap', async ({
  page,
}) => {
  await beginAt(page, 'Specimen table', 'Run');
  await typeInto(field(page, 'Divisions'), '4');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of 4');
  await page.locator('.huge').click();
  await page.keyboard.down('Space');
  await page.keyboard.down('Space');
  await page.keyboard.down('Space');
  await page.keyboard.up('Space');
  await expect(page.locator('.what')).toContainText('Gap 2 of 4');
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Done of 4');
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Done of 4');
  await page.keyboard.press('Backspace');
  await expect(page.locator('.what')).toContainText('Gap 4 of 4');
});
