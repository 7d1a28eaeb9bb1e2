import { applyEdit, kindOf, type Drive, type Edit, type Material } from '../../drive/index.ts';
import type { Graded } from '../../words/index.ts';
import { contextOf } from '../context.ts';
import type { ForceReport } from './report.ts';
import { marginText } from './words.ts';

/** A change that makes the margin more, with what it comes to. */
export interface ForceCure {
  readonly title: string;
  readonly graded: Graded;
  readonly message: string;
  readonly edit: Edit;
}

/** Each bears more than the one before it. */
const STRONGER: readonly Material[] = ['printed', 'acetal', 'brass', 'steel'];

const judged = (drive: Drive): ForceReport | null =>
  contextOf({ ...drive, job: { ...drive.job, divisions: '' } }).force;

/** Half as far off its axis, teeth of something stronger, a mode that pushes less: what mends a force that is not enough. */
export function forceCures(drive: Drive): readonly ForceCure[] {
  const now = judged(drive);
  if (!now || now.graded.grade === 'enough' || now.graded.grade === 'unknown') return [];
  const { load, weakest, asked } = now.force;
  const tried: (readonly [string, Edit])[] = [];
  const heaviest = [...asked].sort((a, b) => b.nm - a.nm)[0];
  if (heaviest?.id === 'imbalance' && load.offsetMm) {
    const half = String(Number((load.offsetMm / 2).toPrecision(2)));
    tried.push([
      `Bring it to ${half} mm off its axis`,
      { do: 'duty', duty: 'load', at: 0, key: 'offsetMm', text: half },
    ]);
  }
  if (weakest?.material) {
    for (const material of STRONGER.slice(STRONGER.indexOf(weakest.material) + 1, -1)) {
      const stage = drive.train.stages[weakest.stage]!;
      tried.push([
        `Teeth of ${material}, ${kindOf(stage).short} ${kindOf(stage).label(stage)}`,
        { do: 'stage', at: weakest.stage, key: 'material', text: material },
      ]);
    }
  }
  const { source } = drive.train;
  if (source.kind === 'stepper' && now.shakes) {
    const finer = source.modes.filter((m) => m > source.mode).sort((a, b) => a - b);
    const clear = finer.find((mode) => {
      const after = applyEdit(drive, { do: 'mode', mode });
      return after.ok && judged(after.value)?.shakes === false;
    });
    if (clear !== undefined) tried.unshift([`Microsteps of 1/${clear}`, { do: 'mode', mode: clear }]);
  }
  return tried.flatMap(([title, edit]) => {
    const after = applyEdit(drive, edit);
    const then = after.ok ? judged(after.value) : null;
    if (!then || then.margin === null) return [];
    const better = then.margin > (now.margin ?? 0) || (now.shakes && !then.shakes);
    if (!better) return [];
    const calm = now.shakes && !then.shakes ? ', out of the resonance band' : '';
    return [
      {
        title,
        graded: then.graded,
        message: `${marginText(then.margin)}${calm}; ${then.limit} ${then.limit === 'the motor' ? 'limits' : 'limit'}`,
        edit,
      },
    ];
  });
}
