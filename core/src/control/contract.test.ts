import { describe, expect, test } from '@jest/globals';
import { seeded } from '../simulate/index.ts';
import { many } from '../testing/many.ts';
import { World } from '../testing/machine-world.ts';
import { AXIS, standIns, type Kept, type Manners } from '../testing/stand-ins.ts';
import { dialectOf, dialects, reach, type Controller, type DialectId, type StandIn } from './index.ts';

/** What every controller promises, whatever it speaks. */
interface Bench {
  readonly world: World;
  readonly kept: Kept;
  readonly controller: Controller;
}
async function bench(id: DialectId, of: Partial<StandIn>, manners: Manners): Promise<Bench> {
  const world = new World();
  const kept = standIns[id](of, manners);
  const link = world.link(kept.machine);
  const controller = await world.until(dialectOf(id).connect(link, world.clock, AXIS));
  await world.until(controller.hold(true));
  return { world, kept, controller };
}
const pass = (world: World, ms: number): Promise<void> =>
  world.until(new Promise<void>((done) => world.clock.after(ms, done)));
const to = (counts: number, more: object = {}) => ({
  counts,
  window: 0,
  beyond: 0,
  side: 1 as const,
  most: 200_000,
  ...more,
});

describe.each(Object.keys(dialects) as DialectId[])('a controller that speaks %s', (id) => {
  test.each([false, true])(
    'ends a move of a minute and a half (answers when it is done: %s)',
    async (blocks) => {
      const { world, kept, controller } = await bench(
        id,
        { speed: 1000 },
        { seed: 1, blocks, busy: !blocks },
      );
      expect(await world.until(reach(controller, world.clock, to(90_000)))).toMatchObject({
        ok: true,
        error: 0,
      });
      expect([kept.stands(), kept.moves(), controller.status()!.moving]).toEqual([90_000, false, false]);
    },
  );

  test('stops under way within a tenth of a second, and says where', async () => {
    const { world, kept, controller } = await bench(id, { speed: 1000 }, { seed: 2 });
    await world.until(controller.moveTo(60_000));
    await pass(world, 5000);
    expect(kept.moves()).toBe(true);
    const stopped = controller.stop();
    await pass(world, 100);
    expect(kept.moves()).toBe(false);
    await world.until(stopped);
    await pass(world, 500);
    expect(controller.status()).toMatchObject({ counts: kept.stands(), moving: false });
    // and it can be sent on
    expect(await world.until(reach(controller, world.clock, to(7000)))).toMatchObject({ ok: true });
    expect(kept.stands()).toBe(7000);
  });

  test.each([0, 1, 2, 3, 6])(
    'arrives, however coarsely its place is printed: %d decimals',
    async (decimals) => {
      const { world, kept, controller } = await bench(id, {}, { seed: 3, decimals });
      for (const counts of [1234, -77, 40_001]) {
        expect(await world.until(reach(controller, world.clock, to(counts)))).toMatchObject({
          ok: true,
          error: 0,
        });
        expect(kept.stands()).toBe(counts);
        // what it prints at rest does not walk the count off, nor make it a stranger
        const { boot } = controller.hello;
        await pass(world, 2000);
        expect([controller.status()!.counts, controller.hello.boot]).toEqual([counts, boot]);
      }
    },
  );

  test('that it began anew in the middle is told by another boot; the move does not go on by itself', async () => {
    const { world, kept, controller } = await bench(id, { speed: 1000 }, { seed: 4 });
    const { boot } = controller.hello;
    await world.until(controller.moveTo(50_000));
    await pass(world, 3000);
    kept.restart();
    const at = kept.stands();
    await pass(world, 10_000);
    expect(kept.stands()).toBe(at);
    // lines of JSON say who they are when they are asked
    if (id === 'lines') return;
    expect(controller.hello.boot).not.toBe(boot);
    expect(controller.status()!.moving).toBe(false);
    await world.until(controller.zero());
    expect(await world.until(reach(controller, world.clock, to(500)))).toMatchObject({ ok: true });
    expect(kept.stands()).toBe(at + 500);
  });

  test('greets late, says what nobody asked: it is connected all the same', async () => {
    const { world, kept, controller } = await bench(id, {}, { seed: 5, greets: 1200, remarks: true });
    expect(await world.until(reach(controller, world.clock, to(300)))).toMatchObject({ ok: true });
    expect(kept.stands()).toBe(300);
  });

  test('answers that come late never stand for another line: each place is reached, or said not to be', async () => {
    let reached = 0;
    for (let seed = 1; seed <= many(60); seed++) {
      const random = seeded(seed);
      const { world, kept, controller } = await bench(
        id,
        { speed: 2000 },
        { seed, decimals: 2 + Math.floor(4 * random()), remarks: random() < 0.5 },
      );
      kept.delay(12_000 * random());
      for (let i = 0; i < 6; i++) {
        const counts = Math.floor(20_000 * random());
        let there;
        try {
          there = await world.until(reach(controller, world.clock, to(counts)));
        } catch {
          continue;
        }
        reached += there.ok ? 1 : 0;
        // an early "ok" would have it judged on its way
        expect([seed, i, there.ok ? '' : there.why]).not.toEqual([seed, i, 'window']);
        if (there.ok) expect([seed, i, kept.stands(), kept.moves()]).toEqual([seed, i, counts, false]);
      }
    }
    expect(reached).toBeGreaterThan(10);
  });
});
