import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { emptyTest, expect, test } from './quiet.ts';
import { app } from '../server/src/app.ts';
import { serveController } from '../server/src/controller.ts';
import {
  beginAt,
  connect,
  controller,
  DEMO_DRIVES,
  field,
  go,
  openDemo,
  openDrive,
  typeInto,
} from './bench.ts';

test.use({ serviceWorkers: 'allow' });

const built = fileURLToPath(new URL('../web/dist', import.meta.url));

test('works without a network after the first load; a new version says so and waits', async ({
  page,
  context,
}) => {
  const dist = mkdtempSync(path.join(tmpdir(), 'pendrix-built-'));
  cpSync(built, dist, { recursive: true });
  const server = app(dist).listen(0, '127.0.0.1');
  const endControllers = serveController(server);
  await new Promise((ready) => server.once('listening', ready));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    await page.goto(base);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // the first start: the demo workshop is in place
    await expect(page.getByText('This is the demo workshop of Lantern Hill')).toBeVisible();
    await expect(page.locator('tbody tr')).toHaveCount(DEMO_DRIVES);
    await page.reload();

    await context.setOffline(true);
    await page.reload();
    await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
    await go(page, 'Check');
    await expect(page.locator('.chart canvas').first()).toBeVisible();
    await go(page, 'Train');
    await typeInto(field(page, 'Wheel'), '97');
    await expect(page.locator('[data-cell=divisions]')).toContainText('of 6');
    await context.setOffline(false);

    // Something has been built anew on the server.
    const worker = path.join(dist, 'sw.js');
    writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// another version\n`);
    await page.reload();
    await page.evaluate(() => navigator.serviceWorker.getRegistration().then((r) => r?.update()));
    await expect(page.getByText('A new version of Pendrix is here.')).toBeVisible();
    await expect(field(page, 'Wheel')).toHaveValue('97');
    // taken, it would load every tab anew: not one that has a machine in its hands
    const machine = await context.newPage();
    await machine.goto(page.url().replace(/train.*$/, 'run'));
    await machine.getByRole('button', { name: 'Start at gap 1' }).click();
    await connect(machine, 'motor=dc');
    await page.getByRole('button', { name: 'Take it now' }).click();
    await expect(page.getByText('A tab of this browser has a controller.')).toBeVisible();
    await expect(controller(machine)).toContainText('stand-in');
    await controller(machine).getByRole('button', { name: 'Disconnect' }).click();
    await page.getByRole('button', { name: 'Take it now' }).click();
    await expect(page.getByText('has a controller')).toBeHidden();
    await expect(page.getByText('A new version of Pendrix is here.')).toBeHidden();
    await expect(field(page, 'Wheel')).toHaveValue('97');
  } finally {
    endControllers();
    server.closeAllConnections();
    server.close();
  }
});

emptyTest(
  'the first load takes under 330 kB of script, and the charts come when they are first shown',
  async ({ page, context }) => {
    await context.addInitScript(() =>
      Object.defineProperty(navigator, 'serviceWorker', { value: undefined }),
    );
    const scripts = new Map<string, number>();
    page.on('response', (r) => {
      const name = new URL(r.url()).pathname;
      if (name.endsWith('.js')) void r.body().then((body) => scripts.set(name, body.length));
    });
    const { gzipSync } = await import('node:zlib');
    const zipped = (names: Iterable<string>): number =>
      [...names].reduce((sum, n) => sum + gzipSync(readFileSync(path.join(built, n))).length, 0);
    await page.goto('/', { waitUntil: 'networkidle' });
    const first = [...scripts.keys()];
    expect(first.length).toBeGreaterThan(2);
    expect(first.some((n) => n.includes('charts'))).toBe(false);
    const size = zipped(first);
    console.log(`first load: ${first.length} scripts, ${(size / 1000).toFixed(0)} kB gzip`);
    expect(size).toBeLessThan(330_000);
    await openDemo(page);
    await openDrive(page, 'Orrery wheel cutter', 'Check');
    await expect(page.locator('.chart canvas').first()).toBeVisible();
    await expect.poll(() => [...scripts.keys()].some((n) => n.includes('charts'))).toBe(true);
  },
);

test.describe('with a file that does not come', () => {
  test.use({ mayWarn: [/Failed to load resource|Failed to fetch dynamically imported module/] });
  test('a part that cannot be loaded says so and how to go on; nothing is lost', async ({ page }) => {
    await page.route(/MakePage.*\.js/, (route) => route.abort());
    await beginAt(page, 'Orrery wheel cutter', 'Train');
    await typeInto(field(page, 'Wheel'), '97');
    await page.getByRole('link', { name: 'Make' }).click();
    const notice = page.getByRole('alert').filter({ hasText: 'A part of Pendrix could not be loaded' });
    await expect(notice).toContainText('all you did is stored here');
    await expect(field(page, 'Wheel')).toHaveValue('97');
    await page.unroute(/MakePage.*\.js/);
    await notice.getByRole('button', { name: 'Reload' }).click();
    await go(page, 'Make');
    await go(page, 'Train');
    await expect(field(page, 'Wheel')).toHaveValue('97');
  });
});
