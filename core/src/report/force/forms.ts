import type { Drive } from '../../drive/index.ts';
import { imbalanceNm, steadyNm } from '../../turning/index.ts';
import { preloadOf } from '../../make/index.ts';
import { cutForce, frictionWindow, pullTest, pushTest, roughTest } from '../../force/index.ts';
import type { Base } from '../base.ts';
import type { ForceReport } from './report.ts';
import { angleText, measured } from '../../words/index.ts';
import { among, field, load, short, type BenchForm } from './bench-form.ts';
import { flexure, slides } from './slide-forms.ts';
import { marginText, torqueText } from './words.ts';

/** What the forms are made from. */
type Given = Pick<Base, 'drive' | 'k'> & { readonly force: ForceReport | null };

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

function window({ force }: Given): BenchForm | null {
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
        force.force.back.is === 'holds',
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

/** The least of it stays above friction and what reverses, the most below what the motor can spare. */
function preload({ drive, force }: Given): BenchForm {
  const needs = (drive.job.load?.frictionNm ?? 0) + steadyNm(drive.job.load ?? {});
  const rpm = force?.range?.[1];
  const has = force && rpm !== undefined ? force.force.at(rpm).availableNm : null;
  const spare =
    force && has !== null ? has * force.force.ratio * force.force.efficiency - force.force.wantedNm : null;
  return {
    id: 'preload',
    title: 'Preload by a cord',
    message:
      'Elastic or a weight on a drum; a weight has a stiffness of next to nothing. The turns go into the limits.',
    fields: [
      field('start', 'Pull at first', 'N'),
      field('drum', 'Drum and cord', 'mm'),
      field('stiff', 'Stiffness', 'N/mm', '0.05'),
      field('turns', 'Turns', ''),
    ],
    take: 'Take it, with its turns',
    answer: (v) => {
      const p = preloadOf(v['start']!, v['drum']!, v['stiff']!, v['turns']!);
      const holds = p.leastNm > needs;
      return {
        text: [
          `${p.leastNm.toFixed(3)} to ${p.mostNm.toFixed(3)} N·m, ${Math.round(p.travelMm)} mm of cord`,
          holds
            ? `holds above ${torqueText(needs)}`
            : `too little: friction and load want ${torqueText(needs)}`,
          ...(spare === null
            ? []
            : [
                p.mostNm <= spare
                  ? 'the motor can spare it'
                  : `the motor can spare ${torqueText(Math.max(0, spare))} only`,
              ]),
        ].join('; '),
        edits: [
          load('preloadNm', short(p.leastNm)),
          { do: 'limits', back: '0', forth: short(v['turns']!), why: 'the preload cord' },
        ],
      };
    },
  };
}

/** The forms that a drive has a use for: tests that replace a guess, and small reckonings at the bench. (handbook: force; travel) */
export function benchForms(of: Given): readonly BenchForm[] {
  const { drive, k } = of;
  return [
    pull(drive),
    push(drive),
    rough(drive),
    stall(drive),
    cut(),
    window(of),
    preload(of),
    flexure(),
    ...(k.travel ? slides() : []),
  ].filter((f): f is BenchForm => f !== null);
}
