import { toNumber } from '../../numbers/index.ts';
import type { Drive } from '../../drive/index.ts';
import { ARCSEC_PER_RADIAN } from '../../errors/index.ts';
import {
  asAmplitude,
  lostMotionOf,
  settlingSeconds,
  speedPpm,
  wilson,
  type Bump,
} from '../../measure/index.ts';
import { contextOf } from '../context.ts';
import { among, field, short, type BenchForm } from '../force/bench-form.ts';
import { angleText, measured } from '../../words/index.ts';

/** Forth and back on a dial: the play of the last stage. (handbook: errors, lost-motion test) */
function dial({ train: { stages } }: Drive): BenchForm {
  const at = stages.length - 1;
  const stage = stages[at];
  return {
    id: 'dial',
    title: 'Lost motion by a dial',
    message: 'Come to one place forth, back, forth, back; read the dial each time.',
    fields: [
      field('f1', 'Forth', 'mm'),
      field('b1', 'Back', 'mm'),
      field('f2', 'Forth again', 'mm'),
      field('b2', 'Back again', 'mm'),
      field('radius', 'At radius', 'mm'),
    ],
    take: stage ? 'Take it for the last stage' : '',
    answer: (v) => {
      const lost = lostMotionOf([v['f1']!, v['b1']!, v['f2']!, v['b2']!]);
      if (!lost) return null;
      const arcsec = (lost.play / v['radius']!) * ARCSEC_PER_RADIAN;
      return {
        text: `${angleText(arcsec)} of backlash, ±${angleText(((lost.spread / v['radius']!) * ARCSEC_PER_RADIAN) / 2)} by its spread`,
        edits: [
          { do: 'stage', at, key: 'playArcmin', text: short(arcsec / 60) },
          { do: 'stage', at, key: 'measured', text: among(stage?.measured, 'playArcmin') },
        ],
      };
    },
  };
}

/** Turns in a time against the first rate. (handbook: errors, run-time and speed test) */
function speed(drive: Drive): BenchForm | null {
  const rate = contextOf(drive).duties.rates[0];
  if (!rate) return null;
  const wanted = Math.abs(toNumber(rate.period));
  return {
    id: 'speed',
    title: `Speed against ${rate.name}`,
    message: 'Count turns of the work, or parts of one by its marks, and take the time.',
    fields: [field('turns', 'Turns', ''), field('seconds', 'In', 's')],
    take: '',
    answer: (v) => {
      const ppm = speedPpm(v['turns']!, v['seconds']!, wanted);
      return { text: `${measured(Math.abs(ppm))} ppm ${ppm < 0 ? 'slow' : 'fast'}`, edits: [] };
    },
  };
}

/** A bump that was felt, as the fields of its form hold it. */
export const bumpGiven = ({ hz, swingsToHalve }: Bump): Readonly<Record<string, string>> => ({
  'settling.hz': short(hz),
  'settling.swings': short(swingsToHalve),
});

/** A bump and how it dies away: the settling time of the first sweep. (handbook: run, settling measured) */
const settling = ({ job: { sweeps = [] } }: Drive): BenchForm => ({
  id: 'settling',
  title: 'Settling after a bump',
  message: 'Knock on it and count the swings until they are half as wide.',
  fields: [
    field('swings', 'Swings to halve', ''),
    field('hz', 'Swings a second', 'Hz'),
    field('from', 'From', '″'),
    field('to', 'Until', '″'),
  ],
  take: sweeps.length > 0 ? 'Take it as the sweep’s settling time' : '',
  answer: (v) => {
    const s = settlingSeconds(v['swings']!, v['hz']!, v['from']!, v['to']!);
    return {
      text: `${short(s)} s`,
      edits: [{ do: 'duty', duty: 'sweeps', at: 0, key: 'settleSeconds', text: short(s) }],
    };
  },
});

const kept: BenchForm = {
  id: 'kept',
  title: 'Exposures kept',
  message: 'Of so many taken: the share, and where it truly lies 95 times in 100.',
  fields: [field('kept', 'Kept', ''), field('taken', 'Taken', '')],
  take: '',
  answer: (v) => {
    if (v['kept']! > v['taken']!) return null;
    const w = wilson(v['kept']!, v['taken']!);
    return { text: `${Math.round(100 * w.low)} to ${Math.round(100 * w.high)} %`, edits: [] };
  },
};

const elsewhere: BenchForm = {
  id: 'elsewhere',
  title: 'A periodic error from elsewhere',
  message: 'Somebody else’s figure: ask whether it is ±, from peak to peak, or a root mean square.',
  fields: [field('value', 'Figure', '″')],
  take: '',
  answer: (v) => ({
    text: `if ±: ±${angleText(asAmplitude(v['value']!, 'plusMinus'))}; if peak to peak: ±${angleText(asAmplitude(v['value']!, 'peakToPeak'))}; if rms: ±${angleText(asAmplitude(v['value']!, 'rms'))}`,
    edits: [],
  }),
};

/** Small tests whose result is written down, and where it can be taken into the drive. */
export const measureForms = (drive: Drive): readonly BenchForm[] => [
  dial(drive),
  ...[speed(drive)].filter((f) => f !== null),
  settling(drive),
  kept,
  elsewhere,
];
