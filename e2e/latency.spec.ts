import { expect, test } from '@playwright/test';
import { cell, field, openDemo, openDrive } from './bench.ts';

/** Runs in the page: types tooth counts and waits for the verdict; gives the times, and those of empty frames, in ms. */
async function measure(counts: readonly number[]): Promise<{ edits: number[]; frames: number[] }> {
  const frame = (): Promise<number> => new Promise((r) => requestAnimationFrame(r));
  const input = [...document.querySelectorAll('label')]
    .find((l) => l.textContent === 'Driven')!
    .parentElement!.querySelector('input')!;
  const steps = document.querySelector('[data-cell=steps]')!;
  const property = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
  const edits: number[] = [];
  const frames: number[] = [];
  for (const z of counts) {
    await frame();
    const idle = performance.now();
    await frame();
    frames.push(performance.now() - idle);
    await new Promise((r) => setTimeout(r, 60));
    const changed = new Promise<void>((r) => {
      const seen = new MutationObserver(() => {
        seen.disconnect();
        r();
      });
      seen.observe(steps, { subtree: true, childList: true, characterData: true });
    });
    performance.mark(`edit ${z}`);
    const from = performance.now();
    property.set?.call(input, String(z));
    input.dispatchEvent(new Event('input', { bubbles: true }));
    await changed;
    // Layout and paint of what has changed belong to it.
    void document.body.offsetHeight;
    edits.push(performance.now() - from);
    performance.measure(`verdict after ${z}`, `edit ${z}`);
  }
  return { edits, frames };
}

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

test('an edit of a tooth count with 200 divisions: the verdict, and its time beside an empty frame', async ({
  page,
}, info) => {
  await openDemo(page);
  await openDrive(page, 'Orrery wheel cutter', 'Job');
  await field(page, 'Divisions of one turn').fill('40-239');
  await expect(cell(page, 'divisions')).toContainText('of 200');
  await page.getByRole('link', { name: 'Open the train' }).click();
  await expect(field(page, 'Driven')).toBeVisible();
  const counts = Array.from({ length: 24 }, (_, i) => 60 + ((i * 7) % 41));
  const { edits, frames } = await page.evaluate(measure, counts);
  const said = `edit to verdict: median ${median(edits).toFixed(1)} ms, worst ${Math.max(...edits).toFixed(1)} ms (wanted < 32); ${(median(edits) / median(frames)).toFixed(2)} of an empty frame of ${median(frames).toFixed(1)} ms`;
  console.log(said);
  info.annotations.push({ type: 'bench', description: said });
  await expect(cell(page, 'steps')).toContainText(String((200 * 16 * counts.at(-1)! * 90) / 20));
});
