import { ARCSEC_PER_TURN, toNumber } from '../numbers/index.ts';
import {
  kindOf,
  knownPlay,
  lostMotion,
  wheelSearch,
  type Drive,
  type Stage,
  type StageKindId,
} from '../drive/index.ts';
import { doubtOfStages, isSure, type Grade } from '../motion/index.ts';
import type { Context } from '../report/index.ts';
import { chosenStages, type Candidate } from './candidate.ts';
import type { Had } from './stock.ts';

/** What is known of every drive that ends with these stages, whatever stands before them. */
export interface Known {
  /** ″, errors of its stages alone, all at their worst */
  readonly error: number;
  /** whatever stands before it, the steps of a turn are no whole number: nothing lands */
  readonly never: boolean;
  /** what the counts come to by an encoder that decides alone; null where the train does */
  readonly grade: number | null;
  /** no ratio in it is only printed or measured */
  readonly sure: boolean;
  readonly had: Had;
  readonly stages: number;
  readonly parts: number;
  /** pitch diameter of the largest wheel in it, mm */
  readonly size: number;
}

/** One thing by which drives are compared: less is better. */
export interface Measure {
  readonly title: string;
  /** null: not known, worse than anything known */
  readonly of: (candidate: Candidate) => number | null;
  /** no drive of which that is known has less; nothing is unless there is one */
  readonly least?: (known: Known) => number;
  /** without this nobody can know it of any drive */
  readonly needs?: (wanted: Drive) => boolean;
  /** takes longer to reckon than the rest: asked only of what may still be among the best */
  readonly dear?: true;
  /** values within this part of the least of them are as good as one another: the estimates cannot tell them apart */
  readonly alike?: number;
}

const [ROUNDED, UNKNOWN] = [2, 4];
/** What rests on a printed or measured ratio is so much worse. */
const DOUBTED = 0.5;
/** What divisions come to; no other grade is theirs. */
const GRADE_AT: Readonly<Partial<Record<Grade, number>>> = {
  even: 0,
  evenMicrostep: 1,
  rounded: ROUNDED,
  misses: 3,
};

/** The worst of the counts, and a half more where it rests on what is only printed or measured. */
function gradeOf({ divider, divisions, counts, byHand, drive }: Context): number {
  if (counts.length === 0) return 0;
  // a count has a circle, or it has none
  if (byHand) {
    const sure = drive.plates?.wormRatio !== undefined || isSure(doubtOfStages(drive.train.stages));
    return Math.max(...byHand.map((r) => GRADE_AT[r.graded.grade] ?? UNKNOWN)) + (sure ? 0 : DOUBTED);
  }
  if (!divider) return UNKNOWN;
  const worst = Math.max(...divisions.map((d) => GRADE_AT[d.grade] ?? UNKNOWN));
  return worst + (isSure(divider.doubt) ? 0 : DOUBTED);
}

/** Worst error of the counts, else of what is followed, ″. */
function errorOf({ errors }: Context): number | null {
  const { dividing, tracking } = errors.budgets;
  return (dividing ?? tracking)?.budget.worst ?? null;
}

/** What of the lost motion nothing takes out, ″. */
function lostOf({ drive }: Candidate): number | null {
  const oneSide = drive.job.approach !== 'both';
  if (oneSide) return 0;
  const play = knownPlay(lostMotion(drive.train));
  return play === null ? null : play * Number(ARCSEC_PER_TURN);
}

/** Motor and pieces of stages: a pair is two, what is bought whole is one. */
export const partsOf = (kinds: readonly { readonly kind: string }[]): number =>
  kinds.reduce((n, { kind }) => n + (wheelSearch(kind as StageKindId) ? 2 : 1), 0);

/** Pitch diameter of the largest wheel of a stage, mm; of what is bought closed nobody says. (handbook: choose) */
export function largestOf(stage: Stage): number {
  const shape = kindOf(stage).shape(stage);
  switch (shape.form) {
    case 'mesh':
    case 'belt':
      return Math.max(shape.driver.pitchMm, shape.driven.pitchMm);
    case 'worm':
      return shape.wheel.pitchMm;
    case 'geneva':
      return shape.centreMm;
    case 'set':
      return 2 * shape.radiusMm;
    case 'box':
      return 0;
  }
}

/** A load is what force, speed and power off are judged by. */
const loaded = ({ job }: Drive): boolean => job.load !== undefined;

/** Beyond so much more than is wanted a motor is no better. */
const PLENTY = 3;

/** Every measure. To add one is to add a line. (handbook: choose, which is better) */
export const measures = {
  error: {
    title: 'Worst error',
    of: ({ of }) => errorOf(of),
    least: ({ error }) => error,
    dear: true,
    alike: 0.05,
  },
  grade: {
    title: 'Divisions',
    of: ({ of }) => gradeOf(of),
    least: ({ sure, never, grade }) => grade ?? (never ? ROUNDED : 0) + (sure ? 0 : DOUBTED),
  },
  force: {
    title: 'Force',
    needs: loaded,
    of: ({ of: { force } }) => {
      const margin = force?.margin ?? null;
      return margin === null ? null : -Math.min(margin, PLENTY);
    },
    least: () => -PLENTY,
  },
  speed: {
    title: 'Motor speed',
    needs: loaded,
    of: ({ of: { force } }) => {
      const top = force?.range?.[1];
      const able = force?.force.stallRpm ?? null;
      return top === undefined || able === null ? null : top / able;
    },
    least: () => 0,
  },
  hold: {
    title: 'Power off',
    needs: loaded,
    of: ({ of: { force } }) => {
      const back = force?.force.turnsBack ?? null;
      return back === null ? null : back ? 1 : 0;
    },
    least: () => 0,
  },
  buy: {
    title: 'To buy',
    of: ({ to }) => to.buy && toNumber(to.buy),
    least: ({ had }) => (had.buy ? toNumber(had.buy) : Infinity),
    alike: 0.02,
  },
  make: { title: 'To make', of: ({ to }) => to.make, least: ({ had }) => had.make },
  stages: { title: 'Stages', of: ({ drive }) => chosenStages(drive).length, least: ({ stages }) => stages },
  parts: {
    title: 'Parts',
    of: ({ drive }) => 1 + partsOf(drive.train.stages),
    least: ({ parts }) => 1 + parts,
  },
  size: {
    title: 'Largest wheel',
    of: ({ drive }) => Math.max(0, ...drive.train.stages.map(largestOf)),
    least: ({ size }) => size,
    alike: 0.02,
  },
  shakes: {
    title: 'Resonance',
    needs: loaded,
    of: ({ of: { force } }) => ((force?.motor.margin ?? null) === null ? null : Number(force!.shakes)),
    least: () => 0,
  },
  battery: {
    title: 'Battery',
    needs: ({ job }) => job.load?.batteryWh !== undefined,
    of: ({ of: { force } }) => {
      const hours = force?.stand.find((s) => s.id === 'battery')?.hours;
      return hours === undefined ? null : -hours;
    },
    alike: 0.05,
  },
  lost: { title: 'Lost motion', of: lostOf, least: () => 0 },
  round: {
    title: 'Exposure',
    needs: ({ job }) => job.camera !== undefined,
    dear: true,
    of: ({ of: { duties } }) => {
      const longest = duties
        .of('camera')
        .flatMap((d) => d.lines)
        .find((l) => l.figure.key === 'camera.longest')?.figure.value;
      return typeof longest === 'number' ? -longest : null;
    },
  },
  steps: {
    title: 'Steps a turn',
    of: ({ of: { k } }) => {
      const steps = k.stepsPerTurn;
      return steps && -Math.abs(toNumber(steps));
    },
  },
} as const satisfies Readonly<Record<string, Measure>>;

export type MeasureId = keyof typeof measures;

export const measureIds = Object.keys(measures) as readonly MeasureId[];
export const measureOf = (id: MeasureId): Measure => measures[id];
export const USUAL_MEASURES: readonly MeasureId[] = ['error', 'grade', 'hold', 'buy', 'make'];
