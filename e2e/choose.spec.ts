import { beginAt, cell, download, go, typeInto } from './bench.ts';
import { expect, test, type Page } from './quiet.ts';

/** Opens the third way of Find for a drive of the workshop. */
async function wholeDrives(page: Page, name: string): Promise<void> {
  await beginAt(page, name, 'Find');
  await page.getByRole('group', { name: 'Search for' }).getByRole('button', { name: 'Whole drives' }).click();
  // one stage is soon gone through
  await page.getByRole('group', { name: 'Stages at most' }).getByRole('button', { name: '1' }).click();
  await expect(page.getByText(/up to 1 stage:.*Proven within this pool/)).toBeVisible({ timeout: 30_000 });
}
const counts = (page: Page) =>
  page.getByRole('form', { name: 'What is wanted of a drive' }).getByRole('listitem');
const columns = (page: Page) => page.locator('table.choose thead button');

test('the sundial ring: drives compared by what counts, one taken and kept, undone, tried in a copy', async ({
  page,
}) => {
  await wholeDrives(page, 'Sundial hour ring');
  await expect(columns(page).first()).toContainText('Present drive');
  await expect(counts(page)).toHaveText([/Worst error/, /Divisions/, /Power off/, /To buy/, /To make/]);

  // what counts is moved by keys; with the divisions first no box whose ratio is only printed leads
  await page.getByRole('button', { name: 'Divisions up' }).press('Enter');
  await expect(counts(page).first()).toHaveText(/Divisions/);
  await expect(columns(page).nth(1)).toContainText('Worm 1 : 144');
  await expect(page.getByText(/Divisions decides/)).toBeVisible();
  await page.reload();
  await expect(counts(page).first()).toHaveText(/Divisions/);
  await expect(page.getByText(/Proven within this pool/)).toBeVisible({ timeout: 30_000 });

  await columns(page).nth(1).press('Enter');
  await expect(columns(page).nth(1)).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'What differs' }).click();
  const comparison = page.getByRole('region', { name: 'Comparison' });
  await expect(comparison.getByRole('img', { name: /drawn/ })).toHaveCount(2);
  await expect(comparison).toContainText('worst error');
  await page.keyboard.press('Escape');
  await expect(page.locator('table.choose')).toBeVisible();

  const csv = await download(page, () => page.getByRole('button', { name: 'CSV' }).click());
  const lines = csv.text.trim().split('\n');
  expect(lines[0]).toMatch(/^drive,divisions,worst error,/);
  expect(lines.some((l) => l.includes('Worm 1 : 144'))).toBe(true);

  await page.getByRole('button', { name: 'Use it and keep a revision' }).click();
  await expect(page.getByText(/The drive is now Worm 1 : 144.*kept as a revision/)).toBeVisible();
  await expect(cell(page, 'steps')).not.toContainText('92 160');
  await go(page, 'Log');
  await expect(page.locator('main')).toContainText('chosen: Worm 1 : 144');
  await page.keyboard.press('Control+z');
  await go(page, 'Find');

  await expect(page.getByText(/Proven within this pool/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Try it in a copy' }).click();
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await expect(page.locator('header, .title').first()).toContainText('Sundial hour ring copy');
});

test('a pool that has nothing says so; odd money is refused; what dropped out says by what', async ({
  page,
}) => {
  await wholeDrives(page, 'Sundial hour ring');
  const form = page.getByRole('form', { name: 'What is wanted of a drive' });
  const money = form.getByRole('textbox', { name: 'Spend at most' });
  await typeInto(money, '-5');
  await expect(form).toContainText('is negative');
  await typeInto(money, 'much');
  await expect(form).toContainText('is not a number');
  await typeInto(money, '60');
  await expect(form.getByRole('status')).toHaveCount(0);
  await expect(form).toContainText('Dropped out');
  // with one measure left it cannot be taken away
  for (const name of ['Divisions', 'Power off', 'To buy', 'To make'])
    await page.getByRole('button', { name: `${name} does not count` }).click();
  await expect(counts(page)).toHaveCount(1);
  await expect(page.getByRole('button', { name: 'Worst error does not count' })).toBeDisabled();
  await page.getByRole('button', { name: 'Add what counts…' }).click();
  await page
    .getByRole('option', { name: 'Stages' })
    .or(page.getByRole('listitem').filter({ hasText: /^Stages$/ }))
    .first()
    .click();
  await expect(counts(page)).toHaveText([/Worst error/, /Stages/]);

  // nothing asked: nothing to choose for
  await go(page, 'Job');
  await typeInto(page.getByRole('textbox', { name: 'Divisions' }).first(), '');
  await go(page, 'Find');
  await expect(page.getByText('Nothing to choose for yet')).toBeVisible();
});
