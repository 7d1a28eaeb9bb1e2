import { describe, expect, test } from '@jest/globals';
import { rational } from '../numbers/index.ts';
import {
  fails,
  gradeFrames,
  gradeRate,
  gradeReach,
  gradeRests,
  gradeSteps,
  gradeWithin,
  worstGrade,
} from './index.ts';
import { GRADES } from './grade.ts';

describe('the worst of several grades', () => {
  test('is the first of them in the order of need, in whatever order they come', () => {
    for (const [i, worse] of GRADES.entries())
      expect(GRADES.slice(i).map((g) => worstGrade([g, worse]))).toEqual(GRADES.slice(i).map(() => worse));
  });
  test('what misses is worse than what is short, both than what is not known', () => {
    expect(worstGrade(['short', 'misses'])).toBe('misses');
    expect(worstGrade(['unknown', 'short', 'even'])).toBe('short');
    expect(worstGrade(['rounded', 'enough', 'passes', 'evenMicrostep', 'even'])).toBe('rounded');
    expect(worstGrade(['rounded', 'close'])).toBe('close');
  });
  test('of none is not known; only a miss and a shortage need attention', () => {
    expect(worstGrade([])).toBe('unknown');
    expect(GRADES.filter(fails)).toEqual(['misses', 'short']);
  });
});

describe('each grade at its edge', () => {
  test.each([
    [0.5, 0.5, 'enough'],
    [0.5000001, 0.5, 'enough'],
    [0.4999999, 0.5, 'short'],
  ] as const)('there %d, wanted %d: %s', (there, wanted, grade) => {
    expect(gradeReach(there, wanted)).toBe(grade);
  });
  test.each([
    [3, 3, 'passes'],
    [-3, 3, 'passes'],
    [3.0001, 3, 'misses'],
    [-3.0001, 3, 'misses'],
    [1e9, null, 'passes'],
  ] as const)('%d where %p is allowed: %s', (value, allowed, grade) => {
    expect(gradeWithin(value, allowed)).toBe(grade);
  });
  test.each([
    [true, true, 20, 20, 'even'],
    [false, true, 20, 20, 'rounded'],
    [true, false, 0, 20, 'misses'],
    [true, true, 21, 20, 'misses'],
    [false, true, 1e6, null, 'rounded'],
  ] as const)(
    'a rate that is exact %p, possible %p, %d of %p ppm: %s',
    (exact, possible, ppm, allowed, grade) => {
      expect(gradeRate(exact, possible, ppm, allowed)).toBe(grade);
    },
  );
  test.each([
    [true, 1, 0.1, 'even'],
    [false, 0.1, 0.1, 'rounded'],
    [false, 0.2, 0.1, 'misses'],
  ] as const)('frames alike %p, ripple %d of %d seen: %s', (alike, ripple, seen, grade) => {
    expect(gradeFrames(alike, ripple, seen)).toBe(grade);
  });
  test('steps: half a step of 360 is half a degree, neither more nor less', () => {
    const halfDegree = { as: 'angle', arcsec: rational(1800n) } as const;
    const quarter = rational(1n, 2n);
    expect(gradeSteps('between', quarter, rational(360n), halfDegree)).toBe('rounded');
    expect(gradeSteps('between', quarter, rational(359n), halfDegree)).toBe('misses');
    expect(gradeSteps('between', quarter, rational(1n), null)).toBe('rounded');
    expect(gradeSteps('fullStep', quarter, rational(1n), halfDegree)).toBe('even');
    expect(gradeSteps('microstep', quarter, rational(1n), halfDegree)).toBe('evenMicrostep');
    expect([gradeRests(true), gradeRests(false)]).toEqual(['even', 'misses']);
  });
});
