import { expect, test } from './quiet.ts';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { beginAt, field, typeInto } from './bench.ts';

/** The words of a PDF, page by page. */
async function pagesOf(pdf: Buffer): Promise<readonly string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const { items } = await (await document.getPage(i)).getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  return pages;
}

for (const [format, landscape] of [
  ['A4', false],
  ['A4', true],
  ['Letter', false],
  ['Letter', true],
] as const)
  test(`the sheet of 361 divisions prints whole on ${format}, ${landscape ? 'landscape' : 'upright'}`, async ({
    page,
  }) => {
    await beginAt(page, 'Orrery wheel cutter', 'Run');
    await typeInto(field(page, 'Divisions'), '361');
    await expect(page.getByText('sheet of 361 targets')).toBeVisible();
    const pages = await pagesOf(await page.pdf({ format, landscape }));
    const text = pages.join(' ');
    expect(pages.length).toBeGreaterThan(5);
    expect(pages.every((p) => p.trim() !== '')).toBe(true);
    expect(text).toContain('Orrery wheel cutter: 361 divisions');
    // the angle of every gap, and each once
    const missing = Array.from({ length: 361 }, (_, i) => i + 1).filter(
      (gap) => !new RegExp(`(^|\\s)${gap}\\s+${gap - 1}\\s`).test(text),
    );
    expect(missing).toEqual([]);
    // the heads stand on each page, the screen on none
    expect(pages.every((p) => p.includes('Angle at the work'))).toBe(true);
    expect(text).not.toContain('Search');
  });

test('the plates print whole: every wanted count, and the opened one step by step', async ({ page }) => {
  await beginAt(page, 'Sundial plate', 'Check');
  const text = (await pagesOf(await page.pdf({ format: 'A4' }))).join(' ');
  for (const count of [60, 61, 63, 73, 77, 87, 95]) expect(text).toContain(String(count));
  expect(text).toContain('sector arms');
});

/** Words of a PDF that stand beyond its page, or that were made smaller than 7 pt to be on it. */
async function unread(pdf: Buffer): Promise<readonly string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const out: string[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const page = await document.getPage(i);
    const [left = 0, , right = 0] = page.view;
    const { items } = await page.getTextContent();
    for (const item of items)
      if ('str' in item && item.str.trim() !== '') {
        const x = Number(item.transform[4]);
        if (x < left || x + item.width > right || Math.abs(Number(item.transform[3])) < 7) out.push(item.str);
      }
  }
  return out;
}

test('whole drives print side by side, three to a row, none beyond the page or too small', async ({
  page,
}) => {
  await beginAt(page, 'Sundial hour ring', 'Find');
  await page.getByRole('group', { name: 'Search for' }).getByRole('button', { name: 'Whole drives' }).click();
  await page.getByRole('group', { name: 'Stages at most' }).getByRole('button', { name: '1' }).click();
  await expect(page.getByText(/up to 1 stage:.*Proven within this pool/)).toBeVisible();
  for (const format of ['A4', 'Letter'] as const)
    for (const landscape of [false, true]) {
      const pdf = await page.pdf({ format, landscape });
      const text = (await pagesOf(pdf)).join(' ').replace(/\s+/g, ' ');
      expect(text).toContain('Sundial hour ring: whole drives');
      for (const measure of ['worst error', 'divisions', 'power off', 'to buy', 'decides'])
        expect(text).toContain(measure);
      expect(text).toContain('Worm 1 : 144, motor of 200');
      expect(text).toContain('Proven within this pool');
      expect(await unread(pdf)).toEqual([]);
    }
  // a sheet that is too wide is found out
  await page.addStyleTag({ content: '.print-sheet table { width: 500mm !important }' });
  expect((await unread(await page.pdf({ format: 'A4' }))).length).toBeGreaterThan(0);
});
