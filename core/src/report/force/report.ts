import { div, rational, toNumber, abs } from '../../numbers/index.ts';
import { kindOf, type Drive, type Kinematics } from '../../drive/index.ts';
import {
  batteryHours,
  forceOf,
  shakes,
  speedsAsked,
  tippingOf,
  type AskedTorque,
  type AtSpeed,
  type Force,
  type Mesh,
} from '../../force/index.ts';
import { elevationOf, heatW } from '../../turning/index.ts';
import { lazy } from '../lazy.ts';
import type { RateReport } from '../duties/rates/way.ts';
import { type Graded, measured, timeText } from '../../words/index.ts';
import { gradeAt, speedRows, type SpeedRow } from './speeds.ts';
import { marginGrade, marginText, torqueText, worse } from './words.ts';

/** What is asked of the work, a bar each. */
export interface AskedRow {
  readonly title: string;
  readonly message: string;
  readonly nm: number;
  readonly text: string;
}

export interface MeshRow {
  readonly title: string;
  readonly message: string;
  readonly load: string;
  readonly bears: string;
  readonly margin: string;
  readonly graded: Graded;
}

/** A line of its own: heat, battery, tipping, power off. */
export interface StandRow {
  readonly id: 'heat' | 'battery' | 'tipping' | 'powerOff';
  readonly title: string;
  readonly message: string;
  readonly graded: Graded | null;
  readonly value: string;
  /** of a battery, how long it lasts */
  readonly hours?: number;
}

export interface ForceReport {
  readonly force: Force;
  readonly asked: readonly AskedRow[];
  readonly total: string;
  readonly atMotor: string;
  readonly speeds: readonly SpeedRow[];
  readonly meshes: readonly MeshRow[];
  readonly stand: readonly StandRow[];
  /** least of the motor's margin at the speeds asked and of the weakest mesh */
  readonly margin: number | null;
  /** what that is */
  readonly limit: string;
  readonly graded: Graded;
  /** over the speeds asked alone: what the motor has for them */
  readonly motor: { readonly margin: number | null; readonly graded: Graded };
  readonly range: readonly [number, number] | null;
  /** somewhere in what is asked it runs where it shakes */
  readonly shakes: boolean;
  readonly message: { readonly strong: string; readonly rest: string };
}

const TITLES: Readonly<Record<AskedTorque['id'], string>> = {
  friction: 'Friction',
  work: 'Tool',
  imbalance: 'Out of balance',
  wind: 'Wind',
  acceleration: 'Acceleration',
  carriage: 'Carriage',
  pull: 'Force along it',
};

function askedRow({ load }: Force, { id, nm }: AskedTorque): AskedRow {
  const measuredKeys = (load.measured ?? '').split(/[\s,]+/);
  const says: Readonly<Record<AskedTorque['id'], string>> = {
    friction: measuredKeys.includes('frictionNm') ? 'measured' : 'typed',
    work: 'typed',
    imbalance: `${load.massKg ?? 0} kg, ${load.offsetMm ?? 0} mm off, axis at ${elevationOf(load)}°`,
    wind: 'typed',
    carriage: `${load.massKg ?? 0} kg up ${load.inclineDeg ?? 0}°, friction number ${load.slideMu ?? 0}`,
    pull: `${load.pullN ?? 0} N`,
    acceleration: `${load.inertiaKgM2 ?? 0} kg·m², ${load.accelRevPerS2 ?? 0} rev/s²`,
  };
  return { title: TITLES[id], message: says[id], nm, text: measured(nm) };
}

function meshRow(drive: Drive, mesh: Mesh): MeshRow {
  const stage = drive.train.stages[mesh.stage]!;
  return {
    title: `${mesh.label.charAt(0).toUpperCase()}${mesh.label.slice(1)}, ${mesh.teeth}`,
    message: `${kindOf(stage).short} ${kindOf(stage).label(stage)}, ${mesh.material ?? 'no material given'}, mod\u00a0${measured(mesh.moduleMm)}`,
    load: measured(mesh.forceN),
    bears: mesh.bearsN === null ? '–' : measured(mesh.bearsN),
    margin: mesh.margin === null ? '' : marginText(mesh.margin),
    graded: marginGrade(mesh.margin),
  };
}

function standRows(drive: Drive, force: Force, range: ForceReport['range']): readonly StandRow[] {
  const { load } = force;
  const heat = heatW(drive.train.source);
  const tip = tippingOf(load);
  const mean = range ? (range[0] + range[1]) / 2 : 0;
  const work = force.motorNm * 2 * Math.PI * ((mean * force.ratio) / 60);
  const watts = (heat ?? 0) + (load.electronicsW ?? 0) + work;
  const hours = load.batteryWh === undefined ? null : batteryHours(load.batteryWh, watts);
  const hangs = force.hangsNm;
  return [
    ...(heat === null
      ? []
      : [
          {
            id: 'heat' as const,
            title: 'Motor heat',
            message: `${measured(heat)} W at standstill, ${measured(heat / 4)} W held at half current`,
            graded: {
              grade: heat <= HOT ? ('enough' as const) : ('close' as const),
              word: heat <= HOT ? 'Enough' : 'Warm',
            },
            value: '',
          },
        ]),
    ...(hours === null
      ? []
      : [
          {
            id: 'battery' as const,
            title: `Battery, ${load.batteryWh!} Wh`,
            message: `motor ${measured(heat ?? 0)}, work ${measured(work)}, electronics ${measured(load.electronicsW ?? 0)} W`,
            graded: null,
            value: timeText(hours * 3600).join(' '),
            hours,
          },
        ]),
    ...(tip === null
      ? []
      : [
          {
            id: 'tipping' as const,
            title: 'Tipping',
            message:
              tip.windMs === null
                ? `stands ${measured(tip.standsNm)} N·m`
                : `in wind of ${measured(tip.windMs)} m/s${tip.gustNm === null ? '' : `; a gust of ${load.windMs!} is ${Math.round((100 * tip.gustNm) / Math.max(1e-9, tip.standsNm))} % of it`}`,
            graded:
              tip.standsNm <= 0
                ? { grade: 'short' as const, word: 'Tips by itself' }
                : tip.gustNm === null
                  ? null
                  : marginGrade(tip.standsNm / Math.max(1e-12, tip.gustNm)),
            value: '',
          },
        ]),
    {
      id: 'powerOff' as const,
      title: 'Power off',
      message: backMessage(force),
      graded:
        hangs === 0
          ? null
          : force.turnsBack === null
            ? { grade: 'unknown' as const, word: 'Unknown' }
            : force.turnsBack
              ? { grade: 'short' as const, word: 'Not held' }
              : { grade: 'enough' as const, word: 'Held' },
      value: '',
    },
  ];
}

/** What holds it with the power off, and what it takes to turn it back. */
function backMessage({ back, hangsNm, turnsBack }: Force): string {
  switch (back.is) {
    case 'holds':
      return back.by === 'stage'
        ? 'a worm holds by itself while it stands still'
        : 'the losses of its stages hold it: no torque at the work turns the motor';
    case 'turns':
      return hangsNm > 0
        ? `${turnsBack ? 'turns back' : 'stays'}: ${torqueText(hangsNm)} against ${torqueText(back.nm)}`
        : `turned back by ${torqueText(back.nm)} at the work`;
    case 'unknown':
      return turnsBack === false && hangsNm > 0
        ? `stays: ${torqueText(hangsNm)} against a friction of ${torqueText(back.leastNm)}`
        : `not known: give the motor’s detent torque${hangsNm > 0 ? `; ${torqueText(hangsNm)} hangs on it` : ''}`;
  }
}

/** A closed plastic box wants no more, W, an estimate. */
const HOT = 5;

/** Speeds between which the job may run in the band although neither end does. */
function inRange(force: Force, range: readonly [number, number]): readonly AtSpeed[] {
  const { resonance } = force;
  const inner = resonance && resonance.rpm > range[0] && resonance.rpm < range[1] ? [resonance.rpm] : [];
  return [range[0], ...inner, range[1]].map(force.at);
}

/** Everything of a path's load, as it is told; null while there is none. */
export function forceReport(drive: Drive, k: Kinematics, rates: readonly RateReport[]): ForceReport | null {
  const force = forceOf(drive, k);
  if (!force) return null;
  const { load } = force;
  const range = speedsAsked(
    drive,
    rates.map((r) => toNumber(div(rational(60), abs(r.period)))),
  );
  const points = range ? inRange(force, range) : [];
  const margins = points.map((p) => p.margin);
  const motor =
    margins.length === 0 || margins.some((m) => m === null) ? null : Math.min(...(margins as number[]));
  const rough = points.some((p) => shakes(force, p));
  const motorGraded = points.reduce<Graded>((g, p) => worse(g, gradeAt(force, p)), marginGrade(motor));
  const mesh = force.weakest;
  const byMesh =
    mesh?.margin !== null && mesh?.margin !== undefined && (motor === null || mesh.margin < motor);
  const margin = byMesh ? mesh.margin : motor;
  const graded =
    motor === null
      ? marginGrade(null)
      : typeof mesh?.margin !== 'number'
        ? motorGraded
        : worse(motorGraded, marginGrade(mesh.margin));
  const limit = byMesh ? `the ${mesh.label}’s ${mesh.teeth} teeth` : 'the motor';
  const asked = lazy(() => force.asked.map((a) => askedRow(force, a)));
  const speeds = lazy(() => speedRows(force, range));
  const meshes = lazy(() =>
    [...force.meshes]
      .sort((a, b) => (a.margin ?? Infinity) - (b.margin ?? Infinity))
      .map((m) => meshRow(drive, m)),
  );
  const stand = lazy(() => standRows(drive, force, range));
  return {
    force,
    // told rows are made when they are asked for: who only compares wants the margins
    get asked() {
      return asked();
    },
    total: measured(force.wantedNm),
    get atMotor() {
      return `${torqueText(force.motorNm)} at the motor: ÷ ${measured(force.ratio)}, ${measured(force.efficiency * 100)} %`;
    },
    get speeds() {
      return speeds();
    },
    get meshes() {
      return meshes();
    },
    get stand() {
      return stand();
    },
    margin,
    limit,
    graded,
    motor: { margin: motor, graded: motorGraded },
    range,
    shakes: rough,
    message: {
      strong:
        force.asked.length === 0
          ? 'The load is empty.'
          : margin === null
            ? range === null
              ? 'No speed is asked.'
              : 'What the motor has is not known.'
            : `${limit.charAt(0).toUpperCase()}${limit.slice(1)} ${limit === 'the motor' ? 'limits' : 'limit'}: ${marginText(margin)}.`,
      rest: [
        ...(force.asked.length === 0
          ? ['Write a friction, a tool, a mass off its axis or a ramp; a pull test takes a minute.']
          : []),
        ...(margin === null && range !== null && force.asked.length > 0
          ? ['Give its holding torque, current, inductance and supply, or paste its torque curve.']
          : []),
        ...(load.massKg && load.offsetMm && load.elevationDeg === undefined && k.travel === null
          ? ['Its axis is taken as upright, so nothing hangs: say at which angle it stands if it lies.']
          : []),
        ...(range === null ? ['Write the speed of the load, a speed range or a rate.'] : []),
        ...(byMesh && motor !== null ? [`The motor has ${marginText(motor)}.`] : []),
        ...(rough
          ? [
              `It runs in the resonance band, ${measured(force.resonance!.fromRpm)} to ${measured(force.resonance!.toRpm)} rpm, where torque may fall by half: a finer mode pushes less, so do a damper, more inertia or another ratio.`,
            ]
          : []),
        ...(mesh === null && force.meshes.length > 0
          ? ['Say what the teeth are made of, and they are judged too; until then the motor alone decides.']
          : []),
      ].join(' '),
    },
  };
}
