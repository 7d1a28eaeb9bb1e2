import { execFileSync, spawnSync } from 'node:child_process';
import { many } from '../testing/many.ts';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { newDrive, type Drive, type Sweep } from '../drive/index.ts';
import { seeded } from '../testing/plain-find.ts';
import { exportDrive } from './index.ts';

/** What leaves is read back by another reader: moves are replayed, headers are compiled. */

interface Mark {
  readonly at: number;
  readonly places: Readonly<Record<string, number>>;
}

/** Replays moves and dwells: every axis at every mark of the shutter, and when. Knows the machine by its own figures alone. */
function replay(
  gcode: string,
  axes: Readonly<Record<string, { readonly perUnit: number; readonly top: number; readonly accel: number }>>,
): readonly Mark[] {
  let time = 0;
  let [metric, absolute] = [false, false];
  const at: Record<string, number> = {};
  const marks: Mark[] = [];
  const perSecond = /P of G4 in milliseconds/.test(gcode) ? 1000 : 1;
  const takes = (letter: string, from: number, to: number): number => {
    const { perUnit, top, accel } = axes[letter]!;
    const steps = Math.abs(to - from) * perUnit;
    if (steps < 1e-9) return 0;
    return steps >= (top * top) / accel ? steps / top + top / accel : 2 * Math.sqrt(steps / accel);
  };
  for (const line of gcode.split('\n')) {
    if (/^; shutter, frame \d+$/.test(line)) {
      expect([metric, absolute]).toEqual([true, true]);
      marks.push({ at: time, places: { ...at } });
      continue;
    }
    const code = line.replace(/;.*/, '').trim();
    if (code === '') continue;
    if (code === 'G21') metric = true;
    else if (code === 'G90') absolute = true;
    else if (code.startsWith('G4 P')) {
      expect(code).toMatch(/^G4 P\d+(\.\d+)?$/);
      time += Number(code.slice(4)) / perSecond;
    } else if (code.startsWith('G0 ')) {
      const words = code.slice(3).split(' ');
      const moves = words.map((w) => {
        const [letter, value] = [w[0]!, Number(w.slice(1))];
        const before = at[letter];
        at[letter] = value;
        return before === undefined ? 0 : takes(letter, before, value);
      });
      expect(new Set(words.map((w) => w[0])).size).toBe(words.length);
      time += Math.max(...moves);
    } else expect(['M2', 'M240']).toContain(code);
  }
  return marks;
}

describe('40 random shots of one to three axes, replayed', () => {
  test('from mark to mark one interval, within a millisecond, and at the end the total', () => {
    const pick = seeded(4242);
    for (let i = 0; i < 40; i++) {
      const count = 1 + (i % 3);
      const frames = 2 + pick(60);
      const shared = { frames, exposureSeconds: (1 + pick(20)) / 10, writeSeconds: pick(4) / 10 };
      const drawn = Array.from({ length: count }, (_, a) => ({
        perUnit: 10 + pick(400),
        top: 500 + pick(4000),
        accel: 1000 + pick(9000),
        to: 5 + pick(40),
        unit: a === 0 ? ('mm' as const) : ('degrees' as const),
        easing: (['linear', 'smoothstep', 'cosine', 'trapezoid'] as const)[pick(4)]!,
      }));
      const longest = Math.max(
        ...drawn.map((d) => (4 * d.to * d.perUnit) / d.top / Math.max(1, frames - 1) + d.top / d.accel + 4),
      );
      const interval = Math.ceil(shared.exposureSeconds + shared.writeSeconds + longest + 1) + pick(3);
      const sweeps = drawn.map(
        (d, a): Sweep =>
          ({
            name: `axis ${a}`,
            unit: d.unit,
            from: '0',
            to: String(d.to),
            easing: d.easing,
            intervalSeconds: interval,
            settleSeconds: pick(3) / 10,
            stepsPerUnit: String(d.perUnit),
            topStepRate: d.top,
            stepAccel: d.accel,
            ...shared,
          }) as Sweep,
      );
      const drive: Drive = { ...newDrive(`shot ${i}`), job: { divisions: '', sweeps } };
      const dwell = pick(2) ? ('ms' as const) : ('s' as const);
      const made = exportDrive(drive, 'gcode', { dwell, ...(i % 4 === 0 && { shutter: 'M240' }) });
      if (!made.ok) throw new Error(`${i} ${made.refusal.code} ${JSON.stringify(made.refusal)}`);
      const letters = ['X', 'A', 'B'];
      const marks = replay(
        made.value,
        Object.fromEntries(
          drawn.map((d, a) => [letters[a]!, { perUnit: d.perUnit, top: d.top, accel: d.accel }]),
        ),
      );
      expect([i, marks.length]).toEqual([i, frames]);
      marks.slice(1).forEach((mark, f) =>
        // places are written to a millionth: what that makes of the time of a move is far below a millisecond
        expect(Math.abs(mark.at - marks[0]!.at - (f + 1) * interval)).toBeLessThan(0.001),
      );
      drawn.forEach((d, a) => {
        const last = marks.at(-1)!.places[letters[a]!]!;
        expect(Math.abs(last - d.to) * d.perUnit).toBeLessThanOrEqual(0.501);
        if (d.easing === 'linear')
          marks.forEach((mark, f) =>
            expect(
              Math.abs(mark.places[letters[a]!]! - (d.to * f) / (frames - 1)) * d.perUnit,
            ).toBeLessThanOrEqual(0.501),
          );
      });
    }
  });
});

const compiler = ['cc', 'gcc', 'clang'].find((c) => spawnSync(c, ['--version']).status === 0) ?? null;

/** How a value of C has to be written that no compiler cuts it short: an int may have 16 bits. */
const written = (n: bigint): string => `${n}${n < 65_536n ? 'U' : n < 4_294_967_296n ? 'UL' : 'ULL'}`;

/** As a compiler reads names, where none is at hand: every macro a name of C, once, its value a whole number with its width, or a flag. */
function readsAsC(header: string): void {
  const bare = header.replace(/\/\*[\s\S]*?\*\//g, ' ');
  const lines = bare.split('\n').filter((l) => l.trim() !== '');
  const defines = lines
    .filter((l) => l.startsWith('#define'))
    .map((l) => [l, /^#define ([A-Za-z_]\w*)(?: (.*))?$/.exec(l.trim())] as const);
  const wrong = [
    ...lines.filter((l) => !/^#(ifndef|define|endif|include)\b/.test(l)),
    ...defines
      .filter(([, d]) => {
        const value = d?.[2]?.trim() ?? '';
        return !d || (!/^[01]?$/.test(value) && value !== written(BigInt(/^\d*/.exec(value)![0] || 0)));
      })
      .map(([l]) => l),
  ];
  expect([wrong, bare.match(/\*\/|\/\*/)]).toEqual([[], null]);
  const names = defines.map(([, d]) => d![1]!);
  expect(new Set(names).size).toBe(names.length);
}

describe('headers of 200 random names of rates', () => {
  test('compile, and hold what the plan holds', () => {
    const folder = mkdtempSync(join(tmpdir(), 'pendrix-header-'));
    const sources: string[] = [];
    const nasty = fc.oneof(
      fc.string({ maxLength: 20 }),
      fc.constantFrom('24 h', '2 stars', 'stars', 'Stars', '*/ int x; /*', '??/', 'é', 'int', '', '//', '\\'),
    );
    let i = 0;
    fc.assert(
      fc.property(fc.array(nasty, { minLength: 1, maxLength: 3 }), nasty, (names, title) => {
        const drive: Drive = {
          ...newDrive(title || 'x'),
          timer: { tickHz: '2000000', bits: 32 },
          job: {
            divisions: '',
            rates: names.map((name) => ({ kind: 'stars' as const, ...(name && { name }) })),
          },
        };
        const header = exportDrive(drive, 'cheader');
        if (!header.ok) throw new Error(header.refusal.code);
        readsAsC(header.value);
        writeFileSync(join(folder, `h${i}.h`), header.value);
        sources.push(`#include "h${i}.h"`);
        i++;
      }),
      { numRuns: 200, seed: 31 },
    );
    if (!compiler) return;
    // each by itself, for two drives may bear one name
    const run = (file: string): void => {
      execFileSync(
        compiler,
        ['-std=c99', '-Wall', '-Wextra', '-pedantic', '-Werror', '-fsyntax-only', file],
        { stdio: 'pipe' },
      );
    };
    sources.forEach((line, n) =>
      writeFileSync(join(folder, `m${n}.c`), `${line}\nint main(void) { return 0; }\n`),
    );
    const all = sources.map((_, n) => join(folder, `m${n}.c`));
    execFileSync(
      compiler,
      ['-std=c99', '-Wall', '-Wextra', '-pedantic', '-Werror', '-fsyntax-only', ...all],
      {
        stdio: 'pipe',
      },
    );
    expect(all.length).toBe(many(200));
    expect(() => run(all[0]!)).not.toThrow();
  });
});
