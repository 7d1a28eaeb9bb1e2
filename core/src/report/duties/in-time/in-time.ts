import { abs, div, mul, rational, toNumber, toText, type Rational } from '../../../numbers/index.ts';
import {
  durationText,
  kindOf,
  runningSeconds,
  windingTurns,
  type Drive,
  type Kinematics,
} from '../../../drive/index.ts';
import { doubtOfAll, isSure } from '../../../motion/index.ts';
import { grouped, measured, mixed, type Rich, timeText } from '../../../words/index.ts';
import { ratioFigure } from '../../train/train.ts';
import { figureOf, line, worked, type DutyLine, type DutyReport } from '../duty.ts';
import type { DutyKind } from '../kind.ts';

const seconds = (s: Rational): Rich => {
  const [text, unit] = timeText(toNumber(s));
  return [text, { unit }];
};

/** What one winding of a spring gives: turns of the output, places, and how long it runs. */
function windingReport(drive: Drive, k: Kinematics): DutyReport | null {
  const { source } = drive.train;
  if (source.kind !== 'spring') return null;
  const turns = windingTurns(source);
  const { rpm } = k.speed;
  const out = div(turns, abs(k.reduction));
  const lasts = runningSeconds(source, rpm);
  const sure = isSure(doubtOfAll(k));
  const wound = worked(
    'one winding',
    [`${source.storedTurns} × ${source.arborPerBarrelTurn} = `, ...mixed(turns), ' turns of the arbor'],
    true,
  );
  const ratio = worked('through the train', [...ratioFigure(drive, k).text, ' : 1'], sure);
  const speed = worked(
    'speed of the arbor',
    [
      ...mixed(rpm),
      source.governorShaft || source.governorTrain
        ? ` rpm, from ${source.rpm} rpm at shaft ${source.governorShaft ?? 0}${source.governorTrain ? ` of ${source.governorTrain}` : ''}`
        : ' rpm',
    ],
    sure,
  );
  const lines: DutyLine[] = [
    line(
      figureOf({
        key: 'winding.time',
        label: 'runs on one winding',
        value: toText(lasts),
        text: [durationText(toNumber(lasts))],
        exact: sure,
        from: [wound, speed],
      }),
      `${measured(toNumber(lasts))} s`,
    ),
    line(
      figureOf({
        key: 'winding.turns',
        label: 'turns of the output',
        value: toText(out),
        text: mixed(out),
        exact: sure,
        from: [wound, ratio],
      }),
    ),
  ];
  if (k.lock) {
    const places = mul(out, k.lock.places);
    lines.push(
      line(
        figureOf({
          key: 'winding.places',
          label: 'places it comes to rest at',
          value: toText(places),
          text: mixed(places),
          exact: sure,
          from: [wound, ratio, worked('places a turn', mixed(k.lock.places), true)],
        }),
      ),
    );
  }
  return { key: 'winding', title: 'One winding', graded: null, lines, message: [], charts: [], table: null };
}

/** How long the work moves and stands still where a Geneva steps it. (handbook: drive, Geneva) */
function steppingReport(drive: Drive, k: Kinematics): DutyReport | null {
  if (!k.lock) return null;
  const { stage } = k.lock;
  const locking = drive.train.stages[stage]!;
  const slots = kindOf(locking).locks!(locking);
  const crank = div(mul(k.speed.rpm, k.shafts[stage]!.turnsPerOutputTurn), abs(k.reduction));
  const turn = div(rational(60), crank);
  const moves = mul(turn, rational(slots - 2, 2 * slots));
  const still = mul(turn, rational(slots + 2, 2 * slots));
  const sure = isSure(doubtOfAll(k)) && !k.speed.estimate;
  const from = [
    worked('crank', [...mixed(crank), ' rpm'], sure),
    worked('one turn of it', seconds(turn), sure),
  ];
  const part = (n: number): string => `${measured((100 * n) / (2 * slots))} % of each turn of the crank`;
  return {
    key: 'stepping',
    title: `Stepped by the Geneva of ${slots}`,
    graded: null,
    lines: [
      line(
        figureOf({
          key: 'stepping.moves',
          label: 'moves',
          value: toText(moves),
          text: seconds(moves),
          exact: sure,
          from: [...from, worked('½ − 1/n', `(${slots} − 2)/${2 * slots}`, true)],
        }),
        part(slots - 2),
      ),
      line(
        figureOf({
          key: 'stepping.still',
          label: 'stands still, locked',
          value: toText(still),
          text: seconds(still),
          exact: sure,
          from: [...from, worked('½ + 1/n', `(${slots} + 2)/${2 * slots}`, true)],
        }),
        part(slots + 2),
      ),
      line(
        figureOf({
          key: 'stepping.turn',
          label: 'one turn of the work',
          value: toText(mul(turn, k.lock.places)),
          text: seconds(mul(turn, k.lock.places)),
          exact: sure,
          from: [...from, worked('places a turn', mixed(k.lock.places), true)],
        }),
        `${grouped(toText(k.lock.places))} rests`,
      ),
    ],
    message: [],
    charts: [],
    table: null,
  };
}

/** What goes on in time by itself: one winding of a spring, the steps of a Geneva. It follows from the train and is not asked for. */
export const inTime: DutyKind = {
  group: { id: 'spin', title: 'Speed' },
  asked: ({ train }) => train.source.kind === 'spring' || train.stages.some((s) => kindOf(s).locks),
  many: true,
  reports: ({ drive, k }) => [windingReport(drive, k), steppingReport(drive, k)].filter((r) => r !== null),
};
