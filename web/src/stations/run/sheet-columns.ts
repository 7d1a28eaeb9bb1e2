import type { Sheet } from '@pendrix/core';

/** What stands instead of a number at a line that is no gap. */
export const NAMES = {
  gap: { gap: '', rewind: 'rewind', return: 'back' },
  mark: { gap: '', rewind: 'home', return: 'home' },
} as const;

/** The heads of a sheet's columns, on the screen and on paper. */
export const sheetHeads = ({
  plate,
  unit,
  source,
  place,
}: Pick<Sheet, 'plate' | 'unit' | 'source' | 'place'>): readonly string[] => [
  place === 'mark' ? 'Mark' : 'Gap',
  'Move',
  plate ? 'Pin in hole' : `Go to, ${unit}`,
  ...(plate ? [] : ['Moved', 'Error']),
  place === 'mark' ? 'Along the slide' : 'Angle at the work',
  plate ? 'Crank in all' : `${source.replace(/^./, (c) => c.toUpperCase())}, turns`,
];
