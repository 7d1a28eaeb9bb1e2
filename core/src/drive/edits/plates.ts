import { readCount, ok, type Result } from '../../numbers/index.ts';
import type { Drive } from '../drive.ts';
import type { Plates } from '../duties/index.ts';
import { MAX_HOLES, readGears, readPlates, readWorm } from '../plates.ts';
import type { EditKind } from './edit.ts';

export interface SetPlates {
  readonly do: 'plates';
  readonly key: keyof Plates;
  /** as typed; nothing takes it away */
  readonly text: string;
}

const NO_PLATES: Plates = { plates: [] };
const USUAL_WORM = { wormRatio: '40' } as const;

const readers: Readonly<Record<keyof Plates, (text: string) => Result<unknown>>> = {
  wormRatio: readWorm,
  plates: readPlates,
  gears: readGears,
  mostHoles: (text) => readCount(text, { min: 2, max: MAX_HOLES, unit: 'holes', example: '66' }),
};

/** The plates of the dividing head, its worm, its change wheels, as typed. */
export const plates: EditKind<SetPlates> = {
  id: 'plates',
  apply: (drive, edit) => {
    const { [edit.key]: _, ...rest } = drive.plates ?? NO_PLATES;
    if (edit.text.trim() === '') return ok(kept(drive, { ...NO_PLATES, ...rest }));
    const read = readers[edit.key](edit.text);
    if (!read.ok) return read;
    // the first plates of a drive without any stage: a head has a worm, and 40 is the usual one
    const worm = !drive.plates && drive.train.stages.length === 0 && edit.key === 'plates' ? USUAL_WORM : {};
    return ok(kept(drive, { ...NO_PLATES, ...worm, ...rest, [edit.key]: read.value }));
  },
  label: (edit) =>
    `${{ wormRatio: 'worm', plates: 'circles', gears: 'change wheels', mostHoles: 'most holes' }[edit.key]} ${edit.text.trim() || 'none'}`,
};

/** Nothing but an empty list is nothing. */
function kept(drive: Drive, set: Plates): Drive {
  if (Object.keys(set).length > 1 || set.plates.length > 0) return { ...drive, plates: set };
  const { plates: _, ...without } = drive;
  return without;
}
