import { MAX_STAGES, sourceKindOf, type Drive, type Train } from '../../drive/index.ts';
import type { FindRequest, FoundRow } from '../../find/index.ts';

/** The drive with a found train in place of its own; its output and limits stay. */
export function withFound(drive: Drive, request: FindRequest, row: FoundRow): Drive {
  return { ...drive, train: foundTrain(drive, request, row) };
}

/** A found train behind the drive's own motor, set to the mode that it wants. */
export function foundTrain(drive: Drive, request: FindRequest, row: FoundRow): Train {
  const { source } = drive.train;
  const stages = row.train.slice(0, MAX_STAGES);
  if (!sourceKindOf(source).hasModes || source.kind !== 'stepper' || !request.source)
    return { ...drive.train, stages };
  const { fullSteps, modes } = request.source;
  const own = fullSteps === source.fullSteps;
  const all = own ? source.modes : modes;
  const mode =
    row.mode !== null && all.includes(row.mode)
      ? row.mode
      : all.includes(source.mode)
        ? source.mode
        : all[0]!;
  const { partId: _, ...alone } = source;
  return {
    ...drive.train,
    source: own ? { ...source, mode } : { ...alone, fullSteps, modes: all, mode },
    stages,
  };
}
