import { emptyTest, expect, test } from './quiet.ts';
import { beginAt, cell, choose, field, go, saved, typeInto, newDrive } from './bench.ts';

test('what cannot be read is said under the field and the last good value stays in force', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  const list = field(page, 'Divisions of one turn');
  await typeInto(list, '60, 73, 12.5');
  await expect(page.getByText('12.5 is not a whole count.')).toBeVisible();
  await expect(page.locator('.pieces .bad')).toContainText('12.5');
  // up to the dot it could be read; left so, what stood there stays
  await expect(cell(page, 'divisions')).toContainText('of 3');
  await list.press('Tab');
  await expect(cell(page, 'divisions')).toContainText('of 6');
  await expect(list).toHaveValue('60, 73, 12.5');
  for (const [text, message] of [
    ['-5', '-5 is negative.'],
    ['63-60', '63-60 runs backwards.'],
    ['1-9000', '1-9000 asks for more than 5000 counts.'],
    ['sixty', 'Sixty cannot be read as a count.'],
    ['0', 'It must not be 0.'],
    ['60,'.repeat(800), 'The text is longer than 2000 characters.'],
  ] as const) {
    await typeInto(list, text);
    await expect(page.locator('.refusal b').first()).toHaveText(message);
    await list.press('Tab');
    await expect(cell(page, 'divisions')).toContainText('of 6');
  }
  await list.focus();
  await page.keyboard.press('Escape');
  await expect(list).toHaveValue('60, 72, 73, 76, 95, 97');
  await typeInto(list, '');
  await expect(cell(page, 'divisions')).toContainText('no divisions asked');
  await expect(page.getByText('Nothing is asked yet')).toBeVisible();
});

emptyTest('every kind of stage by mouse: added, changed, dragged, removed, undone', async ({ page }) => {
  await page.goto('/');
  await newDrive(page);
  await go(page, 'Train');
  for (const kind of ['Spur pair', 'Timing belt', 'Worm', 'Internal pair', 'Fixed ratio']) {
    await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
    await page.getByText(kind, { exact: true }).last().click();
  }
  const cards = page.locator('.slot[data-stage]');
  await expect(cards).toHaveCount(5);
  // 3 · 3 · 60 · 5 · 5 of 3 200 steps, turned round once by the spur pair
  await expect(cell(page, 'steps')).toContainText('43200000');
  await expect(page.locator('.sub').first()).toContainText('reduction −13500');

  const ratio = page.getByRole('region', { name: /Stage 5: Fixed ratio/ });
  await typeInto(ratio.getByRole('textbox', { name: 'Ratio' }), '10:80');
  await expect(ratio).toContainText('Read as 8 : 1');
  await typeInto(ratio.getByRole('textbox', { name: 'Ratio' }), 'eight');
  await expect(ratio).toContainText('Eight cannot be read as a ratio.');
  await expect(ratio).toContainText('Read as 8 : 1');
  await typeInto(ratio.getByRole('textbox', { name: 'Ratio' }), '64');
  await choose(ratio.getByLabel('Ratio known from'), 'Label');
  await expect(cell(page, 'steps')).toContainText('Even if exact');

  // By the handle, the belt in front of the spur pair.
  await cards.nth(0).scrollIntoViewIfNeeded();
  await cards.nth(1).locator('.handle').dragTo(cards.nth(0).locator('.handle'));
  await expect(page.getByRole('region', { name: /Stage 1: Timing belt/ })).toBeVisible();
  await expect(page.getByRole('region', { name: /Stage 2: Spur pair/ })).toBeVisible();
  await page.getByRole('button', { name: /Actions for stage 1/ }).click();
  await page.getByText('Remove', { exact: true }).click();
  await expect(cards).toHaveCount(4);
  await page.getByRole('button', { name: /^Undo remove timing belt/ }).click();
  await expect(cards).toHaveCount(5);
  await page.getByRole('button', { name: /^Undo move timing belt/ }).click();
  await expect(page.getByRole('region', { name: /Stage 1: Spur pair/ })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByRole('region', { name: /Stage 1: Timing belt/ })).toBeVisible();
});

test('odd teeth are refused in the card; a burst of typing is one undo; a reload loses nothing', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Train');
  const driven = field(page, 'Driven');
  for (const [text, message] of [
    ['', 'Nothing is written here.'],
    ['-7', '-7 is negative.'],
    ['7.5', '7.5 is not a whole count.'],
    ['1e9', '1e9 is written with an exponent.'],
    ['99999999', '99999999 is above 10000 teeth.'],
    ['2', '2 is below 6 teeth.'],
  ] as const) {
    await typeInto(driven, text);
    await expect(page.locator('.card .refusal b')).toHaveText(message);
    // what could be read before the slip is in force while it is typed, and said so
    if (text === '99999999') await expect(page.locator('.card .refusal')).toContainText('Until then 9999 is');
    await driven.press('Tab');
    await expect(cell(page, 'steps')).toContainText('1094400');
  }
  await typeInto(driven, '76');
  await driven.blur();
  await driven.focus();
  await driven.press('Control+A');
  await driven.pressSequentially('100');
  await expect(cell(page, 'steps')).toContainText('1440000');
  await driven.blur();
  await page.keyboard.press('Control+z');
  await expect(driven).toHaveValue('76');
  await page.keyboard.press('Control+Shift+z');
  await expect(driven).toHaveValue('100');
  await saved(page);
  await page.reload();
  await expect(field(page, 'Driven')).toHaveValue('100');
});

test('the tolerance as an angle, as a length at a radius, and none', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  // emptied key by key, it stays to be written anew
  await field(page, 'Tolerance, an angle').focus();
  for (const key of ['Delete', '0', '.', '5', '"']) await page.keyboard.press(key);
  await expect(cell(page, 'error')).toContainText('Misses by 95″');
  await page.getByRole('button', { name: 'Length', exact: true }).click();
  await typeInto(field(page, 'Tolerance, a length'), '0.2 µm');
  await expect(page.getByText('is ±1.13″ at the work')).toBeVisible();
  await expect(cell(page, 'error')).toContainText('Misses by');
  await typeInto(field(page, 'at radius'), '');
  await expect(page.getByText('A tolerance as a length needs the radius it is measured at.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await expect(cell(page, 'error')).toContainText('Rounded');
  await go(page, 'Check');
  await typeInto(field(page, 'Tolerance'), '0.1');
  await expect(page.getByRole('table', { name: 'Divisions' })).toContainText('Misses by');
});

test('two tabs on one drive agree', async ({ page, context }) => {
  await beginAt(page, 'Tide dial', 'Job');
  const other = await context.newPage();
  await other.goto(page.url());
  await typeInto(field(other, 'Divisions of one turn'), '61');
  await expect(cell(page, 'divisions')).toContainText('of 1');
});

test('an address that leads nowhere says so', async ({ page }) => {
  await page.goto('/drive/nobody/train');
  await expect(page.getByText('This drive is not on this device')).toBeVisible();
  await page.goto('/nothing/here');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Drives');
});
