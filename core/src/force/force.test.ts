import { describe, expect, test } from '@jest/globals';
import { kinematicsOf, newDrive, readCurve, type Drive, type Load, type Stage } from '../drive/index.ts';
import {
  askedOf,
  batteryHours,
  bearsN,
  cantilever,
  cordLayer,
  cutForce,
  forceOf,
  frictionWindow,
  inclineN,
  pullTest,
  pushTest,
  railSag,
  returnsBetween,
  roughTest,
  shakes,
  speedsAsked,
  tippingOf,
} from './index.ts';
import { availableNm, heatW } from '../turning/index.ts';

const motor = {
  kind: 'stepper',
  fullSteps: 200,
  modes: [1, 2, 4, 8, 16, 32, 64],
  mode: 16,
  holdingNm: 0.45,
  currentA: 1.5,
  inductanceMh: 3.2,
  supplyV: 24,
  rotorInertiaKgM2: 5.4e-6,
  resistanceOhm: 2,
};
const drive = (stages: readonly object[], load: Load | undefined, source: object = motor): Drive => ({
  ...newDrive('force'),
  job: { divisions: '', ...(load && { load }) },
  train: { source: source as never, stages: stages as readonly Stage[], output: { kind: 'rotary' } },
});
const force = (...args: Parameters<typeof drive>) => {
  const d = drive(...args);
  return forceOf(d, kinematicsOf(d))!;
};
const belt = { kind: 'belt', z1: 20, z2: 76, pitchMm: 2 };
const worm = { kind: 'worm', starts: 1, wheel: 90, moduleMm: 1 };
const load: Load = { inertiaKgM2: 0.002, frictionNm: 0.2, workNm: 1.5, speedRpm: '2', accelRevPerS2: 0.5 };

describe('torque, by hand', () => {
  const f = force([belt, worm], load);
  test('belt 20:76 and an oiled worm: 0.96 · tan λ/tan(λ + φ)', () => {
    const lead = Math.atan(0.1);
    const phi = Math.atan(0.05 / Math.cos((20 * Math.PI) / 180));
    expect(f.efficiency).toBeCloseTo((0.96 * 0.1) / Math.tan(lead + phi), 12);
    expect(f.efficiency).toBeCloseTo(0.62326, 5);
  });
  test('1.7 N·m and the acceleration of 0.002 kg·m²; at the motor 0.013807', () => {
    expect(f.wantedNm).toBeCloseTo(1.7 + 0.002 * Math.PI, 12);
    expect(f.wantedNm).toBeCloseTo(1.70628, 5);
    expect(f.motorNm).toBeCloseTo(0.013807, 6);
  });
  test('2 rpm is 684 rpm and 2280 full steps a second, under the corner of 2500: 0.405 N·m, margin 29.3', () => {
    expect(f.at(2)).toMatchObject({ motorRpm: 684, stepRate: 2280 });
    expect(f.at(2).availableNm).toBeCloseTo(0.405, 12);
    expect(f.at(2).margin).toBeCloseTo(29.33, 2);
    expect(f.cornerRpm! * 342 * (200 / 60)).toBeCloseTo(2500, 9);
    expect(f.at(4).availableNm).toBeCloseTo((0.405 * 2500) / 4560, 12);
  });
  test('resonance 324.36 full steps a second, 0.28453 rpm of the work', () => {
    expect(f.resonance!.stepRate).toBeCloseTo(324.36, 2);
    expect(f.resonance!.rpm).toBeCloseTo(0.28453, 5);
    expect(f.at(0.28).inBand).toBe(true);
    expect(f.at(0.4).inBand).toBe(false);
    expect(shakes(f, f.at(0.28))).toBe(false);
    const coarse = force([belt, worm], load, { ...motor, mode: 4 });
    expect(shakes(coarse, coarse.at(0.28))).toBe(true);
  });
  test('a single start: 0.6492 oiled and slips, dry 0.3790 and holds', () => {
    expect(force([worm], load).efficiency).toBeCloseTo(0.6492, 4);
    expect(force([{ ...worm, dry: true }], load).efficiency).toBeCloseTo(0.379, 4);
    expect(force([worm], load).back).toEqual({ is: 'holds', by: 'stage' });
  });
  test('two motors on one wheel: 1.8 times the torque, twice the rotor', () => {
    const two = force([belt, worm], load, { ...motor, count: 2 });
    expect(two.at(2).availableNm).toBeCloseTo(0.405 * 1.8, 12);
    expect(two.motorNm - f.motorNm).toBeCloseTo(5.4e-6 * Math.PI * 342, 12);
  });
  test('nothing to go by is null, and no load is nothing', () => {
    expect(forceOf(drive([worm], undefined), kinematicsOf(drive([worm], undefined)))).toBeNull();
    expect(force([worm], load, { kind: 'stepper', fullSteps: 200, modes: [1], mode: 1 }).at(2)).toMatchObject(
      { availableNm: null, margin: null },
    );
    expect(force([worm], {}).at(2).margin).toBeNull();
    expect(force([worm], {}).wantedNm).toBe(0);
  });
});

describe('teeth', () => {
  test('2 N·m on 60 teeth of module 1: 66.7 N; printed bears 65.4, brass 261.7', () => {
    const f = force([{ kind: 'spur', z1: 60, z2: 60, moduleMm: 1, material: 'printed' }], { workNm: 2 });
    expect(f.meshes[1]!.forceN).toBeCloseTo(66.667, 3);
    expect(f.weakest!.bearsN).toBeCloseTo(65.4, 1);
    expect(bearsN('brass', 60, 1)).toBeCloseTo(261.7, 1);
    expect(f.weakest!.margin).toBeCloseTo(65.425 / 66.667, 3);
  });
  test('the sun of 13 among three planets of a turntable: 52.9 N, 1.24 times; the planet 1.49', () => {
    const planetary = {
      kind: 'planetary',
      sun: 13,
      ring: 47,
      planets: 3,
      fixed: 'ring',
      in: 'sun',
      out: 'carrier',
      moduleMm: 1,
      material: 'acetal',
    };
    const imbalance = 13 * 9.80665 * 0.05 * Math.cos(Math.PI / 3);
    const wind = 0.6 * 1.2 * 0.1 * 100 * 0.05;
    const f = force([{ kind: 'belt', z1: 20, z2: 72, pitchMm: 2 }, planetary], {
      massKg: 13,
      offsetMm: 50,
      elevationDeg: 60,
      frictionNm: 0.9,
      windNm: wind,
      inertiaKgM2: 0.12,
      accelRevPerS2: 0.1,
    });
    expect(f.wantedNm).toBeCloseTo(imbalance + 0.9 + wind + 0.12 * 0.2 * Math.PI, 9);
    expect(f.weakest).toMatchObject({ label: 'sun', teeth: 13 });
    expect(f.weakest!.forceN).toBeCloseTo(52.9, 1);
    expect(f.weakest!.margin).toBeCloseTo(1.24, 2);
    expect(f.meshes[1]!.margin).toBeCloseTo(1.49, 2);
    expect(f.at(6).margin).toBeCloseTo(1.36, 2);
    expect(f.stallRpm).toBeCloseTo(61.2, 1);
    // what hangs is more than its friction, and nobody gave the motor's detent torque
    expect(f.turnsBack).toBeNull();
  });
  test('without a material there is no limit', () => {
    expect(force([{ kind: 'spur', z1: 20, z2: 60, moduleMm: 1 }], load).weakest).toBeNull();
  });
});

describe('motors', () => {
  test('a curve off a data sheet is read between its points, and ends', () => {
    const read = readCurve('full steps/s, N·m\n500, 0.4\n1500; 0.3\n3000\t0.1');
    expect(read.ok && read.value).toEqual([
      [500, 0.4],
      [1500, 0.3],
      [3000, 0.1],
    ]);
    const source = { ...motor, torqueCurve: read.ok ? read.value : [] } as never;
    expect(availableNm(source, 60)).toBeCloseTo(0.4, 12);
    expect(availableNm(source, 300)).toBeCloseTo(0.35, 12);
    expect(availableNm(source, 3000)).toBe(0);
  });
  test.each([
    ['500, 0.4\n1500, 0.5', 'curveRises'],
    ['500, 0.4\n500, 0.3', 'curveTurnsBack'],
    ['500, 0.4', 'badCurve'],
    ['500, 0.4\n1500, fast', 'badCurve'],
    ['500, 0.4\n1500, -1', 'badCurve'],
  ])('%j is refused', (text, code) => {
    const read = readCurve(text);
    expect(read.ok ? '' : read.refusal.code).toBe(code);
  });
  test('80 rpm free, 1.2 N·m stalled, three quarters of the voltage: 0.3 N·m is left at 40 rpm', () => {
    const dc = {
      kind: 'encoderMotor',
      lines: 600,
      decode: 4,
      maxRpm: '80',
      stallNm: 1.2,
      ratedV: 12,
      supplyV: 9,
    } as never;
    expect(availableNm(dc, 40)).toBeCloseTo(0.3, 12);
    expect(availableNm(dc, 100)).toBe(0);
  });
  test('heat: 1.5 A through 2 Ω, 4.5 W microstepped, 9 W in full steps', () => {
    expect(heatW(motor as never)).toBe(4.5);
    expect(heatW({ ...motor, mode: 1 } as never)).toBe(9);
  });
  test('less current, less torque, a later corner', () => {
    const half = { ...motor, currentLimitA: 0.75 } as never;
    expect(availableNm(half, 60)).toBeCloseTo(0.2025, 12);
    // 4000 full steps a second: under its corner of 5000, over the 2500 of the full current
    expect(availableNm(half, 1200)).toBeCloseTo(0.2025, 12);
    expect(availableNm(motor as never, 1200)).toBeCloseTo((0.405 * 2500) / 4000, 12);
  });
});

describe('stand, rod, battery', () => {
  test('an 8 mm steel rod of 100 mm with 10 N: 256.5″', () => {
    expect(cantilever({ forceN: 10, lengthMm: 100, diameterMm: 8, youngGPa: 200 }).arcsec).toBeCloseTo(
      256.5,
      1,
    );
  });
  test('tipping: what stands, and the wind that ends it', () => {
    const t = tippingOf({
      massKg: 10,
      footprintMm: 400,
      heightMm: 500,
      slopeDeg: 3,
      areaM2: 0.2,
      windMs: 10,
    })!;
    const stands = 10 * 9.80665 * (0.2 * Math.cos((3 * Math.PI) / 180) - 0.5 * Math.sin((3 * Math.PI) / 180));
    expect(t.standsNm).toBeCloseTo(stands, 9);
    expect(t.gustNm).toBeCloseTo(0.6 * 1.2 * 0.2 * 100 * 0.5, 9);
    expect(0.6 * 1.2 * 0.2 * t.windMs! ** 2 * 0.5).toBeCloseTo(stands, 9);
    expect(tippingOf({ massKg: 10 })).toBeNull();
  });
  test('90 Wh at 6.7 W: 11.4 hours', () => expect(batteryHours(90, 6.7)).toBeCloseTo(11.4, 1));
});

describe('small tests', () => {
  test('9 N and 5 N at 0.12 m: 0.84 and 0.24 N·m', () => {
    expect(pullTest(9, 5, 0.12).frictionNm).toBeCloseTo(0.84, 12);
    expect(pullTest(9, 5, 0.12).imbalanceNm).toBeCloseTo(0.24, 12);
  });
  test('380″ at 0.4, 620″ at 1.2 N·m: 1 375 N·m/rad and 260″', () => {
    const t = pushTest(0.4, 380, 1.2, 620)!;
    expect(t.stiffnessNmPerRad).toBeCloseTo(1375, 0);
    expect(t.playArcsec).toBeCloseTo(260, 6);
    expect(pushTest(0.4, 380, 1.2, 380)).toBeNull();
  });
  test('rough at 260 full steps a second: 6.0·10⁻⁶ kg·m²', () =>
    expect(roughTest(50, 0.32, 260)).toBeCloseTo(6.0e-6, 7));
  test('friction window 1.96 to 9.37 N', () => {
    const w = frictionWindow(3.4, 0.294, 0.294, 0.15, false);
    expect(w.leastN).toBeCloseTo(1.96, 2);
    expect(w.mostN).toBeCloseTo(9.37, 2);
  });
  test('the cut: 33.6 N, at 30 mm 1.01 N·m', () => {
    expect(cutForce(700, 1.6, 0.03, 30).forceN).toBeCloseTo(33.6, 9);
    expect(cutForce(700, 1.6, 0.03, 30).torqueNm).toBeCloseTo(1.008, 9);
  });
});

test('the job’s speeds: the slowest and fastest of the load’s own, spins and rates', () => {
  const spins = drive([worm], {});
  expect(speedsAsked(drive([worm], load), [5])).toEqual([2, 5]);
  expect(speedsAsked(drive([worm], load), [])).toEqual([2, 2]);
  expect(
    speedsAsked({ ...spins, job: { ...spins.job, spins: [{ minRpm: '0.2', maxRpm: '4' }] } }, [0.0007]),
  ).toEqual([0.0007, 4]);
  expect(speedsAsked(spins, [])).toBeNull();
});

describe('carriages, cords and rails', () => {
  test('3 kg up 10° on wheels of 0.05, screw of 4 mm: M·g·(sin β + μ·cos β)·lead/2π', () => {
    const load: Load = { massKg: 3, inclineDeg: 10, slideMu: 0.05, pullN: 2, offsetMm: 40 };
    const d: Drive = {
      ...drive([], load),
      train: { source: motor as never, stages: [], output: { kind: 'screw', leadMm: '4' } as never },
    };
    const f = forceOf(d, kinematicsOf(d))!;
    const newtons = 3 * 9.80665 * (Math.sin(Math.PI / 18) + 0.05 * Math.cos(Math.PI / 18));
    const perNewton = 0.004 / (2 * Math.PI);
    expect(f.asked.map((a) => a.id)).toEqual(['carriage', 'pull']);
    expect(f.wantedNm).toBeCloseTo((newtons + 2) * perNewton, 9);
    // back down it pulls by sin β − μ·cos β
    expect(f.hangsNm).toBeCloseTo(
      3 * 9.80665 * (Math.sin(Math.PI / 18) - 0.05 * Math.cos(Math.PI / 18)) * perNewton,
      9,
    );
    expect([f.turnsBack, f.back.is]).toEqual([null, 'unknown']);
  });
  test('downhill asks nothing, and does not give', () => {
    expect(askedOf({ massKg: 3, inclineDeg: -20, slideMu: 0.05 }, 0.001)).toEqual([]);
    expect(inclineN(1, 0, 0.2)).toBeCloseTo(1.961, 3);
  });
  test('friction number 0.08, foot 45, centre at 120: back by its weight from 4.6° to 20.6°', () => {
    const { fromDeg, toDeg } = returnsBetween(0.08, 45, 120);
    expect(fromDeg).toBeCloseTo(4.57, 2);
    expect(toDeg).toBeCloseTo(20.56, 2);
  });
  test('14 mm of 3 mm cord: 4 turns, 289 mm on 20 mm; 600 mm wants 9 turns, 27 mm', () => {
    const c = cordLayer(14, 3, 20, 600);
    expect([c.turns, Math.round(c.holdsMm), c.wants, c.wideMm]).toEqual([4, 289, 9, 27]);
  });
  test('20 N on 1 m of 90 N·m² sag 4.6 mm', () => expect(railSag(20, 1000, 90)).toBeCloseTo(4.63, 2));
});

describe('what lies behind a mesh', () => {
  test('the efficiency of each later stage is paid for at the teeth before it', () => {
    const first = (efficiency: number): number =>
      force(
        [
          { kind: 'spur', z1: 20, z2: 40, moduleMm: 1 },
          { kind: 'spur', z1: 20, z2: 60, moduleMm: 1, efficiency },
        ],
        load,
      ).meshes.find((m) => m.stage === 0)!.forceN;
    expect(first(0.5) / first(1)).toBeCloseTo(2, 9);
  });
});
