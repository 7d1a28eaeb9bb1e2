import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { toText } from '../../numbers/index.ts';
import { anyOfKind } from '../../testing/any-stage.ts';
import { kindOf, planetOffsets, type Stage } from '../index.ts';

const of = (stage: Stage): string => toText(kindOf(stage).reduction(stage));
const warns = (stage: Stage): string => (kindOf(stage).warns?.(stage) ?? []).join(' ');
const facts = (stage: Stage): string => kindOf(stage).facts(stage).join(' ');
const refuses = (stage: Stage): string => kindOf(stage).refuse?.(stage)?.code ?? 'taken';

type Member = 'sun' | 'ring' | 'carrier';
const set = (
  sun: number,
  ring: number,
  planets: number,
  fixed: Member,
  from: Member,
  out: Member,
): Stage => ({
  kind: 'planetary',
  sun,
  ring,
  planets,
  fixed,
  in: from,
  out,
});
const differential = (
  [fixed, planetFixed, planetOut, out]: readonly [number, number, number, number],
  meshFixed: 'inner' | 'outer',
  meshOut: 'inner' | 'outer',
  planets: number,
  sun?: number,
): Extract<Stage, { kind: 'stepped' }> => ({
  kind: 'stepped',
  fixed,
  out,
  planetFixed,
  planetOut,
  meshFixed,
  meshOut,
  planets,
  ...(sun === undefined ? {} : { sun }),
});

describe('reductions', () => {
  test.each<[string, Stage, string]>([
    ['ring held, sun in', set(13, 47, 3, 'ring', 'sun', 'carrier'), '60/13'],
    ['ring held, carrier in', set(13, 47, 3, 'ring', 'carrier', 'sun'), '13/60'],
    ['sun held, ring in', set(13, 47, 3, 'sun', 'ring', 'carrier'), '60/47'],
    ['sun held, carrier in', set(13, 47, 3, 'sun', 'carrier', 'ring'), '47/60'],
    ['carrier held, sun in', set(13, 47, 3, 'carrier', 'sun', 'ring'), '-47/13'],
    ['carrier held, ring in', set(13, 47, 3, 'carrier', 'ring', 'sun'), '-13/47'],
    ['counts that differ by one', differential([61, 18, 18, 60], 'inner', 'inner', 6), '-60'],
    ['the same with an input sun', differential([61, 18, 18, 60], 'inner', 'inner', 6, 25), '-1032/5'],
    ['a ring and a sun', differential([60, 20, 16, 24], 'inner', 'outer', 3), '1/3'],
    ['40 and 39', differential([40, 16, 15, 39], 'inner', 'inner', 3), '26'],
    ['62 and 26', differential([62, 20, 16, 26], 'inner', 'outer', 4), '65/189'],
    ['cycloidal', { kind: 'cycloidal', lobes: 19, pins: 20 }, '-19'],
    ['cycloidal, two pins more', { kind: 'cycloidal', lobes: 18, pins: 20 }, '-9'],
    ['cycloidal, disc held', { kind: 'cycloidal', lobes: 19, pins: 20, held: 'disc' }, '20'],
    ['cycloid pinion', { kind: 'cycloidPinion', lobes: 30 }, '-30'],
    ['strain wave', { kind: 'strainWave', flex: 200, rigid: 202 }, '-100'],
    ['strain wave, flexible held', { kind: 'strainWave', flex: 200, rigid: 202, held: 'flex' }, '101'],
    ['Geneva', { kind: 'geneva', slots: 6 }, '-6'],
    ['friction, open', { kind: 'friction', d1: '20', d2: '60.5' }, '121/40'],
    ['friction, crossed', { kind: 'friction', d1: '20', d2: '60.5', run: 'crossed' }, '-121/40'],
    ['friction, rim on rim', { kind: 'friction', d1: '20', d2: '60', run: 'rim' }, '-3'],
    [
      'box by its pairs',
      {
        kind: 'box',
        pairs: [
          [9, 32],
          [11, 22],
          [9, 26],
          [10, 31],
        ],
      },
      '25792/405',
    ],
    ['box by its label', { kind: 'box', ratio: '64' }, '64'],
  ])('%s', (_, stage, want) => {
    expect(of(stage)).toBe(want);
  });

  test('a planetary set turns all three members as Willis says', () => {
    fc.assert(
      fc.property(anyOfKind('planetary'), (stage) => {
        if (stage.kind !== 'planetary') return;
        const shape = kindOf(stage).shape(stage);
        if (shape.form !== 'set') throw new Error('a set is drawn as a set');
        const [ring, arms] = [shape.members[0]!.spin, shape.members[1]!.spin];
        const sun = shape.members.at(-1)!.spin;
        expect(stage.sun * (sun - arms) + stage.ring * (ring - arms)).toBeCloseTo(0, 6);
        const speeds = { sun, ring, carrier: arms };
        expect([speeds[stage.fixed], speeds[stage.out]]).toEqual([0, 1]);
        const r = kindOf(stage).reduction(stage);
        expect(speeds[stage.in]).toBeCloseTo(Number(r.s * r.n) / Number(r.d), 9);
      }),
    );
  });
});

describe('does it go together', () => {
  test('three and four planets fit 13 and 47, five foul one another', () => {
    expect(facts(set(13, 47, 4, 'ring', 'sun', 'carrier'))).toContain('(13 + 47)/4 = 15: four planets fit.');
    expect(warns(set(13, 47, 3, 'ring', 'sun', 'carrier'))).toBe('');
    expect(warns(set(13, 47, 5, 'ring', 'sun', 'carrier'))).toContain('= 17.63, and 19 is needed');
    expect(warns(set(13, 47, 7, 'ring', 'sun', 'carrier'))).toContain(
      '7 planets at equal angles do not go in; 2 or 3 or 4 would',
    );
    expect(warns(set(12, 47, 3, 'ring', 'sun', 'carrier'))).toContain('17.5 teeth');
  });

  test('offsets of stepped planets, one way round', () => {
    expect(planetOffsets(differential([61, 18, 18, 60], 'inner', 'inner', 6)).map(toText)).toEqual([
      '0',
      '5/6',
      '2/3',
      '1/2',
      '1/3',
      '1/6',
    ]);
    // 0, 1/2, 0 teeth of pb, and sixteenths of a tooth come free.
    const alike = differential([40, 16, 15, 39], 'inner', 'inner', 3);
    expect(planetOffsets(alike).map(toText)).toEqual(['0', '0', '0']);
    expect(facts(alike)).toContain('All 3 planets are alike');
    expect(planetOffsets(differential([62, 20, 16, 26], 'inner', 'outer', 4)).map(toText)).toEqual([
      '0',
      '1/10',
      '0',
      '1/10',
    ]);
    expect(facts(differential([61, 18, 18, 60], 'inner', 'inner', 6))).toContain(
      '0, 5/6, 2/3, 1/2, 1/3, 1/6',
    );
  });

  test('what cannot be is refused, what will not fit is warned of', () => {
    expect(refuses(differential([60, 18, 18, 60], 'inner', 'inner', 3))).toBe('standsStill');
    expect(refuses(differential([60, 18, 18, 61], 'outer', 'inner', 3, 20))).toBe('sunOutside');
    expect(refuses({ kind: 'cycloidal', lobes: 20, pins: 20 })).toBe('asManyPins');
    expect(refuses({ kind: 'strainWave', flex: 202, rigid: 202 })).toBe('rigidTooSmall');
    expect(refuses(set(47, 47, 3, 'ring', 'sun', 'carrier'))).toBe('ringTooSmall');
    expect(warns({ kind: 'cycloidal', lobes: 18, pins: 20 })).toContain('19 lobes for 20 pins');
    expect(warns({ kind: 'strainWave', flex: 200, rigid: 203 })).toContain('even difference');
    expect(warns(differential([61, 18, 18, 60], 'inner', 'inner', 3))).toContain('42 : 43');
    expect(warns(differential([20, 30, 16, 60], 'inner', 'inner', 3))).toContain('inside its ring');
  });

  test('a Geneva says when it moves and when it dwells', () => {
    expect(facts({ kind: 'geneva', slots: 4 })).toContain(
      'indexes 90°: it moves during 90° of the crank and dwells, locked, for 270°',
    );
    expect(facts({ kind: 'geneva', slots: 3 })).toContain('during 60° of the crank');
  });

  test('a label that lies is caught by its teeth', () => {
    const box: Stage = {
      kind: 'box',
      pairs: [
        [9, 32],
        [11, 22],
        [9, 26],
        [10, 31],
      ],
      ratio: '64',
    };
    expect(facts(box)).toContain('4 pairs: 25792/405 = 63.683951.');
    expect(facts(box)).toContain('The label says 64, 0.496 % too much; the teeth are in force.');
    expect(kindOf(box).origin(box).from).toBe('exact');
    expect(kindOf({ kind: 'box' }).origin({ kind: 'box' }).from).toBe('printed');
  });
});
