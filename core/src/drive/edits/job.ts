import { fromEntries } from '../data.ts';
import { readDivisions, readLength, readPositiveAngle, error, ok, toText } from '../../numbers/index.ts';
import { MAX_TEXT } from '../../numbers/index.ts';
import type { Drive, Job } from '../drive.ts';
import { readMoves } from '../moves.ts';
import type { EditKind } from './edit.ts';

/** Drops the keys named, and those whose value is undefined, so that the file holds only what is asked. */
function without(job: Job, ...keys: (keyof Job)[]): Job {
  return fromEntries<Job>(Object.entries(job).filter(([k]) => !keys.includes(k as keyof Job)));
}

/** Is a length at the work one along a circle? A linear output needs no radius for it. */
const turns = (drive: Drive): boolean => drive.train.output.kind === 'rotary';

export interface SetDivisions {
  readonly do: 'divisions';
  readonly text: string;
}

/** The division list, kept as typed. Refused as a whole while one piece cannot be read. */
export const divisions: EditKind<SetDivisions> = {
  id: 'divisions',
  apply: (drive, edit) => {
    const read = readDivisions(edit.text);
    return read.ok ? ok({ ...drive, job: { ...drive.job, divisions: edit.text.trim() } }) : read;
  },
  label: (edit) => `divisions ${edit.text.trim() || 'none'}`,
};

export interface SetTolerance {
  readonly do: 'tolerance';
  /** which way it is asked; "none" takes it away but keeps the radius */
  readonly as: 'angle' | 'length' | 'none';
  readonly text: string;
  /** a radius given in the same move, for a length */
  readonly radius?: string;
}

/** The tolerance at the work, as an angle or as a length at a radius. An empty text asks for none. */
export const tolerance: EditKind<SetTolerance> = {
  id: 'tolerance',
  apply: (drive, edit) => {
    if (edit.as === 'none' || edit.text.trim() === '')
      return ok({ ...drive, job: without(drive.job, 'toleranceArcsec', 'toleranceMm') });
    if (edit.as === 'angle') {
      const read = readPositiveAngle(edit.text);
      if (!read.ok) return read;
      return ok({
        ...drive,
        job: { ...without(drive.job, 'toleranceMm'), toleranceArcsec: toText(read.value) },
      });
    }
    const read = readLength(edit.text);
    if (!read.ok) return read;
    let radiusMm = drive.job.radiusMm;
    if (edit.radius !== undefined) {
      const radius = readLength(edit.radius);
      if (!radius.ok) return radius;
      radiusMm = toText(radius.value);
    }
    if (radiusMm === undefined && turns(drive)) return error('noRadius', edit.text);
    const at = radiusMm === undefined ? {} : { radiusMm };
    const job = { ...without(drive.job, 'toleranceArcsec'), toleranceMm: toText(read.value), ...at };
    return ok({ ...drive, job });
  },
  label: (edit) =>
    edit.as === 'none' || edit.text.trim() === '' ? 'no tolerance' : `tolerance ${edit.text.trim()}`,
};

export interface SetRadius {
  readonly do: 'radius';
  readonly text: string;
}

/** The radius at which lengths are measured. It cannot go while the tolerance is a length. */
export const radius: EditKind<SetRadius> = {
  id: 'radius',
  apply: (drive, edit) => {
    if (edit.text.trim() === '') {
      if (drive.job.toleranceMm !== undefined && turns(drive)) return error('noRadius', edit.text);
      return ok({ ...drive, job: without(drive.job, 'radiusMm') });
    }
    const read = readLength(edit.text);
    return read.ok ? ok({ ...drive, job: { ...drive.job, radiusMm: toText(read.value) } }) : read;
  },
  label: (edit) => `radius ${edit.text.trim() || 'none'}`,
};

export interface SetNotes {
  readonly do: 'notes';
  readonly text: string;
}

export const notes: EditKind<SetNotes> = {
  id: 'notes',
  apply: (drive, edit) => {
    if (edit.text.length > MAX_TEXT) return error('tooLong', edit.text, { limit: String(MAX_TEXT) });
    const job = edit.text.trim() === '' ? without(drive.job, 'notes') : { ...drive.job, notes: edit.text };
    return ok({ ...drive, job });
  },
  label: () => 'notes',
};

export interface SetMoves {
  readonly do: 'moves';
  readonly text: string;
}

/** The moves of a linear output that must come out even, kept as typed. */
export const moves: EditKind<SetMoves> = {
  id: 'moves',
  apply: (drive, edit) => {
    const read = readMoves(edit.text);
    if (!read.ok) return read;
    const job =
      read.value.length === 0 ? without(drive.job, 'moves') : { ...drive.job, moves: edit.text.trim() };
    return ok({ ...drive, job });
  },
  label: (edit) => `moves ${edit.text.trim() || 'none'}`,
};
