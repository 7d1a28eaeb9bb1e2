import { dataOf } from '../../drive/index.ts';
import { kindOf, showInput, stageInputs } from '../../drive/index.ts';
import { type Graded, grouped, mixed, plainText, type Rich } from '../../words/index.ts';
import type { Report } from '../report.ts';

/** One line of a comparison; equal lines go quiet. */
export interface CompareRow {
  readonly label: string;
  readonly a: Side;
  readonly b: Side;
  readonly differs: boolean;
}
interface Side {
  readonly text: Rich;
  readonly graded: Graded | null;
}

const side = (text: Rich, graded: Graded | null = null): Side => ({ text, graded });

const MAX_COUNTS = 40;

/** What of a stage can differ besides its teeth: as its fields show it. */
function partOf(r: Report, i: number): Side {
  const stage = r.drive.train.stages[i];
  if (!stage) return side(['']);
  const shown = stageInputs(stage).flatMap((spec) => {
    const value = dataOf(stage)[spec.key];
    if (value === undefined || PLAIN.includes(spec.key) || HIDDEN.includes(spec.key)) return [];
    return [`${spec.label.toLowerCase()} ${showInput(spec, value)}${spec.unit ? `\u00a0${spec.unit}` : ''}`];
  });
  return side([shown.join(', ') || 'nothing more']);
}

/** Told by the label of the stage. */
const PLAIN: readonly string[] = [
  'name',
  'z1',
  'z2',
  'starts',
  'wheel',
  'ratio',
  'value',
  'pairs',
  'sun',
  'ring',
  'planets',
];
/** Logs of how a mesh was set, and links to the shelf, are no design. */
const HIDDEN: readonly string[] = ['meshLog', 'meshPast', 'partId', 'measured', 'dataSheet'];

/** The cells of the strip by what they are called; those that neither asks stay away. */
function verdicts(a: Report, b: Report): readonly (readonly [string, Side, Side])[] {
  return a.verdict.flatMap((cell, i) => {
    const other = b.verdict[i]!;
    if (cell.cell === 'steps' || (!cell.graded && !other.graded)) return [];
    const told = (c: typeof cell): Side => side(c.figure?.text ?? [c.absent], c.graded);
    return [[cell.label.toLowerCase(), told(cell), told(other)] as const];
  });
}

/** Two trains for the same job, figure by figure: verdicts and run-outs first, then everything that can differ. */
export function compareReports(a: Report, b: Report): readonly CompareRow[] {
  const rows: CompareRow[] = [];
  const add = (label: string, x: Side, y: Side): void => {
    const plain = (s: Side): string => `${plainText(s.text)} ${s.graded?.word ?? ''}`;
    rows.push({ label, a: x, b: y, differs: plain(x) !== plain(y) });
  };
  const both = (label: string, of: (r: Report) => Side): void => add(label, of(a), of(b));
  const stages = Math.max(a.drive.train.stages.length, b.drive.train.stages.length);
  for (const [label, x, y] of verdicts(a, b)) add(label, x, y);
  for (let i = 0; i < stages; i++) {
    const [x, y] = [partOf(a, i), partOf(b, i)];
    add(`parts of stage ${i + 1}`, x, y);
  }
  both('reduction', (r) => side([...r.built.ratio.text, ' : 1']));
  both('steps per turn', (r) => side(r.built.steps.text, r.verdict[0]?.graded ?? null));
  for (let i = 0; i < stages; i++)
    both(`stage ${i + 1}`, (r) => {
      const stage = r.drive.train.stages[i];
      // a ratio is not broken at its colon
      const label = stage && kindOf(stage).label(stage).replaceAll(' : ', '\u00a0:\u00a0');
      return side([stage ? `${kindOf(stage).short} ${label}` : 'none']);
    });
  for (const D of a.counts.slice(0, MAX_COUNTS))
    both(`divide by ${grouped(String(D))}`, (r) => {
      const d = r.opened(D);
      return d
        ? side(mixed(d.division.step), d.row.graded)
        : side(['Unknown'], { grade: 'unknown', word: 'Unknown' });
    });
  for (const label of ['one turn takes', 'total lost motion'])
    both(label, (r) => side(r.built.work.rows.find((w) => w.label === label)?.figure.text ?? ['none']));
  both('wheels', (r) => side([teethOf(r)]));
  return rows;
}

/** "5 wheels, 186 teeth" */
function teethOf(r: Report): string {
  const teeth = r.drive.train.stages.flatMap((stage) =>
    kindOf(stage)
      .inputs.filter((i) => i.type === 'count' && i.wheel)
      .map((i) => dataOf(stage)[i.key])
      .filter((z): z is number => typeof z === 'number'),
  );
  return `${teeth.length}, ${grouped(String(teeth.reduce((n, z) => n + z, 0)))} teeth`;
}
