import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { MessageChannel } from 'node:worker_threads';
import { createPinia, setActivePinia } from 'pinia';
import { expose, type Endpoint } from 'comlink';
import { newDrive, type Drive } from '@pendrix/core';
import { findHere } from '../workers/find-here.ts';
import type { FindWork } from '../workers/find-work.ts';
import { useFinding } from './finding.ts';
import { useSearching } from './searching.ts';

/** Workers as the page makes them, in this thread: the same search at the other end of a channel. */
const made: { ended: boolean }[] = [];
let work: FindWork = findHere;
class HereWorker {
  constructor() {
    const { port1, port2 } = new MessageChannel();
    expose(work, port2 as unknown as Endpoint);
    const state = { ended: false };
    made.push(state);
    return Object.assign(port1, {
      terminate: () => {
        state.ended = true;
        port1.close();
      },
    });
  }
}
const drive = (find: object): Drive => ({ ...newDrive('dial'), find: find });
const ASKED = { question: 'ratio', target: '12', wheels: '10-60', stages: '2' };

beforeEach(() => {
  made.length = 0;
  work = findHere;
  Object.assign(globalThis, { Worker: HereWorker, navigator: { hardwareConcurrency: 2 } });
  setActivePinia(createPinia());
});
afterEach(() => {
  for (const name of ['navigator', 'Worker']) Reflect.deleteProperty(globalThis, name);
});

describe('a search of a page', () => {
  test('goes through its stages, tells how far it is, and ends its workers when all is proven', async () => {
    const finding = useFinding();
    const frame = useSearching();
    expect([finding.running, finding.part, frame.running]).toEqual([false, 0, false]);
    const done = finding.search('d', drive(ASKED));
    expect([finding.running, finding.part > 0, finding.part <= 0.05]).toEqual([true, true, true]);
    expect(finding.message).not.toBe('');
    await done;
    expect([finding.running, finding.part, finding.failed]).toEqual([false, 0, false]);
    expect(finding.finding!.answer).toMatchObject({ proven: true });
    expect(finding.finding!.answer!.rows.length).toBeGreaterThan(0);
    expect(made.every((w) => w.ended)).toBe(true);
    // what stands here already is not looked for again
    const before = made.length;
    await finding.search('d', drive(ASKED));
    expect(made).toHaveLength(before);
    await finding.again('d', drive(ASKED));
    expect(made.length).toBeGreaterThan(before);
  });

  test('what cannot be asked is refused in words, and nothing is searched', async () => {
    const finding = useFinding();
    await finding.search('d', drive({ ...ASKED, wheels: 'x' }));
    expect([finding.refusal !== null, finding.finding, made.length]).toEqual([true, null, 0]);
    await finding.search('d', drive(ASKED));
    expect(finding.refusal).toBeNull();
  });

  test('a worker that breaks off says so; a newer search is not ended by an older one', async () => {
    work = { ...findHere, share: () => Promise.reject(new Error('gone')) };
    const finding = useFinding();
    await finding.search('d', drive(ASKED));
    expect([finding.failed, finding.running]).toEqual([true, false]);
    let let1 = (): void => undefined;
    work = { ...findHere, share: () => new Promise((_, no) => (let1 = () => no(new Error('late')))) };
    const old = finding.search('d', drive({ ...ASKED, target: '13' }));
    work = findHere;
    const young = finding.search('d', drive({ ...ASKED, target: '14' }));
    let1();
    await Promise.race([Promise.all([old, young]), young]);
    expect([finding.failed, finding.finding!.answer!.proven]).toEqual([false, true]);
  });
});
