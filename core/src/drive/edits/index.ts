import { at, ok, type Refusal, type Result } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import { betweenFault } from '../fault.ts';
import { refuseTrain } from '../locks.ts';
import { arbor } from './arbor.ts';
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
import { landing, rehung } from './on-path.ts';
import { addTrain, hangTrain, removeTrain, renameTrain } from './trains.ts';
import { otherPlace, pathOf, soloOf, trainCount, withSolo } from '../trains.ts';

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
} as const;

type EditOf<K> = K extends EditKind<infer E> ? E : never;

/** Any edit of a drive, as plain data. */
export type Edit = EditOf<(typeof edits)[keyof typeof edits]>;

const editKind = (edit: Edit): EditKind<Edit> => edits[edit.do] as unknown as EditKind<Edit>;

/**
 * Applies one edit to the path of output `on`, the first one unless said: a new drive, or a refusal while the old one stands. A stage
 * that several outputs share is changed for all of them. Pure.
 */
export function applyEdit(drive: Drive, edit: Edit, on = 0): Result<Drive> {
  const places = landing(drive, on, edit);
  if (!places.ok) return places;
  let after = drive;
  for (const { train: at, edit: own } of places.value) {
    const solo = soloOf(after, at);
    const done = editKind(own).apply(solo, own);
    if (!done.ok) return done;
    if (done.value === solo) continue;
    const whole = rehung(after, withSolo(after, at, done.value), at);
    if (!whole.ok) return whole;
    after = whole.value;
  }
  const refusal = newlyRefused(drive, after);
  return refusal ? { ok: false, refusal } : ok(after);
}

/** What no single stage can hold, on any path that was fit before. */
function newlyRefused(before: Drive, after: Drive): Refusal | null {
  if (after.train === before.train && after.others === before.others && after.job === before.job) return null;
  const asked = after.job.between ? betweenFault(after) : null;
  if (asked && !betweenFault(before)) return { ...asked, path: '' };
  for (let i = 0; i < trainCount(after); i++) {
    const refusal = refuseTrain(pathOf(after, i).drive.train);
    const old = i < trainCount(before) ? refuseTrain(pathOf(before, i).drive.train) : null;
    if (refusal && !old) return at(i === 0 ? 'train' : otherPlace(i, 'stages'), refusal);
  }
  return null;
}

/** What an edit did, in a few words, for the undo key. */
export function editLabel(edit: Edit, before: Drive, on = 0): string {
  const places = landing(before, on, edit);
  const place = places.ok ? places.value[0] : undefined;
  return place
    ? editKind(place.edit).label(place.edit, soloOf(before, place.train))
    : editKind(edit).label(edit, before);
}
