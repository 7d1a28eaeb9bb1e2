import type { DutyReport, DutyChart, DutyLine } from '../duty.ts';
import { figureOf, line, worked } from '../duty.ts';
import { only, type DutyKind } from '../kind.ts';
import type { ForceReport } from '../../force/report.ts';
import { forceCell, loadSpeedCell } from './cells.ts';
import { marginGrade, marginText, torqueText } from '../../force/words.ts';
import { measured } from '../../../words/index.ts';

/** An end of a scale at a figure that can be read: 1, 2 or 5 of a power of ten. */
function round(value: number, to: (n: number) => number): number {
  const ten = 10 ** Math.floor(Math.log10(value));
  const first = to(value / ten);
  return Number(
    (
      ten *
      (to === Math.ceil ? (first > 5 ? 10 : first > 2 ? 5 : first) : first >= 5 ? 5 : first >= 2 ? 2 : 1)
    ).toPrecision(2),
  );
}

/** Torque wanted and available over the speed of the work. */
export function forceChart({ force, range }: ForceReport): DutyChart {
  const far = round(
    Math.max(
      ...[range?.[1], force.stallRpm, force.cornerRpm, force.pullInRpm].flatMap((v) =>
        v && Number.isFinite(v) ? [v * 1.6] : [],
      ),
      1e-6,
    ),
    Math.ceil,
  );
  const near = round(
    Math.min(...[range?.[0], force.resonance?.fromRpm].flatMap((v) => (v ? [v / 2] : [])), far / 100),
    Math.floor,
  );
  const speeds = Array.from({ length: 121 }, (_, i) => near * (far / near) ** (i / 120));
  const toWork = force.ratio * force.efficiency;
  const has = speeds.flatMap((rpm): [number, number][] => {
    const at = force.at(rpm);
    return at.availableNm === null ? [] : [[rpm, at.availableNm * toWork]];
  });
  const flat = (nm: number): [number, number][] => [
    [near, nm],
    [far, nm],
  ];
  const { weakest } = force;
  return {
    key: 'load.torque',
    title: 'Torque at the work',
    log: true,
    x: 'rpm',
    y: '',
    series: [
      ...(has.length > 0 ? [{ name: 'available', points: has, look: 'main' as const }] : []),
      { name: 'wanted', points: flat(force.wantedNm), look: 'third' },
      ...(typeof weakest?.margin !== 'number'
        ? []
        : [
            { name: 'weakest teeth', points: flat(force.wantedNm * weakest.margin), look: 'second' as const },
          ]),
    ],
    bands: [
      ...(range && range[1] > range[0]
        ? [{ name: 'speeds asked', from: range[0], to: range[1], look: 'asked' as const }]
        : []),
      ...(force.resonance
        ? [
            {
              name: 'resonance',
              from: force.resonance.fromRpm,
              to: force.resonance.toRpm,
              look: 'bad' as const,
            },
          ]
        : []),
    ],
    message: `N·m at the work over its turns a minute: ${measured(force.wantedNm)} wanted${has.length > 0 ? '' : '; what the motor has is not known'}.`,
  };
}

function loadReport(r: ForceReport): DutyReport {
  const { force } = r;
  const wanted = [...r.asked.map((a) => worked(a.title.toLowerCase(), `${a.text} N·m, ${a.message}`))];
  const speed = r.range?.[1] ?? null;
  const at = speed === null ? null : force.at(speed);
  const lines: DutyLine[] = [
    line(
      figureOf({
        key: 'load.margin',
        label: 'margin of the force',
        value: r.margin,
        text: [r.margin === null ? 'Unknown' : marginText(r.margin)],
        from: [
          ...wanted,
          worked('at the motor', r.atMotor),
          ...(typeof at?.availableNm !== 'number'
            ? []
            : [worked('it has', `${torqueText(at.availableNm)} at ${measured(speed!)} rpm of the work`)]),
          ...r.meshes
            .slice(0, 1)
            .map((m) => worked('weakest teeth', `${m.title}: ${m.load} N of ${m.bears} N`)),
          worked('limits', r.limit),
        ],
      }),
      r.margin === null ? '' : `${r.limit} ${r.limit === 'the motor' ? 'limits' : 'limit'}`,
      r.graded,
    ),
    line(
      figureOf({
        key: 'load.wanted',
        label: 'torque wanted at the motor',
        value: force.motorNm,
        text: [torqueText(force.motorNm)],
        from: wanted,
      }),
    ),
    ...(r.motor.margin === null
      ? []
      : [
          line(
            figureOf({
              key: 'load.motor',
              label: 'margin of the motor',
              value: r.motor.margin,
              text: [marginText(r.motor.margin)],
            }),
            '',
            r.motor.graded,
          ),
        ]),
    ...(typeof force.weakest?.margin !== 'number'
      ? []
      : [
          line(
            figureOf({
              key: 'load.teeth',
              label: 'margin of the weakest teeth',
              value: force.weakest.margin,
              text: [marginText(force.weakest.margin)],
            }),
            `${force.weakest.label}, ${force.weakest.teeth} teeth`,
            marginGrade(force.weakest.margin),
          ),
        ]),
    ...r.stand.map((s) =>
      line(
        figureOf({ key: `load.${s.id}`, label: s.title, value: s.value || null, text: [s.value || '–'] }),
        s.message,
        s.graded,
      ),
    ),
  ];
  return {
    key: 'load',
    title: 'Load',
    graded: r.graded,
    lines,
    message: [r.message.strong, r.message.rest].filter(Boolean),
    charts: [forceChart(r)],
    table: {
      title: 'Speeds',
      head: ['work (rpm)', 'motor (full steps/s)', 'needs (mN·m)', 'has (mN·m)', 'margin', 'grade', 'says'],
      rows: r.speeds.map((s) => [s.rpm, s.stepRate, s.needs, s.has, s.margin, s.graded.word, s.message]),
    },
  };
}

/** What stands against the motor, and whether motor and teeth have enough for it. (handbook: force) */
export const load: DutyKind = {
  group: { id: 'force', title: 'Force' },
  ask: {
    title: 'Load',
    purpose: 'friction, weight, tool and wind: has the motor enough, and what breaks first',
    edit: { do: 'addDuty', duty: 'load' },
    empty: {
      title: 'No load given',
      message:
        'Friction, a tool, a mass off its axis, a ramp: then the motor and each mesh are judged by it.',
      add: 'Give a load',
    },
  },
  asked: ({ job }) => job.load !== undefined,
  many: false,
  judgesOnly: true,
  cells: { speed: loadSpeedCell, force: forceCell },
  reports: ({ force }) => {
    const made = force();
    return only(made && loadReport(made));
  },
};
