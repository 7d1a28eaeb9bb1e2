export {
  doubtArcsec,
  doubtFrom,
  doubtKeys,
  doubtOfStages,
  doubtOf,
  doubtOfAll,
  doubtPpm,
  isSure,
  SURE,
  type Doubt,
} from './doubt.ts';
export {
  brought,
  holesOf,
  land,
  landPi,
  roomOf,
  sourceCounts,
  stopsOf,
  travelled,
  turnsOfTravel,
  type Landing,
  type Room,
  type StopBy,
  type Stops,
} from './land.ts';
export {
  fails,
  gradeFrames,
  gradeRate,
  gradeReach,
  gradeRests,
  gradeSteps,
  gradeWithin,
  worstGrade,
  type Grade,
} from './grade.ts';
export { toleranceArcsec, toleranceOf, within, type Tolerance } from './tolerance.ts';
