import { readFile } from 'node:fs/promises';
import DxfParser from 'dxf-parser';
import { unzipSync } from 'fflate';
import { expect, test } from './quiet.ts';
import { beginAt, download, field, go, openTab, saved, typeInto } from './bench.ts';

test('a wheel to cut: its blank, its cutter, a shift that points it, its drawing', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Make');
  await page.locator('.which .v-field').click();
  await page.getByRole('option', { name: 'work, 73' }).click();
  const blank = page.getByRole('region', { name: 'Blank' });
  await expect(blank).toContainText('75.000');
  await expect(blank).toContainText('Span over 9 teeth');
  await expect(blank).toContainText('26.116');
  await expect(page.getByRole('region', { name: 'Cutter' })).toContainText('55–134');
  await typeInto(field(page, 'Module'), '-1');
  await expect(page.getByText('-1 is negative.')).toBeVisible();
  await typeInto(field(page, 'Module'), '0.5');
  await expect(blank).toContainText('37.500');
  await typeInto(field(page, 'Bore'), '40');
  await expect(page.getByText('A bore of 40 mm leaves nothing under the teeth')).toBeVisible();
  await typeInto(field(page, 'Bore'), '4');
  const svg = await download(page, () => page.getByRole('button', { name: 'SVG', exact: true }).click());
  expect(svg.name).toBe('work-73.svg');
  expect(svg.text).toMatch(/width="[\d.]+mm"/);
  await saved(page);
  await page.reload();
  await page.locator('.which .v-field').click();
  await page.getByRole('option', { name: 'work, 73' }).click();
  await expect(field(page, 'Module')).toHaveValue('0.5');
});

test('a 63-hole plate from Check to its drilling file and drawing', async ({ page }) => {
  await beginAt(page, 'Sundial plate head', 'Check');
  await openTab(page, 'Plates');
  const circles = field(page, 'Circles');
  await circles.press('ControlOrMeta+a');
  await circles.pressSequentially('60 / 63');
  const wanted = field(page, 'Wanted');
  await wanted.press('ControlOrMeta+a');
  await wanted.pressSequentially('63');
  await expect(page.getByRole('heading', { name: /^63/ })).toBeVisible();
  await page.getByRole('link', { name: 'Drill and draw this circle' }).click();
  await expect(page.getByRole('img', { name: /plate-1, as it is drawn/ })).toBeVisible();
  const csv = await download(page, () => page.getByRole('button', { name: 'List', exact: true }).click());
  expect(csv.name).toBe('plate-1-63.csv');
  const rows = csv.text.trim().split('\n');
  expect(rows[0]).toBe('circle,hole,x (mm),y (mm),angle (deg)');
  expect(rows).toHaveLength(64);
  const gcode = await download(page, () => page.getByRole('button', { name: 'G-code', exact: true }).click());
  expect(gcode.text).toContain('G81');
  const dxf = await download(page, () => page.getByRole('button', { name: 'DXF', exact: true }).click());
  const holes = new DxfParser()
    .parseSync(dxf.text)!
    .entities.filter((e) => e.layer === 'HOLES' && e.type === 'CIRCLE');
  expect(holes).toHaveLength(63);
});

test('parts against the shelf, the pack as a ZIP and on paper', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Make');
  await page.getByRole('tab', { name: 'Fits, parts' }).click();
  const parts = page.getByRole('region', { name: 'Parts' });
  await expect(parts.getByRole('row', { name: /belt, length not chosen/ })).toContainText('belt of 158');
  await expect(page.getByText('Motor face, frame 17: pilot 22, holes 31 mm square')).toBeVisible();
  const csv = await download(page, () => page.getByRole('button', { name: 'Parts', exact: true }).click());
  expect(csv.text.split('\n')[0]).toBe('part,size,need,on the shelf,have,lack,price,instead');
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  const waits = page.waitForEvent('download');
  await page.getByText('ZIP of all its files').click();
  const zip = await waits;
  expect(zip.suggestedFilename()).toBe('orrery-wheel-cutter-pack.zip');
  const files = unzipSync(await readFile(await zip.path()));
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining(['build-pack.html', 'drawings/wheel-3.dxf', 'run-sheets/73.csv', 'parts.csv']),
  );
  // one of them by itself, found by its words
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  await page.getByText('One of its files…').click();
  const dialog = page.getByRole('dialog', { name: 'Files of this drive' });
  await dialog.getByRole('textbox').fill('wheel 3 dxf');
  await expect(dialog.getByRole('status')).toContainText(/^\d of \d\d$/);
  const one = await download(page, () =>
    dialog.getByRole('button', { name: 'Save drawings-wheel-3.dxf' }).click(),
  );
  expect(one.text).toContain('LWPOLYLINE');
  await dialog.getByRole('textbox').fill('no such thing');
  await expect(dialog.getByText('No file has these words.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.evaluate(() => {
    window.print = () => window.dispatchEvent(new Event('beforeprint'));
  });
  await page.getByRole('button', { name: 'Pack', exact: true }).click();
  await page.getByText('Print the build pack').click();
  const sheet = page.locator('.print-sheet .pack');
  await expect(sheet.locator('h1')).toHaveText('Orrery wheel cutter: build pack');
  await expect(sheet.locator('svg').first()).toHaveAttribute('width', /mm$/);
});

test('Run waits for the set-up: signed off step by step, or skipped with a reason, for each blank anew', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Make');
  await page.getByRole('tab', { name: 'Build' }).click();
  await page.getByRole('button', { name: 'Set-up at the machine' }).click();
  await page.getByRole('button', { name: 'Make the set-up list' }).click();
  await expect(page.getByText('Run waits for this list.')).toBeVisible();
  await go(page, 'Run');
  const begin = page.getByRole('button', { name: 'Start at gap 1' });
  await expect(begin).toBeDisabled();
  const setup = page.getByRole('region', { name: 'Set-up at the machine' });
  for (let i = 0; i < 4; i++) await setup.getByRole('button', { name: 'Sign off' }).click();
  await expect(setup).toContainText('4 of 9 signed off');
  await saved(page);
  await page.reload();
  await expect(setup).toContainText('4 of 9 signed off');
  const reason = setup.getByRole('textbox', { name: 'Or skip it, because' });
  await reason.pressSequentially('second wheel');
  await reason.press('Enter');
  await begin.click();
  await expect(page.getByText(/gap/i).first()).toBeVisible();
  await page
    .getByRole('button', { name: /Other runs|Runs|sheet/i })
    .first()
    .click();
  await expect(setup).toContainText('0 of 9 signed off');
});

test('a belt by its length, and a mesh set in five moves with a reload in the middle', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Make');
  await page.getByRole('tab', { name: 'Belts' }).click();
  const line = page.getByRole('row', { name: /^100 / });
  await expect(line).toContainText('48.700');
  await line.getByRole('button', { name: 'Take it' }).click();
  await expect(line).toContainText('in the train');

  const feels = page.getByRole('group', { name: 'What you feel' });
  const next = page.locator('.next h3');
  const feel = (name: string): Promise<void> => feels.getByRole('button', { name, exact: true }).click();
  await feel('binds');
  await expect(next).toHaveText('Turn out 1/8, to 1/8');
  await typeInto(page.getByRole('textbox', { name: 'Turned instead' }), '1/2');
  await feel('rattles');
  await expect(next).toHaveText('Turn in 1/4, to 1/4');
  await feel('stiff');
  await expect(next).toHaveText('Turn out 1/8, to 3/8');
  await saved(page);
  await page.reload();
  await expect(next).toHaveText('Turn out 1/8, to 3/8');
  await feel('slight rattle');
  await expect(next).toHaveText('Turn in 1/16, to 5/16');
  await feel('smooth');
  await expect(next).toHaveText('Lock, and feel again');
  await feel('smooth');
  await expect(next).toHaveText('It is set');
  await page.getByRole('button', { name: 'Put away, begin anew' }).click();
  await page.getByText('Past meshes').click();
  await expect(page.getByText('stood at 5/16, smooth, no rattle, 6 felt')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(next).toHaveText('It is set');
});

test('a build with a gate that holds, and going back opens what came after', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Make');
  await page.getByRole('tab', { name: 'Build' }).click();
  await page.getByRole('button', { name: 'Make the list from the train' }).click();
  await expect(page.getByText('0 of 10 done')).toBeVisible();
  const steps = page.getByRole('region', { name: 'Build' }).getByRole('listitem');
  await expect(steps.nth(1)).toContainText('Stopped: “Lay out all parts');
  await expect(steps.nth(1).getByRole('button', { name: 'Gate passed' })).toHaveCount(0);
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Gate passed' }).click();
  await expect(page.getByText('3 of 10 done')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByText('3 of 10 done')).toBeVisible();
  await steps.nth(1).getByRole('button', { name: 'Go back to it' }).click();
  await expect(page.getByText(/opens 2 steps/)).toBeVisible();
  await page.getByRole('button', { name: 'Open them again' }).click();
  await expect(page.getByText('1 of 10 done')).toBeVisible();
  await page.getByRole('button', { name: 'Actions for step 2' }).click();
  await page.locator('.v-list-item', { hasText: 'A step after it' }).click();
  await typeInto(page.getByLabel('Step', { exact: true }), 'Grease the bearings');
  await expect(steps.nth(2)).toContainText('Grease the bearings');
  await page.keyboard.press('Escape');
});

test('a fault is followed to its cure, and what was tried stays', async ({ page }) => {
  await beginAt(page, 'Stone turntable', 'Job');
  await go(page, 'Make');
  await page.getByRole('tab', { name: 'Faults' }).click();
  await page.getByRole('button', { name: 'It is loud or rough at some speeds' }).click();
  const checks = page
    .getByRole('region', { name: 'It is loud or rough at some speeds' })
    .getByRole('listitem');
  await expect(checks.first()).toContainText('here 0.49 to 0.81 rpm of the work');
  await checks.nth(0).getByRole('button', { name: 'It is not' }).click();
  await checks.nth(1).getByRole('button', { name: 'It is so' }).click();
  await expect(checks.nth(1)).toContainText('Set the mesh again at its tightest place');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: /It is loud.*2 tried/ }).click();
  await expect(checks.nth(1)).toContainText('it was so');
});

test('the sheet prints upright and landscape, with every wheel and the build', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Make');
  await page.getByRole('tab', { name: 'Build' }).click();
  await page.getByRole('button', { name: 'Make the list from the train' }).click();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  const sheet = page.locator('.print-sheet');
  await expect(sheet).toContainText('Orrery wheel cutter: to make');
  await expect(sheet.locator('tbody tr')).toHaveCount(1 + 6 + 10);
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  for (const landscape of [false, true]) {
    const pdf = await page.pdf({ format: 'A4', landscape });
    expect(pdf.length).toBeGreaterThan(5000);
  }
});
