import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { applyEdit, trainsOf, type Drive, type FurtherTrain, type Stage } from '../drive/index.ts';
import { readDrive } from '../files/index.ts';
import { driveOf } from '../testing/samples.ts';
import {
  arborCures,
  arborPlan,
  beltCentre,
  between,
  distanceOf,
  layerCure,
  placeArbors,
  type ArborPlan,
  type Link,
  type Placing,
  type WheelClash,
} from './index.ts';

const spur = (z1: number, z2: number, more: object = {}): Stage => ({
  kind: 'spur',
  z1,
  z2,
  moduleMm: 1,
  ...more,
});
const demo = readDrive(
  readFileSync(new URL('../../../demo/walnut-orrery.pendrix.json', import.meta.url), 'utf8'),
);
if (!demo.ok) throw new Error('the demo is refused');
const orrery = demo.value;

const named = (plan: ArborPlan, name: string) => plan.arbors.find((a) => a.name === name)!;
const wheelsOn = (plan: ArborPlan, name: string): readonly number[] =>
  named(plan, name).wheels.map((w) => plan.wheels[w]!.teeth);

describe('distances', () => {
  test.each<[Stage, number]>([
    [spur(17, 48), 32.5],
    [spur(15, 60, { shiftBack: true }), 37.5],
    [spur(12, 40, { moduleMm: 1, shift: 0, shiftDriven: 0 }), 26],
    [{ kind: 'spur', z1: 47, z2: 46, moduleMm: 0.8 }, 37.2],
    [{ kind: 'internal', z1: 20, z2: 60, moduleMm: 0.5 }, 10],
    [{ kind: 'friction', d1: '20', d2: '60', run: 'rim' }, 40],
    [{ kind: 'geneva', slots: 6, centreMm: 30 }, 30],
    [spur(16, 48, { distanceMm: '33' }), 33],
  ])('%j', (stage, mm) => {
    expect(distanceOf(stage)).toMatchObject({ is: 'mesh' });
    expect((distanceOf(stage) as { mm: number }).mm).toBeCloseTo(mm, 9);
  });

  test('a belt is free until its length is known, a box is on one axis, a worm crosses', () => {
    expect(distanceOf({ kind: 'belt', z1: 20, z2: 60, pitchMm: 2 }).is).toBe('free');
    expect(distanceOf({ kind: 'box', pairs: [[9, 32]] } as never).is).toBe('coaxial');
    expect(distanceOf({ kind: 'worm', starts: 1, wheel: 60, moduleMm: 1 })).toEqual({
      is: 'crossed',
      mm: 39,
    });
    const belt = { kind: 'belt', z1: 20, z2: 60, pitchMm: 2, beltTeeth: 100 } as Stage;
    const { mm } = distanceOf(belt) as { mm: number };
    // put back: two straight runs and two arcs make 200 mm
    const [r1, r2] = [20 / Math.PI, 60 / Math.PI];
    const a = Math.asin((r2 - r1) / mm);
    expect(2 * mm * Math.cos(a) + Math.PI * (r1 + r2) + 2 * a * (r2 - r1)).toBeCloseTo(200, 6);
    expect(beltCentre(50, 40, 120)).toBeNull();
  });
});

describe('the walnut orrery', () => {
  const plan = arborPlan(orrery);

  test('stands where its distances put it', () => {
    const places = plan.arbors.map((a) => [
      a.name,
      Number(a.at.x.toFixed(3)),
      Number(a.at.y.toFixed(3)),
      a.how,
    ]);
    expect(places).toEqual([
      ['C', -61.892, 19.494, 'swings'],
      ['1', -26.199, 16.371, 'swings'],
      ['2', 0, 0, 'pinned'],
      ['3', 19.987, 24.476, 'solved'],
      ['4', 48, 0, 'pinned'],
      ['5', 13.8, -22.974, 'solved'],
      ['6', -20.398, -8.241, 'swings'],
      ['7', -31.964, -35.488, 'swings'],
    ]);
  });

  test('one wheel of 18 drives three, three hands stand on one axis as tubes', () => {
    expect(wheelsOn(plan, '2')).toEqual([62, 18]);
    expect(plan.wheels.find((w) => w.teeth === 18)!.of.map((o) => o.train)).toEqual([1, 3, 4]);
    expect(named(plan, '4')).toMatchObject({
      outputs: ['Mercury', 'Venus', 'Year'],
      diameterMm: 10,
      span: [1, 5],
      shafts: [{ boreMm: 4 }, { boreMm: 6 }, { boreMm: 8 }],
    });
    expect(named(plan, 'C')).toMatchObject({ span: [-2, -1], outputs: ['Day'] });
  });

  test('two pairs differ by 0.8 mm, and the 86 meets arbor 3 by 1 mm', () => {
    expect(
      plan.disagreements.map(({ a, b, mm }) => [
        plan.arbors[a]!.name,
        plan.arbors[b]!.name,
        Number(mm.toFixed(6)),
      ]),
    ).toEqual([['3', '4', 0.8]]);
    expect(
      plan.clashes.map((c) =>
        c.meets === 'both'
          ? c
          : [plan.wheels[c.wheel]!.teeth, c.meets, plan.arbors[c.other]!.name, Number(c.mm.toFixed(6))],
      ),
    ).toEqual([[86, 'arbor', '3', 1]]);
  });

  test('cured by a profile shift, which is told with what it costs', () => {
    const cures = arborCures(orrery, plan, plan.disagreements[0]!);
    expect(cures.map((c) => [c.way, Number(c.shift!.toFixed(4)), c.mm, Number(c.clash.toFixed(3))])).toEqual([
      ['shift', 1.0773, 37.2, 1],
      ['shift', -0.9117, 36.4, 1.8],
    ]);
    const [cure] = cures;
    const after = applyEdit(orrery, {
      do: 'arbor',
      train: 'Venus',
      stage: cure!.stage,
      set: cure!.set,
      label: 'shift',
    });
    expect(after.ok && arborPlan(after.value).disagreements).toEqual([]);
  });

  test('another layer cures the clash, and the whole plan is clear after it', () => {
    const cure = layerCure(orrery, plan, plan.clashes[0] as WheelClash);
    const after = applyEdit(orrery, {
      do: 'arbor',
      train: 'Year',
      stage: cure!.stage,
      set: { layer: String(cure!.layer) },
      label: 'layer',
    });
    expect(after.ok && arborPlan(after.value).clashes).toEqual([]);
  });
});

describe('there and back', () => {
  const train = (a: Stage, b: Stage): Drive => driveOf(200, 16, [a, b]);
  const back = { axis: 'hands' };

  test('17 : 48 and 18 : 58 on the same two arbors differ by 5.5 mm', () => {
    const drive = train(spur(17, 48), spur(18, 58, back));
    const one: Drive = {
      ...drive,
      train: { ...drive.train, source: { ...drive.train.source, axis: 'Hands ' } },
    };
    const plan = arborPlan(one);
    expect(plan.arbors).toHaveLength(2);
    expect(plan.disagreements.map((d) => d.mm)).toEqual([5.5]);
  });

  test('15 : 45 with 12 : 48 agree where the shifts are given back, and not where they are kept', () => {
    const kept = train(spur(15, 45), spur(12, 48, back));
    const drive = train(spur(15, 45, { shiftBack: true }), spur(12, 48, { ...back, shiftBack: true }));
    expect(
      arborPlan({ ...kept, train: { ...kept.train, source: { ...kept.train.source, axis: 'hands' } } })
        .disagreements,
    ).toHaveLength(1);
    const one: Drive = {
      ...drive,
      train: { ...drive.train, source: { ...drive.train.source, axis: 'hands' } },
    };
    expect(arborPlan(one).disagreements).toEqual([]);
  });

  test('a pair of the same ratio with the right sum is found, of this module and of another', () => {
    const drive = train(spur(17, 51), spur(19, 56, back));
    const one: Drive = {
      ...drive,
      train: { ...drive.train, source: { ...drive.train.source, axis: 'hands' } },
    };
    const plan = arborPlan(one);
    const cures = arborCures(one, plan, plan.disagreements[0]!);
    expect(cures.length).toBeGreaterThan(0);
    for (const c of cures) {
      const after = applyEdit(one, {
        do: 'arbor',
        train: 'Train 1',
        stage: c.stage,
        set: c.set,
        label: 'cure',
      });
      expect([c.set, after.ok && arborPlan(after.value).disagreements]).toEqual([c.set, []]);
    }
    // 1 : 3 at 37.5 mm is 18.75 : 56.25 of module 1: none; of module 0.75 it is 25 : 75
    expect(
      cures.some((c) => c.way === 'module' && c.teeth.join(':') === '25:75' && c.moduleMm === 0.75),
    ).toBe(true);
  });
});

/** Sets that can be built: places first, then the distances that they have. */
const solvable = fc
  .array(
    fc.record({
      x: fc.double({ min: -200, max: 200, noNaN: true }),
      y: fc.double({ min: -200, max: 200, noNaN: true }),
      two: fc.boolean(),
      first: fc.nat(30),
      second: fc.nat(30),
      other: fc.boolean(),
    }),
    { minLength: 2, maxLength: 14 },
  )
  .map((all) => {
    const links: Link[] = [];
    const placings = all.map(({ x, y, other }, i): Placing => ({
      pin: i === 0 ? { x, y } : null,
      deg: null,
      other,
      radius: 5,
    }));
    for (const [i, { x, y, two, first, second }] of all.entries()) {
      if (i === 0) continue;
      const a = first % i;
      const b = second % i;
      const to = two && b !== a ? [a, b] : [a];
      for (const j of to) {
        const mm = Math.hypot(all[j]!.x - x, all[j]!.y - y);
        links.push({ a: j, b: i, mm, loose: false });
      }
    }
    return { placings, links };
  });

describe('random sets', () => {
  test('two hundred solvable ones, put back into their distances to 0.001 mm', () => {
    fc.assert(
      fc.property(solvable, ({ placings, links }) => {
        const placed = placeArbors(placings, links);
        const off = links.filter((l) => {
          const miss = Math.max(placed[l.a]!.miss, placed[l.b]!.miss);
          return miss === 0 && Math.abs(between(placed[l.a]!.at, placed[l.b]!.at) - l.mm) > 0.001;
        });
        expect(off).toEqual([]);
      }),
      { numRuns: 200 },
    );
  });

  test('triangles that cannot close are named with what they miss by', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (a, b, more) => {
          const placings: Placing[] = [0, a + b + more, null].map((x) => ({
            pin: x === null ? null : { x, y: 0 },
            deg: null,
            other: false,
            radius: 1,
          }));
          const placed = placeArbors(placings, [
            { a: 0, b: 2, mm: a, loose: false },
            { a: 1, b: 2, mm: b, loose: false },
          ]);
          expect(placed[2]!.miss).toBeCloseTo(more, 6);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('pairs that share two arbors and differ are named with the difference', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: 17, max: 90 }), fc.integer({ min: 17, max: 90 })),
        fc.tuple(fc.integer({ min: 17, max: 90 }), fc.integer({ min: 17, max: 90 })),
        ([a, b], [c, d]) => {
          const drive = driveOf(200, 16, [spur(a, b), spur(c, d, { axis: 'one' })]);
          const one: Drive = {
            ...drive,
            train: { ...drive.train, source: { ...drive.train.source, axis: 'one' } },
          };
          const found = arborPlan(one).disagreements;
          const mm = Math.abs(a + b - c - d) / 2;
          expect(found.map((x) => x.mm)).toEqual(mm === 0 ? [] : [mm]);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('clashes are those of a plain check of all pairs', () => {
    const trees = fc.array(
      fc.record({
        shaft: fc.nat(9),
        z: fc.tuple(fc.integer({ min: 17, max: 60 }), fc.integer({ min: 17, max: 60 })),
        layer: fc.constantFrom(1, 2, 3, -1, -2),
        deg: fc.integer({ min: 0, max: 359 }),
      }),
      { minLength: 1, maxLength: 7 },
    );
    fc.assert(
      fc.property(trees, (all) => {
        const others = all.map(({ shaft, z, layer, deg }, i): FurtherTrain => ({
          name: `T${i}`,
          from: { train: i === 0 ? 'Train 1' : `T${shaft % i}`, shaft: i === 0 ? 0 : 1 },
          stages: [spur(z[0], z[1], { layer, arborDeg: deg, outBoreMm: 3 })],
          output: { kind: 'rotary' },
          job: { divisions: '' },
        }));
        const plan = arborPlan({ ...driveOf(1, 1, []), others });
        const plain: string[] = [];
        for (const w of plan.wheels) {
          for (const a of plan.arbors) {
            const gap = between(plan.arbors[w.arbor]!.at, a.at) - (w.pitchMm + 2) / 2 - a.diameterMm / 2;
            if (a.id !== w.arbor && w.layer >= a.span[0] && w.layer <= a.span[1] && gap < 0)
              plain.push(`${w.id} arbor ${a.id}`);
          }
          for (const v of plan.wheels) {
            const mates = plan.meshes.some(
              (m) => (m.driver === w.id && m.driven === v.id) || (m.driver === v.id && m.driven === w.id),
            );
            const gap =
              between(plan.arbors[w.arbor]!.at, plan.arbors[v.arbor]!.at) - (w.pitchMm + v.pitchMm + 4) / 2;
            if (v.id > w.id && v.layer === w.layer && v.arbor !== w.arbor && !mates && gap < 0)
              plain.push(`${w.id} wheel ${v.id}`);
          }
        }
        for (const a of plan.arbors)
          for (const b of plan.arbors)
            if (a.id < b.id && between(a.at, b.at) < (a.diameterMm + b.diameterMm) / 2)
              plain.push(`${a.id} both ${b.id}`);
        const found = plan.clashes.map((c) =>
          c.meets === 'both' ? c.arbors.join(' both ') : `${c.wheel} ${c.meets} ${c.other}`,
        );
        expect([...found].sort()).toEqual(plain.sort());
      }),
      { numRuns: 200 },
    );
  });
});

/** A drive of one train with arbors pinned, by their names, and every bore given. */
function pinnedAt(
  drive: Drive,
  at: Readonly<Record<string, readonly [number, number]>>,
  boreMm?: number,
): Drive {
  const bored = <T extends object>(of: T, shaft: number): T => {
    const pin = at[shaft === 0 ? 'M' : String(shaft)];
    return {
      ...of,
      ...(pin && { arborXMm: pin[0], arborYMm: pin[1] }),
      ...(boreMm !== undefined && (shaft === 0 ? { boreMm } : { outBoreMm: boreMm })),
    };
  };
  const { source, stages } = drive.train;
  return {
    ...drive,
    train: { ...drive.train, source: bored(source, 0), stages: stages.map((s, i) => bored(s, i + 1)) },
  };
}

/** Every arbor of a plan pinned one after another where it stands: the names of those that moved. */
function movedByPins(drive: Drive, order: readonly number[]): readonly string[] {
  const first = arborPlan(drive);
  const trains = trainsOf(drive);
  let now = drive;
  const moved = new Set<string>();
  for (const id of order) {
    const { at, set } = first.arbors[id % first.arbors.length]!;
    const [x, y] = [at.x, at.y].map((mm) => String(mm));
    const { name } = trains[set.train]!;
    const edit = {
      do: 'arbor',
      train: name,
      stage: set.stage,
      set: { arborXMm: x!, arborYMm: y! },
      label: 'pin',
    } as const;
    const after = applyEdit(now, edit);
    if (!after.ok) throw new Error('the pin is refused');
    now = after.value;
    for (const [i, a] of arborPlan(now).arbors.entries())
      if (between(a.at, first.arbors[i]!.at) > 1e-3) moved.add(a.name);
  }
  return [...moved];
}

describe('a pin', () => {
  const unpinned = (drive: Drive): Drive => {
    const free = <T extends object>(of: T): T => {
      const { arborXMm: _x, arborYMm: _y, ...rest } = of as T & { arborXMm?: number; arborYMm?: number };
      return rest as T;
    };
    const { train, others = [] } = drive;
    return {
      ...drive,
      train: { ...train, source: free(train.source), stages: train.stages.map(free) },
      others: others.map((o) => ({ ...o, stages: o.stages.map(free) })),
    };
  };

  test('where an arbor stands moves no other, in a train of which the first was at the origin', () => {
    const drive = driveOf(200, 16, [spur(17, 60), spur(19, 57), spur(20, 80)]);
    for (const id of [1, 2, 3]) expect(movedByPins(drive, [id])).toEqual([]);
    expect(movedByPins(drive, [2, 0, 3, 1])).toEqual([]);
  });

  test('nor in the orrery, whichever comes first', () => {
    const drive = unpinned(orrery);
    for (const id of arborPlan(drive).arbors.keys()) expect(movedByPins(drive, [id])).toEqual([]);
    expect(movedByPins(drive, [4, 0, 6])).toEqual([]);
  });

  test('nor in a train of random pairs', () => {
    const pairs = fc.array(fc.tuple(fc.integer({ min: 12, max: 90 }), fc.integer({ min: 12, max: 90 })), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(pairs, fc.array(fc.nat(8), { minLength: 1, maxLength: 4 }), (all, order) => {
        const drive = driveOf(
          200,
          16,
          all.map(([a, b]) => spur(a, b)),
        );
        expect(movedByPins(drive, order)).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });

  test('elsewhere keeps the others as near as their distances let them', () => {
    const drive = driveOf(200, 16, [spur(20, 60), spur(20, 60)]);
    const [before, after] = [arborPlan(drive), arborPlan(pinnedAt(drive, { '2': [84, 3] }))];
    expect(before.arbors.map((a) => a.at.x)).toEqual([0, 40, 80]);
    for (const i of [0, 1]) expect(between(before.arbors[i]!.at, after.arbors[i]!.at)).toBeLessThan(12);
  });
});

describe('what the plan sets', () => {
  test('a pinned arbor stands there, an unpinned one swings again; a bad layer is refused', () => {
    const drive = driveOf(200, 16, [spur(20, 40), spur(20, 60)]);
    const set = (values: Record<string, string>) =>
      applyEdit(drive, { do: 'arbor', train: 'Train 1', stage: 1, set: values, label: 'arbor 2' });
    const pinned = set({ arborXMm: '50', arborYMm: '-10' });
    expect(pinned.ok && arborPlan(pinned.value).arbors[2]).toMatchObject({
      at: { x: 50, y: -10 },
      how: 'pinned',
    });
    const back =
      pinned.ok &&
      applyEdit(pinned.value, {
        do: 'arbor',
        train: 'train 1',
        stage: 1,
        set: { arborXMm: '', arborYMm: '' },
        label: 'arbor 2',
      });
    expect(back && back.ok && back.value).toEqual(drive);
    expect(set({ layer: '0' }).ok).toBe(false);
    expect(set({ arborXMm: 'left' }).ok).toBe(false);
  });

  test('two shafts 1.7 mm apart with bores of 4 mm meet by 2.3; thinner ones do not', () => {
    const there = (boreMm: number) =>
      arborPlan(
        pinnedAt(driveOf(200, 16, [spur(20, 40), spur(40, 20)]), { M: [0, 0], '2': [1.7, 0] }, boreMm),
      );
    const [clash] = there(4).clashes.filter((c) => c.meets === 'both');
    expect(clash!.arbors.map((id) => there(4).arbors[id]!.name)).toEqual(['M', '2']);
    expect(clash!.mm).toBeCloseTo(2.3, 9);
    expect(there(1.6).clashes.filter((c) => c.meets === 'both')).toEqual([]);
  });

  test('layers that nobody gives are clear of one another where they can be', () => {
    const drive = driveOf(200, 16, [spur(20, 60), spur(20, 60), spur(20, 60)]);
    expect(arborPlan(drive).clashes).toEqual([]);
  });

  test('an arbor with two places takes the other when asked', () => {
    const base = arborPlan(orrery);
    const after = applyEdit(orrery, {
      do: 'arbor',
      train: 'Mercury',
      stage: 2,
      set: { arborOther: 'true' },
      label: 'arbor 3',
    });
    if (!after.ok) throw new Error('refused');
    const [was, is] = [base, arborPlan(after.value)].map((p) => named(p, '3').at);
    expect(is!.x).toBeCloseTo(was!.x, 9);
    expect(is!.y).toBeCloseTo(-was!.y, 9);
  });
});

describe('what the plan draws', () => {
  test('the wheels of a stage lie in one layer, what sits on the same arbor in another', () => {
    const { wheels } = arborPlan(driveOf(200, 16, [spur(20, 60), spur(20, 60)]));
    expect(wheels.map((w) => w.layer)).toEqual([1, 1, 2, 2]);
  });
  test('a Geneva: its crank reaches R sin(π/n), its slots R cos(π/n), twice', () => {
    const { wheels } = arborPlan(driveOf(200, 16, [{ kind: 'geneva', slots: 6, centreMm: 30 }]));
    expect(wheels.map((w) => [w.form, Number(w.pitchMm.toFixed(6)), Number(w.outsideMm.toFixed(6))])).toEqual(
      [
        ['crank', 30, 30],
        ['slots', 51.961524, 51.961524],
      ],
    );
  });
  test('a belt of unknown length is drawn clear by two fifths', () => {
    const belt: Stage = { kind: 'belt', z1: 20, z2: 60, pitchMm: 2 };
    const distance = distanceOf(belt) as { is: string; mm: number };
    expect(distance.is).toBe('free');
    // pitch diameters 40/π and 120/π
    expect(distance.mm).toBeCloseTo((80 / Math.PI) * 1.4, 9);
  });
  test('a friction rim is as large as it is', () => {
    const { wheels } = arborPlan(driveOf(200, 16, [{ kind: 'friction', d1: '20', d2: '60', run: 'rim' }]));
    expect(wheels.map((w) => [w.form, w.outsideMm])).toEqual([
      ['rim', 20],
      ['rim', 60],
    ]);
  });
  test('a lobed wheel is as large as its lobes, two modules over', () => {
    const { wheels } = arborPlan(driveOf(200, 16, [{ kind: 'cycloidPinion', lobes: 10, moduleMm: 2 }]));
    expect(wheels[1]!.outsideMm).toBeCloseTo(24, 9);
  });
  test('no cure has a wheel that cannot be cut, or that nobody would', () => {
    let seen = 0;
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 60 }),
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 8, max: 60 }),
        fc.integer({ min: 8, max: 200 }),
        (z1, times, a, b) => {
          const plain = driveOf(200, 16, [spur(z1, z1 * times), spur(a, b, { axis: 'hands' })]);
          const { train } = plain;
          const one: Drive = { ...plain, train: { ...train, source: { ...train.source, axis: 'hands' } } };
          const plan = arborPlan(one);
          for (const d of plan.disagreements)
            for (const { set } of arborCures(one, plan, d)) {
              const teeth = ['z1', 'z2'].flatMap((key) => (key in set ? [Number((set as never)[key])] : []));
              seen += teeth.length;
              expect(Math.min(99, ...teeth)).toBeGreaterThanOrEqual(8);
              expect(Math.max(99, ...teeth)).toBeLessThanOrEqual(240);
            }
        },
      ),
      { numRuns: 60 },
    );
    expect(seen).toBeGreaterThan(0);
  });
});
