import { expect, test } from '@jest/globals';
import { holdDriving, someoneDrives } from './driving-lock.ts';

/** Locks as a browser shares them among its tabs. */
function locks(): LockManager {
  const held = new Set<{ name: string }>();
  return {
    request: async (name: string, _: unknown, work: () => Promise<void>) => {
      const lock = { name };
      held.add(lock);
      await work();
      held.delete(lock);
    },
    query: () => Promise.resolve({ held: [...held] }),
  } as unknown as LockManager;
}
const settled = (): Promise<void> => new Promise((done) => setTimeout(done));

test('a tab that has a controller is known until it lets go; two of them until both have', async () => {
  const shared = locks();
  expect(await someoneDrives(shared)).toBe(false);
  const [one, two] = [holdDriving(shared), holdDriving(shared)];
  expect(await someoneDrives(shared)).toBe(true);
  one();
  await settled();
  expect(await someoneDrives(shared)).toBe(true);
  two();
  two();
  await settled();
  expect(await someoneDrives(shared)).toBe(false);
});

test('another lock is none, and a browser without locks tells nothing', async () => {
  const shared = locks();
  void shared.request('pendrix-tab', {}, () => new Promise<void>(() => undefined));
  expect(await someoneDrives(shared)).toBe(false);
  holdDriving(null)();
  expect(await someoneDrives(null)).toBe(false);
});
