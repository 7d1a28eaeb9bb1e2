import type { Clock, LineLink } from '@pendrix/core';

/** Time of the page. */
export const pageClock: Clock = {
  after: (ms, act) => {
    const timer = setTimeout(act, ms);
    return () => clearTimeout(timer);
  },
};

const CLOSED = 'the connection was closed';

/** The stand-in in the browser; `words` tell what it is like: "motor=dc&decode=1". It lives as long as the page. */
export function workerLink(words: string): LineLink {
  const worker = new Worker(new URL('../workers/stand-in.worker.ts', import.meta.url), { type: 'module' });
  const link: LineLink = {
    send: (line) => worker.postMessage(line),
    onLine: null,
    onClose: null,
    close: () => {
      worker.terminate();
      link.onClose?.(CLOSED);
    },
  };
  worker.onmessage = (e: MessageEvent<string>) => link.onLine?.(e.data);
  worker.onerror = () => link.onClose?.('the stand-in stopped');
  worker.postMessage(words);
  return link;
}

/** A controller at a WebSocket address, one line a message. */
export function socketLink(address: string): Promise<LineLink> {
  return new Promise((resolve, reject) => {
    let socket: WebSocket;
    try {
      socket = new WebSocket(address);
    } catch {
      reject(
        new Error(`${address} is no address of a controller: write ws://, a name or number, and its port`),
      );
      return;
    }
    const waiting: string[] = [];
    const link: LineLink = {
      send: (line) => {
        if (socket.readyState === WebSocket.OPEN) socket.send(line);
      },
      onLine: null,
      onClose: null,
      close: () => socket.close(),
    };
    socket.onopen = () => {
      resolve(link);
      // what it said before anybody listened
      queueMicrotask(() => waiting.splice(0).forEach((line) => link.onLine?.(line)));
    };
    socket.onmessage = (e: MessageEvent<unknown>) => {
      if (typeof e.data !== 'string') return;
      for (const line of e.data.split('\n'))
        if (link.onLine) link.onLine(line);
        else if (waiting.length < 20) waiting.push(line);
    };
    socket.onclose = (e) => {
      link.onClose?.(e.reason || CLOSED);
      reject(new Error(e.reason || `nothing answers at ${address}`));
    };
  });
}

/** What of Web Serial is used; browsers without it have none. */
interface SerialPort {
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}
interface Serial {
  requestPort(): Promise<SerialPort>;
}
const serial = (): Serial | null => (navigator as { serial?: Serial }).serial ?? null;

export const hasSerial = (): boolean => serial() !== null;

/** A controller at a serial port that the user chooses. */
export async function serialLink(baudRate: number): Promise<LineLink> {
  const from = serial();
  if (!from) throw new Error('this browser has no serial ports; use a WebSocket');
  const port = await from.requestPort();
  await port.open({ baudRate });
  const writer = port.writable!.getWriter();
  const reader = port.readable!.getReader();
  const encoder = new TextEncoder();
  let closed = false;
  const end = (why: string): void => {
    if (closed) return;
    closed = true;
    void reader.cancel().catch(() => undefined);
    void writer.close().catch(() => undefined);
    void port.close().catch(() => undefined);
    link.onClose?.(why);
  };
  const link: LineLink = {
    send: (line) => void writer.write(encoder.encode(`${line}\n`)).catch(() => end('the cable was pulled')),
    onLine: null,
    onClose: null,
    close: () => end(CLOSED),
  };
  void (async () => {
    const decoder = new TextDecoder();
    let rest = '';
    try {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) break;
        rest += decoder.decode(value, { stream: true });
        const lines = rest.split(/\r?\n/);
        // a line without an end must not fill the memory
        rest = (lines.pop() ?? '').slice(-8192);
        for (const line of lines) link.onLine?.(line);
      }
      end(CLOSED);
    } catch {
      end('the cable was pulled');
    }
  })();
  return link;
}
