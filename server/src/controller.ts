import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { WebSocketServer, type WebSocket } from 'ws';
import { isOurs } from './host.ts';
import { MAX_LINE, readStandIn, standIn, type Machine } from '@pendrix/core/control/index';

/** Time of the stand-ins, ms. */
const TICK = 5;
const MAX_PASSED = 50;
/** Stand-ins that are kept at once, each by what it was told to be; the one unused longest goes. */
const MAX_KEPT = 8;
/** What a client may have waiting to be read before it is cut off, bytes: a client that does not listen must not fill the memory. */
const MAX_WAITING = 1 << 20;

interface Kept {
  readonly machine: Machine;
  client: WebSocket | null;
  used: number;
}

let boots = 0;

/** Is a request from a page of this very server, or from no page at all? */
export function sameOrigin({ headers }: Pick<IncomingMessage, 'headers'>): boolean {
  const { origin, host } = headers;
  if (origin === undefined) return true;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/**
 * The stand-in controller of the server at `/controller`: one line a message. It goes on moving, or standing, when its client is gone, and says
 * where it is when one comes again. One client each; another origin is refused. Gives back what ends it. (docs: controller)
 */
export function serveController(server: Server): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: 1 << 16, perMessageDeflate: false });
  const kept = new Map<string, Kept>();

  /** null while as many as are kept are all in use */
  function machineOf(query: string): Kept | null {
    const known = kept.get(query);
    if (known) return known;
    if (kept.size >= MAX_KEPT) {
      const idle = [...kept].filter(([, k]) => !k.client).sort(([, a], [, b]) => a.used - b.used)[0];
      if (!idle) return null;
      kept.delete(idle[0]);
    }
    const of = readStandIn(new Map(new URLSearchParams(query)));
    const made: Kept = {
      machine: standIn(of, `${Date.now().toString(36)}-${++boots}`),
      client: null,
      used: 0,
    };
    kept.set(query, made);
    return made;
  }

  let last = performance.now();
  const clock = setInterval(() => {
    // a server that was busy catches up, by a little at most
    const now = performance.now();
    const passed = Math.min(MAX_PASSED, now - last);
    last = now;
    for (const k of kept.values()) {
      const lines = k.machine.tick(passed);
      if (k.client?.readyState === k.client?.OPEN) for (const line of lines) k.client?.send(line);
      if ((k.client?.bufferedAmount ?? 0) > MAX_WAITING) k.client?.terminate();
    }
  }, TICK);
  clock.unref();

  function serve(socket: WebSocket, query: string): void {
    const at = machineOf(query);
    socket.on('error', () => socket.terminate());
    if (!at || at.client) {
      const why = at
        ? 'another client has this controller'
        : `${MAX_KEPT} stand-ins are in use, and no more are kept`;
      socket.send(JSON.stringify({ ok: false, error: why }));
      socket.close(1013, why);
      return;
    }
    at.client = socket;
    at.used = Date.now();
    socket.on('message', (data, binary) => {
      const text = binary ? '' : (data as Buffer).toString('utf8');
      // a message may be several lines
      for (const line of text.length > MAX_LINE * 4 ? [text] : text.split('\n'))
        for (const answer of at.machine.receive(line)) socket.send(answer);
      if (binary) socket.send(JSON.stringify({ ok: false, error: 'not a JSON object' }));
    });
    socket.on('close', () => {
      if (at.client === socket) at.client = null;
    });
  }

  function upgrade(request: IncomingMessage, stream: Duplex, head: Buffer): void {
    // no address that anybody sends may end the server: it is taken apart, never parsed
    const [path = '', ...query] = (request.url ?? '').split('?');
    const refuse = (status: string): void => {
      stream.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
    };
    stream.on('error', () => stream.destroy());
    if (!isOurs(request.headers.host)) refuse('421 Misdirected Request');
    else if (!sameOrigin(request)) refuse('403 Forbidden');
    else if (path !== '/controller') refuse('404 Not Found');
    else
      sockets.handleUpgrade(request, stream, head, (socket) => serve(socket, query.join('?').slice(0, 500)));
  }
  server.on('upgrade', upgrade);
  return () => {
    clearInterval(clock);
    server.off('upgrade', upgrade);
    for (const k of kept.values()) k.client?.terminate();
    sockets.close();
  };
}
