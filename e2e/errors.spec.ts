import { expect, test } from './quiet.ts';
import { beginAt, cell, choose, download, field, go, openTab, saved, typeInto } from './bench.ts';
import type { Page } from '@playwright/test';

const row = (page: Page, cause: string) =>
  page
    .locator('.budget tbody tr')
    .filter({ has: page.getByRole('rowheader', { name: cause }) })
    .first();
const sum = (page: Page) => page.locator('.budget tfoot tr').first();
/** "At 2 min, 23 % stay round" */
const share = async (page: Page): Promise<number> => {
  const text = await page.locator('.right .say b').innerText();
  return Number(/([\d.]+) % stay round/.exec(text)?.[1] ?? NaN);
};
const simulated = (page: Page) => expect(page.getByText(/^Simulating/)).toHaveCount(0, { timeout: 30_000 });

test('a run-out is raised: budget, verdict and picture change, and one undo takes it back', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Check');
  await openTab(page, 'Errors');
  await expect(cell(page, 'error')).toContainText('±95.64″');
  const wheel = page.getByRole('region', { name: 'As it would be cut' });
  await expect(wheel).toBeVisible({ timeout: 15_000 });
  const before = await wheel.locator('dd').first().innerText();
  // a cause that is emptied stays under the pen until it is left
  const lag = row(page, 'Load lag').getByRole('textbox');
  await lag.focus();
  for (const key of ['Delete', '2']) await page.keyboard.press(key);
  await expect(lag).toHaveValue('2');
  await page.keyboard.press('Escape');
  await expect(lag).toHaveValue('1.5');
  const worm = row(page, 'Worm run-out');
  await expect(worm).toContainText('estimate');
  const value = worm.getByRole('textbox');
  await typeInto(value, '-1');
  await expect(worm.getByText('-1 is negative.')).toBeVisible();
  await expect(cell(page, 'error')).toContainText('±95.64″');
  await typeInto(value, '0.06');
  // 45.84″ is now 137.5″: 91.67 more
  await expect(sum(page)).toContainText('3.12′');
  await expect(cell(page, 'error')).toContainText('3.12′');
  await expect(worm).toContainText('typed');
  await expect(wheel.locator('dd').first()).not.toHaveText(before, { timeout: 15_000 });
  await worm.getByRole('button', { name: /known from typed/ }).click();
  await page.locator('.v-list-item', { hasText: 'Measured' }).click();
  await expect(worm).toContainText('measured');
  await value.blur();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'error')).toContainText('±95.64″');
});

test('approached from one side, lost motion leaves the budget with its condition', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Check');
  await openTab(page, 'Errors');
  const play = row(page, 'Backlash');
  await expect(play).toContainText('holds: arrives forwards');
  const whole = await sum(page).innerText();
  const tick = play.getByRole('checkbox');
  await tick.uncheck();
  await expect(cell(page, 'error')).toContainText('3.');
  await expect(sum(page)).not.toHaveText(whole);
  await tick.check();
  await expect(play).toContainText('holds: arrives forwards');
  await expect(cell(page, 'error')).toContainText('±95.64″');
  await saved(page);
});

test('which shafts cancel, another count, what if by keys, and kept', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await typeInto(field(page, 'Divisions of one turn'), '38, 45, 60');
  await go(page, 'Check');
  await openTab(page, 'Errors');
  const shafts = page.getByRole('region', { name: 'Which shafts cancel' });
  await shafts.getByRole('button', { name: '45', exact: true }).click();
  await expect(shafts).toContainText('cancels');
  await expect(row(page, 'Worm run-out')).toContainText('whole turn');
  const quality = page.getByRole('slider', { name: /Worm 1/ });
  await quality.focus();
  await page.keyboard.press('ArrowRight');
  const whatIf = page.getByRole('region', { name: 'What if' });
  await expect(whatIf.getByRole('status')).toContainText('now ±');
  await whatIf.getByRole('button', { name: /Keep/ }).click();
  await expect(whatIf.getByRole('status')).toContainText('as it is');
  await expect(row(page, 'Wheel run-out')).toContainText('±18.33″');
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Wheel run-out')).toContainText('±45.84″');
});

test('a turntable that turns in the resonance band, and the finer mode that takes it out', async ({
  page,
}) => {
  await beginAt(page, 'Stone turntable', 'Check');
  await openTab(page, 'Force');
  await expect(cell(page, 'force')).toContainText('1.24×');
  const asked = page.locator('.speeds tr.asked').first();
  await expect(asked).toContainText('in the resonance band');
  await expect(page.getByText(/It runs in the resonance band, 0\.49 to 0\.81 rpm/)).toBeVisible();
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Microsteps of 1/16' })
    .getByRole('button', { name: 'Take it' })
    .click();
  await expect(asked).toContainText('6.3 % of a full step’s push');
  await expect(page.getByText(/It runs in the resonance band/)).toHaveCount(0);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Teeth of brass' })
    .getByRole('button', { name: 'Take it' })
    .click();
  await expect(cell(page, 'force')).toContainText('Enough');
  await expect(page.getByText('The motor limits: 1.36×.')).toBeVisible();
});

test('a load is given and refused by name; a curve is pasted, and one that rises is refused', async ({
  page,
}) => {
  await beginAt(page, 'Tide dial', 'Check');
  await openTab(page, 'Force');
  await page.getByRole('button', { name: 'Give a load' }).click();
  await expect(page.getByText('The load is empty.')).toBeVisible();
  for (const [name, text, message] of [
    ['Inertia', '-1', '-1 is negative.'],
    ['Friction', '0', 'It must not be 0.'],
    ['Friction', 'a lot', 'A lot is not a number.'],
  ] as const) {
    await typeInto(field(page, name), text);
    await expect(page.getByText(message)).toBeVisible();
    await page.keyboard.press('Escape');
  }
  await typeInto(field(page, 'Friction'), '0.2');
  await typeInto(field(page, 'Speed'), '1');
  await expect(page.getByText('What the motor has is not known.')).toBeVisible();
  const curve = page.getByLabel('Torque curve, full steps/s and N·m, a point a line');
  await typeInto(curve, '0, 0.4\n1000, 0.5');
  await expect(page.locator('.refusal')).toBeVisible();
  // a part of it could be read; left so, none of it is in force
  await expect(cell(page, 'force')).toContainText('×');
  await curve.press('Tab');
  await expect(cell(page, 'force')).toContainText('the motor is not known');
  await typeInto(curve, '0, 0.4\n2000, 0.35\n5000, 0.1');
  await expect(cell(page, 'force')).toContainText('×');
  await page.getByText('Tests and reckonings').click();
  const pull = page.getByRole('region', { name: 'Pull test' });
  await typeInto(pull.getByLabel('One way'), '9');
  await typeInto(pull.getByLabel('Other way'), '5');
  await typeInto(pull.getByLabel('At radius'), '120');
  await expect(pull.getByRole('status')).toHaveText('friction 0.84 N·m, out of balance 0.24 N·m');
  await pull.getByRole('button', { name: 'Take the friction' }).click();
  await expect(field(page, 'Friction')).toHaveValue('0.84');
  await expect(page.locator('.asked-rows')).toContainText('measured');
});

test(
  'a tracker from a fifth of its exposures round at 120 s to over 80 %',
  { tag: '@nightly' },
  async ({ page }) => {
    test.setTimeout(120_000);
    await beginAt(page, 'Night meadow', 'Check');
    await openTab(page, 'Picture');
    await simulated(page);
    await typeInto(field(page, 'Lens'), '50');
    await expect(async () => expect(await share(page)).toBeGreaterThan(12)).toPass({ timeout: 30_000 });
    expect(await share(page)).toBeLessThan(35);
    await openTab(page, 'Errors');
    await choose(page.getByRole('combobox', { name: 'Budget for' }), 'stars');
    await typeInto(row(page, 'Worm run-out').getByRole('textbox'), '0.004');
    await openTab(page, 'Picture');
    await expect(async () => expect(await share(page)).toBeGreaterThan(80)).toPass({ timeout: 30_000 });
    await simulated(page);
    const png = await download(page, () => page.getByRole('button', { name: 'PNG', exact: true }).click());
    expect(png.name).toBe('night-meadow-camera-cradle-track.png');
    const csv = await download(page, () => page.getByRole('button', { name: 'CSV of the shares' }).click());
    expect(csv.text.split('\n')[0]).toContain('share that stays round');
    expect(csv.text.trim().split('\n')).toHaveLength(601);
  },
);

test('a simulation is stopped: what stood stays, and it can be had again', async ({ page }) => {
  await beginAt(page, 'Night meadow', 'Check');
  await openTab(page, 'Picture');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('Stopped: what stands here is of before, nothing yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Simulate again' }).click();
  await simulated(page);
  await expect(page.locator('.stars canvas').first()).toBeVisible();
  const before = await page.locator('.right .foot').innerText();
  await page.getByRole('button', { name: 'Another start' }).click();
  await expect(page.locator('.right .foot')).not.toHaveText(before, { timeout: 30_000 });
  await expect(page.locator('.right .foot')).toContainText('seed 8');
});
