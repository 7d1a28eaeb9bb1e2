import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { toText } from '../numbers/index.ts';
import { applyEdit, type Drive, type Edit } from '../drive/index.ts';
import { readDrive, checkAnswer } from '../files/index.ts';
import { driveOf } from '../testing/samples.ts';
import { arborsReport, planPicture, treePicture, treeReport } from './index.ts';
import { plainText } from '../words/index.ts';

const demo = (name: string): Drive => {
  const read = readDrive(
    readFileSync(new URL(`../../../demo/${name}.pendrix.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(`${name} is refused`);
  return read.value;
};
const orrery = demo('walnut-orrery');
const slide = demo('orchard-slide-and-pan');
const done = (drive: Drive, edit: Edit, on = 0): Drive => {
  const result = applyEdit(drive, edit, on);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
};

describe('ratios between outputs', () => {
  const { between } = treeReport(orrery);

  test.each([
    [0, 'Mercury to Day', '87 36 871/38 070', -5.62, '0.21 d early'],
    [1, 'Venus to Day', '224 455/648', 5.16, '0.19 d late'],
    [2, 'Year to Day', '365 3 359/13 770', 4.75, '0.17 d late'],
    [3, 'Moon to Day', '29 20 627/38 880', -2.0, '0.073 d early'],
  ])('%i: %s', (at, title, ratio, ppm, days) => {
    const b = between[at]!;
    expect(b.title).toBe(title);
    expect(plainText(b.figures.ratio.text)).toBe(ratio);
    expect(b.ppm).toBeCloseTo(ppm, 2);
    expect(b.graded).toMatchObject({ grade: 'rounded', word: 'Rounded' });
    const told = b.figures.off.working().find((l) => l.label === 'in 100 years');
    expect(plainText(told!.text)).toContain(days.replace(' d', ' d'));
  });

  test('exact is Even, beyond what is allowed it misses, and an exact wish takes nothing less', () => {
    const ask = (wanted: string, ppm?: number): string =>
      treeReport({
        ...orrery,
        job: {
          divisions: '',
          between: [{ from: 'Day', to: 'Venus', wanted, ...(ppm !== undefined && { ppm }) }],
        },
      }).between[0]!.graded.grade;
    expect([ask('145607/648'), ask('224.701'), ask('224.701', 5), ask('224.701', 6)]).toEqual([
      'even',
      'misses',
      'misses',
      'rounded',
    ]);
  });

  test('two times read as a ratio, days a year as parts in a million', () => {
    const typed = done(
      orrery,
      { do: 'duty', duty: 'between', at: 3, key: 'wanted', text: '1 d to 29.530589 d' },
      2,
    );
    expect(typed.job.between![3]!.wanted).toBe('29530589/1000000');
    const twelve = done(orrery, {
      do: 'duty',
      duty: 'between',
      at: 3,
      key: 'wanted',
      text: '12 h to 29.530589 d',
    });
    expect(twelve.job.between![3]!.wanted).toBe('29530589/500000');
    const days = done(orrery, { do: 'duty', duty: 'between', at: 3, key: 'ppm', text: '0.01 d a year' });
    expect(days.job.between![3]!.ppm).toBeCloseTo(27.3785, 4);
    expect(applyEdit(orrery, { do: 'duty', duty: 'between', at: 3, key: 'wanted', text: 'often' }).ok).toBe(
      false,
    );
    expect(applyEdit(orrery, { do: 'duty', duty: 'between', at: 3, key: 'to', text: 'Pluto' }).ok).toBe(
      false,
    );
    expect(applyEdit(orrery, { do: 'duty', duty: 'between', at: 3, key: 'to', text: 'day' }).ok).toBe(false);
  });

  test('what both share brings no doubt, what one has alone does', () => {
    const printed = { kind: 'ratio', value: '3', provenance: 'nominal' } as const;
    const shared = done(
      { ...orrery, train: { ...orrery.train, stages: [] } },
      { do: 'addStage', kind: 'ratio', at: 0, with: { value: '3', provenance: 'nominal' } },
      1,
    );
    expect(treeReport(shared).between[1]!.graded.word).toContain('if exactly');
    const only = {
      ...shared,
      job: { divisions: '', between: [{ from: 'Mercury', to: 'Venus', wanted: '2' }] },
    };
    expect(treeReport(only as Drive).between[0]!.graded.doubt).toBeUndefined();
    expect(printed.kind).toBe('ratio');
  });
});

describe('the verdict of several outputs', () => {
  test('names the worst of each cell', () => {
    const { verdict } = treeReport(orrery);
    expect(verdict.map((c) => [c.cell, c.train])).toEqual([
      ['steps', 'Mercury'],
      ['divisions', undefined],
      ['error', undefined],
      ['rate', 'Mercury'],
      ['speed', undefined],
      ['force', undefined],
    ]);
    expect(treeReport(slide).verdict[1]).toMatchObject({ train: 'Pan', graded: { grade: 'rounded' } });
  });

  test('of two that miss, the greater error is named', () => {
    const fork = treeReport(demo('garden-star-fork'));
    const of = (name: string) =>
      fork.outputs.find((o) => o.name === name)!.verdict.find((c) => c.cell === 'error')!;
    const worst = fork.verdict.find((c) => c.cell === 'error')!;
    expect([of('Azimuth').graded!.grade, of('Altitude').graded!.grade]).toEqual(['misses', 'misses']);
    expect(Number(of('Altitude').figure!.value)).toBeGreaterThan(Number(of('Azimuth').figure!.value));
    expect([worst.train, worst.figure!.value]).toEqual(['Altitude', of('Altitude').figure!.value]);
  });
  test('of one train it is what its report says', () => {
    const one = driveOf(200, 16, [], '60, 73');
    const tree = treeReport(one);
    expect(tree.several).toBe(false);
    expect(tree.verdict).toBe(tree.outputs[0]!.report.verdict);
    expect(tree.purpose).toBe(tree.outputs[0]!.report.purpose);
  });

  test('attention names the output', () => {
    const tight = done(slide, { do: 'tolerance', as: 'angle', text: '1"' });
    expect(treeReport(tight).attention).toContain('Pan: ');
    expect(
      treeReport(tight)
        .marks(0)
        .find((m) => m.concern === 'judged'),
    ).toMatchObject({
      mark: 'diamond',
      reason: expect.stringContaining('Pan: '),
    });
  });

  test('the terminal gives each train its own answer, shafts as it counts them', () => {
    const all = checkAnswer(orrery) as {
      trains: { name: string; shafts: { index: number }[]; ratio: string }[];
    };
    expect(all.trains.map((t) => [t.name, t.shafts.length])).toEqual([
      ['Day', 1],
      ['Mercury', 5],
      ['Venus', 2],
      ['Year', 3],
      ['Moon', 3],
    ]);
    expect(all.trains[2]!.ratio).toBe('145607/648');
    expect(checkAnswer(orrery, 2)).toMatchObject({ ratio: '145607/648' });
  });
});

describe('pictures of several trains', () => {
  test('branches stand in the column of the shaft they leave, at one scale', () => {
    const picture = treePicture(orrery, 205, 470);
    expect(picture.rows.map((r) => r.x)).toEqual([0, 0, 615, 410, 410]);
    expect(new Set(picture.rows.map((r) => r.picture.drawing.scale)).size).toBe(1);
    expect(picture.rows.map((r) => r.link !== null)).toEqual([false, true, true, true, true]);
    expect(picture.rows.flatMap((r) => r.shafts)).toEqual(Array.from({ length: 14 }, (_, i) => i));
    expect(picture.alt).toContain('Venus, from shaft 3 of Mercury');
  });

  test('two arbors that meet are told with their distance and how thick they are', () => {
    const there = driveOf(200, 16, [
      { kind: 'spur', z1: 20, z2: 40, moduleMm: 1, outBoreMm: 4 },
      { kind: 'spur', z1: 40, z2: 20, moduleMm: 1, outBoreMm: 4, arborXMm: 1.7, arborYMm: 0 },
    ]);
    const { train } = there;
    const told = arborsReport({
      ...there,
      train: { ...train, source: { ...train.source, arborXMm: 0, arborYMm: 0 } },
    });
    const meets = told.clashes.find((c) => c.title.startsWith('Arbors'))!;
    expect([meets.title, meets.message]).toEqual([
      'Arbors M and 2 meet by 2.30 mm',
      'They stand 1.7 mm apart; M is 4 mm thick (estimate), 2 is 4 mm thick. No layer clears them: move one, make them thinner, or put both on one axis as tubes.',
    ]);
    const drawn = planPicture(there, told.plan, 0, 'both', 700, 500);
    expect(drawn.clashes.length).toBe(told.plan.clashes.length);
    expect(JSON.stringify(drawn)).not.toMatch(/null,"y"|NaN/);
  });

  test('every wheel of the plan is on the page, and a pull goes where it points', () => {
    const { plan } = arborsReport(orrery);
    const picture = planPicture(orrery, plan, 2, 'both', 600, 420);
    expect(picture.wheels).toHaveLength(plan.wheels.length);
    for (const w of picture.wheels)
      expect(w.x - w.r >= 0 && w.x + w.r <= 600 && w.y - w.r >= 0 && w.y + w.r <= 420).toBe(true);
    const hands = picture.arbors.find((a) => a.name === '4')!;
    expect(picture.toPlan(hands.x, hands.y).x).toBeCloseTo(48, 1);
    expect(picture.lines.find((l) => l.differs)!.text).toBe('37.2 ≠ 36.4');
    expect(planPicture(orrery, plan, 2, 'behind', 600, 420).wheels.every((w) => w.behind)).toBe(true);
    expect(
      picture.wheels
        .filter((w) => w.lit)
        .map((w) => w.label.teeth)
        .sort(),
    ).toEqual(['12', '15', '18', '26', '61', '62', '65', '77']);
  });

  test.each([
    [584, 324],
    [820, 414],
  ])('at %i by %i no distance stands on another, and each on its own line', (width, height) => {
    const { lines } = planPicture(orrery, arborsReport(orrery).plan, 0, 'both', width, height);
    expect(lines.length).toBeGreaterThan(6);
    const overlaps = lines.flatMap((a, i) =>
      lines
        .slice(i + 1)
        .filter(
          (b) =>
            Math.abs(a.at.x - b.at.x) < (a.plate.w + b.plate.w) / 2 &&
            Math.abs(a.at.y - b.at.y) < (a.plate.h + b.plate.h) / 2,
        )
        .map((b) => `${a.text} on ${b.text}`),
    );
    expect(overlaps).toEqual([]);
    const off = lines.map(
      ({ x1, y1, x2, y2, at }) =>
        Math.abs((x2 - x1) * (at.y - y1) - (y2 - y1) * (at.x - x1)) / Math.hypot(x2 - x1, y2 - y1),
    );
    expect(Math.max(...off)).toBeLessThan(0.1);
  });

  test('teeth stand in gaps: where two wheels meet, one shows a tooth and the other a gap', () => {
    const { plan } = arborsReport(orrery);
    const picture = planPicture(orrery, plan, 0, 'both', 900, 700);
    const of = (id: number) => picture.wheels.find((w) => w.id === id)!;
    for (const m of plan.meshes) {
      const [a, b] = [of(m.driver), of(m.driven)];
      if (plan.disagreements.length > 0 && m.label === '26 : 65') continue;
      const along = Math.atan2(b.y - a.y, b.x - a.x) * (180 / Math.PI);
      const part = (angle: number, phase: number, teeth: number): number => ((angle - phase) * teeth) / 360;
      const [p, q] = [
        part(along, a.phase, plan.wheels[a.id]!.teeth),
        part(along + 180, b.phase, plan.wheels[b.id]!.teeth),
      ];
      // the one runs with the clock, the other against it: together they are half a tooth
      const sum = p + q - 0.5;
      expect(Math.abs(sum - Math.round(sum))).toBeLessThan(0.03);
    }
  });
});

describe('in time', () => {
  const spring = { kind: 'spring', storedTurns: '6', arborPerBarrelTurn: '60', rpm: '2' } as const;
  const wound = (stages: Drive['train']['stages'], more = {}): Drive => {
    const drive = driveOf(1, 1, stages);
    return { ...drive, train: { ...drive.train, source: { ...spring, ...more } } };
  };
  const figures = (drive: Drive, at = 0): Record<string, unknown> =>
    Object.fromEntries(
      treeReport(drive)
        .outputs[at]!.report.duties.of('inTime')
        .flatMap((d) => d.lines.map((l) => [l.figure.key, l.figure.value])),
    );

  test('a winding gives turns, places and a time; a Geneva moves and stands still', () => {
    const drive = wound([
      { kind: 'spur', z1: 10, z2: 60 },
      { kind: 'geneva', slots: 4 },
    ]);
    // 360 turns at 2 rpm; crank 1/3 rpm: 180 s a turn, of which a quarter moves
    expect(figures(drive)).toEqual({
      'winding.time': '10800',
      'winding.turns': '15',
      'winding.places': '60',
      'stepping.moves': '45',
      'stepping.still': '135',
      'stepping.turn': '720',
    });
  });

  test('a governor on another shaft holds that one; a branch runs with it', () => {
    const drive: Drive = {
      ...wound(
        [
          { kind: 'spur', z1: 80, z2: 10 },
          { kind: 'worm', starts: 2, wheel: 40, drives: 'wheel' },
        ],
        {
          rpm: '320',
          governorShaft: 2,
        },
      ),
      others: [
        {
          name: 'Hand',
          from: { train: 'Train 1', shaft: 0 },
          stages: [{ kind: 'spur', z1: 10, z2: 60 }],
          output: { kind: 'rotary' },
          job: { divisions: '' },
        },
      ],
    };
    // the fly makes 160 turns for one of the arbor: 2 rpm there
    expect(figures(drive)['winding.time']).toBe('10800');
    expect(figures(drive, 1)).toMatchObject({ 'winding.time': '10800', 'winding.turns': '60' });
    expect(applyEdit(drive, { do: 'source', key: 'rpm', text: '640' }, 1).ok).toBe(true);
  });
});

describe('a governor in another train', () => {
  const spring = {
    kind: 'spring',
    storedTurns: '6',
    arborPerBarrelTurn: '60',
    rpm: '320',
    governorShaft: 1,
    governorTrain: 'fly',
  } as const;
  const base = driveOf(1, 1, [{ kind: 'spur', z1: 80, z2: 10 }]);
  const clock: Drive = {
    ...base,
    train: { ...base.train, name: 'Hands', source: spring },
    others: [
      {
        name: 'Fly',
        from: { train: 'Hands', shaft: 1 },
        stages: [{ kind: 'worm', starts: 2, wheel: 40, drives: 'wheel' }],
        output: { kind: 'rotary' },
        job: { divisions: '' },
      },
    ],
  };

  test('every output runs as it lets it: 320 rpm at the fly are 2 at the arbor', () => {
    const lasts = treeReport(clock).outputs.map(
      (o) =>
        o.report.duties.of('inTime')[0]!.lines.find((l) => l.figure.key === 'winding.time')!.figure.value,
    );
    expect(lasts).toEqual(['10800', '10800']);
    expect(treeReport(clock).outputs.map((o) => toText(o.report.kinematics.speed.rpm))).toEqual(['2', '2']);
  });

  test('it follows a new name, keeps its train, and sits on a shaft that is there', () => {
    const named = done(clock, { do: 'renameTrain', name: 'Fly', to: 'Fan' });
    expect(named.train.source).toMatchObject({ governorTrain: 'Fan' });
    const refusals = (
      [
        { do: 'removeTrain', name: 'fly' },
        { do: 'source', key: 'governorTrain', text: 'Wing' },
        { do: 'source', key: 'governorShaft', text: '7' },
      ] as const
    ).map((edit) => {
      const r = applyEdit(clock, edit);
      return r.ok ? 'taken' : r.refusal.code;
    });
    expect(refusals).toEqual(['hangsThere', 'noSuchTrain', 'noSuchShaft']);
  });
});
