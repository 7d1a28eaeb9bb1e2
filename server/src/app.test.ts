import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { app, portOf } from './app.ts';
import { isOurs } from './host.ts';

const dist = mkdtempSync(path.join(tmpdir(), 'pendrix-dist-'));
mkdirSync(path.join(dist, 'assets'));
writeFileSync(path.join(dist, 'index.html'), '<title>Pendrix</title>');
writeFileSync(path.join(dist, 'assets', 'a-1.js'), '1');
writeFileSync(path.join(dist, 'assets', 'long-1.js'), 'gear '.repeat(20_000));
writeFileSync(path.join(dist, 'assets', 'built-1.js'), 'worm '.repeat(20_000));
writeFileSync(path.join(dist, 'assets', 'built-1.js.gz'), gzipSync('as it was built'));

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

test('goes by numbers and by this machine’s own names, and by no other', async () => {
  for (const [host, ours] of [
    ['localhost:4173', true],
    ['127.0.0.1', true],
    ['192.168.1.7:80', true],
    ['[::1]:4173', true],
    ['bench.localhost', true],
    ['rebound.example', false],
    ['127.0.0.1.rebound.example', false],
    ['', false],
    [undefined, false],
  ] as const)
    expect([host, isOurs(host, undefined)]).toEqual([host, ours]);
  expect(isOurs('mill:4173', 'mill')).toBe(true);
  const answer = await new Promise<number | undefined>((status) =>
    get(base, { headers: { host: 'rebound.example' } }, (r) => status(r.resume().statusCode)),
  );
  expect(answer).toBe(421);
});

test('an address that cannot be read is answered in a sentence, without a path of this machine', async () => {
  for (const address of ['/%', '/assets/%E0%A4%A', '/assets/missing.js']) {
    const answer = await fetch(base + address);
    const text = await answer.text();
    expect([address, answer.status < 500, text.includes(dist), text.includes('at ')]).toEqual([
      address,
      true,
      false,
      text === 'There is nothing at this address.\n',
    ]);
    expect(text.split('\n')).toHaveLength(2);
  }
});

test('long files are sent compressed', async () => {
  const answer = await fetch(`${base}/assets/long-1.js`, { headers: { 'accept-encoding': 'gzip' } });
  expect(answer.headers.get('content-encoding')).toBe('gzip');
  expect((await answer.text()).length).toBe(100_000);
});

test('what the build has compressed is sent as it lies there, and plain to who cannot read that', async () => {
  const packed = await fetch(`${base}/assets/built-1.js`, { headers: { 'accept-encoding': 'gzip' } });
  expect(packed.headers.get('cache-control')).toContain('immutable');
  expect(packed.headers.get('content-type')).toContain('javascript');
  expect(await packed.text()).toBe('as it was built');
  const plain = await fetch(`${base}/assets/built-1.js`, { headers: { 'accept-encoding': 'identity' } });
  expect((await plain.text()).length).toBe(100_000);
});

test.each([
  [undefined, 4173],
  ['', 4173],
  ['4200', 4200],
  ['0', 0],
  ['abc', null],
  ['99999', null],
  ['-1', null],
  ['80.5', null],
])('PORT=%s is %s', (text, port) => expect(portOf(text)).toBe(port));
