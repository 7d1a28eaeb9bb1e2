import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { stages } from './drive/index.ts';

const src = new URL('./', import.meta.url);
const rooms = readdirSync(src, { withFileTypes: true })
  .filter((e) => e.isDirectory() && e.name !== 'testing')
  .map((e) => e.name);

const read = (path: string): string => readFileSync(new URL(path, src), 'utf8');
const names = (index: string): string[] =>
  [...index.matchAll(/export (?:type )?\{([^}]*)\}/g)]
    .flatMap((m) => m[1]!.split(','))
    .map((n) => n.replace(/^\s*type /, '').trim())
    .filter(Boolean);

describe('each room', () => {
  test('there are some', () =>
    expect(rooms).toEqual(expect.arrayContaining(['numbers', 'drive', 'divide', 'run', 'report', 'files'])));

  test.each(rooms)('%s has an index with names only, and a README that lists them', (room) => {
    const index = read(`${room}/index.ts`);
    expect(index.replace(/export (type )?\{[^}]*\} from '[^']+';/g, '').trim()).toBe('');
    expect(existsSync(new URL(`${room}/README.md`, src))).toBe(true);
    const readme = read(`${room}/README.md`);
    expect(readme.split('\n').length).toBeLessThanOrEqual(41);
    const missing = names(index).filter((n) => !readme.includes(`\`${n}\``));
    expect(missing).toEqual([]);
  });

  test('"handbook: page" in a comment leads to a page', () => {
    const pages = new Set<string>();
    const walk = (dir: URL): void => {
      for (const e of readdirSync(dir, { withFileTypes: true })) {
        if (e.isDirectory()) walk(new URL(`${e.name}/`, dir));
        else
          for (const m of readFileSync(new URL(e.name, dir), 'utf8').matchAll(/handbook: ([a-z]+)/g))
            pages.add(m[1]!);
      }
    };
    walk(src);
    expect(pages.size).toBeGreaterThan(3);
    for (const page of pages)
      if (page !== 'page')
        expect([
          page,
          existsSync(new URL(`../../docs/handbook/${page === 'README' ? 'README' : page}.md`, src)),
        ]).toEqual([page, true]);
  });

  test('no file but the registry lists kinds of stage', () => {
    const kinds = Object.keys(stages).filter((k) => !['belt', 'worm', 'box', 'geneva', 'ratio'].includes(k));
    expect(kinds.length).toBeGreaterThan(5);
    const lists: string[] = [];
    const walk = (dir: URL): void => {
      for (const e of readdirSync(dir, { withFileTypes: true })) {
        const at = new URL(e.isDirectory() ? `${e.name}/` : e.name, dir);
        if (e.isDirectory()) {
          if (!['testing', 'stages', 'node_modules', 'dist'].includes(e.name)) walk(at);
        } else if (/(?<!\.test|\.bench)\.(ts|vue)$/.test(e.name)) {
          const text = readFileSync(at, 'utf8');
          const named = kinds.filter((k) => text.includes(`'${k}'`));
          if (named.length > 2) lists.push(`${e.name}: ${named.join(' ')}`);
        }
      }
    };
    for (const room of ['core/src/', 'web/src/', 'cli/src/']) walk(new URL(`../../${room}`, src));
    expect(lists).toEqual([]);
  });
});
