import { emptyTest, expect, type Page, test } from './quiet.ts';
import { beginAt, beginAtDrives, cell, field } from './bench.ts';

/** Tab until what is focused is called so; keyboard only. */
async function tabTo(page: Page, name: RegExp, most = 60): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const called = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      const label = e?.id ? document.querySelector(`label[for="${CSS.escape(e.id)}"]`)?.textContent : '';
      return [e?.getAttribute('aria-label'), label, e?.textContent].filter(Boolean).join(' ').trim();
    });
    if (name.test(called)) return;
  }
  throw new Error(`nothing called ${String(name)} was reached`);
}

async function type(page: Page, text: string): Promise<void> {
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
}

emptyTest('from an empty browser to the machine and back, with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  await expect(
    page.getByRole('heading', { name: 'A drive is a job and the train that does it' }),
  ).toBeVisible();

  // A new drive; the division list has the focus.
  await tabTo(page, /^New drive$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^I know my numbers$/);
  await page.keyboard.press('Enter');
  await expect(field(page, 'Divisions of one turn')).toBeFocused();
  await page.keyboard.type('60, 73, 95, 97');
  await expect(cell(page, 'divisions')).toContainText('of 4');

  // Its name, by Shift+Tab to the field before.
  await page.keyboard.press('Shift+Tab');
  await type(page, 'Wheel engine');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wheel engine');

  // To the train by keys; a belt and a worm from the list of kinds.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await tabTo(page, /^Add a stage$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('two pulleys or sprockets')).toBeVisible();
  // from the shelf, a spur pair, a belt
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: /Stage 1: Timing belt/ })).toBeVisible();
  await expect(field(page, 'Driver')).toBeFocused();
  await type(page, '20');
  await page.keyboard.press('Tab');
  await type(page, '76');
  await expect(cell(page, 'steps')).toContainText('12160');

  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, /^Add a stage$/);
  await page.keyboard.press('Enter');
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: /Stage 2: Worm/ })).toBeVisible();
  await expect(field(page, 'Starts')).toBeFocused();
  await page.keyboard.press('Tab');
  await type(page, '90');
  await expect(cell(page, 'steps')).toContainText('1094400');
  await expect(cell(page, 'steps')).toContainText('Even');
  await expect(cell(page, 'divisions')).toContainText('2of 4');

  // The stages change places and come back: Alt and the arrows.
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.getByRole('region', { name: /Stage 1: Worm/ })).toBeVisible();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByRole('region', { name: /Stage 2: Worm/ })).toBeVisible();
  // however quickly one follows the other
  await page.keyboard.press('Alt+ArrowLeft');
  await page.keyboard.press('Alt+ArrowRight');
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.getByRole('region', { name: /Stage 1: Worm/ })).toBeVisible();
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByRole('region', { name: /Stage 2: Worm/ })).toBeVisible();

  // Check: down the table to 97, and open the working of its worst error.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('g');
  await page.keyboard.press('c');
  await expect(page.getByRole('heading', { name: 'Check', exact: true })).toBeVisible();
  await tabTo(page, /^97$/);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('heading', { name: '73, gap by gap' })).toBeVisible();
  await tabTo(page, /^worst error of 73/);
  await page.keyboard.press('Enter');
  const drawer = page.getByRole('complementary', { name: 'Working: worst error of 73' });
  await expect(drawer).toBeVisible();
  await expect(drawer).toContainText('200 × 16 × 76/20 × 90 = 1094400');
  await expect(drawer.locator('li').last()).toContainText('±0.58″');
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();

  // Run: 95, thirty gaps, back one, on one.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('g');
  await page.keyboard.press('r');
  await expect(page.getByRole('heading', { name: 'Run', exact: true })).toBeVisible();
  await tabTo(page, /^95$/);
  await page.keyboard.press('Enter');
  await tabTo(page, /^Start at gap 1$/);
  await page.keyboard.press('Enter');
  await expect(page.locator('.what')).toContainText('Gap 1 of 95');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  for (let i = 2; i <= 31; i++) {
    await page.keyboard.press('Space');
    await expect(page.locator('.what')).toContainText(`Gap ${i} of 95`);
  }
  await page.keyboard.press('Backspace');
  await expect(page.locator('.what')).toContainText('Gap 30 of 95');
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('go to 345600');

  // The lid is shut and opened again.
  await page.reload();
  await expect(page.locator('.what')).toContainText('Gap 31 of 95');
  await expect(page.getByText('check the mark before you go on')).toBeVisible();

  // Pause keeps Space from moving anything.
  await page.keyboard.press('p');
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Gap 31 of 95');
  await page.keyboard.press('p');
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Gap 32 of 95');
});

test('the keys are listed under ?, and search finds counts, stations and drives', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await page.locator('main h2').first().click();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('on to the next gap');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('62');
  await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Rounded ±0.57″');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: '62, gap by gap' })).toBeVisible();
  await page.locator('h2').first().click();
  await page.keyboard.press('/');
  await page.keyboard.type('tide');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tide dial');
});

test('a branch and an axis, with the keyboard alone', async ({ page }) => {
  await beginAtDrives(page);
  await page.locator('th.name a', { hasText: 'Tide dial' }).first().focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('main h2').first()).toHaveText('Job');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.locator('main h2').first()).toHaveText('Train');
  const outputs = page.getByRole('group', { name: 'Outputs' });

  await tabTo(page, /^Add a branch$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('From Shaft 1', { exact: true })).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(outputs.getByRole('button', { name: 'Train 2' })).toHaveAttribute('aria-pressed', 'true');
  await tabTo(page, /^Add a stage$/);
  await page.keyboard.press('Enter');
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  const added = page.getByRole('region', { name: /^Stage 2: Spur pair/ });
  await expect(added.getByRole('textbox', { name: 'Driver', exact: true })).toBeFocused();
  await type(page, '15');
  await page.keyboard.press('Tab');
  await type(page, '45');
  await page.keyboard.press('Tab');

  // an axis of its own is the last of the menu
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, /^Add a branch$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('An axis of its own')).toBeVisible();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(outputs.getByRole('button', { name: 'Train 3' })).toHaveAttribute('aria-pressed', 'true');

  // back to the first by its key, and both are undone
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await tabTo(page, /^Train 2/);
  await page.keyboard.press('Enter');
  await expect(outputs.getByRole('button', { name: 'Train 2' })).toHaveAttribute('aria-pressed', 'true');
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page.keyboard.press('Control+z');
  await expect(outputs.getByRole('button', { name: 'Train 3' })).toHaveCount(0);
});
