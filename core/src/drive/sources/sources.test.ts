import { describe, expect, test } from '@jest/globals';
import { exactly, rational, toText } from '../../numbers/index.ts';
import { defaultsOf } from '../inputs.ts';
import { sourceKindOf, sources, type Source } from './index.ts';
import { runningSeconds } from './spring.ts';
import { synchronousRpm } from './synchronous.ts';

const facts = (source: Source, R = rational(1n)): string => sourceKindOf(source).facts(source, R).join(' ');

describe('sources', () => {
  test.each(Object.keys(sources).map((kind) => [kind] as const))(
    '%s: its defaults make one with words and a speed',
    (kind) => {
      const of = sourceKindOf({ kind });
      const source = { kind, ...defaultsOf(of.inputs), modes: [1, 16], mode: 16 } as unknown as Source;
      expect(of.speed(source).rpm.n > 0n).toBe(true);
      expect(of.message.length).toBeGreaterThan(10);
      const steps = of.fullSteps(source);
      const parts = of.parts(source).reduce((n, p) => n * Number(p.factor.n), 1);
      expect(parts).toBe(steps === null ? 1 : steps * of.mode(source));
    },
  );

  test('an encoder motor goes by its counts', () => {
    const motor: Source = { kind: 'encoderMotor', lines: 600, decode: 4 };
    expect(sourceKindOf(motor).fullSteps(motor)).toBe(2400);
    expect(facts(motor)).toContain('600 lines × 4 = 2400 counts a turn.');
  });

  test('120·f/poles: 50 Hz and 12 poles are 500', () => {
    expect(toText(synchronousRpm({ kind: 'synchronous', hz: '50', poles: 12 }))).toBe('500');
    expect(toText(synchronousRpm({ kind: 'synchronous', hz: '60', poles: 7 }))).toBe('7200/7');
    expect(facts({ kind: 'synchronous', hz: '60', poles: 7 })).toContain('odd count is a slip');
  });

  test('a spring runs turns × arbor ÷ speed', () => {
    const spring: Source = { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '60', rpm: '2' };
    expect(toText(runningSeconds(spring, exactly('2')))).toBe('10800');
    expect(facts(spring)).toContain('Runs 3 hours on one winding');
    expect(sourceKindOf(spring).fullSteps(spring)).toBeNull();
    expect(sourceKindOf(spring).caution?.message).toContain('qualified person');
  });

  test('a crank for travel and a knob for feel, side by side', () => {
    const crank: Source = { kind: 'crank', marks: 100, knob: '6', rangeDeg: '180', windowDeg: '0.5' };
    const said = facts(crank, rational(-90n));
    expect(said).toContain('Over 180°: crank 45 turns, knob 270 turns.');
    expect(said).toContain('Across 0.5°: crank 45° of it, knob 270° of it.');
    expect(facts({ kind: 'crank', marks: 1 })).toContain('whole turns');
  });

  test('motors that share a wheel share it badly', () => {
    expect(facts({ kind: 'stepper', fullSteps: 200, modes: [1], mode: 1, count: 3 })).toContain(
      '2.7 times the torque',
    );
    expect(facts({ kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 })).not.toContain('torque');
  });
});
