import { readStandIn, standIn } from '@pendrix/core/control/index';

/** The stand-in controller of the browser: it speaks the same lines as a real one. The first message tells what it is to be. */
const TICK = 5;
let machine: ReturnType<typeof standIn> | null = null;
const say = (lines: readonly string[]): void => lines.forEach((line) => self.postMessage(line));

self.onmessage = (e: MessageEvent<string>) => {
  if (machine) {
    say(machine.receive(e.data));
    return;
  }
  const made = standIn(
    readStandIn(new Map(new URLSearchParams(e.data))),
    `browser-${Date.now().toString(36)}`,
  );
  machine = made;
  let last = performance.now();
  setInterval(() => {
    const now = performance.now();
    // a tab that slept catches up by at most a second
    const passed = Math.min(1000, now - last);
    last = now;
    say(made.tick(passed));
  }, TICK);
};
