import { emptyTest, expect, test } from './quiet.ts';
import {
  ask,
  beginAt,
  cell,
  choose,
  download,
  field,
  go,
  openTab,
  saved,
  tab,
  typeInto,
  newDrive,
} from './bench.ts';

emptyTest('a star drive from nothing to the file with its constants', async ({ page }) => {
  await page.goto('/');
  await newDrive(page);
  await typeInto(field(page, 'Name of the drive'), 'Meadow cradle');
  await ask(page, 'Rate');
  await expect(cell(page, 'rate')).toContainText('no timer given');
  await expect(page.locator('.title')).toContainText('follows the stars');
  await go(page, 'Train');
  await typeInto(field(page, 'Full steps'), '400');
  for (const [kind, label, value] of [
    ['Timing belt', 'Driven', '60'],
    ['Worm', 'Wheel', '144'],
  ] as const) {
    await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
    await page.getByText(kind, { exact: true }).last().click();
    await typeInto(field(page, label).last(), value);
  }
  await go(page, 'Check');
  await expect(tab(page, 'Rate')).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('button', { name: 'Add the controller' }).click();
  const ticks = field(page, 'Timer rate');
  await typeInto(ticks, '16 MHz / 0');
  await expect(page.getByText('divides by 0')).toBeVisible();
  await typeInto(ticks, '16 MHz / 8');
  await typeInto(field(page, 'Counter'), '24');
  await expect(page.locator('.ways tr.on')).toContainText('Alternate');
  await expect(cell(page, 'rate')).toContainText('Even ±1 tick');
  await page.locator('.ways tr', { hasText: 'One interval' }).first().getByRole('radio').check();
  await expect(cell(page, 'rate')).toContainText('ppm');
  await expect(page.locator('.ways tr.on')).toContainText('One interval');
  await page.getByRole('radio', { name: /Alternate/ }).check();
  const { name, text } = await download(page, () =>
    page.getByRole('button', { name: 'Save', exact: true }).click(),
  );
  expect(name).toBe('meadow-cradle.h');
  expect(text).toContain('#define STARS_DEN');
  expect(text).toMatch(/ticks of 1\/2000000 s/);
  await saved(page);
  await page.reload();
  await expect(ticks).toHaveValue('2000000');
  await page.getByRole('button', { name: /ticks between two steps/ }).click();
  await expect(page.getByText('one step', { exact: true })).toBeVisible();
});

emptyTest('a slide of 480 frames with a pan, on one clock', async ({ page }) => {
  await page.goto('/');
  await newDrive(page);
  await ask(page, 'Sweep');
  await typeInto(field(page, 'Frames'), '480');
  await go(page, 'Check');
  await expect(tab(page, 'Sweep')).toHaveAttribute('aria-selected', 'true');
  const slide = page.getByRole('region', { name: 'Sweep 1' });
  await choose(slide.getByLabel('in', { exact: true }), 'mm');
  await expect(slide).toContainText('give the train a straight output');
  await slide.getByText('More').click();
  await typeInto(slide.getByLabel('Another axis'), '800');
  await typeInto(slide.getByRole('textbox', { name: 'to', exact: true }), '480');
  await choose(slide.getByLabel('Easing'), 'cosine');
  await typeInto(slide.getByLabel('Interval'), '4');
  await typeInto(slide.getByLabel('Exposure'), '3.9');
  await expect(slide).toContainText('Short by');
  await typeInto(slide.getByLabel('Exposure'), '1');
  await expect(slide).toContainText('Fits');
  await page.getByRole('button', { name: 'Another axis' }).click();
  const pan = page.getByRole('region', { name: 'Sweep 2' });
  // what the axes share stands once, above them
  const all = page.getByRole('region', { name: 'All axes' });
  await expect(pan.getByLabel('Frames')).toHaveCount(0);
  await typeInto(all.getByLabel('Frames'), '480');
  await typeInto(all.getByLabel('Interval'), '4');
  await typeInto(all.getByLabel('Exposure'), '1');
  await expect(page.getByText(/share one clock: the slowest move takes/)).toBeVisible();
  await typeInto(all.getByLabel('Frames'), '1');
  await expect(all.getByText('below 2')).toBeVisible();
  await typeInto(all.getByLabel('Frames'), '480');
  const csv = await download(page, () => slide.getByRole('button', { name: 'CSV' }).click());
  expect(csv.text.trim().split('\n')).toHaveLength(481);
  expect(csv.text.trim().split('\n').at(-1)).toMatch(/,384000$/);
  const moves = await download(page, () => page.getByRole('button', { name: 'Save G-code' }).click());
  expect(moves.text.match(/^; shutter, frame 480$/gm)).toHaveLength(1);
  expect(moves.text).toMatch(/^G21/m);
  await expect(page.locator('.duty-chart canvas').first()).toBeVisible();
});

test('a wheel of 77 teeth by plates', async ({ page }) => {
  await beginAt(page, 'Sundial plate head', 'Check');
  await expect(tab(page, 'Plates')).toHaveAttribute('aria-selected', 'true');
  await typeInto(field(page, 'Wanted'), '77');
  await expect(page.getByRole('table', { name: 'Wanted counts' })).toContainText('9 on 21 and 3 on 33');
  await expect(cell(page, 'divisions')).toContainText('1of 1');
  const right = page.getByRole('complementary', { name: 'One count by the plates' });
  await expect(right).toContainText('77 on two circles');
  await expect(right).toContainText('one turn of the work');
  await expect(right).toContainText('the back pin holds the plate on the 33 circle');
  await page.getByRole('button', { name: /^95: on one circle/ }).click();
  await expect(right).toContainText('95 on the 19 circle');
  await expect(right.getByRole('img', { name: /95 on the 19 circle/ })).toBeVisible();
  await typeInto(field(page, 'Circles'), '15 to 20');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/cannot be read as hole circles/)).toBeVisible();
  await expect(right).toContainText('95 on the 19 circle');
  await typeInto(field(page, 'Circles'), '15-20');
  await typeInto(field(page, 'Change wheels'), '');
  await typeInto(field(page, 'Wanted'), '73, 97');
  await expect(page.getByText('Best new plate for 73 and 97')).toBeVisible();
  await page.getByRole('button', { name: 'Make this plate' }).click();
  // on the head that it is for, not on any other
  await expect(field(page, 'on a head of')).toHaveValue('40');
  await typeInto(field(page, 'Holes'), '26');
  await expect(page.getByRole('group', { name: 'Where the crank stands' })).toContainText('110 10/13');
  await expect(page.getByText('repeat after 13 holes')).toBeVisible();
  const list = await download(page, () =>
    page.getByRole('region', { name: 'Make a circle' }).getByRole('button', { name: 'CSV' }).click(),
  );
  expect(list.text.split('\n')).toHaveLength(28);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(field(page, 'Wanted')).not.toHaveValue('73, 97');
});

test('a camera and a range of speeds are given, judged and taken away', async ({ page }) => {
  await beginAt(page, 'Night meadow', 'Check');
  await openTab(page, 'Camera');
  const seen = page.getByRole('region', { name: 'What the camera sees' });
  // the worm of a bought head wavers more than the sky may
  await expect(seen).toContainText('Round only for 10.1 s');
  await typeInto(field(page, 'Exposure'), '10');
  await expect(seen).toContainText('At most 10.1 s, without belt, once round');
  await typeInto(seen.getByRole('textbox', { name: 'Declination' }), '95');
  await expect(seen.getByText('above 90')).toBeVisible();
  await openTab(page, 'Speed');
  await page.getByRole('button', { name: 'Ask for a range of speeds' }).click();
  await page.getByRole('button', { name: 'Add a hand knob' }).click();
  await expect(page.getByRole('region', { name: 'Hand knob' })).toContainText('Turns across the range');
});
