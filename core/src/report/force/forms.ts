import type { Drive, Edit } from '../../drive/index.ts';
import { imbalanceNm } from '../../errors/index.ts';
import {
  cantilever,
  cordLayer,
  cutForce,
  frictionWindow,
  pullTest,
  pushTest,
  railSag,
  returnsBetween,
  roughTest,
} from '../../force/index.ts';
import type { Report } from '../report.ts';
import { angleText, lengthText, measured } from '../text.ts';
import { marginText, torqueText } from './words.ts';

type Values = Readonly<Record<string, number>>;

/** A form of a minute: something is read off the bench, and what follows stands below. */
export interface BenchForm {
  readonly id: string;
  readonly title: string;
  /** what to do */
  readonly message: string;
  readonly fields: readonly {
    readonly key: string;
    readonly label: string;
    readonly unit: string;
    readonly usual?: string;
  }[];
  /** what its key says, when something can be taken over */
  readonly take: string;
  /** null while something is missing, or does not fit */
  answer(values: Values): { readonly text: string; readonly edits: readonly Edit[] } | null;
}

const short = (n: number): string => String(Number(n.toPrecision(3)));
const load = (key: string, text: string): Edit => ({ do: 'duty', duty: 'load', at: 0, key, text });
/** The keys that count as measured, with more of them. */
const among = (list: string | undefined, ...keys: string[]): string =>
  [...new Set([...(list ?? '').split(/[\s,]+/).filter(Boolean), ...keys])].join(', ');
const field = (key: string, label: string, unit: string, usual?: string) => ({
  key,
  label,
  unit,
  ...(usual !== undefined && { usual }),
});

const pull = ({ job }: Drive): BenchForm => ({
  id: 'pull',
  title: 'Pull test',
  message: 'Motor off its wheel. Pull the loaded work with a spring balance, one way and the other.',
  fields: [
    field('forth', 'One way', 'N'),
    field('back', 'Other way', 'N'),
    field('radius', 'At radius', 'mm'),
  ],
  take: 'Take the friction',
  answer: (v) => {
    const p = pullTest(v['forth']!, v['back']!, v['radius']! / 1000);
    return {
      text: `friction ${short(p.frictionNm)} N·m, out of balance ${short(p.imbalanceNm)} N·m`,
      edits: [
        load('frictionNm', short(p.frictionNm)),
        load('measured', among(job.load?.measured, 'frictionNm')),
      ],
    };
  },
});

/** It names the play and stiffness of the last stage. */
function push({ train: { stages } }: Drive): BenchForm {
  const at = stages.length - 1;
  const stage = stages[at];
  return {
    id: 'push',
    title: 'Push test',
    message: 'Motor held. Push the work both ways at two torques; read the whole spread each time.',
    fields: [
      field('t1', 'First torque', 'N·m'),
      field('s1', 'First spread', '″'),
      field('t2', 'Second torque', 'N·m'),
      field('s2', 'Second spread', '″'),
    ],
    take: stage ? 'Take both for the last stage' : '',
    answer: (v) => {
      const p = pushTest(v['t1']!, v['s1']!, v['t2']!, v['s2']!);
      const play = p && Math.max(0, p.playArcsec);
      return (
        p && {
          text: `stiffness ${short(p.stiffnessNmPerRad)} N·m/rad, backlash ${angleText(play!)}`,
          edits: [
            { do: 'stage', at, key: 'stiffnessNmPerRad', text: short(p.stiffnessNmPerRad) },
            { do: 'stage', at, key: 'playArcmin', text: short(play! / 60) },
            {
              do: 'stage',
              at,
              key: 'measured',
              text: among(stage?.measured, 'stiffnessNmPerRad', 'playArcmin'),
            },
          ],
        }
      );
    },
  };
}

function rough({ train: { source } }: Drive): BenchForm | null {
  if (source.kind !== 'stepper') return null;
  return {
    id: 'rough',
    title: 'Rough speed',
    message: 'Speed up slowly from standstill; write the full steps a second at which it is roughest.',
    fields: [field('rate', 'Rough at', 'steps/s')],
    take: 'Take the band',
    answer: (v) => ({
      text: source.holdingNm
        ? `what turns has ${roughTest(source.fullSteps / 4, source.holdingNm, v['rate']!).toExponential(2)} kg·m²`
        : 'with the holding torque it would tell what turns, too',
      edits: [
        { do: 'source', key: 'resonanceStepRate', text: short(v['rate']!) },
        { do: 'source', key: 'measured', text: among(source.measured, 'resonanceStepRate') },
      ],
    }),
  };
}

function stall({ train: { source } }: Drive): BenchForm | null {
  if (source.kind !== 'encoderMotor') return null;
  return {
    id: 'stall',
    title: 'Stall test',
    message: 'An arm on the motor against a spring balance, a second at most: it heats fast.',
    fields: [field('pull', 'Pull', 'N'), field('arm', 'Arm', 'mm')],
    take: 'Take the stall torque',
    answer: (v) => ({
      text: `stalls at ${torqueText((v['pull']! * v['arm']!) / 1000)}`,
      edits: [
        { do: 'source', key: 'stallNm', text: short((v['pull']! * v['arm']!) / 1000) },
        { do: 'source', key: 'measured', text: among(source.measured, 'stallNm') },
      ],
    }),
  };
}

const cut = (): BenchForm => ({
  id: 'cut',
  title: 'The cut against the clamp',
  message:
    'k is about 700 for brass, 1800 for steel, N/mm²: estimates. A clamp that holds less lets the work creep.',
  fields: [
    field('k', 'Cutting force k', 'N/mm²', '700'),
    field('width', 'Width', 'mm'),
    field('chip', 'Chip', 'mm'),
    field('radius', 'At radius', 'mm'),
    field('clamp', 'Clamp holds', 'N·m'),
  ],
  take: 'Take it as the tool',
  answer: (v) => {
    const c = cutForce(v['k']!, v['width']!, v['chip']!, v['radius']!);
    const margin = v['clamp']! / c.torqueNm;
    return {
      text: `${measured(c.forceN)} N, ${measured(c.torqueNm)} N·m: the clamp has ${marginText(margin)}, ${margin >= 1 ? 'it holds' : 'the work creeps'}`,
      edits: [load('workNm', short(c.torqueNm))],
    };
  },
});

function window({ check: { force } }: Report): BenchForm | null {
  const rpm = force?.range?.[1];
  const at = force && rpm !== undefined ? force.force.at(rpm) : null;
  if (!force || at?.availableNm === null || at?.availableNm === undefined) return null;
  const available = at.availableNm * force.force.ratio * force.force.efficiency;
  return {
    id: 'window',
    title: 'Friction window',
    message:
      'An axis set by hand slips at a pull between these, so that it stays put and still can be moved.',
    fields: [field('arm', 'Pulled at', 'mm', '150')],
    take: '',
    answer: (v) => {
      const w = frictionWindow(
        available,
        force.force.wantedNm,
        imbalanceNm(force.force.load),
        v['arm']! / 1000,
        force.force.backNm === null,
      );
      return {
        text:
          w.mostN > w.leastN
            ? `${measured(w.leastN)} to ${measured(w.mostN)} N`
            : `none: what hangs wants ${measured(w.leastN)} N, the motor can spare ${measured(Math.max(0, w.mostN))} N`,
        edits: [],
      };
    },
  };
}

const flexure = (): BenchForm => ({
  id: 'flexure',
  title: 'Flexure',
  message:
    'A rod held at one end and loaded at the other: how far it bends where the load changes with pointing.',
  fields: [
    field('force', 'Load', 'N'),
    field('length', 'Length', 'mm'),
    field('diameter', 'Rod', 'mm'),
    field('young', 'Stiffness E', 'GPa', '200'),
  ],
  take: '',
  answer: (v) => {
    const c = cantilever({
      forceN: v['force']!,
      lengthMm: v['length']!,
      diameterMm: v['diameter']!,
      youngGPa: v['young']!,
    });
    return { text: `${lengthText(c.mm).join(' ')} and ${angleText(c.arcsec)} at its end`, edits: [] };
  },
});

const slides = (): readonly BenchForm[] => [
  {
    id: 'returns',
    title: 'Back by its weight',
    message: 'A carriage on a cord: steep enough that the cord stays taut, not so steep that it tips.',
    fields: [
      field('mu', 'Friction number', '', '0.08'),
      field('base', 'Half its foot', 'mm'),
      field('height', 'Centre at', 'mm'),
    ],
    take: '',
    answer: (v) => {
      const r = returnsBetween(v['mu']!, v['base']!, v['height']!);
      return {
        text:
          r.toDeg > r.fromDeg
            ? `between ${r.fromDeg.toFixed(1)}° and ${r.toDeg.toFixed(1)}°`
            : `never: it tips at ${r.toDeg.toFixed(1)}°, before it slides`,
        edits: [],
      };
    },
  },
  {
    id: 'cord',
    title: 'Cord on a drum',
    message: 'One layer only: a cord on top of itself changes the travel of a turn.',
    fields: [
      field('width', 'Drum is wide', 'mm'),
      field('cord', 'Cord', 'mm'),
      field('drum', 'Drum', 'mm'),
      field('travel', 'Travel', 'mm'),
    ],
    take: '',
    answer: (v) => {
      const c = cordLayer(v['width']!, v['cord']!, v['drum']!, v['travel']!);
      return {
        text: `${c.turns} turns hold ${Math.round(c.holdsMm)} mm; it wants ${c.wants} turns, ${short(c.wideMm)} mm wide`,
        edits: [],
      };
    },
  },
  {
    id: 'rails',
    title: 'Rails',
    message: 'How far they sag in the middle; EI of all rails together.',
    fields: [field('force', 'Load', 'N'), field('span', 'Span', 'mm'), field('ei', 'EI', 'N·m²')],
    take: '',
    answer: (v) => ({
      text: `${lengthText(railSag(v['force']!, v['span']!, v['ei']!)).join(' ')} in the middle`,
      edits: [],
    }),
  },
];

/** The forms that a drive has a use for: tests that replace a guess, and small reckonings at the bench. (handbook: force; travel) */
export function benchForms(report: Report): readonly BenchForm[] {
  const { drive, kinematics } = report;
  return [
    pull(drive),
    push(drive),
    rough(drive),
    stall(drive),
    cut(),
    window(report),
    flexure(),
    ...(kinematics.travel ? slides() : []),
  ].filter((f): f is BenchForm => f !== null);
}
