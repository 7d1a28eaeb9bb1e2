import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';

const root = new URL('../', import.meta.url);
const read = (path: string): string => readFileSync(new URL(path, root), 'utf8');
const texts = ['README.md', 'CHANGELOG.md', 'docs/architecture.md', 'docs/formats.md'];

describe('the documents', () => {
  test.each(texts)('%s: every link leads to a file', (name) => {
    const links = [...read(name).matchAll(/\]\(([^)#]+)\)/g)].map((m) => m[1]!).filter((l) => !/^\w+:/.test(l));
    const missing = links.filter((l) => !existsSync(new URL(l, new URL(name, root))));
    expect(missing).toEqual([]);
  });

  test('package.json, every room’s own and the changelog say one version', () => {
    const versions = ['', 'core/', 'web/', 'cli/', 'server/'].map(
      (room) => (JSON.parse(read(`${room}package.json`)) as { readonly version: string }).version,
    );
    expect(new Set(versions).size).toBe(1);
    expect(/^## ([\d.]+),/m.exec(read('CHANGELOG.md'))?.[1]).toBe(versions[0]);
    expect((JSON.parse(read('package-lock.json')) as { readonly version: string }).version).toBe(versions[0]);
  });

  test('each picture of the interface is shown in the README', () => {
    const pictures = readdirSync(new URL('docs/screenshots/', root)).filter((n) => n.endsWith('.png'));
    expect(pictures.length).toBeGreaterThan(5);
    expect(pictures.length).toBeLessThan(20);
    expect(pictures.filter((p) => !read('README.md').includes(`docs/screenshots/${p}`))).toEqual([]);
  });

  test('the tables of formats.md are those of the registries: npm run docs', async () => {
    const { withTables } = await import('./tables.ts');
    const text = read('docs/formats.md');
    for (const name of ['duties', 'stages', 'parts', 'exports']) expect(text).toContain(`<!-- /${name} -->`);
    expect(withTables(text)).toBe(text);
  });

  test('formats.md names every kind of stage with its inputs', async () => {
    const { stages, sources } = await import('../core/src/index.ts');
    const text = read('docs/formats.md');
    expect(Object.keys(stages).length).toBeGreaterThan(3);
    for (const kind of [...Object.values(stages), ...Object.values(sources)]) {
      expect(text).toContain(`\`${kind.kind}\``);
      for (const input of kind.inputs) expect(text).toContain(`\`${input.key}\``);
    }
  });

  test('formats.md names every kind of part with its inputs, and every field of a search', async () => {
    const { partKinds, findInputs } = await import('../core/src/index.ts');
    const text = read('docs/formats.md');
    for (const kind of Object.values(partKinds)) {
      expect(text).toContain(`\`${kind.kind}\``);
      for (const input of kind.inputs) expect(text).toContain(`\`${input.key}\``);
    }
    for (const input of findInputs) expect(text).toContain(`\`${input.key}\``);
  });

  test('formats.md names every period of a rate', async () => {
    const { ratePeriods } = await import('../core/src/index.ts');
    const text = read('docs/formats.md');
    for (const kind of Object.keys(ratePeriods)) expect(text).toContain(`\`${kind}\``);
  });

  test('the example drive in formats.md is a drive', async () => {
    const { readDrive } = await import('../core/src/files/index.ts');
    const [, example = ''] = /```json\n([\s\S]*?)```/.exec(read('docs/formats.md')) ?? [];
    const drive = readDrive(example);
    expect(drive.ok).toBe(true);
  });
});
