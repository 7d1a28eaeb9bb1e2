import { at, error, type Refusal } from '../numbers/index.ts';
import type { Drive, Train } from './drive.ts';
import { refuseTrain } from './locks.ts';
import { otherPlace, trainsFault } from './trains-fault.ts';
import { pathOf, ratioBetween, trainAt, trainCount, trainsOf } from './trains.ts';

/** What the parts of a drive may not be together; its trains are each right by themselves. */
export function togetherFault(drive: Drive): Refusal | null {
  const first = trainTogetherFault(drive.train, drive.encoder, drive.job);
  const locks = first ?? refuseTrain(drive.train);
  if (locks) return first ?? at('train', locks);
  const trains = trainsFault(drive);
  if (trains) return trains;
  for (let i = 1; i < trainCount(drive); i++) {
    const own = drive.others![i - 1]!;
    const path = pathOf(drive, i).drive;
    const refusal = trainTogetherFault({ ...path.train, stages: own.stages }, own.encoder, path.job);
    if (refusal) return { ...refusal, path: otherPlace(i, refusal.path.replace(/^train\./, '')) };
  }
  return betweenFault(drive);
}

/** An encoder on a shaft that is there, and a tolerance along a circle with its radius. */
function trainTogetherFault(
  train: Train,
  encoder: { readonly shaft: number } | undefined,
  job: { readonly toleranceMm?: string; readonly radiusMm?: string } | undefined,
): Refusal | null {
  if (encoder && encoder.shaft > train.stages.length)
    return error('noSuchShaft', String(encoder.shaft), {
      path: 'encoder.shaft',
      limit: String(train.stages.length),
    }).refusal;
  if (job?.toleranceMm !== undefined && job.radiusMm === undefined && train.output.kind === 'rotary')
    return error('noRadius', '', { path: 'job.radiusMm' }).refusal;
  return null;
}

/** Ratios are asked between outputs that are there and have a source in common. */
export function betweenFault(drive: Drive): Refusal | null {
  const trains = trainsOf(drive);
  const names = trains.map((t) => t.name).join(', ');
  for (const [i, { from, to }] of (drive.job.between ?? []).entries()) {
    const place = `job.between[${i}]`;
    const [a, b] = [trainAt(trains, from), trainAt(trains, to)];
    if (a < 0) return error('noSuchTrain', from, { path: `${place}.from`, limit: names }).refusal;
    if (b < 0) return error('noSuchTrain', to, { path: `${place}.to`, limit: names }).refusal;
    if (a === b) return error('sameOutput', to, { path: `${place}.to` }).refusal;
    if (!ratioBetween(drive, a, b))
      return error('noCommonSource', `${from} and ${to}`, { path: place }).refusal;
  }
  return null;
}
