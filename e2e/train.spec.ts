import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import { beginAt, cell, choose, chosen, field, go, saved, typeInto, newDrive } from './bench.ts';

const stage = (page: Page, n: number) => page.getByRole('region', { name: new RegExp(`^Stage ${n}:`) });
const menu = async (page: Page, item: string): Promise<void> => {
  await page.getByRole('button', { name: 'More for this train' }).click();
  await page.getByText(item, { exact: true }).click();
};

/** What both ways of building must come to. */
async function fiveStages(page: Page): Promise<void> {
  for (const [i, kind] of ['Timing belt', 'Planetary set', 'Spur pair', 'Geneva', 'Worm'].entries())
    await expect(stage(page, i + 1)).toHaveAccessibleName(new RegExp(kind));
  // 3 · 60/13 · −3 · −6 · 60
  await expect(page.locator('.sub').first()).toContainText('reduction 14953');
  await expect(stage(page, 2)).toContainText('(13 + 47)/4 = 15: four planets fit.');
  await expect(stage(page, 4)).toContainText('indexes 60°');
  await expect(cell(page, 'steps')).toContainText('Repeats after 13 turns');
  const message = page.getByRole('img', { name: /Train reduction/ });
  await expect(message).toHaveAccessibleName(
    /^Stepper motor, then belt 20 : 60 to shaft 1, which makes 4 984 8\/13 turns .* then planetary 13 \/ 47 to shaft 2, .* then Geneva 6 slots to shaft 4, .* then worm 1 : 60 to shaft 5, which carries the work, then table\. Train reduction 14 953 11\/13 : 1\.$/,
  );
}

emptyTest(
  'a five-stage train with a planetary set and a Geneva, by mouse',
  { tag: '@nightly' },
  async ({ page }) => {
    await page.goto('/');
    await newDrive(page);
    await go(page, 'Train');
    for (const kind of ['Timing belt', 'Planetary set', 'Spur pair', 'Geneva', 'Worm']) {
      await page.getByRole('button', { name: 'Add a stage', exact: true }).click();
      await page.getByText(kind, { exact: true }).last().click();
    }
    await typeInto(stage(page, 2).getByRole('textbox', { name: 'Sun', exact: true }), '13');
    await typeInto(stage(page, 2).getByRole('textbox', { name: 'Ring', exact: true }), '47');
    await typeInto(stage(page, 2).getByRole('textbox', { name: 'Planets', exact: true }), '5');
    await expect(stage(page, 2)).toContainText('17.63, and 19 is needed');
    await typeInto(stage(page, 2).getByRole('textbox', { name: 'Planets', exact: true }), '4');
    await fiveStages(page);
    // One member takes the other's part.
    await choose(stage(page, 2).getByLabel('Fixed'), 'Sun');
    await expect(chosen(stage(page, 2).getByLabel('Input'))).toContainText('Ring');
  },
);

emptyTest('the same with the keyboard alone', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New drive' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'I know my numbers' }).press('Enter');
  await expect(page.locator('main h2').first()).toHaveText('Job');
  await page.keyboard.press('Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.locator('main h2').first()).toHaveText('Train');
  for (const [i, kind] of ['Timing belt', 'Planetary set', 'Spur pair', 'Geneva', 'Worm'].entries()) {
    await page.getByRole('button', { name: 'Add a stage', exact: true }).focus();
    await page.keyboard.press('Enter');
    const list = page.locator('.v-list').last();
    await expect(list).toBeVisible();
    await page.keyboard.press('ArrowDown');
    for (let n = 0; n < 20; n++) {
      if ((await page.locator(':focus').innerText()).startsWith(kind)) break;
      await page.keyboard.press('ArrowDown');
    }
    await page.keyboard.press('Enter');
    await expect(stage(page, i + 1)).toBeVisible();
    await expect(
      stage(page, i + 1)
        .locator('input')
        .first(),
    ).toBeFocused();
    if (kind === 'Planetary set')
      for (const text of ['13', '47', '4']) {
        await page.keyboard.press('Control+a');
        await page.keyboard.type(text);
        await page.keyboard.press('Tab');
      }
  }
  await fiveStages(page);
});

test('a cure is compared, taken, and undone; a pinned train stands beside the changed one', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Train');
  await page.getByRole('button', { name: 'Cures for 97' }).click();
  const cures = page.getByRole('region', { name: 'Cures' });
  await expect(cures).toContainText('97 is missing');
  await cures
    .getByRole('button', { name: /Compare: Add a pair/ })
    .first()
    .click();
  const compare = page.getByRole('region', { name: 'Comparison' });
  await expect(compare.getByRole('row', { name: /divide by 97/ })).toContainText('Rounded');
  await expect(compare.getByRole('row', { name: /divide by 97/ })).toContainText('Even');
  await expect(stage(page, 3)).toBeHidden();
  await compare.getByRole('button', { name: 'Take it' }).click();
  await expect(stage(page, 3)).toBeVisible();
  await expect(cell(page, 'divisions')).not.toContainText('4 of');
  await page.keyboard.press('Control+z');
  await expect(stage(page, 3)).toBeHidden();
  await expect(cell(page, 'divisions')).toContainText('4of 6');

  await menu(page, 'Pin this train as A');
  await typeInto(field(page, 'Driven'), '73');
  await page.getByRole('button', { name: 'Compare A and B' }).click();
  await expect(compare.getByRole('row', { name: /steps per turn/ })).toContainText('1051200');
  await page.reload();
  await expect(page.getByText('A is pinned.')).toBeVisible();
  await page.getByRole('button', { name: 'Back to A' }).click();
  await expect(field(page, 'Driven')).toHaveValue('76');
  await saved(page);
  await page.reload();
  await expect(field(page, 'Driven')).toHaveValue('76');
  await page.getByRole('button', { name: 'Unpin A' }).click();
  await expect(page.getByText('A is pinned.')).toBeHidden();

  // A range that leaves nothing says so, and bad numbers are refused in place.
  await page.getByRole('button', { name: 'Cures for 73' }).click();
  await typeInto(field(page, 'Most teeth of a cure’s wheel'), '60');
  await expect(cures).toContainText('Widen the range');
  await typeInto(field(page, 'Least teeth of a cure’s wheel'), '90');
  await expect(cures).toContainText('runs backwards');
});

test('the true ratio from a count and from a label, and the wheels that make it', async ({ page }) => {
  await beginAt(page, 'Planet dial head', 'Train');
  await expect(cell(page, 'steps')).toContainText('Even if exact');
  await stage(page, 1).getByRole('textbox', { name: 'Printed' }).focus();
  await menu(page, 'True ratio of a gearbox');
  const dialog = page.getByRole('dialog');
  await typeInto(field(page, 'Steps a turn'), '200');
  await typeInto(field(page, 'Steps counted'), '27469');
  await expect(dialog).toContainText('13.73250 to 13.73650');
  for (const r of ['206/15', '467/34', '673/49', '728/53']) await expect(dialog).toContainText(r);
  await dialog.getByRole('button', { name: 'Look' }).click();
  const trains = dialog.getByRole('list', { name: 'Wheel trains' });
  await expect(trains.getByRole('listitem')).toHaveCount(6);
  await expect(trains).toContainText('989/72');
  await typeInto(field(page, 'Steps counted'), 'many');
  await expect(dialog).toContainText('Many is not a number.');
  const { violations } = await new AxeBuilder({ page }).include('.v-dialog').analyze();
  expect(
    violations.filter((v) => v.impact === 'serious' || v.impact === 'critical').map((v) => v.id),
  ).toEqual([]);

  await dialog.getByRole('button', { name: 'From the label' }).click();
  await expect(dialog).toContainText('lies in it');
  await dialog.getByRole('button', { name: 'Use the Small four-pair geared motor' }).click();
  await expect(dialog).toBeHidden();
  await expect(stage(page, 1)).toContainText('The label says 64, 0.496 % too much');
  await expect(cell(page, 'steps')).toContainText('turns');
});

test('the drawing turns, is zoomed, chosen by, and saved', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await beginAt(page, 'Calendar ring', 'Train');
  const turned = () => page.locator('.pane [data-moves][transform]').count();
  expect(await turned()).toBe(0);
  await page.getByRole('button', { name: 'True speed' }).click();
  await expect.poll(turned).toBeGreaterThan(10);
  const at = () => page.locator('.pane [data-moves][transform]').nth(1).getAttribute('transform');
  const first = await at();
  await expect.poll(at).not.toBe(first);
  // What is changed while it turns goes on turning about its own, new middle.
  await typeInto(stage(page, 3).getByRole('textbox', { name: 'Driven', exact: true }), '90');
  const astray = () =>
    page.evaluate(
      () =>
        [...document.querySelectorAll('.pane [data-moves][transform]')].filter((el) => {
          const { mx, my } = JSON.parse(el.getAttribute('data-moves')!) as { mx: number; my: number };
          return !el.getAttribute('transform')!.endsWith(`${mx} ${my})`);
        }).length,
    );
  await expect.poll(turned).toBeGreaterThan(10);
  await expect.poll(astray).toBe(0);
  await page.getByRole('button', { name: 'Still' }).click();
  await expect.poll(turned).toBe(0);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await expect(page.getByRole('button', { name: '20×' })).toBeDisabled();

  await page.locator('.pane .part').first().click({ force: true });
  await expect(page.locator('.card.on')).toHaveCount(1);
  await stage(page, 4).getByRole('textbox', { name: 'Slots' }).focus();
  await expect(page.locator('.pane .part.on').first()).toBeVisible();

  const pane = page.getByRole('group', { name: /Drawing: plus and minus/ });
  await pane.focus();
  await page.keyboard.press('w');
  const box = () => pane.locator('svg').first().getAttribute('viewBox');
  const whole = await box();
  expect(Number(whole!.split(' ')[2])).toBeGreaterThan(1400);
  await page.keyboard.press('+');
  await page.keyboard.press('ArrowRight');
  await expect.poll(box).not.toBe(whole);
  await page.keyboard.press('0');
  await expect.poll(box).toMatch(/^0 0 /);

  for (const [item, name] of [
    ['Save the drawing as SVG', 'calendar-ring-train.svg'],
    ['Save the drawing as PNG', 'calendar-ring-train.png'],
  ] as const) {
    const [download] = await Promise.all([page.waitForEvent('download'), menu(page, item)]);
    expect(download.suggestedFilename()).toBe(name);
    const bytes = readFileSync(await download.path());
    if (name.endsWith('png')) expect(bytes.subarray(1, 4).toString()).toBe('PNG');
    else {
      expect(bytes.toString()).toContain('<svg');
      expect(/var\(--/.test(bytes.toString())).toBe(false);
    }
    expect(bytes.length).toBeGreaterThan(20_000);
  }
});

test('sources, a linear output, limits and an encoder', async ({ page }) => {
  await beginAt(page, 'Tide dial', 'Train');
  await page.getByRole('button', { name: /Another source than/ }).click();
  await page.getByText('Spring barrel', { exact: true }).click();
  await expect(page.getByText('A wound spring can break fingers')).toBeVisible();
  await page.getByRole('button', { name: 'Dismiss' }).click();
  await expect(page.getByText('A wound spring can break fingers')).toBeHidden();
  await expect(page.getByText(/Runs 3 hours on one winding/)).toBeVisible();
  await expect(cell(page, 'steps')).toContainText('no steps');
  await go(page, 'Run');
  await expect(page.getByText(/spring barrel has no steps/i)).toBeVisible();
  await go(page, 'Train');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'steps')).not.toContainText('no steps');

  const work = page.getByRole('region', { name: 'Work', exact: true }).last();
  await work.getByText('Limits of turning').click();
  await typeInto(work.getByRole('textbox', { name: 'Forth' }), '1/2');
  await go(page, 'Run');
  await expect(page.getByText(/but the work may turn only 1\/2/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start at gap 1' })).toHaveCount(0);
  await go(page, 'Train');
  await typeInto(work.getByRole('textbox', { name: 'Forth' }), '');
  // its reason goes with it, and what stands below moves up
  await expect(work.getByRole('textbox', { name: 'Why' })).toHaveCount(0);

  await work.getByText('Encoder', { exact: true }).click();
  // by key: a fold that opens may move what a pointer presses
  await work.getByRole('button', { name: 'Add an encoder' }).press('Enter');
  await expect(work).toContainText('counts a turn of the work');
  await typeInto(work.getByRole('textbox', { name: 'On shaft' }), '9');
  await expect(work).toContainText('There is no shaft 9.');
  await typeInto(work.getByRole('textbox', { name: 'On shaft' }), '0');
  await expect(work).toContainText('counts a turn of the work');

  await choose(work.getByLabel('Kind'), 'Rack');
  await typeInto(work.getByRole('textbox', { name: 'Moves that must come out even' }), 'π, 1');
  await expect(work.locator('.moves li')).toHaveCount(2);
  await expect(work.locator('.moves li').nth(1)).toContainText('Rounded');
});
