import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { readDrive } from '../../files/index.ts';
import { report } from '../index.ts';
import { wheelPicture } from '../pictures/turning.ts';

/** A head with plates: what is divided by holes is rounded by nothing. (handbook: errors, by plates) */
const head = (() => {
  const read = readDrive(
    readFileSync(new URL('../../../../demo/sundial-plate-head.pendrix.json', import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.refusal.code);
  return read.value;
})();

describe('the budget of a head with plates', () => {
  test('a count that has a circle errs by the stages, and by no rounding', () => {
    const of = report({ ...head, job: { ...head.job, divisions: '24, 60' } }).of;
    const { all, dividing, terms } = of.errors.budgets;
    expect(all.map((b) => b.divisions)).toEqual([24, 60]);
    const worst = Math.max(...all.map((b) => b.budget.worst));
    expect(dividing!.budget.worst).toBe(worst);
    expect(worst).toBeGreaterThan(0);
    for (const { budget } of all) {
      expect(budget.rows.map((r) => r.term.id).sort()).toEqual(
        terms()
          .map((t) => t.id)
          .sort(),
      );
      expect(budget.rows.some((r) => r.term.kind === 'rounding')).toBe(false);
    }
  });

  test('the page asks the same: shafts against counts, no curve of rounding, no advice that takes off nothing', () => {
    const { errors } = report({ ...head, job: { ...head.job, divisions: '24, 60' } }).of;
    expect(errors.samples!.rows).toHaveLength(2);
    expect(errors.reach).toBeNull();
    const { rest } = errors.of('divide.60')!.message!;
    expect(rest).not.toMatch(/ratio|microsteps/);
    expect(rest).toMatch(/^A truer one /);
  });

  test('simulated, its places are off by no more than it', () => {
    const { errors } = wheelPicture(head, 60, 7)!;
    const { worst } = report({ ...head, job: { ...head.job, divisions: '60' } }).of.errors.budgets.dividing!
      .budget;
    const far = Math.max(...errors.map(Math.abs));
    expect(far).toBeGreaterThan(0);
    expect(far).toBeLessThanOrEqual(worst + 1e-6);
  });

  test('what has no circle has no budget', () => {
    const { plates: _p, ...bare } = head;
    const drive = { ...bare, plates: { plates: [[15, 16]] }, job: { ...head.job, divisions: '24, 53' } };
    expect(report(drive).of.errors.budgets.all.map((b) => b.divisions)).toEqual([24]);
  });
});
