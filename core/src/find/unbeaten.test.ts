import { describe, expect, test } from '@jest/globals';
import { abs, compare, div, mul, rational, sub, toText, type Rational } from '../numbers/index.ts';
import type { Stage } from '../drive/index.ts';
import { many } from '../testing/many.ts';
import { seeded } from '../testing/plain-find.ts';
import { find, runNow, type Family, type FindRequest, type Kit } from './index.ts';

/** The whole of the front, by loops over every train of two families, quantities and kept stages. */
interface Plain {
  readonly error: Rational;
  readonly ratio: Rational;
  readonly stages: number;
  readonly teeth: number;
  readonly largest: number;
}

const CAP = rational(1, 5);
const keptRatio = (kit: Kit): Rational =>
  [...(kit.kept?.first ?? []), ...(kit.kept?.last ?? [])].reduce(
    (r, s) => (s.kind === 'worm' ? mul(r, rational(s.wheel, s.starts)) : r),
    rational(1),
  );
const keptWheels = (kit: Kit): readonly number[] =>
  [...(kit.kept?.first ?? []), ...(kit.kept?.last ?? [])].flatMap((s) =>
    s.kind === 'worm' ? [s.wheel] : [],
  );

function plainTrains(kit: Kit, target: Rational, maxStages: number): readonly Plain[] {
  const pairs = kit.families.flatMap((f, family) =>
    f.wheels.flatMap((a) => f.wheels.map((b) => ({ driver: a.teeth, driven: b.teeth, family }))),
  );
  const owned = (family: number, teeth: number): number =>
    kit.families[family]!.wheels.find((w) => w.teeth === teeth)!.own;
  const out: Plain[] = [];
  const go = (train: readonly (typeof pairs)[number][]): void => {
    if (train.length > 0) {
      const wheels = train.flatMap((p) => [p.driver, p.driven].map((z) => [p.family, z] as const));
      const counts = new Map<string, number>();
      for (const [f, z] of wheels) counts.set(`${f} ${z}`, (counts.get(`${f} ${z}`) ?? 0) + 1);
      const fits = [...counts].every(([key, n]) => {
        const [f, z] = key.split(' ').map(Number);
        return n <= owned(f!, z!);
      });
      if (fits) {
        const ratio = train.reduce((r, p) => mul(r, rational(p.driven, p.driver)), keptRatio(kit));
        const all = [...wheels.map(([, z]) => z), ...keptWheels(kit)];
        out.push({
          ratio,
          error: abs(sub(div(ratio, target), rational(1))),
          stages: train.length,
          teeth: all.reduce((a, b) => a + b, 0),
          largest: Math.max(...all),
        });
      }
    }
    if (train.length < maxStages) for (const p of pairs) go([...train, p]);
  };
  go([]);
  return out;
}

const beats = (a: Plain, b: Plain): boolean => {
  const d = [compare(a.error, b.error), a.stages - b.stages, a.teeth - b.teeth, a.largest - b.largest];
  return d.every((x) => x <= 0) && d.some((x) => x < 0);
};
const told = (p: Plain): string => [toText(p.error), p.stages, p.teeth, p.largest].join(' ');

const request = (kit: Kit, target: Rational, more: Partial<FindRequest> = {}): FindRequest => ({
  asked: { question: 'ratio', target },
  source: null,
  kit,
  maxStages: 2,
  steps: [null, null],
  ratio: [null, null],
  maxErrorPpm: rational(200_000),
  interval: null,
  rank: 'pareto',
  count: 50,
  ...more,
});

describe('what nothing beats, against loops over every train', () => {
  test('kits of two modules, with quantities that others have taken from, and kept stages', () => {
    const pick = seeded(77);
    const family = (sizeMm: number): Family => {
      const wheels = new Map<number, number>();
      while (wheels.size < 4) wheels.set(8 + pick(40), pick(3));
      return {
        pair: 'spur',
        sizeMm,
        wheels: [...wheels].map(([teeth, own]) => ({ teeth, own, buy: false })),
      };
    };
    let [kept, several] = [0, 0];
    for (let i = 0; i < many(300); i++) {
      const worm: Stage = { kind: 'worm', starts: 1 + pick(2), wheel: 20 + pick(40) };
      const keep = i % 3 === 0;
      const kit: Kit = {
        families: [family(0.5), family(1)],
        parts: [],
        mostBought: 0,
        ...(keep && { kept: { first: [], last: [worm] } }),
      };
      const target = mul(rational(1 + pick(90), 1 + pick(30)), keep ? rational(30) : rational(1));
      const all = plainTrains(kit, target, 2);
      const within = all.filter((p) => compare(p.error, CAP) <= 0);
      const front = [...new Set(within.filter((p) => !within.some((o) => beats(o, p))).map(told))].sort();
      const found = runNow(find(request(kit, target)));
      expect([i, found.proven]).toEqual([i, true]);
      const rows = found.rows.map((r) => [r.error!.replace('-', ''), r.stages, r.teeth, r.largest].join(' '));
      expect([i, [...new Set(rows)].sort()]).toEqual([i, front]);
      if (keep) {
        kept += rows.length;
        for (const row of found.rows) expect(row.train.at(-1)).toEqual(worm);
      }
      if (front.length > 1) several++;

      // the best list: the nearest ratios there are, each once
      const best = runNow(find(request(kit, target, { rank: 'best', count: 5 })));
      const nearest = [...new Map(within.map((p) => [toText(p.ratio), p.error])).values()].sort(compare);
      expect([i, best.rows.map((r) => r.error!.replace('-', ''))]).toEqual([
        i,
        nearest.slice(0, 5).map(toText),
      ]);
    }
    expect(kept).toBeGreaterThan(many(50));
    expect(several).toBeGreaterThan(many(100));
  });

  test('two pairs of fewer teeth and smaller wheels stand beside the one pair of the same ratio', () => {
    const wheels = Array.from({ length: 99 }, (_, i) => ({ teeth: 12 + i, own: 0, buy: true }));
    const kit: Kit = { families: [{ pair: 'spur', sizeMm: null, wheels }], parts: [], mostBought: null };
    for (const rank of ['pareto', 'both'] as const) {
      const found = runNow(find(request(kit, rational(9), { rank, maxErrorPpm: rational(1000) })));
      const nine = found.rows.filter((r) => r.ratio === '9').map((r) => [r.stages, r.teeth, r.largest]);
      expect(nine).toEqual([
        [1, 120, 108],
        [2, 96, 36],
      ]);
    }
  });

  test('a rate keeps them too', () => {
    const wheels = Array.from({ length: 40 }, (_, i) => ({ teeth: 12 + i, own: 0, buy: true }));
    const kit: Kit = { families: [{ pair: 'spur', sizeMm: null, wheels }], parts: [], mostBought: null };
    const found = runNow(
      find(
        request(kit, rational(1), {
          asked: { question: 'rate', periodSeconds: rational(86_400), tickHz: rational(1000), bits: 32 },
          source: { fullSteps: 200, modes: [16] },
          rank: 'both',
          maxErrorPpm: rational(1000),
        }),
      ),
    );
    // an exact rate by many trains: none has fewer stages, teeth and a smaller largest wheel at once than all others
    const exact = found.rows.filter((r) => r.error === '0');
    expect(Math.min(...exact.map((r) => r.teeth))).toBe(24);
    expect(found.proven).toBe(true);
  });
});
