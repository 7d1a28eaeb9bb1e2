import { describe, expect, test } from '@jest/globals';
import { toText } from '../numbers/index.ts';
import { driveOf } from '../testing/samples.ts';
import { SURE } from '../motion/index.ts';
import { kinematics, readMoves, type Drive, type Output, type Stage, type Train } from '../drive/index.ts';
import { counterOf, divide, dividerOf, judgeMove, stepsToArcsec } from './index.ts';

const dividerFor = (drive: Drive) => dividerOf(drive, kinematics(drive.train), null)!;

const ring: Stage[] = [
  { kind: 'belt', z1: 20, z2: 50 },
  { kind: 'geneva', slots: 6 },
  { kind: 'spur', z1: 12, z2: 62 },
];

describe('a wheel that locks', () => {
  const divider = dividerFor(driveOf(200, 16, ring));

  test('a count is even iff the places divide into it, and else misses whatever the motor does', () => {
    expect([divider.by, toText(divider.stepsPerTurn)]).toEqual(['rest', '31']);
    expect([31, 1].map((D) => divide(divider, D).grade)).toEqual(['even', 'even']);
    for (const D of [2, 3, 62, 93]) expect(divide(divider, D).grade).toBe('misses');
    const half = divide(divider, 62);
    expect([half.coarsestMode, toText(half.step)]).toEqual([null, '1/2']);
    expect(stepsToArcsec(half.worstErrorSteps, divider.stepsPerTurn)).toBeCloseTo(1_296_000 / 62, 6);
  });

  test('errors are those of the resting places', () => {
    for (const D of [7, 31, 62]) {
      const rests = Array.from({ length: D }, (_, i) =>
        Math.abs(Math.floor((i * 31) / D + 0.5) - (i * 31) / D),
      );
      const arcsec = (Math.max(...rests) / 31) * 1_296_000;
      expect(stepsToArcsec(divide(divider, D).worstErrorSteps, divider.stepsPerTurn)).toBeCloseTo(arcsec, 6);
    }
  });

  test('it divides even where the source has no steps, and a label before it does not matter', () => {
    const drive = driveOf(1, 1, [{ kind: 'box', ratio: '64' }, ...ring]);
    const spring: Drive = {
      ...drive,
      train: {
        ...drive.train,
        source: { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '60', rpm: '2' },
      },
    };
    const locked = dividerFor(spring);
    expect([divide(locked, 31).grade, locked.doubt]).toEqual(['even', SURE]);
    const after = driveOf(200, 1, [...ring, { kind: 'box', ratio: '2' }]);
    expect([divide(dividerFor(after), 62).grade, dividerFor(after).doubt.printed]).toEqual([
      'even',
      ['2 : 1'],
    ]);
  });
});

test('an encoder grades its counts like steps, from its own shaft on', () => {
  const k = kinematics(
    driveOf(200, 1, [
      { kind: 'box', ratio: '64' },
      { kind: 'worm', starts: 1, wheel: 90 },
    ]).train,
  );
  const at = (shaft: number) => counterOf(k, { lines: 600, decode: 4, shaft }, null)!;
  expect([0, 1, 2].map((s) => toText(at(s).stepsPerTurn))).toEqual(['13824000', '216000', '2400']);
  expect([divide(at(0), 60).grade, at(0).doubt.printed]).toEqual(['even', ['64 : 1']]);
  expect([divide(at(1), 60).grade, at(1).doubt]).toEqual(['even', SURE]);
  expect(divide(at(2), 73).grade).toBe('rounded');
  expect(counterOf(k, { lines: 600, decode: 4, shaft: 7 }, null)).toBeNull();
});

describe('moves along a linear output', () => {
  const slide = (output: Output): Train => ({
    ...driveOf(200, 16, [{ kind: 'belt', z1: 16, z2: 40 }]).train,
    output,
  });
  const judge = (output: Output, text: string) => {
    const read = readMoves(text);
    if (!read.ok) throw new Error(read.refusal.code);
    return read.value.map((move) =>
      judgeMove({ train: slide(output) }, kinematics(slide(output)), move, null)!,
    );
  };

  test('on a screw of lead 4: 1 mm on whole steps, 1/8 in on a microstep, 2π never', () => {
    const [one, half, inch, pi] = judge({ kind: 'screw', leadMm: '4' }, '1, 0.5 mm, 1/8 in, 2π');
    expect([one, half, inch, pi].map((m) => m!.grade)).toEqual([
      'even',
      'evenMicrostep',
      'evenMicrostep',
      'rounded',
    ]);
    expect([toText(one!.steps.q), half!.coarsestMode, toText(inch!.steps.q)]).toEqual(['2000', 16, '6350']);
    expect([pi!.steps.piPower, pi!.nearest]).toEqual([1, 12566n]);
    expect(pi!.errorMm).toBeCloseTo(12566 / 2000 - 2 * Math.PI, 9);
  });

  test('on a rack π cancels a move of whole teeth, and never a whole millimetre', () => {
    const [tooth, mm] = judge({ kind: 'rack', teeth: 20, moduleMm: '1' }, 'π, 1');
    expect([tooth!.grade, toText(tooth!.steps.q)]).toEqual(['even', '400']);
    expect([mm!.grade, mm!.steps.piPower]).toEqual(['rounded', -1]);
    const [turn] = judge({ kind: 'drum', diameterMm: '30', cordMm: '1' }, '31π');
    expect([turn!.grade, turn!.nearest]).toEqual(['even', 8000n]);
    const [carriage] = judge({ kind: 'beltDrive', teeth: 20, pitchMm: '2' }, '40');
    expect(carriage!.nearest).toBe(8000n);
  });

  test('moves are read as they are meant, or asked about', () => {
    const read = (text: string) => {
      const moves = readMoves(text);
      return moves.ok
        ? moves.value.map(({ mm }) => `${toText(mm.q)}${mm.piPower ? 'π' : ''}`)
        : moves.refusal.code;
    };
    expect(read('1 1/2 π')).toEqual(['3/2π']);
    expect(read('2 3 π')).toBe('noTravel');
    expect(read('1 200; 0.5 mm')).toEqual(['1200', '1/2']);
    expect(read('1,200')).toBe('doubtfulComma');
    expect(read('1, 200, 100,250')).toEqual(['1', '200', '100', '250']);
  });

  test('a lead of 10⁻⁷⁵ has its move in words, and nothing throws', () => {
    const [turn] = judge({ kind: 'screw', leadMm: `1/1${'0'.repeat(75)}` }, '2π');
    expect([turn!.grade, Number.isFinite(turn!.errorMm)]).toEqual(['rounded', true]);
  });

  test('a table makes no moves, and nonsense is refused by its piece', () => {
    const read = readMoves('1');
    const table = driveOf(1, 1, []).train;
    expect(read.ok && judgeMove({ train: table }, kinematics(table), read.value[0]!, null)).toBeNull();
    for (const text of ['far', '0', '-1', '0π', '1,5,x mm', '1e3'])
      expect([text, readMoves(text).ok]).toEqual([text, false]);
    expect(readMoves(' , ')).toEqual({ ok: true, value: [] });
    expect(readMoves(Array(41).fill('1').join()).ok).toBe(false);
  });
});
