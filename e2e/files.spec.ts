import { readFileSync } from 'node:fs';
import { expect, test } from './quiet.ts';
import { beginAtDrives, DEMO_DRIVES, field, go, openDrive, saved, typeInto, upload } from './bench.ts';

const cutter = readFileSync(new URL('../demo/orrery-wheel-cutter.pendrix.json', import.meta.url), 'utf8');

test('a broken file is refused in one sentence and changes nothing', async ({ page }) => {
  await beginAtDrives(page);
  const list = page.locator('tbody');
  const before = await list.innerText();
  const bad: readonly (readonly [string, string | Buffer, string])[] = [
    ['cut.json', cutter.slice(0, 300), 'cut.json is left out. line'],
    [
      'teeth.json',
      cutter.replace('"z2": 76', '"z2": "many"'),
      'trains[0].stages[0].z2: "many" is not a number',
    ],
    ['newer.json', cutter.replace('"version": 2', '"version": 7'), 'version 7, newer than the 2'],
    ['huge.json', cutter.replace('"z2": 76', '"z2": 1e309'), 'Infinity is too large'],
    ['page.html', '<!doctype html><title>x</title>', 'the file is a web page'],
    ['archive.zip', Buffer.from([0x50, 0x4b, 3, 4, 0, 0, 0xff, 0xfe]), 'not text but an archive'],
    ['other.json', '{"hello":1}', 'not a Pendrix file'],
    ['empty.json', '', 'the file is empty'],
    ['big.json', Buffer.alloc(21_000_000, 32), 'larger than 20 MB'],
  ];
  for (const [name, text, message] of bad) {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Import a file' }).click();
    await (await chooser).setFiles(upload(name, text));
    await expect(page.getByRole('alert')).toContainText(message);
    expect(await list.innerText()).toBe(before);
  }
  await page.reload();
  await expect(list.locator('tr')).toHaveCount(DEMO_DRIVES);
});

test('a drive goes out as a file and comes back the same', async ({ page }) => {
  await beginAtDrives(page);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Actions for Orrery wheel cutter' }).click();
  await page.getByText('Export', { exact: true }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('orrery-wheel-cutter.pendrix.json');
  const text = readFileSync(await file.path(), 'utf8');
  expect(text).toBe(cutter);

  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a file' }).click();
  await (await chooser).setFiles(upload('x.json', text));
  await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES + 1);
  await expect(page.getByText('Orrery wheel cutter 2').first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
});

test('drives are renamed, duplicated, deleted and brought back', async ({ page }) => {
  await beginAtDrives(page);
  const menu = async (drive: string, item: string): Promise<void> => {
    await page.getByRole('button', { name: `Actions for ${drive}`, exact: true }).click();
    await page.getByText(item, { exact: true }).click();
  };
  await menu('Tide dial', 'Rename');
  await typeInto(field(page, 'Name of the drive'), '   ');
  await page.keyboard.press('Enter');
  await expect(page.getByText('A drive needs a name.')).toBeVisible();
  await typeInto(field(page, 'Name of the drive'), 'Harbour dial');
  await page.keyboard.press('Enter');
  await expect(page.locator('th.name', { hasText: 'Harbour dial' })).toBeVisible();

  await menu('Harbour dial', 'Duplicate');
  await expect(page.locator('th.name', { hasText: 'Harbour dial copy' })).toBeVisible();
  await menu('Harbour dial copy', 'Delete');
  await expect(page.locator('th.name', { hasText: 'Harbour dial copy' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(page.locator('th.name', { hasText: 'Harbour dial copy' })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.locator('th.name', { hasText: 'Harbour dial copy' })).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
  await expect(page.locator('th.name', { hasText: 'Harbour dial' })).toBeVisible();
});

test('tables leave as CSV and a backup holds everything', async ({ page }) => {
  await beginAtDrives(page);
  const backup = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Back up all' }).click();
  const all = JSON.parse(readFileSync(await (await backup).path(), 'utf8')) as {
    format: string;
    drives: unknown[];
  };
  expect([all.format, all.drives.length]).toEqual(['pendrix-workshop', DEMO_DRIVES]);

  await openDrive(page, 'Orrery wheel cutter', 'Check');
  const divisions = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await page.getByText('The table as CSV').click();
  const table = readFileSync(await (await divisions).path(), 'utf8').split('\n');
  expect(table[0]).toContain('divisions,grade,step (microsteps)');
  expect(table[3]).toMatch(/^73,rounded,1094400\/73,,73,36\/73,0\.583994232,/);

  await go(page, 'Run');
  await page.getByRole('button', { name: '95', exact: true }).click();
  const targets = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const sheet = await targets;
  expect(sheet.suggestedFilename()).toBe('targets-95.csv');
  expect(readFileSync(await sheet.path(), 'utf8').split('\n')[2]).toBe(
    '2,1,11520,11520,0,0.000000000,3.789473684,18/5,gap',
  );
});

test('a backup in the place of everything: told first, done at once, and one Undo brings all back', async ({
  page,
}) => {
  await beginAtDrives(page);
  const choose = async (name: string, text: string): Promise<void> => {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Restore a backup' }).click();
    await (await chooser).setFiles(upload(name, text));
  };
  await choose('web.html', '<!doctype html>');
  await expect(page.getByRole('alert')).toContainText('web.html is left out.');
  await page.getByRole('button', { name: 'Dismiss' }).click();
  const one = readFileSync(new URL('../demo/tide-dial.pendrix.json', import.meta.url), 'utf8');
  const backup = JSON.stringify({
    format: 'pendrix-workshop',
    version: 1,
    drives: [JSON.parse(one) as object, { name: 'Broken one' }],
    parts: [],
    runs: [],
  });
  await choose('old.pendrix.json', backup);
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('old.pendrix.json holds one drive, no shelf lines, no runs.');
  await expect(dialog).toContainText('one record of the file cannot be read and would be left out.');
  await page.keyboard.press('Escape');
  await expect(page.locator('th.name a')).toHaveCount(DEMO_DRIVES);
  await choose('old.pendrix.json', backup);
  await dialog.getByRole('button', { name: 'Replace everything' }).click();
  await expect(page.locator('th.name a')).toHaveCount(1);
  await expect(page.getByRole('link', { name: /Tide dial/ })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.locator('th.name a')).toHaveCount(1);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(page.locator('th.name a')).toHaveCount(DEMO_DRIVES);
});
