import {
  ARCSEC_PER_TURN,
  abs,
  div,
  mul,
  neg,
  rational,
  toNumber,
  toText,
  type Rational,
} from '../../numbers/index.ts';
import {
  kindOf,
  lostMotion,
  sourceKindOf,
  type Drive,
  type Kinematics,
  type Shaft,
} from '../../drive/index.ts';
import {
  angleText,
  compact,
  dmsText,
  type Figure,
  fraction,
  measured,
  mixed,
  type Rich,
  strong,
  timeText,
  whole,
  type WorkingLine,
} from '../../words/index.ts';
import { stageLines, turnLine } from './train.ts';

/** What stands under a shaft: rows of label and figure. */
export interface ShaftReport {
  readonly index: number;
  readonly title: string;
  readonly carries: string;
  /** turns the other way than the work */
  readonly against: boolean;
  readonly rows: readonly { readonly label: string; readonly figure: Figure }[];
}

/** The shafts with turns, speed, time of a turn, one step seen there, and the play that is added there. (handbook: drive, facts to show at each shaft) */
export function shaftReports(drive: Drive, k: Kinematics): readonly ShaftReport[] {
  const { stages, source } = drive.train;
  const name = (at: number): string => {
    const stage = stages[at];
    return stage ? kindOf(stage).short : '';
  };
  const motor = sourceKindOf(source).short;
  const play = lostMotion(drive.train).byStage;
  return k.shafts.map((shaft) => {
    const i = shaft.index;
    const last = i === stages.length;
    const first = last ? `${motor} and work` : motor;
    const carries = i === 0 ? first : last ? `${name(i - 1)}, work` : `${name(i - 1)}, ${name(i)}`;
    const rows = [
      ...turningRows(drive, k, shaft),
      ...stepRow(drive, k, shaft),
      ...playRow(drive, k, i, play[i - 1]),
    ];
    return { index: i, title: `Shaft ${i}`, carries, against: shaft.against, rows };
  });
}

type Row = ShaftReport['rows'][number];

/** Turns a minute of a shaft, exact. */
export const rpmOf = (k: Kinematics, shaft: Shaft): Rational =>
  div(mul(k.speed.rpm, shaft.turnsPerOutputTurn), abs(k.reduction));

/** Where the speed comes from, as the first line of a working. */
export const speedLine = (k: Kinematics): WorkingLine => ({
  label: 'source',
  text: [...mixed(k.speed.rpm), ` rpm${k.speed.estimate ? ', until you give its speed' : ''}`],
  exact: !k.speed.estimate,
});

function turningRows(drive: Drive, k: Kinematics, shaft: Shaft): readonly Row[] {
  const i = shaft.index;
  const turns = shaft.turnsPerOutputTurn;
  const sense = shaft.against ? 'against the work' : 'with the work';
  const rpm = rpmOf(k, shaft);
  const seconds = toNumber(div(rational(60), rpm));
  const speed: Rich = [measured(toNumber(rpm)), { unit: 'rpm' }];
  const [n, unit] = timeText(seconds);
  const time: Rich = [n, { unit }];
  const ratio: WorkingLine = {
    label: 'this shaft',
    text: [...mixed(turns), ' turns while the source makes ', ...mixed(abs(k.reduction))],
    exact: true,
  };
  return [
    {
      label: 'turns per work turn',
      figure: {
        key: `shaft.${i}.turns`,
        label: `turns of shaft ${i} for one of the work`,
        value: toText(turns),
        text: compact(shaft.against ? neg(turns) : turns),
        exact: true,
        working: () => [
          ...stageLines(drive, k, i, true),
          { label: 'sense', text: [sense], exact: true },
          {
            label: 'turns per work turn',
            text: strong(mixed(shaft.against ? neg(turns) : turns)),
            exact: true,
          },
        ],
      },
    },
    {
      label: 'speed',
      figure: {
        key: `shaft.${i}.speed`,
        label: `speed of shaft ${i}`,
        value: toText(rpm),
        text: speed,
        exact: false,
        working: () => [speedLine(k), ratio, { label: 'speed', text: strong(speed), exact: false }],
      },
    },
    {
      label: 'one turn',
      figure: {
        key: `shaft.${i}.time`,
        label: `time for one turn of shaft ${i}`,
        value: seconds,
        text: time,
        exact: false,
        working: () => [
          speedLine(k),
          ratio,
          { label: 'one turn', text: ['60 s ÷ ', ...mixed(rpm), ' rpm'], exact: true },
          { label: 'one turn', text: strong(time), exact: false },
        ],
      },
    },
  ];
}

/** The finest step of the source, seen at a shaft. */
function stepRow(drive: Drive, k: Kinematics, shaft: Shaft): readonly Row[] {
  const N = k.stepsPerTurn;
  if (!N) return [];
  const i = shaft.index;
  const turns = shaft.turnsPerOutputTurn;
  const step = k.mode > 1 ? 'microstep' : sourceKindOf(drive.train.source).step;
  const label = `one ${step}`;
  const arcsec = mul(div(rational(ARCSEC_PER_TURN), N), turns);
  const text = stepAngle(arcsec);
  const working = (): readonly WorkingLine[] => [
    turnLine(drive, k),
    { label: 'this shaft', text: [...mixed(turns), ' turns for one of the work'], exact: true },
    {
      label: 'so one of them',
      text: [`${whole(ARCSEC_PER_TURN)}″ × `, ...fraction(turns), ' ÷ ', ...mixed(N)],
      exact: true,
    },
    { label, text: strong([text]), exact: false },
  ];
  const figure: Figure = {
    key: `shaft.${i}.step`,
    label: `${label} at shaft ${i}`,
    value: toText(arcsec),
    text: [text],
    exact: false,
    working,
  };
  return [{ label, figure }];
}

/** The backlash of the stage that ends at this shaft, seen at the work; none of what stands before a lock. */
function playRow(drive: Drive, k: Kinematics, i: number, atWork: number | null | undefined): readonly Row[] {
  if (atWork === undefined) return [];
  const stage = drive.train.stages[i - 1]!;
  const label = 'backlash added';
  const locked = k.lock !== null && i - 1 < k.lock.stage;
  const known = atWork !== null;
  const text = locked ? 'none' : known ? angleText(atWork * Number(ARCSEC_PER_TURN)) : 'Unknown';
  const estimated = stage.playArcmin === undefined && stage.playMm === undefined;
  const given = estimated ? 'an estimate until it is measured' : 'as given on its card';
  const from = locked ? 'the wheel that locks after it keeps it from the work' : given;
  const figure: Figure = {
    key: `shaft.${i}.play`,
    label: `backlash of the ${kindOf(stage).short}, seen at the work`,
    value: known ? atWork * Number(ARCSEC_PER_TURN) : null,
    text: [text],
    exact: false,
    working: () => [
      {
        label: kindOf(stage).short,
        text: [known ? from : 'give its module, or its backlash, on its card under More'],
        exact: false,
      },
      { label, text: strong([known && !locked ? `${text} at the work` : text]), exact: false },
    ],
  };
  return [{ label, figure }];
}

/** The angle of a step from exact arcseconds: 18.95″, 28′25.3″, 1°48′00″. */
export function stepAngle(arcsec: Rational): string {
  const n = toNumber(arcsec);
  if (n < 60) return `${measured(n)}″`;
  if (n < 3600) return dmsText(arcsec, 1).replace(/^0°0?/, '');
  return dmsText(arcsec, 0);
}
