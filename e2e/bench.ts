import { readFile } from 'node:fs/promises';
import { readdirSync } from 'node:fs';
import { WORKSHOP } from '../playwright.config.ts';
import { expect, type Locator, type Page } from './quiet.ts';

/** How many drives the demo workshop has. */
export const DEMO_DRIVES = readdirSync(new URL('../demo/', import.meta.url)).filter((f) =>
  f.endsWith('.pendrix.json'),
).length;

/** Opens the demo workshop in an empty browser. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Open the demo workshop' }).click();
  await expect(page.getByRole('link', { name: /Orrery wheel cutter/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Dismiss' }).click();
}

type Station = 'Job' | 'Shelf' | 'Train' | 'Find' | 'Check' | 'Make' | 'Run' | 'Log';

/** What `workshop.setup.ts` kept, as far as it is read here. */
interface Kept {
  readonly origins: readonly {
    readonly indexedDB: readonly {
      readonly stores: readonly {
        readonly name: string;
        readonly records: readonly {
          readonly value: { readonly id: string; readonly drive: { name: string } };
        }[];
      }[];
    }[];
  }[];
}

/** Begins at the list of the demo workshop, which is in place. */
export async function beginAtDrives(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByRole('link', { name: /Orrery wheel cutter/ }).first()).toBeVisible();
}

/** Begins at a station of a drive of the demo workshop, by its address. */
export async function beginAt(page: Page, name: string, station: Exclude<Station, 'Shelf'>): Promise<void> {
  const kept = JSON.parse(await readFile(WORKSHOP, 'utf8')) as Kept;
  const drives = kept.origins[0]?.indexedDB[0]?.stores.find((s) => s.name === 'drives')?.records ?? [];
  const found = drives.find((r) => r.value.drive.name.includes(name));
  if (!found) throw new Error(`the demo workshop has no drive ${name}`);
  await page.goto(`/drive/${found.value.id}/${station.toLowerCase()}`);
  await expect(page.locator('main h2').first()).toHaveText(station);
}

/** Opens a drive of the list at a station. */
export async function openDrive(page: Page, name: string, station: Station): Promise<void> {
  await page.locator('th.name a', { hasText: name }).click();
  await go(page, station);
}

/** By the rail to another station of the open drive. */
export async function go(page: Page, station: Station): Promise<void> {
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
  await expect(page.locator('main h2').first()).toHaveText(station);
}

/** A tab of Check. */
export const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true });

/** Opens a tab of Check: one that nobody asked for stands under More. */
export async function openTab(page: Page, name: string): Promise<void> {
  await page.getByRole('tab').first().waitFor();
  if (await tab(page, name).isVisible()) await tab(page, name).click();
  else {
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('listitem').or(page.getByRole('option')).filter({ hasText: name }).first().click();
  }
  await expect(tab(page, name)).toHaveAttribute('aria-selected', 'true');
}

/** A field by its label. */
export const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

/** Types over what stands in a field, key by key, as a person does. */
export async function typeInto(input: Locator, text: string): Promise<void> {
  await input.click();
  const { keyboard } = input.page();
  await keyboard.press('Control+a');
  if (text === '') await keyboard.press('Delete');
  // what is that long is pasted
  else if (text.length > 200) await keyboard.insertText(text);
  else await keyboard.type(text);
}

/** A cell of the verdict strip as text. */
export const cell = (page: Page, id: string) => page.locator(`.verdict [data-cell=${id}]`);

/** Until what was asked for is drawn: two frames of the page itself, not a time. */
export const painted = (page: Page): Promise<void> =>
  page.evaluate(
    () => new Promise<void>((done) => requestAnimationFrame(() => requestAnimationFrame(() => done()))),
  );

/** Waits until everything is on the disk. */
export async function saved(page: Page): Promise<void> {
  await painted(page);
  await expect(page.locator('.title')).toContainText('saved');
}

/** A file as an upload, from text or bytes. */
export const upload = (name: string, text: string | Buffer) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
});

/** What a select shows. */
export const chosen = (select: Locator) =>
  select.locator('xpath=ancestor::div[contains(concat(" ", @class, " "), " v-field ")][1]');

/** Chooses in a select by its title, as a person does. */
export async function choose(select: Locator, title: string): Promise<void> {
  // the field around it takes the press
  await chosen(select).click();
  const option = select.page().getByRole('option', { name: title, exact: true });
  // of a long list only what is in view is made
  for (let i = 0; i < 60 && !(await option.isVisible()); i++) {
    await select.page().locator('.v-select__content .v-list').hover();
    await select.page().mouse.wheel(0, 240);
    await painted(select.page());
  }
  await option.click();
}

/** Adds to the Job what is asked besides dividing, from its one list. */
export async function ask(page: Page, what: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a rate, a sweep, a camera…' }).click();
  await page.locator('.v-list-item', { has: page.getByText(what, { exact: true }) }).click();
}

/** What is handed over as a file when `act` is done. */
export async function download(
  page: Page,
  act: () => Promise<void>,
): Promise<{ name: string; text: string }> {
  const coming = page.waitForEvent('download');
  await act();
  const file = await coming;
  return { name: file.suggestedFilename(), text: await readFile(await file.path(), 'utf8') };
}

/** A drive with nothing asked yet, past the questions that it begins with. */
export async function newDrive(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'New drive' }).click();
  await page.getByRole('button', { name: 'I know my numbers' }).click();
}

/** The panel of the controller in Run. */
export const controller = (page: Page) => page.getByRole('region', { name: 'Controller' });

/** Connects the server's stand-in of a motor that behaves like `words`. */
export async function connect(page: Page, words: string): Promise<void> {
  await controller(page)
    .getByLabel('Connect')
    .locator('xpath=ancestor::div[contains(@class, "v-field ")][1]')
    .click();
  await page.getByRole('option', { name: 'Stand-in of the server' }).click();
  const like = controller(page).getByRole('textbox', { name: 'It is like' });
  await like.press('ControlOrMeta+a');
  await typeInto(like, words);
  await controller(page).getByRole('button', { name: 'Connect' }).click();
  await expect(controller(page)).toContainText('stand-in, DC motor');
}
