import { abs, compare, toNumber } from '../numbers/index.ts';
import { kindOf, sourceKindOf, type Drive, type Source, type Stage } from '../drive/index.ts';
import { besideSource, candidateOf, chosenStages, driveWith, inMode, misfits, nameOf } from './candidate.ts';
import type { Judged } from './choose.ts';
import { goesBy } from './groups.ts';
import { measureOf } from './measures.ts';
import type { ChooseRequest } from './request.ts';
import { hadBy, type Had, type SourceChoice, type StageChoice } from './stock.ts';
import { gainsOf } from './turns.ts';
import { briefly } from './words.ts';

/** A drive that differs from another in one thing. */
export interface Variant {
  /** "motor of 400 at 1/8 instead of motor of 200 at 1/16" */
  readonly change: string;
  readonly drive: Drive;
  readonly had: Had;
}

/** What one thing changes. */
export interface Beside {
  readonly change: string;
  /** "worst error ±72.7″, was ±73.9″" */
  readonly gains: readonly string[];
  readonly costs: readonly string[];
  /** where nothing of what counts is better beyond what the estimates can tell */
  readonly worth: boolean;
  readonly drive: Drive;
}

/** Of one sort of change so many are told. */
const EACH = 2;

const same = (a: Stage | Source, b: Stage | Source): boolean => JSON.stringify(a) === JSON.stringify(b);
const ratioOf = ({ stage }: StageChoice): number => Math.abs(toNumber(kindOf(stage).reduction(stage)));

/** The choices that a drive is made of; null where one is of another pool. */
function choicesOf(
  request: ChooseRequest,
  drive: Drive,
): { readonly source: SourceChoice; readonly mode: number; readonly list: readonly StageChoice[] } | null {
  const list = chosenStages(drive).map((s) => request.stages.find((c) => same(c.stage, s)));
  const { source } = drive.train;
  const mode = sourceKindOf(source).mode(source);
  const from = request.sources.find(
    (c) =>
      c.modes.includes(mode) &&
      same(inMode(c, mode), source) &&
      (c.encoder !== undefined) === (drive.encoder?.corrects === true) &&
      (!c.encoder ||
        driveWith(request.wanted, c, mode, chosenStages(drive)).encoder!.shaft === drive.encoder!.shaft),
  );
  return from && list.every((c) => c !== undefined) ? { source: from, mode, list } : null;
}

/** Modes next to one, the finer first. */
const nextModes = ({ modes }: SourceChoice, mode: number): readonly number[] => {
  const rising = [...modes].sort((a, b) => a - b);
  const at = rising.indexOf(mode);
  return [rising[at + 1], rising[at - 1]].filter((m) => m !== undefined);
};

/** How far the steps of a motor in a mode are from another's, as a ratio of them. */
function stepsOff([choice, mode]: readonly [SourceChoice, number], of: Source): number {
  const steps = (s: Source): number => (sourceKindOf(s).fullSteps(s) ?? 1) * sourceKindOf(s).mode(s);
  return Math.abs(Math.log(steps(inMode(choice, mode)) / steps(of)));
}

/** The mode of another motor that makes a step of the work the same size, or the nearest. */
const likeMode = (choice: SourceChoice, of: Source): number =>
  [...choice.modes].sort((a, b) => stepsOff([choice, a], of) - stepsOff([choice, b], of))[0]!;

/**
 * Drives that differ from one in a single thing: another motor of as fine a step, finer or coarser microsteps, a stage of the next ratio,
 * the same ratio made another way. None where it is not of this pool. (handbook: choose, pairs that differ in one thing)
 */
export function variantsOf(request: ChooseRequest, drive: Drive): readonly Variant[] {
  const of = choicesOf(request, drive);
  if (!of) return [];
  const { source, mode, list } = of;
  const variant = (
    change: string,
    from: SourceChoice,
    at: number,
    stages: readonly StageChoice[],
  ): readonly Variant[] => {
    const had = hadBy(stages, request.stock, from);
    const made = driveWith(
      request.wanted,
      from,
      at,
      stages.map((c) => c.stage),
    );
    return had && !misfits(made) ? [{ change, drive: made, had }] : [];
  };
  const named = nameOf(drive.train.source, []).toLowerCase();
  // of each sort of motor the driver that comes nearest to the step there is
  const sortOf = ({ source: s }: SourceChoice): string => `${s.kind} ${sourceKindOf(s).fullSteps(s)}`;
  // what it goes by stays
  const alike = request.sources.filter((c) => goesBy(c) === goesBy(source));
  const sorts = [...new Set(alike.map(sortOf))].filter((s) => s !== sortOf(source));
  const motors = sorts.slice(0, EACH).flatMap((sort) => {
    const [c, m] = alike
      .filter((o) => sortOf(o) === sort)
      .map((o) => [o, likeMode(o, drive.train.source)] as const)
      .reduce((a, b) => (stepsOff(b, drive.train.source) < stepsOff(a, drive.train.source) ? b : a));
    return variant(`${nameOf(inMode(c, m), []).toLowerCase()} instead of ${named}`, c, m, list);
  });
  const others = request.sources.filter(
    (c) =>
      c !== source && !c.plates && goesBy(c) !== goesBy(source) && same(inMode(c, mode), drive.train.source),
  );
  const byEncoder = [...new Map(others.map((c) => [goesBy(c), c])).values()].flatMap((c) => {
    const with_ = besideSource(driveWith(request.wanted, c, mode, chosenStages(drive))).trim();
    return variant(with_ === '' ? 'no encoder' : with_, c, mode, list);
  });
  const modes = nextModes(source, mode).flatMap((m) =>
    variant(`${m > mode ? 'finer' : 'coarser'} microsteps, 1/${m}`, source, m, list),
  );
  const stages = list.flatMap((was, at) => {
    const put = (c: StageChoice): readonly StageChoice[] => list.map((o, i) => (i === at ? c : o));
    const kind = kindOf(was.stage);
    const change = (c: StageChoice): string =>
      `${kindOf(c.stage).short} ${kindOf(c.stage).label(c.stage)} instead of ${kind.short} ${kind.label(was.stage)}`;
    const ratio = ratioOf(was);
    const ofKind = request.stages.filter((c) => c.stage.kind === was.stage.kind && ratioOf(c) !== ratio);
    const up = ofKind.filter((c) => ratioOf(c) > ratio).sort((a, b) => ratioOf(a) - ratioOf(b))[0];
    const down = ofKind.filter((c) => ratioOf(c) < ratio).sort((a, b) => ratioOf(b) - ratioOf(a))[0];
    const reduction = abs(kind.reduction(was.stage));
    const other = request.stages
      .filter(
        (c) =>
          c !== was &&
          !same(c.stage, was.stage) &&
          compare(abs(kindOf(c.stage).reduction(c.stage)), reduction) === 0,
      )
      .slice(0, 1);
    return [up, down, ...other].flatMap((c) => (c ? variant(change(c), source, mode, put(c)) : []));
  });
  return [...motors, ...byEncoder.slice(0, EACH), ...modes, ...stages.slice(0, 3 * EACH)];
}

/** One variant judged beside what it differs from. */
export function besideOf(request: ChooseRequest, one: Judged, { change, drive, had }: Variant): Beside {
  const candidate = candidateOf(drive, had);
  const other: Judged = { candidate, values: request.measures.map((id) => measureOf(id).of(candidate)) };
  const tell = (id: (typeof request.measures)[number]): string =>
    `${measureOf(id).title.toLowerCase()} ${briefly(request, id, other)}, was ${briefly(request, id, one)}`;
  const gains = gainsOf(request, other, one);
  return {
    change,
    gains: gains.map(tell),
    costs: gainsOf(request, one, other).map(tell),
    worth: gains.length > 0,
    drive,
  };
}
