import { cell, field, go } from './bench.ts';
import { expect, test, type Page } from './quiet.ts';

/** A new drive with one of the pictures pressed. */
async function shallDo(page: Page, what: RegExp): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New drive', exact: true }).click();
  await page.getByRole('button', { name: what }).click();
}
const question = (page: Page, name: string) => page.getByRole('group', { name, exact: true });
const cards = (page: Page) => page.getByRole('article');

test('stars: what is answered means something at once, one is begun with, and the Job has the answers', async ({
  page,
}) => {
  await shallDo(page, /Follow the sky/);
  await expect(cell(page, 'steps')).toContainText('chosen with the drive');
  const lens = question(page, 'Lens');
  await expect(lens).toContainText('50 mm is taken');
  await lens.getByRole('textbox').fill('135');
  await expect(lens).not.toContainText('is taken');
  const exposure = question(page, 'One exposure');
  await exposure.getByRole('textbox').fill('ninety');
  await expect(exposure.getByRole('status')).toContainText('Ninety is not a number');
  await exposure.getByRole('textbox').fill('30');
  await expect(exposure).toContainText('without a drive stars trail after 0.81');
  await lens.getByRole('button', { name: 'I do not know' }).click();
  await expect(exposure).toContainText('without a drive stars trail after 2.19');

  // it is kept as it is answered
  await page.reload();
  await expect(exposure.getByRole('textbox')).toHaveValue('30');
  await expect(lens).toContainText('50 mm is taken');
  await expect(cards(page).first()).toContainText('Tangent arm', { timeout: 20_000 });
  // who cannot drill has no barn door
  await question(page, 'What you can do').getByRole('button', { name: 'bend and drill' }).click();
  await expect(cards(page).first()).not.toContainText('Tangent arm', { timeout: 20_000 });
  await expect(cards(page).first()).toContainText('stays round');
  const title = await cards(page).nth(1).getByRole('button').textContent();
  await cards(page).nth(1).getByRole('button').click();
  await page.getByRole('button', { name: /^Begin with/ }).click();
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await expect(cell(page, 'steps')).not.toContainText('chosen with the drive');
  expect(title).toBeTruthy();

  await go(page, 'Job');
  await expect(page.getByText('Follow the sky.')).toBeVisible();
  await page.getByRole('link', { name: 'Change the answers' }).click();
  await question(page, 'One exposure').getByRole('textbox').fill('20');
  await page.getByRole('button', { name: 'I know my numbers' }).click();
  await expect(page.getByText('One exposure 20 s')).toBeVisible();
});

test('a turn divided, with the keyboard: counts are needed, a head stays, all are compared', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New drive' }).press('Enter');
  await page.getByRole('button', { name: /Divide a turn/ }).press('Enter');
  await expect(page.getByText('One answer is needed: into how many.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Compare all' })).toBeDisabled();
  await field(page, 'Into how many').press('6');
  await page.keyboard.type('0, 73');
  await expect(question(page, 'Into how many')).toContainText('4.93° apart');
  await page.keyboard.press('Tab');
  await page.keyboard.type('-5');
  await expect(question(page, 'How large').getByRole('status')).toBeVisible();
  await field(page, 'How large').fill('module 1');
  await expect(question(page, 'How large')).toContainText('10.6 µm');
  await question(page, 'How true').getByRole('button', { name: 'a change wheel' }).press('Enter');
  await expect(field(page, 'How true')).toHaveValue('0.02 mm');
  await field(page, 'A head at hand').fill('90 : 1');
  await expect(cards(page).first()).toContainText('Motor on the head', { timeout: 20_000 });
  await page.getByRole('button', { name: 'Compare all' }).press('Enter');
  await expect(
    page.getByRole('group', { name: 'Search for' }).getByRole('button', { name: 'Whole drives' }),
  ).toHaveAttribute('aria-pressed', 'true');
  await go(page, 'Train');
  await expect(cell(page, 'steps')).toContainText('288');
  // one key undoes an answer, a picture and all that came with it
  await go(page, 'Job');
  await page.getByRole('link', { name: 'Change the answers' }).click();
  await page.getByRole('button', { name: /Turn a table/ }).press('Enter');
  await expect(question(page, 'Heaviest thing')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(field(page, 'Into how many')).toHaveValue('60, 73');
  await expect(field(page, 'A head at hand')).toHaveValue('90 : 1');
});

test('a movement of two hands, and only a ratio: wheels for them', async ({ page }) => {
  await shallDo(page, /A movement/);
  await field(page, 'The others').fill('29.530589 d');
  await expect(cards(page).first()).toContainText('Hand 2', { timeout: 20_000 });
  await expect(cards(page).first()).toContainText('wheels');
  await page.getByRole('button', { name: /^Begin with/ }).click();
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await go(page, 'Job');
  await expect(page.getByRole('heading', { name: /Between outputs/ })).toBeVisible();

  await shallDo(page, /Only a ratio/);
  await field(page, 'The number').fill('365.2422');
  await expect(cards(page).first()).toContainText('Near enough', { timeout: 20_000 });
  await page.getByRole('button', { name: 'Compare all' }).click();
  await expect(page.locator('main h2').first()).toHaveText('Find');
  await expect(field(page, 'Ratio').first()).toHaveValue('365.2422');
});
