import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import WebSocket from 'ws';
import { connectLines, reach, type Clock, type Controller, type LineLink } from '@pendrix/core/control/index';
import { sameOrigin, serveController } from './controller.ts';

/** What is in use, bytes, once all that is not has been cleared up. */
function inUse(): number {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
  return process.memoryUsage().heapUsed;
}

let server: Server;
let end: () => void;
let base = '';
beforeEach(async () => {
  server = createServer((_q, a) => a.end('page'));
  end = serveController(server);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  base = `ws://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(async () => {
  end();
  await new Promise((done) => server.close(done));
});

const clock: Clock = {
  after: (ms, act) => {
    const timer = setTimeout(act, ms);
    return () => clearTimeout(timer);
  },
};
const opened = (path = '/controller', headers: Record<string, string> = {}): Promise<WebSocket> =>
  new Promise((resolve, reject) => {
    const socket = new WebSocket(base + path, { headers });
    socket.on('open', () => resolve(socket));
    socket.on('error', reject);
  });
function link(socket: WebSocket): LineLink {
  const at: LineLink = {
    send: (line) => socket.send(line),
    onLine: null,
    onClose: null,
    close: () => socket.close(),
  };
  socket.on('message', (data: Buffer) => at.onLine?.(data.toString('utf8')));
  socket.on('close', (_code, reason) => at.onClose?.(reason.toString() || 'the connection was closed'));
  return at;
}
const FAST = '/controller?motor=dc&speed=400000&window=4&seed=3';
const connected = async (path = FAST): Promise<{ socket: WebSocket; controller: Controller }> => {
  const socket = await opened(path);
  const controller = await connectLines(link(socket), clock);
  await controller.hold(true);
  return { socket, controller };
};

test('a place is reached; cut off in the middle it goes on, and says where it is to who comes again', async () => {
  const { socket, controller } = await connected();
  const asked = { counts: 15_000, window: 4, beyond: 60, side: 1, most: 20_000 } as const;
  expect(await reach(controller, clock, asked)).toMatchObject({ ok: true });
  await controller.moveTo(60_000);
  socket.terminate();
  await new Promise((r) => setTimeout(r, 1500));
  const again = await connected();
  expect(again.controller.hello.boot).toBe(controller.hello.boot);
  await new Promise((r) => setTimeout(r, 300));
  expect(Math.abs(again.controller.status()!.counts - 60_000)).toBeLessThanOrEqual(4);
  again.socket.close();
});

test('a second client is refused in a sentence, the first goes on', async () => {
  const { controller } = await connected();
  await expect(opened(FAST).then((s) => connectLines(link(s), clock))).rejects.toThrow(
    'another client has this controller',
  );
  await controller.stop();
  controller.close();
});

test('another origin, and another address, are refused', async () => {
  await expect(opened('/controller', { origin: 'http://elsewhere.example' })).rejects.toThrow('403');
  await expect(opened('/other')).rejects.toThrow('404');
  expect(sameOrigin({ headers: { origin: 'http://bench:1', host: 'bench:1' } })).toBe(true);
  expect(sameOrigin({ headers: { origin: 'nonsense', host: 'bench:1' } })).toBe(false);
});

test('no address ends the server, whoever sends it; a name that is not ours is refused', async () => {
  for (const path of ['//', '///', '//x:y', '/%', '/controller/../..', '?', '/\\'])
    await expect(opened(path, { origin: 'http://elsewhere.example' })).rejects.toThrow(/403|404|Invalid URL/);
  await expect(opened('//')).rejects.toThrow('404');
  // a name pointed at this machine: its page is of its own origin, and still not ours
  const rebound = { host: 'rebound.example', origin: 'http://rebound.example' };
  await expect(opened('/controller', rebound)).rejects.toThrow('421');
  (await opened('/controller?seed=9')).close();
});

test('eight stand-ins are kept; a ninth is refused in a sentence while all are in use', async () => {
  const sockets = await Promise.all(Array.from({ length: 8 }, (_, i) => opened(`/controller?seed=${i + 1}`)));
  const ninth = await opened('/controller?seed=99');
  const why = await new Promise<string>((told) =>
    ninth.on('close', (_code, reason) => told(reason.toString())),
  );
  expect(why).toBe('8 stand-ins are in use, and no more are kept');
  sockets[0]!.close();
  // its place is free as soon as the server has heard of it
  const taken = async (): Promise<boolean> => {
    const socket = await opened('/controller?seed=99');
    const refused = await new Promise<boolean>((told) => {
      socket.on('close', () => told(true));
      socket.on('message', (line: Buffer) => told(line.toString().includes('in use')));
      socket.send('{"do":"hello","id":1}');
    });
    socket.close();
    return !refused;
  };
  while (!(await taken()));
  for (const socket of sockets) socket.close();
});

describe('10 000 random lines', () => {
  test('the server stays up and still, its memory flat', async () => {
    const { socket, controller } = await connected('/controller?seed=9');
    let answers = 0;
    socket.on('message', () => answers++);
    let random = 12345;
    const next = (n: number): number => (random = (random * 1103515245 + 12345) % 2147483648) % n;
    const pieces = [
      '{"id":',
      '}',
      '"cmd":"moveTo"',
      ',',
      '-1e309',
      '\u0000',
      '[',
      '"on":true',
      'é😀',
      '{"id":5,"cmd":"fly"}',
      '"counts":"x"',
    ];
    const before = inUse();
    for (let i = 0; i < 10_000; i++) {
      const line =
        i % 500 === 0
          ? 'x'.repeat(5000)
          : Array.from({ length: 1 + next(6) }, () => pieces[next(pieces.length)]).join('');
      socket.send(i % 333 === 0 ? Buffer.from(line) : line);
      if (i % 200 === 0) await new Promise((r) => setTimeout(r, 1));
    }
    await controller.stop();
    expect(answers).toBeGreaterThan(9000);
    expect(controller.status()).toMatchObject({ counts: 0, moving: false });
    expect(inUse() - before).toBeLessThan(10e6);
    expect(await (await fetch(base.replace('ws', 'http'))).text()).toBe('page');
    controller.close();
  });
});
