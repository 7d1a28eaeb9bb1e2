import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { abs, div, equal, exactly, mul, product, rational, toText, type Rational } from '../numbers/index.ts';
import { driveOf } from '../testing/samples.ts';
import {
  applyEdit,
  driveFault,
  editLabel,
  kindOf,
  kinematics,
  pathOf,
  ratioBetween,
  trainsOf,
  type Drive,
  type Edit,
  type FurtherTrain,
  type Stage,
} from './index.ts';

const spur = (z1: number, z2: number): Stage => ({ kind: 'spur', z1, z2, moduleMm: 0.8 });
const branch = (name: string, train: string, shaft: number, stages: readonly Stage[]): FurtherTrain => ({
  name,
  from: { train, shaft },
  stages,
  output: { kind: 'rotary' },
  job: { divisions: '' },
});

/** The walnut orrery: one crank, four hands. */
const orrery: Drive = {
  ...driveOf(1, 1, [spur(12, 77), spur(15, 62), spur(18, 61), spur(47, 46)]),
  others: [
    branch('Venus', 'Mercury', 3, [spur(26, 65)]),
    branch('Year', 'Mercury', 2, [spur(18, 49), spur(17, 86)]),
    branch('Moon', 'Mercury', 2, [spur(18, 37), spur(48, 26)]),
  ],
};
const named: Drive = {
  ...orrery,
  train: { ...orrery.train, name: 'Mercury', source: { kind: 'crank', marks: 1 } },
};

const done = (drive: Drive, edit: Edit, on = 0): Drive => {
  const result = applyEdit(drive, edit, on);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
};
const refused = (drive: Drive, edit: Edit, on = 0): string => {
  const result = applyEdit(drive, edit, on);
  return result.ok ? 'taken' : `${result.refusal.code} ${result.refusal.given}`;
};

describe('the path to an output', () => {
  test.each([
    [0, '87', 36871, 38070],
    [1, '224', 455, 648],
    [2, '365', 3359, 13770],
    [3, '29', 20627, 38880],
  ])('hand %i of the orrery turns once in %s %i/%i days', (at, whole, n, d) => {
    const { reduction } = kinematics(pathOf(named, at).drive.train);
    expect(toText(reduction)).toBe(
      toText(mul(rational(BigInt(whole) * BigInt(d) + BigInt(n)), rational(1, d))),
    );
  });

  test('shares what lies before its shaft, and counts shafts along the path', () => {
    const path = pathOf(named, 1);
    expect(path.shared).toBe(3);
    expect(path.places).toEqual([
      { train: 0, stage: 0 },
      { train: 0, stage: 1 },
      { train: 0, stage: 2 },
      { train: 1, stage: 0 },
    ]);
    expect(pathOf(named, 1)).toBe(path);
  });

  test('a branch of a branch at its shaft 0 shares what that one shares', () => {
    const more = { ...named, others: [...named.others!, branch('Tail', 'Venus', 0, [spur(10, 20)])] };
    expect(pathOf(more, 4).shared).toBe(3);
    expect(kinematics(pathOf(more, 4).drive.train).stepsPerTurn).toEqual(
      kinematics({ ...named.train, stages: [...named.train.stages.slice(0, 3), spur(10, 20)] }).stepsPerTurn,
    );
  });

  test('an encoder on it is told from the shaft it begins at', () => {
    const [venus, ...rest] = named.others!;
    const drive = {
      ...named,
      others: [{ ...venus!, encoder: { lines: 100, decode: 4 as const, shaft: 1 } }, ...rest],
    };
    expect(pathOf(drive, 1).drive.encoder?.shaft).toBe(4);
    const moved = done(drive, { do: 'encoder', key: 'shaft', text: '0' }, 1);
    expect(moved.others![0]!.encoder?.shaft).toBe(0);
    expect(refused(drive, { do: 'encoder', key: 'shaft', text: '2' }, 1)).toBe('noSuchShaft 2');
  });

  test('takes the common tolerance and camera, and lets its own go before', () => {
    const camera = { focalMm: 135, pixelUm: 4 } as never;
    const drive: Drive = { ...named, job: { divisions: '12', toleranceArcsec: '20', camera } };
    expect(pathOf(drive, 1).drive.job).toEqual({ divisions: '', toleranceArcsec: '20', camera });
    const own = done(drive, { do: 'tolerance', as: 'length', text: '0.1 mm', radius: '30 mm' }, 1);
    expect(pathOf(own, 1).drive.job).toMatchObject({ toleranceMm: '1/10', radiusMm: '30' });
    expect(pathOf(own, 1).drive.job.toleranceArcsec).toBeUndefined();
    expect(own.job.toleranceArcsec).toBe('20');
  });
});

describe('ratios between outputs', () => {
  test('12 h to 144 h by 16 : 48 and 15 : 60', () => {
    const drive: Drive = {
      ...driveOf(200, 16, [spur(12, 60)]),
      others: [branch('Slow', 'Train 1', 1, [spur(16, 48), spur(15, 60)])],
    };
    expect(toText(ratioBetween(drive, 0, 1)!.ratio)).toBe('12');
    expect(toText(ratioBetween(drive, 1, 0)!.ratio)).toBe('1/12');
  });

  test('only the stages that differ are apart', () => {
    const { ratio, apart } = ratioBetween(named, 0, 1)!;
    expect(apart).toEqual([[named.train.stages[3]], [named.others![0]!.stages[0]]]);
    expect(toText(ratio)).toBe(toText(div(exactly('5/2'), exactly('46/47'))));
  });

  test('none between two sources', () => {
    const two = done(named, { do: 'addTrain', name: 'Pan', from: null });
    expect(ratioBetween(two, 0, 4)).toBeNull();
  });
});

/** Trees of up to eight trains, each hanging on a shaft of one before it. */
const trees: fc.Arbitrary<Drive> = fc
  .array(
    fc.record({
      on: fc.nat(20),
      shaft: fc.nat(20),
      wheels: fc.array(fc.tuple(fc.integer({ min: 8, max: 90 }), fc.integer({ min: 8, max: 90 })), {
        maxLength: 4,
      }),
    }),
    { minLength: 1, maxLength: 8 },
  )
  .map((all) => {
    const stages = all.map((t) => t.wheels.map(([a, b]) => spur(a, b)));
    const others = all.slice(1).map(({ on, shaft }, i) => {
      const up = on % (i + 1);
      return branch(`T${i + 1}`, `T${up}`, shaft % (stages[up]!.length + 1), stages[i + 1]!);
    });
    const first = driveOf(200, 16, stages[0]!);
    return { ...first, train: { ...first.train, name: 'T0' }, ...(others.length > 0 && { others }) };
  });

/** N by walking up from the output, stage by stage, with no path in between. */
function plainSteps(drive: Drive, at: number): Rational {
  const trains = trainsOf(drive);
  let ratio = rational(1);
  let [train, shaft] = [at, trains[at]!.stages.length];
  for (;;) {
    while (shaft > 0)
      ratio = mul(ratio, kindOf(trains[train]!.stages[--shaft]!).reduction(trains[train]!.stages[shaft]!));
    const { from } = trains[train]!;
    if (!from) return mul(rational(3200), abs(ratio));
    shaft = from.shaft;
    train = trains.findIndex((t) => t.name === from.train);
  }
}

describe('random trees', () => {
  test('steps of every output are the product along its path', () => {
    fc.assert(
      fc.property(trees, (drive) => {
        const wrong = trainsOf(drive).filter(
          (_, i) => !equal(kinematics(pathOf(drive, i).drive.train).stepsPerTurn!, plainSteps(drive, i)),
        );
        expect([driveFault(drive), wrong]).toEqual([null, []]);
      }),
      { numRuns: 1000 },
    );
  });

  test('the ratio between any two outputs is the quotient of their signed reductions', () => {
    fc.assert(
      fc.property(trees, fc.nat(7), fc.nat(7), (drive, a, b) => {
        const n = trainsOf(drive).length;
        const [from, to] = [a % n, b % n];
        const signed = (at: number): Rational =>
          product(pathOf(drive, at).drive.train.stages.map((s) => kindOf(s).reduction(s)));
        expect(toText(ratioBetween(drive, from, to)!.ratio)).toBe(toText(div(signed(to), signed(from))));
      }),
      { numRuns: 300 },
    );
  });

  test('a stage that goes, comes or moves leaves every branch on the shaft of the same stage, or is refused', () => {
    const edits = fc.oneof(
      fc.record({ do: fc.constant('removeStage' as const), at: fc.nat(7) }),
      fc.record({ do: fc.constant('moveStage' as const), from: fc.nat(7), to: fc.nat(7) }),
      fc.record({ do: fc.constant('addStage' as const), kind: fc.constant('worm' as const), at: fc.nat(7) }),
      fc.record({
        do: fc.constant('repeatStage' as const),
        at: fc.nat(7),
        times: fc.integer({ min: 1, max: 3 }),
      }),
    );
    /** the very stage that turns the shaft a train begins at */
    const hooks = (drive: Drive): readonly (Stage | undefined)[] => {
      const trains = trainsOf(drive);
      return trains.map(({ from }) =>
        from?.shaft ? trains.find((t) => t.name === from.train)!.stages[from.shaft - 1] : undefined,
      );
    };
    fc.assert(
      fc.property(trees, edits, fc.nat(7), (drive, edit, on) => {
        const result = applyEdit(drive, edit, on % trainsOf(drive).length);
        if (!result.ok) {
          expect(['noSuchStage', 'hangsThere', 'otherTrain']).toContain(result.refusal.code);
          return;
        }
        expect(driveFault(result.value)).toBeNull();
        const after = hooks(result.value);
        expect(hooks(drive).every((stage, i) => stage === after[i])).toBe(true);
      }),
      { numRuns: 1000 },
    );
  });
});

describe('edits of a drive with several trains', () => {
  test('a shared stage is changed for all, from whichever output', () => {
    const after = done(named, { do: 'stage', at: 0, key: 'z2', text: '80' }, 3);
    expect(after.train.stages[0]).toMatchObject({ z2: 80 });
    expect(after.others).toBe(named.others);
  });

  test('its own stage, output, job and search stay its own', () => {
    let after = done(named, { do: 'stage', at: 3, key: 'z2', text: '70' }, 1);
    after = done(after, { do: 'outputKind', kind: 'screw' }, 1);
    after = done(after, { do: 'divisions', text: '12' }, 1);
    after = done(after, { do: 'find', key: 'wheels', text: '20-80' }, 1);
    after = done(after, { do: 'limits', back: '0', forth: '1' }, 1);
    expect(after.others![0]).toMatchObject({
      stages: [{ z2: 70 }],
      output: { kind: 'screw' },
      job: { divisions: '12' },
      find: { wheels: '20-80' },
      limits: { forth: '1' },
    });
    expect([after.train, after.job, after.find]).toEqual([named.train, named.job, undefined]);
  });

  test('what all share stays with the drive', () => {
    const timed = done(named, { do: 'addDuty', duty: 'timer' }, 2);
    expect(timed.timer).toBeDefined();
    expect(done(timed, { do: 'rename', name: 'Oak orrery' }, 2).name).toBe('Oak orrery');
    expect(done(named, { do: 'notes', text: 'oiled in May' }, 2).job.notes).toBe('oiled in May');
    const filmed = done(named, { do: 'addDuty', duty: 'camera' });
    const after = done(filmed, { do: 'duty', duty: 'camera', at: 0, key: 'focalMm', text: '85' }, 1);
    expect(after.job.camera).toMatchObject({ focalMm: 85 });
    expect(after.others![0]!.job).toEqual({ divisions: '' });
  });

  test('a motor of a further axis is its own', () => {
    const two = done(named, { do: 'addTrain', name: 'Pan', from: null });
    const after = done(two, { do: 'source', key: 'fullSteps', text: '400' }, 4);
    expect(after.others![3]!.source).toMatchObject({ fullSteps: 400 });
    expect(after.train.source).toEqual(named.train.source);
  });

  test('a stage is not moved into another train', () => {
    expect(refused(named, { do: 'moveStage', from: 3, to: 1 }, 1)).toBe('otherTrain 2');
    expect(refused(named, { do: 'moveStage', from: 1, to: 3 }, 1)).toBe('otherTrain 4');
  });

  test('a train found for a branch keeps what it shares, or changes it in place', () => {
    const { train } = pathOf(named, 3).drive;
    const found = { ...train, stages: [...train.stages.slice(0, 2), spur(20, 59)] };
    const after = done(named, { do: 'train', train: found, label: 'found' }, 3);
    expect(after.others![2]!.stages).toEqual([spur(20, 59)]);
    const cured = { ...train, stages: train.stages.map((s, i) => (i === 0 ? spur(12, 78) : s)) };
    const all = done(named, { do: 'train', train: cured, label: 'cure' }, 3);
    expect(all.train.stages[0]).toEqual(spur(12, 78));
    expect(all.train.stages).toHaveLength(4);
    const shorter = { ...train, stages: [spur(1, 2), spur(20, 59)].map((s) => ({ ...s, z1: 20 })) };
    expect(refused(named, { do: 'train', train: shorter, label: 'found' }, 3)).toBe('sharedStages ');
  });

  test('the stage that turns a branch cannot be taken away, and the branch is named', () => {
    expect(refused(named, { do: 'removeStage', at: 1 })).toBe('hangsThere Year');
    expect(done(named, { do: 'removeStage', at: 0 }).others!.map((t) => t.from!.shaft)).toEqual([2, 1, 1]);
  });

  test('labels tell the stage that is meant', () => {
    expect(editLabel({ do: 'stage', at: 0, key: 'z2', text: '80' }, named, 3)).toContain('80');
    expect(editLabel({ do: 'removeTrain', name: 'Moon' }, named)).toBe('take away Moon');
  });
});

describe('trains come, go and hang elsewhere', () => {
  test('the first is named once there is a second', () => {
    const one = driveOf(200, 16, [spur(12, 60)]);
    const two = done(one, { do: 'addTrain', from: { train: 'train 1', shaft: 1 } });
    expect(two.train.name).toBe('Train 1');
    expect(two.others).toEqual([branch('Train 2', 'Train 1', 1, [])]);
    expect(done(two, { do: 'removeTrain', name: 'train 2' }).others).toBeUndefined();
  });

  test('a new name is followed by what hangs on it and by what is asked of it', () => {
    const asks = {
      ...named,
      job: { divisions: '', between: [{ from: 'Mercury', to: 'Moon', wanted: '1/3' }] },
    };
    const after = done(asks, { do: 'renameTrain', name: 'mercury', to: ' Swift ' });
    expect(after.others!.map((t) => t.from!.train)).toEqual(['Swift', 'Swift', 'Swift']);
    expect(after.job.between).toEqual([{ from: 'Swift', to: 'Moon', wanted: '1/3' }]);
    expect(done(asks, { do: 'removeTrain', name: 'Moon' }).job.between).toBeUndefined();
  });

  test.each<[Edit, string]>([
    [{ do: 'addTrain', name: 'venus ', from: { train: 'Mercury', shaft: 1 } }, 'sameTrain venus'],
    [{ do: 'addTrain', name: 'Mars', from: { train: 'Pluto', shaft: 1 } }, 'noSuchTrain Pluto'],
    [{ do: 'addTrain', name: 'Mars', from: { train: 'Mercury', shaft: 5 } }, 'noSuchShaft 5'],
    [{ do: 'addTrain', name: ' ', from: null }, 'noTrainName  '],
    [{ do: 'renameTrain', name: 'Moon', to: 'YEAR' }, 'sameTrain YEAR'],
    [{ do: 'removeTrain', name: 'Mercury' }, 'hangsThere Venus'],
    [{ do: 'removeTrain', name: 'Mars' }, 'noSuchTrain Mars'],
    [{ do: 'hangTrain', name: 'Mercury', from: { train: 'Moon', shaft: 0 } }, 'lastTrain Mercury'],
    [{ do: 'hangTrain', name: 'Moon', from: { train: 'Moon', shaft: 1 } }, 'hangsOnItself Moon'],
  ])('%j is refused', (edit, why) => {
    expect(refused(named, edit)).toBe(why);
  });

  test('a train of which another hangs does not hang on that one', () => {
    const more = done(named, { do: 'addTrain', name: 'Tail', from: { train: 'Venus', shaft: 1 } });
    expect(refused(more, { do: 'hangTrain', name: 'Venus', from: { train: 'Tail', shaft: 0 } })).toBe(
      'hangsOnItself Venus',
    );
    const own = done(more, { do: 'hangTrain', name: 'Venus', from: null });
    expect(own.others![0]).toMatchObject({ from: null, source: { kind: 'crank' } });
    expect(driveFault(own)).toBeNull();
  });

  test('the first axis leaves its place to the next', () => {
    const one = driveOf(200, 16, [spur(12, 60)], '60');
    const two = done(one, { do: 'addTrain', name: 'Pan', from: null });
    const after = done(done(two, { do: 'divisions', text: '7' }, 1), { do: 'removeTrain', name: 'Train 1' });
    expect(after.train.name).toBe('Pan');
    expect([after.job.divisions, after.others]).toEqual(['7', undefined]);
    expect(refused(after, { do: 'removeTrain', name: 'Pan' })).toBe('lastTrain Pan');
  });

  test('forty trains and no more', () => {
    let drive = named;
    while (trainsOf(drive).length < 40)
      drive = done(drive, { do: 'addTrain', from: { train: 'Mercury', shaft: 0 } });
    expect(refused(drive, { do: 'addTrain', from: null })).toBe('tooManyTrains 41');
  });

  test('a Geneva on a shared stage that leaves a branch in the middle of a move is refused', () => {
    const geneva: Stage = { kind: 'geneva', slots: 5 };
    const drive: Drive = {
      ...driveOf(200, 16, [spur(20, 60)]),
      others: [branch('Day', 'Train 1', 1, [spur(10, 10), { kind: 'geneva', slots: 4 }])],
    };
    expect(refused(drive, { do: 'addStage', kind: 'geneva', at: 1, with: { slots: 5 } })).toBe('taken');
    expect(refused(drive, { do: 'replaceStage', at: 0, kind: 'geneva', with: { slots: geneva.slots } })).toBe(
      'restsInMove 5 slots',
    );
  });
});
