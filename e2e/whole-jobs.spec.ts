import { readFile } from 'node:fs/promises';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import {
  ask,
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
  newDrive,
} from './bench.ts';

/** Whole jobs from the wish to the bench, as a maker would do them. */

const namedDrive = async (page: Page, name: string): Promise<void> => {
  await page.goto('/');
  await newDrive(page);
  await typeInto(field(page, 'Name of the drive'), name);
};
const addStage = async (page: Page, kind: string): Promise<void> => {
  await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
  await page.getByText(kind, { exact: true }).last().click();
};
const work = (page: Page) => page.getByRole('region', { name: 'Work', exact: true }).last();

emptyTest('a barn door from its lead and hinge to constants and camera', async ({ page }) => {
  await namedDrive(page, 'Field barn door');
  await ask(page, 'Rate');
  await go(page, 'Train');
  await addStage(page, 'Timing belt');
  await typeInto(field(page, 'Driver'), '20');
  await typeInto(field(page, 'Driven'), '60');
  await choose(work(page).getByLabel('Kind'), 'Tangent arm');
  await typeInto(work(page).getByRole('textbox', { name: 'Lead', exact: true }), '0.8');
  await typeInto(work(page).getByRole('textbox', { name: 'Hinge to screw' }), '212');
  await go(page, 'Check');
  await openTab(page, 'Arm');
  const arm = page.locator('.two-columns');
  await expect(arm).toContainText('1.15945');
  await openTab(page, 'Rate');
  await page.getByRole('button', { name: 'Add the controller' }).click();
  await typeInto(field(page, 'Clock within ±'), '30');
  // through the belt and the screw: 200 steps × 3 × 1.15945 turns a minute, or what microsteps make of it
  await expect(page.getByRole('region', { name: 'What puts the rate out' })).toContainText('the arm');
  await expect(page.getByLabel('C header')).toContainText('STARS_TICKS');
  await expect(page.getByLabel('C header')).toContainText('sense of the motor');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  const text = await readFile(await (await coming).path(), 'utf8');
  expect(text).toMatch(/#define STARS_FORWARD [01]/);
  await openTab(page, 'Camera');
  await page.getByRole('button', { name: /Add a camera/ }).click();
  const seen = page.getByRole('region', { name: 'What the camera sees' });
  await expect(seen).toContainText('Round');
  await typeInto(seen.getByRole('textbox', { name: 'Exposure' }), '3600');
  await expect(seen).toContainText('Round only for');
});

test('a plate head for 61, 63 and 87 from the job to the bench, by plates', async ({ page }) => {
  await beginAt(page, 'Sundial plate head', 'Job');
  await typeInto(field(page, 'Divisions of one turn'), '61, 63, 87');
  await expect(cell(page, 'divisions')).toContainText('3of 3');
  await expect(cell(page, 'error')).toContainText('±');
  await go(page, 'Check');
  await expect(page.getByRole('table', { name: 'Wanted counts' })).toContainText('63');
  await go(page, 'Run');
  await page.getByRole('button', { name: '63', exact: true }).click();
  const sheet = page.getByRole('table', { name: 'Sheet of targets' });
  await expect(sheet).toContainText(/\d+ on \d+ and \d+ on \d+|turn/);
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of 63');
  await expect(page.getByText('Pin then in hole')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Gap 2 of 63');
  await expect(page.locator('.by-plate')).toContainText(/\d+ on \d+ and \d+ on \d+/);
  await saved(page);
  await page.reload();
  await expect(page.locator('.what')).toContainText('Gap 2 of 63');
});

test('87 by hand: the pin that comes round to hole 0 tells a slip, and leads back to where it was right', async ({
  page,
}) => {
  await beginAt(page, 'Sundial plate head', 'Job');
  await typeInto(field(page, 'Divisions of one turn'), '87');
  await go(page, 'Run');
  await page.getByRole('button', { name: '87', exact: true }).click();
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  const at = page.locator('.what');
  await expect(at).toContainText('Gap 1 of 87');
  for (let gap = 2; gap <= 4; gap++) {
    await page.keyboard.press('Space');
    await expect(at).toContainText(`Gap ${gap} of 87`);
  }
  // 14 on 21 and −6 on 29: the first comes round each third move
  await expect(page.getByText(/The pin on 21 must be in hole 0 now/)).toBeVisible();
  await page.getByRole('button', { name: 'It is not: back to gap 1' }).click();
  await expect(at).toContainText('Gap 1 of 87');
});

test('a preload cord: the run rewinds, and says so', async ({ page }) => {
  await beginAt(page, 'Specimen table', 'Train');
  await work(page).getByText('Limits of turning').click();
  await typeInto(work(page).getByRole('textbox', { name: 'Forth' }), '1');
  await typeInto(work(page).getByRole('textbox', { name: 'Why' }), 'preload cord');
  await go(page, 'Run');
  await typeInto(field(page, 'Divisions'), '4');
  await expect(page.getByRole('table', { name: 'Sheet of targets' })).toContainText('rewind');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of 4');
  for (let i = 1; i < 4; i++) await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Cut, rewind' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Rewind to the start');
  await expect(page.getByText(/^Back by .* Wind it back slowly/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.locator('.what')).toContainText('Rewind to the start');
  await page.keyboard.press('Space');
  await expect(page.locator('.what')).toContainText('Done');
});

emptyTest('a kept worm, and the belts round it that serve two counts', async ({ page }) => {
  await namedDrive(page, 'Bought head');
  await typeInto(field(page, 'Divisions of one turn'), '73, 95');
  await go(page, 'Train');
  await addStage(page, 'Worm');
  await typeInto(field(page, 'Wheel'), '90');
  await page.getByRole('button', { name: /^Actions for stage 1/ }).click();
  await page.locator('.v-list-item-title', { hasText: 'Keep this stage' }).click();
  await expect(page.getByText('kept: Find and cures leave it as it is')).toBeVisible();
  await go(page, 'Find');
  await page.getByRole('group', { name: 'Kinds of stage' }).getByLabel('Belts').check();
  await page.getByRole('group', { name: 'Kinds of stage' }).getByLabel('Spur pairs').uncheck();
  await expect(page.getByRole('group', { name: 'Stages that stay' }).getByLabel('Worm 1 : 90')).toBeChecked();
  await page.getByRole('group', { name: 'Max stages' }).getByRole('button', { name: '1' }).click();
  await typeInto(field(page, 'Steps'), '1000-');
  await page.getByRole('group', { name: 'Max stages' }).getByRole('button', { name: '2' }).click();
  const first = page.locator('tr[data-key]').first();
  await expect(first).toContainText('worm 1:90');
  await expect(first).toContainText('belt');
  await expect(page.locator('.certificate')).toContainText('Kept: worm 1 : 90.');
  await expect(page.locator('.asked')).toContainText('Divisions 73 and 95');
  await expect(page.getByRole('rowheader', { name: /^2 pairs .*proven/ })).toBeVisible();
  await expect(page.locator('.searching')).toHaveCount(0);
  await first.click();
  await page.getByRole('button', { name: 'Use it' }).click();
  await expect(cell(page, 'divisions')).toContainText('2of 2');
  await go(page, 'Train');
  await expect(page.getByText('kept: Find and cures leave it as it is')).toBeVisible();
});

test('a printed box says "if exactly" on every page', async ({ page }) => {
  await beginAt(page, 'Planet dial head', 'Job');
  for (const id of ['steps', 'divisions', 'error'])
    await expect(cell(page, id)).toContainText('if exactly 45 : 1');
  await ask(page, 'Rate');
  await go(page, 'Check');
  await expect(page.getByRole('table', { name: 'Divisions' })).toContainText('if exactly');
  await openTab(page, 'Rate');
  await page.getByRole('button', { name: 'Add the controller' }).click();
  await expect(page.locator('.ways')).toContainText('if exactly');
  await expect(page.getByLabel('C header')).toContainText('if exactly');
  await openTab(page, 'Speed');
  await page.getByRole('button', { name: 'Add a hand knob' }).click();
  await expect(page.getByRole('region', { name: 'Hand knob' }).last()).toContainText('if exactly');
  await go(page, 'Run');
  await expect(page.locator('main')).toContainText('if exactly');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.err')).toContainText('Exact');
  await page.keyboard.press('Space');
  await expect(page.locator('.err')).toContainText('Even if exactly 45 : 1');
  await page
    .getByRole('navigation')
    .getByRole('link', { name: /Pendrix/ })
    .click();
  await expect(page.getByRole('row', { name: /Planet dial head/ })).toContainText('if exactly');
});

test(
  'no cell of the strip and no figure under a shaft is cut or runs into its neighbour',
  { tag: '@nightly' },
  async ({ page }) => {
    await beginAtDrives(page);
    const drives = await page.locator('th.name a').evaluateAll((all) => all.map((a) => a.textContent ?? ''));
    const home = page.getByRole('navigation').getByRole('link', { name: /Pendrix/ });
    for (const drive of drives) {
      await home.click();
      await openDrive(page, drive, 'Train');
      await page.locator('.shafts').waitFor();
      for (const [width, height] of [
        [1024, 700],
        [1280, 800],
      ] as const) {
        await page.setViewportSize({ width, height });
        await page.evaluate(
          () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
        );
        const cut = await page.evaluate(() => {
          const out: string[] = [];
          const within = (box: Element, inner: string): void => {
            const outer = box.getBoundingClientRect();
            for (const e of box.querySelectorAll(inner)) {
              const r = e.getBoundingClientRect();
              if (r.width === 0) continue;
              if (r.right > outer.right + 1 || r.bottom > outer.bottom + 1 || r.left < outer.left - 1)
                out.push(e.textContent ?? '');
            }
          };
          for (const c of document.querySelectorAll('.verdict .cell')) within(c, '.value, .grade, .absent');
          for (const s of document.querySelectorAll('.shafts .shaft')) within(s, '.num, h4');
          // labels of the drawing, as the browser sets them: none on another
          const boxes = [...document.querySelectorAll('main svg g.label > g')].map((g) => ({
            box: g.getBoundingClientRect(),
            message: g.textContent ?? '',
          }));
          boxes.forEach(({ box: a, message }, i) => {
            for (const { box: b, message: other } of boxes.slice(i + 1))
              if (a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
                out.push(`${message} on ${other}`);
          });
          return out;
        });
        expect([width, drive, cut]).toEqual([width, drive, []]);
      }
    }
  },
);
