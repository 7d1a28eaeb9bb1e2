import { exactly, readNumber, readPeriod, sub, toNumber, type Result, ok } from '../../numbers/index.ts';
import { trainsOf, type Drive, type Sweep } from '../../drive/index.ts';
import { measured, timeText, trimmed } from '../../words/index.ts';
import { toDuty, type Aim, type Answering } from '../question.ts';

const FRAMES = 240;
/** Pictures a second of film. */
const FILM = 25;
const [SLIDE, PAN] = ['Slide', 'Pan'];
/** How far it turns until somebody says, °. */
const PANNED = '90';
const [ALONG, ROUND, BOTH] = ['along', 'round', 'both'] as const;

const sweepOf = ({ job }: Drive): Sweep | undefined => job.sweeps?.[0];
const lengthOf = (sweep: Sweep): number => Math.abs(toNumber(sub(exactly(sweep.to), exactly(sweep.from))));
const hasPan = (drive: Drive): boolean => trainsOf(drive).some((t) => t.name === PAN);
const every = (seconds: number, frames: number): string =>
  String(Number((seconds / Math.max(1, frames - 1)).toPrecision(6)));

/** The pan's sweep, of the train that is named for it. */
const panOf = (drive: Drive): Sweep | undefined =>
  trainsOf(drive).find((t) => t.name === PAN)?.job.sweeps?.[0];
/** Both axes take their pictures together. */
const toBoth = (drive: Drive, key: string, text: string): readonly Answering[] => {
  const edit = toDuty('sweeps', key, text);
  return [edit, ...(panOf(drive) ? [{ output: 1, edit }] : [])];
};

function waySet(drive: Drive, text: string): Result<readonly Answering[]> {
  const round = text === ROUND;
  const sweep = sweepOf(drive);
  const together: Pick<Sweep, 'frames' | 'intervalSeconds'> = {
    frames: sweep?.frames ?? FRAMES,
    ...(sweep?.intervalSeconds !== undefined && { intervalSeconds: sweep.intervalSeconds }),
  };
  const added: readonly Answering[] = [
    { do: 'addTrain', name: PAN, from: null },
    { do: 'renameTrain', name: trainsOf(drive)[0]!.name, to: SLIDE },
    {
      output: 1,
      edit: { do: 'addDuty', duty: 'sweeps', with: { from: '0', to: PANNED, unit: 'deg', ...together } },
    },
  ];
  const pan: readonly Answering[] =
    (text === BOTH) === hasPan(drive) ? [] : text === BOTH ? added : [{ do: 'removeTrain', name: PAN }];
  const unit = round ? 'deg' : 'mm';
  const same = sweep?.unit === unit;
  return ok([
    ...pan,
    { do: 'outputKind', kind: round ? 'rotary' : 'beltDrive' },
    ...(same ? [] : [toDuty('sweeps', 'unit', unit), toDuty('sweeps', 'to', round ? '90' : '1000')]),
  ]);
}

/** As long as it takes: so much from one picture to the next. */
function longSet(drive: Drive, text: string): Result<readonly Answering[]> {
  const read = readPeriod(text);
  if (!read.ok) return read;
  const frames = sweepOf(drive)?.frames ?? FRAMES;
  return ok(toBoth(drive, 'intervalSeconds', every(toNumber(read.value), frames)));
}

/** "240", or "film": as many as the time has room for. */
function framesSet(drive: Drive, text: string): Result<readonly Answering[]> {
  const sweep = sweepOf(drive);
  const long = (sweep?.intervalSeconds ?? 0) * ((sweep?.frames ?? FRAMES) - 1);
  const film = /^film$/i.test(text.trim());
  const count = film ? Math.round(long * FILM) + 1 : null;
  const read = count === null ? readNumber(text) : null;
  if (read && !read.ok) return read;
  const frames = count ?? toNumber(read!.ok ? read!.value : exactly('0'));
  return ok([
    ...toBoth(drive, 'frames', count === null ? text : String(count)),
    ...(long > 0 && frames > 1 ? toBoth(drive, 'intervalSeconds', every(long, frames)) : []),
  ]);
}

/** A slide, a pan, both on one clock. */
export const camera: Aim = {
  title: 'Move a camera',
  hint: 'along a slide, or round',
  begins: [
    { do: 'outputKind', kind: 'beltDrive' },
    {
      do: 'addDuty',
      duty: 'sweeps',
      with: { to: '1000', unit: 'mm', frames: FRAMES, intervalSeconds: 15.0628 },
    },
  ],
  questions: [
    {
      id: 'way',
      title: 'Which way',
      hint: 'what moves it',
      example: '',
      taken: ALONG,
      options: [
        { value: ALONG, title: 'along a slide' },
        { value: ROUND, title: 'round' },
        { value: BOTH, title: 'both at once' },
      ],
      get: (drive) => (hasPan(drive) ? BOTH : sweepOf(drive)?.unit === 'deg' ? ROUND : ALONG),
      set: waySet,
      means: (drive) => (hasPan(drive) ? ['two axes on one clock, each with a motor of its own'] : []),
    },
    {
      id: 'far',
      title: 'How far',
      hint: 'from end to end',
      example: '1 m, or 90°',
      taken: '1000',
      get: (drive) => {
        const sweep = sweepOf(drive);
        return sweep ? `${trimmed(toNumber(exactly(sweep.to)), 4)}${sweep.unit === 'mm' ? ' mm' : '°'}` : '';
      },
      set: (drive, text) =>
        ok([toDuty('sweeps', 'to', text.trim() || (sweepOf(drive)?.unit === 'deg' ? '90' : '1000'))]),
      means: (drive) => {
        const sweep = sweepOf(drive);
        if (!sweep) return [];
        const step = lengthOf(sweep) / Math.max(1, sweep.frames - 1);
        return [`${measured(step)}${sweep.unit === 'mm' ? ' mm' : '°'} between two pictures`];
      },
    },
    {
      id: 'pan',
      title: 'How far round',
      hint: 'the pan, meanwhile',
      example: '90°',
      taken: PANNED,
      when: hasPan,
      get: (drive) => {
        const sweep = panOf(drive);
        return sweep ? `${trimmed(toNumber(exactly(sweep.to)), 4)}°` : '';
      },
      set: (_, text) => ok([{ output: 1, edit: toDuty('sweeps', 'to', text.trim() || PANNED) }]),
      means: (drive) => {
        const sweep = panOf(drive);
        if (!sweep) return [];
        return [`${measured(lengthOf(sweep) / Math.max(1, sweep.frames - 1))}° between two pictures`];
      },
    },
    {
      id: 'long',
      title: 'How long',
      hint: 'it takes for that',
      example: '2 h',
      taken: '1 h',
      get: (drive) => {
        const sweep = sweepOf(drive);
        if (sweep?.intervalSeconds === undefined) return '';
        return timeText(sweep.intervalSeconds * (sweep.frames - 1)).join(' ');
      },
      set: longSet,
      means: (drive) => {
        const seconds = sweepOf(drive)?.intervalSeconds;
        return seconds === undefined ? [] : [`a picture every ${timeText(seconds).join(' ')}`];
      },
    },
    {
      id: 'frames',
      title: 'Pictures',
      hint: 'how many, or film',
      example: '240',
      taken: String(FRAMES),
      options: [{ value: 'film', title: `film, ${FILM} a second` }],
      typed: true,
      get: (drive) => String(sweepOf(drive)?.frames ?? ''),
      set: framesSet,
      means: (drive) => [`${measured((sweepOf(drive)?.frames ?? 0) / FILM)} s of film when it is shown`],
    },
  ],
};
