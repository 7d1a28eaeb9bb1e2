import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LINE_CASES } from '../testing/line-cases.ts';
import { World } from '../testing/machine-world.ts';
import {
  approach,
  connectGcode,
  connectLines,
  gcodeMove,
  MAX_LINE,
  reach,
  readAnswer,
  readGcodeLine,
  readLine,
  readStandIn,
  shaken,
  STAND_IN,
  standIn,
  standInPlant,
  type Controller,
  type LineLink,
  type StandIn,
} from './index.ts';

async function connected(more: Partial<StandIn> = {}): Promise<{ world: World; controller: Controller }> {
  const world = new World();
  const link = world.link(standIn({ ...STAND_IN, ...more }, 'b1'));
  const controller = await world.until(connectLines(link, world.clock));
  await world.until(controller.hold(true));
  return { world, controller };
}
const to = (counts: number, more: object = {}) => ({
  counts,
  window: 4,
  beyond: 60,
  side: 1 as const,
  most: 30_000,
  ...more,
});

describe('the lines', () => {
  test('a request is read as it was written; anything else is refused in words', () => {
    expect(readLine('{"id":7,"cmd":"moveTo","counts":15000}')).toEqual({
      ok: true,
      request: { id: 7, command: { cmd: 'moveTo', counts: 15000 } },
    });
    for (const [line, says] of [
      ['', 'not a JSON object'],
      ['[1]', 'not a JSON object'],
      ['{"cmd":"stop"}', 'id must be a whole number'],
      ['{"id":1,"cmd":"fly"}', 'unknown command'],
      ['{"id":1,"cmd":"moveTo","counts":"12"}', 'counts must be a whole number'],
      ['{"id":1,"cmd":"moveTo","counts":1.5}', 'counts must be a whole number'],
      ['{"id":1,"cmd":"moveTo","counts":1e300}', 'counts must be a whole number'],
      ['{"id":1,"cmd":"freeze"}', 'on must be true or false'],
      [`{"id":1,"cmd":"${'x'.repeat(MAX_LINE)}"}`, 'at most 4096'],
    ] as const)
      expect([line.slice(0, 30), readLine(line)]).toEqual([
        line.slice(0, 30),
        expect.objectContaining({ ok: false, error: expect.stringContaining(says) }),
      ]);
  });
  test('10 000 random lines: answered or refused, nothing moves, nothing is thrown', () => {
    const machine = standIn(STAND_IN, 'b');
    machine.receive('{"id":0,"cmd":"hold","on":true}');
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json(), fc.string({ unit: 'binary' })), (line) => {
        for (const answer of machine.receive(line.replaceAll('\n', ' '))) {
          const read = readAnswer(answer);
          if (read?.is === 'answer' && read.ok) return false;
        }
        readAnswer(line);
        return machine.status().counts === 0 && !machine.status().moving;
      }),
      { numRuns: 10_000 },
    );
  });
  test('one id twice is done once', () => {
    const machine = standIn({ ...STAND_IN, motor: 'stepper' }, 'b');
    machine.receive('{"id":1,"cmd":"hold","on":true}');
    const jog = '{"id":2,"cmd":"jog","counts":100}';
    const first = machine.receive(jog);
    for (let i = 0; i < 400; i++) machine.tick(5);
    expect(machine.receive(jog)[0]).toBe(first[0]);
    for (let i = 0; i < 400; i++) machine.tick(5);
    expect(machine.status().counts).toBe(100);
  });
  test('after another hello its ids are new ones', () => {
    const machine = standIn({ ...STAND_IN, motor: 'stepper' }, 'b');
    machine.receive('{"id":1,"cmd":"hold","on":true}');
    for (const counts of [100, 250]) {
      machine.receive('{"id":2,"cmd":"hello"}');
      machine.receive(`{"id":3,"cmd":"moveTo","counts":${counts}}`);
      for (let i = 0; i < 400; i++) machine.tick(5);
      expect(machine.status().counts).toBe(counts);
    }
  });
  test('clamped or not held it does not move, and says why', () => {
    const machine = standIn(STAND_IN, 'b');
    expect(machine.receive('{"id":1,"cmd":"moveTo","counts":5}')[0]).toContain('not held');
    machine.receive('{"id":2,"cmd":"hold","on":true}');
    machine.receive('{"id":3,"cmd":"freeze","on":true}');
    expect(machine.receive('{"id":4,"cmd":"moveTo","counts":5}')[0]).toContain('frozen');
  });
});

describe('stand-ins', () => {
  test('a DC motor hunts into its window, from either side', async () => {
    const { world, controller } = await connected();
    for (const counts of [15_000, 449_753, 449_700, 0]) {
      const there = await world.until(reach(controller, world.clock, to(counts)));
      expect(there).toMatchObject({ ok: true });
    }
  });
  test('a coast wider than the window hunts for ever: given up, and said', async () => {
    const { world, controller } = await connected({ coast: 400, window: 0, tries: 12 });
    const there = await world.until(reach(controller, world.clock, to(15_000)));
    expect(there).toMatchObject({
      ok: false,
      why: 'fault',
      words: expect.stringContaining('window not reached'),
    });
  });
  test('an ideal stepper lands on its count; above its torque it loses what its driver does not know', async () => {
    const { world, controller } = await connected({ motor: 'stepper' });
    expect(await world.until(reach(controller, world.clock, to(12_345)))).toMatchObject({
      ok: true,
      error: 0,
    });
    const plant = standInPlant({ ...STAND_IN, motor: 'stepper', loses: 0.5 });
    plant.hold(true);
    plant.moveTo(50_000);
    for (let i = 0; i < 2000; i++) plant.tick(5);
    expect(plant.status().counts).toBe(50_000);
    expect(plant.work()).toBeLessThan(49_990);
  });
  test('play shows where the work is come to from both sides, and not with a preload or from one side', () => {
    const stood = (more: Partial<StandIn>, places: readonly number[]): number => {
      const plant = standInPlant({ ...STAND_IN, motor: 'stepper', play: 40, ...more });
      plant.hold(true);
      for (const p of places) {
        plant.moveTo(p);
        for (let i = 0; i < 400; i++) plant.tick(5);
      }
      return plant.work();
    };
    expect(stood({}, [2000, 1000])).toBe(1000);
    expect(stood({}, [1000])).toBe(960);
    expect(stood({ preload: true }, [1000])).toBe(1000);
    expect(stood({}, [2000, 940, 1000])).toBe(960);
  });
  test('shaking: 1× walks off by every flicker, 4× stays within one, held neither is believed', async () => {
    const walked = async (decode: 1 | 4, freeze: boolean): Promise<number> => {
      const { world, controller } = await connected({ decode, shaking: true, motor: 'stepper' });
      await world.until(reach(controller, world.clock, to(1000)));
      if (freeze) await world.until(controller.freeze(true));
      await world.until(new Promise<void>((r) => world.clock.after(1000, r)));
      if (freeze) await world.until(controller.freeze(false));
      await world.until(new Promise<void>((r) => world.clock.after(1100, r)));
      return controller.status()!.counts - 1000;
    };
    expect(await walked(1, false)).toBeGreaterThan(300);
    expect(Math.abs(await walked(4, false))).toBeLessThanOrEqual(1);
    expect(await walked(1, true)).toBeLessThan(200);
  });
  test('one seed is one behaviour; words of an address make one, and nonsense is as usual', async () => {
    const once = async (): Promise<number> => {
      const { world, controller } = await connected({ seed: 11 });
      await world.until(reach(controller, world.clock, to(15_000)));
      return controller.status()!.counts;
    };
    expect(await once()).toBe(await once());
    expect(
      readStandIn(
        new Map([
          ['motor', 'stepper'],
          ['decode', '1'],
          ['shaking', '1'],
          ['speed', 'fast'],
          ['coast', '-4'],
        ]),
      ),
    ).toMatchObject({
      motor: 'stepper',
      decode: 1,
      shaking: true,
      speed: STAND_IN.speed,
      coast: STAND_IN.coast,
    });
  });
});

describe('the client', () => {
  test('no answer is told; what was asked twice is done once; a lost line ends what waits', async () => {
    const world = new World();
    const link = world.link(standIn(STAND_IN, 'b'));
    world.machines[0]!.deaf = true;
    await expect(world.until(connectLines(link, world.clock))).rejects.toThrow('no answer in 4.5 s');
    const { world: w2, controller } = await connected();
    w2.machines[0]!.deaf = true;
    const asked = controller.moveTo(5);
    let told = '';
    controller.onLost = (why) => (told = why);
    controller.close();
    await expect(w2.until(asked)).rejects.toThrow('closed');
    expect(told).toBe('closed');
    await expect(w2.until(controller.stop())).rejects.toThrow('closed');
  });
  test('a second client is refused in the controller’s own words', async () => {
    const world = new World();
    const busy = { ok: false, error: 'another client has this controller' };
    const link: LineLink = {
      send: () => link.onLine?.(JSON.stringify(busy)),
      onLine: null,
      onClose: null,
      close: () => undefined,
    };
    await expect(world.until(connectLines(link, world.clock))).rejects.toThrow('another client');
  });
  test('from the wrong side past the place first', () => {
    expect(approach(0, { counts: 100, beyond: 20, side: 1 })).toEqual([100]);
    expect(approach(200, { counts: 100, beyond: 20, side: 1 })).toEqual([80, 100]);
    expect(approach(0, { counts: 100, beyond: 20, side: -1 })).toEqual([120, 100]);
    expect(approach(200, { counts: 100, beyond: 0, side: 1 })).toEqual([100]);
  });
  test('what edges say', () => {
    const at = (raw: number) => ({
      counts: raw,
      raw,
      moving: false,
      held: true,
      frozen: false,
      fault: null,
      edges: { a: 0, b: 0 },
    });
    expect(shaken(at(0), at(170), 170, 0)).toMatchObject({ counts: 170, verdict: 'oneEdge' });
    expect(shaken(at(0), at(0), 0, 0).verdict).toBe('still');
    expect(shaken(at(0), at(1), 170, 3).verdict).toBe('jitter');
    expect(shaken(at(0), at(40), 20, 20).verdict).toBe('moved');
  });
});

describe('G-code', () => {
  const axis = { letter: 'A', countsPerUnit: 3040 };
  /** a small machine of this kind */
  function machine(world: World): LineLink {
    let at = 0;
    const link: LineLink = {
      send: (line) => {
        const go = /^G0 A(-?[\d.]+)$/.exec(line);
        if (go) at = Number(go[1]);
        if (line === 'G92 A0') at = 0;
        const lines =
          line === 'M114'
            ? [`X:0.00 A:${at.toFixed(6)} Count`, 'ok']
            : line === 'BAD'
              ? ['error:20']
              : ['ok'];
        world.clock.after(10, () => lines.forEach((l) => link.onLine?.(l)));
      },
      onLine: null,
      onClose: null,
      close: () => link.onClose?.('closed'),
    };
    return link;
  }
  test('lines one after the other, and the place asked for', async () => {
    const world = new World();
    const controller = await world.until(connectGcode(machine(world), world.clock, axis));
    expect(await world.until(reach(controller, world.clock, to(449_753, { window: 0 })))).toMatchObject({
      ok: true,
      error: 0,
    });
    await world.until(controller.zero());
    expect(controller.status()!.counts).toBe(0);
    await world.until(controller.freeze(true));
    await expect(world.until(controller.moveTo(5))).rejects.toThrow('frozen');
    controller.close();
  });
  test('what such machines say', () => {
    expect(gcodeMove(449_753, axis)).toBe('G0 A147.945066');
    expect(readGcodeLine('ok N3', axis)).toEqual({ is: 'ok' });
    expect(readGcodeLine('error:20', axis)).toMatchObject({ is: 'error' });
    expect(readGcodeLine('ALARM:1', axis)).toMatchObject({ is: 'error' });
    expect(readGcodeLine('X:1.0 A:1.000', axis)).toEqual({ is: 'position', counts: 3040, plusMinus: 2 });
    expect(readGcodeLine('A:12', axis)).toEqual({ is: 'position', counts: 36_480, plusMinus: 1520 });
    expect(readGcodeLine('start', axis)).toEqual({ is: 'started' });
    expect(readGcodeLine('echo:busy: processing', axis)).toEqual({ is: 'busy' });
    expect(readGcodeLine('; A:3.000 is a remark', axis)).toBeNull();
    expect(readGcodeLine('whatever', axis)).toBeNull();
  });
});

describe('what every controller must do', () => {
  const machine = standIn(STAND_IN, 'b');
  test.each(LINE_CASES)('%.50s', (line, holds) => {
    expect(machine.receive(line).join('\n')).toContain(holds);
  });
});

describe('small promises of a controller', () => {
  test('a motor that is let go stops where it is; one that is held goes on', async () => {
    const { world, controller } = await connected({ motor: 'stepper', speed: 100 });
    void controller.moveTo(10_000);
    await world.until(new Promise<void>((done) => world.clock.after(500, done)));
    await world.until(controller.hold(true));
    expect(controller.status()!.moving).toBe(true);
    await world.until(controller.hold(false));
    await world.until(new Promise<void>((done) => world.clock.after(1000, done)));
    expect(controller.status()).toMatchObject({ moving: false, held: false });
    expect(controller.status()!.counts).toBeLessThan(200);
  });
  test('what is held twice stays held', () => {
    const plant = standInPlant({ ...STAND_IN, shaking: true, decode: 1, seed: 3 });
    plant.freeze(true);
    plant.tick(100);
    plant.freeze(true);
    plant.tick(100);
    expect(plant.status()).toMatchObject({ counts: 0, frozen: true });
    plant.freeze(false);
    expect(plant.status()).toMatchObject({ counts: 0, raw: 0, frozen: false });
  });
  test('that it stands is told in the tick it comes to rest, and not in every one', () => {
    const machine = standIn({ ...STAND_IN, motor: 'stepper', speed: 20_000 }, 'b1');
    machine.receive('{"id":1,"cmd":"hold","on":true}');
    machine.receive('{"id":2,"cmd":"moveTo","counts":900}');
    const told: [number, boolean][] = [];
    for (let ms = 5; ms <= 200; ms += 5)
      for (const line of machine.tick(5)) {
        const read = readAnswer(line);
        if (read?.is === 'status') told.push([ms, read.status.moving]);
      }
    const rest = told.filter(([, moving]) => !moving).map(([ms]) => ms);
    // 900 counts at 20 000 a second are done in 45 ms
    expect(rest[0]).toBeLessThanOrEqual(50);
    expect(told.length).toBeLessThan(12);
  });
  test('how long was waited is said in seconds', async () => {
    const { world, controller } = await connected({ motor: 'stepper', speed: 1 });
    const done = await world.until(reach(controller, world.clock, to(1_000_000, { most: 30_000 })));
    expect(done).toMatchObject({ ok: false, why: 'time', words: 'it does not come to rest in 30 s' });
  });
});
