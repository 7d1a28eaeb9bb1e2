import { describe, expect, test } from '@jest/globals';
import type { Drive, Job, TangentArm } from '../../drive/index.ts';
import { driveOf, wheelCutter } from '../../testing/samples.ts';
import { report, type DutyReport, type Report } from '../index.ts';
import { plainText } from '../../words/index.ts';
import { makingReport } from './plates/making.ts';
import { rational } from '../../numbers/index.ts';

const cradle = (job: Partial<Job> = {}, timer: Partial<Drive['timer']> | null = {}): Drive => ({
  ...driveOf(400, 64, [
    { kind: 'belt', z1: 20, z2: 60 },
    { kind: 'worm', starts: 1, wheel: 144 },
  ]),
  job: { divisions: '', rates: [{ kind: 'stars' }], ...job },
  ...(timer ? { timer: { tickHz: '2000000', bits: 16, ...timer } } : {}),
});
const text = (d: DutyReport | null, key: string): string =>
  plainText(d?.lines.find((l) => l.figure.key.endsWith(`.${key}`))?.figure.text ?? ['missing']);

describe('rates', () => {
  const rate = (d: Drive) => report(d).duties.rates[0]!;

  test('three ways of keeping the stars, the shared one in force', () => {
    const r = rate(cradle({}, { withinPpm: 30, tolerancePpm: 30 }));
    expect(r.ways.map((w) => [w.title.replaceAll('\u2009', ' '), w.ppm, w.hour, w.graded.word])).toEqual([
      ['Alternate 15 582 and 15 583', '0', '0″', 'Even ±1 tick'],
      ['One interval, 15 582', '+21.6', '+1.17″', 'Rounded'],
      ['One interval, 15 583', '−42.5', '−2.30″', 'Misses by 12.5 ppm'],
    ]);
    expect(r.chosen!.how).toBe('spread');
    expect(r.causes.map((c) => [c.figure.label, plainText(c.figure.text), c.message])).toEqual([
      ['the clock’s tolerance', '±30.0 ppm', '1.62″ in an hour'],
      ['rounding to whole ticks', '0 ppm', ''],
    ]);
    expect(r.largest).toMatch(/^The largest is the clock’s tolerance, ±30\.0 ppm: a crystal/);
    expect(r.drift!.title).toBe('Drift over an hour');
    const night = rate(cradle({}, { how: 'fixed', sessionMinutes: 240 })).drift!;
    expect([night.title, night.series[0]!.points[1]![0]]).toEqual(['Drift over 4.00 h', 240]);
    expect(night.series[0]!.points[1]![1]).toBeCloseTo(4 * 1.171, 2);
    expect(r.drift!.series.map((s) => s.look)).toEqual(['main', 'second', 'limit', 'limit']);
  });

  test('always the nearest when the timer says so', () => {
    expect(rate(cradle({}, { how: 'fixed' })).chosen!.title).toContain('One interval');
  });

  test('even, too wide for the counter, no timer, no steps', () => {
    expect(rate(cradle({ rates: [{ kind: 'sun' }] })).graded).toEqual({ grade: 'even', word: 'Even' });
    const wide = rate(cradle({}, { bits: 12 }));
    expect([wide.graded.word, wide.message[0]]).toEqual([
      'Over 12 bits',
      expect.stringContaining('coarser prescaler'),
    ]);
    const fast = rate(cradle({}, { tickHz: '1' }));
    expect([fast.graded.word, fast.message[0]]).toEqual([
      'Too fast',
      expect.stringContaining('faster clock'),
    ]);
    const none = rate(cradle({}, null));
    expect([none.graded.word, none.timing, none.message.length]).toEqual(['No timer given', null, 1]);
  });

  test('a motor that runs by itself is off by its own speed', () => {
    const d = cradle({ rates: [{ kind: 'period', seconds: '3600' }] }, null);
    const r = rate({
      ...d,
      train: {
        ...d.train,
        source: { kind: 'synchronous', hz: '50', poles: 2 } as never,
        stages: [{ kind: 'ratio', value: '180000' }],
      },
    });
    expect(r.ways).toHaveLength(1);
    expect([r.graded.word, r.chosen!.ppm]).toEqual(['Even', '0']);
  });

  test('the verdict has the worst of them, and what is asked is in the title', () => {
    const r = report(cradle({ rates: [{ kind: 'sun' }, { kind: 'stars' }] }));
    expect([r.verdict[3]!.group, plainText(r.verdict[3]!.figure!.text), r.verdict[3]!.graded!.word]).toEqual([
      'rate',
      '0 ppm',
      'Even',
    ]);
    expect(r.purpose).toBe('follows the sun and one more');
    expect(r.marks(0).find((m) => m.concern === 'judged')!.mark).toBe('dot');
    const misses = report(cradle({}, { bits: 8 }));
    expect(misses.marks(0).find((m) => m.concern === 'judged')).toMatchObject({
      mark: 'diamond',
      reason: 'stars: over 8 bits',
    });
    expect(report(cradle({ rates: [] })).verdict[3]!.absent).toBe('no rate asked');
  });
});

describe('camera, two axes, arm', () => {
  const camera = { focalMm: 135, pixelUm: 3.9, declinationDeg: 20, exposureSeconds: 90, trailPx: 1 };
  test('a clock out by 5 000 ppm: 84.3 s by the drift alone, 72.8 s with steps and wheels', () => {
    const d = report(cradle({ camera }, { tolerancePpm: 5000 })).duties.one('camera')!;
    expect([text(d, 'scale'), text(d, 'undriven'), text(d, 'drift'), text(d, 'longest')]).toEqual([
      '5.96″',
      '0.42\u00a0s',
      '84.3\u00a0s',
      'at most 72.8\u00a0s',
    ]);
    expect(d.graded).toEqual({ grade: 'misses', word: 'Round only for 72.8\u00a0s' });
  });
  test('with no rate the trail is unknown; with an exact one, too, while the motor’s own wave is', () => {
    expect(report(cradle({ camera, rates: [] })).duties.one('camera')!.graded!.word).toBe('No rate asked');
    const still = report(cradle({ camera })).duties.one('camera')!;
    expect([text(still, 'longest'), still.graded]).toEqual([
      'as long as you like, without 6 unknown',
      { grade: 'unknown', word: 'Unknown, without 6 unknown' },
    ]);
  });
  test('two axes: in reach, out of reach, below the horizon', () => {
    const altAz = {
      latitudeDeg: 50,
      hourAngleDeg: -30,
      declinationDeg: 20,
      hours: 4,
      topArcsecPerSecond: 60,
    };
    const d = report(cradle({ altAz })).duties.one('altAz')!;
    expect([text(d, 'azimuth'), text(d, 'altitude'), text(d, 'turning'), text(d, 'cap')]).toEqual([
      '19.51″/s',
      '7.33″/s',
      '−10.17″/s',
      '11.28°',
    ]);
    expect(d.graded).toEqual({ grade: 'enough', word: 'Both in reach' });
    expect(
      report(cradle({ altAz: { ...altAz, topArcsecPerSecond: 20 } })).duties.one('altAz')!.graded!.word,
    ).toMatch(/^Short by 8\./);
    expect(
      report(cradle({ altAz: { ...altAz, declinationDeg: -60 } })).duties.one('altAz')!.graded!.word,
    ).toBe('Below the horizon');
  });
  test('an isosceles arm: 228.557 mm, 20″ after 30.27 min, its steps through the whole train', () => {
    const barn = (more: Partial<TangentArm>, job: Partial<Job> = {}): Report => {
      const d = cradle(job);
      const output = {
        kind: 'tangentArm',
        leadMm: '1',
        armMm: '228.557',
        geometry: 'isosceles',
        screwRpm: '1',
        ...more,
      } as const;
      return report({
        ...d,
        train: { ...d.train, stages: [{ kind: 'belt', z1: 20, z2: 60 }], output },
      });
    };
    const d = barn({ sessionMinutes: 40 }, { toleranceArcsec: '20' }).duties.one('arm')!;
    expect([text(d, 'radius'), text(d, 'passes'), text(d, 'screw')]).toEqual([
      '228.557 mm',
      '30.27 min',
      '1.00000 rpm',
    ]);
    expect(d.lines[0]!.message.replaceAll('\u2009', ' ')).toBe('1 279.9980 steps a second of the motor');
    expect(text(barn({ sessionMinutes: 30 }).duties.one('arm'), 'error')).toBe('+19.47″');
    expect(d.table!.rows).toHaveLength(40);
    expect(d.message[0]).toMatch(/^Steps by the table leave at most 0\.0\d+″, within/);
    expect(barn({ geometry: 'curved' }).duties.one('arm')!.graded!.grade).toBe('passes');
  });
});

describe('sweeps and spins', () => {
  const sweeps = (...list: NonNullable<Job['sweeps']>[number][]): Report =>
    report(wheelCutter('', { sweeps: list }));
  const sweep = { from: '0', to: '90', unit: 'deg', frames: 240, easing: 'cosine' } as const;
  test('frames, ripple and what cures it', () => {
    const [d] = sweeps(sweep).duties.of('sweeps');
    expect(text(d!, 'range')).toBe('12 to 1 798');
    expect(d!.table!.rows.at(-1)).toEqual(['240', '', expect.any(String), '273600']);
    const direct = report({
      ...driveOf(200, 1, []),
      job: { divisions: '', sweeps: [{ ...sweep, to: '60', frames: 25, easing: 'linear' }] },
    });
    expect(direct.duties.of('sweeps')[0]!.graded!.word).toMatch(/^Ripple 4[34]/);
    expect(direct.duties.of('sweeps')[0]!.message[0]).toContain('times the reduction');
  });
  test('what breaks a schedule first', () => {
    const [d] = sweeps({ ...sweep, intervalSeconds: 2, exposureSeconds: 1.9, settleSeconds: 0.5 }).duties.of(
      'sweeps',
    );
    expect(d!.graded!.word).toMatch(/^Short by /);
    expect(d!.message.join(' ')).toContain('exposure breaks it first');
  });
  test('two axes on one clock', () => {
    const timed = { ...sweep, intervalSeconds: 8 };
    const r = sweeps(
      { ...timed, name: 'slide' },
      { ...timed, name: 'pan', stepsPerUnit: '1000', exposureSeconds: 3, frames: 200 },
    );
    expect(r.duties.together).toMatch(/one clock, and 200 is not 240/i);
    expect(sweeps(sweep).duties.together).toBeNull();
    expect(r.purpose).toBe('sweeps two axes in 240 frames');
  });
  test('what cannot be swept says why', () => {
    expect(sweeps({ ...sweep, unit: 'mm' }).duties.of('sweeps')[0]!.message[0]).toContain(
      'the sweep in degrees',
    );
    expect(sweeps({ ...sweep, to: '0' }).duties.of('sweeps')[0]!.graded!.word).toBe('Goes nowhere');
  });
  test('a table of intervals is compared with the memory', () => {
    const d: Drive = {
      ...wheelCutter('', { sweeps: [{ ...sweep, topStepRate: 4000, stepAccel: 8000 }] }),
      timer: { tickHz: '250000', memoryBytes: 1700 },
    };
    const ramp = report(d).duties.one('ramp')!;
    expect(ramp.lines.map((l) => l.graded!.grade)).toEqual(['passes', 'misses']);
    expect(report({ ...d, timer: { tickHz: '250000' } }).duties.one('ramp')!.message).toHaveLength(1);
  });
  test('what a sweep and a speed go by is named as the source has it', () => {
    const crank = driveOf(1, 1, [{ kind: 'worm', starts: 1, wheel: 40 }]);
    const d: Drive = {
      ...crank,
      train: { ...crank.train, source: { kind: 'crank', marks: 100, rpm: '60' } },
      job: { divisions: '', sweeps: [sweep], spins: [{ minRpm: '0.2', maxRpm: '1' }], radiusMm: '30' },
    };
    const r = report(d);
    const all = JSON.stringify([...r.duties.of('sweeps'), ...r.duties.of('spins')].map((x) => [x, x.table]));
    expect(all).not.toMatch(/microstep/i);
    expect(all).toContain('marks a frame');
    expect(all).toContain('one mark at the rim');
    expect(r.duties.of('sweeps')[0]!.charts[0]!.title).toBe('Marks in each frame');
    // steps that the maker counts himself
    const own = report({ ...d, job: { ...d.job, sweeps: [{ ...sweep, stepsPerUnit: '100' }] } });
    expect(own.duties.of('sweeps')[0]!.lines[0]!.figure.label).toBe('steps of the sweep');
  });

  test('a speed range names the resonance band, and shakes where it is asked in full steps', () => {
    const bandOf = (maxRpm: string, mode: 1 | 16) => {
      const d = driveOf(200, mode, [{ kind: 'spur', z1: 20, z2: 40 }]);
      const source = { ...d.train.source, resonanceStepRate: 200 } as Drive['train']['source'];
      const spins = [{ minRpm: '1', maxRpm }];
      return report({ ...d, train: { ...d.train, source }, job: { divisions: '', spins } }).duties.of(
        'spins',
      )[0]!;
    };
    // 200 full steps/s are 60 rpm of the motor, 30 of the work, a quarter about it
    expect(text(bandOf('40', 1), 'resonance')).toBe('22.5 to 37.5 rpm');
    const word = (d: DutyReport) => d.lines.find((l) => l.figure.key.endsWith('resonance'))!.graded!.word;
    expect(['20', '40'].map((rpm) => word(bandOf(rpm, 1)))).toEqual(['Clear', 'Shakes']);
    expect(bandOf('40', 1).graded!.word).toBe('Shakes');
    expect(word(bandOf('40', 16))).toBe('Slight');
    // a motor of which nobody gave inertia and torque
    const [bare] = report(wheelCutter('', { spins: [{ minRpm: '1', maxRpm: '2' }] })).duties.of('spins');
    expect(bare!.lines.some((l) => l.figure.key.endsWith('resonance'))).toBe(false);
  });

  test('spins and knobs', () => {
    const r = report(
      wheelCutter('', {
        spins: [{ minRpm: '0.2', maxRpm: '4', knobBits: 10, motorRpm: 600 }],
        radiusMm: '30',
        knob: { turnsOut: '1/4', marks: 72 },
      }),
    );
    expect(text(r.duties.of('spins')[0]!, 'knob')).toBe('1.86%');
    expect(r.duties.of('spins')[0]!.graded!.word).toBe('Short by 768 rpm');
    expect(text(r.duties.one('knob'), 'turns')).toBe('85 1/2');
    expect([r.verdict[4]!.group, r.verdict[4]!.graded!.word]).toEqual(['spin', 'Short by 768 rpm']);
    const bare = report(wheelCutter('', { spins: [{ minRpm: '1', maxRpm: '2' }] }));
    expect(bare.verdict[4]!.graded!.word).toBe('Unknown');
  });
});

describe('plates', () => {
  const head: Drive = {
    ...driveOf(1, 1, [{ kind: 'worm', starts: 1, wheel: 40 }], '61, 63, 69, 77, 87, 95'),
    plates: {
      plates: [
        [15, 16, 17, 18, 19, 20],
        [21, 23, 27, 29, 31, 33],
        [37, 39, 41, 43, 47, 49],
      ],
    },
  };
  const crank: Drive = { ...head, train: { ...head.train, source: { kind: 'crank', marks: 1 } as never } };

  test('each wanted count by one circle, by two, or by none', () => {
    const p = report(head).plates!;
    expect(p.rows.map((r) => [r.divisions, r.graded.word, plainText(r.move), r.arms])).toEqual([
      [61, 'No circle', '61 or 122 holes', ''],
      [63, 'Even by compound', '11 on 21 and 3 on 27', ''],
      [69, 'Even by compound', '14 on 21 less 2 on 23', ''],
      [77, 'Even by compound', '9 on 21 and 3 on 33', ''],
      [87, 'Even by compound', '14 on 21 less 6 on 29', ''],
      [95, 'Even', '8 holes on 19', '9'],
    ]);
    expect([p.fromTrain, p.message, p.chart.length]).toEqual([true, '18 on three plates', 399]);
    expect(p.tally.circle + p.tally.compound + p.tally.none).toBe(399);
    expect(p.freshMessage).toEqual({
      strong: 'Best new plate for 61',
      rest: 'One circle, never fewer; 63, 69, 77 and 87 are served already, by two circles.',
    });
  });

  test('the working proves the sum, the picture shows the move', () => {
    const open = report(head).plates!.opened(95);
    expect(open.title).toBe('95 on the 19 circle');
    const lines = open.figure.working().map((l) => plainText(l.text));
    expect(lines).toContain('95 × 8/19 = 40 turns, one turn of the work');
    expect(open.picture!.dots.filter((d) => d.is === 'between')).toHaveLength(7);
    expect(open.picture!.arms![1]).toBeCloseTo((2 * Math.PI * 8) / 19, 9);
    expect(open.procedure[0]).toContain('over 9 holes');
  });

  test('two circles, change wheels, and nothing at all', () => {
    const p = report({ ...head, plates: { ...head.plates!, gears: [24, 28, 32, 48] } }).plates!;
    const two = p.opened(77);
    expect(two.figure.working().map((l) => plainText(l.text))).toContain(
      '77 × (3/7 + 1/11) = 40 turns, one turn of the work',
    );
    expect(two.differential.map(plainText)[0]).toContain('as 80: 8 holes on 16, wheels 48 : 32');
    expect(two.procedure).toHaveLength(4);
    const more = { ...head, job: { divisions: '73' } };
    const [wheeled] = report({ ...more, plates: { ...head.plates!, gears: [24, 28, 32, 48] } }).plates!.rows;
    expect([wheeled!.graded.word, plainText(wheeled!.move), wheeled!.also]).toEqual([
      'Even with wheels',
      'as 70: 12 holes on 21',
      'wheels 48 : 28',
    ]);
    const none = report(head).plates!.opened(73);
    expect([none.graded.word, plainText(none.figure.text), none.picture]).toEqual([
      'No circle',
      '73 or 146 holes',
      null,
    ]);
    expect(plainText(p.opened(7).simple[0]!)).toBe('5 turns and 15 holes on 21');
    expect(p.opened(40).procedure[0]).toContain('drop the pin');
  });

  test('a head turned by hand is judged by its plates', () => {
    const r = report(crank);
    expect([plainText(r.verdict[1]!.figure!.text), r.verdict[1]!.graded!.word, r.verdict[1]!.group]).toEqual([
      '5 of 6',
      '1 unknown',
      'plates',
    ]);
    expect(r.marks(0).find((m) => m.concern === 'judged')).toMatchObject({
      mark: 'diamond',
      reason: 'no circle for 61',
    });
    expect(report(head).verdict[1]!.group).toBeUndefined();
  });

  test('a plate of 26 on a head of 60', () => {
    const list = makingReport('60', 26, rational(40), 1);
    expect(list.table.rows[1]).toEqual(['1', '2', '110.769', '110 10/13']);
    expect(list.message).toContain('repeat after 13 holes');
  });
});

test('the last line of every working of a duty is the figure shown', () => {
  const r = report(
    cradle(
      {
        camera: { focalMm: 135, pixelUm: 3.9, polarArcmin: 3 },
        altAz: { latitudeDeg: 50, hourAngleDeg: -30, declinationDeg: 20, hours: 4, topArcsecPerSecond: 60 },
        sweeps: [
          {
            from: '0',
            to: '90',
            unit: 'deg',
            frames: 24,
            easing: 'trapezoid',
            intervalSeconds: 4,
            topStepRate: 4000,
            stepAccel: 9000,
          },
        ],
        spins: [{ minRpm: '1', maxRpm: '2', knobBits: 8 }],
        knob: { turnsOut: '1', marks: 10, windowArcsec: '60' },
        radiusMm: '30',
      },
      { tolerancePpm: 30 },
    ),
  );
  const figures = [
    ...r.duties.rates.flatMap((x) => x.figures),
    ...r.duties.all.flatMap((d) => d.lines.map((l) => l.figure)),
  ];
  expect(figures.length).toBeGreaterThan(30);
  for (const f of figures) {
    expect([f.key, plainText(f.working().at(-1)!.text)]).toEqual([f.key, plainText(f.text)]);
    expect(r.figure(f.key)?.key).toBe(f.key);
  }
});
