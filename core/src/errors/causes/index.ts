import type { Cause } from '../context.ts';
import { bearings, windUp } from './give.ts';
import { backlash } from './lost-motion.ts';
import { deadBand, fullSteps, loadLag, markError, microstepWave, stopWindow } from './motor.ts';
import { wobbles } from './wobbles.ts';

/** Every cause of error. One line a cause. */
export const causes: readonly Cause[] = [
  backlash,
  wobbles,
  fullSteps,
  microstepWave,
  deadBand,
  loadLag,
  stopWindow,
  markError,
  windUp,
  bearings,
];
