import { toText } from '../numbers/index.ts';
import { arborPlan, type ArborPlan } from '../arbors/index.ts';
import { layerName, trainsOf, type Drive } from '../drive/index.ts';
import {
  figuresTable,
  madeTables,
  report,
  tableKey,
  type DutyTable,
  type MadeFrom,
  type RateReport,
} from '../report/index.ts';
import { doubtText, millimetres } from '../words/index.ts';
import { byPlates } from '../plans/index.ts';
import { doubtOf } from '../motion/index.ts';
import { writeCsv } from '../files/index.ts';
import { divisionsCsv } from './dividing.ts';

const dutyCsv = (table: DutyTable): string => writeCsv(table.head, table.rows);

/** The rates of the job, exact where they are, with what each rests on. */
const ratesCsv = (rates: readonly RateReport[]): string =>
  writeCsv(
    [
      'name',
      'sense',
      'period (s)',
      'way',
      'interval (ticks)',
      'ticks',
      'off by (part of 1)',
      'grade',
      'in words',
      'largest cause (ppm)',
    ],
    rates.flatMap((r) =>
      r.ways.map((w) => [
        r.name,
        r.sense,
        toText(r.period),
        w.how,
        r.timing && !r.timing.holdsPi ? toText(r.timing.interval) : '',
        ticksOf(r, w.how),
        r.timing?.holdsPi ? '' : toText(w.off),
        w.graded.grade,
        w.graded.word,
        String(Math.max(...w.causes.map((c) => Math.abs(c.ppm)))),
      ]),
    ),
  );

function ticksOf({ timing }: RateReport, how: string): string {
  if (!timing) return '';
  if (how === 'spread') return `${timing.spread.q} + ${timing.spread.num}/${timing.spread.den}`;
  return how === 'fixed' ? String(timing.fixed!.ticks) : how === 'beside' ? String(timing.beside!.ticks) : '';
}

/** The plates' chart: each count, how it is made, with what. */
function platesCsv(drive: Drive): string | null {
  const { plates, kinematics } = report(drive);
  if (!plates) return null;
  const doubt = doubtText(doubtOf(kinematics), 'arcsec');
  return writeCsv(
    [
      'divisions',
      `how${doubt}`,
      'circle',
      'whole turns',
      'holes',
      'second circle',
      'holes on it',
      'circle to make',
    ],
    plates.chart.map((a) =>
      a.how === 'circle'
        ? [a.divisions, a.how, a.move.circle, a.move.wholeTurns, a.move.holes, '', '', '']
        : a.how === 'compound'
          ? [
              a.divisions,
              a.how,
              a.move.circles[0],
              '',
              a.move.holes[0],
              a.move.circles[1],
              a.move.holes[1],
              '',
            ]
          : [a.divisions, a.how, '', '', '', '', '', a.circle],
    ),
  );
}

/** The wheels of the arbor plan, arbor by arbor, with where each arbor stands. */
function arborsCsv(drive: Drive, plan: ArborPlan): string {
  const names = trainsOf(drive).map((t) => t.name);
  const meshed = (id: number): string =>
    plan.meshes
      .flatMap((m) => (m.driver === id ? [m.driven] : m.driven === id ? [m.driver] : []))
      .map((w) => `${plan.wheels[w]!.teeth} on ${plan.arbors[plan.wheels[w]!.arbor]!.name}`)
      .join('; ');
  return writeCsv(
    [
      'arbor',
      'how',
      'x (mm)',
      'y (mm)',
      'bore (mm)',
      'teeth',
      'layer',
      'pitch diameter (mm)',
      'outside (mm)',
      'train',
      'meshes with',
    ],
    plan.arbors.flatMap((a) =>
      a.wheels.map((id) => {
        const w = plan.wheels[id]!;
        const shaft = a.shafts.find((s) => s.train === w.shaft.train && s.shaft === w.shaft.shaft);
        return [
          a.name,
          a.how,
          millimetres(a.at.x),
          millimetres(a.at.y),
          shaft?.boreMm ?? '',
          w.teeth,
          layerName(w.layer),
          millimetres(w.pitchMm),
          millimetres(w.outsideMm),
          [...new Set(w.of.map((o) => names[o.train]!))].join('; '),
          meshed(id),
        ];
      }),
    ),
  );
}

/** One table of a drive, and what it is called. */
export interface NamedTable {
  readonly title: string;
  readonly text: () => string;
}

/** Every table that a drive has, by name. */
export function tablesOf(drive: Drive, from: MadeFrom = {}): ReadonlyMap<string, NamedTable> {
  const r = report(drive);
  const out = new Map<string, NamedTable>();
  const put = (id: string, title: string, text: () => string): void => void out.set(id, { title, text });
  const { divider } = r;
  if (divider && r.counts.length > 0 && !byPlates(drive))
    put('divisions', 'Divisions', () =>
      divisionsCsv(divider, r.counts, (count) => r.of.errors.shareOf(count)),
    );
  if (r.duties.rates.length > 0) put('rates', 'Rates', () => ratesCsv(r.duties.rates));
  for (const d of r.duties.all) put(tableKey(d), d.title, () => dutyCsv(d.table ?? figuresTable(d)));
  if (r.plates) put('plates', 'Plates', () => platesCsv(drive)!);
  const plan = arborPlan(drive);
  if (plan.meshes.length > 0) put('arbors', 'Arbors and distances', () => arborsCsv(drive, plan));
  for (const t of madeTables(drive, from)) put(t.id, t.title, () => writeCsv(t.head, t.rows));
  return out;
}
