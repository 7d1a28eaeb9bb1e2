import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { pathOf, trainsOf, type Drive } from '../../drive/index.ts';
import { readDrive } from '../../files/index.ts';
import { report } from '../report.ts';
import { plainText } from '../../words/index.ts';

const demo = new URL('../../../../demo/', import.meta.url);
const drives = readdirSync(demo)
  .filter((f) => f.endsWith('.pendrix.json'))
  .map((f): Drive => {
    const read = readDrive(readFileSync(new URL(f, demo), 'utf8'));
    if (!read.ok) throw new Error(f);
    return read.value;
  });
const named = (name: string): Drive => drives.find((d) => d.name.startsWith(name))!;
const WHEELS = { from: 12, to: 127 };

describe('what of the whole error is rounding', () => {
  test('of 73 teeth: 0.6 %, and the worm is what errs', () => {
    const r = report(named('Orrery wheel cutter'));
    const share = r.judged.errors.shareOf(73)!;
    expect(share.text).toBe('0.6 % of ±95.64″');
    expect(share.sentence).toBe('±0.58″ of ±95.64″ in all: worm run-out is 78.5 times worse');
    // by hand: 0.58 is 0.6 hundredths of 95.64, and 78.5 of it are 45.5
    const rows = r.judged.errors.of('divide.73')!.rows;
    const worm = rows.find((row) => row.cause.toLowerCase() === 'worm run-out')!;
    expect(worm.arcsec! / 78.5).toBeCloseTo(0.58, 2);
    expect(share.matters).toBe(false);
    expect(r.built.cures(73n, WHEELS)!.enough).toContain('Good enough without it');
  });

  test('a count whose rounding alone misses matters, whatever else errs', () => {
    const r = report(named('Calendar ring'));
    const share = r.judged.errors.shareOf(62)!;
    expect([share.matters, share.part]).toEqual([true, '99 %']);
    for (const { prime } of r.built.ledger.missing)
      expect(r.built.cures(prime, WHEELS)?.enough ?? '').toBe('');
  });

  test('what lands has none; table, opened count and budget tell the same sum', () => {
    let seen = 0;
    for (const drive of drives)
      for (const at of trainsOf(drive).keys()) {
        const r = report(pathOf(drive, at).drive);
        if (r.plates) continue;
        for (const row of r.judged.rows) {
          const opened = r.opened(row.divisions)!;
          expect(row.share === '').toBe(opened.share === '');
          if (row.graded.grade === 'even') expect(row.share).toBe('');
          if (row.share === '') continue;
          seen++;
          const whole = plainText(r.judged.errors.of(`divide.${row.divisions}`)!.worst.figure.text);
          expect(row.share.endsWith(` of ${whole}`)).toBe(true);
          expect(opened.share).toContain(` of ${whole} in all`);
        }
      }
    expect(seen).toBeGreaterThan(2);
  });
});
