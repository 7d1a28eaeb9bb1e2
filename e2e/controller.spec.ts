import { expect, type Page, test } from './quiet.ts';
import { beginAt, connect, controller as panel, field, go, typeInto } from './bench.ts';

/** Every move of the runs that are stored, as the database holds them. */
const stored = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<
        {
          gap: number;
          moves: { gap: number; off?: number }[];
          finished: boolean;
          driven?: { phase: string };
        }[]
      >((resolve, reject) => {
        const open = indexedDB.open('pendrix');
        open.onerror = () => reject(new Error('no database'));
        open.onsuccess = () => {
          const all = open.result.transaction('runs').objectStore('runs').getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve((all.result as { state: never }[]).map((r) => r.state));
          };
        };
      }),
  );
const key = (page: Page, name: string) => page.locator('.key.go', { hasText: name });

test(
  '31 teeth by the server’s DC stand-in: cut off at 10, the tab killed at 16, shaking; each gap once, all within the window',
  { tag: '@nightly' },
  async ({ page, context }) => {
    test.setTimeout(240_000);
    const sockets: { close: () => Promise<void> }[] = [];
    await context.routeWebSocket(/\/controller/, (ws) => {
      const server = ws.connectToServer();
      sockets.push({
        close: async () => {
          // the page first: it must not go on talking to what is gone
          await ws.close({ code: 1011, reason: 'the cable was pulled' });
          await server.close();
        },
      });
    });
    await beginAt(page, 'Orrery wheel cutter', 'Run');
    await typeInto(field(page, 'Divisions'), '31');
    await page.getByRole('button', { name: 'Start at gap 1' }).click();
    const words = 'motor=dc&speed=400000&coast=18&window=3&shaking=1&decode=4&seed=61';
    await connect(page, words);
    await panel(page)
      .getByRole('button', { name: /stands on the mark/ })
      .click();
    let at = page;
    for (let gap = 1; gap <= 31; gap++) {
      await expect(at.locator('.what')).toContainText(`Gap ${gap} of 31`);
      if (gap === 10) {
        await sockets.at(-1)!.close();
        await expect(at.getByRole('alert')).toContainText('The controller is gone: the cable was pulled');
        await connect(at, words);
        await key(at, 'Released, move').click();
      }
      await expect(key(at, 'Clamped')).toBeEnabled({ timeout: 20_000 });
      await at.keyboard.press('c');
      await expect(key(at, 'Cut')).toBeEnabled();
      await at.keyboard.press('Space');
      if (gap === 16) {
        // in the middle of its way to the next, which is on the disk before it sets off
        await expect(at.locator('.what')).toContainText('Gap 17 of 31');
        const url = at.url();
        await at.close();
        at = await context.newPage();
        await at.goto(url);
        await expect(at.getByText('check the mark before you go on')).toBeVisible();
        await expect(at.locator('.what')).toContainText('Gap 17 of 31');
        await connect(at, words);
        await at.keyboard.press('Space');
      }
    }
    await expect(at.locator('.what')).toContainText('Done');
    const [run] = await stored(at);
    expect(run!.finished).toBe(true);
    expect(run!.moves.map((m) => m.gap)).toEqual(Array.from({ length: 31 }, (_, i) => i + 1));
    expect(run!.moves.every((m) => Math.abs(m.off ?? 0) <= 4)).toBe(true);
  },
);

test('counted once an edge and not held, shaking walks the count off, and the diagnosis names it', async ({
  page,
}) => {
  test.setTimeout(90_000);
  await beginAt(page, 'Orrery wheel cutter', 'Run');
  await page.getByRole('button', { name: 'Start at gap 1' }).click();
  await connect(page, 'motor=dc&speed=400000&decode=1&shaking=1&seed=5');
  await panel(page)
    .getByRole('button', { name: /stands on the mark/ })
    .click();
  await panel(page).getByText('hold the count while it is clamped').click();
  await panel(page).getByRole('button', { name: 'Shake test' }).click();
  await expect(panel(page)).toContainText(/edges on A and 0 on B: \d+ counts/, { timeout: 10_000 });
  await page.keyboard.press('c');
  await expect(key(page, 'Cut')).toBeEnabled();
  // until the count has walked where it can be read
  const stands = panel(page).getByText('the work at');
  const clamped = await stands.innerText();
  await expect(stands).not.toHaveText(clamped);
  await key(page, 'Cut').click();
  await expect(page.getByRole('alert')).toContainText(
    /The count walked off by \d+ counts .* one edge flickers/,
  );
  // what is marked and passed over is kept
  await page.getByRole('button', { name: 'More for this run' }).click();
  await page.getByText('Mark this gap as bad').click();
  await expect(page.locator('.what')).toContainText('marked as bad');
  await go(page, 'Log');
  await expect(page.getByRole('region', { name: 'Entries' })).toContainText('60 divisions');
});
