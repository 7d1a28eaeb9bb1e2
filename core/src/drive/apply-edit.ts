import { at, ok, type Refusal, type Result } from '../numbers/index.ts';
import type { Drive } from './drive.ts';
import { editKind, type Edit } from './edits/index.ts';
import { betweenFault } from './together-fault.ts';
import { landing, rehung } from './landing.ts';
import { refuseTrain } from './locks.ts';
import { otherPlace, trainsFault } from './trains-fault.ts';
import { pathOf, soloOf, trainCount, withSolo } from './trains.ts';

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
  const trains = trainsFault(after);
  if (trains && !trainsFault(before)) return { ...trains, path: '' };
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
