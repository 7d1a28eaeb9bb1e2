import {
  decimal,
  div,
  exactly,
  mul,
  rational,
  error,
  ok,
  toText,
  type Rational,
  type Result,
} from '../numbers/index.ts';
import { kinematicsOf, type Drive, type Kinematics } from '../drive/index.ts';
import { doubtOf, stopsOf } from '../motion/index.ts';
import { sequenceOf } from '../run/index.ts';
import { placeTextOf, planShot, shotSeconds, speedOf, type Shot, type ShotAxis } from '../travel/index.ts';
import { doubtText, plainSigns } from '../words/index.ts';
import { type DriveAxis, noRun, planRun, runsOf, shotAxes, stopWords } from '../plans/index.ts';
import { plateNumber } from './circle-sheet.ts';
import { drillingGcode, drillingOffers } from './drilling.ts';
import { MOST_OFFERED, type ExportFormat, type ExportOptions } from './export.ts';

const CAUTION =
  "; Read it through and run it in the air first; the machine's own rules come before this file.";

/** Text that may stand in a remark. */
const remark = (text: string): string =>
  plainSigns(text.replace(/[\p{Cc};()%]+/gu, ' '))
    .replace(/[\u2018\u2019]/g, "'")
    .trim();

const head = (drive: Drive, message: readonly string[]): readonly string[] => [
  `; ${remark(drive.name)}`,
  CAUTION,
  ...message.map((line) => `; ${remark(line)}`),
  'G21',
  'G90',
];

/** D places of a turn, one after the other, with a stop at each: the way they are cut, rewinds and resting places and all. Degrees. */
function divisionsGcode(drive: Drive, divisions: number, letter = 'A'): Result<string> {
  const refusal = noRun(drive, divisions);
  const plan = refusal ? null : planRun(drive, divisions);
  if (refusal) return { ok: false, refusal };
  if (!plan) return error('nothingToExport', 'steps to go by');
  if (plan.plate) return error('nothingToExport', 'motor: it is divided by hand, with plates');
  const k = kinematicsOf(drive);
  const sequence = sequenceOf(plan);
  const degrees = (turns: Rational): string => decimal(mul(turns, rational(360)), 6);
  const lines = Array.from({ length: sequence.length }, (_, i) => {
    const step = sequence.at(i);
    const at = sequence.stops.by === 'rest' || step.is === 'rewind' ? step.at : step.wanted;
    const off = mul(step.error, rational(360));
    const words =
      step.is === 'gap'
        ? `place ${step.gap - 1} of ${divisions}${sequence.stops.by === 'rest' && off.n !== 0n ? `, rests ${decimal(off, 6)} degrees off` : ''}`
        : step.is === 'return'
          ? 'back at the start'
          : step.gap > divisions
            ? 'rewind to the start'
            : 'rewind';
    const move = `G0 ${letter}${degrees(at)} ; ${words}`;
    return step.is === 'rewind' ? [move] : [move, 'M0'];
  });
  const doubt = doubtText(doubtOf(k), 'arcsec');
  return ok(
    [
      ...head(drive, [`${letter} in degrees${perUnit(drive, k, 'degree')}${doubt}`]),
      ...lines.flat(),
      'M2',
      '',
    ].join('\n'),
  );
}

/** ", 3040 microsteps a degree": what the machine must be set to. Counts of an encoder, marks of a dial are called so. */
function perUnit(drive: Drive, k: Kinematics, unit: 'degree' | 'mm'): string {
  const stops = k.hinge || k.lock ? null : stopsOf(drive, k);
  if (!stops) return '';
  const [N, steps] = [stops.perTurn, stopWords[stops.by].unit];
  if (unit === 'degree') return `, ${toText(div(N, rational(360)))} ${steps} a degree`;
  if (!k.travel) return '';
  return k.travel.piPower === 0
    ? `, ${toText(div(N, k.travel.q))} ${steps} a mm`
    : `, ${toText(div(N, k.travel.q))}${k.travel.piPower === 1 ? ' / pi' : ' pi'} ${steps} a mm`;
}

const LENGTHS = ['X', 'Y', 'Z', 'U', 'V', 'W'] as const;
const ANGLES = ['A', 'B', 'C'] as const;
const EVERY = [...LENGTHS, ...ANGLES] as readonly string[];

/** A letter for each axis: as asked by name, else the next that is free, X to W for lengths and A to C for angles. */
function lettersOf(axes: readonly ShotAxis[], asked: string | undefined): Result<readonly string[]> {
  const named = new Map<number, string>();
  const key = (name: string): string => name.trim().toLowerCase();
  const names = axes.map((a) => a.name).join(', ');
  for (const piece of (asked ?? '').split(',').filter((p) => p.trim() !== '')) {
    const [name, letter, more] = piece.split('=').map((p) => p.trim());
    const at = axes.findIndex((a, i) => key(a.name) === key(name ?? '') && !named.has(i));
    const upper = letter?.toUpperCase() ?? '';
    if (at < 0 || more !== undefined || !EVERY.includes(upper))
      return error('axisLetter', piece.trim(), { limit: names });
    if ([...named.values()].includes(upper)) return error('axisTwice', upper);
    named.set(at, upper);
  }
  const free = (from: readonly string[], used: readonly string[]): string | undefined =>
    from.find((l) => !used.includes(l) && ![...named.values()].includes(l));
  const out: string[] = [];
  for (const [i, { sweep }] of axes.entries()) {
    const letter = named.get(i) ?? free(sweep.unit === 'mm' ? LENGTHS : ANGLES, out);
    if (letter === undefined) return error('axisLetter', axes[i]!.name, { limit: names });
    out.push(letter);
  }
  return ok(out);
}

/** The job's sweeps as one shot: frame by frame all axes move, settle, a mark where the shutter opens, expose, write, the rest. */
function shotGcode(drive: Drive, options: ExportOptions = {}): Result<string> {
  const found = shotAxes(drive);
  if (!found.ok) return found;
  const axes = found.value;
  if (axes.length === 0) return error('nothingToExport', 'sweeps; give --divisions');
  const letters = lettersOf(axes, options.axes);
  if (!letters.ok) return letters;
  const shot = planShot(axes, drive.timer);
  if (!shot.ok) return shot;
  const unit = options.dwell ?? 's';
  const total = shotSeconds(shot.value);
  const message = [
    ...axes.map((a, i) => axisMessage(drive, a, letters.value[i]!)),
    total === null
      ? `${shot.value.frames.length} frames, one after the other`
      : `${shot.value.frames.length} frames, ${shot.value.interval} s from mark to mark, ${total} s from the first mark to the last`,
    `P of G4 in ${unit === 's' ? 'seconds' : 'milliseconds'}, moves at G0 are reckoned at the speeds above`,
  ];
  return ok(
    [...head(drive, message), ...framesOf(shot.value, letters.value, unit, options.shutter), 'M2', ''].join(
      '\n',
    ),
  );
}

function axisMessage(drive: Drive, { name, sweep, steps, k }: DriveAxis, letter: string): string {
  const { top, accel } = speedOf(sweep, drive.timer);
  const what = sweep.unit === 'mm' ? 'mm' : 'degrees';
  const own = sweep.stepsPerUnit === undefined;
  const per = own
    ? perUnit(drive, k, sweep.unit === 'mm' ? 'mm' : 'degree')
    : `, ${sweep.unit === 'turns' ? toText(div(exactly(sweep.stepsPerUnit), rational(360))) : sweep.stepsPerUnit} microsteps a ${sweep.unit === 'mm' ? 'mm' : 'degree'}`;
  const doubt = own ? doubtText(doubtOf(k), 'ppm') : '';
  return `${letter}: ${name}, ${what}${per}, up to ${top} microsteps/s at ${accel}/s2, ${decimal(steps, 3)} microsteps in all${doubt}`;
}

/** Dwells are rounded to a millisecond, and what a rounding leaves goes into the next, so that the marks never drift. */
function framesOf(shot: Shot, letters: readonly string[], unit: 's' | 'ms', shutter?: string): string[] {
  const ms = (seconds: number): number => Math.round(seconds * 1000);
  const dwell = (thousandths: number, words: string): string[] =>
    thousandths <= 0
      ? []
      : [`G4 P${unit === 'ms' ? String(thousandths) : (thousandths / 1000).toFixed(3)} ; ${words}`];
  const [settle, exposure, write] = [ms(shot.settle), ms(shot.exposure), ms(shot.write)];
  const texts = shot.axes.map((a) => placeTextOf(a, 6));
  const out: string[] = [];
  // seconds from the first mark to the present one
  let mark = 0;
  shot.frames.forEach((frame, i) => {
    const places = texts.map((text, j) => `${letters[j]}${text(frame.targets[j]!)}`);
    out.push(`G0 ${places.join(' ')} ; frame ${i + 1}`, ...dwell(settle, 'settle'));
    out.push(`; shutter, frame ${i + 1}`, ...(shutter ? [shutter] : []));
    out.push(...dwell(exposure, 'expose'), ...dwell(write, 'write'));
    const next = shot.frames[i + 1];
    if (!next || shot.interval === null) return;
    const busy = (exposure + write + settle) / 1000 + next.move;
    const rest = Math.max(0, ms((i + 1) * shot.interval - mark - busy));
    out.push(...dwell(rest, 'rest'));
    mark += busy + rest / 1000;
  });
  return out;
}

/** Moves for a machine: the frames of the job's sweeps, or the places of one count. */
export const gcode: ExportFormat = {
  title: 'G-code',
  extension: 'gcode',
  type: 'text/plain',
  takes: ['divisions', 'axes', 'dwell', 'shutter', 'of', 'circle', 'radius'],
  offers: (drive) => {
    const axes = shotAxes(drive);
    return [
      ...(axes.ok && axes.value.length > 0
        ? [{ file: 'moves', title: 'Moves of the shot', options: {} }]
        : []),
      ...runsOf(drive, MOST_OFFERED)
        .filter((plan) => !plan.plate)
        .map(({ divisions }) => ({
          file: `moves/${divisions}`,
          title: `Moves of ${divisions} divisions`,
          options: { divisions },
        })),
      ...drillingOffers(drive),
    ];
  },
  write: (drive, options) =>
    plateNumber(options.of) !== null
      ? drillingGcode(drive, options)
      : options.of !== undefined
        ? error('notAChoice', options.of, { path: '--of', limit: 'plate-0' })
        : options.divisions === undefined
          ? shotGcode(drive, options)
          : divisionsGcode(drive, options.divisions),
};
