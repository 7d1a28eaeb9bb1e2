import { expect, type Page, test } from './quiet.ts';
import { beginAt, beginAtDrives, cell, choose, field, go, saved, typeInto } from './bench.ts';

const rows = (page: Page) => page.locator('tr[data-key]');
const certificate = (page: Page) => page.locator('.certificate');

async function openFind(page: Page, divisions: string): Promise<void> {
  await beginAt(page, 'Orrery wheel cutter', 'Find');
  await typeInto(field(page, 'Divide by'), divisions);
}

test('from the demo shelf a train for 73 and 97, opened, used and undone', async ({ page }) => {
  await openFind(page, '73, 97');
  await page.getByText('Shelf', { exact: true }).last().click();
  const best = rows(page).first();
  await expect(best).toContainText('16:97 · 16:73');
  await expect(best).toContainText('Even at 1/32');
  await expect(best).toContainText('4 of 4');
  await expect(certificate(page)).toContainText(
    'From your shelf no 1, 2 or 3 stages come out even for 73 and 97',
  );
  // it begins with the kinds that lie on the shelf
  await expect(page.getByRole('checkbox', { name: 'Worms' })).toBeChecked();
  await best.click();
  const opened = page.getByRole('region', { name: 'Opened train' });
  await expect(opened.getByRole('heading', { name: 'Opened, 202 teeth' })).toBeVisible();
  await expect(opened.getByRole('row', { name: /divide by 73/ })).toContainText('Even at 1/32');
  await opened.getByRole('button', { name: 'Working' }).click();
  await expect(opened.locator('.working')).toContainText('exact');
  // nothing has changed yet
  await expect(cell(page, 'steps')).toContainText('1094400');
  await opened.getByRole('button', { name: 'Use it' }).click();
  await expect(cell(page, 'steps')).toContainText('177025');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(cell(page, 'steps')).toContainText('1094400');
});

test('a row is tried in a copy; the drive itself stays', async ({ page }) => {
  await openFind(page, '73, 97');
  await expect(rows(page).first()).toContainText('16:97 · 16:73');
  await rows(page).nth(1).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Try in a copy' }).click();
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await expect(page.locator('.title h1')).toHaveText('Orrery wheel cutter copy');
  await expect(cell(page, 'steps')).toContainText('35405');
});

test('a search of four stages is stopped half way: its rows stay, marked provisional, and it can go on', async ({
  page,
}) => {
  await openFind(page, '60');
  await page.getByRole('group', { name: 'Max stages' }).getByRole('button', { name: '4' }).click();
  await expect(page.locator('.searching')).toContainText('Four ', { timeout: 40_000 });
  await expect(rows(page).first()).toBeVisible();
  await page.getByRole('button', { name: 'Stop and keep' }).click();
  await expect(page.locator('.searching')).toHaveCount(0);
  await expect(page.locator('.list .head', { hasText: '4 pairs' })).toContainText('provisional');
  await expect(page.locator('.list .head', { hasText: '3 pairs' })).toContainText('proven');
  expect(await rows(page).count()).toBeGreaterThan(2);
  await expect(certificate(page)).toContainText('what stands there is provisional');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.searching')).toContainText('pairs');
  await page.getByRole('button', { name: 'Stop and keep' }).click();
});

test('when nothing comes out even the reason is said, with what misses least', async ({ page }) => {
  await openFind(page, '61, 67, 71, 79');
  await expect(certificate(page)).toContainText(
    '61, 67, 71 and 79 each need a driven wheel of their own: four pairs at least.',
  );
  await expect(page.locator('.list .head', { hasText: 'Fewest left out' })).toBeVisible();
  await expect(rows(page).first()).toContainText('Leaves out');
});

test(
  'a ratio and a rate are searched for, and what cannot be read is said under its field',
  { tag: '@nightly' },
  async ({ page }) => {
    await openFind(page, '73');
    await page.getByRole('group', { name: 'Question' }).getByRole('button', { name: 'Ratio' }).click();
    await typeInto(field(page, 'Ratio').first(), '365.24219');
    await page.getByText(/^All \d/).click();
    await expect(rows(page).first()).toContainText('15:99 · 13:97 · 12:89');
    await expect(rows(page).first()).toContainText('+0.32 ppm');
    await page.getByRole('group', { name: 'Question' }).getByRole('button', { name: 'Rate' }).click();
    await typeInto(field(page, 'Steps'), '1000-');
    await typeInto(field(page, 'Timer'), '2000000');
    await typeInto(field(page, 'Counter'), '32');
    await expect(rows(page).first()).toContainText('Exact');
    await expect(certificate(page)).toContainText('57 442 727'.replaceAll(' ', '\u2009'));
    await typeInto(field(page, 'Wheels'), '127-12');
    await expect(page.getByText('127-12 runs backwards')).toBeVisible();
    await page.keyboard.press('Tab');
    await expect(rows(page).first()).toContainText('Exact');
    for (const odd of ['', '-5', 'many', '99999999999999999999', '1e9'])
      await typeInto(field(page, 'Motor'), odd);
    await expect(page.locator('main h2').first()).toHaveText('Find');
  },
);

test('what was searched for is kept with the drive, and every bend of it can be undone', async ({ page }) => {
  await openFind(page, '73, 97');
  await page.getByRole('checkbox', { name: 'Worms' }).check();
  await typeInto(field(page, 'Max ratio of a pair'), '8');
  await saved(page);
  await page.reload();
  await expect(field(page, 'Divide by')).toHaveValue('73, 97');
  await expect(page.getByRole('checkbox', { name: 'Worms' })).toBeChecked();
  await expect(field(page, 'Max ratio of a pair')).toHaveValue('8');
  await typeInto(field(page, 'Max ratio of a pair'), '');
  await page.getByRole('button', { name: /^Undo find/ }).click();
  await expect(field(page, 'Max ratio of a pair')).toHaveValue('8');
});

test('other trains of a ratio are shown when asked, the list is saved as CSV, and put in another order', async ({
  page,
}) => {
  await openFind(page, '73, 97');
  await expect(rows(page).first()).toBeVisible();
  await choose(page.getByLabel('Sort by'), 'Coarsest mode');
  await expect(
    page.locator('.list tbody', { hasText: '2 pairs' }).locator('tr[data-key]').first(),
  ).toContainText('Even at 1/4');
  await page.getByText(/^All \d/).click();
  await page.locator('tr[data-key]', { hasText: 'Even at 1/8' }).last().click();
  await page.getByRole('button', { name: 'Show them' }).click();
  await expect(page.locator('.others li').first()).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  expect((await download).suggestedFilename()).toBe('trains.csv');
});

test('by keyboard alone: from the list of drives to a train in use', async ({ page }) => {
  await beginAtDrives(page);
  await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('main h2').first()).toHaveText('Job');
  await page.keyboard.press('g');
  await page.keyboard.press('f');
  await expect(page.locator('main h2').first()).toHaveText('Find');
  await field(page, 'Divide by').focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('73, 97');
  await expect(rows(page).first()).toContainText('16:97');
  await rows(page).first().focus();
  await page.keyboard.press('ArrowDown');
  await expect(rows(page).nth(1)).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Opened, 206 teeth' })).toBeVisible();
  await page.getByRole('button', { name: 'Use it' }).focus();
  await page.keyboard.press('Enter');
  await expect(cell(page, 'steps')).toContainText('35405');
  await go(page, 'Train');
  await expect(field(page, 'Driven').first()).toHaveValue('97');
});
