import { readFileSync } from 'node:fs';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import { beginAt, choose, field, go, saved, typeInto, upload } from './bench.ts';

const shelfFile = readFileSync(new URL('../demo/lantern-hill.shelf.json', import.meta.url), 'utf8');

const line = (page: Page, id: string) => page.locator(`[data-row="${id}"]`);
const part = (page: Page, id: string, column: number) => line(page, id).locator(`[data-column="${column}"]`);
const OWN = 4;
const TEETH = 1;

async function openShelf(page: Page): Promise<void> {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Shelf');
  await expect(line(page, 'wheel-1-12')).toBeVisible();
}

emptyTest(
  'an empty shelf teaches, and the starter shelf fills it; it is there after a reload',
  async ({ page }) => {
    await page.goto('/shelf');
    await expect(page.getByText('Nothing on the shelf yet')).toBeVisible();
    await page.getByRole('button', { name: 'Put the Lantern Hill shelf here' }).click();
    await expect(line(page, 'wheel-1-73')).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(line(page, 'wheel-1-73')).toBeVisible();
  },
);

test('cells are written in place by keyboard and by mouse, refused in words, and undone', async ({
  page,
}) => {
  await openShelf(page);
  await part(page, 'wheel-1-27', OWN).click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('4');
  await page.keyboard.press('Enter');
  await expect(part(page, 'wheel-1-27', OWN)).toHaveText('4');
  // Enter goes on to the line below
  await expect(part(page, 'wheel-1-30', OWN)).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(part(page, 'wheel-1-27', TEETH)).toBeFocused();
  await page.keyboard.press('F2');
  await page.keyboard.type('14.5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('14.5 is not a whole count')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(part(page, 'wheel-1-27', TEETH)).toHaveText('27');
  await page.keyboard.press('Control+z');
  await expect(part(page, 'wheel-1-27', OWN)).toHaveText('1');
  await page.keyboard.press('Control+Shift+z');
  await expect(part(page, 'wheel-1-27', OWN)).toHaveText('4');
  await saved(page);
  await page.reload();
  await expect(part(page, 'wheel-1-27', OWN)).toHaveText('4');
});

test('several lines are chosen, changed together, taken off and brought back', async ({ page }) => {
  await openShelf(page);
  await part(page, 'wheel-1-12', 0).click();
  await part(page, 'wheel-1-18', 0).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('heading', { name: 'Four lines chosen' })).toBeVisible();
  await choose(page.getByLabel('Known by, all'), 'printed, not counted');
  await expect(part(page, 'wheel-1-15', 7)).toContainText('printed, not counted');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(line(page, 'wheel-1-15')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(line(page, 'wheel-1-15')).toBeVisible();
});

test('the list is filtered, sorted, and shown by groups', async ({ page }) => {
  await openShelf(page);
  await typeInto(page.getByLabel('Filter'), '73');
  await expect(line(page, 'wheel-1-73')).toBeVisible();
  await expect(line(page, 'wheel-1-12')).toHaveCount(0);
  await typeInto(page.getByLabel('Filter'), 'no such thing');
  await expect(page.getByText('No line has all of these words')).toBeVisible();
  await typeInto(page.getByLabel('Filter'), '');
  await page.getByRole('button', { name: /^Worms/ }).click();
  await expect(line(page, 'worm-1-90')).toBeVisible();
  await expect(line(page, 'wheel-1-12')).toHaveCount(0);
  await page.getByRole('button', { name: '€ each' }).click();
  await page.getByRole('button', { name: '€ each' }).click();
  await expect(page.locator('.body [data-row]').first()).toHaveAttribute('data-row', 'worm-08-144');
});

test('what drives use is counted, and a drive follows a line that changes', async ({ page }) => {
  await openShelf(page);
  await part(page, 'wheel-1-15', 0).click();
  await expect(page.getByText('1 of 2 used by Tide dial')).toBeVisible();
  await typeInto(page.getByLabel('Filter'), '76');
  await part(page, 'pulley-2-76', TEETH).click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('73');
  await page.keyboard.press('Enter');
  await typeInto(page.getByLabel('Filter'), '');
  await go(page, 'Train');
  await expect(field(page, 'Driven').first()).toHaveValue('73');
  await page.getByRole('button', { name: 'Unlink' }).first().click();
  await expect(page.getByRole('button', { name: 'Unlink' })).toHaveCount(1);
});

test('a stage is taken from the shelf into a train: two wheels, or a part as it is', async ({ page }) => {
  await beginAt(page, 'Specimen table', 'Train');
  await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
  await page.getByText('From the shelf…').click();
  await choose(page.getByLabel('Driver', { exact: true }).last(), '15, steel wheel, module 1: 1 of 2 free');
  await choose(page.getByLabel('Driven', { exact: true }).last(), '73, brass wheel, module 1: 1 of 1 free');
  await page.getByRole('button', { name: 'Take the pair' }).click();
  await expect(page.getByText('linked to 15, steel and 73, brass')).toBeVisible();
  await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
  await page.getByText('From the shelf…').click();
  await page.getByText('worm and 60', { exact: true }).click();
  await expect(page.getByText('linked to worm and 60')).toBeVisible();
  await go(page, 'Shelf');
  await typeInto(page.getByLabel('Filter'), 'worm and 60');
  await part(page, 'worm-125-60', 0).click();
  await expect(page.getByText('1 of 1 used by Specimen table')).toBeVisible();
});

test('a pasted table is read line by line, and only what is told to is taken', async ({ page }) => {
  await openShelf(page);
  await page.getByRole('button', { name: 'Paste', exact: true }).click();
  await typeInto(
    page.getByLabel('Lines from a spreadsheet or a CSV file'),
    'Brass wheel\t31\t1\t6\t2\t7.50\nSteel pinion\t14.5\t1\t5\t1\t4.20\nBrass wheel\t36\t1\t6\t1\t8.00',
  );
  await expect(page.getByText('14.5 is not a whole count')).toBeVisible();
  await expect(page.getByText('2 read')).toBeVisible();
  await expect(page.getByText('Line 3 adds to what you own')).toBeVisible();
  await page.getByRole('button', { name: 'Add 2 lines' }).click();
  await expect(page.getByLabel('Lines from a spreadsheet or a CSV file')).toHaveValue(/14\.5/);
  await expect(page.getByLabel('Lines from a spreadsheet or a CSV file')).not.toHaveValue(/31/);
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(part(page, 'wheel-1-36', OWN)).toHaveText('2');
});

emptyTest(
  'two thousand lines of CSV with three bad ones: three named, nothing taken until told; they scroll and are edited',
  { tag: '@nightly' },
  async ({ page }) => {
    await page.goto('/shelf');
    const rows = Array.from(
      { length: 2000 },
      (_, i) => `wheel,${12 + (i % 300)},${1 + (i % 7) / 4},6,1,2.50`,
    );
    rows[10] = 'wheel,none,1,6,1,2.50';
    rows[999] = 'wheel,20,1,6,-1,2.50';
    rows[1500] = 'thing,20,1,6,1,2.50';
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Import' }).click();
    await (await chooser).setFiles({ ...upload('parts.csv', rows.join('\n')), mimeType: 'text/csv' });
    await expect(page.getByText('3 not')).toBeVisible();
    for (const n of ['11', '1000', '1501'])
      await expect(page.locator('.badge', { hasText: new RegExp(`^${n}$`) })).toBeVisible();
    await expect(page.getByText('Nothing on the shelf yet')).toBeVisible();
    await page.getByRole('button', { name: /^Add 1.997 lines/ }).click();
    await expect(page.locator('.groups')).toContainText('1997');
    await page.getByRole('button', { name: 'Close', exact: true }).click();
    // only what is in sight is drawn
    expect(await page.locator('[data-row]').count()).toBeLessThan(100);
    await page.locator('.grid .body').hover();
    await page.mouse.wheel(0, 20_000);
    await expect(page.locator('[data-row]').first()).toBeVisible();
    const cell = page.locator('[data-row] [data-column="4"]').nth(20);
    await cell.click();
    await page.keyboard.press('Enter');
    await page.keyboard.type('7');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-row] [data-column="4"]', { hasText: /^7$/ })).toHaveCount(1);
    await saved(page);
    await page.reload();
    await expect(page.locator('.groups')).toContainText('1997');
  },
);

test('the shelf goes out as a file and comes back; a broken file is refused and changes nothing', async ({
  page,
}) => {
  await openShelf(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'JSON' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toBe(shelfFile);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import' }).click();
  await (await chooser).setFiles(upload('cut.json', shelfFile.slice(0, 400)));
  await expect(page.getByRole('alert')).toContainText('cut.json is left out. line');
  await expect(line(page, 'wheel-1-12')).toBeVisible();
});
