import { error, exactly, ok, toNumber, type Result } from '../numbers/index.ts';
import { dutiesIn, outputKindOf, type Drive, type DutyId } from '../drive/index.ts';
import type { ShelfPart } from '../shelf/index.ts';
import { measureOf, measureIds, USUAL_MEASURES, type MeasureId } from './measures.ts';
import { poolOf, wantedOf, type PoolAsked, type PoolFrom } from './pool.ts';
import { MAX_MEASURES, type ChooseRequest } from './request.ts';

/** What whole drives are chosen by, each in force: as it was typed, else as usual. */
export interface ChooseForm {
  readonly from: PoolFrom;
  readonly canMake: boolean;
  readonly keepMotor: boolean;
  /** a crank with plates may take the motor's place; null where it could not */
  readonly byHand: boolean | null;
  readonly stages: number;
  readonly spendAtMost: string;
  readonly wheelHours: string;
  /** what counts, the most important first */
  readonly measures: readonly { readonly id: MeasureId; readonly title: string }[];
  /** what else could count */
  readonly more: readonly { readonly id: MeasureId; readonly title: string }[];
}

/** What asks something of a drive besides dividing. */
const ASKING = ['rates', 'spins', 'sweeps', 'load'] as const satisfies readonly DutyId[];
/** Stages of a whole drive when nobody says. */
const STAGES = 2;
const titled = (id: MeasureId): ChooseForm['more'][number] => ({ id, title: measureOf(id).title });
const isMeasure = (word: string): word is MeasureId => (measureIds as readonly string[]).includes(word);

export function chooseForm(drive: Drive): ChooseForm {
  const { find: set = {} } = drive;
  const typed = [...new Set((set.measures ?? '').split(/[\s,]+/).filter(isMeasure))].slice(0, MAX_MEASURES);
  const measures = typed.length > 0 ? typed : USUAL_MEASURES;
  return {
    from: set.pool ?? 'shelf',
    canMake: set.canMake !== 'no',
    keepMotor: set.keepMotor === 'yes',
    byHand: turnedByHand(drive) ? set.byHand === 'yes' : null,
    stages: set.driveStages ?? STAGES,
    spendAtMost: set.spendAtMost ?? '',
    wheelHours: set.wheelHours ?? '',
    measures: measures.map(titled),
    more: measureIds.filter((id) => !measures.includes(id)).map(titled),
  };
}

/** Whether a hand could do it: a crank follows nothing, and sets nothing that travels. */
function turnedByHand({ job, train }: Drive): boolean {
  const moves = [job.rates, job.spins, job.sweeps].some((asked) => (asked ?? []).length > 0);
  return job.divisions.trim() !== '' && !moves && outputKindOf(train.output).travel(train.output) === null;
}

/** What of a wanted drive says by what else than its steps it may be set: the plates of a crank, where one is asked for, and kept stages. */
export const standing = (wanted: Drive, byHand: boolean): Pick<PoolAsked, 'plates' | 'keptStages'> => ({
  plates: byHand && turnedByHand(wanted) ? (wanted.plates ?? { plates: [] }) : null,
  keptStages: wanted.train.stages.length > 0,
});

/**
 * What a drive's choice asks of what there is: its job, and the pool of its form. `used` tells how many of a line of the shelf other
 * drives take. Refused while nothing is asked, or no motor is there. (handbook: choose)
 */
export function chooseRequestFor(
  drive: Drive,
  shelf: readonly ShelfPart[],
  used: (id: string) => number,
): Result<ChooseRequest> {
  const form = chooseForm(drive);
  const wanted = wantedOf(drive);
  const asked = ASKING.some((id) => dutiesIn(wanted, id).length > 0);
  if (wanted.job.divisions.trim() === '' && !asked)
    return error('empty', '', { path: 'job.divisions', example: '24, 360' });
  const pool = poolOf(
    {
      from: form.from,
      canMake: form.canMake,
      keepSource: form.keepMotor ? drive.train.source : null,
      ...standing(wanted, form.byHand === true),
    },
    shelf,
    (part) => Math.max(0, part.own - used(part.id)),
  );
  if (pool.sources.length === 0)
    return error('empty', '', { path: 'pool', example: 'a stepper motor on the shelf' });
  return ok({
    wanted,
    sources: pool.sources,
    stages: pool.stages,
    stock: pool.stock,
    maxStages: form.stages,
    ...(form.spendAtMost !== '' && { spendAtMost: form.spendAtMost }),
    ...(form.wheelHours !== '' && { wheelHours: toNumber(exactly(form.wheelHours)) }),
    measures: form.measures.map((m) => m.id),
    count: Infinity,
    pool: pool.words,
  });
}
