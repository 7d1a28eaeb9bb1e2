import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { abs, div, mul, ONE, rational, toText } from '../numbers/index.ts';
import { anyStage } from '../testing/any-stage.ts';
import { driveOf, plainRatio, wheelCutter } from '../testing/samples.ts';
import { columnDrawing, rowDrawing, shaftAngles, type ColumnsAsked } from './drawing/index.ts';
import { countsPerTurn, kindOf, kinematics, kinematicsOf, stages, type Stage } from './index.ts';
import { defaultsOf } from './inputs.ts';

describe('kinematics', () => {
  test('the wheel cutter: 342, 1 094 400 steps, shafts 342, 90, 1', () => {
    const k = kinematicsOf(wheelCutter());
    expect(toText(k.reduction)).toBe('342');
    expect(toText(k.stepsPerTurn!)).toBe('1094400');
    expect(toText(k.fullStepsPerTurn!)).toBe('68400');
    expect(k.turnsToClose).toBe(1n);
    expect(k.shafts.map((s) => toText(s.turnsPerOutputTurn))).toEqual(['342', '90', '1']);
  });

  test.each<[Stage, string]>([
    [{ kind: 'spur', z1: 20, z2: 76 }, '-19/5'],
    [{ kind: 'belt', z1: 20, z2: 76 }, '19/5'],
    [{ kind: 'internal', z1: 16, z2: 80 }, '5'],
    [{ kind: 'internal', z1: 80, z2: 16 }, '1/5'],
    [{ kind: 'worm', starts: 2, wheel: 90 }, '45'],
    [{ kind: 'worm', starts: 1, wheel: 90, hand: 'left' }, '90'],
    [{ kind: 'ratio', value: '-25792/405' }, '-25792/405'],
  ])('%j reduces by %s', (stage, want) => {
    expect(toText(kindOf(stage).reduction(stage))).toBe(want);
  });

  test('12 : 60 five times is 3125, and turns the other way', () => {
    const k = kinematics(
      driveOf(
        200,
        1,
        Array.from({ length: 5 }, () => ({ kind: 'spur' as const, z1: 12, z2: 60 })),
      ).train,
    );
    expect(toText(k.reduction)).toBe('-3125');
    expect(k.shafts.map((s) => s.against)).toEqual([true, false, true, false, true, false]);
  });

  test('32 steps on 25792/405 close after 405 turns', () => {
    const k = kinematicsOf(driveOf(32, 1, [plainRatio('25792/405')]));
    expect(toText(k.stepsPerTurn!)).toBe('825344/405');
    expect(k.turnsToClose).toBe(405n);
  });

  test('an encoder counts by the shaft it sits on', () => {
    const k = kinematicsOf(wheelCutter());
    const counts = [0, 1, 2].map((shaft) => toText(countsPerTurn(k, { lines: 600, decode: 4, shaft })!));
    expect(counts).toEqual(['820800', '216000', '2400']);
    expect(countsPerTurn(k, { lines: 600, decode: 4, shaft: 3 })).toBeNull();
  });

  test('shafts multiply to the ratio; parts multiply to the steps; the order of stages does not matter to either', () => {
    fc.assert(
      fc.property(fc.array(anyStage, { maxLength: 8 }), (list) => {
        const k = kinematics(driveOf(200, 16, list).train);
        expect(toText(k.shafts[0]!.turnsPerOutputTurn)).toBe(toText(abs(k.reduction)));
        expect(toText(k.parts.reduce((n, p) => mul(n, p.factor), ONE))).toBe(toText(k.stepsPerTurn!));
        const back = kinematics(driveOf(200, 16, [...list].reverse()).train);
        expect(toText(back.reduction)).toBe(toText(k.reduction));
        // Read from the work to the source, the same stages are the reciprocal train.
        const turned = [...list]
          .reverse()
          .map((s): Stage => plainRatio(toText(div(ONE, kindOf(s).reduction(s)))));
        expect(toText(kinematics(driveOf(200, 16, turned).train).reduction)).toBe(
          toText(div(ONE, k.reduction)),
        );
      }),
    );
  });

  test('a nominal ratio is told', () => {
    expect(
      kinematicsOf(driveOf(48, 1, [{ kind: 'ratio', value: '45', provenance: 'nominal' }])).unsure,
    ).toEqual([{ stage: 0, label: '45 : 1', origin: { from: 'printed' } }]);
    expect(kinematicsOf(wheelCutter()).unsure).toEqual([]);
  });
});

describe('every kind of stage', () => {
  const kinds = Object.keys(stages).map((kind) => kindOf({ kind }));
  test('there are some', () => expect(kinds.length).toBeGreaterThanOrEqual(13));
  test.each(kinds.map((k) => [k.kind, k] as const))(
    '%s: its defaults make a stage with parts, a label, a shape and words',
    (_, kind) => {
      const stage = { kind: kind.kind, ...defaultsOf(kind.inputs), ...kind.fresh } as unknown as Stage;
      const of = kindOf(stage);
      const r = of.reduction(stage);
      expect(r.n).not.toBe(0n);
      expect(toText(of.parts(stage).reduce((n, p) => mul(n, p.factor), rational(1n)))).toBe(toText(abs(r)));
      expect(of.label(stage)).toMatch(/\d+ [:/] \d+|slots/);
      expect(of.refuse?.(stage) ?? null).toBeNull();
      expect(of.message.length).toBeGreaterThan(10);
      expect(of.shape(stage).form.length).toBeGreaterThan(2);
      expect(of.warns?.(stage) ?? []).toEqual([]);
    },
  );

  test('hunting is said with the reason to want it', () => {
    const pair: Stage = { kind: 'spur', z1: 20, z2: 76 };
    expect(kindOf(pair).facts(pair)[0]).toContain('19 turns of the 20');
    // pulleys never meet
    const belt: Stage = { kind: 'belt', z1: 20, z2: 76 };
    expect(kindOf(belt).facts(belt)).toEqual([]);
    const prime: Stage = { kind: 'spur', z1: 13, z2: 60 };
    expect(kindOf(prime).facts(prime)[0]).toContain('spreads the wear');
    const multiple: Stage = { kind: 'spur', z1: 12, z2: 60 };
    expect(kindOf(multiple).facts(multiple)[0]).toContain('repeats each turn');
  });
});

describe('drawings', () => {
  const asked = (list: readonly Stage[]): ColumnsAsked => ({
    shapes: list.map((s) => kindOf(s).shape(s)),
    source: 'motor',
    work: 'table',
    divisions: 60,
    column: 205,
    height: 314,
  });

  test('wheels keep their true relative pitch diameters and stay inside', () => {
    fc.assert(
      fc.property(fc.array(anyStage, { minLength: 1, maxLength: 8 }), (list) => {
        const d = columnDrawing(asked(list));
        for (const w of d.wheels) {
          expect(w.y - w.r).toBeGreaterThan(-1);
          expect(w.y + w.r).toBeLessThan(315);
          expect(Number.isFinite(w.x)).toBe(true);
        }
        expect(JSON.stringify(d)).not.toMatch(/null|NaN/);
        const row = rowDrawing({ ...asked(list), column: 232, height: 70 });
        for (const w of row.wheels) expect(w.x + w.r).toBeLessThanOrEqual(233);
        expect(JSON.stringify(row)).not.toMatch(/null|NaN/);
      }),
      { numRuns: 60 },
    );
  });

  test('pitch circles of a mesh touch', () => {
    const d = columnDrawing(asked([{ kind: 'spur', z1: 40, z2: 60 }]));
    const [big, small] = [d.wheels[0]!, d.wheels[1]!];
    expect(Math.hypot(big.x - small.x, big.y - small.y)).toBeCloseTo(big.r + small.r, 0);
    expect(big.r / small.r).toBeCloseTo(1.5, 1);
  });

  test('an empty train is a motor and the work', () => {
    const d = columnDrawing(asked([]));
    expect([d.wheels.length, d.shafts.length, d.width]).toEqual([0, 1, 410]);
  });
});

describe('which way the work turns', () => {
  const worm = (hand?: 'left' | 'right'): Stage => ({
    kind: 'worm',
    starts: 1,
    wheel: 90,
    ...(hand && { hand }),
  });
  const box = (...pairs: [number, number][]): Stage => ({ kind: 'box', pairs });
  const against = (stages: readonly Stage[]): boolean =>
    kinematicsOf(driveOf(200, 16, stages)).shafts[0]!.against;

  test.each<[string, readonly Stage[], boolean, RegExp | null]>([
    ['a right-hand worm', [worm('right')], false, /right-hand thread/],
    ['a left-hand worm', [worm('left')], true, /left-hand thread/],
    ['one that nobody told', [worm()], false, /right-hand thread/],
    ['a pair and a left-hand worm', [{ kind: 'spur', z1: 20, z2: 40 }, worm('left')], false, /left-hand/],
    ['a box of three pairs', [box([9, 32], [11, 22], [9, 26])], true, /3 pairs of its box are plain/],
    ['a box of four pairs', [box([9, 32], [11, 22], [9, 26], [10, 31])], false, /4 pairs/],
    ['a box of one pair', [box([12, 30])], true, /pair of its box is a plain one/],
    ['a set of planets', [box([17, 63], [11, 57])], false, null],
    ['one set of planets', [box([17, 63])], false, null],
    ['a label', [{ kind: 'box', ratio: '45' }], false, /no label tells/],
  ])('%s', (_, stages, back, by) => {
    expect(against(stages)).toBe(back);
    const told = kinematicsOf(driveOf(200, 16, stages)).senseBy;
    if (by) expect(told.join()).toMatch(by);
    else expect(told).toEqual([]);
    // shown, not counted
    expect(kinematicsOf(driveOf(200, 16, stages)).stepsPerTurn!.s).toBe(1n);
  });

  test('the picture turns as it is told, and the ratio keeps the sign that is counted', () => {
    const stages: readonly Stage[] = [worm('left'), box([9, 32], [11, 22], [9, 26])];
    const { train } = driveOf(200, 16, stages);
    const angles = shaftAngles(train)(180);
    expect(angles.map(Math.sign)).toEqual([1, -1, 1]);
    expect(kinematicsOf(driveOf(200, 16, stages)).reduction.s).toBe(1n);
  });
});
