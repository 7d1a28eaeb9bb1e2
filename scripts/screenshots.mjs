// Takes the pictures of docs/screenshots from the built application and the demo workshop: node scripts/screenshots.mjs
import { register } from 'tsx/esm/api';
import { chromium } from '@playwright/test';
import { ROOT } from './setup.mjs';

register();
const { app } = await import('../server/src/app.ts');
const { CHROMIUM } = await import('../playwright.config.ts');

const server = app(`${ROOT}web/dist`).listen(0, '127.0.0.1');
await new Promise((ready) => server.once('listening', ready));
const base = `http://127.0.0.1:${server.address().port}`;
const browser = await chromium.launch(CHROMIUM);
const open = async (width, height) => {
  const context = await browser.newContext({
    viewport: { width, height },
    reducedMotion: 'reduce',
    locale: 'en-GB',
    timezoneId: 'UTC',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  // The same minute in every picture.
  await page.clock.install({ time: new Date('2026-11-24T20:41:00Z') });
  await page.goto(base);
  await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).waitFor();
  await page.clock.runFor(2000);
  return page;
};
const shot = async (page, name) => {
  await page.clock.runFor(400);
  await page.waitForTimeout(250);
  await page.screenshot({ path: `${ROOT}docs/screenshots/${name}.png` });
};
const go = (page, station) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
async function run(page, gaps) {
  // the station before it has a key of that name, too
  await page.getByText('Set the work on its mark first.').waitFor();
  await page.getByRole('button', { name: '73', exact: true }).click();
  await page.getByRole('textbox', { name: 'Name of this blank' }).fill('brass 73');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  for (let gap = 2; gap <= gaps; gap++) {
    await page.clock.runFor(106_000 + ((gap * 7919) % 13_000));
    await page.getByRole('button', { name: 'Cut, go on' }).click();
    await page.getByText(`Gap ${gap}`, { exact: true }).first().waitFor();
  }
}

const page = await open(1280, 800);
await shot(page, 'drives');
await page.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
await shot(page, 'job');
await go(page, 'Train');
await page.getByRole('textbox', { name: 'Driven' }).click();
await shot(page, 'train');
await go(page, 'Find');
await page.getByRole('textbox', { name: 'Divide by' }).fill('73, 97');
await page.clock.runFor(400);
await page.locator('.searching').waitFor();
await page.locator('.searching').waitFor({ state: 'detached' });
await page.locator('tr[data-key]').first().click();
await page.locator('.chart canvas').first().waitFor();
await shot(page, 'find');
await go(page, 'Shelf');
await page.locator('[data-row="wheel-1-15"] [data-column="4"]').click();
await shot(page, 'shelf');
await go(page, 'Check');
await page.locator('.chart canvas').first().waitFor();
await page.locator('.figures .figure').first().click();
await shot(page, 'check');
await go(page, 'Run');
await run(page, 31);
await shot(page, 'run');
await page.getByRole('button', { name: 'Night', exact: true }).click();
await page.mouse.move(640, 700);
await shot(page, 'run-night');

const bench = await open(1280, 800);
for (const [drive, name, ready] of [
  ['Night meadow', 'rate', '.plot canvas'],
  ['Sundial plate', 'plates', '.plate'],
  ['Orrery wheel', 'errors', '.budget'],
  ['Stone turntable', 'force', '.plot canvas'],
  ['Night meadow', 'picture', '.stars canvas'],
]) {
  await bench.getByRole('link', { name: 'Pendrix' }).first().click();
  await bench.locator('th.name a', { hasText: drive }).click();
  await go(bench, 'Check');
  const tab = { errors: 'Errors', force: 'Force', picture: 'Picture' }[name];
  if (tab) await bench.getByRole('tab', { name: tab }).click();
  await bench.clock.runFor(400);
  await bench.locator(ready).first().waitFor();
  await bench.clock.runFor(400);
  if (name === 'plates') await bench.locator('.rows tr', { hasText: '95' }).first().click();
  await shot(bench, name);
}

await bench.getByRole('link', { name: 'Pendrix' }).first().click();
await bench.locator('th.name a', { hasText: 'Walnut orrery' }).click();
await go(bench, 'Train');
await bench.getByRole('group', { name: 'Outputs' }).getByRole('button', { name: 'Venus' }).click();
await bench.getByRole('button', { name: 'Arbor plan' }).click();
await bench.clock.runFor(600);
await shot(bench, 'arbors');
await bench.getByRole('link', { name: 'Pendrix' }).first().click();
await bench.locator('th.name a', { hasText: 'Orrery wheel' }).click();
await go(bench, 'Make');
await bench.locator('.which .v-field').click();
await bench.getByRole('option', { name: 'work, 73' }).click();
for (const feel of ['binds', 'rattles', 'stiff', 'slight rattle'])
  await bench
    .getByRole('group', { name: 'What you feel' })
    .getByRole('button', { name: feel, exact: true })
    .click();
await bench.clock.runFor(600);
await shot(bench, 'make');

await bench.getByRole('link', { name: 'Pendrix' }).first().click();
await bench.locator('th.name a', { hasText: 'Night meadow' }).click();
await go(bench, 'Log');
await bench.getByRole('button', { name: 'Sample' }).click();
await bench.getByText('Too short to tell:').waitFor();
await bench.clock.runFor(1200);
await bench.locator('.plot canvas').first().waitFor();
await shot(bench, 'log');

await bench.getByRole('link', { name: 'Pendrix' }).first().click();
await bench.locator('th.name a', { hasText: 'Sundial hour ring' }).click();
await go(bench, 'Find');
await bench.getByRole('group', { name: 'Search for' }).getByRole('button', { name: 'Whole drives' }).click();
await bench.clock.runFor(400);
await bench.getByText('Proven within this pool').waitFor({ timeout: 60_000 });
await bench.clock.runFor(600);
await shot(bench, 'choose');

await bench.getByRole('link', { name: 'Pendrix' }).first().click();
await bench.getByRole('button', { name: 'New drive', exact: true }).click();
await bench.getByRole('button', { name: /Follow the sky/ }).click();
for (const [name, text] of [
  ['One exposure', '90'],
  ['Camera', '3.9'],
])
  await bench.getByRole('group', { name, exact: true }).getByRole('textbox').fill(text);
await bench.clock.runFor(600);
await bench.getByText('do it, the simplest first', { exact: false }).waitFor({ timeout: 60_000 });
await bench.getByText('still looking').waitFor({ state: 'detached', timeout: 60_000 });
await shot(bench, 'start');

const phone = await open(390, 844);
await phone.locator('th.name a', { hasText: 'Orrery wheel cutter' }).click();
await phone.locator('main h2', { hasText: 'Job' }).waitFor();
await phone.getByRole('button', { name: 'Stations' }).click();
await go(phone, 'Run');
await run(phone, 31);
await shot(phone, 'run-phone');

await browser.close();
server.close();
