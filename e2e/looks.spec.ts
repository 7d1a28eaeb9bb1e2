import AxeBuilder from '@axe-core/playwright';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import { beginAt, beginAtDrives, go, openDemo, openTab, painted, tab } from './bench.ts';

/** By night the page is the same but for its colours. */
const RULES = {
  day: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'] },
  night: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] },
} as const;

async function nothingSerious(page: Page, theme: keyof typeof RULES): Promise<void> {
  const { type, values } = RULES[theme];
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode() // there are no frames
    .options({ runOnly: { type, values: [...values] }, resultTypes: ['violations'] })
    .analyze();
  const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}

/** What is cut off: a page wider than its window, and whatever runs out of the bar over its column. */
const runsOut = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => [
    ...(document.documentElement.scrollWidth > window.innerWidth + 1 ? ['the page'] : []),
    ...[...document.querySelectorAll('header.sub')].flatMap((bar) => {
      const { right } = bar.getBoundingClientRect();
      return [...bar.querySelectorAll('h2, h3, button, .q')]
        .filter((e) => e.getBoundingClientRect().width > 1 && e.getBoundingClientRect().right > right + 1)
        .map((e) => `${e.textContent} in ${bar.textContent}`);
    }),
  ]);

/** By day whole, by night its colours, and nothing cut off; the page is left as it was. */
async function nothingSeriousBy(page: Page): Promise<void> {
  await nothingSerious(page, 'day');
  expect(await runsOut(page)).toEqual([]);
  const rail = page.getByRole('navigation', { name: 'Stations' });
  await rail.getByRole('button', { name: 'Night', exact: true }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  // heads of tables fade into their new colours
  await page.waitForFunction(() => !document.getAnimations().some((a) => a instanceof CSSTransition));
  await nothingSerious(page, 'night');
  await rail.getByRole('button', { name: 'Day', exact: true }).click();
}

/** Those whose colours by night are looked at each time; the others in the nightly round. */
const BY_NIGHT: readonly string[] = ['Train', 'Check'];
const STATIONS = ['Job', 'Shelf', 'Train', 'Find', 'Check', 'Make', 'Run', 'Log'] as const;

emptyTest(
  'axe finds nothing serious by day: every station, the bench, the keys; by night the bench and two of them',
  async ({ page }) => {
    test.setTimeout(240_000);
    await page.goto('/');
    await nothingSerious(page, 'day');
    await openDemo(page);
    await nothingSerious(page, 'day');
    await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
    for (const station of STATIONS) {
      await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
      await expect(page.locator('main h2').first()).toHaveText(station);
      if (station === 'Check') {
        await page.locator('.figures .figure').first().click();
        await expect(page.locator('.chart canvas').first()).toBeVisible();
      }
      if (BY_NIGHT.includes(station)) await nothingSeriousBy(page);
      else {
        await nothingSerious(page, 'day');
        expect(await runsOut(page)).toEqual([]);
      }
    }
    await go(page, 'Run');
    await page.getByRole('button', { name: 'Start at gap 1' }).click();
    await expect(page.locator('.huge')).toBeVisible();
    await nothingSeriousBy(page);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    await nothingSerious(page, 'day');
  },
);

test(
  'axe finds nothing serious, by day and by night: what is checked, trees, sessions',
  { tag: '@nightly' },
  async ({ page }) => {
    test.setTimeout(240_000);
    for (const [drive, tabs] of [
      ['Night meadow', ['Rate', 'Camera', 'Arm', 'Speed', 'Errors', 'Picture']],
      ['Stone turntable', ['Force', 'Picture']],
      ['Garden film', ['Sweep']],
      ['Sundial plate', ['Plates']],
    ] as const) {
      await beginAt(page, drive, 'Check');
      for (const name of tabs) {
        await openTab(page, name);
        await expect(tab(page, name)).toHaveAttribute('aria-selected', 'true');
        await painted(page);
        await nothingSeriousBy(page);
      }
    }
    await beginAt(page, 'Orrery wheel cutter', 'Make');
    for (const name of ['Drawings', 'Belts', 'Fits, parts', 'Build', 'Faults']) {
      await tab(page, name).click();
      await expect(tab(page, name)).toHaveAttribute('aria-selected', 'true');
      await painted(page);
      await nothingSeriousBy(page);
    }
    await beginAt(page, 'Walnut orrery', 'Train');
    await nothingSeriousBy(page);
    await page.getByRole('button', { name: 'Arbor plan' }).click();
    await page.getByRole('button', { name: /^Arbor 5, / }).click();
    await nothingSeriousBy(page);
    await go(page, 'Job');
    await nothingSerious(page, 'day');
    await go(page, 'Check');
    await nothingSerious(page, 'day');
    await go(page, 'Find');
    await page.getByRole('button', { name: 'Two branches' }).click();
    await nothingSeriousBy(page);
    await beginAt(page, 'Sundial hour ring', 'Find');
    await page.getByRole('button', { name: 'Whole drives' }).click();
    // what is still being judged changes under the reader
    await expect(page.getByText(/Proven within this pool/)).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('region', { name: 'Differs in one thing' })).toBeVisible();
    await nothingSeriousBy(page);
    await page.goto('/');
    await page.getByRole('button', { name: 'New drive', exact: true }).click();
    for (const aim of ['Divide a turn', 'Follow the sky', 'Only a ratio']) {
      await page.getByRole('button', { name: aim }).click();
      await nothingSeriousBy(page);
    }
    for (const [drive, key] of [
      ['Garden film', 'To the first frame'],
      ['Night meadow', 'To the checklist'],
    ] as const) {
      await beginAt(page, drive, 'Run');
      const frames = page.getByRole('group', { name: 'What is run' }).getByRole('button', { name: 'Frames' });
      if (drive === 'Garden film') await frames.click();
      await nothingSeriousBy(page);
      await page.getByRole('button', { name: key }).click();
      await expect(page.locator('.huge')).toBeVisible();
      await nothingSeriousBy(page);
    }
  },
);

test('nothing runs out of a window of 1024 by 700', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  await beginAtDrives(page);
  expect(await runsOut(page)).toEqual([]);
  for (const drive of ['Night meadow', 'Garden film', 'Sundial plate']) {
    await beginAt(page, drive, 'Check');
    await painted(page);
    expect(await runsOut(page)).toEqual([]);
    await go(page, 'Job');
    expect(await runsOut(page)).toEqual([]);
  }
  await beginAt(page, 'Walnut orrery', 'Train');
  expect(await runsOut(page)).toEqual([]);
  await page.getByRole('button', { name: 'Arbor plan' }).click();
  await page.getByRole('button', { name: /^Arbor 5, / }).waitFor();
  expect(await runsOut(page)).toEqual([]);
  for (const station of ['Job', 'Check'] as const) {
    await go(page, station);
    expect(await runsOut(page)).toEqual([]);
  }
  await page.goto('/');
  await page.getByRole('button', { name: 'New drive', exact: true }).click();
  for (const aim of ['Divide a turn', 'Follow the sky', 'Move a camera', 'Turn a table', 'A movement']) {
    await page.getByRole('button', { name: aim }).click();
    expect([aim, await runsOut(page)]).toEqual([aim, []]);
  }
  await page.goto('/');
  await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
  for (const station of ['Job', 'Shelf', 'Train', 'Find', 'Check', 'Make', 'Run', 'Log'] as const) {
    await go(page, station);
    expect(await runsOut(page)).toEqual([]);
  }
});

test('the keys of Make stay in their bar, however many a tab has', { tag: '@nightly' }, async ({ page }) => {
  for (const [width, height] of [
    [1024, 700],
    [1280, 800],
  ] as const) {
    await page.setViewportSize({ width, height });
    await beginAt(page, 'Sundial plate', 'Make');
    for (const name of ['Drawings', 'Belts', 'Fits, parts', 'Build', 'Faults', 'Wheels']) {
      await tab(page, name).click();
      await expect(tab(page, name)).toHaveAttribute('aria-selected', 'true');
      await painted(page);
      expect([width, name, await runsOut(page)]).toEqual([width, name, []]);
    }
  }
  await page.setViewportSize({ width: 1024, height: 700 });
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  await expect(page.getByText('Print the sheet')).toBeVisible();
});

test('Run on a phone: large target, large keys, the rail behind a menu', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await beginAtDrives(page);
  await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
  // the list has the same key, and going to a drive shuts its menu
  await expect(page.locator('main h2').first()).toHaveText('Job');
  await page.getByRole('button', { name: 'Stations' }).click();
  await go(page, 'Run');
  await page.getByRole('button', { name: '73', exact: true }).click();
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  const size = await page.locator('.huge').evaluate((e) => parseFloat(getComputedStyle(e).fontSize));
  expect(size).toBeGreaterThanOrEqual(96);
  for (const name of ['Cut, go on', 'Pause']) {
    const box = await page.getByRole('button', { name }).boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(64);
    expect((box?.y ?? 900) + (box?.height ?? 0)).toBeLessThanOrEqual(844);
  }
  await page.getByRole('button', { name: 'Cut, go on' }).click();
  await expect(page.locator('.what')).toContainText('Gap 2 of 73');
  expect(await runsOut(page)).toEqual([]);
  const [first] = await page.locator('.verdict .cell:visible .label').allInnerTexts();
  await page.getByRole('button', { name: 'The next two of the verdict' }).click();
  expect(await page.locator('.verdict .cell:visible .label').first().innerText()).not.toBe(first);
});
