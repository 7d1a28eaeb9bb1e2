import { readFileSync } from 'node:fs';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import {
  beginAt,
  beginAtDrives,
  cell,
  choose,
  field,
  go,
  openDrive,
  openTab,
  saved,
  typeInto,
  upload,
  newDrive,
} from './bench.ts';

const outputs = (page: Page) => page.getByRole('group', { name: 'Outputs' });
const stage = (page: Page, n: number) => page.getByRole('region', { name: new RegExp(`^Stage ${n}:`) });
const item = (page: Page, title: string) =>
  page.locator('.v-list-item', { has: page.getByText(title, { exact: true }) });
const arbor = (page: Page, name: string) =>
  page.getByRole('button', { name: new RegExp(`^Arbor ${name}, `) });
/** A row of the list of arbors. */
const row = (page: Page, name: string) =>
  page.locator('table.arbors tr', { has: page.getByRole('button', { name: `Arbor ${name}`, exact: true }) });

async function addSpur(page: Page, n: number, z1: string, z2: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
  await page.getByText('Spur pair', { exact: true }).last().click();
  await typeInto(stage(page, n).getByRole('textbox', { name: 'Driver', exact: true }), z1);
  await typeInto(stage(page, n).getByRole('textbox', { name: 'Driven', exact: true }), z2);
}

async function downloaded(page: Page, press: () => Promise<void>): Promise<string> {
  const [file] = await Promise.all([page.waitForEvent('download'), press()]);
  return readFileSync(await file.path(), 'utf8');
}

async function importFile(page: Page, file: ReturnType<typeof upload>): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a file' }).click();
  await (await chooser).setFiles(file);
}

emptyTest(
  'a branch by mouse: its own stages, its own job, a ratio asked between, to a file and back',
  async ({ page }) => {
    await page.goto('/');
    await newDrive(page);
    await go(page, 'Train');
    // one train: nothing of several is seen
    await expect(outputs(page)).toHaveCount(0);
    await expect(page.getByRole('combobox', { name: 'Output' })).toHaveCount(0);
    await addSpur(page, 1, '12', '60');
    await page.getByRole('button', { name: 'Add a branch' }).click();
    await item(page, 'From Shaft 1').click();
    await expect(outputs(page).getByRole('button', { name: 'Train 2' })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await addSpur(page, 2, '16', '48');
    await addSpur(page, 3, '15', '60');
    // 3 200 · 5 · 3 · 4
    await expect(cell(page, 'steps')).toContainText('16000');
    await expect(outputs(page)).toContainText('192 000');
    await page.getByRole('button', { name: 'Name and beginning of Train 2' }).click();
    await typeInto(field(page, 'Name'), 'Slow');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Escape');
    await expect(outputs(page).getByRole('button', { name: 'Slow' })).toBeVisible();

    await go(page, 'Job');
    await expect(page.getByRole('combobox', { name: 'Output' })).toHaveValue('Slow');
    await typeInto(field(page, 'Divisions of one turn'), '7');
    await expect(cell(page, 'divisions')).toContainText('Divisions, Slow');
    await page.getByRole('button', { name: 'Ask a ratio between outputs' }).click();
    await typeInto(field(page, 'wanted'), '12');
    await expect(page.locator('.gives')).toContainText('it never drifts');
    await typeInto(field(page, 'wanted'), '12 h to 144.1 h');
    await expect(page.locator('.gives')).toContainText('Misses');
    await typeInto(field(page, 'within'), '800');
    await expect(page.locator('.gives')).toContainText('Rounded');
    await expect(page.locator('.gives')).toContainText('early in 100 years');
    await saved(page);

    const text = await downloaded(page, async () => {
      await page.goto('/');
      await page.getByRole('button', { name: 'Actions for New drive' }).click();
      await page.getByText('Export', { exact: true }).click();
    });
    expect(JSON.parse(text)).toMatchObject({
      version: 2,
      job: { between: [{ from: 'Train 1', to: 'Slow' }] },
      trains: [
        { name: 'Train 1', from: null, stages: [{ z1: 12, z2: 60 }] },
        {
          name: 'Slow',
          from: { train: 'Train 1', shaft: 1 },
          stages: [{ z1: 16 }, { z1: 15 }],
          job: { divisions: '7' },
        },
      ],
    });
    await importFile(page, upload('back.pendrix.json', text));
    await expect(page.locator('th.name a', { hasText: 'New drive 2' })).toBeVisible();
    await openDrive(page, 'New drive 2', 'Train');
    await outputs(page).getByRole('button', { name: 'Slow' }).click();
    await expect(stage(page, 3)).toBeVisible();
  },
);

test('what a branch hangs on does not go unasked, and undo takes a branch back in one step', async ({
  page,
}) => {
  await beginAt(page, 'Walnut orrery', 'Train');
  await outputs(page).getByRole('button', { name: 'Mercury' }).click();
  await page.getByRole('button', { name: /Actions for stage 2/ }).click();
  await page.getByText('Remove', { exact: true }).click();
  // the stage that turns Year and Moon stays, and it is said why
  await expect(page.locator('.notice')).toContainText('Year hangs on shaft 2 of Mercury');
  await expect(stage(page, 4)).toBeVisible();

  await page.getByRole('button', { name: 'Name and beginning of Mercury' }).click();
  await page.getByRole('button', { name: 'Take Mercury away' }).click();
  await expect(page.locator('.about').getByRole('alert')).toContainText('Venus hangs on Mercury');
  await page.keyboard.press('Escape');

  await outputs(page).getByRole('button', { name: 'Moon' }).click();
  await page.getByRole('button', { name: 'Name and beginning of Moon' }).click();
  await page.getByRole('button', { name: 'Take Moon away' }).click();
  await page.keyboard.press('Escape');
  await expect(outputs(page).getByRole('button', { name: 'Moon' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo take away Moon' }).click();
  await expect(outputs(page).getByRole('button', { name: 'Moon' })).toBeVisible();
  await page.reload();
  await expect(outputs(page).getByRole('button', { name: 'Moon' })).toBeVisible();
});

test('the arbor plan by keyboard: nudged, pinned, at its other place, cured and taken back', async ({
  page,
}) => {
  await beginAt(page, 'Walnut orrery', 'Train');
  await page.getByRole('button', { name: 'Arbor plan' }).focus();
  await page.keyboard.press('Enter');
  await expect(row(page, '3')).toContainText('solved');
  await expect(
    page.getByRole('heading', { name: /Two pairs between 3 and 4 differ by 0.80 mm/ }),
  ).toBeVisible();
  await expect(page.getByRole('heading', { name: /Year’s 86 meets arbor 3 by 1.00 mm/ })).toBeVisible();

  // a swinging arbor turns by half a degree, a pinned one goes by a tenth of a millimetre
  await arbor(page, '7').focus();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: /^Undo arbor 7 swung/ }).waitFor();
  await page.keyboard.press('p');
  await expect(row(page, '7')).toContainText('pinned');
  await arbor(page, '7').focus();
  await page.keyboard.press('Shift+ArrowUp');
  await page.getByRole('button', { name: /^Undo arbor 7 moved/ }).waitFor();
  // pulled away from its mate: said, with by how much
  await expect(page.locator('.trouble').first()).toBeVisible();
  await arbor(page, '7').focus();
  await page.keyboard.press('p');
  await expect(row(page, '7')).toContainText('swings');
  await arbor(page, '5').focus();
  await page.keyboard.press('o');
  await page.getByRole('button', { name: /^Undo arbor 5 at its other place/ }).click();
  await page.getByRole('button', { name: /^Undo arbor 7/ }).waitFor();

  await page
    .locator('.trouble', { hasText: 'Two pairs between 3 and 4 differ by 0.80' })
    .getByRole('button', { name: 'Take it' })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: /differ by 0.80/ })).toHaveCount(0);
  await expect(row(page, '4')).not.toContainText('36.4');
  await page.getByRole('button', { name: /^Undo profile shift/ }).click();
  await expect(page.getByRole('heading', { name: /differ by 0.80/ })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(row(page, '3')).toContainText('solved');
});

test('the arbor plan by mouse: an arbor is pulled along its arc, wheels and rows choose the same', async ({
  page,
}) => {
  await beginAt(page, 'Walnut orrery', 'Train');
  await page.getByRole('button', { name: 'Arbor plan' }).click();
  const seven = arbor(page, '7').locator('.hit');
  await seven.waitFor();
  const box = (await seven.boundingBox())!;
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x - 30, at.y - 6, { steps: 4 });
  await page.mouse.move(at.x - 60, at.y - 20, { steps: 4 });
  await page.mouse.up();
  await expect(row(page, '7')).toHaveClass(/on/);
  const undo = page.getByRole('button', { name: /^Undo arbor 7 swung/ });
  await undo.click();
  // one pull is one step
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeVisible();

  await row(page, '5').getByRole('button').click();
  await expect(page.getByRole('region', { name: 'Arbor 5' })).toContainText(
    'It stands where two distances meet.',
  );
  await choose(
    page.getByRole('region', { name: 'Arbor 5' }).getByRole('combobox', { name: 'Layer of its pair' }),
    'F5',
  );
  await expect(row(page, '5')).toContainText('49 F5');
  await typeInto(page.getByRole('region', { name: 'Arbor 5' }).getByLabel('Distance'), '-3');
  await expect(page.getByRole('region', { name: 'Arbor 5' })).toContainText('is negative');

  const csv = await downloaded(page, () => page.getByRole('button', { name: 'CSV' }).click());
  expect(csv).toContain('arbor,how,x (mm)');
  await page.getByRole('button', { name: 'Save 1:1' }).click();
  const dxf = await downloaded(page, () => item(page, 'DXF, for a mill or a laser').click());
  expect(dxf).toContain('$INSUNITS');
});

test('a slide and a pan: one shot, one file, and a second sweep of one source is refused', async ({
  page,
}) => {
  await beginAt(page, 'Orchard slide and pan', 'Check');
  await openTab(page, 'Sweep');
  await expect(page.locator('main')).toContainText('Slide and Pan share one clock');
  const text = await downloaded(page, () =>
    page
      .getByRole('button', { name: /G-code/ })
      .first()
      .click(),
  );
  expect(text).toContain('G0 X900.000000 A120.000000 ; frame 240');
  await choose(page.getByRole('combobox', { name: 'Output' }), 'Pan');
  await expect(page.locator('main')).toContainText('Slide and Pan share one clock');
  // what all axes share is set once, whichever is looked at
  await typeInto(field(page, 'Frames'), '120');
  await expect(page.locator('main')).toContainText('share one clock');
  const both = await downloaded(page, () =>
    page
      .getByRole('button', { name: /G-code/ })
      .first()
      .click(),
  );
  expect(both).toContain('G0 X900.000000 A120.000000 ; frame 120');
});

test('two axes step in turn, row by row, and a reload finds the place', async ({ page }) => {
  await beginAt(page, 'Garden star fork', 'Run');
  await choose(page.getByRole('combobox', { name: 'In a grid with' }), 'Altitude');
  await expect(field(page, 'Rows, from its home')).toHaveValue('7');
  await typeInto(field(page, 'Rows, from its home'), '8');
  await expect(page.locator('.begin')).toContainText('is above 7');
  await typeInto(field(page, 'Rows, from its home'), '2');
  await typeInto(field(page, 'Start at gap'), '24');
  await page.getByRole('button', { name: 'Start at gap 24' }).click();
  await expect(page.locator('.row-of')).toContainText('Row 1 of 2');
  await page.keyboard.press('Space');
  await expect(page.locator('.row-of')).toContainText('Row 2 of 2');
  await expect(page.locator('.row-of')).toContainText('Altitude at 15°00′00.0″');
  await expect(page.locator('.row-of')).toContainText('40000');
  await page.reload();
  await expect(page.locator('.row-of')).toContainText('Row 2 of 2');
  await page.keyboard.press('Backspace');
  await expect(page.locator('.row-of')).toContainText('Row 1 of 2');
});

test('two branches are looked for at once and hung on a shaft', async ({ page }) => {
  await beginAt(page, 'Tide dial', 'Find');
  await page.getByRole('button', { name: 'Two branches' }).click();
  await expect(page.locator('.two')).toContainText('Write both ratios');
  await typeInto(field(page, 'Ratio'), '3');
  await typeInto(field(page, 'Second ratio'), '4');
  await expect(page.locator('.two tbody tr').first()).toContainText('one wheel drives both');
  await page.locator('.two tbody tr').first().getByRole('button', { name: 'Use' }).click();
  await expect(outputs(page).getByRole('button')).toHaveText([/Train 1/, /Train 2/, /Train 3/]);
  await page.getByRole('button', { name: /^Undo branch from Train 1/ }).click();
  await expect(outputs(page)).toHaveCount(0);
});

test.describe('files that hang wrongly', () => {
  const drive = (trains: readonly object[]): string =>
    JSON.stringify({ format: 'pendrix-drive', version: 2, name: 'Bad', job: {}, trains });
  const one = {
    name: 'a',
    from: null,
    source: { kind: 'crank', marks: 60 },
    stages: [],
    output: { kind: 'rotary' },
    job: {},
  };
  for (const [what, trains, why] of [
    [
      'a shaft that is not there',
      [one, { ...one, name: 'b', from: { train: 'a', shaft: 4 }, source: undefined }],
      'there is no shaft 4',
    ],
    [
      'a train on itself',
      [one, { ...one, name: 'b', from: { train: 'b', shaft: 0 }, source: undefined }],
      'b would hang on itself',
    ],
    ['two of one name', [one, { ...one, name: 'A' }], 'two trains are called A'],
    ['more than forty', [one, ...Array.from({ length: 40 }, (_, i) => ({ ...one, name: `t${i}` }))], 'holds'],
  ] as const)
    test(`${what} is refused in one sentence, and the list stays`, async ({ page }) => {
      await beginAtDrives(page);
      await importFile(page, upload('bad.pendrix.json', drive(trains)));
      await expect(page.locator('body')).toContainText(why);
      await expect(page.locator('th.name a', { hasText: 'Bad' })).toHaveCount(0);
      await expect(page.locator('th.name a', { hasText: 'Walnut orrery' })).toBeVisible();
    });
});
