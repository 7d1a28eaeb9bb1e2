import { error, exactly, ok, readNumber, toNumber, toText, type Result } from '../../numbers/index.ts';
import type { Drive, Edit } from '../../drive/index.ts';
import { measured, trimmed } from '../../words/index.ts';
import { asField, inDuty, numberIn, toDuty, type Aim } from '../question.ts';

/** What is taken of a thing on a table that nobody measured: a disc so wide, on a ball ring of this radius and friction number. */
const THING = { radiusM: 0.1, ringM: 0.05, friction: 0.02 } as const;
const G = 9.81;

/** Friction of the ring and inertia of a thing of so many kg, so far off its axis; estimates. (handbook: force) */
function heavySet(drive: Drive, massText: string, offsetText: string): Result<readonly Edit[]> {
  const [mass, offset] = [readNumber(massText.replace(/\s*kg$/i, '')), readNumber(offsetText || '0')];
  if (!mass.ok) return mass;
  if (!offset.ok) return offset;
  const kg = toNumber(mass.value);
  const off = toNumber(offset.value) / 1000;
  const few = (n: number): string => String(Number(n.toPrecision(3)));
  const { load } = drive.job;
  const mine = load === undefined || load.frictionNm === undefined || isTaken(drive);
  return ok([
    toDuty('load', 'massKg', massText),
    ...(mine
      ? [
          toDuty('load', 'frictionNm', few(THING.friction * kg * G * THING.ringM)),
          toDuty('load', 'inertiaKgM2', few(kg * (THING.radiusM ** 2 / 2 + off ** 2))),
        ]
      : []),
  ]);
}

/** Are friction and inertia still those that were taken? */
function isTaken({ job: { load } }: Drive): boolean {
  const kg = load?.massKg ?? 0;
  return load?.frictionNm === Number((THING.friction * kg * G * THING.ringM).toPrecision(3));
}

/** Slowest and fastest, turns a minute. */
const speedsOf = ({ job: { spins: [spin] = [] } }: Drive): readonly number[] =>
  spin ? [spin.minRpm, spin.maxRpm].map((rpm) => toNumber(exactly(rpm))) : [];

/** "0.5 to 5", "2": turns a minute. */
function speedsSet(text: string): Result<readonly Edit[]> {
  const sides = text.replace(/\s*rpm\s*$/i, '').split(/\s*(?:–|-|to|…|\.\.)\s*/);
  const read = sides.map((s) => readNumber(s));
  const bad = read.find((r) => !r.ok);
  if (bad) return bad;
  if (sides.length > 2) return error('notRange', text.trim(), { example: '0.5 to 5' });
  const values = read.map((r) => (r.ok ? r.value : null)!);
  const [low, high = low] = values;
  if (toNumber(low!) > toNumber(high!)) return error('backwards', text.trim(), { example: '0.5 to 5' });
  return ok([
    toDuty('spins', 'minRpm', toText(low!)),
    toDuty('spins', 'maxRpm', toText(high!)),
    toDuty('load', 'speedRpm', toText(high!)),
  ]);
}

/** A turntable. */
export const table: Aim = {
  title: 'Turn a table',
  hint: 'slowly, steadily, at a speed',
  begins: [
    {
      do: 'addDuty',
      duty: 'load',
      with: { speedRpm: '5', massKg: 2, frictionNm: 0.0196, inertiaKgM2: 0.01 },
    },
    { do: 'addDuty', duty: 'spins', with: { minRpm: '0.5', maxRpm: '5' } },
  ],
  questions: [
    {
      id: 'heavy',
      title: 'Heaviest thing',
      hint: 'with the table itself',
      unit: 'kg',
      example: '2',
      taken: '2',
      get: (drive) => inDuty(drive, 'load', 'massKg'),
      set: (drive, text) => heavySet(drive, text, inDuty(drive, 'load', 'offsetMm')),
      means: (drive) =>
        isTaken(drive)
          ? [
              `${measured(numberIn(drive, 'load', 'frictionNm'))} N·m on a ball ring of 100 mm, an estimate: say better in the Job`,
            ]
          : [`${measured(numberIn(drive, 'load', 'frictionNm'))} N·m of friction, as the Job says`],
    },
    {
      id: 'off',
      title: 'Off centre by',
      hint: 'at the worst',
      unit: 'mm',
      example: '10',
      taken: '0',
      get: (drive) => inDuty(drive, 'load', 'offsetMm'),
      set: (drive, text) => {
        const more = heavySet(drive, inDuty(drive, 'load', 'massKg') || '2', text.replace(/\s*mm$/i, ''));
        return more.ok ? ok([toDuty('load', 'offsetMm', text), ...more.value]) : more;
      },
      means: () => ['on a level table it starts harder; on a tilted one it pulls'],
    },
    {
      id: 'speeds',
      title: 'How fast',
      hint: 'slowest and fastest',
      unit: 'rpm',
      example: '0.5 to 5',
      taken: '0.5 to 5',
      get: (drive) => {
        const [low, high] = speedsOf(drive).map((rpm) => trimmed(rpm, 6));
        return low === undefined || low === high ? (low ?? '') : `${low} to ${high}`;
      },
      set: (_, text) => speedsSet(text),
      means: (drive) => {
        const [low, high] = speedsOf(drive);
        return low && high
          ? [`a turn takes ${measured(60 / high)} s, at the slowest ${measured(60 / low)} s`]
          : [];
      },
    },
    {
      id: 'battery',
      title: 'Battery',
      hint: 'when it runs from one',
      unit: 'Wh',
      example: 'none',
      taken: '',
      ...asField('load', 'batteryWh'),
      means: () => ['Force tells how long it lasts'],
    },
  ],
};
