import { emptyTest, expect, type Page, test } from './quiet.ts';
import {
  ask,
  beginAt,
  beginAtDrives,
  cell,
  choose,
  field,
  openTab,
  saved,
  typeInto,
  upload,
} from './bench.ts';

/** What a field says of each text that it cannot take; the figure beside it stays. */
async function refuses(
  page: Page,
  name: string,
  texts: readonly (readonly [string, RegExp])[],
): Promise<void> {
  const input = page.getByRole('textbox', { name, exact: true }).first();
  for (const [text, message] of texts) {
    await typeInto(input, text);
    await expect(input).toHaveAttribute('aria-invalid', 'true');
    await expect(page.getByText(message).first()).toBeVisible();
  }
  await input.press('Escape');
  await expect(input).toHaveAttribute('aria-invalid', 'false');
}

test('fields of rates and timers take no nonsense, and what was in force stays', async ({ page }) => {
  await beginAt(page, 'Night meadow', 'Check');
  await expect(page.locator('.ways')).toContainText('Alternate');
  const before = await page.locator('.ways').innerText();
  await refuses(page, 'Timer rate', [
    ['', /nothing is written/i],
    ['fast', /cannot be read as a clock/],
    ['-5', /negative/],
    ['0', /must not be 0/],
    ['1e6', /exponent/],
  ]);
  await refuses(page, 'Counter', [
    ['2', /below 4/],
    ['99999999999999999999', /above 64/],
    ['sixteen', /not a number/],
  ]);
  expect(await page.locator('.ways').innerText()).toBe(before);
  await typeInto(field(page, 'Counter'), '8');
  await expect(cell(page, 'rate')).toContainText('Over 8 bits');
  await expect(page.getByText(/too narrow/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(cell(page, 'rate')).toContainText('±1 tick');
  await page.locator('.title').getByRole('button', { name: /^Redo/ }).click();
  await saved(page);
  await page.reload();
  await expect(field(page, 'Counter')).toHaveValue('8');
  await expect(cell(page, 'rate')).toContainText('Over 8 bits');
});

test('a rate of one’s own, in the words people use', async ({ page }) => {
  await beginAt(page, 'Engraver’s slide', 'Job');
  await ask(page, 'Rate');
  await choose(page.getByLabel('Follow').last(), 'Another');
  const turn = field(page, 'One turn in');
  for (const text of ['24 h', '0.5 rpm', '15 °/h', '1 turn in 10 min']) {
    await typeInto(turn, text);
    await expect(turn).toHaveAttribute('aria-invalid', 'false');
  }
  await typeInto(turn, '0.5 mm/min');
  await expect(turn).toHaveAttribute('aria-invalid', 'false');
  await typeInto(turn, 'soon');
  await expect(page.getByText(/cannot be read as a rate/)).toBeVisible();
  await turn.press('Escape');
  await turn.blur();
  await expect(turn).toHaveValue(/^\d+$/);
  await expect(page.locator('.title')).toContainText('follows another');
});

emptyTest('with the keyboard alone: from the job to a rate, its timer, and another tab', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New drive' }).press('Enter');
  await page.getByRole('button', { name: 'I know my numbers' }).press('Enter');
  await page.getByRole('button', { name: 'Add a rate, a sweep, a camera…' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'rate')).toContainText('no timer given');
  await page.locator('main h2').first().click();
  await page.keyboard.press('g');
  await page.keyboard.press('c');
  await expect(page.locator('main h2').first()).toHaveText('Check');
  await page.getByRole('button', { name: 'Add the controller' }).press('Enter');
  await page
    .getByRole('radio', { name: /One interval/ })
    .first()
    .focus();
  await page.keyboard.press('Space');
  await expect(page.locator('.ways tr.on')).toContainText('One interval');
  await openTab(page, 'Plates');
  await page.getByRole('button', { name: /Begin with three plates/ }).press('Enter');
  await typeInto(field(page, 'Worm'), '40:1');
  await typeInto(field(page, 'Wanted'), '95');
  await expect(page.getByRole('table', { name: 'Wanted counts' })).toContainText('8 holes on 19');
  const count = page.getByRole('button', { name: /^7: on one circle/ });
  await count.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'One count by the plates' })).toContainText(
    '5 turns and 15 holes on 21',
  );
});

test('a file with a broken duty is refused by its place, and what was open stays open', async ({ page }) => {
  await beginAtDrives(page);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a file' }).click();
  const bad = {
    format: 'pendrix-drive',
    version: 1,
    name: 'broken',
    job: { rates: [{ kind: 'stars' }, { kind: 'comet' }] },
    train: { source: { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 }, stages: [] },
  };
  await (await chooser).setFiles(upload('broken.pendrix.json', JSON.stringify(bad)));
  await expect(page.getByText(/job\.rates\[1\]\.kind/)).toBeVisible();
  await expect(page.locator('th.name a', { hasText: 'broken' })).toHaveCount(0);
});

test('the sheet of one count by plates prints by itself; on a phone the tabs are within reach', async ({
  page,
}) => {
  await beginAt(page, 'Sundial plate', 'Check');
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('#app')).toBeHidden();
  await expect(page.locator('.print-sheet')).toContainText('dividing by the plates');
  await expect(page.locator('.print-sheet tbody tr')).toHaveCount(7);
  await page.emulateMedia({ media: 'screen' });
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(page.locator('.print-sheet')).toHaveCount(0);
  await page.setViewportSize({ width: 390, height: 844 });
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide).toBeLessThanOrEqual(1);
  await openTab(page, 'Speed');
  await page.getByRole('button', { name: 'Ask for a range of speeds' }).click();
  await expect(page.getByRole('region', { name: 'Speed range 1' })).toContainText('Motor at the fastest');
});
