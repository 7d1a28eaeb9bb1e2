import { describe, expect, test } from '@jest/globals';
import { applyEdit, type Drive } from '../../drive/index.ts';
import { faults } from '../../make/index.ts';
import { wheelCutter } from '../../testing/samples.ts';
import { report } from '../report.ts';
import { readOutcomes, withOutcome } from './faults.ts';
import { madeOf } from '../later-sections.ts';

const loaded: Drive = (() => {
  const d = wheelCutter('73', { load: { workNm: 1, frictionNm: 0.2, speedRpm: '1' } });
  const source = {
    ...d.train.source,
    holdingNm: 0.45,
    rotorInertiaKgM2: 5.4e-6,
    currentA: 1.5,
    inductanceMh: 3.2,
    resistanceOhm: 2,
    supplyV: 24,
  };
  return { ...d, train: { ...d.train, source: source } };
})();

describe('faults', () => {
  test('a dozen symptoms, each with checks of its own, no name twice', () => {
    expect(faults.length).toBeGreaterThanOrEqual(12);
    expect(new Set(faults.map((f) => f.id)).size).toBe(faults.length);
    for (const f of faults) {
      expect(f.checks.length).toBeGreaterThanOrEqual(2);
      expect(new Set(f.checks.map((c) => c.id)).size).toBe(f.checks.length);
    }
  });
  test('the drive’s own figures stand beside the checks', () => {
    const r = report(loaded);
    const own = (fault: string, check: string) =>
      madeOf(r)
        .fault(fault)!
        .checks.find((c) => c.id === check)!.own;
    // 1 296 000″ over 1 094 400 steps
    expect(own('jerks', 'mode')).toBe('one microstep here is 1.18″');
    expect(own('loud', 'band')).toMatch(/^here \d/);
    expect(own('skips', 'torque')).toMatch(/^here [\d.]+×$/);
    expect(own('lost', 'side')).toMatch(/^here 3\.8\d′$/);
    expect(own('gap', 'closing')).toMatch(/^here, for 73, /);
    expect(own('still', 'current')).toContain('W at standstill');
    expect(own('stops', 'cord')).toBe('no limits are set');
  });
  test('where the drive has no figure nothing is made up', () => {
    const bare = madeOf(report(wheelCutter(''))).fault('skips')!;
    expect(bare.checks.map((c) => c.own)).toEqual(['', '', '', '']);
    expect(madeOf(report(loaded)).fault('gremlins')).toBeNull();
  });
  test('outcomes are kept as text in the drive, changed and taken away', () => {
    const one = withOutcome(undefined, 'jerks.mode', 'not', '2026-11-28');
    const two = withOutcome(one, 'jerks.friction', 'so', '2026-11-29');
    expect(two).toBe('jerks.mode not 2026-11-28; jerks.friction so 2026-11-29');
    expect(readOutcomes(two).get('jerks.friction')).toEqual({ outcome: 'so', day: '2026-11-29' });
    expect(withOutcome(two, 'jerks.mode', null, '')).toBe('jerks.friction so 2026-11-29');
    expect(readOutcomes('nonsense; x maybe').size).toBe(0);
    const begun = applyEdit(loaded, { do: 'addDuty', duty: 'bench' });
    const kept = begun.ok
      ? applyEdit(begun.value, { do: 'duty', duty: 'bench', at: 0, key: 'faults', text: two })
      : begun;
    expect(kept.ok && kept.value.bench).toEqual({ faults: two });
  });
});
