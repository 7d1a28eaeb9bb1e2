import { readFileSync } from 'node:fs';
import { emptyTest, expect, type Page, test } from './quiet.ts';
import {
  beginAt,
  beginAtDrives,
  cell,
  DEMO_DRIVES,
  field,
  go,
  openDrive,
  saved,
  typeInto,
  upload,
  newDrive,
} from './bench.ts';

/** Puts a record into the browser's database as it stands, as another version or a fault might have. */
const putRaw = (page: Page, store: string, record: object): Promise<void> =>
  page.evaluate(
    ([name, value]) =>
      new Promise<void>((done, fail) => {
        const opening = indexedDB.open('pendrix');
        opening.onerror = () => fail(new Error('not opened'));
        opening.onsuccess = () => {
          const db = opening.result;
          const change = db.transaction(name, 'readwrite');
          change.objectStore(name).put(value);
          change.oncomplete = () => {
            db.close();
            done();
          };
        };
      }),
    [store, record] as const,
  );

test('73 typed over a cell of the shelf stores 73, in any order and under a filter; Escape leaves it', async ({
  page,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Job');
  await go(page, 'Shelf');
  const teeth = (id: string) => page.locator(`[data-row="${id}"] [data-column="1"]`);
  await teeth('wheel-1-120').click();
  await page.keyboard.press('F2');
  await page.keyboard.type('73');
  await page.keyboard.press('Enter');
  await expect(teeth('wheel-1-120')).toHaveText('73');
  await teeth('wheel-1-16').click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('105');
  await page.keyboard.press('Tab');
  await expect(teeth('wheel-1-16')).toHaveText('105');
  // under a filter, and with a drive linked to the line
  await typeInto(page.getByLabel('Filter'), '76');
  await teeth('pulley-2-76').click();
  await page.keyboard.press('F2');
  await page.keyboard.type('80');
  await page.keyboard.press('Enter');
  // it is filtered only now that it is kept
  await expect(teeth('pulley-2-76')).toHaveCount(0);
  await typeInto(page.getByLabel('Filter'), '80');
  await expect(teeth('pulley-2-76')).toHaveText('80');
  await typeInto(page.getByLabel('Filter'), '');
  await teeth('wheel-1-24').click();
  await page.keyboard.press('F2');
  await page.keyboard.type('99');
  await page.keyboard.press('Escape');
  await expect(teeth('wheel-1-24')).toHaveText('24');
  await go(page, 'Train');
  await expect(field(page, 'Driven').first()).toHaveValue('80');
  await expect(page.getByText('linked to 20 and 80')).toBeVisible();
  // line and drive go back together
  await page.keyboard.press('Control+z');
  await expect(field(page, 'Driven').first()).toHaveValue('76');
  await expect(page.getByText('linked to 20 and 76')).toBeVisible();
  await go(page, 'Shelf');
  await typeInto(page.getByLabel('Filter'), '76');
  await expect(teeth('pulley-2-76')).toHaveText('76');
});

test('undo in one tab does not take back what the other wrote, and outlives a reload', async ({
  page,
  context,
}) => {
  await beginAt(page, 'Tide dial', 'Job');
  await field(page, 'Divisions of one turn').press('Control+a');
  await page.keyboard.type('61');
  await expect(cell(page, 'divisions')).toContainText('of 1');
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await field(other, 'Name of the drive').press('Control+a');
  await other.keyboard.type('Moon dial');
  await expect(page.locator('.title h1')).toHaveText('Moon dial');
  await page.getByRole('button', { name: /^Undo divisions/ }).click();
  await expect(field(page, 'Divisions of one turn')).not.toHaveValue('61');
  await expect(page.locator('.title h1')).toHaveText('Moon dial');
  await saved(page);
  await page.reload();
  await page.getByRole('button', { name: /^Redo divisions 61/ }).click();
  await expect(field(page, 'Divisions of one turn')).toHaveValue('61');
  await expect(field(other, 'Divisions of one turn')).toHaveValue('61');
  await page.getByRole('button', { name: /^Undo divisions/ }).click();
  await expect(page.locator('.title h1')).toHaveText('Moon dial');
});

test('a record that this version cannot read is set apart, exported and deleted; the rest works', async ({
  page,
}) => {
  await beginAtDrives(page);
  await saved(page);
  await putRaw(page, 'drives', {
    id: 'future',
    rev: 1,
    drive: {
      format: 'pendrix-drive',
      version: 1,
      name: 'Flux engine',
      train: { stages: [{ kind: 'flux' }] },
    },
  });
  await putRaw(page, 'runs', { id: 'junk', state: 'not a run' });
  await page.reload();
  const apart = page.getByRole('region', { name: 'Set apart' });
  await expect(apart).toContainText('Two records cannot be read by this version');
  await expect(apart).toContainText('Flux engine');
  await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
  const download = page.waitForEvent('download');
  await apart.getByRole('button', { name: 'Export Flux engine' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('"kind": "flux"');
  await apart.getByRole('button', { name: 'Delete Flux engine' }).click();
  // a backup is offered before it is gone for good
  await expect(page.getByRole('dialog').getByRole('button', { name: 'Back up all' })).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(apart).toContainText('One record cannot be read');
  await page.reload();
  await expect(page.getByRole('region', { name: 'Set apart' })).not.toContainText('Flux engine');
});

test('a run outlives the deletion of its drive and a second tab; two blanks are under way at once', async ({
  page,
  context,
}) => {
  await beginAt(page, 'Orrery wheel cutter', 'Run');
  await typeInto(field(page, 'Divisions'), '95');
  await typeInto(field(page, 'Start at gap'), '8');
  await page.getByRole('button', { name: 'Start at gap 8' }).click();
  await expect(page.locator('.what')).toContainText('Gap 8 of 95');
  await page.getByRole('button', { name: 'Runs' }).click();
  await typeInto(field(page, 'Name of this blank'), 'spare blank');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of');
  await page.getByRole('button', { name: 'Runs' }).click();
  await expect(page.getByText('gap 8 of 95')).toBeVisible();
  await expect(page.getByText('spare blank', { exact: true }).last()).toBeVisible();
  await page.goto('/');
  await page.getByRole('button', { name: 'Actions for Orrery wheel cutter' }).click();
  await page.getByText('Delete', { exact: true }).click();
  await expect(page.getByText('Orrery wheel cutter is deleted, with two runs.')).toBeVisible();
  await saved(page);
  const other = await context.newPage();
  await other.goto('/');
  await expect(other.locator('tbody tr')).toHaveCount(DEMO_DRIVES - 1);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await openDrive(page, 'Orrery wheel cutter', 'Run');
  await page.getByRole('button', { name: /^Go on: 95 divisions/ }).click();
  await expect(page.locator('.what')).toContainText('Gap 8 of 95');
});

test('a stale tab that would put a run back asks first', async ({ page, context }) => {
  await beginAt(page, 'Orrery wheel cutter', 'Run');
  await page.getByRole('button', { name: '95', exact: true }).click();
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await expect(page.locator('.what')).toContainText('Gap 1 of 95');
  // a tab that hears nothing, as one that sleeps
  const stale = await context.newPage();
  await stale.addInitScript(() => Reflect.deleteProperty(window, 'BroadcastChannel'));
  await stale.goto(page.url());
  await expect(stale.locator('.what')).toContainText('Gap 1 of 95');
  await page.bringToFront();
  for (let gap = 2; gap <= 5; gap++) {
    await page.keyboard.press('Space');
    await expect(page.locator('.what')).toContainText(`Gap ${gap} of 95`);
  }
  await stale.getByRole('button', { name: 'Cut, go on' }).click();
  await expect(stale.getByRole('alert')).toContainText('has gone on to gap 5 of 95 in another tab');
  await expect(stale.locator('.what')).toContainText('Gap 5 of 95');
  await stale.getByRole('button', { name: 'Go back to gap 1 of 95' }).click();
  await expect(stale.locator('.what')).toContainText('Gap 1 of 95');
});

test.describe('with an error of a station', () => {
  test.use({ mayWarn: [/a tooth is missing/] });
  test('an error in a station is told there; the rail stays, and everything can be backed up', async ({
    page,
  }) => {
    await beginAtDrives(page);
    const address = page.url();
    await page.route('**/assets/RunPage-*.js', (route) =>
      route.fulfill({
        contentType: 'text/javascript',
        body: "export default { setup() { throw new Error('a tooth is missing'); } };",
      }),
    );
    await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Run' }).click();
    await expect(page.getByRole('alert')).toContainText('This station could not be shown');
    await expect(page.getByRole('alert')).toContainText('a tooth is missing');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Back up all' }).click();
    const backup = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as {
      drives: unknown[];
      parts: unknown[];
    };
    expect([backup.drives.length, backup.parts.length > 40]).toEqual([DEMO_DRIVES, true]);
    await go(page, 'Check');
    await expect(page.locator('.chart canvas').first()).toBeVisible();
    expect(page.url()).toContain(address);
  });
});

test.describe('with the database deleted under it', () => {
  test.use({ mayWarn: [/wants to delete database/] });
  test('everything is written again, and said; a reload has it', async ({ page }) => {
    await beginAt(page, 'Orrery wheel cutter', 'Train');
    await typeInto(field(page, 'Wheel'), '97');
    await saved(page);
    await page.evaluate(() => indexedDB.deleteDatabase('pendrix'));
    await expect(page.getByText('The storage of this browser was emptied')).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(field(page, 'Wheel')).toHaveValue('97');
    await page.goto('/');
    await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
  });

  test('a backup restores what is good, names what is not, and one Undo takes it back', async ({ page }) => {
    await beginAtDrives(page);
    const out = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Back up all' }).click();
    const text = readFileSync(await (await out).path(), 'utf8');
    // no page stands open that would write it again
    await page.goto('/pendrix.svg');
    await page.evaluate(() => indexedDB.deleteDatabase('pendrix'));
    await page.evaluate(() => sessionStorage.clear());
    await page.goto('/');
    await expect(page.getByText('A drive is a job and the train that does it')).toBeVisible();
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Import a file' }).click();
    await (
      await chooser
    ).setFiles(upload('all.pendrix.json', text.replace('"wheel": 90', '"wheel": "many"')));
    await expect(page.getByRole('alert')).toContainText('left out: Orrery wheel cutter');
    await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES - 1);
    await page
      .locator('.title')
      .getByRole('button', { name: /^Undo import/ })
      .click();
    await expect(page.locator('tbody tr')).toHaveCount(0);
  });
});

emptyTest('leaving while something is not saved is warned of', async ({ page }) => {
  await page.addInitScript(() => {
    // eslint-disable-next-line @typescript-eslint/unbound-method -- it is called with its own object below
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (this.name === 'drives') throw new DOMException('no room', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  await page.goto('/');
  await newDrive(page);
  await expect(page.locator('.trouble')).toContainText('not saved: The browser has no room left');
  await expect(page.locator('.title')).not.toContainText('saved 1');
  let asked = '';
  page.on('dialog', (dialog) => {
    asked = dialog.type();
    void dialog.accept();
  });
  await page.locator('h1').click();
  await page.reload();
  expect(asked).toBe('beforeunload');
});

test('before the database answers nothing is said of drives and nothing backed up; then everything is there', async ({
  page,
}) => {
  await page.clock.install();
  await page.addInitScript(() => {
    // eslint-disable-next-line @typescript-eslint/unbound-method -- it is called with its own object below
    const open = IDBFactory.prototype.open;
    const waiting: (() => void)[] = [];
    Object.assign(window, { answer: () => waiting.forEach((go) => go()) });
    IDBFactory.prototype.open = function (...asked: Parameters<typeof open>) {
      let real: IDBOpenDBRequest | null = null;
      const late = {
        get result() {
          return real?.result;
        },
        get transaction() {
          return real?.transaction;
        },
        get error() {
          return real?.error;
        },
      } as Record<string, unknown>;
      waiting.push(() => {
        real = open.apply(this, asked);
        for (const on of ['onsuccess', 'onerror', 'onblocked', 'onupgradeneeded'] as const)
          real[on] = (e: Event) => (late[on] as ((e: Event) => void) | undefined)?.(e);
      });
      return late as unknown as IDBOpenDBRequest;
    };
  });
  await page.goto('/');
  await page.clock.runFor(6000);
  await expect(
    page.getByRole('heading', { name: "The browser's database has not answered yet" }),
  ).toBeVisible();
  await expect(page.locator('main')).not.toContainText(/no drive|0 drives|demo workshop of/i);
  await page.getByRole('button', { name: 'Back up all' }).first().click();
  await expect(page.getByRole('alert').filter({ hasText: 'has not answered yet' })).not.toHaveCount(0);
  await page.evaluate(() => (window as unknown as { answer: () => void }).answer());
  await page.clock.runFor(1000);
  await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
  await expect(page.locator('.trouble')).toHaveCount(0);
});
