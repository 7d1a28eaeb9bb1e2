import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readDrive, readShelf } from '../files/index.ts';
import { applyEdit, kindOf, sourceKindOf, type Drive } from '../drive/index.ts';
import { runNow } from '../find/index.ts';
import { report } from '../report/index.ts';
import { steeredCounts, toleranceArcsec, toleranceOf } from '../motion/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import {
  answerOf,
  besideOf,
  candidateOf,
  choose,
  chooseForm,
  chooseReport,
  chooseRequestFor,
  chooseTable,
  chosenOf,
  conflictMessage,
  driveWith,
  hadBy,
  measureOf,
  misfits,
  placesOf,
  poolOf,
  takenFrom,
  turnsOf,
  undominated,
  USUAL_MEASURES,
  variantsOf,
  wantedOf,
  windowsOf,
  type ChooseRequest,
} from './index.ts';

const demo = (name: string): string =>
  readFileSync(new URL(`../../../demo/${name}`, import.meta.url), 'utf8');
function ok<T>(result: { readonly ok: true; readonly value: T } | { readonly ok: false }): T {
  if (!result.ok) throw new Error('refused');
  return result.value;
}
const shelf = ok(readShelf(demo('lantern-hill.shelf.json')));
const sundial = ok(readDrive(demo('sundial-ring.pendrix.json')));
const none = (_id: string): number => 0;
const request = (drive: Drive, parts: readonly ShelfPart[] = shelf, used = none): ChooseRequest =>
  ok(chooseRequestFor(drive, parts, used));

describe('values that cannot be told apart', () => {
  test('a place reaches so far from its own least, not from link to link', () => {
    const place = placesOf([100, 104, 106, 109, 111, null], 0.05);
    expect([100, 104, 106, 109, 111, null].map(place)).toEqual([0, 0, 1, 1, 1, 2]);
    expect(placesOf([], 0.05)(null)).toBe(0);
    // nothing is within 5 % of none
    expect([0, 1e-9].map(placesOf([0, 1e-9], 0.05))).toEqual([0, 1]);
  });

  test('what nothing beats, of equals the simpler', () => {
    const rows = [
      { name: 'b', values: [10, 5] },
      { name: 'a', values: [10.2, 5] },
      { name: 'worse', values: [12, 5] },
      { name: 'cheap', values: [40, 1] },
      { name: 'unknown', values: [null, 0] },
    ];
    const { best, equal } = undominated(rows, ['error', 'buy'], (x, y) => (x.name < y.name ? -1 : 1));
    expect(best.map((r) => r.name)).toEqual(['a', 'cheap', 'unknown']);
    expect(equal).toBe(1);
  });

  test('the same as comparing each with every other', () => {
    const value = fc.option(fc.integer({ min: 0, max: 4 }), { nil: null });
    fc.assert(
      fc.property(fc.array(fc.tuple(value, value, value), { maxLength: 30 }), (all) => {
        const rows = all.map((values, i) => ({ i, values }));
        const { best, equal } = undominated(rows, ['make', 'stages', 'parts'], (a, b) => a.i - b.i);
        const less = (a: number | null, b: number | null): boolean => (a ?? 9) < (b ?? 9);
        const unbeaten = rows.filter(
          (r) =>
            !rows.some(
              (o) =>
                o.values.every((v, k) => !less(r.values[k]!, v)) &&
                o.values.some((v, k) => less(v, r.values[k]!)),
            ),
        );
        expect(best.length + equal).toBe(unbeaten.length);
        for (const b of best) expect(unbeaten).toContain(b);
      }),
    );
  });
});

describe('a pool', () => {
  const asked = { from: 'shelf', canMake: true, keepSource: null, plates: null, keptStages: false } as const;
  const own = (p: ShelfPart): number => p.own;

  test('of the shelf: whole parts, pairs that reduce, motors with drivers, each mode once', () => {
    const pool = poolOf(asked, shelf, own);
    const kinds = new Set(pool.stages.map((s) => s.stage.kind));
    expect(kinds).toEqual(new Set(['worm', 'box', 'planetary', 'belt', 'spur']));
    for (const { stage, takes } of pool.stages)
      if (takes.length === 2) expect(Number(kindOf(stage).reduction(stage).n)).not.toBe(0);
    const modes = pool.sources
      .filter((s) => !s.encoder && sourceKindOf(s.source).fullSteps(s.source) === 200)
      .flatMap((s) => s.modes);
    expect(modes).toEqual([1, 2, 4, 8, 16, 32, 64, 128, 256]);
    expect(pool.words).toContain('pairs that reduce');
  });

  test('a wheel that is owned once is not on both sides, nor twice in a train', () => {
    const drive = { ...sundial, find: { driveStages: 2, measures: 'stages' } };
    const two = shelf.filter(
      (p) => p.id === 'pulley-2-20' || p.id === 'pulley-2-72' || p.kind === 'motor' || p.kind === 'driver',
    );
    const one = two.map((p) => (p.id.startsWith('pulley') ? { ...p, own: 1 } : p));
    const chosen = runNow(choose(request(drive, one)));
    expect(chosen.considered).toBeGreaterThan(0);
    for (const { candidate } of chosen.best)
      expect(candidate.drive.train.stages.length).toBeLessThanOrEqual(1);
  });

  test('what other drives take is not there', () => {
    const drive = { ...sundial, find: { driveStages: 1 } };
    const free = request(drive).stages.some((s) => s.takes.includes('worm-08-144'));
    const taken = request(drive, shelf, (id) => (id === 'worm-08-144' ? 1 : 0));
    expect([free, taken.stages.some((s) => s.takes.includes('worm-08-144'))]).toEqual([true, false]);
  });

  test('bought: what has a price; anything: every kind that brings usual sizes', () => {
    const bare = shelf.map((p) => ({ ...p, own: 0 }));
    expect(poolOf(asked, bare, own).stages).toEqual([]);
    const bought = poolOf({ ...asked, from: 'shelfAndBought' }, bare, own);
    expect(bought.stages.length).toBeGreaterThan(0);
    for (const { takes } of bought.stages)
      for (const id of takes) expect(bought.stock.get(id)!.price).toBeDefined();
    const anything = poolOf({ ...asked, from: 'anything' }, [], own);
    expect(anything.sources.length).toBeGreaterThan(3);
    expect(new Set(anything.stages.map((s) => s.stage.kind)).size).toBeGreaterThan(5);
    // a train of them can be made into a drive as it is
    for (const { stage } of anything.stages)
      expect(report({ ...sundial, train: { ...sundial.train, stages: [stage] } }).verdict).toHaveLength(6);
  });

  test('the motor that is there and no other', () => {
    const pool = poolOf({ ...asked, keepSource: sundial.train.source }, shelf, own);
    expect(pool.sources.filter((s) => !s.encoder).map((s) => s.source)).toEqual([sundial.train.source]);
  });
});

describe('of a drive', () => {
  test('the form: as typed, else as usual; a measure stands once', () => {
    expect(chooseForm({ ...sundial, find: {} }).measures.map((m) => m.id)).toEqual([...USUAL_MEASURES]);
    const form = chooseForm({
      ...sundial,
      find: { measures: 'make, error, make, beauty', driveStages: 3, pool: 'anything', canMake: 'no' },
    });
    expect(form.measures.map((m) => m.id)).toEqual(['make', 'error']);
    expect(form.more.map((m) => m.id)).not.toContain('make');
    expect([form.stages, form.from, form.canMake]).toEqual([3, 'anything', false]);
  });

  test('what is wanted keeps what is kept, and nothing of what was chosen', () => {
    const kept = {
      ...sundial,
      train: {
        ...sundial.train,
        stages: sundial.train.stages.map((s, i) => (i === 1 ? { ...s, kept: true } : s)),
      },
    };
    expect(wantedOf(kept).train.stages.map((s) => s.kind)).toEqual(['internal']);
    expect(Object.keys(wantedOf({ ...kept, log: [], bench: {} }))).not.toContain('log');
  });

  test('with nothing asked, or no motor, it says which', () => {
    const idle = chooseRequestFor({ ...sundial, job: { divisions: '' } }, shelf, none);
    expect(!idle.ok && idle.refusal.path).toBe('job.divisions');
    const bare = chooseRequestFor(sundial, [], none);
    expect(!bare.ok && bare.refusal.path).toBe('pool');
  });

  const drive = { ...sundial, find: { driveStages: 1 } };
  const chosen = runNow(choose(request(drive)));

  test('the worm of 144 is among what nothing beats, and errs as its own report says', () => {
    const worm = chosen.best.find((b) => b.candidate.drive.name === 'Worm 1 : 144, motor of 200')!;
    const told = report(worm.candidate.drive);
    expect(worm.values[0]).toBe(told.judged.errors.budgets.dividing!.budget.worst);
    expect(told.verdict.find((c) => c.cell === 'divisions')!.graded!.grade).toBe('even');
  });

  test('it passes to a page as plain data, and is the same there', () => {
    const back = chosenOf(structuredClone(answerOf(chosen)));
    const [a, b] = [chosen, back].map((c) => chooseTable(chooseReport(request(drive), c, drive)));
    expect(b).toEqual(a);
  });

  test('side by side: the present drive first, what counts in its order, rows that differ lit', () => {
    const r = chooseReport(request(drive), chosen, drive, 3);
    expect(r.columns[0]).toMatchObject({
      present: true,
      title: 'Present drive',
      subtitle: 'Belt 20 : 72, ring pair 15 : 120, motor of 200 at 1/16',
    });
    expect(r.columns.length).toBeLessThanOrEqual(4);
    expect(r.rows.slice(0, 5).map((row) => row.counts)).toEqual([1, 2, 3, 4, 5]);
    expect(r.rows.find((row) => row.id === 'error')!.lit).toBe(true);
    // nobody gave a load: that is the same of all
    expect(r.rows.find((row) => row.id === 'hold')!.lit).toBe(false);
    // the ring of the present drive is on no shelf: it is made
    expect(r.rows.find((row) => row.id === 'make')!.cells[0]).toMatchObject({ text: ['2'], note: 'wheels' });
    for (const row of r.rows) expect(row.cells).toHaveLength(r.columns.length);
    expect(chooseTable(r).rows).toHaveLength(r.columns.length);
  });

  test('families of which nothing is shown say by what', () => {
    const there = new Set(chosen.best.flatMap((b) => b.candidate.drive.train.stages.map((s) => s.kind)));
    const { dropped } = chooseReport(request(drive), chosen, null);
    for (const kind of ['planetary', 'belt'] as const)
      if (!there.has(kind)) expect(dropped.find((d) => d.family === kindOf({ kind }).title)?.by).toBeTruthy();
    expect(dropped.every((d) => d.by.length > 5)).toBe(true);
  });

  test('a stop keeps what was judged, and says that it is not all', () => {
    const search = choose(request({ ...sundial, find: { driveStages: 3 } }));
    for (let i = 0; i < 3; i++) search.next(false);
    const { value, done } = search.next(true);
    expect(done).toBe(true);
    const some = value as ReturnType<typeof chosenOf>;
    expect([some.proven, some.considered > 0]).toEqual([false, true]);
    expect(chooseReport(request(drive), some, null).certificate).toContain('So far, not proven yet.');
  });

  test('while it looks it can be asked what nothing beats so far', () => {
    const seen: number[] = [];
    const asked = request({ ...sundial, find: { driveStages: 1 } });
    const chosen = runNow(choose(asked, (soFar) => seen.push(soFar().considered)));
    expect(seen.length).toBeGreaterThan(1);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(seen.at(-1)).toBeLessThanOrEqual(chosen.considered);
    expect(runNow(choose(asked)).considered).toBe(chosen.considered);
  });

  test('what would turn it: without what decides another leads, as it says', () => {
    const asked = request(drive);
    const [turn] = turnsOf(asked, chosen);
    const [, name] = /^If worst error did not count, of these (.+) would lead: better in divisions\.$/.exec(
      turn!,
    )!;
    const without = { ...drive, find: { driveStages: 1, measures: 'grade, hold, buy, make' } };
    // what leads then is as good in all that is left, if not the same
    const named = chosen.best.find((b) => b.candidate.drive.name === name)!;
    expect(runNow(choose(request(without))).best[0]!.values).toEqual(named.values.slice(1));
  });

  test('what would turn it: with the tolerance that it tells the other does', () => {
    const tight = { ...drive, job: { ...drive.job, toleranceMm: '0.02', radiusMm: '120' } };
    const found = runNow(choose(request(tight)));
    const turn = turnsOf(request(tight), found).find((t) => t.startsWith('With a tolerance'))!;
    const [, mm, name] = /\(([\d.]+) µm\) (.+) would do, and gain in/.exec(turn)!;
    const other = found.best.find((b) => b.candidate.drive.name === name)!.candidate.drive;
    const error = (d: Drive): string => report(d).verdict.find((c) => c.cell === 'error')!.graded!.grade;
    expect(error(other)).toBe('misses');
    const wider = { ...other, job: { ...other.job, toleranceMm: String(Number(mm) / 1000) } };
    expect(error(wider)).not.toBe('misses');
    expect(toleranceArcsec(toleranceOf(wider.job)!)).toBeGreaterThan(
      toleranceArcsec(toleranceOf(tight.job)!),
    );
  });

  test('one thing changed is one thing, and is judged as that drive is', () => {
    const asked = request({ ...sundial, find: { driveStages: 2 } });
    const [, , worm] = runNow(choose({ ...asked, maxStages: 1 })).best;
    const one = worm ?? chosen.best[0]!;
    const variants = variantsOf(asked, one.candidate.drive);
    expect(variants.length).toBeGreaterThan(2);
    const parts = ({ encoder, train: { source, stages } }: Drive): readonly string[] => [
      JSON.stringify(encoder ?? null),
      JSON.stringify(source),
      ...stages.map((s) => JSON.stringify(s)),
    ];
    for (const v of variants) {
      const [a, b] = [parts(one.candidate.drive), parts(v.drive)];
      expect(a.filter((p, i) => p !== b[i])).toHaveLength(1);
      const told = besideOf(asked, one, v);
      expect(told.worth).toBe(told.gains.length > 0);
      const error = report(v.drive).judged.errors.budgets.dividing!.budget.worst;
      const own = one.values[0]!;
      if (Math.abs(error - own) > 0.06 * Math.max(error, own))
        expect((error < own ? told.gains : told.costs).join()).toContain('worst error');
    }
    expect(variantsOf(asked, sundial)).toEqual([]);
  });

  test('askings that exclude one another are named, with what would reconcile them', () => {
    const said = conflictMessage({
      from: 200,
      to: 80,
      because: [
        { asking: 'torque', from: 200 },
        { asking: 'speed', to: 80 },
        { asking: 'inertia', from: 900, soft: true },
      ],
    });
    expect(said).toBe(
      'The torque asked wants 200 : 1 or more, and the speed asked leaves 80.0 : 1 or less. To reconcile them: a motor of 2.50 times the torque, or a load so many times lighter or a motor 2.50 times as fast, or the work so many times slower.',
    );
    expect(
      conflictMessage({
        from: 2,
        to: 80,
        because: [
          { asking: 'torque', from: 2 },
          { asking: 'speed', to: 80 },
        ],
      }),
    ).toBe('');
    // in earnest: a heavy table that is to turn fast, with a small motor
    const heavy = {
      ...drive,
      job: { ...drive.job, load: { frictionNm: 40, speedRpm: '200' } },
      train: {
        ...drive.train,
        source: {
          ...drive.train.source,
          holdingNm: 0.2,
          currentA: 1,
          inductanceMh: 3,
          supplyV: 12,
          resistanceOhm: 2,
        } as typeof drive.train.source,
      },
      find: { driveStages: 1, keepMotor: 'yes' as const },
    };
    const none_ = chooseReport(request(heavy), runNow(choose(request(heavy))), null);
    expect(none_.columns).toHaveLength(0);
    expect(none_.conflict).not.toBe('');
  });

  test('a wheel’s hours are told beside wheels to make', () => {
    const paced = { ...drive, find: { driveStages: 1, wheelHours: '3' } };
    const r = chooseReport(request(paced), runNow(choose(request(paced))), paced);
    expect(r.rows.find((row) => row.id === 'make')!.cells[0]).toMatchObject({
      text: ['2'],
      note: 'wheels, 6.00 h',
    });
    expect(r.rows.find((row) => row.id === 'size')!.cells[0]!.text[0]).toBe('240');
  });
});

describe('what a drive goes by', () => {
  const some = (ids: readonly string[]): readonly ShelfPart[] =>
    shelf.flatMap((p) => (ids.includes(p.id) ? [p] : []));
  const loose = (divisions: string): Drive => {
    const {
      load: _l,
      tolerance: _t,
      toleranceMm: _m,
      ...job
    } = sundial.job as Drive['job'] & Record<string, unknown>;
    return { ...sundial, job: { ...job, divisions }, train: { ...sundial.train, stages: [] } };
  };
  const encoder: ShelfPart = { id: 'enc', kind: 'encoder', own: 1, lines: 9000 };
  const few = some([
    'motor-200',
    'driver-32',
    'worm-08-144',
    'worm-1-90',
    'wheel-1-20',
    'wheel-1-60',
    'pulley-2-20',
    'pulley-2-72',
  ]);

  test('an encoder at the work: every drive of it is one of all, and what nothing beats is what brute force says', () => {
    const drive = { ...loose('24, 96, 360'), find: { driveStages: 2, measures: 'error, stages, grade' } };
    const asked = request(drive, [...few, encoder]);
    const by = asked.sources.filter((s) => s.encoder);
    expect(by.length).toBe(asked.sources.length / 2);
    const chosen = runNow(choose(asked));
    const sequences = [
      [],
      ...asked.stages.map((s) => [s]),
      ...asked.stages.flatMap((a) => asked.stages.map((b) => [a, b])),
    ];
    const rows = asked.sources.flatMap((source) =>
      sequences.flatMap((list) => {
        const had = hadBy(list, asked.stock, source);
        if (!had) return [];
        return source.modes.flatMap((mode) => {
          const made = driveWith(
            asked.wanted,
            source,
            mode,
            list.map((c) => c.stage),
          );
          const candidate = candidateOf(made, had);
          if (misfits(made) || (source.encoder && !steeredCounts(made, candidate.of.k))) return [];
          return [{ name: made.name, values: asked.measures.map((id) => measureOf(id).of(candidate)) }];
        });
      }),
    );
    expect(chosen.considered).toBe(rows.length);
    const { best } = undominated(rows, asked.measures, () => 0);
    const told = (list: readonly { readonly values: readonly (number | null)[] }[]): readonly string[] =>
      list.map((r) => r.values.map((v) => v?.toPrecision(9)).join(' ')).sort();
    expect(told(chosen.best)).toEqual(told(best));
    expect(chosen.best.some((b) => b.candidate.drive.encoder?.corrects)).toBe(true);
  });

  test('what an encoder leaves is the same of every train that is fine enough', () => {
    const asked = request({ ...loose('24, 97'), find: { driveStages: 2 } }, [...few, encoder]);
    const [source] = asked.sources.filter((s) => s.encoder);
    const errors = asked.stages.flatMap((c) => {
      const candidate = candidateOf(driveWith(asked.wanted, source!, 32, [c.stage]), { buy: null, make: 0 });
      return steeredCounts(candidate.drive, candidate.of.k) ? [measureOf('error').of(candidate)!] : [];
    });
    expect(errors.length).toBeGreaterThan(1);
    expect(new Set(errors.map((e) => e.toPrecision(9))).size).toBe(1);
    // 97 of 36 000 counts is rounded by half a count at most
    expect(errors[0]).toBeLessThanOrEqual(36 + 1e-9);
    expect(errors[0]).toBeGreaterThan(0);
  });

  test('before a head that stays it corrects what stands before the head', () => {
    const head = { kind: 'worm', starts: 1, wheel: 90, kept: true } as const;
    const drive = { ...loose('24'), find: { driveStages: 1 } };
    const asked = request({ ...drive, train: { ...drive.train, stages: [head] } }, [...few, encoder]);
    const places = new Set(asked.sources.flatMap((s) => (s.encoder ? [s.encoder.at] : [])));
    expect(places).toEqual(new Set(['work', 'kept']));
    const before = asked.sources.find((s) => s.encoder?.at === 'kept')!;
    const made = driveWith(asked.wanted, before, 16, [asked.stages[0]!.stage]);
    expect([made.encoder!.shaft, made.train.stages.length]).toEqual([1, 2]);
    expect(made.name).toContain('encoder of 9000 lines on shaft 1');
  });

  test('with an encoder is one thing that differs, and without', () => {
    const asked = request({ ...loose('24'), find: { driveStages: 1 } }, [...few, encoder]);
    const made = (by: boolean) =>
      driveWith(
        asked.wanted,
        asked.sources.find((s) => Boolean(s.encoder) === by)!,
        16,
        [asked.stages[0]!.stage],
      );
    expect(variantsOf(asked, made(false)).map((v) => v.change)).toContain(
      'with an encoder of 9000 lines at the work',
    );
    const back = variantsOf(asked, made(true));
    expect(back.map((v) => v.change)).toContain('no encoder');
    for (const v of back) if (v.change !== 'no encoder') expect(v.drive.encoder).toEqual(made(true).encoder);
  });

  test('taken, it comes with its encoder, and one that goes by none leaves none', () => {
    const asked = request({ ...loose('24'), find: {} }, [...few, encoder]);
    const by = asked.sources.find((s) => s.encoder)!;
    const made = driveWith(asked.wanted, by, 16, [asked.stages[0]!.stage]);
    const taken = ok(applyEdit(sundial, { do: 'train', label: 'use it', ...takenFrom(sundial, made) }));
    expect(taken.encoder).toEqual({ partId: 'enc', lines: 9000, decode: 4, shaft: 1, corrects: true });
    expect(taken.train.output).toEqual(sundial.train.output);
    const bare = driveWith(
      asked.wanted,
      asked.sources.find((s) => !s.encoder)!,
      16,
      [],
    );
    const again = ok(applyEdit(taken, { do: 'train', label: 'use it', ...takenFrom(taken, bare) }));
    expect('encoder' in again).toBe(false);
  });

  test('a crank is there when it is asked for; its counts have a circle or it is out', () => {
    const plates = shelf.filter((p) => p.kind === 'plate');
    const drive = {
      ...loose('24, 49'),
      find: { driveStages: 1, byHand: 'yes', measures: 'error, grade' },
    } as const;
    const asked = request(drive, [...few, ...plates]);
    const [crank] = asked.sources.filter((s) => s.plates);
    expect(crank!.plates!.plates).toHaveLength(plates.length);
    expect(request({ ...drive, find: {} }, [...few, ...plates]).sources.some((s) => s.plates)).toBe(false);
    const chosen = runNow(choose({ ...asked, sources: [crank!] }));
    for (const { candidate } of chosen.best)
      expect(candidate.of.byHand!.map((r) => r.graded.grade)).toEqual(['even', 'even']);
    expect(chosen.best.map((b) => b.candidate.drive.name)).toContainEqual(
      expect.stringMatching(/crank with plates/i),
    );
    // 53 is no divisor of any circle
    const none = runNow(
      choose({
        ...asked,
        wanted: { ...asked.wanted, job: { ...asked.wanted.job, divisions: '53' } },
        sources: [crank!],
      }),
    );
    expect([none.best.length, none.families.get('crank')!.out.get('counts')!.count > 0]).toEqual([0, true]);
    const taken = ok(
      applyEdit(sundial, { do: 'train', label: 'x', ...takenFrom(sundial, chosen.best[0]!.candidate.drive) }),
    );
    expect(taken.plates).toEqual(crank!.plates);
  });

  test('nobody turns a crank as fast as a motor: a speed asked of the work leaves what a hand can keep up', () => {
    const load = { workNm: 1, speedRpm: '4' };
    const drive = { ...loose('24'), find: { driveStages: 1, byHand: 'yes' } } as const;
    const asked = request({ ...drive, job: { ...drive.job, load } }, [
      ...few,
      ...shelf.filter((p) => p.kind === 'plate'),
    ]);
    const crank = asked.sources.find((s) => s.plates)!;
    expect(windowsOf(asked.wanted, crank)(1).to).toBe(15);
    const met = runNow(choose({ ...asked, sources: [crank] })).families.get('worm')!;
    expect(met.out.get('speed')!.count).toBe(2);
  });

  test('what follows or travels is not done by hand', () => {
    const rated: Drive = { ...loose('24'), job: { divisions: '24', rates: [{ kind: 'stars' }] } };
    expect([chooseForm(loose('24')).byHand, chooseForm(rated).byHand]).toEqual([false, null]);
  });
});
