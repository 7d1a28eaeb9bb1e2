import {
  error,
  exactly,
  mul,
  ok,
  rational,
  readDivisions,
  readReduction,
  toNumber,
  toText,
  type Result,
} from '../../numbers/index.ts';
import { platesText, type Drive, type Edit, type Stage } from '../../drive/index.ts';
import { angleText, lengthText, measured, trimmed } from '../../words/index.ts';
import type { Aim } from '../question.ts';

/** Where lengths are measured when nobody says, mm. */
const RADIUS = '60';
const TOLERANCE = '0.05';

const counts = (drive: Drive): readonly number[] => {
  const read = readDivisions(drive.job.divisions);
  return read.ok ? read.value : [];
};

/** "90 : 1, plates 15, 16; 21, 23": its worm, and its plates where it has some. */
const HEAD = /^(.+?)(?:[\s,;]*(?:with\s+)?plates?\s*:?\s*(.+))?$/i;

function headSet(drive: Drive, text: string): Result<readonly Edit[]> {
  const stages = drive.train.stages.filter((s) => !s.kept);
  const train = (kept: readonly Stage[]): Edit => ({
    do: 'train',
    train: { ...drive.train, stages: [...stages, ...kept] },
    label: kept.length > 0 ? `a head of ${text.trim()}` : 'no head at hand',
  });
  const noPlates: readonly Edit[] = drive.plates ? [{ do: 'plates', key: 'plates', text: '' }] : [];
  if (text.trim() === '') return ok([train([]), ...noPlates]);
  const [, worm = '', plates] = HEAD.exec(text.trim())!;
  const read = readReduction(worm);
  if (!read.ok) return read;
  const { n, d } = read.value.value;
  if (n < 4n || n > 10_000n || d !== 1n) return error('notWhole', worm, { example: '90 : 1', unit: 'teeth' });
  const edits: Edit[] = [train([{ kind: 'worm', starts: 1, wheel: Number(n), kept: true }])];
  if (plates === undefined) return ok([...edits, ...noPlates]);
  return ok([
    ...edits,
    { do: 'plates', key: 'wormRatio', text: String(n) },
    { do: 'plates', key: 'plates', text: plates },
  ]);
}

function headGet({ train, plates }: Drive): string {
  const kept = train.stages.find((s) => s.kept);
  if (!kept || !('wheel' in kept)) return '';
  const circles = plates && plates.plates.length > 0 ? `, plates ${platesText(plates.plates)}` : '';
  return `${String(kept.wheel)} : 1${circles}`;
}

/** "module 1" by the largest count asked, or a radius. */
function sizeSet(drive: Drive, text: string): Result<readonly Edit[]> {
  const [, module] = /^m(?:od(?:ule)?)?\s*([\d./]+)(?:\s*mm)?$/i.exec(text.trim()) ?? [];
  if (module === undefined) return ok([{ do: 'radius', text }]);
  const most = Math.max(0, ...counts(drive));
  if (most === 0) return error('empty', '', { path: 'counts', example: '73' });
  const blank: readonly Edit[] = [
    ...(drive.job.blank ? [] : [{ do: 'addDuty', duty: 'blank' } as const]),
    { do: 'duty', duty: 'blank', at: 0, key: 'moduleMm', text: module },
  ];
  return ok([...blank, { do: 'radius', text: toText(mul(exactly(module), rational(BigInt(most), 2n))) }]);
}

/** Gears, dials, stops. */
export const divide: Aim = {
  title: 'Divide a turn',
  hint: 'teeth, marks, holes, stops',
  begins: [],
  questions: [
    {
      id: 'counts',
      needed: true,
      title: 'Into how many',
      hint: 'all that it must do',
      example: '24, 48, 360',
      taken: '',
      get: ({ job }) => job.divisions,
      set: (_, text) => ok([{ do: 'divisions', text }]),
      means: (drive) => {
        const most = Math.max(0, ...counts(drive));
        if (most === 0) return [];
        return [
          `the closest are ${most > 360 ? angleText(1_296_000 / most) : `${measured(360 / most)}°`} apart`,
        ];
      },
    },
    {
      id: 'size',
      title: 'How large',
      hint: 'a radius, or the wheel’s module',
      example: '60 mm, or module 1',
      taken: RADIUS,
      get: ({ job }) =>
        job.radiusMm === undefined ? '' : `${trimmed(toNumber(exactly(job.radiusMm)), 4)} mm`,
      set: sizeSet,
      means: ({ job }) =>
        job.radiusMm === undefined
          ? []
          : [`1′ is ${lengthText((toNumber(exactly(job.radiusMm)) * Math.PI) / 10_800).join(' ')} there`],
    },
    {
      id: 'true',
      title: 'How true',
      hint: 'where it is cut or read',
      example: '0.05 mm, or 30″',
      taken: `${TOLERANCE} mm`,
      options: [
        { value: '0.005 mm', title: 'a watch' },
        { value: '0.02 mm', title: 'a change wheel' },
        { value: '0.1 mm', title: 'a dial to read' },
      ],
      typed: true,
      get: ({ job }) =>
        job.toleranceMm !== undefined
          ? `${trimmed(toNumber(exactly(job.toleranceMm)), 6)} mm`
          : job.toleranceArcsec !== undefined
            ? angleText(toNumber(exactly(job.toleranceArcsec)))
            : '',
      set: ({ job }, text) =>
        /[″"′'°]|deg/.test(text)
          ? ok([{ do: 'tolerance', as: 'angle', text }])
          : ok([{ do: 'tolerance', as: 'length', text, radius: job.radiusMm ?? RADIUS }]),
      means: ({ job }) =>
        job.toleranceMm !== undefined && job.radiusMm !== undefined
          ? [
              `±${angleText(((toNumber(exactly(job.toleranceMm)) / toNumber(exactly(job.radiusMm))) * 648_000) / Math.PI)} of a turn`,
            ]
          : [],
    },
    {
      id: 'head',
      title: 'A head at hand',
      hint: 'its worm, and its plates',
      example: '90 : 1, or 40 : 1, plates 15, 16, 17; 21, 23',
      taken: '',
      get: headGet,
      set: headSet,
      means: (drive) => [
        headGet(drive) === '' ? 'leave it empty when there is none' : 'it stays at the work',
      ],
    },
  ],
};
