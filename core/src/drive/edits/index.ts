import { approach } from './approach.ts';
import { torqueCurve } from './curve.ts';
import { arbor } from './arbor.ts';
import { build } from './build.ts';
import { goBack, keep, log } from './log.ts';
import { dismiss } from './dismiss.ts';
import { addDuty, duty, removeDuty } from './duty.ts';
import type { EditKind } from './edit.ts';
import { addEncoder, encoder, removeEncoder } from './encoder.ts';
import { divisions, moves, notes, radius, tolerance } from './job.ts';
import { find } from './find.ts';
import { limits } from './limits.ts';
import { output, outputKind } from './output.ts';
import { plates } from './plates.ts';
import { rename } from './rename.ts';
import { mode, modes, source, sourceKind } from './source.ts';
import { addStage, moveStage, removeStage, repeatStage, replaceStage, stage } from './stages.ts';
import { train } from './train.ts';
import { addTrain, hangTrain, removeTrain, renameTrain } from './trains.ts';

/** Every kind of edit under its id; a double does not compile. */
const edits = {
  rename,
  divisions,
  tolerance,
  radius,
  notes,
  moves,
  source,
  sourceKind,
  modes,
  mode,
  addStage,
  replaceStage,
  repeatStage,
  removeStage,
  moveStage,
  stage,
  output,
  outputKind,
  encoder,
  addEncoder,
  removeEncoder,
  limits,
  train,
  find,
  duty,
  addDuty,
  removeDuty,
  plates,
  dismiss,
  addTrain,
  removeTrain,
  renameTrain,
  hangTrain,
  arbor,
  approach,
  torqueCurve,
  build,
  log,
  keep,
  goBack,
} as const;

type EditOf<K> = K extends EditKind<infer E> ? E : never;

/** Any edit of a drive, as plain data. */
export type Edit = EditOf<(typeof edits)[keyof typeof edits]>;

/** The kind of an edit. */
export const editKind = (edit: Edit): EditKind<Edit> => edits[edit.do] as unknown as EditKind<Edit>;
