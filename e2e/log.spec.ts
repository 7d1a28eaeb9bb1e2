import { expect, test } from './quiet.ts';
import { beginAt, choose, chosen, download, field, go, saved, typeInto } from './bench.ts';

test('a record is read back, its worm taken as measured, and the budget follows', async ({ page }) => {
  await beginAt(page, 'Night meadow camera cradle', 'Log');
  const record = page.getByRole('region', { name: 'A record' });
  await record.getByRole('button', { name: 'Sample' }).click();
  await expect(record.getByText('Too short to tell:')).toBeVisible({ timeout: 20_000 });
  await expect(record.getByRole('row', { name: /worm run-out|and 1 more/ }).first()).toContainText('±35');
  // by the other rate, half as fast, the worm comes round in twice the time, and what was read is its second wave
  const slow = record.getByRole('row', { name: /19\.9 min/ });
  await expect(slow).toHaveCount(0);
  await choose(record.getByLabel('It follows'), 'half, for a mirror');
  await expect(slow).toBeVisible();
  await choose(record.getByLabel('It follows'), 'stars');
  await expect(slow).toHaveCount(0);
  await record.getByRole('button', { name: 'Put it into the log' }).click();
  await expect(page.getByText('It is in the log as a measurement.')).toBeVisible();
  // and kept as a revision in the same step
  await record
    .getByRole('button', { name: /and keep a revision/ })
    .first()
    .click();
  await saved(page);
  await expect(page.getByText(/measured: /).first()).toBeAttached();
  await go(page, 'Check');
  await page.getByRole('tab', { name: 'Errors' }).click();
  await expect(page.getByRole('row', { name: /Worm run-out/ })).toContainText('measured');
  await go(page, 'Log');
  await expect(page.getByRole('region', { name: 'Entries' }).getByRole('listitem')).toHaveCount(13);
  // a file that is none is refused, and what was read stays away from it
  await page.getByLabel('Record to read').setInputFiles({
    name: 'bad.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('time_s,error_arcsec\n0,1\n1,two\n'),
  });
  await expect(record.getByRole('alert')).toContainText('line 3');
});

test('columns that their heads do not tell are asked for once, and known again', async ({ page }) => {
  await beginAt(page, 'Night meadow camera cradle', 'Log');
  const record = page.getByRole('region', { name: 'A record' });
  const open = (name: string, first: number): Promise<void> =>
    page.getByLabel('Record to read').setInputFiles({
      name,
      mimeType: 'text/csv',
      buffer: Buffer.from(
        `frame;minutes;dev x\n${Array.from({ length: 60 }, (_, i) => `${i};${i},0;${first + 3 * i}`).join('\n')}\n`,
      ),
    });
  await open('a.csv', 0);
  await expect(record.getByRole('alert')).toContainText('frame, minutes, dev x');
  const columns = record.getByRole('table').first();
  await expect(columns.getByRole('row', { name: /minutes/ })).toContainText('0,0, 1,0, 2,0');
  await choose(columns.getByRole('combobox', { name: 'minutes holds' }), 'time, min');
  await expect(record.getByRole('alert')).toBeVisible();
  await choose(columns.getByRole('combobox', { name: 'dev x holds' }), 'error, ″');
  const drift = record.getByRole('row', { name: /drift, steady/ });
  // 3″ a minute, 3′ an hour
  await expect(drift).toContainText('+3.00′');
  await page.reload();
  await open('b.csv', 40);
  await expect(drift).toContainText('+3.00′');
  await record.getByRole('button', { name: 'Which column is what' }).click();
  await expect(chosen(columns.getByRole('combobox', { name: 'dev x holds' }))).toContainText('error, ″');
});

test('a design is kept, changed, compared and brought back; a cure that would go warns', async ({ page }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Log');
  const revisions = page.getByRole('region', { name: 'Revisions' });
  const because = revisions.getByRole('textbox', { name: 'Keep the design, because' });
  await because.pressSequentially('first light');
  await revisions.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('img', { name: 'one revision over time' })).toBeVisible();

  const entry = async (kind: string, words: string, figures = ''): Promise<void> => {
    await page.getByRole('button', { name: 'Add an entry' }).first().click();
    const dialog = page.getByRole('dialog');
    await choose(dialog.getByLabel('Kind'), kind);
    await typeInto(dialog.getByRole('textbox', { name: 'Words' }), words);
    if (figures) await typeInto(dialog.getByRole('textbox', { name: 'Figures' }), figures);
  };
  const add = page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true });
  await entry('complaint', 'it knocks at 240°');
  await add.click();
  const entries = page.getByRole('region', { name: 'Entries' });
  await expect(entries.getByRole('listitem').first()).toContainText('open');
  await expect(page.getByRole('link', { name: /^Log, needs attention: open: it knocks/ })).toBeVisible();

  await go(page, 'Train');
  await typeInto(page.getByRole('textbox', { name: 'Wheel', exact: true }), '72');
  await go(page, 'Log');
  await because.pressSequentially('72 knocks less');
  await revisions.getByRole('button', { name: 'Keep', exact: true }).click();
  await entry('measured', 'quiet all round', 'noise forty');
  await add.click();
  await expect(page.getByRole('dialog')).toContainText('is not a figure with its name');
  await typeInto(page.getByRole('dialog').getByRole('textbox', { name: 'Figures' }), 'noise 41 ± 2 dB');
  await choose(page.getByRole('dialog').getByLabel('Closes the complaint'), 'it knocks at 240°');
  await add.click();
  await expect(entries).toContainText('closed');
  await expect(revisions).toContainText('41 ± 2');

  await choose(revisions.getByLabel('Compare'), '1: first light');
  await expect(revisions.getByRole('row', { name: /^stage 2/ })).toContainText('differs');
  await revisions.getByRole('button', { name: 'Go back to revision 1' }).click();
  await expect(revisions.getByRole('alertdialog')).toContainText('take back what cured “it knocks at 240°”');
  await revisions.getByRole('alertdialog').getByRole('button', { name: 'Go back' }).click();
  await expect(page.getByRole('img', { name: 'three revisions over time' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('img', { name: 'three revisions over time' })).toBeVisible();
  await go(page, 'Train');
  await expect(page.getByRole('textbox', { name: 'Wheel', exact: true })).toHaveValue('90');
  await page.keyboard.press('Escape');
  await go(page, 'Log');
  await typeInto(field(page, 'Search the log'), 'knocks');
  await expect(entries.getByRole('listitem')).toHaveCount(1);
  const csv = await download(page, () => page.getByRole('button', { name: 'CSV', exact: true }).click());
  expect(csv.text.split('\n')[0]).toBe('at,kind,revision,words,figures,state');
  expect(csv.text).toContain('it knocks at 240°');
});
