import { readFileSync } from 'node:fs';
import { emptyTest, expect, test } from './quiet.ts';
import { beginAt, field, go, openDrive, saved, typeInto, upload } from './bench.ts';

const key = (name: string) => new RegExp(name);

test('a rule along a slide: marks by the keyboard, an odd move refused, a reload finds the mark, then home', async ({
  page,
}) => {
  await beginAt(page, 'Engraver’s slide', 'Run');
  const move = field(page, 'From mark to mark');
  await move.press('ControlOrMeta+a');
  await move.pressSequentially('0.5, 1');
  await move.press('Enter');
  await expect(page.getByText(key('cannot be read as a move'))).toBeVisible();
  await move.press('ControlOrMeta+a');
  await move.pressSequentially('2pi');
  await move.press('Enter');
  // 2π mm are 12 566.37 of 2 000 microsteps a mm
  await expect(page.getByRole('row', { name: /^2 1 12 ?566/ })).toContainText('−0.19');
  await page.getByRole('button', { name: '0.5', exact: true }).click();
  const marks = field(page, 'Marks');
  await marks.press('ControlOrMeta+a');
  await marks.pressSequentially('3');
  await marks.press('Enter');
  await page.getByRole('button', { name: 'Start at mark 1' }).click();
  await expect(page.getByText('Clamp and make the first mark.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByLabel('Go to 0.5000 mm')).toBeVisible();
  await page.reload();
  await expect(page.getByText('It stands at mark 2: check the mark before you go on.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByLabel('Go to 1.0000 mm')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Back to the start' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'All marked' })).toBeVisible();
});

emptyTest(
  'a shot frame by frame: the controller goes to each, frames keep their marks, a reload waits at its frame',
  async ({ page }) => {
    await page.goto('/');
    const drive = JSON.parse(
      readFileSync(new URL('../demo/engraver-slide.pendrix.json', import.meta.url), 'utf8'),
    ) as {
      name: string;
      trains: { job: object }[];
    };
    drive.name = 'Seedling slide';
    drive.trains[0]!.job = {
      divisions: '',
      sweeps: [
        {
          from: '0',
          to: '4',
          unit: 'mm',
          frames: 4,
          easing: 'linear',
          intervalSeconds: 2,
          exposureSeconds: 0.2,
          writeSeconds: 0.1,
          settleSeconds: 0.1,
          topStepRate: 4000,
          stepAccel: 20000,
        },
      ],
    };
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Import a file' }).click();
    await (await chooser).setFiles(upload('slide.pendrix.json', JSON.stringify(drive)));
    await openDrive(page, 'Seedling slide', 'Run');
    await expect(page.getByRole('row', { name: /^4 6\.0 s 8 ?000 4\.000 mm/ })).toBeVisible();
    await page.getByRole('button', { name: 'To the first frame' }).click();
    const panel = page.getByRole('region', { name: 'Controller' });
    const like = panel.getByRole('textbox', { name: 'It is like' });
    await like.press('ControlOrMeta+a');
    await typeInto(like, 'motor=stepper&speed=20000&seed=3');
    await panel.getByRole('button', { name: 'Connect' }).click();
    await expect(panel).toContainText('stand-in');
    await page.keyboard.press('Space');
    await expect(page.getByRole('row', { name: /2 on its mark$/ })).toBeVisible({ timeout: 15_000 });
    await page.reload();
    await expect(page.getByText(/This run was under way before\. It stands at frame [34]/)).toBeVisible();
    await expect(page.getByRole('button', { name: key('Go on') }).first()).toBeVisible();
    await page.keyboard.press('Space');
    await expect(page.getByRole('heading', { name: 'All exposed' })).toBeVisible({ timeout: 20_000 });
    await page.getByRole('button', { name: 'Runs' }).click();
    await expect(page.getByText(/all 4 exposed/)).toBeVisible();
  },
);

test('a night of following: the checklist with times, kept and not kept, dark and alone; ended, it is in the log', async ({
  page,
}) => {
  await beginAt(page, 'Night meadow camera cradle', 'Run');
  await page.getByRole('button', { name: 'To the checklist' }).click();
  await expect(page.getByText('Set up first, and tick it.')).toBeVisible();
  for (const check of ['Set up', 'Level', 'Align', 'Balance', 'Focus'])
    await page.getByRole('checkbox', { name: check }).check();
  await expect(page.getByText('All is checked: start the drive, then press Start.')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: 'Follows stars' })).toBeVisible();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Kept', exact: true }).click();
  await page.getByRole('button', { name: 'Not kept' }).click();
  await expect(page.getByText('3 of 4: 30 to 95 %')).toBeVisible();
  await page.keyboard.press('Backspace');
  await expect(page.getByText('3 of 3: 44 to 100 %')).toBeVisible();
  await page.getByRole('button', { name: 'Field mode' }).click();
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await page.reload();
  await expect(page.getByText('3 of 3: 44 to 100 %')).toBeVisible();
  await page.keyboard.press('Escape');
  const told = page.getByText('The drive was changed since this run began; the run keeps the numbers');
  await expect(told).toBeHidden();
  const bench = page.url();
  await go(page, 'Train');
  await field(page, 'Wheel').first().press('ControlOrMeta+a');
  await page.keyboard.type('145');
  await saved(page);
  await page.goto(bench);
  await expect(told).toBeVisible();
  await page.getByRole('button', { name: 'End', exact: true }).click();
  await expect(page.getByText('Its exposures are in the log.')).toBeVisible();
  await saved(page);
  await go(page, 'Log');
  await expect(page.getByRole('region', { name: 'Entries' })).toContainText('135 mm, 120 s: 3 of 3 kept');
});
