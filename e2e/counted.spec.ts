import { cell, field, typeInto } from './bench.ts';
import { expect, test, type Page } from './quiet.ts';

/**
 * What a maker does who has read nothing: each press of a button and each field that is filled is one action, and they are few.
 */
class Actions {
  private count = 0;
  private readonly page: Page;

  constructor(page: Page) {
    this.page = page;
  }

  async press(role: 'button' | 'link' | 'tab', name: RegExp | string): Promise<void> {
    this.count++;
    await this.page
      .getByRole(role, { name, exact: typeof name === 'string' })
      .first()
      .click();
  }

  async fill(name: string, text: string): Promise<void> {
    this.count++;
    await typeInto(field(this.page, name), text);
  }

  done(most: number): void {
    expect(this.count).toBeLessThanOrEqual(most);
  }
}
const first = (page: Page) => page.getByRole('article').first();
const seen = { timeout: 30_000 };

async function begun(page: Page, what: RegExp): Promise<Actions> {
  await page.goto('/');
  const maker = new Actions(page);
  await maker.press('button', /^New drive/);
  await maker.press('button', what);
  return maker;
}

test('"20, 30, 37, 90 on my 90 : 1 table" to a run sheet, with the right word about 37', async ({ page }) => {
  const maker = await begun(page, /Divide a turn/);
  await maker.fill('Into how many', '20, 30, 37, 90');
  await maker.fill('A head at hand', '90 : 1');
  await expect(first(page)).toContainText('Motor on the head', seen);
  await expect(first(page)).toContainText(/To buy/i);
  await maker.press('button', /^Begin with/);
  await expect(cell(page, 'divisions')).toContainText('of 4');
  await maker.press('link', /^Run/);
  await maker.press('button', '37');
  const sheet = page.getByRole('table', { name: 'Sheet of targets' });
  await expect(sheet.locator('tbody tr').nth(2)).toContainText(/15.?568/);
  await expect(page.locator('main')).toContainText('Rounded');
  maker.done(8);
});

test('"80 cm in 20 minutes" to a drive and its shot', async ({ page }) => {
  const maker = await begun(page, /Move a camera/);
  await maker.fill('How far', '80 cm');
  await maker.fill('How long', '20 min');
  await expect(first(page)).toContainText(/To buy/i, seen);
  await maker.press('button', /^Begin with/);
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await maker.press('link', /^Check/);
  await expect(page.locator('main')).toContainText('20.0 min');
  // 800 mm in 239 intervals
  await expect(page.locator('main')).toContainText('Least and most in one frame');
  await expect(page.getByRole('table').last()).toContainText('5.02092');
  maker.done(12);
});

test('"stars, 2 minutes, 100 mm" to a drive whose picture stays round', async ({ page }) => {
  const maker = await begun(page, /Follow the sky/);
  await maker.fill('Lens', '100');
  await maker.fill('One exposure', '2 min');
  await expect(first(page)).toContainText('stays round', seen);
  await expect(first(page)).toContainText(/To buy/i);
  await maker.press('button', /^Begin with/);
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await maker.press('link', /^Check/);
  await maker.press('tab', 'Picture');
  await expect(page.locator('main')).toContainText(/stays? round/i, seen);
  maker.done(10);
});

test('"a table of 4 kg, 0.5 to 5 rpm" to a motor and a reduction', async ({ page }) => {
  const maker = await begun(page, /Turn a table/);
  await maker.fill('Heaviest thing', '4 kg');
  await maker.fill('How fast', '0.5 to 5');
  await expect(first(page)).toContainText(/To buy/i, seen);
  await maker.press('button', /^Begin with/);
  await expect(page.locator('main h2').first()).toHaveText('Train');
  await expect(cell(page, 'force')).toContainText('×');
  await expect(cell(page, 'steps')).not.toContainText('chosen with the drive');
  maker.done(10);
});
