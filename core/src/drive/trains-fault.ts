import { error, type Refusal } from '../numbers/index.ts';
import { MAX_TRAINS, type Drive } from './drive.ts';
import { refuseTrain } from './locks.ts';
import { pathOf, trainAt, trainsOf, type TrainOf } from './trains.ts';

/** A further train at its place in what a file or the browser holds: "others[0].from.shaft". */
export const otherPlace = (at: number, place: string): string => `others[${at - 1}].${place}`;

/**
 * What the trains of a drive may not be together: names that are missing or double, a train on one that is not there, on a shaft that
 * is not there, or on itself by whatever way; a lock on a path that leaves the next wheel in the middle of a move.
 */
export function trainsFault(drive: Drive): Refusal | null {
  const trains = trainsOf(drive);
  if (trains.length === 1) return governorFault(trains);
  if (trains.length > MAX_TRAINS)
    return error('tooManyTrains', String(trains.length), { path: 'others', limit: String(MAX_TRAINS) })
      .refusal;
  for (const [i, { name }] of trains.entries()) {
    const first = trainAt(trains, name);
    if (first < i) return error('sameTrain', name, { path: otherPlace(i, 'name') }).refusal;
  }
  for (const [i, train] of trains.entries()) {
    const refusal = hangFault(trains, i, train);
    if (refusal) return refusal;
  }
  const governor = governorFault(trains);
  if (governor) return governor;
  for (let i = 1; i < trains.length; i++) {
    const locks = refuseTrain(pathOf(drive, i).drive.train);
    if (locks) return { ...locks, path: otherPlace(i, 'stages') };
  }
  return null;
}

/** A governor on a shaft that is there, and that its spring turns. */
function governorFault(trains: readonly TrainOf[]): Refusal | null {
  const rootOf = (at: number): number => {
    const { from } = trains[at]!;
    return from ? rootOf(trainAt(trains, from.train)) : at;
  };
  for (const [i, { from, source }] of trains.entries()) {
    if (from || source?.kind !== 'spring') continue;
    const { governorShaft = 0, governorTrain } = source;
    const place = (key: string): string => (i === 0 ? `train.source.${key}` : otherPlace(i, `source.${key}`));
    const at = governorTrain === undefined ? i : trainAt(trains, governorTrain);
    if (at < 0)
      return error('noSuchTrain', governorTrain!, {
        path: place('governorTrain'),
        limit: trains.map((t) => t.name).join(', '),
      }).refusal;
    if (rootOf(at) !== i)
      return error('noCommonSource', `${trains[i]!.name} and ${governorTrain!}`, {
        path: place('governorTrain'),
      }).refusal;
    const last = trains[at]!.stages.length;
    if (governorShaft > last)
      return error('noSuchShaft', String(governorShaft), {
        path: place('governorShaft'),
        limit: String(last),
      }).refusal;
  }
  return null;
}

function hangFault(trains: readonly TrainOf[], i: number, { from, source }: TrainOf): Refusal | null {
  if (!from)
    return source ? null : error('missing', '', { path: otherPlace(i, 'source'), example: '{}' }).refusal;
  const on = trainAt(trains, from.train);
  const names = trains.map((t) => t.name).join(', ');
  if (on < 0)
    return error('noSuchTrain', from.train, { path: otherPlace(i, 'from.train'), limit: names }).refusal;
  const seen = new Set([i]);
  for (let up = on; up >= 0;) {
    if (seen.has(up))
      return error('hangsOnItself', trains[i]!.name, { path: otherPlace(i, 'from.train') }).refusal;
    seen.add(up);
    const next = trains[up]!.from;
    up = next ? trainAt(trains, next.train) : -1;
  }
  const last = trains[on]!.stages.length;
  return from.shaft > last
    ? error('noSuchShaft', String(from.shaft), { path: otherPlace(i, 'from.shaft'), limit: String(last) })
        .refusal
    : null;
}
