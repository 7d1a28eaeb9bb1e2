import { describe, expect, test } from '@jest/globals';
import { seeded } from '../simulate/index.ts';
import { nextState, startRun, type RunPlan, type RunState } from '../run/index.ts';
import { drivenReport, goneMessage, shakeMessage, toldMessage, windowMeaning } from '../report/index.ts';
import { newDrive } from '../drive/index.ts';
import {
  connectLines,
  ControllerRefused,
  drivingOf,
  STAND_IN,
  standIn,
  type Controller,
  type Driving,
  type LineLink,
  type Machine,
  type Status,
  type Told,
} from './index.ts';
import { World } from '../testing/machine-world.ts';

const PLAN: RunPlan = { divisions: 12, stepsPerTurn: '12000', reduction: '60', playCounts: 20 };

/** A bench: a controller that goes on whatever happens to the page, a disk, and pages that come and go. */
class Bench {
  readonly world = new World();
  readonly machine: Machine;
  disk: RunState;
  /** gaps that were cut, as the work sees it: where it stood each time */
  readonly cuts: { gap: number; at: number }[] = [];
  constructor(plan: RunPlan, more: object = {}) {
    this.machine = standIn({ ...STAND_IN, speed: 300_000, window: 2, ...more }, 'b1');
    this.disk = startRun(plan, 0);
  }
  /** a page that dies after so many writes and commands of its own; none of them is undone by it */
  async page(dies: number): Promise<{
    driving: Driving;
    controller: Controller;
    act: (of: () => Promise<Told>) => Promise<Told | 'dead'>;
  }> {
    let left = dies;
    const alive = (): boolean => left > 0;
    const link: LineLink = this.world.link(this.machine);
    const send = link.send.bind(link);
    const own: LineLink = {
      send: (line) => {
        if (alive()) send(line);
      },
      get onLine() {
        return link.onLine;
      },
      set onLine(f) {
        link.onLine = f;
      },
      onClose: null,
      close: () => undefined,
    };
    const controller = await this.world.until(connectLines(own, this.world.clock));
    await this.world.until(controller.hold(true));
    const driving = drivingOf({
      state: () => this.disk,
      store: (e) => {
        // dying between a write and its command, or between a command and the next write
        if (--left <= 0) return new Promise(() => undefined);
        this.disk = nextState(this.disk, { ...e, at: this.world.now });
        return Promise.resolve(true);
      },
      controller: () => controller,
      clock: this.world.clock,
      takeEdges: () => ({ a: 0, b: 0 }),
      most: 20_000,
    });
    const act = async (of: () => Promise<Told>): Promise<Told | 'dead'> => {
      try {
        return await this.world.until(of(), 40, alive);
      } catch {
        return 'dead';
      }
    };
    return { driving, controller, act };
  }
}

describe('a run with a controller', () => {
  test('200 kills at random moments: every gap once, none missed, each within its window', async () => {
    const random = seeded(20_261_128);
    let [kills, runs] = [0, 0];
    while (kills < 200) {
      const bench = new Bench(PLAN, { seed: ++runs });
      let page = await bench.page(Infinity);
      await page.act(() => page.driving.attach());
      let life = 1 + Math.floor(random() * 9);
      page = await bench.page(life);
      while (!bench.disk.finished) {
        const before = bench.disk;
        // the maker cuts when the page says so, and then presses the key
        if (before.driven!.phase === 'cut' && bench.cuts.at(-1)?.gap !== before.gap)
          bench.cuts.push({ gap: before.gap, at: bench.machine.status().counts });
        const told = await page.act(() => page.driving.go());
        if (told !== 'dead') {
          expect(told === null || told.is === 'clamped').toBe(true);
          continue;
        }
        kills++;
        life = 1 + Math.floor(random() * 9);
        bench.world.drop();
        page = await bench.page(life);
      }
      expect(bench.cuts.map((c) => c.gap)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
      for (const c of bench.cuts) expect(Math.abs(c.at - (c.gap - 1) * 1000)).toBeLessThanOrEqual(4);
      expect(bench.disk.moves.map((m) => m.gap)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
    }
  }, 60_000);

  test('back comes from behind, past the lost motion; a jump and a skip are kept', async () => {
    const bench = new Bench(PLAN, { motor: 'stepper' });
    const { driving, controller, act } = await bench.page(Infinity);
    await act(() => driving.attach());
    await act(() => driving.away({ do: 'jump', gap: 6 }));
    expect([bench.disk.gap, controller.status()!.counts]).toEqual([6, 5000]);
    const places: number[] = [];
    controller.onStatus = (s) => places.push(s.counts);
    await act(() => driving.away({ do: 'back' }));
    expect(bench.disk.gap).toBe(5);
    expect(Math.min(...places)).toBeLessThanOrEqual(3979);
    expect(controller.status()!.counts).toBe(4000);
    await act(() => driving.away({ do: 'skip' }));
    expect(bench.disk).toMatchObject({ gap: 6, skipped: [4] });
  });

  test('a key while another acts does nothing; paused it waits; a strange controller, or none, is told', async () => {
    const bench = new Bench(PLAN);
    const { driving, act } = await bench.page(Infinity);
    await act(() => driving.attach());
    const [one, two] = [driving.go(), driving.go()];
    expect(await bench.world.until(two)).toBeNull();
    await bench.world.until(one);
    expect(bench.disk.driven!.phase).toBe('cut');
    bench.disk = { ...bench.disk, driven: { ...bench.disk.driven!, boot: 'other' } };
    expect(await act(() => driving.go())).toEqual({ is: 'strange' });
    const none = drivingOf({
      state: () => bench.disk,
      store: () => Promise.resolve(true),
      controller: () => null,
      clock: bench.world.clock,
      takeEdges: () => ({ a: 0, b: 0 }),
      most: 1000,
    });
    expect(await none.go()).toEqual({ is: 'noController' });
    bench.disk = { ...bench.disk, paused: true };
    expect(await none.go()).toBeNull();
  });

  test('what cannot be stored is not sent', async () => {
    const bench = new Bench(PLAN);
    const { controller } = await bench.page(Infinity);
    const state = nextState(bench.disk, { do: 'attach', boot: 'b1', counts: 0, at: 0 });
    const full = drivingOf({
      state: () => ({ ...state, driven: { ...state.driven!, phase: 'cut', raw: 0 } }),
      store: () => Promise.resolve(false),
      controller: () => controller,
      clock: bench.world.clock,
      takeEdges: () => ({ a: 0, b: 0 }),
      most: 1000,
    });
    expect(await bench.world.until(full.go())).toBeNull();
    expect(controller.status()!.counts).toBe(0);
  });
});

describe('in words', () => {
  const state = nextState(startRun(PLAN, 0), { do: 'attach', boot: 'b', counts: 100, at: 0 });
  const at = (raw: number): Status => ({
    counts: raw,
    raw,
    moving: false,
    held: true,
    frozen: false,
    fault: null,
    edges: { a: 0, b: 0 },
  });
  test('the four things that are done, and the key', () => {
    expect(drivenReport(startRun(PLAN, 0), false, 'Cut, go on')).toBeNull();
    const report = drivenReport(state, false, 'Cut, go on')!;
    expect(report.phases.map((p) => p.is)).toEqual(['done', 'done', 'now', 'then']);
    expect([report.go, report.error!.within]).toEqual(['Clamped', true]);
    const moving = nextState(state, { do: 'away', at: 0 });
    expect(drivenReport(moving, true, 'Cut')!.go).toBe('It moves');
  });
  test('a controller that is gone: why, and where what it drove stands', () => {
    expect(goneMessage('the cable was pulled')).toBe(
      'The controller is gone: the cable was pulled. The run stands where it stood; connect again and go on.',
    );
    expect(goneMessage('the cable was pulled', 12)).toContain('pulled. The shot waits at frame 12; connect');
  });
  test('170 rises of A and none of B at E 205 200: 170 counts, 1 074″', () => {
    const plan = { ...PLAN, stepsPerTurn: '205200' };
    expect(shakeMessage(plan, at(0), at(170), { a: 170, b: 0 }).replaceAll('\u2009', ' ')).toContain(
      '170 edges on A and 0 on B: 170 counts, 17.9′',
    );
    expect(shakeMessage(plan, at(0), at(0), { a: 0, b: 0 })).toContain('Still');
    expect(shakeMessage(plan, at(0), at(9), { a: 5, b: 4 })).toContain('the clamp does not hold');
  });
  test('±4 counts of 216 000 are ±24″, 3.5 µm at 30 mm', () => {
    const drive = { ...newDrive('x'), job: { divisions: '', radiusMm: '30' } };
    expect(windowMeaning(drive, { ...PLAN, stepsPerTurn: '216000' }, 4)).toMatch(
      /±24\.0+″ at the work, 3\.49 µm at 30/,
    );
  });
  test('each thing that has to be told is a sentence', () => {
    for (const told of [
      { is: 'noController' },
      { is: 'strange' },
      { is: 'notThere', why: 'window', words: 'it stands 9 counts off' },
      { is: 'refused', words: 'no answer in 4.5 s' },
    ] as const)
      expect(toldMessage(state, told)).toMatch(/^[A-Z].*\.$/);
    expect(toldMessage(state, { is: 'clamped', before: 0, now: at(0), edges: { a: 0, b: 0 } })).toBeNull();
    expect(toldMessage(state, { is: 'clamped', before: 0, now: at(170), edges: { a: 170, b: 0 } })).toContain(
      'it was held, so nothing is lost',
    );
  });
});

describe('what a controller will not do', () => {
  test('is told in its own words, and nothing else is caught', async () => {
    const bench = new Bench(PLAN);
    const { driving, controller } = await bench.page(Infinity);
    await bench.world.until(driving.attach());
    // the first gap stands on its mark: it is clamped, and the next key moves on
    expect(await bench.world.until(driving.go())).toBeNull();
    controller.moveTo = () => Promise.reject(new ControllerRefused('the door is open'));
    expect(await bench.world.until(driving.go())).toEqual({ is: 'refused', words: 'the door is open' });
    controller.moveTo = () => Promise.reject(new Error('a fault of ours'));
    await expect(bench.world.until(driving.go())).rejects.toThrow('a fault of ours');
  });
});
