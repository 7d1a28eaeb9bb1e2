import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type BrowserContext, chromium, expect, type Page, test } from './quiet.ts';
import { CHROMIUM } from '../playwright.config.ts';
import { field, openDemo, openDrive } from './bench.ts';

/** How many kills: a few with every test run, many with `npm run kills`. */
const KILLS = Number(process.env['PENDRIX_KILLS'] ?? 3);

const launch = (profile: string): Promise<BrowserContext> =>
  chromium.launchPersistentContext(profile, {
    ...CHROMIUM,
    viewport: { width: 1280, height: 800 },
    baseURL: 'http://127.0.0.1:4180',
    serviceWorkers: 'block',
    locale: 'en-GB',
  });

/** A number that repeats: the moments of a failed run can be had again. */
function moments(seed: number): () => number {
  let s = seed;
  return () => (s = (s * 16_807) % 2_147_483_647) / 2_147_483_647;
}

/** Does the page say that everything is on the disk? */
const isSaved = (page: Page): Promise<boolean> =>
  page.evaluate(() => {
    const said = document.querySelector('.title')?.textContent ?? '';
    return said.includes('saved') && !said.includes('saving') && !said.includes('not saved');
  });

/** What was done before the kill: the last value, and the last that the page said was saved. */
interface Done {
  typed: number;
  saved: number;
}

/** Kills the page as a crash does, in the middle of whatever it does. */
async function crash(context: BrowserContext, page: Page): Promise<void> {
  const session = await context.newCDPSession(page);
  void session.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash', { timeout: 5000 }).catch(() => undefined);
  await page.close().catch(() => undefined);
}

test(
  `${KILLS} kills at random moments lose nothing that was said to be saved`,
  { tag: '@nightly' },
  async () => {
    test.setTimeout(60_000 + KILLS * 12_000);
    const random = moments(20_261_127);
    const profile = mkdtempSync(path.join(tmpdir(), 'pendrix-kills-'));
    let context = await launch(profile);
    await context.addInitScript(() => localStorage.setItem('pendrix.begun', 'yes'));
    let page = context.pages()[0] ?? (await context.newPage());
    await openDemo(page);
    await openDrive(page, 'Orrery wheel cutter', 'Job');
    const job = page.url();
    const run = job.replace(/\/job.*/, '/run');
    await page.goto(run);
    await field(page, 'Divisions').fill('5000');
    await page.getByRole('button', { name: 'Start at gap 1' }).click();
    await expect(page.locator('.what')).toContainText('Gap 1 of 5');
    const bench = page.url();

    const divisions = { typed: 100, saved: 0 };
    const own = { typed: 1, saved: 0 };
    let gap = 1;

    /** Types ever greater numbers until the moment comes. */
    async function typeUntil(done: Done, write: (n: number) => Promise<void>, until: number): Promise<void> {
      while (Date.now() < until) {
        await write(done.typed + 1);
        done.typed++;
        if (await isSaved(page)) done.saved = done.typed;
      }
    }
    const list = () => field(page, 'Divisions of one turn');
    const cellAt = () => page.locator('[data-row="wheel-1-97"] [data-column="4"]');

    for (let i = 0; i < KILLS; i++) {
      const kind = i % 3;
      const until = Date.now() + 20 + random() * 500;
      if (kind === 0) {
        await page.goto(job);
        await expect(list()).toBeVisible();
        await typeUntil(
          divisions,
          (n) => list().fill(String(n)),
          Math.max(until, Date.now() + 20 + random() * 300),
        );
      } else if (kind === 1) {
        await page.goto('/shelf');
        await expect(cellAt()).toBeVisible();
        await typeUntil(
          own,
          async (n) => {
            await cellAt().click();
            await page.keyboard.press('F2');
            await page.keyboard.type(String(n));
            await page.keyboard.press('Enter');
          },
          Date.now() + 100 + random() * 400,
        );
      } else {
        await page.goto(bench);
        await expect(page.locator('.what')).toContainText(/Gap \d/);
        const end = Date.now() + 20 + random() * 500;
        while (Date.now() < end) {
          await page.keyboard.press('Space');
          const said = await page.locator('.what b').first().innerText();
          gap = Math.max(gap, Number(/\d+/.exec(said.replaceAll(/\s/g, ''))?.[0] ?? 0));
        }
      }
      // one kill in ten is of the whole browser, as when the power goes
      if (i % 10 === 9) {
        const session = await context.newCDPSession(page);
        await session.send('Browser.crash' as never).catch(() => undefined);
        await context.close().catch(() => undefined);
        context = await launch(profile);
        page = context.pages()[0] ?? (await context.newPage());
      } else {
        await crash(context, page);
        page = await context.newPage();
      }
      await page.goto(job);
      await expect(list()).toBeVisible();
      const there = Number(await list().inputValue());
      if (divisions.saved > 0) {
        expect([i, there]).toEqual([i, Math.max(there, divisions.saved)]);
        expect(there).toBeLessThanOrEqual(divisions.typed + 1);
      }
      divisions.typed = Math.max(divisions.typed, Number.isFinite(there) ? there : 0);
      await page.goto('/shelf');
      const owned = Number(await cellAt().innerText());
      expect([i, owned]).toEqual([i, Math.max(owned, own.saved)]);
      own.typed = Math.max(own.typed, owned);
      await page.goto(bench);
      await expect(page.locator('.what')).toContainText(/Gap \d/);
      const stands = Number(
        /\d+/.exec((await page.locator('.what b').first().innerText()).replaceAll(/\s/g, ''))?.[0],
      );
      expect([i, stands]).toEqual([i, Math.max(stands, gap)]);
      gap = stands;
      // undo still works: one step back and forth
      if (kind === 0 && divisions.saved > 0) {
        await page.goto(job);
        await page.getByRole('button', { name: /^Undo divisions/ }).click();
        await expect(list()).not.toHaveValue(String(there));
        await page.getByRole('button', { name: /^Redo divisions/ }).click();
        await expect(list()).toHaveValue(String(there));
        await expect.poll(() => isSaved(page)).toBe(true);
      }
    }
    await context.close();
  },
);
