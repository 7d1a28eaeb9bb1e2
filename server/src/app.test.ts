import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { app } from './app.ts';

const dist = mkdtempSync(path.join(tmpdir(), 'pendrix-dist-'));
mkdirSync(path.join(dist, 'assets'));
writeFileSync(path.join(dist, 'index.html'), '<title>Pendrix</title>');
writeFileSync(path.join(dist, 'assets', 'a-1.js'), '1');

let server: ReturnType<ReturnType<typeof app>['listen']>;
let base = '';
beforeAll(async () => {
  await new Promise<void>((ready) => {
    server = app(dist).listen(0, '127.0.0.1', () => ready());
  });
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => void server.close());

test('every address of the application is the page, asked for anew each time', async () => {
  for (const address of ['/', '/drive/x/run', '/anything/else']) {
    const answer = await fetch(base + address);
    expect([answer.status, await answer.text(), answer.headers.get('cache-control')]).toEqual([
      200,
      '<title>Pendrix</title>',
      'no-cache',
    ]);
  }
});

test('named files are kept for ever, missing ones are missing', async () => {
  const file = await fetch(`${base}/assets/a-1.js`);
  expect(file.headers.get('cache-control')).toContain('immutable');
  expect((await fetch(`${base}/assets/b.js`)).status).toBe(404);
  expect((await fetch(`${base}/assets/..%2f..%2fetc%2fpasswd`)).status).toBeGreaterThanOrEqual(400);
});

test('only what Pendrix ships may be loaded', async () => {
  const answer = await fetch(base);
  expect(answer.headers.get('content-security-policy')).toContain("default-src 'self'");
  expect(answer.headers.get('x-powered-by')).toBeNull();
});
