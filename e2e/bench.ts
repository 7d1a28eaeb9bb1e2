import { readdirSync } from 'node:fs';
import { expect, type Page } from '@playwright/test';

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

/** Opens a drive of the list at a station. */
export async function openDrive(
  page: Page,
  name: string,
  station: 'Job' | 'Shelf' | 'Train' | 'Find' | 'Check' | 'Run',
): Promise<void> {
  await page.locator('th.name a', { hasText: name }).click();
  await go(page, station);
}

/** By the rail to another station of the open drive. */
export async function go(
  page: Page,
  station: 'Job' | 'Shelf' | 'Train' | 'Find' | 'Check' | 'Run',
): Promise<void> {
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: station }).click();
  await expect(page.locator('main h2').first()).toHaveText(station);
}

/** A field by its label. */
export const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

/** A cell of the verdict strip as text. */
export const cell = (page: Page, id: string) => page.locator(`.verdict [data-cell=${id}]`);

/** Waits until everything is on the disk. */
export async function saved(page: Page): Promise<void> {
  await expect(page.locator('.title')).toContainText('saved');
  await page.waitForTimeout(150);
}

/** A file as an upload, from text or bytes. */
export const upload = (name: string, text: string | Buffer) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(text),
});
