import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { exactly, toNumber, type Result } from '../numbers/index.ts';
import {
  applyEdit,
  asksFirst,
  kinematics,
  newDrive,
  pathOf,
  ratioBetween,
  trainsOf,
  type Drive,
  type Edit,
} from '../drive/index.ts';
import { readDrive, readShelf, writeDrive } from '../files/index.ts';
import { runNow } from '../find/index.ts';
import { fails } from '../motion/index.ts';
import { pictureOf, report, treeReport, type ResultPicture } from '../report/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { plainText } from '../words/index.ts';
import {
  aimEdits,
  aimIds,
  answerEdits,
  beginEdit,
  compareEdits,
  proposalReport,
  propose,
  startForm,
  takeEdits,
  type AimId,
  type OutputEdit,
  type Proposals,
} from './index.ts';

const shelf = ((): readonly ShelfPart[] => {
  const read = readShelf(
    readFileSync(new URL('../../../demo/lantern-hill.shelf.json', import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.refusal.code);
  return read.value;
})();

const value = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(`${result.refusal.code} ${result.refusal.given}`);
  return result.value;
};
const after = (drive: Drive, edits: readonly (Edit | OutputEdit)[]): Drive =>
  edits.reduce(
    (d, e) => ('edit' in e ? value(applyEdit(d, e.edit, e.output)) : value(applyEdit(d, e))),
    drive,
  );
const asked = (aim: AimId, answers: Readonly<Record<string, string>> = {}): Drive => {
  const bare = newDrive('new');
  return Object.entries(answers).reduce(
    (d, [id, text]) => after(d, value(answerEdits(d, id, text))),
    after(bare, value(aimEdits(bare, aim))),
  );
};
const proposed = (drive: Drive, stages = 1, parts: readonly ShelfPart[] = shelf): Proposals =>
  runNow(propose(drive, parts, (p) => p.own, stages));
const question = (drive: Drive, id: string) => startForm(drive).asking.find((q) => q.id === id)!;
const refusal = (drive: Drive, id: string, text: string): string => {
  const made = answerEdits(drive, id, text);
  return made.ok ? 'taken' : made.refusal.code;
};

describe('answers are fields of the job', () => {
  test('divide: counts, a radius or a module, a tolerance', () => {
    const drive = asked('divide', { counts: '24, 48, 360', size: '120', true: '0.05 mm' });
    expect(drive.job).toEqual({ divisions: '24, 48, 360', radiusMm: '120', toleranceMm: '1/20' });
    // module 1 and 360 teeth are 180 mm across half
    const wheel = after(drive, value(answerEdits(drive, 'size', 'module 1')));
    expect(wheel.job.radiusMm).toBe('180');
    expect(wheel.job.blank?.moduleMm).toBe(1);
    expect(after(drive, value(answerEdits(drive, 'true', '30″'))).job.toleranceArcsec).toBe('30');
    expect(plainText(question(drive, 'true').means)).toContain('85.9');
  });

  test('a head at hand stays at the work, with its plates', () => {
    const head = asked('divide', { counts: '73, 77', head: '40 : 1, plates 15-20; 21, 23; 37, 39' });
    expect(head.train.stages).toEqual([{ kind: 'worm', starts: 1, wheel: 40, kept: true }]);
    expect(head.plates?.wormRatio).toBe('40');
    expect(head.plates?.plates.flat()).toContain(39);
    expect(question(head, 'head').value).toMatch(/^40 : 1, plates /);
    // what it is shown as can be typed again
    const again = after(head, value(answerEdits(head, 'head', question(head, 'head').value)));
    expect([again.train, again.plates]).toEqual([head.train, head.plates]);
    const none = after(head, value(answerEdits(head, 'head', '')));
    expect(none.train.stages).toEqual([]);
    expect(none.plates?.plates ?? []).toEqual([]);
  });

  test('sky: a rate and a camera; a mirror goes half as fast', () => {
    const drive = asked('sky', { lens: '50', exposure: '90', pixel: '3.9' });
    expect(drive.job.rates).toEqual([{ kind: 'stars' }]);
    expect(drive.job.camera).toMatchObject({ focalMm: 50, exposureSeconds: 90, pixelUm: 3.9, trailPx: 2 });
    // 2 px of 206.265 · 3.9 / 50 = 16.09″ at 15.041″ a second
    expect(plainText(question(drive, 'exposure').means)).toContain('2.14');
    const mirror = after(drive, value(answerEdits(drive, 'what', 'mirror')));
    expect(mirror.job.rates).toEqual([{ kind: 'sun', half: true }]);
    expect(question(mirror, 'what').value).toBe('mirror');
  });

  test('camera: a slide, a pan, both; so many pictures in so long', () => {
    const slide = asked('camera', { far: '1.2 m', long: '2 h', frames: '361' });
    expect(slide.train.output.kind).toBe('beltDrive');
    expect(slide.job.sweeps?.[0]).toMatchObject({ to: '1200', unit: 'mm', frames: 361, intervalSeconds: 20 });
    const round = after(slide, value(answerEdits(slide, 'way', 'round')));
    expect(round.train.output.kind).toBe('rotary');
    expect(round.job.sweeps?.[0]).toMatchObject({ to: '90', unit: 'deg' });
    const both = after(slide, value(answerEdits(slide, 'way', 'both')));
    expect(trainsOf(both).map((t) => t.name)).toEqual(['Slide', 'Pan']);
    expect(question(both, 'way').value).toBe('both');
    // how far round is asked of two axes only, and they take their pictures together
    expect(question(slide, 'pan')).toBeUndefined();
    expect(question(both, 'pan').value).toBe('90°');
    const panned = after(both, [
      ...value(answerEdits(both, 'pan', '120')),
      ...value(answerEdits(both, 'long', '1 h')),
    ]);
    expect(panned.others![0]!.job.sweeps).toMatchObject([
      { from: '0', to: '120', unit: 'deg', frames: 361, intervalSeconds: 10 },
    ]);
    expect(panned.job.sweeps![0]).toMatchObject({ to: '1200', frames: 361, intervalSeconds: 10 });
    const fewer = after(panned, value(answerEdits(panned, 'frames', '61')));
    expect(fewer.others![0]!.job.sweeps![0]!.frames).toBe(61);
    expect(answerEdits(both, 'pan', 'round').ok).toBe(false);
    expect(trainsOf(after(both, value(answerEdits(both, 'way', 'along'))))).toHaveLength(1);
    // film of 20 seconds is 25 pictures a second
    const film = asked('camera', { long: '20 s', frames: 'film' });
    expect(film.job.sweeps?.[0]).toMatchObject({ frames: 501, intervalSeconds: 0.04 });
  });

  test('table: mass, speeds; friction and inertia are taken, and said', () => {
    const drive = asked('table', { heavy: '4', off: '50', speeds: '0.2 to 4' });
    expect(drive.job.load).toMatchObject({ massKg: 4, offsetMm: 50, speedRpm: '4' });
    // 0.02 · 4 kg · 9.81 · 50 mm, and 4 · (0.1²/2 + 0.05²)
    expect(drive.job.load?.frictionNm).toBeCloseTo(0.0392, 4);
    expect(drive.job.load?.inertiaKgM2).toBeCloseTo(0.03, 4);
    expect(question(drive, 'speeds').value).toBe('0.2 to 4');
    // friction that somebody measured stays
    const measured = after(drive, [
      { do: 'duty', duty: 'load', at: 0, key: 'frictionNm', text: '0.3' },
      ...value(answerEdits(drive, 'heavy', '4')).slice(-1),
    ]);
    const heavier = after(measured, value(answerEdits(measured, 'heavy', '6')));
    expect(heavier.job.load).toMatchObject({ massKg: 6, frictionNm: 0.3 });
  });

  test('movement: a train a hand, and the ratios that must hold', () => {
    const drive = asked('movement', { others: '29.530589 d, 365.2422 d', agree: '20' });
    expect(drive.job.between?.map((b) => [b.to, toNumber(exactly(b.wanted)), b.ppm])).toEqual([
      ['Hand 2', 29.530589, 20],
      ['Hand 3', 365.2422, 20],
    ]);
    // another first hand: the same periods of the others
    const half = after(drive, value(answerEdits(drive, 'first', '12 h')));
    expect(half.job.between?.map((b) => toNumber(exactly(b.wanted)))).toEqual([59.061178, 730.4844]);
    expect(question(half, 'others').value).toBe('29.530589 d, 365.2422 d');
    const fewer = after(half, value(answerEdits(half, 'others', '28 d')));
    expect([trainsOf(fewer).length, fewer.job.between?.length]).toEqual([2, 1]);
  });

  test('nobody knows: what is taken is in force and marked, and an answer unmarks it', () => {
    const drive = asked('sky');
    expect(question(drive, 'pixel')).toMatchObject({ value: '', taken: '4' });
    const known = after(drive, value(answerEdits(drive, 'pixel', '3.9')));
    expect(question(known, 'pixel')).toMatchObject({ value: '3.9', taken: null });
    const again = after(known, value(answerEdits(known, 'pixel', ' ')));
    expect(question(again, 'pixel').taken).toBe('4');
    expect(again.job.camera?.pixelUm).toBe(4);
  });

  test.each([
    ['divide', 'counts', 'many', 'notDivisions'],
    ['divide', 'size', 'x', 'notLength'],
    ['divide', 'head', '7.5 : 1', 'notWhole'],
    ['sky', 'lens', '-3', 'tooSmall'],
    ['sky', 'exposure', '1e9', 'tooLarge'],
    ['sky', 'what', 'comets', 'notAChoice'],
    ['camera', 'long', 'a while', 'notPeriod'],
    ['table', 'speeds', '5 to 1', 'backwards'],
    ['table', 'heavy', 'x', 'notNumber'],
    ['movement', 'others', '29 moons', 'notPeriod'],
    ['ratio', 'target', 'π', 'notNumber'],
    ['sky', 'own', 'a lathe', 'notAChoice'],
    ['sky', 'nothing', '1', 'unknownEdit'],
  ] as const)('%s: %s %s is refused, and changes nothing', (aim, id, text, code) => {
    expect(refusal(asked(aim), id, text)).toBe(code);
  });

  test.each(aimIds)('%s: every aim can be asked after every other, and a drive file keeps it', (aim) => {
    for (const before of aimIds) {
      const drive = asked(before);
      const now = after(drive, value(aimEdits(drive, aim)));
      const fresh = asked(aim);
      expect({ ...now, find: {}, name: '' }).toEqual({ ...fresh, find: {}, name: '' });
      const read = readDrive(writeDrive(now));
      expect(read.ok && read.value).toEqual(now);
    }
  });
});

describe('what would do it', () => {
  test.each(['divide', 'sky', 'camera', 'table'] as const)(
    '%s: what is told to do it fails in nothing by its own report',
    (aim) => {
      const drive = asked(aim, aim === 'divide' ? { counts: '24, 48, 360' } : {});
      const { list, meeting } = proposed(drive);
      expect(meeting).toBeGreaterThan(0);
      for (const one of list.slice(0, 8)) {
        const told = report(one.drive);
        const grades = [...told.verdict.map((c) => c.graded), ...told.duties.all.map((d) => d.graded)];
        const failed = grades.filter((g) => g && fails(g.grade));
        if (one.meets) expect([one.drive.name, failed]).toEqual([one.drive.name, []]);
        else expect(failed.length).toBeGreaterThan(0);
        // its card tells the figures of that report
        const card = proposalReport(one);
        const cell = aim === 'divide' ? 'error' : aim === 'table' ? 'force' : null;
        if (cell)
          expect(card.rows[0]!.told.text).toEqual(
            told.verdict.find((c) => c.cell === cell)!.figure?.text ?? [],
          );
      }
    },
  );

  test('the simplest first; what holds another family that does it already is left out', () => {
    const { list } = proposed(asked('divide', { counts: '24, 48, 360' }), 2);
    const kinds = list.filter((p) => p.meets).map((p) => p.drive.train.stages.map((s) => s.kind).sort());
    const first = kinds[0]!;
    expect(first).toHaveLength(1);
    for (const more of kinds.slice(1))
      if (more.length > 1) expect(more).not.toEqual(expect.arrayContaining(first));
  });

  test('who has only a shelf gets nothing else; who has nothing buys or makes it', () => {
    const base = { counts: '24, 48, 360' };
    const bare = asked('divide', { ...base, can: '' });
    for (const { had, lacks } of proposed(bare).list) {
      expect(lacks).toEqual([]);
      expect([had.make, had.buy && toNumber(had.buy)]).toEqual([0, 0]);
    }
    const nothing = asked('divide', { ...base, own: '', can: 'buy' });
    for (const { lacks, had } of proposed(nothing).list)
      expect(lacks.length > 0 || had.buy === null).toBe(true);
    expect(proposed(asked('divide', { ...base, own: '', can: '' })).list).toEqual([]);
  });

  test('a motor that somebody has is the only one; a head stays at the work; plates turn by hand', () => {
    const mine = asked('divide', { counts: '24, 48', motor: '400' });
    for (const p of proposed(mine).list) expect(p.drive.train.source).toMatchObject({ fullSteps: 400 });
    const head = asked('divide', {
      counts: '60, 73, 77',
      head: '40 : 1, plates 15-20; 21, 23, 27, 29, 31, 33; 37, 39, 41, 43, 47, 49',
    });
    const { list } = proposed(head);
    for (const p of list) expect(p.drive.train.stages.at(-1)).toMatchObject({ wheel: 40, kept: true });
    // no circle of these plates does 73: the crank is not offered for it, and is without it
    const kinds = (d: Drive): readonly string[] => proposed(d, 0).list.map((p) => p.drive.train.source.kind);
    expect(kinds(head)).toEqual(['stepper']);
    const without = after(head, value(answerEdits(head, 'counts', '60, 77')));
    expect(new Set(kinds(without))).toEqual(new Set(['stepper', 'crank']));
    const crank = proposed(without, 0).list.find((p) => p.drive.train.source.kind === 'crank')!;
    // as its own report says: the strip's cell, with a figure or without
    const [errs] = proposalReport(crank).rows;
    const { absent } = report(crank.drive).verdict.find((c) => c.cell === 'error')!;
    expect([errs!.label, errs!.told.note]).toEqual(['errs', absent]);
    expect(absent).not.toBe('');
  });

  test('a mirror and the stars may open a hinge, for who can drill; a table cannot', () => {
    const kinds = (d: Drive): readonly string[] => proposed(d, 0).list.map((p) => p.drive.train.output.kind);
    expect(kinds(asked('sky'))).toContain('tangentArm');
    expect(kinds(asked('sky', { can: 'buy' }))).not.toContain('tangentArm');
    expect(new Set(kinds(asked('table')))).toEqual(
      new Set(kinds(asked('table')).length > 0 ? ['rotary'] : []),
    );
  });

  test('a ratio: the fewest teeth that are near enough, the error its own', () => {
    const drive = asked('ratio', { target: '365.2422', near: '100' });
    const { list } = proposed(drive);
    const best = list[0]!;
    expect(best.meets).toBe(true);
    const made = toNumber(kinematics(best.drive.train).reduction);
    expect(Math.abs(Math.abs(made) / 365.2422 - 1)).toBeLessThan(100e-6);
    expect(plainText(proposalReport(best).rows[0]!.told.text)).toMatch(/ppm$/);
  });

  test('a movement: every hand turns the right way and near enough', () => {
    const drive = asked('movement', { others: '29.530589 d' });
    const best = proposed(drive).list[0]!;
    expect(best.meets).toBe(true);
    const { between } = treeReport(best.drive);
    expect(between.map((b) => fails(b.graded.grade))).toEqual([false]);
    const taken = takeEdits(drive, best.drive, 'x').reduce(
      (d, { output, edit }) => value(applyEdit(d, edit, output)),
      drive,
    );
    expect(trainsOf(taken).map((t) => t.stages)).toEqual(trainsOf(best.drive).map((t) => t.stages));
    expect(toNumber(ratioBetween(taken, 0, 1)!.ratio)).toBeCloseTo(29.530589, 2);
  });

  test('slide and pan: each by itself, of what the other leaves; begun with, both stand', () => {
    const slide = asked('camera', { far: '80 cm', long: '20 min' });
    const both = after(slide, value(answerEdits(slide, 'way', 'both')));
    const { list, sure } = proposed(both);
    expect(sure).toBeGreaterThan(0);
    const [best] = list;
    const begun = after(both, takeEdits(both, best!.drive, 'x'));
    const [first, pan] = trainsOf(begun);
    expect([first!.output.kind, pan!.output.kind]).toEqual([best!.drive.train.output.kind, 'rotary']);
    expect(pan!.stages).toEqual(best!.drive.others![0]!.stages);
    // each does its sweep by its own report
    for (const at of [0, 1])
      expect(
        report(pathOf(begun, at).drive)
          .duties.of('sweeps')
          .map((d) => fails(d.graded!.grade)),
      ).toEqual([false]);
    const told = proposalReport(best!).rows.find((r) => r.label === 'pan')!;
    expect(told.told.note).toContain('motor of');
    // one motor of a line is not taken twice
    const one = shelf.map((p) => ({ ...p, own: Math.min(p.own, 1) }));
    const bare = proposed(after(both, value(answerEdits(both, 'can', ''))), 1, one).list;
    expect(bare.length).toBeGreaterThan(0);
    for (const { drive } of bare) {
      const motors = trainsOf(drive).map((t) => t.source as { readonly partId?: string });
      expect(new Set(motors.map((m) => m.partId)).size).toBe(motors.length);
    }
  });

  test('begun, the drive is the one that was told; compared, Find has what the answers leave', () => {
    const drive = asked('divide', { counts: '24, 48', can: 'buy' });
    const best = proposed(drive).list[0]!;
    const begun = takeEdits(drive, best.drive, 'x').reduce(
      (d, { output, edit }) => value(applyEdit(d, edit, output)),
      drive,
    );
    expect([asksFirst(drive), asksFirst(begun)]).toEqual([true, false]);
    expect(report(begun).verdict.map((c) => c.figure?.text)).toEqual(
      report(best.drive).verdict.map((c) => c.figure?.text),
    );
    const compared = compareEdits(drive).reduce(
      (d, { output, edit }) => value(applyEdit(d, edit, output)),
      drive,
    );
    expect(compared.find).toMatchObject({ question: 'drives', pool: 'anything', canMake: 'no' });
    expect(asksFirst(after(drive, [beginEdit]))).toBe(false);
  });

  test('nothing is told of a train that is not chosen', () => {
    const drive = asked('divide', { counts: '24, 48' });
    const tree = treeReport(drive);
    expect(tree.verdict.every((c) => c.figure === null)).toBe(true);
    expect(tree.attention).toBeNull();
    expect(new Set(tree.marks(0).map((m) => m.mark))).toEqual(new Set(['ring']));
  });
});

describe('what is offered while it is looked on', () => {
  test.each(['table', 'camera', 'sky'] as const)(
    '%s: what surely does it comes first, and fails in nothing',
    (aim) => {
      const { list, sure, meeting } = proposed(asked(aim));
      expect(sure).toBeGreaterThan(0);
      expect(sure).toBeLessThanOrEqual(meeting);
      for (const { drive, meets } of list.slice(0, sure)) {
        expect(meets).toBe(true);
        expect(report(drive).verdict.some((c) => c.graded && fails(c.graded.grade))).toBe(false);
      }
    },
  );

  test('a motor of which nothing is known is not sure to turn a table', () => {
    const some = shelf
      .filter((p) => p.kind === 'motor')
      .map((p) => ({ id: p.id, kind: 'motor', fullSteps: 200, own: 1 }) as const);
    const { list, sure } = proposed(asked('table', { can: '', own: 'motor' }), 0, some);
    expect(sure).toBe(0);
    expect(list.map((p) => report(p.drive).of.force?.margin ?? null)).toEqual(list.map(() => null));
  });
});

describe('simulated, what is offered first holds what it was offered for', () => {
  const drawn = (drive: Drive, key: string): ResultPicture => {
    const drawing = pictureOf(drive, key, 7);
    for (;;) {
      const { done, value: picture } = drawing.next(undefined);
      if (done) return picture!;
    }
  };

  test('stars stay round for the exposure that was asked', () => {
    const { list, sure } = proposed(asked('sky', { lens: '100', exposure: '120' }));
    for (const { drive } of list.slice(0, Math.min(sure, 3))) {
      const picture = drawn(drive, 'track');
      if (picture.kind !== 'track') throw new Error(picture.kind);
      expect(picture.exposure).toBe(120);
      expect(picture.shares.find((s) => s.seconds === 120)!.share).toBe(1);
    }
  });

  test('every place of a count is within what the budget says, and within the tolerance', () => {
    const { list, sure } = proposed(asked('divide', { counts: '20, 30, 37, 90', head: '90 : 1' }));
    expect(sure).toBeGreaterThan(0);
    for (const { drive } of list.slice(0, Math.min(sure, 3)))
      for (const count of [20, 37]) {
        const picture = drawn(drive, `divide.${count}`);
        if (picture.kind !== 'divide') throw new Error(picture.kind);
        const { all, tolerance } = report(drive).of.errors.budgets;
        const { worst } = all.find((b) => b.divisions === count)!.budget;
        expect(Math.abs(picture.farthest.arcsec)).toBeLessThanOrEqual(worst + 1e-6);
        expect(worst).toBeLessThanOrEqual(tolerance!);
      }
  });
});
